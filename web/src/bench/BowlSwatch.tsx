import type { BenchBowl } from "../api/client";
import { Swatch } from "../kit/Swatch";
import { chocolateColours } from "../theme/chocolate";

/** How what is in a bowl looks: its colour, or its chocolate. */
export function BowlSwatch({ bowl: { bottle, family } }: { bowl: BenchBowl }) {
  return <Swatch looks={bottle?.looks ?? chocolateColours[family].body} />;
}
