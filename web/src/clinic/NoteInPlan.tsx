import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type Cause, type Plan } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { inWords } from "../kit/message";
import { WayTo } from "../kit/WayTo";

interface Props {
  planId: string;
  cause: Cause;
  /** What was made. */
  of: string;
}

/** Puts what to do otherwise into the plan's note, marked as learned. */
export function NoteInPlan({ planId, cause, of }: Props) {
  const queries = useQueryClient();
  const line = `Learned, ${of}: ${inWords(cause.next_time)}`;
  const note = useMutation({
    mutationFn: async () => {
      const params = { path: { id: planId } };
      const plan = accepted<Plan>(await api.GET("/api/v1/plans/{id}", { params }));
      if (plan.note.includes(line)) return plan;
      return accepted<Plan>(
        await api.PUT("/api/v1/plans/{id}", {
          params: { ...params, header: { "If-Match": `"${plan.version}"` } },
          body: {
            name: plan.name,
            note: plan.note ? `${plan.note}\n${line}` : line,
            inputs: plan.inputs,
          },
        }),
      );
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.plan(planId) }),
  });
  if (note.isSuccess) {
    return (
      <Box role="status" fontWeight="560">
        It stands in the plan's note. <WayTo to={`/plans/${planId}`}>Open the plan</WayTo>
      </Box>
    );
  }
  return (
    <Box mt="2">
      <Button variant="outline" h="48px" disabled={note.isPending} onClick={() => note.mutate()}>
        Apply to the next plan
      </Button>
      {note.error && <Fault>Not noted: {note.error.message}</Fault>}
    </Box>
  );
}
