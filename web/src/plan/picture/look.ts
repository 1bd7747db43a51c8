import type { BowlInputs, ComponentPlan } from "../../api/client";
import { channels, chocolateColours } from "../../theme/chocolate";

type Layer = ComponentPlan["layers"][number];

/** Clear boiled sugar, as it lies on white. */
export const sugarLook = { body: "#DDEBF0", edge: "#A9C4CF", light: "#FFFFFF" };

/** A line of another chocolate on a layer, as a layer. */
export function lineOn(layer: Layer | undefined, chocolate: string): Layer | undefined {
  return layer && { ...layer, chocolate, colour: null };
}

/** How a layer looks: its own colour, or that of its chocolate. */
export function layerLook(layer: Layer | undefined, bowls: readonly BowlInputs[]) {
  if (!layer) return sugarLook;
  const named = bowls.find(({ key }) => key === layer.chocolate);
  // A part is of the chocolate that it is taken from.
  const bowl = bowls.find(({ key }) => key === named?.taken_from) ?? named;
  const family = chocolateColours[bowl?.blend?.[0]?.family ?? bowl?.family ?? "dark"];
  const own = layer.colour ?? named?.looks;
  return own ? { ...family, body: own, edge: own } : family;
}

/** Some colours, each by its share, stirred into one. */
export function stirred(parts: readonly { body: string; share: number }[]): string {
  const all = parts.reduce((sum, { share }) => sum + share, 0) || 1;
  const mean = ([0, 1, 2] as const).map((channel) =>
    Math.round(
      parts.reduce((sum, { body, share }) => sum + (channels(body)[channel] * share) / all, 0),
    ),
  );
  return `rgb(${mean.join(", ")})`;
}
