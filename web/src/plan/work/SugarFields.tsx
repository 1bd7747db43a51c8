import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { AmountField } from "../goods/AmountField";
import type { Ways } from "../goods/ways";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";
import type { FieldsOf } from "./fieldsOfWork";

type Sugar = WorkOf<"sugar">;
type Recipe = NonNullable<Sugar["recipe"]>;
type Lining = NonNullable<Sugar["lining"]>;

const ways: Ways<Recipe> = {
  parts: {
    words: "as much as the sheet takes, in parts",
    start: { by: "parts", sugar: 3, syrup: 1, water: 1 },
    numbers: [
      ["sugar", "Sugar", "parts"],
      ["syrup", "Syrup", "parts"],
      ["water", "Water", "parts"],
    ],
  },
  weights: {
    words: "what is in hand, in weights",
    start: { by: "weights", sugar_g: 300, syrup_g: 100, water_g: 100 },
    numbers: [
      ["sugar_g", "Sugar", "g"],
      ["syrup_g", "Syrup", "g"],
      ["water_g", "Water", "g"],
    ],
  },
};

const linings: Record<Lining, string> = {
  oiled: "the tray, oiled",
  mat: "a heat-proof mat",
  foil: "foil, oiled",
};

/** A sheet of boiled sugar. */
export function SugarFields({ work, errors, onChange }: FieldsOf<Sugar>) {
  const field = fieldsOf(work, errors, onChange);
  const recipe = work.recipe ?? ways.parts.start;
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      <Box
        display="grid"
        gap="2"
        gridTemplateColumns="repeat(3, minmax(0, 1fr))"
        alignItems="start"
      >
        <AmountField
          label="Boiled"
          ways={ways}
          amount={recipe}
          errors={errors}
          at="recipe"
          onChange={(next) => onChange({ recipe: next })}
        />
      </Box>
      {recipe.by === "parts" && <ThicknessField range={[2, 8]} {...field("thickness_mm")} />}
      <NumberField label="Piece size" unit="cm²" {...field("piece_cm2")} />
      <Fold
        inner
        title="Flavour, colour, lining"
        value={[work.flavour, work.colour, linings[work.lining ?? "oiled"]]
          .filter(Boolean)
          .join(", ")}
        faulty={faultyIn(errors, "flavour", "colour")}
      >
        <Pair>
          <TextField
            label="Flavour"
            value={work.flavour ?? ""}
            error={errors.flavour}
            placeholder="none"
            onChange={(flavour) => onChange({ flavour: flavour || null })}
          />
          <TextField
            label="Colour"
            value={work.colour ?? ""}
            error={errors.colour}
            placeholder="clear"
            onChange={(colour) => onChange({ colour: colour || null })}
          />
        </Pair>
        <SelectField
          label="Poured on"
          choices={linings}
          {...field("lining")}
          value={work.lining ?? "oiled"}
        />
      </Fold>
      <Fold
        inner
        title="Whitened part, altitude"
        value={`${work.whitened_pct ?? 10} % white, ${work.altitude_m ?? 0} m`}
        faulty={faultyIn(errors, "whitened_pct", "pulls", "altitude_m")}
      >
        <Pair>
          <UnitField label="Whitened part" unit="%" optional="10" {...field("whitened_pct")} />
          <CountField label="Pulled" {...field("pulls")} value={work.pulls ?? 0} />
          <EitherField
            label="Boiled in"
            no="the same pan"
            yes="a second pan"
            {...field("second_pan")}
            value={work.second_pan ?? false}
          />
          <UnitField label="Altitude" unit="m" optional="0" {...field("altitude_m")} />
        </Pair>
      </Fold>
    </Stack>
  );
}
