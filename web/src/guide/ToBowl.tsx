import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import type { Guide } from "../api/client";
import { keys } from "../api/queries";
import { openBowl } from "../bench/openBowl";
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
    mutationFn: () => openBowl(batchId, chocolate),
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
      Start tempering
    </Touch>
  );
}
