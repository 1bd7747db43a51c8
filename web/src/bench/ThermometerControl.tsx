import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlAnswer } from "../api/client";
import { Paces } from "./Paces";
import { Touch } from "./Touch";

interface Props {
  clock: BowlAnswer["clock"];
  ended: boolean;
  set: (simulated: boolean, rate: number) => void;
}

/** The simulated thermometer: a stand-in for a probe, at any pace. */
export const ThermometerControl = memo(function ThermometerControl({ clock, ended, set }: Props) {
  const { simulated, rate } = clock;
  if (!simulated) {
    return (
      <Touch minH="56px" fontSize="md" onClick={() => set(true, 1)} disabled={ended}>
        Use the simulated thermometer
      </Touch>
    );
  }
  return (
    <Box display="flex" gap="3" alignItems="center" flexWrap="wrap">
      <Box textStyle="label" id="pace">
        Simulated thermometer
      </Box>
      <Paces labelledBy="pace" rate={rate} set={(next) => set(true, next)} />
    </Box>
  );
}, sameControl);

/** The time itself moves on all the time, and is not shown here. */
function sameControl(before: Props, now: Props): boolean {
  return (
    before.clock.rate === now.clock.rate &&
    before.clock.simulated === now.clock.simulated &&
    before.ended === now.ended &&
    before.set === now.set
  );
}
