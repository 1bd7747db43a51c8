import { Stack } from "@chakra-ui/react";
import { memo, useMemo } from "react";
import type { BarkInputs, PlanAnswer } from "../api/client";
import { Panel } from "../kit/Panel";
import { FamilyField } from "./FamilyField";
import { KitFields } from "./KitFields";
import { RoomFields } from "./RoomFields";
import { ThicknessField } from "./ThicknessField";
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
    return { family: field("family"), tray: field("tray"), thickness_mm: field("thickness_mm") };
  }, [onChange]);
  return (
    <Panel title="What you make">
      <Stack gap="4">
        <FamilyField value={draft.family} onChange={set.family} />
        <TrayField tray={draft.tray} errors={errors} onChange={set.tray} />
        <ThicknessField
          value={draft.thickness_mm}
          error={errors.thickness_mm}
          onChange={set.thickness_mm}
        />
        <RoomFields
          room_c={draft.room_c}
          rh_pct={draft.rh_pct}
          errors={errors}
          onChange={onChange}
        />
        <KitFields
          bowl={draft.bowl}
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
