import type { ComponentPlan } from "../api/client";
import { inWords } from "../kit/message";

/** How something is stored and what it must not lie beside, one sentence after the other. */
export function storageWords({ storage, apart }: NonNullable<ComponentPlan["keeping"]>): string {
  return [storage, ...apart].map(inWords).join(" ");
}
