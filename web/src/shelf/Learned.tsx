import { Box, Button } from "@chakra-ui/react";
import { RotateCcw } from "lucide-react";
import type { LearnedAnswer } from "../api/client";
import { degreeUnit, shownDegrees } from "../kit/display";
import { useDeeds } from "./useThing";

const percent = (share: number) => `${Math.round(share * 100)} %`;
const degrees = (c: number) => `${shownDegrees(c).toFixed(1)} ${degreeUnit}`;

/** What was learned, and what is usual. */
function words({ number, value, usual }: LearnedAnswer): [string, string] {
  switch (number) {
    case "cooling_ratio":
      return [`Loses heat ${value.toFixed(2)} times as fast as usual`, "1"];
    case "efficiency":
      return [`Melting efficiency ${percent(value)}`, percent(usual)];
    case "carry_over_c":
      return [`Carry-over ${degrees(value)}`, degrees(usual)];
    case "burst_response":
      return [`Short-burst efficiency ${percent(value)}`, percent(usual)];
    case "dryer_w":
      return [`The hair dryer brings ${Math.round(value)} W`, `${usual} W`];
    case "warm_water_ratio":
      return [`Warm water warms it ${value.toFixed(2)} times as fast as usual`, "1"];
    case "bath_w":
      return [`A moment over simmering water brings ${Math.round(value)} W`, `${usual} W`];
    case "tempering_pace":
      return [`Tempering takes ${value.toFixed(2)} times the usual time`, "1"];
    case "setting_pace":
      return [`Sets in ${value.toFixed(2)} times the usual time`, "1"];
  }
}

interface Props {
  id: string;
  learned: LearnedAnswer[];
  /** What teaches it: bowls, or builds. */
  from?: "bowl" | "build";
}

/** What earlier bowls taught about a thing, on how many it rests, and the way back. */
export function Learned({ id, learned, from = "bowl" }: Props) {
  const { unlearn } = useDeeds(id);
  if (learned.length === 0) {
    return (
      <Box fontSize="sm" color="fg.muted" mt="1">
        {from === "bowl"
          ? "Nothing learned yet: plan with it, and each bowl that is poured teaches."
          : "Nothing learned yet: say in the build guide when something has just become dry."}
      </Box>
    );
  }
  return (
    <Box mt="2" display="flex" gap="3" alignItems="end" justifyContent="space-between">
      <Box as="ul" listStyleType="none" fontSize="sm" data-testid="learned">
        {learned.map((one) => {
          const [what, usual] = words(one);
          const by = one.number === "setting_pace" ? "build" : "bowl";
          return (
            <Box as="li" key={`${one.number} ${one.with}`} mb="1.5">
              <Box fontWeight="600">{what}</Box>
              <Box color="fg.muted">
                from {one.bowls} {one.bowls === 1 ? by : `${by}s`}
                {one.with && ` with ${one.with}`}; usual is {usual}
              </Box>
            </Box>
          );
        })}
      </Box>
      <Button
        variant="ghost"
        size="sm"
        flexShrink={0}
        disabled={unlearn.isPending}
        onClick={() => unlearn.mutate()}
      >
        <RotateCcw aria-hidden /> Forget
      </Button>
    </Box>
  );
}
