import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";
import type { FieldsOf } from "./fieldsOfWork";

type Sugar = WorkOf<"sugar">;
type Recipe = NonNullable<Sugar["recipe"]>;
type Lining = NonNullable<Sugar["lining"]>;

const starts: { [B in Recipe["by"]]: Extract<Recipe, { by: B }> } = {
  parts: { by: "parts", sugar: 3, syrup: 1, water: 1 },
  weights: { by: "weights", sugar_g: 300, syrup_g: 100, water_g: 100 },
};

const linings: Record<Lining, string> = {
  oiled: "the tray, oiled",
  mat: "a heat-proof mat",
  foil: "foil, oiled",
};

/** A sheet of boiled sugar. */
export function SugarFields({ work, errors, onChange }: FieldsOf<Sugar>) {
  const field = fieldsOf(work, errors, onChange);
  const recipe = work.recipe ?? starts.parts;
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      <SelectField
        label="Boiled"
        value={recipe.by}
        choices={{
          parts: "as much as the sheet takes, in parts",
          weights: "what is in hand, in weights",
        }}
        onChange={(by) => onChange({ recipe: starts[by] })}
      />
      {recipe.by === "parts" && <ThicknessField range={[2, 8]} {...field("thickness_mm")} />}
      <RecipeFields
        recipe={recipe}
        errors={errors}
        onChange={(next) => onChange({ recipe: next })}
      />
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

interface RecipeProps {
  recipe: Recipe;
  errors: Errors;
  onChange: (recipe: Recipe) => void;
}

/** Sugar, syrup and water: in parts, or in weights. */
function RecipeFields({ recipe, errors, onChange }: RecipeProps) {
  return (
    <Box display="grid" gap="2" gridTemplateColumns="repeat(3, minmax(0, 1fr))" alignItems="start">
      {recipe.by === "parts" ? (
        <Parts recipe={recipe} errors={errors} onChange={onChange} />
      ) : (
        <Weights recipe={recipe} errors={errors} onChange={onChange} />
      )}
    </Box>
  );
}

type Of<B extends Recipe["by"]> = Omit<RecipeProps, "recipe"> & {
  recipe: Extract<Recipe, { by: B }>;
};

function Parts({ recipe, errors, onChange }: Of<"parts">) {
  const set = (patch: Partial<typeof recipe>) => onChange({ ...recipe, ...patch });
  const field = fieldsOf(recipe, errors, set, "recipe.");
  return (
    <>
      <NumberField label="Sugar" unit="parts" {...field("sugar")} />
      <NumberField label="Syrup" unit="parts" {...field("syrup")} />
      <NumberField label="Water" unit="parts" {...field("water")} />
    </>
  );
}

function Weights({ recipe, errors, onChange }: Of<"weights">) {
  const set = (patch: Partial<typeof recipe>) => onChange({ ...recipe, ...patch });
  const field = fieldsOf(recipe, errors, set, "recipe.");
  return (
    <>
      <NumberField label="Sugar" unit="g" {...field("sugar_g")} />
      <NumberField label="Syrup" unit="g" {...field("syrup_g")} />
      <NumberField label="Water" unit="g" {...field("water_g")} />
    </>
  );
}
