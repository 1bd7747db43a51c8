import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";

type Ribbons = WorkOf<"ribbons">;

/** Ribbons from a frozen stone. */
export function RibbonsFields({ work, errors, onChange, ...pick }: FieldsOf<Ribbons>) {
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        <NumberField label="Ribbon length" unit="mm" {...field("length_mm")} />
        <NumberField label="Ribbon width" unit="mm" {...field("width_mm")} />
        <NumberField label="Thickness" unit="mm" {...field("thickness_mm")} />
        <CountField {...field("count")} />
        <NumberField label="Stone weight" unit="kg" {...field("stone_kg")} />
        <NumberField label="Stone temperature" unit="°C" {...field("stone_c")} />
      </Pair>
    </Stack>
  );
}
