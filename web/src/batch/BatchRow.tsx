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

/** Its chocolates, each named once, and how many colours. */
function madeFrom({ families, colours }: BatchLine): string {
  const names = [...new Set(families)].map((family) => familyNames[family]);
  if (colours.length > 0) {
    names.push(colours.length === 1 ? "one colour" : `${colours.length} colours`);
  }
  return names.length > 0 ? `${names.join(", ")}: ` : "";
}

/** A batch in a list. */
export function BatchRow({ batch }: { batch: BatchLine }) {
  const looks = [
    ...batch.families.map((family) => chocolateColours[family].body),
    ...batch.colours,
  ];
  const step = 100 / Math.max(looks.length, 1);
  const stripes = looks.map((look, i) => `${look} ${i * step}% ${(i + 1) * step}%`);
  const light = chocolateColours[batch.families[0] ?? "dark"].light;
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
        bg={looks[0] ?? "bg.muted"}
        backgroundImage={[
          ...(lost || batch.stage === "planned"
            ? []
            : [`linear-gradient(105deg, transparent 30%, ${light}99 44%, transparent 60%)`]),
          ...(looks.length > 1 ? [`linear-gradient(100deg, ${stripes.join(", ")})`] : []),
        ].join(", ")}
      />
      <Box minW="0">
        <Box fontWeight="600" fontSize="lg" lineHeight="1.2">
          {batch.name}
        </Box>
        <Box color="fg.muted" fontSize="sm">
          {madeFrom(batch)}
          {batch.components.join(", ")}
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
