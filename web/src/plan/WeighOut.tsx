import { Box, Stack, type SystemStyleObject } from "@chakra-ui/react";
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
      <Box css={strip(colours.edge)}>
        <div
          className="strip"
          role="img"
          aria-label={`Of ${grams(slab.to_weigh_g)}, melt ${grams(seed.melted_g)} and hold back ${grams(seed.seed_g)} in three additions`}
        >
          <div
            className="melted"
            style={{ flex: seed.melted_g, background: colours.body, color: mark }}
          >
            melt
          </div>
          {seed.additions_g.map((g, i) => (
            <div
              key={words[i]}
              className="addition"
              style={{ flex: Math.max(g, 0.001), opacity: 1 - i * 0.12 }}
            />
          ))}
        </div>
        <div className="words">
          <span className="label">In three additions, stirred in each time:</span>
          <span className="amounts" data-testid="additions">
            {seed.additions_g.map((g, i) => (
              <span key={words[i]}>
                {words[i]} <strong>{grams(g)}</strong>
              </span>
            ))}
          </span>
        </div>
      </Box>
      <Notes notes={slab.notes} />
      <Notes notes={seed.notes} />
    </Stack>
  );
});

/**
 * The strip's parts are drawn with every step of a slider: plain elements that
 * take their look from one rule.
 */
const strip = (edge: string): SystemStyleObject => ({
  "& .strip": {
    display: "flex",
    height: "64px",
    borderRadius: "slab",
    overflow: "hidden",
    borderWidth: "1px",
    borderColor: "border.emphasized",
  },
  "& .melted": {
    paddingInline: "3",
    display: "flex",
    alignItems: "center",
    fontWeight: "600",
    minWidth: "0",
  },
  "& .addition": {
    background: edge,
    borderInlineStartWidth: "3px",
    borderColor: "bg.panel",
    boxShadow: "inset 1px 0 0 var(--chakra-colors-border-emphasized)",
  },
  "& .words": {
    display: "flex",
    marginTop: "1.5",
    gap: "4",
    flexWrap: "wrap",
    justifyContent: "space-between",
  },
  "& .label": { textStyle: "label" },
  "& .amounts": { display: "flex", gap: "5", fontSize: "sm" },
  "& .amounts strong": { fontSize: "md" },
});

interface FigureProps {
  label: string;
  value: number;
  testId: string;
  children?: React.ReactNode;
}

function Figure({ label, value, testId, children }: FigureProps) {
  return (
    <Box
      css={{
        "& .label": { textStyle: "label" },
        "& .figure": { textStyle: "figure", fontSize: { base: "4xl", md: "5xl" } },
      }}
    >
      <div className="label">{label}</div>
      <div className="figure" data-testid={testId}>
        {grams(value)}
      </div>
      {children}
    </Box>
  );
}
