import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "./CountField";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

type Ribbons = WorkOf<"ribbons">;

/** Ribbons from a frozen stone. */
export function RibbonsFields({ work, errors, onChange, ...pick }: FieldsOf<Ribbons>) {
  const number = (
    name: "length_mm" | "width_mm" | "thickness_mm" | "stone_kg" | "stone_c",
    label: string,
    unit: string,
  ) => (
    <NumberField
      label={label}
      unit={unit}
      value={work[name]}
      error={errors[name]}
      onChange={(value) => onChange({ [name]: value })}
    />
  );
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        {number("length_mm", "A ribbon is long", "mm")}
        {number("width_mm", "and wide", "mm")}
        {number("thickness_mm", "Thickness", "mm")}
        <CountField
          value={work.count}
          error={errors.count}
          onChange={(count) => onChange({ count })}
        />
        {number("stone_kg", "The stone weighs", "kg")}
        {number("stone_c", "and comes at", "°C")}
      </Pair>
    </Stack>
  );
}
