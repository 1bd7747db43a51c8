import { Stack } from "@chakra-ui/react";
import { memo, useCallback, useMemo, useRef } from "react";
import type { CoverInputs, TrayInputs } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { under } from "../edits";
import { ThicknessField } from "../ThicknessField";
import { TrayField } from "../TrayField";
import { CountField } from "./CountField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";

const known: Record<CoverInputs["by"], string> = {
  thickness: "the tray and how thick",
  in_hand: "the tray and what I have",
  spread: "what I have and how thick",
  portions: "how many, and how thick",
};

const usualTray: TrayInputs = { shape: "rectangle", length_mm: 300, width_mm: 200 };

/** The same slab, stated in another way; what both know stays. */
function restated(cover: CoverInputs, by: string): CoverInputs {
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
const Known = memo(function Known({ by, onBy }: { by: string; onBy: (by: string) => void }) {
  return (
    <SelectField
      label="You know"
      value={by}
      choices={Object.entries(known).map(([value, label]) => ({ value, label }))}
      onChange={onBy}
    />
  );
});

const counted = { pieces: "pieces", servings: "servings", bags: "bags" };

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
  const setBy = useCallback((by: string) => onChange(restated(latest.current, by)), [onChange]);
  const setTray = useCallback((tray: TrayInputs) => set({ tray }), [set]);
  const setThickness = useCallback((thickness_mm: number) => set({ thickness_mm }), [set]);
  return (
    <Stack gap="4">
      <Known by={cover.by} onBy={setBy} />
      {"tray" in cover && <TrayField tray={cover.tray} errors={own} onChange={setTray} />}
      {"in_hand_g" in cover && (
        <NumberField
          label="You have"
          unit="g"
          ingredient="chips"
          value={cover.in_hand_g}
          error={own.in_hand_g}
          onChange={(in_hand_g) => set({ in_hand_g })}
        />
      )}
      {cover.by === "portions" && (
        <>
          <SelectField
            label="Counted in"
            value={cover.portions.of}
            choices={Object.entries(counted).map(([value, label]) => ({ value, label }))}
            onChange={(of) => set({ portions: { ...cover.portions, of } })}
          />
          <Pair>
            <CountField
              value={cover.portions.count}
              error={own["portions.count"]}
              onChange={(count) => set({ portions: { ...cover.portions, count: count } })}
            />
            <NumberField
              label="Each weighs"
              unit="g"
              value={cover.portions.each_g}
              error={own["portions.each_g"]}
              onChange={(each_g) => set({ portions: { ...cover.portions, each_g } })}
            />
          </Pair>
        </>
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
