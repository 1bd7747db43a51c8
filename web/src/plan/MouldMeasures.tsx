import { Box, Stack } from "@chakra-ui/react";
import type { CavityInputs, MouldInputs } from "../api/client";
import { CountField } from "../kit/CountField";
import { EitherField } from "../kit/EitherField";
import { Fold } from "../kit/Fold";
import { faultyIn } from "../kit/faultyIn";
import { fieldsOf } from "../kit/fieldsOf";
import { ListField } from "../kit/ListField";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";

type Shape = NonNullable<CavityInputs["shape"]>;
type Measure = Exclude<keyof CavityInputs, "shape">;

const shapes: Record<Shape, string> = {
  hemisphere: "half sphere",
  cylinder: "cylinder",
  cone: "cone",
  block: "a bar or a box",
  measured: "another, measured",
};

const measures: Record<Shape, Measure[]> = {
  hemisphere: ["diameter_mm"],
  cylinder: ["diameter_mm", "depth_mm"],
  cone: ["diameter_mm", "depth_mm"],
  block: ["length_mm", "width_mm", "depth_mm"],
  measured: ["volume_ml", "area_cm2", "opening_cm2"],
};

const words: Record<Measure, { label: string; unit: string; usual: number }> = {
  diameter_mm: { label: "Across", unit: "mm", usual: 30 },
  length_mm: { label: "Length", unit: "mm", usual: 60 },
  width_mm: { label: "Width", unit: "mm", usual: 30 },
  depth_mm: { label: "Depth", unit: "mm", usual: 15 },
  volume_ml: { label: "Water it holds", unit: "g", usual: 20 },
  area_cm2: { label: "Inside", unit: "cm²", usual: 35 },
  opening_cm2: { label: "Opening", unit: "cm²", usual: 12 },
};

/** Where a face that has regions starts. */
const firstRegions = [
  { name: "face", share_pct: 25 },
  { name: "body", share_pct: 75 },
];

/** The measures that a form is known by, those that are there kept. */
function reshaped(cavity: CavityInputs, shape: Shape): CavityInputs {
  const kept = measures[shape].map((name) => [name, cavity[name] ?? words[name].usual]);
  return { shape, ...Object.fromEntries(kept) };
}

/** A cavity in a few words. */
export function mouldWords({ cavity, count }: MouldInputs): string {
  const shape = cavity.shape ?? "measured";
  if (shape === "measured") {
    const { volume_ml, area_cm2, opening_cm2 } = cavity;
    return `${count} of ${volume_ml ?? "?"} ml, ${area_cm2 ?? "?"} cm² inside, opening ${opening_cm2 ?? "?"} cm²`;
  }
  const sizes = measures[shape].map((name) => `${cavity[name] ?? "?"} ${words[name].unit}`);
  return `${count} of ${shapes[shape].replace(/: .*/, "")}, ${sizes.join(" by ")}`;
}

interface Props {
  mould: MouldInputs;
  errors: Record<string, string>;
  /** Its name among the fields. */
  field: string;
  onChange: (mould: MouldInputs) => void;
}

/** A mould by its measures. */
export function MouldMeasures({ mould, errors, field, onChange }: Props) {
  const { cavity } = mould;
  const shape = cavity.shape ?? "measured";
  const regions = mould.regions ?? [];
  const set = (patch: Partial<MouldInputs>) => onChange({ ...mould, ...patch });
  const measure = fieldsOf(
    cavity,
    errors,
    (patch) => set({ cavity: { ...cavity, ...patch } }),
    `${field}.cavity.`,
  );
  return (
    <Stack gap="3">
      <SelectField
        label="Cavity"
        value={shape}
        choices={shapes}
        onChange={(next) => set({ cavity: reshaped(cavity, next) })}
      />
      <Box display="grid" gridTemplateColumns="repeat(3, minmax(0, 1fr))" gap="2">
        {measures[shape].map((name) => (
          <UnitField
            key={name}
            label={words[name].label}
            unit={words[name].unit}
            {...measure(name)}
          />
        ))}
        <CountField label="Cavities" {...fieldsOf(mould, errors, set, `${field}.`)("count")} />
      </Box>
      <Fold
        inner
        title="Material, sides and regions"
        value={`${mould.material ?? "rigid"}, ${mould.two_sided ? "two sides" : "open"}, ${
          regions.length === 0 ? "one face" : regions.map(({ name }) => name).join(", ")
        }`}
        faulty={faultyIn(errors, `${field}.regions`, `${field}.two_sided`)}
      >
        <SelectField
          label="Material"
          value={mould.material ?? "rigid"}
          choices={{ rigid: "rigid: it does not bend", silicone: "silicone" }}
          onChange={(material) => set({ material })}
        />
        <EitherField
          label="Sides"
          no="open on one side"
          yes="two sides close to a whole piece"
          {...fieldsOf(mould, errors, set, `${field}.`)("two_sided")}
          value={mould.two_sided ?? false}
        />
        <ListField
          items={regions}
          at={`${field}.regions`}
          errors={errors}
          most={8}
          nameOf={(_, i) => `region ${i + 1}`}
          whole="The regions"
          more={regions.length === 0 ? "Divide the face into regions" : "Add region"}
          onMore={() =>
            set({
              regions:
                regions.length === 0
                  ? firstRegions
                  : [...regions, { name: `region ${regions.length + 1}`, share_pct: 10 }],
            })
          }
          onChange={(next) => set({ regions: next })}
        >
          {({ i, field: its, away }) => (
            <Box
              display="grid"
              gridTemplateColumns="minmax(0, 1fr) 96px 44px"
              gap="2"
              alignItems="end"
            >
              <TextField label={`Region ${i + 1}`} {...its("name")} />
              <NumberField label="Share of the face" unit="%" {...its("share_pct")} />
              {away}
            </Box>
          )}
        </ListField>
      </Fold>
    </Stack>
  );
}
