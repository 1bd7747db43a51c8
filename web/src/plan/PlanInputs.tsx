import { Stack } from "@chakra-ui/react";
import { memo, useCallback, useMemo } from "react";
import type { BarkInputs, Family, PlanAnswer } from "../api/client";
import { useMethods } from "../api/queries";
import { Panel } from "../kit/Panel";
import { ChocolateField } from "./ChocolateField";
import { KitFields } from "./KitFields";
import { MixedInFields } from "./MixedInFields";
import { RoomFields } from "./RoomFields";
import { ThicknessField } from "./ThicknessField";
import { ToppingFields } from "./ToppingFields";
import { TrayField } from "./TrayField";

interface Props {
  draft: BarkInputs;
  /** The plan's own numbers, shown where the maker gave none. */
  windows: PlanAnswer["windows"];
  melted_c: number;
  target_c: number;
  errors: Record<string, string>;
  onChange: (patch: Partial<BarkInputs>) => void;
}

/** What the maker states. */
export const PlanInputs = memo(function PlanInputs({ draft, errors, onChange, ...usual }: Props) {
  // Made once, so that only what changed is drawn anew while something is dragged.
  const set = useMemo(() => {
    const field =
      <K extends keyof BarkInputs>(key: K) =>
      (value: BarkInputs[K]) =>
        onChange({ [key]: value });
    return {
      tray: field("tray"),
      thickness_mm: field("thickness_mm"),
      topping: field("topping"),
      mixed_in: field("mixed_in"),
    };
  }, [onChange]);
  const methods = useMethods().data;
  const { method } = draft;
  // A method that does not suit the new family gives way to the recommended one.
  const setChocolate = useCallback(
    (chocolate: Partial<BarkInputs> & { family: Family }) => {
      const suits = methods?.find((m) => m.key === method)?.suits;
      const kept = suits === undefined || suits.some((s) => s.family === chocolate.family);
      onChange(kept ? chocolate : { ...chocolate, method: null });
    },
    [methods, method, onChange],
  );
  return (
    <Panel title="What you make">
      <Stack gap="4">
        <ChocolateField
          family={draft.family}
          blend={draft.blend}
          chocolate_id={draft.chocolate_id}
          errors={errors}
          onChange={setChocolate}
        />
        <TrayField tray={draft.tray} errors={errors} onChange={set.tray} />
        <ThicknessField
          value={draft.thickness_mm}
          error={errors.thickness_mm}
          onChange={set.thickness_mm}
        />
        <MixedInFields mixedIn={draft.mixed_in} errors={errors} onChange={set.mixed_in} />
        <ToppingFields topping={draft.topping} errors={errors} onChange={set.topping} />
        <RoomFields
          room_c={draft.room_c}
          rh_pct={draft.rh_pct}
          fridge_c={draft.fridge_c}
          errors={errors}
          onChange={onChange}
        />
        <KitFields
          bowl={draft.bowl}
          ware_id={draft.ware_id}
          heat_id={draft.heat_id}
          thermometer_id={draft.thermometer_id}
          microwave={draft.microwave}
          own={draft.own}
          melt_to_c={draft.melt_to_c}
          target_c={draft.target_c}
          seed_c={draft.seed_c}
          room_c={draft.room_c}
          cooling_min={draft.cooling_min}
          windows={usual.windows}
          usualMelt_c={usual.melted_c}
          usualTarget_c={usual.target_c}
          errors={errors}
          onChange={onChange}
        />
      </Stack>
    </Panel>
  );
});
