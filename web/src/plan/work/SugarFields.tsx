import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { UnitField } from "../../kit/UnitField";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";
import type { FieldsOf } from "./fieldsOfWork";

/** A sheet of boiled sugar. */
export function SugarFields({ work, errors, onChange }: FieldsOf<WorkOf<"sugar">>) {
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      <ThicknessField range={[2, 8]} {...field("thickness_mm")} />
      <Pair>
        <NumberField label="Piece size" unit="cm²" {...field("piece_cm2")} />
        <UnitField label="Whitened part" unit="%" optional="10" {...field("whitened_pct")} />
        <UnitField label="Altitude" unit="m" optional="0" {...field("altitude_m")} />
      </Pair>
    </Stack>
  );
}
