import { Box, Stack, type SystemStyleObject } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlPlan } from "../api/client";
import { useCurrency } from "../api/queries";
import { band, mass, temperature } from "../kit/format";
import { money } from "../kit/money";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";
import type { Term } from "../reference/glossary";
import { Hint } from "../reference/Hint";
import { chocolateColours, isLight, isPale } from "../theme/chocolate";
import { weighedOut } from "./weighedOut";

const words = ["first", "then", "last"];

/** What is done with heat: butter is melted for its powder, a bottle is only softened. */
function meltWords(colour: BowlPlan["colour"]): string {
  if (!colour) return "Melt";
  return colour.melted_g == null ? "Soften" : "Butter to melt";
}

interface Props {
  plan: BowlPlan;
  /** How it looks, where that is not as its family does. */
  looks?: string | null | undefined;
}

/** What to weigh, and how it is divided: melted, and held back in three. */
export const WeighOut = memo(function WeighOut({ plan, looks }: Props) {
  const { amounts, stock, colour } = plan;
  const weighed = weighedOut(plan);
  const to_weigh_g = weighed.total_g;
  // The powder goes into what is melted, and is weighed by itself.
  const melted_g = colour?.melted_g ?? weighed.melted_g;
  const bottle = colour != null && colour.melted_g == null;
  const { family } = plan.windows;
  const kept = weighed.melted_g - weighed.pour_out_g;
  const extra = heldApart({ ...weighed, gate_c: amounts.gate_c ?? null });
  const colours = looks ? { body: looks, edge: looks } : chocolateColours[family];
  const mark = (looks ? isLight(looks) : isPale(family)) ? "#2A1B12" : "#FFFFFF";
  return (
    <Stack gap="4">
      <Box
        display="grid"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", sm: "1fr 1fr 1fr" }}
        gap="4"
      >
        <Figure label={colour ? "All of it" : "Weigh out"} value={to_weigh_g} testId="to-weigh">
          {plan.fat_added && (
            <Box fontSize="sm" mt="0.5" data-testid="fat-added">
              {`${mass(plan.fat_added.chocolate_g)} chocolate, ${mass(plan.fat_added.mass_g)} ${plan.fat_added.name}`}
            </Box>
          )}
          {stock && <Stock stock={stock} />}
        </Figure>
        <Figure
          label={`${meltWords(colour)}, to ${temperature(amounts.melted_c)}`}
          value={melted_g}
          testId="melt"
        />
        {extra && (
          <Figure
            label={extra.label}
            hint={extra.of === "seed" ? "seed" : undefined}
            value={extra.grams}
            testId={extra.testId}
          >
            <ShowSum steps={amounts.sum} of={extra.of} />
          </Figure>
        )}
      </Box>
      <Box css={strip(colours.edge)}>
        <div
          className="strip"
          role="img"
          aria-label={`Of ${mass(to_weigh_g)}, melt ${mass(melted_g)}${extra ? `; ${extra.label.toLowerCase()}: ${mass(extra.grams)}` : ""}`}
        >
          <div className="melted" style={{ flex: kept, background: colours.body, color: mark }}>
            {bottle ? "from the bottle" : amounts.pour_out_g > 0 ? "stays in the bowl" : "melt"}
          </div>
          {amounts.pour_out_g > 0 && (
            <div
              className="melted poured"
              style={{ flex: amounts.pour_out_g, background: colours.body, color: mark }}
            >
              on the stone
            </div>
          )}
          {amounts.seed_g > 0 &&
            weighed.additions_g.map((g, i) => (
              <div
                key={words[i]}
                className="addition"
                style={{ flex: Math.max(g, 0.001), opacity: 1 - i * 0.12 }}
              />
            ))}
          {amounts.crystals_g > 0 && (
            <div
              className="addition crystals"
              style={{ flex: amounts.crystals_g, background: chocolateColours.cocoa_butter.body }}
            />
          )}
        </div>
        {amounts.seed_g > 0 ? (
          <div className="words">
            <span className="label">
              {weighed.additions_g.length > 1
                ? "In three additions, stirred in each time:"
                : "A pinch, all at once:"}
            </span>
            <span className="amounts" data-testid="additions">
              {weighed.additions_g.map((g, i) => (
                <span key={words[i]}>
                  {weighed.additions_g.length > 1 && words[i]} <strong>{mass(g)}</strong>
                </span>
              ))}
            </span>
          </div>
        ) : (
          <div className="words">
            <span className="label">{instead(plan)}</span>
          </div>
        )}
      </Box>
      {stock && <Notes notes={stock.notes} />}
      <Notes notes={amounts.notes} />
    </Stack>
  );
});

/** What there is of it on the shelf, and what it costs. */
function Stock({ stock }: { stock: NonNullable<BowlPlan["stock"]> }) {
  const currency = useCurrency();
  const words = [
    stock.left_g != null && `${mass(stock.left_g)} on the shelf`,
    stock.cost != null && `costs ${money(stock.cost, currency)}`,
  ].filter((part) => typeof part === "string");
  return (
    <Box fontSize="sm" mt="0.5" data-testid="stock">
      {words.join(", ")}
    </Box>
  );
}

/** What is kept apart from the melt, if anything is. */
function heldApart({
  seed_g,
  crystals_g,
  gate_c,
  pour_out_g,
}: Pick<BowlPlan["amounts"], "seed_g" | "crystals_g" | "gate_c" | "pour_out_g">) {
  if (seed_g > 0) {
    return { label: "Hold back as seed", grams: seed_g, testId: "seed", of: "seed" };
  }
  if (crystals_g > 0) {
    const label = gate_c ? `Ready crystals, at ${band(gate_c)}` : "Ready crystals";
    return { label, grams: crystals_g, testId: "crystals", of: "ready crystals" };
  }
  if (pour_out_g > 0) {
    return {
      label: "Out on the stone",
      grams: pour_out_g,
      testId: "pour-out",
      of: "part on the stone",
    };
  }
  return null;
}

/** What is done in place of seeding. */
function instead({ method, amounts }: BowlPlan): string {
  if (amounts.crystals_g > 0) return "Stirred in once it has cooled to the gate, for two minutes.";
  if (amounts.pour_out_g > 0) {
    return "Worked on the stone until it thickens, then returned and stirred.";
  }
  if (method === "never_leave") return "Warmed a little at a time: its own crystals stay.";
  return `Used between ${band(amounts.use_c)}; there is nothing to seed.`;
}

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
  "& .poured": { borderInlineStartWidth: "3px", borderColor: "bg.panel", opacity: 0.8 },
  "& .crystals": { minWidth: "8px" },
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
  hint?: Term | undefined;
  children?: React.ReactNode;
}

function Figure({ label, value, testId, hint, children }: FigureProps) {
  return (
    <Box
      css={{
        "& .label": { textStyle: "label" },
        "& .figure": { textStyle: "figure", fontSize: { base: "4xl", md: "5xl" } },
      }}
    >
      <div className="label">
        {label} {hint && <Hint of={hint} />}
      </div>
      <div className="figure" data-testid={testId}>
        {mass(value)}
      </div>
      {children}
    </Box>
  );
}
