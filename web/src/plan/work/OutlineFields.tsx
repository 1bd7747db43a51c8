import { Box } from "@chakra-ui/react";
import type { Outlines, WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { Entry } from "../../kit/Entry";
import { Fault } from "../../kit/Fault";
import { FilePick } from "../../kit/FilePick";
import { Fold } from "../../kit/Fold";
import { faultyIn, firstFaultIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { useOutlines } from "../useOutlines";
import { OutlineLines } from "./OutlineLines";

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

/** Of one colour, and without bridges. */
const plain: Pick<Outlines, "features" | "bridged"> = { features: [], bridged: false };

export const freshOutline: Outlines = { outline: fresh.star, width_mm: 60, count: 12 };

interface Props {
  work: WorkOf<"piped">;
  outlines: Outlines[];
  errors: Record<string, string>;
  onChange: (outlines: Outlines[]) => void;
}

/** What is piped: outlines, each so wide and so many times. */
export function OutlineFields({ work, outlines, errors, onChange }: Props) {
  const laid = useOutlines(work);
  return (
    <Fold
      inner
      title="Outlines"
      value={outlines.map(({ outline, count }) => `${count} × ${names[outline.shape]}`).join(", ")}
      faulty={faultyIn(errors, "outlines")}
    >
      <ListField
        items={outlines}
        at="outlines"
        errors={errors}
        fewest={1}
        most={12}
        nameOf={(_, i) => `outline ${i + 1}`}
        whole="The outlines"
        more="Add outline"
        onMore={() => onChange([...outlines, freshOutline])}
        onChange={onChange}
      >
        {({ item, i, at, field, changed, away }) => (
          <Entry>
            <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 40px" gap="2" alignItems="end">
              <SelectField
                label="Outline"
                value={item.outline.shape}
                choices={names}
                onChange={(shape) => onChange(changed({ ...plain, outline: fresh[shape] }))}
              />
              {away}
            </Box>
            <ShapeFields
              shape={item.outline}
              error={(name) => errors[`${at}.outline.${name}`]}
              onChange={(outline) =>
                // Another drawing has other lines.
                onChange(changed(outline.shape === "drawing" ? { ...plain, outline } : { outline }))
              }
            />
            <Pair>
              <NumberField label="Width" unit="mm" {...field("width_mm")} />
              <CountField {...field("count")} />
            </Pair>
            {laid[i] && (
              <OutlineLines
                outline={item}
                laid={laid[i]}
                line_mm={work.line_mm}
                coloured={work.second != null}
                error={firstFaultIn(errors, `${at}.features`)}
                onChange={(patch) => onChange(changed(patch))}
              />
            )}
          </Entry>
        )}
      </ListField>
    </Fold>
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
          <EitherField
            label="Joined"
            value={shape.bar ?? false}
            no="not: each for itself"
            yes="by a bar under them"
            onChange={(bar) => onChange({ ...shape, bar })}
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
            <Fault fontSize="sm" mt="1">
              The file {error("svg")}
            </Fault>
          )}
        </Box>
      );
  }
}
