import type { Batch } from "../api/client";
import { storageWords } from "../plan/storageWords";

type Made = NonNullable<Batch["plan"]>;

/** How what is made is stored: said once of all that is stored alike, by name where things differ. */
export function stored(plan: Made): string[] {
  const ways = new Map<string, string[]>();
  for (const { name, keeping } of plan.components) {
    // A batch of an earlier release was kept without it.
    if (!keeping?.storage) continue;
    const words = storageWords({ ...keeping, apart: keeping.apart ?? [] });
    ways.set(words, [...(ways.get(words) ?? []), name]);
  }
  const all = [...ways];
  return all.length === 1
    ? all.map(([words]) => words)
    : all.map(([words, names]) => `${names.join(", ")}: ${words}`);
}

/** Whether anything in it is tempered: its gloss and snap go on growing for a day. */
export function grows(plan: Made): boolean {
  return plan.bowls.some(
    ({ plan: bowl }) =>
      bowl && !bowl.colour && bowl.method !== "shock_set" && bowl.method !== "coating",
  );
}
