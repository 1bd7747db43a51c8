import type { ComponentPlan } from "../api/client";
import { inWords } from "../kit/message";

/** How something is stored and what it must not lie beside, one sentence after the other. */
export function storageWords({ storage, apart }: NonNullable<ComponentPlan["keeping"]>): string {
  return [storage, ...apart].map(inWords).join(" ");
}

/** How long it keeps in two words, where that is known. */
export function inBrief(keeping: ComponentPlan["keeping"]): string | undefined {
  const days = keeping?.days;
  if (days == null) return undefined;
  if (days >= 14) return `${Math.round(days / 7)} weeks`;
  return days === 1 ? "1 day" : `${days} days`;
}
