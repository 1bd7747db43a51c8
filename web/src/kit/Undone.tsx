import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "react-router";
import { api } from "../api/client";
import { keys } from "../api/queries";
import { done } from "../api/refusal";
import { Fault } from "./Fault";

/** What was taken out of a list a moment ago, and can be had back. */
export interface TakenOut {
  of: "plans" | "batches";
  id: string;
  name: string;
  how: "deleted" | "archived";
}

/** Says what was just deleted or archived, with the way back. */
export function Undone() {
  const { state } = useLocation();
  const queries = useQueryClient();
  const [back, setBack] = useState<string>();
  const out = (state as { out?: TakenOut } | null)?.out;
  const restore = useMutation({
    mutationFn: async ({ of, id, how }: TakenOut) => {
      const params = { path: { id } };
      const answer =
        how === "archived"
          ? await api.PUT("/api/v1/plans/{id}/archived", { params, body: { archived: false } })
          : of === "plans"
            ? await api.POST("/api/v1/plans/{id}/restore", { params })
            : await api.POST("/api/v1/batches/{id}/restore", { params });
      done(answer);
    },
    onSuccess: (_, { id }) => {
      setBack(id);
      queries.invalidateQueries({ queryKey: keys.lists });
    },
  });
  if (!out || back === out.id) return null;
  return (
    <Box
      role="status"
      display="flex"
      gap="3"
      alignItems="center"
      flexWrap="wrap"
      bg="cool.wash"
      borderRadius="slab"
      px="4"
      py="2"
      mb="3"
      fontWeight="560"
    >
      <span>
        “{out.name}” was {out.how}.{out.how === "deleted" && " It is kept for 30 days."}
      </span>
      <Button variant="outline" disabled={restore.isPending} onClick={() => restore.mutate(out)}>
        Undo
      </Button>
      {restore.error && <Fault>It is not back: {restore.error.message}</Fault>}
    </Box>
  );
}
