import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { startingRecipes } from "../filling/ingredients";
import { RecipeFields } from "../filling/RecipeFields";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";

type Dipped = WorkOf<"dipped">;
type ShapedBy = NonNullable<Dipped["made"]>["shaped_by"];

const centres: Record<Dipped["centre"], string> = {
  truffle: "truffles",
  fruit: "fresh fruit",
  biscuit: "biscuits, wafers, pretzels",
  dry: "something dry that keeps",
};

/** Dipped pieces. */
export function DippedFields({ work, errors, onChange, ...pick }: FieldsOf<Dipped>) {
  const { shape, swirl } = work;
  const ball = shape.diameter_mm != null;
  const field = fieldsOf(work, errors, onChange);
  const measure = fieldsOf(
    shape,
    errors,
    (patch) => onChange({ shape: { ...shape, ...patch } }),
    "shape.",
  );
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        <TextField label="Centre" {...field("name")} />
        <SelectField label="Kind" choices={centres} {...field("centre")} />
      </Pair>
      <EitherField
        label="Shape"
        value={ball}
        no="another shape: measured"
        yes="a ball"
        onChange={(next) =>
          onChange({
            shape: next ? { diameter_mm: 28 } : { area_cm2: 30, volume_ml: 12, height_mm: 60 },
          })
        }
      />
      {ball ? (
        <UnitField label="Across" unit="mm" {...measure("diameter_mm")} />
      ) : (
        <Box display="grid" gridTemplateColumns="repeat(3, minmax(0, 1fr))" gap="2">
          <UnitField label="Surface" unit="cm²" {...measure("area_cm2")} />
          <UnitField label="Volume of one" unit="ml" {...measure("volume_ml")} />
          <UnitField label="Height" unit="mm" {...measure("height_mm")} />
        </Box>
      )}
      <Pair>
        <CountField {...field("count")} />
        <NumberField label="Weight of one" unit="g" {...field("each_g")} />
        <NumberField label="Centre temperature" unit="°C" {...field("centre_c")} />
        <UnitField label="Coat" unit="mm" optional="1.3" {...field("coat_mm")} />
        <NumberField label="Vessel width" unit="mm" {...field("vessel_mm")} />
        <EitherField
          label="Sticks"
          no="no"
          yes="yes"
          {...field("sticks")}
          value={work.sticks ?? false}
        />
      </Pair>
      <SelectField<"" | ShapedBy>
        label="Centres made"
        value={work.made?.shaped_by ?? ""}
        choices={{
          "": "elsewhere, or bought",
          rolling: "here: rolled",
          cutting: "here: cut from a sheet",
          piping: "here: piped in drops",
        }}
        onChange={(shaped_by) =>
          onChange({
            made: shaped_by
              ? { parts: startingRecipes["truffle to roll"], ...work.made, shaped_by }
              : null,
          })
        }
      />
      {work.made && (
        <RecipeFields
          recipe={work.made}
          errors={errors}
          at="made"
          onChange={(patch) => work.made && onChange({ made: { ...work.made, ...patch } })}
        />
      )}
      <SelectField
        label="Two-tone"
        value={swirl ?? ""}
        choices={[
          { value: "", label: "no: one chocolate" },
          ...pick.bowls
            .filter(({ key, colour }) => !colour && key !== work.chocolate)
            .map(({ key }) => ({ value: key, label: `zigzags of ${pick.names.get(key) ?? key}` })),
          { value: "part", label: "zigzags of a part of the same bowl" },
          { value: "+", label: "zigzags of another: white" },
        ]}
        error={errors.swirl}
        onChange={(next) => {
          const put = (key: string) => ({ swirl: key });
          if (next === "+") pick.onAddChocolate("white", put);
          else if (next === "part") pick.onAddChocolate({ part_of: work.chocolate }, put);
          else onChange({ swirl: next || null });
        }}
      />
    </Stack>
  );
}
