import { Box } from "@chakra-ui/react";
import type { BottledAmount } from "../../api/client";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";

type By = BottledAmount["by"];

const known: Record<By, string> = {
  total: "total weight",
  butter: "the cocoa butter in hand",
  pigment: "the powder in hand",
};

/** The grams that are known, whichever they are of. */
export function gramsOf(amount: BottledAmount): number {
  switch (amount.by) {
    case "total":
      return amount.total_g;
    case "butter":
      return amount.butter_g;
    case "pigment":
      return amount.pigment_g;
  }
}

function amountOf(by: By, g: number): BottledAmount {
  switch (by) {
    case "total":
      return { by, total_g: g };
    case "butter":
      return { by, butter_g: g };
    case "pigment":
      return { by, pigment_g: g };
  }
}

interface Props {
  amount: BottledAmount;
  errors: Record<string, string>;
  onChange: (amount: BottledAmount) => void;
}

/** How much colour: the total weight, or what there is to make it from. */
export function AmountOfColour({ amount, errors, onChange }: Props) {
  const g = gramsOf(amount);
  return (
    <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 120px" gap="2">
      <SelectField
        label="Based on"
        value={amount.by}
        choices={known}
        onChange={(by) => onChange(amountOf(by, g))}
      />
      <NumberField
        label="Amount"
        unit="g"
        value={g}
        error={errors[`amount.${amount.by}_g`]}
        onChange={(grams) => onChange(amountOf(amount.by, grams))}
      />
    </Box>
  );
}
