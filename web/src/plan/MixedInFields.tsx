import { memo } from "react";
import type { BarkInputs } from "../api/client";
import { useDryGoods } from "../api/queries";
import { UnitField } from "../kit/UnitField";
import { GoodsChoice } from "./GoodsChoice";

type MixedIn = NonNullable<BarkInputs["mixed_in"]>;

const fresh: MixedIn = { name: "my dry goods", parts: 0.5, density_g_cm3: 1 };

interface Props {
  mixedIn: BarkInputs["mixed_in"];
  errors: Record<string, string>;
  onChange: (mixedIn: MixedIn | null) => void;
}

/** What is folded into the chocolate, and how much of it. */
export const MixedInFields = memo(function MixedInFields({ mixedIn, errors, onChange }: Props) {
  const usual = useDryGoods().data ?? [];
  return (
    <GoodsChoice
      label="Mixed in"
      ownLabel="What is mixed in"
      usual={usual}
      name={mixedIn?.name}
      error={errors["mixed_in.name"]}
      onChoose={(from) =>
        onChange(
          from && {
            ...(from === "own" ? fresh : from),
            parts: mixedIn?.parts ?? fresh.parts,
          },
        )
      }
      onName={(name) => mixedIn && onChange({ ...mixedIn, name })}
    >
      {mixedIn && (
        <>
          <UnitField
            label="To one of chocolate"
            unit="parts"
            value={mixedIn.parts}
            error={errors["mixed_in.parts"]}
            onChange={(parts) => parts !== null && onChange({ ...mixedIn, parts })}
          />
          <UnitField
            label="A solid cm³ weighs"
            unit="g"
            value={mixedIn.density_g_cm3}
            error={errors["mixed_in.density_g_cm3"]}
            onChange={(g) => g !== null && onChange({ ...mixedIn, density_g_cm3: g })}
          />
        </>
      )}
    </GoodsChoice>
  );
});
