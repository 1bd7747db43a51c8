import type { BowlInputs, ComponentPlan } from "../../api/client";
import { channels, chocolateColours } from "../../theme/chocolate";

type Layer = ComponentPlan["layers"][number];

/** Clear boiled sugar, as it lies on white. */
export const sugarLook = { body: "#DDEBF0", edge: "#A9C4CF", light: "#FFFFFF" };

/** How a layer looks: its own colour, or that of its chocolate. */
export function layerLook(layer: Layer | undefined, bowls: readonly BowlInputs[]) {
  if (!layer) return sugarLook;
  const bowl = bowls.find(({ key }) => key === layer.chocolate);
  const family = chocolateColours[bowl?.blend?.[0]?.family ?? bowl?.family ?? "dark"];
  return layer.colour ? { ...family, body: layer.colour, edge: layer.colour } : family;
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
