import { Box, SegmentGroup, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { TrayInputs } from "../api/client";
import { useShelf, useTrays } from "../api/queries";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { trayWords } from "./trayWords";

type Plain = Exclude<TrayInputs, { shape: "saved" }>;

const shapes = [
  { value: "rectangle", label: "Rectangle" },
  { value: "round", label: "Round" },
  { value: "area", label: "Area" },
];
const usualShape: Plain = { shape: "rectangle", length_mm: 300, width_mm: 200 };

/** The same area in another shape, so that changing it loses nothing. */
function reshape(tray: Plain, shape: string): Plain {
  const cm2 =
    tray.shape === "rectangle"
      ? (tray.length_mm * tray.width_mm) / 100
      : tray.shape === "round"
        ? (Math.PI * tray.diameter_mm ** 2) / 400
        : tray.area_cm2;
  switch (shape) {
    case "rectangle":
      return {
        shape: "rectangle",
        length_mm: Math.round(Math.sqrt(cm2 * 150)),
        width_mm: Math.round(Math.sqrt((cm2 * 100) / 1.5)),
      };
    case "round":
      return { shape: "round", diameter_mm: Math.round(Math.sqrt((cm2 * 400) / Math.PI)) };
    default:
      return { shape: "area", area_cm2: Math.round(cm2) };
  }
}

interface Props {
  tray: TrayInputs;
  errors: Record<string, string>;
  /** Its name among the fields. */
  field?: string;
  /** Without a choice of trays that are known. */
  bare?: boolean;
  onChange: (tray: TrayInputs) => void;
}

/** What it is spread in: one that is known, or by its measures. */
export const TrayField = memo(function TrayField(props: Props) {
  const { tray, errors, field = "tray", bare, onChange } = props;
  const saved = useShelf().data?.trays ?? [];
  const usual = useTrays().data ?? [];
  const known = [
    ...saved.map(({ id, thing }) => ({
      value: id,
      label: `${thing.name}: ${trayWords(thing.shape)}`,
      tray: { shape: "saved", tray_id: id } as TrayInputs,
    })),
    ...usual.map(({ name, shape }) => ({
      value: name,
      label: `${name}: ${trayWords(shape)}`,
      tray: shape,
    })),
  ];
  const same = (one: TrayInputs) => JSON.stringify(one) === JSON.stringify(tray);
  const chosen = known.find((one) => same(one.tray));
  return (
    <Stack gap="3">
      {!bare && (
        <SelectField
          label="Tray"
          value={tray.shape === "saved" ? tray.tray_id : (chosen?.value ?? "")}
          choices={[
            { value: "", label: "by measurements" },
            ...(tray.shape === "saved" && !chosen
              ? [{ value: tray.tray_id, label: "one that was archived" }]
              : []),
            ...known,
          ]}
          error={errors[`${field}.tray_id`]}
          onChange={(value) => {
            const next = known.find((one) => one.value === value);
            const standing = saved.find(({ id }) => tray.shape === "saved" && id === tray.tray_id);
            onChange(next?.tray ?? standing?.thing.shape ?? usualShape);
          }}
        />
      )}
      {tray.shape !== "saved" && (
        <Measures tray={tray} errors={errors} field={field} onChange={onChange} />
      )}
    </Stack>
  );
});

interface MeasuresProps extends Pick<Props, "errors" | "onChange"> {
  tray: Plain;
  field: string;
}

function Measures({ tray, errors, field, onChange }: MeasuresProps) {
  const set = (patch: object) => onChange({ ...tray, ...patch } as TrayInputs);
  const number = (name: string, label: string, unit: string, value: number) => (
    <NumberField
      label={label}
      unit={unit}
      value={value}
      error={errors[`${field}.${name}`]}
      onChange={(next) => set({ [name]: next })}
    />
  );
  return (
    <Box>
      <SegmentGroup.Root
        aria-label="Tray, inside"
        value={tray.shape}
        onValueChange={({ value }) => value && onChange(reshape(tray, value))}
        size="sm"
        width="full"
        mb="2"
      >
        <SegmentGroup.Indicator bg="raised" />
        {shapes.map((shape) => (
          <SegmentGroup.Item key={shape.value} value={shape.value} flex="1" cursor="pointer">
            <SegmentGroup.ItemHiddenInput />
            <SegmentGroup.ItemText>{shape.label}</SegmentGroup.ItemText>
          </SegmentGroup.Item>
        ))}
      </SegmentGroup.Root>
      <Box display="flex" gap="2">
        {tray.shape === "rectangle" && (
          <>
            {number("length_mm", "Length", "mm", tray.length_mm)}
            {number("width_mm", "Width", "mm", tray.width_mm)}
          </>
        )}
        {tray.shape === "round" && number("diameter_mm", "Diameter", "mm", tray.diameter_mm)}
        {tray.shape === "area" && number("area_cm2", "Area to cover", "cm²", tray.area_cm2)}
        {tray.shape !== "area" && (
          <UnitField
            label="Rim height"
            unit="mm"
            optional="any"
            value={tray.rim_mm}
            error={errors[`${field}.rim_mm`]}
            onChange={(rim_mm) => set({ rim_mm })}
          />
        )}
      </Box>
    </Box>
  );
}
