import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ToppingInputs, UsualTopping } from "../api/client";
import { useToppings } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { GoodsChoice } from "./GoodsChoice";

const fresh = { name: "my topping", across_mm: 10, each_g: 0.5 };
type Wish = ToppingInputs["wish"];

const everyPiece: Wish = { by: "pieces", piece_cm2: 16 };
const covering: Wish = { by: "coverage", coverage_pct: 30 };

const wishes: Record<string, Wish> = {
  pieces: everyPiece,
  coverage: covering,
  share: { by: "share", share_pct: 12.5 },
};

interface WishProps {
  wish: Wish;
  errors: Record<string, string>;
  onChange: (wish: Wish) => void;
}

/** The one number that says how much. */
function WishField({ wish, errors, onChange }: WishProps) {
  switch (wish.by) {
    case "pieces":
      return (
        <UnitField
          label="A piece is"
          unit="cm²"
          value={wish.piece_cm2}
          error={errors["topping.wish.piece_cm2"]}
          onChange={(cm2) => cm2 !== null && onChange({ by: "pieces", piece_cm2: cm2 })}
        />
      );
    case "coverage":
      return (
        <UnitField
          label="It covers"
          unit="%"
          value={wish.coverage_pct}
          error={errors["topping.wish.coverage_pct"]}
          onChange={(pct) => pct !== null && onChange({ by: "coverage", coverage_pct: pct })}
        />
      );
    case "share":
      return (
        <UnitField
          label="Of the chocolate"
          unit="%"
          value={wish.share_pct}
          error={errors["topping.wish.share_pct"]}
          onChange={(pct) => pct !== null && onChange({ by: "share", share_pct: pct })}
        />
      );
  }
}

interface Props {
  topping: ToppingInputs | null | undefined;
  errors: Record<string, string>;
  onChange: (topping: ToppingInputs | null) => void;
}

/** What goes on top, how large it is, and how much of it. */
export const ToppingFields = memo(function ToppingFields({ topping, errors, onChange }: Props) {
  const usual = useToppings().data ?? [];
  const choose = (from: UsualTopping | "own" | null) => {
    const wish = topping?.wish ?? everyPiece;
    onChange(
      from &&
        (from === "own" ? { ...fresh, ...topping, name: fresh.name, wish } : { ...from, wish }),
    );
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
                { value: "share", label: "by the chocolate's weight" },
              ]}
              onChange={(by) => onChange({ ...topping, wish: wishes[by] ?? everyPiece })}
            />
          </Box>
          <WishField
            wish={topping.wish}
            errors={errors}
            onChange={(wish) => onChange({ ...topping, wish })}
          />
        </>
      )}
    </GoodsChoice>
  );
});
