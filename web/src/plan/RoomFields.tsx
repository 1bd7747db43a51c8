import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs } from "../api/client";
import { UnitField } from "../kit/UnitField";

interface Props {
  room_c: number;
  rh_pct: number;
  errors: Record<string, string>;
  onChange: (patch: Partial<BarkInputs>) => void;
}

/** The room it is made in. */
export const RoomFields = memo(function RoomFields({ room_c, rh_pct, errors, onChange }: Props) {
  return (
    <Box display="flex" gap="2">
      <UnitField
        label="Room"
        unit="°C"
        value={room_c}
        error={errors.room_c}
        onChange={(c) => c !== null && onChange({ room_c: c })}
      />
      <UnitField
        label="Humidity"
        unit="%"
        value={rh_pct}
        error={errors.rh_pct}
        onChange={(pct) => pct !== null && onChange({ rh_pct: pct })}
      />
    </Box>
  );
});
