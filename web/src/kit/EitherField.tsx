import { SelectField } from "./SelectField";

interface Props {
  label: string;
  value: boolean;
  /** What it is called where it is not so, and where it is. */
  no: string;
  yes: string;
  error?: string | undefined;
  onChange: (value: boolean) => void;
}

/** One of two, each in its own words. */
export function EitherField({ value, no, yes, onChange, ...rest }: Props) {
  return (
    <SelectField
      {...rest}
      value={value ? "yes" : "no"}
      choices={{ no, yes }}
      onChange={(chosen) => onChange(chosen === "yes")}
    />
  );
}
