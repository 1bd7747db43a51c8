import type { BowlInputs, PlanInputs, WorkInputs } from "../api/client";

/** The faults of one part, without the part's name before each field. */
export function under(errors: Record<string, string>, part: string): Record<string, string> {
  const prefix = `${part}.`;
  const own = Object.entries(errors)
    .filter(([field]) => field.startsWith(prefix))
    .map(([field, message]) => [field.slice(prefix.length), message]);
  return Object.fromEntries(own);
}

export function withoutComponent(inputs: PlanInputs, index: number): PlanInputs {
  const gone = inputs.components[index]?.key;
  const components = inputs.components.filter((_, i) => i !== index);
  if (!inputs.packing) return { ...inputs, components };
  // What is no longer made lies in no box either; a box of nothing is none.
  const each = inputs.packing.each.filter(({ component }) => component !== gone);
  const packing = each.length > 0 ? { ...inputs.packing, each } : null;
  return { ...inputs, components, packing };
}

export function withWork(inputs: PlanInputs, index: number, patch: object): PlanInputs {
  const components = inputs.components.map((one, i) =>
    i === index ? { ...one, work: { ...one.work, ...patch } as WorkInputs } : one,
  );
  return { ...inputs, components };
}

export function withBowl(inputs: PlanInputs, key: string, patch: Partial<BowlInputs>): PlanInputs {
  const bowls = inputs.bowls.map((bowl) => (bowl.key === key ? { ...bowl, ...patch } : bowl));
  return { ...inputs, bowls };
}

export function withoutBowls(inputs: PlanInputs, keys: readonly string[]): PlanInputs {
  return { ...inputs, bowls: inputs.bowls.filter(({ key }) => !keys.includes(key)) };
}
