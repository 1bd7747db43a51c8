import type { BowlInputs } from "../api/client";
import { TextField } from "../kit/TextField";

interface Props {
  bowl: BowlInputs;
  errors: Record<string, string>;
  onChange: (patch: Pick<BowlInputs, "name">) => void;
}

/** What the maker calls a chocolate or a colour; by what it is, where nothing is typed. */
export function CalledField({ bowl, errors, onChange }: Props) {
  return (
    <TextField
      label="Call it"
      value={bowl.name ?? ""}
      error={errors.name}
      onChange={(name) => onChange({ name: name || null })}
    />
  );
}
