import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs } from "../api/client";
import { useDryGoods } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";

type MixedIn = NonNullable<BarkInputs["mixed_in"]>;

const own = "own";
const fresh: MixedIn = { name: "my dry goods", parts: 0.5, density_g_cm3: 1 };

interface Props {
  mixedIn: BarkInputs["mixed_in"];
  errors: Record<string, string>;
  onChange: (mixedIn: MixedIn | null) => void;
}

/** What is folded into the chocolate, and how much of it. */
export const MixedInFields = memo(function MixedInFields({ mixedIn, errors, onChange }: Props) {
  const usual = useDryGoods().data ?? [];
  const known = usual.some(({ name }) => name === mixedIn?.name);
  const choose = (name: string) => {
    if (name === "") return onChange(null);
    const from = usual.find((one) => one.name === name);
    const parts = mixedIn?.parts ?? fresh.parts;
    onChange({ ...(from ?? fresh), parts });
  };
  return (
    <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
      <Box gridColumn="1 / -1">
        <SelectField
          label="Mixed in"
          value={mixedIn ? (known ? mixedIn.name : own) : ""}
          choices={[
            { value: "", label: "nothing" },
            ...usual.map(({ name }) => ({ value: name, label: name })),
            { value: own, label: "something else" },
          ]}
          onChange={choose}
        />
      </Box>
      {mixedIn && (
        <>
          {!known && (
            <Box gridColumn="1 / -1">
              <TextField
                label="What is mixed in"
                value={mixedIn.name}
                error={errors["mixed_in.name"]}
                onChange={(name) => onChange({ ...mixedIn, name })}
              />
            </Box>
          )}
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
    </Box>
  );
});
