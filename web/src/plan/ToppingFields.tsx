import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs, UsualTopping } from "../api/client";
import { useToppings } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { GoodsChoice } from "./GoodsChoice";

type Topping = NonNullable<BarkInputs["topping"]>;

const fresh = { name: "my topping", across_mm: 10, each_g: 0.5 };
const everyPiece: Topping["wish"] = { by: "pieces", piece_cm2: 16 };
const covering: Topping["wish"] = { by: "coverage", coverage_pct: 30 };

interface Props {
  topping: BarkInputs["topping"];
  errors: Record<string, string>;
  onChange: (topping: Topping | null) => void;
}

/** What goes on top, how large it is, and how much of it. */
export const ToppingFields = memo(function ToppingFields({ topping, errors, onChange }: Props) {
  const usual = useToppings().data ?? [];
  const choose = (from: UsualTopping | "own" | null) => {
    const wish = topping?.wish ?? everyPiece;
    onChange(from && (from === "own" ? { ...fresh, ...topping, wish } : { ...from, wish }));
  };
  return (
    <GoodsChoice
      label="On top"
      ownLabel="What it is"
      usual={usual}
      name={topping?.name}
      error={errors["topping.name"]}
      onChoose={choose}
      onName={(name) => topping && onChange({ ...topping, name })}
    >
      {topping && (
        <>
          <UnitField
            label="One is across"
            unit="mm"
            value={topping.across_mm}
            error={errors["topping.across_mm"]}
            onChange={(mm) => mm !== null && onChange({ ...topping, across_mm: mm })}
          />
          <UnitField
            label="One weighs"
            unit="g"
            value={topping.each_g}
            error={errors["topping.each_g"]}
            onChange={(g) => g !== null && onChange({ ...topping, each_g: g })}
          />
          <Box gridColumn="1 / -1">
            <SelectField
              label="How much"
              value={topping.wish.by}
              choices={[
                { value: "pieces", label: "some on every piece" },
                { value: "coverage", label: "by how much it covers" },
              ]}
              onChange={(by) =>
                onChange({ ...topping, wish: by === "pieces" ? everyPiece : covering })
              }
            />
          </Box>
          {topping.wish.by === "pieces" ? (
            <UnitField
              label="A piece is"
              unit="cm²"
              value={topping.wish.piece_cm2}
              error={errors["topping.wish.piece_cm2"]}
              onChange={(cm2) =>
                cm2 !== null && onChange({ ...topping, wish: { by: "pieces", piece_cm2: cm2 } })
              }
            />
          ) : (
            <UnitField
              label="It covers"
              unit="%"
              value={topping.wish.coverage_pct}
              error={errors["topping.wish.coverage_pct"]}
              onChange={(pct) =>
                pct !== null &&
                onChange({ ...topping, wish: { by: "coverage", coverage_pct: pct } })
              }
            />
          )}
        </>
      )}
    </GoodsChoice>
  );
});
