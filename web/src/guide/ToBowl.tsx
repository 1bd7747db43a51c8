import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type BowlWithPlan, type Guide } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Touch } from "../bench/Touch";

interface Props {
  now: NonNullable<Guide["now"]>;
  batchId: string;
}

/** From a step that waits for a bowl, or is a bowl's tempering, on to that bowl. */
export function ToBowl({ now, batchId }: Props) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { bowl_id, chocolate } = now;
  const open = useMutation({
    mutationFn: async () =>
      accepted<BowlWithPlan>(
        await api.POST("/api/v1/batches/{id}/bowls", {
          params: { path: { id: batchId } },
          body: { id: crypto.randomUUID(), chocolate: chocolate ?? null, simulated: false },
        }),
      ),
    onSuccess: ({ bowl }) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      navigate(`/bench/${bowl.id}`);
    },
  });
  if (bowl_id) {
    return (
      <Touch advised onClick={() => navigate(`/bench/${bowl_id}`)}>
        To its bowl
      </Touch>
    );
  }
  if (now.kind !== "tempering") return null;
  return (
    <Touch advised disabled={open.isPending} onClick={() => open.mutate()}>
      Take it to the bench
    </Touch>
  );
}
