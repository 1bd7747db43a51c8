import { Box, SegmentGroup } from "@chakra-ui/react";
import { memo, useId } from "react";
import type { TrayInputs } from "../api/client";
import { UnitField } from "../kit/UnitField";

const shapes = [
  { value: "rectangle", label: "Rectangle" },
  { value: "round", label: "Round" },
  { value: "area", label: "Area" },
];

/** The same area in another shape, so that changing it loses nothing. */
function reshape(tray: TrayInputs, shape: string): TrayInputs {
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
  onChange: (tray: TrayInputs) => void;
}

/** What it is spread in. */
export const TrayField = memo(function TrayField({ tray, errors, onChange }: Props) {
  const id = useId();
  const set = (patch: object) => onChange({ ...tray, ...patch } as TrayInputs);
  return (
    <Box>
      <Box textStyle="label" id={id} mb="1.5">
        Tray, inside
      </Box>
      <SegmentGroup.Root
        aria-labelledby={id}
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
            <UnitField
              label="Length"
              unit="mm"
              value={tray.length_mm}
              error={errors["tray.length_mm"]}
              onChange={(length_mm) => set({ length_mm })}
            />
            <UnitField
              label="Width"
              unit="mm"
              value={tray.width_mm}
              error={errors["tray.width_mm"]}
              onChange={(width_mm) => set({ width_mm })}
            />
          </>
        )}
        {tray.shape === "round" && (
          <UnitField
            label="Diameter"
            unit="mm"
            value={tray.diameter_mm}
            error={errors["tray.diameter_mm"]}
            onChange={(diameter_mm) => set({ diameter_mm })}
          />
        )}
        {tray.shape === "area" && (
          <UnitField
            label="Area to cover"
            unit="cm²"
            value={tray.area_cm2}
            error={errors["tray.area_cm2"]}
            onChange={(area_cm2) => set({ area_cm2 })}
          />
        )}
      </Box>
    </Box>
  );
});
