import { Box } from "@chakra-ui/react";
import type { Spooned } from "../../api/client";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import type { Way, Ways } from "./ways";

const spoons: Record<Spooned, string> = {
  cup: "cups",
  tablespoon: "tablespoons",
  teaspoon: "teaspoons",
};

interface Props<A extends { by: string }> {
  /** What is asked; how much of it, if left out. */
  label?: string;
  ways: Ways<A>;
  amount: A;
  errors: Errors;
  /** Its place among the fields. */
  at: string;
  onChange: (amount: A) => void;
}

/** How much of it: by what, and the numbers that belong to that. */
export function AmountField<A extends { by: string }>(props: Props<A>) {
  const { label: asked = "How much", ways, amount, errors, at, onChange } = props;
  const by = amount.by as A["by"];
  const set = (patch: object) => onChange({ ...amount, ...patch });
  const field = fieldsOf(amount as Record<string, unknown>, errors, set, `${at}.`);
  const choices = Object.fromEntries(
    Object.entries<Way<A>>(ways).map(([name, { words }]) => [name, words]),
  ) as Record<A["by"], string>;
  return (
    <>
      <Box gridColumn="1 / -1">
        <SelectField
          label={asked}
          value={by}
          choices={choices}
          onChange={(next) => onChange(ways[next].start)}
        />
      </Box>
      {ways[by].numbers.map(([name, label, unit]) => {
        const { value, ...rest } = field(name);
        return <NumberField key={name} label={label} unit={unit} value={Number(value)} {...rest} />;
      })}
      {"of" in amount && (
        <SelectField
          label="Measure"
          value={amount.of as Spooned}
          choices={spoons}
          onChange={(of) => set({ of })}
        />
      )}
    </>
  );
}
