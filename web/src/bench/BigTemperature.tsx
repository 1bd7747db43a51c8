import { Box } from "@chakra-ui/react";
import { ArrowDown, ArrowRight, ArrowUp } from "lucide-react";
import type { BowlAnswer } from "../api/client";
import { offWords } from "../chocolate/offWords";
import { degreeUnit, shownDegrees, shownTemp } from "../kit/display";
import { clock, temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { hasEnded } from "./hasEnded";
import type { KitchenClock } from "./useBowl";
import { useTick } from "./useTick";
import { finishWords, stands } from "./words";

/** Below this, per minute, it counts as steady. */
const STEADY = 0.1;
/** A reading older than this is told with its age. */
const OLD_S = 20;

/** Where the reading stands against the range that matters now, as it is shown. */
function place({ latest, phase, windows, use_c, keeps_crystals }: BowlAnswer): string {
  const melting = phase === "melting" && !keeps_crystals;
  const range = melting ? "melting range" : "working range";
  const [lo, hi] = melting ? windows.melt_c : use_c;
  if (!latest || lo === undefined || hi === undefined) return "";
  const temp = Math.round(latest.temp_c * 10) / 10;
  if (temp > hi) return `${shownDegrees(temp - hi).toFixed(1)}° over the ${range}`;
  if (temp < lo) return `${shownDegrees(lo - temp).toFixed(1)}° under the ${range}`;
  return `in the ${range}`;
}

/** The temperature, to be read from an arm and a half away. */
export function BigTemperature({ bowl, time }: { bowl: BowlAnswer; time: KitchenClock }) {
  useTick(1000);
  const { latest, trend_c_per_min: trend } = bowl;
  const since = (at: string) => (time.now() - Date.parse(at)) / 1000;
  const age = latest ? since(latest.at) : 0;
  const edgeAge = bowl.edge ? since(bowl.edge.at) : 0;
  const ended = hasEnded(bowl.phase);
  const Arrow =
    trend == null || Math.abs(trend) < STEADY ? ArrowRight : trend > 0 ? ArrowUp : ArrowDown;
  return (
    <Box>
      <Box display="flex" columnGap="3" alignItems="baseline" flexWrap="wrap">
        <Box textStyle="title" fontSize={{ base: "lg", md: "2xl" }} data-testid="phase">
          {stands(bowl)}
        </Box>
        <Box color="fg.muted" data-testid="finish">
          {bowl.tested ? finishWords[bowl.finish] : ""}
        </Box>
        {bowl.offset_c !== 0 && (
          <Box color="fg.muted" fontSize={{ base: "sm", md: "md" }} data-testid="corrected">
            {`Your thermometer ${offWords(bowl.offset_c)}`}
          </Box>
        )}
      </Box>
      <Box display="flex" alignItems="flex-end" gap="2">
        <Box
          textStyle="wide"
          fontSize={{ base: "72px", md: "128px" }}
          lineHeight="0.95"
          fontWeight="600"
          whiteSpace="nowrap"
          data-testid="temperature"
        >
          {latest ? shownTemp(latest.temp_c).toFixed(1) : "–"}
          <Box as="span" fontSize="0.3em" verticalAlign="0.9em" ms="0.1em">
            {degreeUnit}
          </Box>
        </Box>
        {/* Beside it: below it, it would move the touches from under somebody's finger. */}
        {!ended && (
          <Box
            maxW="220px"
            lineHeight="short"
            fontSize={{ base: "sm", md: "lg" }}
            fontWeight="600"
            pb={{ base: "0.5", md: "2" }}
          >
            {bowl.edge && (
              <Box data-testid="edge">
                {temperature(bowl.edge.temp_c)} at the edge
                {edgeAge > OLD_S && (
                  <>
                    {", "}
                    <Box as="span" color="fg.muted" whiteSpace="nowrap">
                      {clock(edgeAge)} ago
                    </Box>
                  </>
                )}
              </Box>
            )}
            {latest && age > OLD_S && (
              <Box color="heat" data-testid="age">
                read {clock(age)} ago
              </Box>
            )}
          </Box>
        )}
      </Box>
      <Box
        display="flex"
        gap="2"
        alignItems="center"
        fontSize={{ base: "sm", md: "xl" }}
        fontWeight="560"
      >
        {latest && (
          <>
            <Arrow size={26} aria-hidden />
            <span data-testid="trend">
              {trend == null
                ? "no trend yet"
                : Math.abs(trend) < STEADY
                  ? "steady"
                  : `${shownDegrees(Math.abs(trend)).toFixed(1)}° a minute ${trend > 0 ? "up" : "down"}`}
            </span>
            <Box as="span" color="fg.muted">
              · {place(bowl)}
            </Box>
          </>
        )}
      </Box>
      {bowl.test?.words && (
        <Box
          data-testid="verdict"
          mt="1"
          fontSize={{ base: "md", md: "lg" }}
          fontWeight="600"
          maxW="46ch"
        >
          Test: {inWords(bowl.test.words)}
        </Box>
      )}
      {bowl.doubted > 0 && (
        <Box color="fg.muted" mt="1" data-testid="doubted">
          {bowl.doubted} doubted {bowl.doubted === 1 ? "reading" : "readings"}, kept and left out of
          the forecast
        </Box>
      )}
    </Box>
  );
}
