import { Box } from "@chakra-ui/react";
import { useGuide } from "../api/queries";
import { ComingStrip } from "../guide/ComingStrip";
import { useGuideClock } from "../guide/useGuideClock";
import { inWords } from "../kit/message";

interface Props {
  batchId: string;
  /** Whether what was poured is tempered: no window of the steps holds for what is not. */
  tempered: boolean;
}

/** After the pour: what the guide asks for next, and what is due, as the guide tells it. */
export function AfterThePour({ batchId, tempered }: Props) {
  const guide = useGuide(batchId).data;
  if (!guide || !tempered) return null;
  return <Told guide={guide} />;
}

function Told({ guide }: { guide: NonNullable<ReturnType<typeof useGuide>["data"]> }) {
  const clock = useGuideClock(guide.clock);
  const { now } = guide;
  return (
    <Box as="section" aria-label="After the pour" display="grid" gap="3">
      {now && (
        <Box bg="bg.panel" borderRadius="slab" px="4" py="3" data-testid="next-step">
          <Box as="span" textStyle="label">
            {now.state === "wait" ? "Next, when it is time" : "Next"}
            {": "}
          </Box>
          <Box as="span" fontWeight="600">
            {now.name}: {inWords(now.text)}
          </Box>
        </Box>
      )}
      <ComingStrip coming={guide.coming} time={clock} />
    </Box>
  );
}
