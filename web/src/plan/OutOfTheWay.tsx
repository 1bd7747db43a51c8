import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type PlanLine } from "../api/client";
import { keys } from "../api/queries";
import { PlanRow } from "./PlanRow";

const Anchor = chakra("a");

/** A plan that cannot be opened: deleted, or kept in a form that cannot be read. */
export function OutOfTheWay({ plan, deleted }: { plan: PlanLine; deleted: boolean }) {
  const queries = useQueryClient();
  const restore = useMutation({
    mutationFn: () => api.POST("/api/v1/plans/{id}/restore", { params: { path: { id: plan.id } } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.lists }),
  });
  return (
    <Box mb="2">
      <PlanRow plan={plan} />
      <Box display="flex" gap="3" px="3" pt="1" alignItems="center">
        {deleted && (
          <Button variant="outline" minH="48px" onClick={() => restore.mutate()}>
            Undo
          </Button>
        )}
        {plan.unreadable && (
          <Anchor
            href={`/api/v1/plans/${plan.id}/document`}
            download
            color="ink"
            textDecoration="underline"
            minH="48px"
            alignContent="center"
          >
            Save it as it is
          </Anchor>
        )}
      </Box>
    </Box>
  );
}
