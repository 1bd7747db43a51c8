import type { BowlAnswer } from "../api/client";

/** Whether a bowl's course is over: poured, or given up. */
export function hasEnded(phase: BowlAnswer["phase"]): boolean {
  return phase === "done" || phase === "lost";
}
