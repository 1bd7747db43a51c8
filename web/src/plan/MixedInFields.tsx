import { memo } from "react";
import type { MixedInInputs } from "../api/client";
import { useDryGoods } from "../api/queries";
import { faultyIn } from "../kit/faultyIn";
import { NumberField } from "../kit/NumberField";
import { GoodsChoice } from "./GoodsChoice";

const fresh: MixedInInputs = { name: "my dry goods", parts: 0.5, density_g_cm3: 1 };

interface Props {
  mixedIn: MixedInInputs | null | undefined;
  /** Whether there must be some. */
  needed?: boolean;
  errors: Record<string, string>;
  onChange: (mixedIn: MixedInInputs | null) => void;
}

/** What is folded into the chocolate, and how much of it. */
export const MixedInFields = memo(function MixedInFields(props: Props) {
  const { mixedIn, needed, errors, onChange } = props;
  const usual = useDryGoods().data ?? [];
  return (
    <GoodsChoice
      title="Mixed in"
      label="Dry goods"
      ownLabel="Name of the dry goods"
      faulty={faultyIn(errors, "mixed_in")}
      usual={usual}
      needed={needed ?? false}
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
          <NumberField
            label="Parts to one of chocolate"
            unit="parts"
            value={mixedIn.parts}
            error={errors["mixed_in.parts"]}
            onChange={(parts) => onChange({ ...mixedIn, parts })}
          />
          <NumberField
            label="Density, solid"
            unit="g"
            value={mixedIn.density_g_cm3}
            error={errors["mixed_in.density_g_cm3"]}
            onChange={(density_g_cm3) => onChange({ ...mixedIn, density_g_cm3 })}
          />
        </>
      )}
    </GoodsChoice>
  );
});
