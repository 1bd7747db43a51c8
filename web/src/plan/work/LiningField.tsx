import { memo } from "react";
import type { Lining } from "../../api/client";
import { SelectField } from "../../kit/SelectField";

export const liningWords: Record<Lining, string> = {
  parchment: "parchment: matt underside",
  acetate: "smooth sheet: glossy underside",
  printed: "printed sheet: its pattern",
  bare_tin: "bare tin: glossy, if it is polished",
  silicone: "silicone: satin underside",
  foil: "foil, smooth: glossy underside",
  crumpled_foil: "foil, crumpled: like rock",
};

interface Props {
  value: Lining | undefined;
  onChange: (lining: Lining) => void;
}

/** What it lies on. */
export const LiningField = memo(function LiningField({ value, onChange }: Props) {
  return (
    <SelectField
      label="Surface"
      value={value ?? "parchment"}
      choices={liningWords}
      onChange={onChange}
    />
  );
});
