import { Box, Button } from "@chakra-ui/react";
import { Check, RotateCw } from "lucide-react";
import { type ReactNode, useState } from "react";
import type { BowlAnswer } from "../api/client";
import { inWords } from "../kit/message";
import { useWider } from "../kit/useWider";
import { SayAgain } from "../spoken/SayAgain";
import { advisedDeed } from "./advised";
import { CountdownTo } from "./CountdownTo";
import { Edged } from "./Edged";
import { hasEnded } from "./hasEnded";
import { levels } from "./levels";
import type { BowlAction } from "./useBench";
import type { KitchenClock } from "./useBowl";

/** How sure the coach is: what its instruction rests on. */
const grounds: Record<BowlAnswer["advice"]["grounds"], string> = {
  readings: "on several readings",
  one_reading: "on one reading",
  clock: "on no fresh reading",
};

interface Props {
  bowl: BowlAnswer;
  time: KitchenClock;
  /** Left out where this screen only looks on. */
  act?: ((action: BowlAction) => void) | undefined;
  /** What comes after it. */
  children?: ReactNode;
}

/**
 * The one thing to do next, why, and how long until. What has one answer is answered by
 * touching it anywhere; a pour never is.
 */
export function Instruction({ bowl, time, act, children }: Props) {
  const { advice } = bowl;
  const [why, setWhy] = useState(false);
  const { wash, edge, icon: Icon } = levels[advice.level];
  const ended = hasEnded(bowl.phase);
  const asked = ended ? null : advisedDeed(advice, bowl.bottle != null);
  // On a phone it stands in the line below, where it costs no height.
  const tablet = useWider(48);
  const countdown = advice.countdown && (
    <Box flexShrink={0} minW={{ md: "168px" }} ms={{ base: ended ? "0" : "auto", md: "0" }}>
      <CountdownTo countdown={advice.countdown} time={time} big={tablet} />
    </Box>
  );
  const answer = act && asked && asked.action.kind !== "poured" ? asked : null;
  return (
    <Edged
      wash={wash}
      edge={edge}
      py="2"
      minH={{ md: "112px" }}
      cursor={answer ? "pointer" : undefined}
      onClick={answer ? () => act?.(answer.action) : undefined}
      data-testid="instruction"
      data-rule={advice.rule}
    >
      <Box minW="0">
        <Box
          textStyle="wide"
          fontSize={{ base: "2xl", md: "4xl" }}
          lineHeight="1.08"
          display="flex"
          gap="3"
          alignItems="center"
          aria-live="polite"
        >
          {Icon && (
            <Box color={edge} flexShrink={0}>
              <Icon size={36} aria-label={advice.level} />
            </Box>
          )}
          <span>{inWords(advice.say)}</span>
        </Box>
        <Box mt="1" color="fg.muted" fontSize={{ base: "sm", md: "lg" }}>
          {inWords(advice.why)}
        </Box>
        {advice.hint && (
          <Box
            mt="1"
            display="flex"
            gap="2"
            alignItems="center"
            fontSize={{ base: "md", md: "xl" }}
            fontWeight="600"
            role="status"
            data-testid="hint"
          >
            <Box color="heat" flexShrink={0}>
              <RotateCw size={22} aria-hidden />
            </Box>
            {inWords(advice.hint)}
          </Box>
        )}
        {!ended && (
          <Box display="flex" gap="3" alignItems="center" flexWrap="wrap">
            <Button
              variant="plain"
              px="0"
              fontSize="sm"
              color="ink"
              textDecoration="underline"
              aria-expanded={why}
              onClick={(event) => {
                event.stopPropagation();
                setWhy(!why);
              }}
            >
              Why?
            </Button>
            {why && (
              <Box as="span" fontSize="sm" data-testid="grounds">
                Rule: {advice.rule.replaceAll("_", " ")}, {grounds[advice.grounds]}.
              </Box>
            )}
            {answer && (
              <Box
                as="span"
                display="inline-flex"
                gap="1"
                alignItems="center"
                fontSize="sm"
                color="fg.muted"
              >
                <Check size={16} aria-hidden /> Touch here: {answer.label}
              </Box>
            )}
            <SayAgain
              words={[advice.say, advice.why, advice.hint]
                .map((one) => one && inWords(one))
                .filter(Boolean)
                .join(". ")}
              // A thermometer that sends changes the figures in it every second.
              of={`${advice.rule} ${advice.hint?.code ?? ""}`}
            />
            {children}
            {!tablet && countdown}
          </Box>
        )}
      </Box>
      {(tablet || ended) && countdown}
    </Edged>
  );
}
