import { Box } from "@chakra-ui/react";
import type { Countdown } from "../api/client";
import { clock } from "../kit/format";
import { holdsUntil, inWords, inWordsBeside } from "../kit/message";
import type { KitchenClock } from "./useBowl";
import { useTick } from "./useTick";

/** What ended longer ago than this is past. */
const LONG_PAST_S = 60;

interface Props {
  countdown: Countdown;
  time: KitchenClock;
  big?: boolean;
}

/** How long until; with its range where it is a forecast. */
export function CountdownTo({ countdown, time, big }: Props) {
  useTick();
  const left = (iso: string) => (Date.parse(iso) - time.now()) / 1000;
  const [earliest, latest] = [
    left(countdown.earliest),
    countdown.latest == null ? null : left(countdown.latest),
  ];
  const exact = countdown.earliest === countdown.latest;
  const passed = left(countdown.at) <= 0;
  const { what } = countdown;
  // What holds until then holds for so long; what begins then, begins in so long.
  const words = holdsUntil(what) ? inWordsBeside(what) : `${inWords(what)} in`;
  return (
    <Box data-testid="countdown">
      <Box textStyle="label" fontSize={big ? "md" : "sm"}>
        {passed ? inWords(what) : exact ? words : `${words} about`}
      </Box>
      <Box
        textStyle="figure"
        fontSize={big ? { base: "3xl", md: "5xl" } : "2xl"}
        color={passed ? "fg.muted" : "fg"}
      >
        {passed ? (left(countdown.at) < -LONG_PAST_S ? "past" : "now") : clock(left(countdown.at))}
      </Box>
      {!exact && !passed && (
        <Box fontSize="sm" color="fg.muted">
          between {clock(earliest)} and {latest === null ? "never" : clock(latest)}
        </Box>
      )}
    </Box>
  );
}
