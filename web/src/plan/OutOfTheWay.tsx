import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type PlanLine } from "../api/client";
import { keys } from "../api/queries";
import { done } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { FileTo } from "../kit/WayTo";
import { PlanRow } from "./PlanRow";

/** A plan that cannot be opened: deleted, or kept in a form that cannot be read. */
export function OutOfTheWay({ plan, deleted }: { plan: PlanLine; deleted: boolean }) {
  const queries = useQueryClient();
  const restore = useMutation({
    mutationFn: async () => {
      const params = { path: { id: plan.id } };
      done(await api.POST("/api/v1/plans/{id}/restore", { params }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.lists }),
  });
  return (
    <Box mb="2">
      <PlanRow plan={plan} />
      <Box display="flex" gap="3" px="3" pt="1" alignItems="center">
        {deleted && (
          <Button variant="outline" disabled={restore.isPending} onClick={() => restore.mutate()}>
            Undo
          </Button>
        )}
        {plan.unreadable && (
          <FileTo href={`/api/v1/plans/${plan.id}/document`} download>
            Save it as it is
          </FileTo>
        )}
      </Box>
      {restore.error && <Fault mx="3">It is not back: {restore.error.message}</Fault>}
    </Box>
  );
}
