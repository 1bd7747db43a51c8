import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs, BowlPlan } from "../api/client";
import { useShelf } from "../api/queries";
import { clock } from "../kit/format";
import { inWords } from "../kit/message";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";
import { burstLook } from "../theme/bursts";

interface Props {
  melt: BowlPlan["microwave"];
  heat_id: BowlInputs["heat_id"];
}

function learnedFrom(bowls: number): string {
  return bowls === 1 ? "learned from one bowl" : `learned from ${bowls} bowls`;
}

/** The melt as a strip of bursts, each as long as it lasts. */
export const BurstStrip = memo(function BurstStrip({ melt, heat_id }: Props) {
  const heat = useShelf().data?.heats.find(({ id }) => id === heat_id);
  const taught = heat?.learned.find(({ number }) => number === "efficiency");
  // A batch of an earlier release was kept without it.
  const at = melt?.power ? ` ${inWords(melt.power)}` : "";
  if (!melt) {
    return (
      <Box color="fg.muted">
        No microwave: over barely simmering water, the bowl wider than the pan so that no steam
        comes in. Steam burns, and one drop of water makes chocolate seize.
      </Box>
    );
  }
  return (
    <Box>
      <Box
        display="flex"
        gap="2px"
        h="40px"
        css={{
          "& > div": {
            ...burstLook,
            minWidth: { base: "12px", md: "22px" },
            fontSize: { base: "xs", md: "sm" },
          },
        }}
        role="img"
        aria-label={`Bursts of ${melt.bursts_s.join(", ")} seconds${at}`}
      >
        {melt.bursts_s.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: bursts have no identity but their place
          <div key={i} style={{ flex: s }}>
            {s}
          </div>
        ))}
      </Box>
      <Box mt="1.5" mb="1" fontSize="sm">
        <Box>
          Seconds each{at}, <strong>{clock(melt.seconds)}</strong> in all:{" "}
          {taught ? learnedFrom(taught.bowls) : "an estimate until your microwave is known"}.
        </Box>
        <ShowSum steps={melt.sum} of="melting time" />
      </Box>
      <Notes notes={melt.notes} />
    </Box>
  );
});
