import { Box, SegmentGroup } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlAnswer } from "../api/client";
import { Touch } from "./Touch";

const paces = [
  { value: "0", label: "held" },
  { value: "1", label: "1×" },
  { value: "5", label: "5×" },
  { value: "20", label: "20×" },
  { value: "60", label: "60×" },
];

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
      <SegmentGroup.Root
        aria-labelledby="pace"
        value={String(rate)}
        onValueChange={({ value }) => value && set(true, Number(value))}
        size="lg"
      >
        <SegmentGroup.Indicator bg="raised" />
        {paces.map((pace) => (
          <SegmentGroup.Item
            key={pace.value}
            value={pace.value}
            minH="56px"
            minW="56px"
            cursor="pointer"
          >
            <SegmentGroup.ItemHiddenInput />
            <SegmentGroup.ItemText>{pace.label}</SegmentGroup.ItemText>
          </SegmentGroup.Item>
        ))}
      </SegmentGroup.Root>
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
