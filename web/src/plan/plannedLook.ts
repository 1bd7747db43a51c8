import type { BowlPlan, PlannedBowl } from "../api/client";
import { chocolateColours } from "../theme/chocolate";

/** How a planned bowl looks: its colour, its own look, or its chocolate. */
export function plannedLook({ colour, windows }: BowlPlan, looks?: string | null): string {
  return looks ?? colour?.looks ?? chocolateColours[windows.family].body;
}

/** The same of a bowl of a plan; a part looks as what it is taken from, where it is not tinted. */
export function bowlLook(bowl: PlannedBowl, all: readonly PlannedBowl[]): string | undefined {
  const { taken, looks } = bowl;
  const of = bowl.plan ?? all.find(({ key }) => key === taken?.from)?.plan;
  return of ? plannedLook(of, looks) : undefined;
}
