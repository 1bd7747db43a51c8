import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ToppingInputs, UsualTopping } from "../api/client";
import { useToppings } from "../api/queries";
import { faultyIn } from "../kit/faultyIn";
import { fieldsOf } from "../kit/fieldsOf";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { GoodsChoice } from "./GoodsChoice";

const fresh = { name: "my topping", across_mm: 10, each_g: 0.5 };
type Wish = ToppingInputs["wish"];

const everyPiece: Wish = { by: "pieces", piece_cm2: 16 };
const covering: Wish = { by: "coverage", coverage_pct: 30 };

const wishes: Record<Wish["by"], Wish> = {
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
        <NumberField
          label="Piece size"
          unit="cm²"
          value={wish.piece_cm2}
          error={errors["topping.wish.piece_cm2"]}
          onChange={(piece_cm2) => onChange({ by: "pieces", piece_cm2 })}
        />
      );
    case "coverage":
      return (
        <NumberField
          label="Coverage"
          unit="%"
          value={wish.coverage_pct}
          error={errors["topping.wish.coverage_pct"]}
          onChange={(coverage_pct) => onChange({ by: "coverage", coverage_pct })}
        />
      );
    case "share":
      return (
        <NumberField
          label="Share of the chocolate"
          unit="%"
          value={wish.share_pct}
          error={errors["topping.wish.share_pct"]}
          onChange={(share_pct) => onChange({ by: "share", share_pct })}
        />
      );
  }
}

interface SizeProps {
  topping: ToppingInputs;
  errors: Record<string, string>;
  onChange: (topping: ToppingInputs) => void;
}

/** How large one of it is. */
function SizeFields({ topping, errors, onChange }: SizeProps) {
  const set = (patch: Partial<ToppingInputs>) => onChange({ ...topping, ...patch });
  const field = fieldsOf(topping, errors, set, "topping.");
  return (
    <>
      <NumberField label="Size of one" unit="mm" {...field("across_mm")} />
      <NumberField label="Weight of one" unit="g" {...field("each_g")} />
    </>
  );
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
      title="On top"
      label="Topping"
      ownLabel="Name of the topping"
      faulty={faultyIn(errors, "topping")}
      usual={usual}
      name={topping?.name}
      error={errors["topping.name"]}
      onChoose={choose}
      onName={(name) => topping && onChange({ ...topping, name })}
    >
      {topping && (
        <>
          <SizeFields topping={topping} errors={errors} onChange={onChange} />
          <Box gridColumn="1 / -1">
            <SelectField
              label="How much"
              value={topping.wish.by}
              choices={{
                pieces: "some on every piece",
                coverage: "by how much it covers",
                share: "by the chocolate's weight",
              }}
              onChange={(by) => onChange({ ...topping, wish: wishes[by] })}
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
