import { Box, Input } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { memo, useEffect, useRef, useState } from "react";
import { api, type Batch } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";

/** The batch's name, edited where it stands. */
export const NameField = memo(function NameField({ batch }: { batch: Batch }) {
  const [name, setName] = useState(batch.name);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const typed = useRef(batch.name);
  const queries = useQueryClient();
  const rename = useMutation({
    // One at a time, each from the version that the one before it left.
    scope: { id: `name of ${batch.id}` },
    mutationFn: async (next: string) => {
      const now = queries.getQueryData<Batch>(keys.batch(batch.id)) ?? batch;
      return accepted<Batch>(
        await api.PUT("/api/v1/batches/{id}", {
          params: { path: { id: batch.id }, header: { "If-Match": `"${now.version}"` } },
          body: { name: next, note: now.note },
          keepalive: true,
        }),
      );
    },
    onSuccess: (kept) => {
      queries.setQueryData(keys.batch(batch.id), kept);
      queries.invalidateQueries({ queryKey: keys.batches, exact: true });
    },
    onError: (error) => {
      if (error instanceof Refusal && error.status === 412) {
        queries.invalidateQueries({ queryKey: keys.batch(batch.id) });
      }
    },
  });
  const { mutate } = rename;
  // A name typed just before leaving is kept too.
  useEffect(() => {
    const leave = () => {
      if (timer.current === undefined) return;
      clearTimeout(timer.current);
      timer.current = undefined;
      mutate(typed.current);
    };
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [mutate]);

  const error = rename.error instanceof Refusal ? rename.error.fields.name : undefined;
  return (
    <Box flex={{ base: "1 0 100%", md: "1" }} minW="0">
      <Input
        aria-label="Name of the batch"
        aria-invalid={error !== undefined}
        variant="flushed"
        textStyle="title"
        fontSize={{ base: "xl", md: "2xl" }}
        h="44px"
        borderColor="transparent"
        _hover={{ borderColor: "border.emphasized" }}
        value={name}
        onChange={(event) => {
          const next = event.target.value;
          setName(next);
          clearTimeout(timer.current);
          typed.current = next;
          timer.current = setTimeout(() => {
            timer.current = undefined;
            mutate(next);
          }, 400);
        }}
      />
      {error && <Fault fontSize="sm">Name {error}</Fault>}
    </Box>
  );
});
