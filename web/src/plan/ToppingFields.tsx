import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs } from "../api/client";
import { useToppings } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";

type Topping = NonNullable<BarkInputs["topping"]>;

const own = "own";
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
  const known = usual.some(({ name }) => name === topping?.name);
  const choose = (name: string) => {
    if (name === "") return onChange(null);
    const from = usual.find((one) => one.name === name);
    const wish = topping?.wish ?? everyPiece;
    onChange(
      from
        ? { ...from, wish }
        : { name: "my topping", across_mm: 10, each_g: 0.5, ...topping, wish },
    );
  };
  return (
    <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
      <Box gridColumn="1 / -1">
        <SelectField
          label="On top"
          value={topping ? (known ? topping.name : own) : ""}
          choices={[
            { value: "", label: "nothing" },
            ...usual.map(({ name }) => ({ value: name, label: name })),
            { value: own, label: "something else" },
          ]}
          onChange={choose}
        />
      </Box>
      {topping && (
        <>
          {!known && (
            <Box gridColumn="1 / -1">
              <TextField
                label="What it is"
                value={topping.name}
                error={errors["topping.name"]}
                onChange={(name) => onChange({ ...topping, name })}
              />
            </Box>
          )}
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
    </Box>
  );
});
