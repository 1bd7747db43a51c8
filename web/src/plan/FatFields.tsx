import type { BowlInputs } from "../api/client";
import { NumberField } from "../kit/NumberField";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";

type Fat = NonNullable<BowlInputs["fat_added"]>["fat"];

const fats: Record<Fat, string> = {
  oil: "oil",
  butter: "butter",
  coconut_fat: "coconut fat",
};

interface Props {
  added: BowlInputs["fat_added"];
  errors: Record<string, string>;
  onChange: (patch: Pick<BowlInputs, "fat_added">) => void;
}

/** Oil, butter or coconut fat that is stirred into a chocolate as it melts. */
export function FatFields({ added, errors, onChange }: Props) {
  return (
    <Pair>
      <SelectField<"" | Fat>
        label="Stirred in"
        value={added?.fat ?? ""}
        choices={{ "": "nothing", ...fats }}
        error={errors.fat_added}
        onChange={(fat) =>
          onChange({ fat_added: fat ? { fat, share_pct: added?.share_pct ?? 2 } : null })
        }
      />
      {added && (
        <NumberField
          label="Share of the whole"
          unit="%"
          value={added.share_pct}
          error={errors["fat_added.share_pct"]}
          onChange={(share_pct) => onChange({ fat_added: { ...added, share_pct } })}
        />
      )}
    </Pair>
  );
}
