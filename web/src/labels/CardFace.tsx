import { Box } from "@chakra-ui/react";
import type { Family, Labelled, Labels, PlanInputs, WholePlan } from "../api/client";
import { mass, onDay } from "../kit/format";
import { KindSketch, sketchOf } from "../sketch/KindSketch";
import { Fitted } from "./Fitted";
import { titleOf } from "./LabelFace";

/** A thing that is made, as it is drawn on a card. */
export interface Drawn {
  key: string;
  name: string;
  kind: string;
  families: Family[];
  colours: string[];
  /** How much lies in each, in words; left out of what lies in none. */
  each?: string;
  /** How many of it are drawn. */
  times: number;
}

/** So many of one kind are drawn at the most: more are told in words. */
const DRAWN_AT_MOST = 4;

/** What is made by a plan, as it is drawn. */
export function drawnOf(
  stated: PlanInputs,
  plan: Pick<WholePlan, "components" | "bowls" | "packing">,
): Drawn[] {
  return stated.components.map(({ key, name, work }) => {
    const takes = plan.components.find((one) => one.key === key)?.takes ?? [];
    const used = takes.map(({ chocolate }) => chocolate);
    const whole = (of: string) => stated.bowls.find((bowl) => bowl.key === of)?.taken_from ?? of;
    const bowls = used.map(whole).flatMap((of) => stated.bowls.find((b) => b.key === of) ?? []);
    const inEach = plan.packing?.kinds.find(({ component }) => component === key);
    const colours = used.flatMap((of) => {
      const colour = plan.bowls.find((bowl) => bowl.key === of)?.plan?.colour;
      return colour ? [colour.looks] : [];
    });
    return {
      key,
      name,
      kind: work.kind,
      families: [...new Set(bowls.filter((b) => b.colour == null).map((b) => b.family))],
      colours: [...new Set(colours)],
      times: inEach?.by_the_piece ? Math.min(inEach.each, DRAWN_AT_MOST) : 1,
      ...(inEach && {
        each: inEach.by_the_piece ? String(inEach.each) : mass(inEach.each),
      }),
    };
  });
}

interface Props {
  label: Labelled;
  of: Labels;
  title: string;
  drawn: Drawn[];
}

/** A card to lay in: a picture of what is in the box, each with its name. */
export function CardFace({ label, of, title, drawn }: Props) {
  return (
    <Fitted says={JSON.stringify([label, drawn, of.maker, title])} p="8mm" largest={19}>
      <Box fontWeight="700" fontSize="2em" lineHeight="1.05" css={{ fontStretch: "115%" }}>
        {titleOf(label, title)}
      </Box>
      <Box
        mt="1em"
        display="grid"
        gap="0.6em"
        gridTemplateColumns="1fr"
        css={{ "& svg": { height: "3.6em", width: "auto" } }}
      >
        {drawn.map(({ key, name, kind, families, colours, each, times }) => {
          const sketch = sketchOf(kind);
          return (
            <Box key={key} display="flex" alignItems="center" gap="0.8em">
              <Box display="flex" flex="1" minW="0" flexWrap="wrap">
                {sketch &&
                  Array.from({ length: times }, (_, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: all alike
                    <KindSketch key={i} of={sketch} families={families} colours={colours} />
                  ))}
              </Box>
              <Box flex="1.1" minW="0">
                {each && <strong>{each} </strong>}
                {name}
              </Box>
            </Box>
          );
        })}
      </Box>
      <Box mt="1.2em" fontSize="0.9em">
        {label.contains.length > 0 && (
          <Box>
            Contains <strong>{label.contains.join(", ")}</strong>.
          </Box>
        )}
        {label.may_contain.length > 0 && <Box>May contain {label.may_contain.join(", ")}.</Box>}
        {label.not_food.length > 0 && (
          <Box fontWeight="700">Not for eating: {label.not_food.join(", ")}.</Box>
        )}
        <Box mt="0.5em">
          {label.best_before && <>Best before {onDay(label.best_before)}. </>}
          {of.maker}
        </Box>
      </Box>
    </Fitted>
  );
}
