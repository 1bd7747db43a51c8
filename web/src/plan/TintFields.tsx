import type { BowlInputs } from "../api/client";
import { NumberField } from "../kit/NumberField";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";

interface Props {
  tint: BowlInputs["tint"];
  /** The batch's colours. */
  colours: readonly string[];
  errors: Record<string, string>;
  onChange: (patch: Pick<BowlInputs, "tint">) => void;
}

/** A colour of the batch stirred into a chocolate that is in temper. */
export function TintFields({ tint, colours, errors, onChange }: Props) {
  if (colours.length === 0 && !tint) return null;
  return (
    <Pair>
      <SelectField
        label="Tinted with"
        value={tint?.colour ?? ""}
        choices={[
          { value: "", label: "nothing" },
          ...[...new Set([...colours, ...(tint ? [tint.colour] : [])])].map((key) => ({
            value: key,
            label: key,
          })),
        ]}
        error={errors["tint.colour"] ?? errors.tint}
        onChange={(colour) =>
          onChange({ tint: colour ? { colour, share_pct: tint?.share_pct ?? 2 } : null })
        }
      />
      {tint && (
        <NumberField
          label="Share of the weight"
          unit="%"
          value={tint.share_pct}
          error={errors["tint.share_pct"]}
          onChange={(share_pct) => onChange({ tint: { ...tint, share_pct } })}
        />
      )}
    </Pair>
  );
}
