import { SegmentGroup } from "@chakra-ui/react";

const paces = [
  { value: "0", label: "held" },
  { value: "1", label: "1×" },
  { value: "5", label: "5×" },
  { value: "20", label: "20×" },
  { value: "60", label: "60×" },
];
/** Where hours and days are waited for. */
const fast = [
  { value: "600", label: "600×" },
  { value: "3600", label: "an hour a second" },
];

interface Props {
  /** The id of its label. */
  labelledBy: string;
  rate: number;
  /** Whether hours and days are waited for. */
  days?: boolean;
  set: (rate: number) => void;
}

/** How fast simulated time runs. */
export function Paces({ labelledBy, rate, days, set }: Props) {
  return (
    <SegmentGroup.Root
      aria-labelledby={labelledBy}
      value={String(rate)}
      onValueChange={({ value }) => value && set(Number(value))}
      size="lg"
      maxW="100%"
      minW="0"
      flexWrap="wrap"
    >
      <SegmentGroup.Indicator bg="raised" />
      {[...paces, ...(days ? fast : [])].map((pace) => (
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
  );
}
