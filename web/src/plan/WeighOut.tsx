import { Box, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { Family, PlanAnswer } from "../api/client";
import { celsius, grams } from "../kit/format";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";
import { chocolateColours, isPale } from "../theme/chocolate";

const words = ["first", "then", "last"];

/** What to weigh, and how it is divided: melted, and held back in three. */
export const WeighOut = memo(function WeighOut({
  plan,
  family,
}: {
  plan: PlanAnswer;
  family: Family;
}) {
  const { slab, seed } = plan;
  const colours = chocolateColours[family];
  const mark = isPale(family) ? "#2A1B12" : "#FFFFFF";
  return (
    <Stack gap="4">
      <Box display="grid" gridTemplateColumns={{ base: "1fr", sm: "1fr 1fr 1fr" }} gap="4">
        <Figure label="Weigh out" value={slab.to_weigh_g} testId="to-weigh">
          <ShowSum steps={slab.sum} of="chocolate to weigh out" />
        </Figure>
        <Figure label={`Melt, to ${celsius(seed.melted_c)}`} value={seed.melted_g} testId="melt" />
        <Figure label={`Hold back as seed`} value={seed.seed_g} testId="seed">
          <ShowSum steps={seed.sum} of="seed" />
        </Figure>
      </Box>
      <Box>
        <Box
          display="flex"
          h="64px"
          borderRadius="slab"
          overflow="hidden"
          borderWidth="1px"
          borderColor="border.emphasized"
          role="img"
          aria-label={`Of ${grams(slab.to_weigh_g)}, melt ${grams(seed.melted_g)} and hold back ${grams(seed.seed_g)} in three additions`}
        >
          <Box
            flex={seed.melted_g}
            bg={colours.body}
            color={mark}
            px="3"
            display="flex"
            alignItems="center"
            fontWeight="600"
            minW="0"
          >
            melt
          </Box>
          {seed.additions_g.map((g, i) => (
            <Box
              key={words[i]}
              flex={Math.max(g, 0.001)}
              bg={colours.edge}
              borderInlineStartWidth="3px"
              borderColor="bg.panel"
              boxShadow="inset 1px 0 0 var(--chakra-colors-border-emphasized)"
              opacity={1 - i * 0.12}
            />
          ))}
        </Box>
        <Box display="flex" mt="1.5" gap="4" flexWrap="wrap" justifyContent="space-between">
          <Box textStyle="label">In three additions, stirred in each time:</Box>
          <Box display="flex" gap="5" data-testid="additions">
            {seed.additions_g.map((g, i) => (
              <Box key={words[i]} fontSize="sm">
                {words[i]}{" "}
                <Box as="strong" fontSize="md">
                  {grams(g)}
                </Box>
              </Box>
            ))}
          </Box>
        </Box>
      </Box>
      <Notes notes={[...slab.notes, ...seed.notes]} />
    </Stack>
  );
});

interface FigureProps {
  label: string;
  value: number;
  testId: string;
  children?: React.ReactNode;
}

function Figure({ label, value, testId, children }: FigureProps) {
  return (
    <Box>
      <Box textStyle="label">{label}</Box>
      <Box textStyle="figure" fontSize={{ base: "4xl", md: "5xl" }} data-testid={testId}>
        {grams(value)}
      </Box>
      {children}
    </Box>
  );
}
