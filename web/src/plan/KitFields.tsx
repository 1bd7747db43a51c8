import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs, BowlPlan } from "../api/client";
import { OwnNumbersFields } from "../chocolate/OwnNumbersFields";
import { Fold } from "../kit/Fold";
import { faultyIn } from "../kit/faultyIn";
import { UnitField } from "../kit/UnitField";
import { GearFields, type GearProps } from "./GearFields";

type Kit = "own" | "melt_to_c" | "target_c" | "seed_c" | "cooling_min";

type Props = GearProps & { [K in Kit]: BowlInputs[K] | undefined } & {
  room_c: number;
  windows: BowlPlan["windows"];
  usualMelt_c: number;
  usualTarget_c: number;
};

/** What the maker may know better than the defaults: own gear, own numbers. */
export const KitFields = memo(function KitFields(props: Props) {
  const { windows, errors, onChange, usualMelt_c, usualTarget_c, room_c, ...own } = props;
  const degrees = (name: "melt_to_c" | "target_c" | "seed_c", label: string, usual: number) => (
    <UnitField
      label={label}
      unit="°C"
      optional={String(usual)}
      value={own[name]}
      error={errors[name]}
      onChange={(value) => onChange({ [name]: value })}
    />
  );
  return (
    <Fold
      inner
      title="Bowl, microwave and own numbers"
      value={
        own.own && Object.values(own.own).some((n) => n != null) ? "your own numbers" : "as usual"
      }
      faulty={faultyIn(
        errors,
        "bowl",
        "microwave",
        "ware_id",
        "heat_id",
        "thermometer_id",
        "own",
        "melt_to_c",
        "target_c",
        "seed_c",
        "cooling_min",
      )}
    >
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" pt="1">
        <GearFields
          bowl={own.bowl}
          microwave={own.microwave}
          ware_id={own.ware_id}
          heat_id={own.heat_id}
          thermometer_id={own.thermometer_id}
          errors={errors}
          onChange={onChange}
        />
        {degrees("melt_to_c", "Stop melting at", usualMelt_c)}
        {degrees("target_c", "Seed aims at", usualTarget_c)}
        {degrees("seed_c", "Seed is at", room_c)}
        <UnitField
          label="Cooling takes"
          unit="min"
          optional="not counted"
          value={own.cooling_min}
          error={errors.cooling_min}
          onChange={(cooling_min) => onChange({ cooling_min })}
        />
        <Box gridColumn="1 / -1" borderTopWidth="1px" borderColor="border" pt="3">
          <OwnNumbersFields
            own={own.own}
            windows={windows}
            errors={errors}
            onChange={(numbers) => onChange({ own: numbers })}
          />
        </Box>
      </Box>
    </Fold>
  );
});
