import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { UnitField } from "../../kit/UnitField";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

/** A sheet of boiled sugar. */
export function SugarFields({ work, errors, onChange }: FieldsOf<WorkOf<"sugar">>) {
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      <ThicknessField
        value={work.thickness_mm}
        range={[2, 8]}
        error={errors.thickness_mm}
        onChange={(thickness_mm) => onChange({ thickness_mm })}
      />
      <Pair>
        <NumberField
          label="Pieces of"
          unit="cm²"
          value={work.piece_cm2}
          error={errors.piece_cm2}
          onChange={(piece_cm2) => onChange({ piece_cm2 })}
        />
        <UnitField
          label="Whitened part"
          unit="%"
          optional="10"
          value={work.whitened_pct}
          error={errors.whitened_pct}
          onChange={(whitened_pct) => onChange({ whitened_pct })}
        />
        <UnitField
          label="Above the sea"
          unit="m"
          optional="0"
          value={work.altitude_m}
          error={errors.altitude_m}
          onChange={(altitude_m) => onChange({ altitude_m })}
        />
      </Pair>
    </Stack>
  );
}
