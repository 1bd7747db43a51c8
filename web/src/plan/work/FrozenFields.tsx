import type { FrozenInputs } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";

interface Props {
  frozen: FrozenInputs | null | undefined;
  /** What it is asked for, what it is without, and what it is called. */
  words: { label: string; no: string; yes: string; what: string };
  /** Where its numbers start. */
  usual: FrozenInputs;
  errors: Record<string, string>;
  onChange: (frozen: FrozenInputs | null) => void;
}

/** A stone or a dome of ice from the freezer, by its weight and how cold it is. */
export function FrozenFields({ frozen, words, usual, errors, onChange }: Props) {
  const field =
    frozen && fieldsOf(frozen, errors, (patch) => onChange({ ...frozen, ...patch }), "frozen.");
  return (
    <>
      <EitherField
        label={words.label}
        no={words.no}
        yes={words.yes}
        value={frozen != null}
        error={errors.frozen}
        onChange={(is) => onChange(is ? usual : null)}
      />
      {field && (
        <Pair>
          <NumberField label={`${words.what} weight`} unit="kg" {...field("weighs_kg")} />
          <NumberField label={`${words.what} temperature`} unit="°C" {...field("cold_c")} />
        </Pair>
      )}
    </>
  );
}
