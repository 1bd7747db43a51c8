import type { ComponentPlan, WorkInputs } from "../api/client";

/** The sheet that helps with a piece of work; null where none does. */
export function sheetWords(work: WorkInputs, plan: ComponentPlan): string | null {
  if (work.kind === "piped") return work.outlines ? "The sheet to pipe over" : null;
  if (work.kind === "wrap") return "The strip to cut";
  return plan.outline && plan.pieces?.area_cm2 != null ? "The score map" : null;
}
