import { Box, Button } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { PlanInputs, WholePlan } from "../api/client";
import { inWords } from "../kit/message";
import { Panel } from "../kit/Panel";

interface Props {
  plan: WholePlan;
  onChange: (change: (inputs: PlanInputs) => PlanInputs) => void;
}

/** What was learned from how it came out before: each stands at its step, and can be let go. */
export function WatchForPanel({ plan, onChange }: Props) {
  if (plan.watch_for.length === 0) return null;
  return (
    <Panel title="Learned">
      <Box as="ul" listStyleType="none" data-testid="watch-for">
        {plan.watch_for.map(({ component, cause, name, went_wrong, next_time }) => (
          <Box as="li" key={`${component} ${cause}`} display="flex" gap="2" alignItems="start">
            <Box flex="1" minW="0" py="1">
              <Box fontWeight="560">{inWords(next_time)}</Box>
              <Box fontSize="sm" color="fg.muted">
                {`${name}, before: ${inWords(went_wrong).toLowerCase()}`}
              </Box>
            </Box>
            <Button
              variant="ghost"
              minH="48px"
              minW="48px"
              aria-label={`Let go of it: ${inWords(next_time)}`}
              onClick={() =>
                onChange((inputs) => ({
                  ...inputs,
                  watch_for: (inputs.watch_for ?? []).filter(
                    (one) => one.component !== component || one.cause !== cause,
                  ),
                }))
              }
            >
              <X aria-hidden />
            </Button>
          </Box>
        ))}
      </Box>
    </Panel>
  );
}
