import { Box, Button, IconButton, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { CavityInputs, MouldInputs } from "../api/client";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";
import { CountField } from "./work/CountField";
import { NumberField } from "./work/NumberField";

type Shape = NonNullable<CavityInputs["shape"]>;
type Measure = Exclude<keyof CavityInputs, "shape">;

const shapes: Record<Shape, string> = {
  hemisphere: "half a ball",
  cylinder: "round, with straight walls",
  cone: "a cone",
  block: "a bar or a box",
  measured: "another: measured",
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
  const region = (i: number, patch: object) =>
    onChange({ ...mould, regions: regions.map((r, at) => (at === i ? { ...r, ...patch } : r)) });
  return (
    <Stack gap="3">
      <SelectField
        label="A cavity is"
        value={shape}
        choices={Object.entries(shapes).map(([value, label]) => ({ value, label }))}
        onChange={(next) => onChange({ ...mould, cavity: reshaped(cavity, next as Shape) })}
      />
      <Box display="grid" gridTemplateColumns="repeat(3, minmax(0, 1fr))" gap="2">
        {measures[shape].map((name) => (
          <UnitField
            key={name}
            label={words[name].label}
            unit={words[name].unit}
            value={cavity[name]}
            error={errors[`${field}.cavity.${name}`]}
            onChange={(value) => onChange({ ...mould, cavity: { ...cavity, [name]: value } })}
          />
        ))}
        <CountField
          label="Cavities"
          value={mould.count}
          error={errors[`${field}.count`]}
          onChange={(count) => onChange({ ...mould, count })}
        />
      </Box>
      <SelectField
        label="Made of"
        value={mould.material ?? "rigid"}
        choices={[
          { value: "rigid", label: "rigid: it does not bend" },
          { value: "silicone", label: "silicone" },
        ]}
        onChange={(material) =>
          onChange({ ...mould, material: material as NonNullable<MouldInputs["material"]> })
        }
      />
      {regions.map((one, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a region is its place
          key={i}
          display="grid"
          gridTemplateColumns="minmax(0, 1fr) 96px 44px"
          gap="2"
          alignItems="end"
        >
          <TextField
            label={`Region ${i + 1}`}
            value={one.name}
            error={errors[`${field}.regions[${i}].name`]}
            onChange={(name) => region(i, { name })}
          />
          <NumberField
            label="Of the face"
            unit="%"
            value={one.share_pct}
            error={errors[`${field}.regions[${i}].share_pct`]}
            onChange={(share_pct) => region(i, { share_pct })}
          />
          <IconButton
            aria-label={`Take away: region ${i + 1}`}
            variant="ghost"
            onClick={() => onChange({ ...mould, regions: regions.filter((_, at) => at !== i) })}
          >
            <X size={18} />
          </IconButton>
        </Box>
      ))}
      {errors[`${field}.regions`] && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          The regions {errors[`${field}.regions`]}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={regions.length >= 8}
        onClick={() =>
          onChange({
            ...mould,
            regions:
              regions.length === 0
                ? [
                    { name: "face", share_pct: 25 },
                    { name: "body", share_pct: 75 },
                  ]
                : [...regions, { name: `region ${regions.length + 1}`, share_pct: 10 }],
          })
        }
      >
        <Plus aria-hidden /> {regions.length === 0 ? "Its face has regions" : "One region more"}
      </Button>
    </Stack>
  );
}
