import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type Cause, type Plan, type PutIn } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { WayTo } from "../kit/WayTo";
import { Changes } from "./Changes";

interface Props {
  planId: string;
  cause: Cause;
  /** The component, by its key. */
  component: string;
}

/** Puts what was learned into the plan: what will be different is shown first. */
export function ApplyCause({ planId, cause, component }: Props) {
  const queries = useQueryClient();
  const params = { path: { id: planId } };
  const look = useMutation({
    mutationFn: async () => {
      const plan = accepted<Plan>(await api.GET("/api/v1/plans/{id}", { params }));
      const body = { inputs: plan.inputs, learned: [{ component, cause: cause.key }] };
      const learned = accepted<PutIn>(await api.POST("/api/v1/calc/learned", { body }));
      return { plan, learned };
    },
  });
  const put = useMutation({
    mutationFn: async ({ plan, learned }: { plan: Plan; learned: PutIn }) =>
      accepted<Plan>(
        await api.PUT("/api/v1/plans/{id}", {
          params: { ...params, header: { "If-Match": `"${plan.version}"` } },
          body: { name: plan.name, note: plan.note, inputs: learned.inputs },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.plan(planId) }),
  });
  const changes = look.data?.learned.changes[0];
  const error = look.error ?? put.error;
  if (put.isSuccess || changes?.length === 0) {
    return (
      <Box role="status" fontWeight="560" mt="2">
        {put.isSuccess ? "It stands in the plan. " : "It stands in the plan already. "}
        <WayTo to={`/plans/${planId}`}>Open the plan</WayTo>
      </Box>
    );
  }
  return (
    <Box mt="2">
      {look.data && changes ? (
        <Box role="status" bg="cool.wash" borderRadius="slab" p="3">
          <Box fontWeight="640">What will be different</Box>
          <Changes changes={changes} />
          <Box display="flex" gap="2" mt="2" flexWrap="wrap">
            <Button
              h="48px"
              bg="ink"
              color="onInk"
              disabled={put.isPending}
              onClick={() => put.mutate(look.data)}
            >
              Put it in the plan
            </Button>
            <Button variant="ghost" h="48px" onClick={() => look.reset()}>
              Leave it
            </Button>
          </Box>
        </Box>
      ) : (
        <Button variant="outline" h="48px" disabled={look.isPending} onClick={() => look.mutate()}>
          Apply to the next plan
        </Button>
      )}
      {error && <Fault>Not applied: {error.message}</Fault>}
    </Box>
  );
}
