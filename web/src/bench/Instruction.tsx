import { Box } from "@chakra-ui/react";
import type { BowlAnswer } from "../api/client";
import { inWords } from "../kit/message";
import { CountdownTo } from "./CountdownTo";
import { Edged } from "./Edged";
import { levels } from "./levels";
import type { KitchenClock } from "./useBowl";

/** How sure the coach is: what its instruction rests on. */
const grounds: Record<BowlAnswer["advice"]["grounds"], string> = {
  readings: "on several readings",
  one_reading: "on one reading",
  clock: "on no fresh reading",
};

/** The one thing to do next, why, and how long until. */
export function Instruction({ bowl, time }: { bowl: BowlAnswer; time: KitchenClock }) {
  const { advice } = bowl;
  const { wash, edge, icon: Icon } = levels[advice.level];
  return (
    <Edged
      wash={wash}
      edge={edge}
      py="2"
      minH={{ md: "118px" }}
      data-testid="instruction"
      data-rule={advice.rule}
    >
      <Box minW="0" aria-live="polite">
        <Box
          textStyle="wide"
          fontSize={{ base: "2xl", md: "4xl" }}
          lineHeight="1.08"
          display="flex"
          gap="3"
          alignItems="center"
        >
          {Icon && (
            <Box color={edge} flexShrink={0}>
              <Icon size={36} aria-label={advice.level} />
            </Box>
          )}
          <span>{inWords(advice.say)}</span>
        </Box>
        <Box mt="2" color="fg.muted" fontSize={{ base: "sm", md: "lg" }}>
          {inWords(advice.why)}{" "}
          {bowl.phase !== "done" && bowl.phase !== "lost" && (
            <Box as="span" fontSize="sm" data-testid="grounds">
              By the rule “{advice.rule.replaceAll("_", " ")}”, {grounds[advice.grounds]}.
            </Box>
          )}
        </Box>
      </Box>
      {advice.countdown && (
        <Box flexShrink={0} minW={{ md: "168px" }}>
          <CountdownTo countdown={advice.countdown} time={time} big />
        </Box>
      )}
    </Edged>
  );
}
