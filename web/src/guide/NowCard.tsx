import { Box } from "@chakra-ui/react";
import { AlarmClock, Hourglass, Thermometer, TriangleAlert } from "lucide-react";
import type { Guide } from "../api/client";
import { CountdownTo } from "../bench/CountdownTo";
import { Edged } from "../bench/Edged";
import type { KitchenClock } from "../bench/useBowl";
import { StepHelp } from "../help/StepHelp";
import { time, weekday } from "../kit/format";
import { LearnedNotes } from "../kit/LearnedNotes";
import { inWords } from "../kit/message";
import { SayAgain } from "../spoken/SayAgain";

type Now = NonNullable<Guide["now"]>;

const looks: Record<
  Now["state"],
  { wash: string; edge: string; word: string; icon?: typeof AlarmClock }
> = {
  do: { wash: "work.wash", edge: "work", word: "Now" },
  closing: { wash: "heat.wash", edge: "heat", word: "Now: little time left", icon: AlarmClock },
  missed: { wash: "stop.wash", edge: "stop", word: "Too late", icon: TriangleAlert },
  wait: { wash: "cool.wash", edge: "cool", word: "Leave it alone. Next", icon: Hourglass },
  wait_for_bowl: {
    wash: "cool.wash",
    edge: "cool",
    word: "As soon as its chocolate is in temper",
    icon: Thermometer,
  },
};

/** A wait from here on is not stood through at the table, ms. */
const APART_MS = 45 * 60_000;

/** When to come back, where the wait is long; by the days on the wall. */
function comeBack(opens: string, now: Date): string | null {
  const at = new Date(opens);
  if (at.getTime() - now.getTime() < APART_MS) return null;
  const midnight = (of: Date) => new Date(of.getFullYear(), of.getMonth(), of.getDate()).getTime();
  const days = Math.round((midnight(at) - midnight(now)) / 86_400_000);
  const when = days === 0 ? "today" : days === 1 ? "tomorrow" : `on ${weekday(opens)}`;
  return `Come back ${when} after ${time(opens)}.`;
}

/** The one thing to do, for what, and how long until. */
export function NowCard({ now, clock }: { now: Now; clock: KitchenClock }) {
  const { wash, edge, word, icon: Icon } = looks[now.state];
  const back =
    now.state === "wait" && now.opens ? comeBack(now.opens.at, new Date(clock.now())) : null;
  const countdown = now.state === "wait" ? now.opens : now.closes;
  return (
    <Edged
      wash={wash}
      edge={edge}
      py="4"
      minH={{ md: "190px" }}
      data-testid="build-now"
      data-state={now.state}
      data-step={now.step}
      data-kind={now.kind}
    >
      <Box minW="0" aria-live="polite">
        <Box
          display="flex"
          gap="2"
          alignItems="center"
          fontWeight="600"
          fontSize={{ base: "md", md: "xl" }}
        >
          {Icon && <Icon size={26} aria-hidden />}
          {word}
          <Box as="span" color="fg.muted" fontWeight="560">
            {now.name}
          </Box>
        </Box>
        <Box textStyle="wide" fontSize={{ base: "3xl", md: "5xl" }} lineHeight="1.08" mt="2">
          {inWords(now.text)}
        </Box>
        {back && (
          <Box mt="3" fontWeight="600" fontSize={{ base: "lg", md: "2xl" }} data-testid="come-back">
            {back}
          </Box>
        )}
        <Box mt="3" color="fg.muted" fontSize={{ base: "md", md: "xl" }}>
          {inWords(now.detail)}
        </Box>
        <Box mt="3" display="flex" gap="3" flexWrap="wrap" alignItems="center">
          {now.topic && <StepHelp of={now.topic} big />}
          <SayAgain
            words={`${now.name}. ${inWords(now.text)}. ${inWords(now.detail)}`}
            of={`${now.step} ${now.state}`}
          />
        </Box>
        {now.caution && now.state !== "missed" && (
          <Box
            mt="3"
            display="flex"
            gap="2"
            alignItems="center"
            fontWeight="600"
            fontSize={{ base: "md", md: "lg" }}
            data-testid="build-caution"
          >
            <TriangleAlert size={24} aria-label="mind" style={{ flexShrink: 0 }} />
            {inWords(now.caution)}
          </Box>
        )}
        <LearnedNotes notes={now.learned} />
      </Box>
      {countdown && (
        <Box flexShrink={0} minW={{ md: "220px" }}>
          <CountdownTo countdown={countdown} time={clock} big />
        </Box>
      )}
    </Edged>
  );
}
