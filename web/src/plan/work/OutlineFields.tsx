import { Box, Button, IconButton } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { Outlines } from "../../api/client";
import { FilePick } from "../../kit/FilePick";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { CountField } from "./CountField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";

type Shape = Outlines["outline"];

/** Where each shape starts. */
const fresh: Record<Shape["shape"], Shape> = {
  star: { shape: "star", points: 5, inner_pct: 45 },
  moon: { shape: "moon", lit_pct: 25 },
  ring: { shape: "ring", spokes: 6 },
  leaf: { shape: "leaf", veins: 3 },
  lattice: { shape: "lattice", bars: 3, high_pct: 100 },
  word: { shape: "word", text: "Comet", bar: true },
  drawing: { shape: "drawing", svg: "" },
};
const names: Record<Shape["shape"], string> = {
  star: "star",
  moon: "moon",
  ring: "ring",
  leaf: "leaf",
  lattice: "lattice",
  word: "letters",
  drawing: "my own drawing (SVG)",
};
const MOST = 12;

export const freshOutline: Outlines = { outline: fresh.star, width_mm: 60, count: 12 };

interface Props {
  outlines: Outlines[];
  errors: Record<string, string>;
  onChange: (outlines: Outlines[]) => void;
}

/** What is piped: outlines, each so wide and so many times. */
export function OutlineFields({ outlines, errors, onChange }: Props) {
  const set = (i: number, patch: Partial<Outlines>) =>
    onChange(outlines.map((one, at) => (at === i ? { ...one, ...patch } : one)));
  return (
    <Box display="grid" gap="3">
      {outlines.map((one, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: an outline is its place
          key={i}
          display="grid"
          gap="2"
          borderStartWidth="3px"
          borderColor="border.emphasized"
          ps="3"
        >
          <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 40px" gap="2" alignItems="end">
            <SelectField
              label="Outline"
              value={one.outline.shape}
              choices={Object.entries(names).map(([value, label]) => ({ value, label }))}
              onChange={(shape) => set(i, { outline: fresh[shape as Shape["shape"]] })}
            />
            <IconButton
              aria-label={`Take away: ${names[one.outline.shape]}`}
              variant="ghost"
              disabled={outlines.length <= 1}
              onClick={() => onChange(outlines.filter((_, at) => at !== i))}
            >
              <X size={18} />
            </IconButton>
          </Box>
          <ShapeFields
            shape={one.outline}
            error={(field) => errors[`outlines[${i}].outline.${field}`]}
            onChange={(outline) => set(i, { outline })}
          />
          <Pair>
            <NumberField
              label="Wide"
              unit="mm"
              value={one.width_mm}
              error={errors[`outlines[${i}].width_mm`]}
              onChange={(width_mm) => set(i, { width_mm })}
            />
            <CountField
              value={one.count}
              error={errors[`outlines[${i}].count`]}
              onChange={(count) => set(i, { count })}
            />
          </Pair>
        </Box>
      ))}
      <Button
        variant="outline"
        minH="44px"
        disabled={outlines.length >= MOST}
        onClick={() => onChange([...outlines, freshOutline])}
      >
        <Plus aria-hidden /> One outline more
      </Button>
    </Box>
  );
}

interface ShapeProps {
  shape: Shape;
  error: (field: string) => string | undefined;
  onChange: (shape: Shape) => void;
}

/** The few numbers of a shape. */
function ShapeFields({ shape, error, onChange }: ShapeProps) {
  const number = (field: string, label: string, unit: string, value: number) => (
    <NumberField
      label={label}
      unit={unit}
      value={value}
      error={error(field)}
      onChange={(next) =>
        onChange({ ...shape, [field]: unit === "" ? Math.round(next) : next } as Shape)
      }
    />
  );
  switch (shape.shape) {
    case "star":
      return (
        <Pair>
          {number("points", "Points", "", shape.points)}
          {number("inner_pct", "Inner corners at", "%", shape.inner_pct)}
        </Pair>
      );
    case "moon":
      return <Pair>{number("lit_pct", "Lit", "%", shape.lit_pct)}</Pair>;
    case "ring":
      return <Pair>{number("spokes", "Spokes", "", shape.spokes)}</Pair>;
    case "leaf":
      return <Pair>{number("veins", "Veins", "", shape.veins)}</Pair>;
    case "lattice":
      return (
        <Pair>
          {number("bars", "Bars", "", shape.bars)}
          {number("high_pct", "Height of width", "%", shape.high_pct)}
        </Pair>
      );
    case "word":
      return (
        <Pair>
          <TextField
            label="Letters"
            value={shape.text}
            error={error("text")}
            onChange={(text) => onChange({ ...shape, text })}
          />
          <SelectField
            label="Joined"
            value={shape.bar ? "bar" : ""}
            choices={[
              { value: "bar", label: "by a bar under them" },
              { value: "", label: "not: each for itself" },
            ]}
            onChange={(bar) => onChange({ ...shape, bar: bar === "bar" })}
          />
        </Pair>
      );
    case "drawing":
      return (
        <Box>
          <FilePick
            label="A drawing to pipe over"
            accept="image/svg+xml,.svg"
            busy={false}
            onPick={async (file) => onChange({ shape: "drawing", svg: await file.text() })}
          >
            {shape.svg ? "Another SVG file" : "Choose an SVG file"}
          </FilePick>
          {error("svg") && (
            <Box color="stop" fontWeight="560" fontSize="sm" mt="1" role="alert">
              The file {error("svg")}
            </Box>
          )}
        </Box>
      );
  }
}
