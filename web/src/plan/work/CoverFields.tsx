import { Stack } from "@chakra-ui/react";
import { memo, useCallback, useMemo, useRef } from "react";
import type { CoverInputs, TrayInputs } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { under } from "../edits";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";

const known: Record<CoverInputs["by"], string> = {
  thickness: "the tray and how thick",
  in_hand: "the tray and what I have",
  spread: "what I have and how thick",
  portions: "how many, and how thick",
};

const usualTray: TrayInputs = { shape: "rectangle", length_mm: 300, width_mm: 200 };

/** The same slab, stated in another way; what both know stays. */
function restated(cover: CoverInputs, by: CoverInputs["by"]): CoverInputs {
  const tray = "tray" in cover ? cover.tray : usualTray;
  const thickness_mm = "thickness_mm" in cover ? cover.thickness_mm : 4;
  const in_hand_g = "in_hand_g" in cover ? cover.in_hand_g : 380;
  switch (by) {
    case "in_hand":
      return { by, tray, in_hand_g };
    case "spread":
      return { by, in_hand_g, thickness_mm };
    case "portions":
      return { by, portions: { of: "pieces", count: 40, each_g: 8 }, thickness_mm };
    default:
      return { by: "thickness", tray, thickness_mm };
  }
}

/** Which two of the three the maker knows. */
const Known = memo(function Known({ by, onBy }: KnownProps) {
  return <SelectField label="Size by" value={by} choices={known} onChange={onBy} />;
});

const counted: Record<Portions["of"], string> = {
  pieces: "pieces",
  servings: "servings",
  bags: "bags",
};

interface KnownProps {
  by: CoverInputs["by"];
  onBy: (by: CoverInputs["by"]) => void;
}

interface Props {
  cover: CoverInputs;
  /** Thicknesses that the slider offers. */
  thickness: [number, number];
  errors: Record<string, string>;
  onChange: (cover: CoverInputs) => void;
}

/** How far it goes: two of tray, thickness and mass, and the third follows. */
export const CoverFields = memo(function CoverFields(props: Props) {
  const { cover, thickness, errors, onChange } = props;
  const own = useMemo(() => under(errors, "cover"), [errors]);
  // Made once, so that only what changed is drawn anew while something is dragged.
  const latest = useRef(cover);
  latest.current = cover;
  const set = useCallback(
    (patch: object) => onChange({ ...latest.current, ...patch } as CoverInputs),
    [onChange],
  );
  const setBy = useCallback(
    (by: CoverInputs["by"]) => onChange(restated(latest.current, by)),
    [onChange],
  );
  const setTray = useCallback((tray: TrayInputs) => set({ tray }), [set]);
  const setThickness = useCallback((thickness_mm: number) => set({ thickness_mm }), [set]);
  return (
    <Stack gap="4">
      <Known by={cover.by} onBy={setBy} />
      {"tray" in cover && <TrayField tray={cover.tray} errors={own} onChange={setTray} />}
      {"in_hand_g" in cover && (
        <NumberField
          label="Amount"
          unit="g"
          ingredient="chips"
          value={cover.in_hand_g}
          error={own.in_hand_g}
          onChange={(in_hand_g) => set({ in_hand_g })}
        />
      )}
      {cover.by === "portions" && (
        <PortionFields
          portions={cover.portions}
          errors={own}
          onChange={(portions) => set({ portions })}
        />
      )}
      {"thickness_mm" in cover && (
        <ThicknessField
          value={cover.thickness_mm}
          range={thickness}
          error={own.thickness_mm}
          onChange={setThickness}
        />
      )}
    </Stack>
  );
});

type Portions = Extract<CoverInputs, { by: "portions" }>["portions"];

interface PortionProps {
  portions: Portions;
  errors: Record<string, string>;
  onChange: (portions: Portions) => void;
}

/** So many, of so much each. */
function PortionFields({ portions, errors, onChange }: PortionProps) {
  const field = fieldsOf(
    portions,
    errors,
    (patch) => onChange({ ...portions, ...patch }),
    "portions.",
  );
  return (
    <>
      <SelectField label="Count" choices={counted} {...field("of")} />
      <Pair>
        <CountField {...field("count")} />
        <NumberField label="Weight each" unit="g" {...field("each_g")} />
      </Pair>
    </>
  );
}
