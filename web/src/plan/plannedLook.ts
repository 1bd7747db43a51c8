import type { BowlPlan } from "../api/client";
import { chocolateColours } from "../theme/chocolate";

/** How a planned bowl looks: its colour, or its chocolate. */
export function plannedLook({ colour, windows }: BowlPlan): string {
  return colour?.looks ?? chocolateColours[windows.family].body;
}
