import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { PlanInputs } from "../api/client";
import { NumberField } from "../kit/NumberField";
import { UnitField } from "../kit/UnitField";

interface Props {
  room_c: number;
  rh_pct: number;
  fridge_c: PlanInputs["fridge_c"];
  errors: Record<string, string>;
  onChange: (patch: Partial<PlanInputs>) => void;
}

/** The room it is made in, and the fridge it may set in. */
export const RoomFields = memo(function RoomFields(props: Props) {
  const { room_c, rh_pct, fridge_c, errors, onChange } = props;
  return (
    <Box display="flex" gap="2">
      <NumberField
        label="Room"
        unit="°C"
        value={room_c}
        error={errors.room_c}
        onChange={(c) => onChange({ room_c: c })}
      />
      <NumberField
        label="Humidity"
        unit="%"
        value={rh_pct}
        error={errors.rh_pct}
        onChange={(pct) => onChange({ rh_pct: pct })}
      />
      <UnitField
        label="Fridge"
        unit="°C"
        optional="none"
        value={fridge_c}
        error={errors.fridge_c}
        onChange={(c) => onChange({ fridge_c: c })}
      />
    </Box>
  );
});
