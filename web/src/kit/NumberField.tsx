import type { Ingredient } from "../api/client";
import { UnitField } from "./UnitField";

interface Props {
  label: string;
  unit: string;
  value: number;
  error?: string | undefined;
  /** What is measured, so that cups of it can be weighed. */
  ingredient?: Ingredient;
  onChange: (value: number) => void;
}

/** A number that must be there. */
export function NumberField({ onChange, ...rest }: Props) {
  return <UnitField {...rest} onChange={(value) => value !== null && onChange(value)} />;
}
