import { Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Star } from "lucide-react";
import { api, type Batch } from "../api/client";
import { keys } from "../api/queries";
import { done } from "../api/refusal";

/** Marks a batch, so that it is found again. */
export function StarButton({ batch: { id, starred } }: { batch: Batch }) {
  const queries = useQueryClient();
  const star = useMutation({
    mutationFn: async () => {
      const params = { path: { id } };
      done(await api.PUT("/api/v1/batches/{id}/starred", { params, body: { starred: !starred } }));
    },
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: keys.batch(id) });
      queries.invalidateQueries({ queryKey: keys.lists });
    },
  });
  return (
    <Button
      variant="outline"
      borderColor="border.emphasized"
      minH="48px"
      aria-pressed={starred}
      disabled={star.isPending}
      onClick={() => star.mutate()}
    >
      <Star aria-hidden fill={starred ? "currentColor" : "none"} />
      {starred ? "Marked" : "Mark it"}
    </Button>
  );
}
