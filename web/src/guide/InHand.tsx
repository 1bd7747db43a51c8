import { Box } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { Hand } from "lucide-react";
import { api, type Guide, type Me } from "../api/client";
import { accepted } from "../api/refusal";
import { Touch } from "../bench/Touch";
import { capitalised } from "../kit/capitalised";
import { Fault } from "../kit/Fault";
import { type ToDo, whose } from "./hands";

interface Props {
  step: ToDo;
  batchId: string;
  me: Me | undefined;
}

/** Where others are at work too (the guide itself tells what came of it): whose hands a step is in, and the touch that takes it. */
export function InHand({ step, batchId, me }: Props) {
  const take = useMutation({
    mutationFn: async (body: { mine: boolean; take_over?: boolean }) =>
      accepted<Guide>(
        await api.PUT("/api/v1/batches/{id}/hands", {
          params: { path: { id: batchId } },
          body: { step: step.step, ...body },
        }),
      ),
  });
  const at = whose(step, me);
  const words = {
    mine: "It is in your hands: nobody else takes it.",
    another: `${capitalised(step.in_hand?.device ?? "")} has it in hand.`,
    nobody: "Nobody has it in hand yet.",
  };
  return (
    <Box display="flex" gap="3" alignItems="center" flexWrap="wrap" data-testid="in-hand">
      <Box display="flex" gap="2" alignItems="center" fontWeight="600" flex="1 1 auto">
        <Hand size={20} aria-hidden /> {words[at]}
      </Box>
      {at === "mine" && (
        <Touch minH="56px" onClick={() => take.mutate({ mine: false })}>
          Let go of it
        </Touch>
      )}
      {at === "nobody" && (
        <Touch minH="56px" onClick={() => take.mutate({ mine: true })}>
          I take it
        </Touch>
      )}
      {at === "another" && me?.role === "maker" && (
        <Touch minH="56px" onClick={() => take.mutate({ mine: true, take_over: true })}>
          Take it over
        </Touch>
      )}
      {take.error && <Fault>{take.error.message}</Fault>}
    </Box>
  );
}
