import { Box, Button, Checkbox } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, type Batch, type Cause, type Difference, type WatchFor } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { inWords } from "../kit/message";
import { Changes } from "./Changes";
import { useBatchClinic } from "./useClinic";

/** What is told as likely: the words of the clinic draw the line, not this. */
const toldLikely: Cause["likely"][] = ["almost_certain", "likely"];

/** Makes a batch again: as it was, or with what was learned, shown as a difference first. */
export function MakeAgain({ batch }: { batch: Batch }) {
  const { id, results } = batch;
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const faulty = results.some(({ seen }) => seen.length > 0);
  const again = useMutation({
    mutationFn: async (learned: WatchFor[]) =>
      accepted<Batch>(
        await api.POST("/api/v1/batches/{id}/again", {
          params: { path: { id } },
          body: { id: crypto.randomUUID(), learned },
        }),
      ),
    onSuccess: (made) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      navigate(`/build/${made.id}`);
    },
  });
  const look = { variant: "outline", borderColor: "border.emphasized", minH: "48px" } as const;
  return (
    <Box>
      <Box display="flex" gap="2" flexWrap="wrap">
        <Button {...look} disabled={again.isPending} onClick={() => again.mutate([])}>
          Make it again as it was
        </Button>
        {faulty && (
          <Button {...look} aria-expanded={open} onClick={() => setOpen(!open)}>
            Make it again with what was learned
          </Button>
        )}
      </Box>
      {open && (
        <WithLearned
          batch={batch}
          pending={again.isPending}
          begin={(learned) => again.mutate(learned)}
        />
      )}
      {again.error && <Fault mt="2">That was not done: {again.error.message}</Fault>}
    </Box>
  );
}

interface Props {
  batch: Batch;
  pending: boolean;
  begin: (learned: WatchFor[]) => void;
}

interface Offered extends WatchFor {
  name: string;
  of: string;
}

function WithLearned({ batch, pending, begin }: Props) {
  const told = useBatchClinic(batch.id, batch.results.length);
  const [without, setWithout] = useState<string[]>([]);
  if (told.error && !told.data) return <Fault mt="2">{told.error.message}</Fault>;
  if (!told.data) return null;
  const offered: Offered[] = told.data.of.flatMap(({ component, name, seen, told: { causes } }) =>
    seen.length === 0
      ? []
      : causes
          .filter(({ likely }) => toldLikely.includes(likely))
          .map((cause) => ({ component, cause: cause.key, name: inWords(cause.name), of: name })),
  );
  const idOf = ({ component, cause }: WatchFor) => `${component} ${cause}`;
  const chosen = offered.filter((one) => !without.includes(idOf(one)));
  if (offered.length === 0) {
    return (
      <Box mt="3" color="fg.muted">
        No cause is likely enough to change anything by. Answer the questions under “Why”, or make
        it again as it was and note more.
      </Box>
    );
  }
  return (
    <Box mt="3" bg="cool.wash" borderRadius="slab" p="3" display="grid" gap="2" role="status">
      <Box fontWeight="640">What will be different</Box>
      {offered.map((one) => (
        <Checkbox.Root
          key={idOf(one)}
          minH="48px"
          checked={!without.includes(idOf(one))}
          onCheckedChange={({ checked }) =>
            setWithout(checked ? without.filter((id) => id !== idOf(one)) : [...without, idOf(one)])
          }
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control />
          <Checkbox.Label fontWeight="560">
            {one.name}
            {(batch.stated?.components.length ?? 0) > 1 && ` (${one.of})`}
          </Checkbox.Label>
        </Checkbox.Root>
      ))}
      <Differences batchId={batch.id} chosen={chosen} />
      <Button
        h="48px"
        bg="ink"
        color="onInk"
        justifySelf="start"
        disabled={pending || chosen.length === 0}
        onClick={() => begin(chosen.map(({ component, cause }) => ({ component, cause })))}
      >
        Begin it like this
      </Button>
    </Box>
  );
}

function Differences({ batchId, chosen }: { batchId: string; chosen: WatchFor[] }) {
  const learned = chosen.map(({ component, cause }) => ({ component, cause }));
  const shown = useQuery({
    queryKey: [...keys.batch(batchId), "difference", learned],
    queryFn: async () =>
      accepted<Difference>(
        await api.POST("/api/v1/batches/{id}/difference", {
          params: { path: { id: batchId } },
          body: { learned },
        }),
      ),
  });
  if (shown.error && !shown.data) return <Fault>{shown.error.message}</Fault>;
  const changes = shown.data?.changes.flat() ?? [];
  if (shown.data && changes.length === 0 && chosen.length > 0) {
    return <Box>All of that was in it already.</Box>;
  }
  return <Changes changes={changes} />;
}
