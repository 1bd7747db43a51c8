import { memo } from "react";
import type { PlanInputs } from "../api/client";
import { Fold } from "../kit/Fold";
import { temperature } from "../kit/format";
import { RoomFields } from "./RoomFields";

type Props = Pick<PlanInputs, "room_c" | "rh_pct"> & {
  fridge_c: number | null | undefined;
  errors: Record<string, string>;
  onChange: (patch: object) => void;
};

/** The room and the fridge. */
export const KitchenFold = memo(function KitchenFold({
  room_c,
  rh_pct,
  fridge_c,
  errors,
  onChange,
}: Props) {
  const fridge = fridge_c == null ? "without a fridge" : `fridge ${temperature(fridge_c)}`;
  return (
    <Fold
      title="Kitchen"
      value={`${temperature(room_c)}, ${rh_pct} % humid, ${fridge}`}
      faulty={["room_c", "rh_pct", "fridge_c"].some((field) => field in errors)}
    >
      <RoomFields
        room_c={room_c}
        rh_pct={rh_pct}
        fridge_c={fridge_c}
        errors={errors}
        onChange={onChange}
      />
    </Fold>
  );
});
