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
  return { ...inputs, components: inputs.components.filter((_, i) => i !== index) };
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
