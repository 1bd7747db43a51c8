import { Box } from "@chakra-ui/react";
import type { BatchLine } from "../api/client";
import { day, mass } from "../kit/format";
import { chocolateColours, familyNames } from "../theme/chocolate";

const stages: Record<BatchLine["stage"], string> = {
  planned: "Planned",
  at_bench: "At the bench",
  poured: "Poured",
  lost: "Given up",
};

/** A batch in a list. */
export function BatchRow({ batch }: { batch: BatchLine }) {
  const colours = chocolateColours[batch.family];
  const lost = batch.stage === "lost";
  return (
    <Box
      display="grid"
      gridTemplateColumns="64px minmax(0, 1fr) auto"
      gap="4"
      alignItems="center"
      bg="bg.panel"
      borderRadius="slab"
      p="3"
      minH="72px"
      _hover={{ boxShadow: "inset 0 0 0 2px var(--chakra-colors-border-emphasized)" }}
    >
      <Box
        h="40px"
        borderRadius="4px"
        borderWidth="1px"
        borderColor="border.emphasized"
        bg={colours.body}
        backgroundImage={
          lost || batch.stage === "planned"
            ? "none"
            : `linear-gradient(105deg, transparent 30%, ${colours.light}99 44%, transparent 60%)`
        }
      />
      <Box minW="0">
        <Box fontWeight="600" fontSize="lg" lineHeight="1.2">
          {batch.name}
        </Box>
        <Box color="fg.muted" fontSize="sm">
          {familyNames[batch.family]}, {batch.thickness_mm} mm
          {batch.to_weigh_g != null && `, ${mass(batch.to_weigh_g)}`}
          {batch.gave_up && `. ${batch.gave_up}`}
        </Box>
      </Box>
      <Box textAlign="end" fontSize="sm">
        <Box fontWeight="600" color={lost ? "stop" : "fg"}>
          {stages[batch.stage]}
        </Box>
        <Box color="fg.muted">{day(batch.ended_at ?? batch.updated_at)}</Box>
      </Box>
    </Box>
  );
}
