import { NumberField } from "./NumberField";

interface Props {
  label?: string;
  value: number;
  error: string | undefined;
  onChange: (value: number) => void;
}

/** A whole number of something. */
export function CountField({ label = "How many", onChange, ...rest }: Props) {
  return (
    <NumberField
      {...rest}
      label={label}
      unit=""
      onChange={(value) => onChange(Math.round(value))}
    />
  );
}
