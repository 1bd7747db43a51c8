import { Box, SegmentGroup } from "@chakra-ui/react";
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
  bowl: BowlAnswer;
  set: (simulated: boolean, rate: number) => void;
}

/** The simulated thermometer: a stand-in for a probe, at any pace. */
export function ThermometerControl({ bowl, set }: Props) {
  const { simulated, rate } = bowl.clock;
  if (!simulated) {
    return (
      <Touch
        minH="56px"
        fontSize="md"
        onClick={() => set(true, 1)}
        disabled={bowl.phase === "done" || bowl.phase === "lost"}
      >
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
        <SegmentGroup.Indicator bg="bg.panel" />
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
}
