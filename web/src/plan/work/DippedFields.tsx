import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { CountField } from "./CountField";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

type Dipped = WorkOf<"dipped">;

const centres: Record<Dipped["centre"], string> = {
  truffle: "truffles",
  fruit: "fresh fruit",
  biscuit: "biscuits, wafers, pretzels",
  dry: "something dry that keeps",
};

/** Dipped things. */
export function DippedFields({ work, errors, onChange, ...pick }: FieldsOf<Dipped>) {
  const { shape, swirl } = work;
  const ball = shape.diameter_mm != null;
  const measure = (name: "area_cm2" | "volume_ml" | "height_mm", label: string, unit: string) => (
    <UnitField
      label={label}
      unit={unit}
      value={shape[name]}
      error={errors[`shape.${name}`]}
      onChange={(value) => onChange({ shape: { ...shape, [name]: value } })}
    />
  );
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        <TextField
          label="What is dipped"
          value={work.name}
          error={errors.name}
          onChange={(name) => onChange({ name })}
        />
        <SelectField
          label="They are"
          value={work.centre}
          choices={Object.entries(centres).map(([value, label]) => ({ value, label }))}
          onChange={(centre) => onChange({ centre: centre as Dipped["centre"] })}
        />
      </Pair>
      <SelectField
        label="One is"
        value={ball ? "ball" : ""}
        choices={[
          { value: "ball", label: "a ball" },
          { value: "", label: "another shape: measured" },
        ]}
        onChange={(next) =>
          onChange({
            shape: next ? { diameter_mm: 28 } : { area_cm2: 30, volume_ml: 12, height_mm: 60 },
          })
        }
      />
      {ball ? (
        <UnitField
          label="Across"
          unit="mm"
          value={shape.diameter_mm}
          error={errors["shape.diameter_mm"]}
          onChange={(diameter_mm) => onChange({ shape: { diameter_mm } })}
        />
      ) : (
        <Box display="grid" gridTemplateColumns="repeat(3, minmax(0, 1fr))" gap="2">
          {measure("area_cm2", "Surface", "cm²")}
          {measure("volume_ml", "Takes up", "ml")}
          {measure("height_mm", "Height", "mm")}
        </Box>
      )}
      <Pair>
        <CountField
          value={work.count}
          error={errors.count}
          onChange={(count) => onChange({ count })}
        />
        <NumberField
          label="One weighs"
          unit="g"
          value={work.each_g}
          error={errors.each_g}
          onChange={(each_g) => onChange({ each_g })}
        />
        <NumberField
          label="They are at"
          unit="°C"
          value={work.centre_c}
          error={errors.centre_c}
          onChange={(centre_c) => onChange({ centre_c })}
        />
        <UnitField
          label="Coat"
          unit="mm"
          optional="1.3"
          value={work.coat_mm}
          error={errors.coat_mm}
          onChange={(coat_mm) => onChange({ coat_mm })}
        />
        <NumberField
          label="Vessel, across"
          unit="mm"
          value={work.vessel_mm}
          error={errors.vessel_mm}
          onChange={(vessel_mm) => onChange({ vessel_mm })}
        />
        <SelectField
          label="On sticks"
          value={work.sticks ? "yes" : ""}
          choices={[
            { value: "", label: "no" },
            { value: "yes", label: "yes" },
          ]}
          onChange={(yes) => onChange({ sticks: yes !== "" })}
        />
      </Pair>
      <SelectField
        label="Two-tone"
        value={swirl ?? ""}
        choices={[
          { value: "", label: "no: one chocolate" },
          ...pick.bowls
            .filter(({ key, colour }) => !colour && key !== work.chocolate)
            .map(({ key }) => ({ value: key, label: `zigzags of ${pick.names.get(key) ?? key}` })),
          { value: "+", label: "zigzags of another: white" },
        ]}
        error={errors.swirl}
        onChange={(next) =>
          next === "+"
            ? pick.onAddChocolate("white", (key) => ({ swirl: key }))
            : onChange({ swirl: next || null })
        }
      />
    </Stack>
  );
}
