import { memo, useMemo } from "react";
import type { FaceTexture, Lining, ToppingInputs } from "../../api/client";
import { Fold } from "../../kit/Fold";
import { SelectField } from "../../kit/SelectField";
import { ToppingFields } from "../goods/ToppingFields";
import { LiningField, liningWords } from "./LiningField";
import { PieceField } from "./PieceField";

/** What a face is drawn with, in words. */
const textures: Record<FaceTexture | "", string> = {
  "": "smooth",
  fork: "waves with a fork",
  comb: "lines with a comb",
  bubble_sheet: "dimples of a bubble sheet",
};

interface Finish {
  toppings?: ToppingInputs[];
  lining?: Lining;
  piece_cm2?: number | null;
  texture?: FaceTexture | null;
}

interface Props {
  toppings: Finish["toppings"];
  lining: Lining | undefined;
  piece_cm2: Finish["piece_cm2"];
  texture: Finish["texture"];
  errors: Record<string, string>;
  onChange: (patch: Finish) => void;
}

/** What goes on top, what it lies on, and how large the pieces are to be. */
export const FinishFields = memo(function FinishFields(props: Props) {
  const { toppings, lining, piece_cm2, texture, errors, onChange } = props;
  // Made once, so that only what changed is drawn anew.
  const set = useMemo(
    () => ({
      toppings: (next: ToppingInputs[]) => onChange({ toppings: next }),
      lining: (next: Lining) => onChange({ lining: next }),
      piece_cm2: (next: number | null) => onChange({ piece_cm2: next }),
      texture: (next: FaceTexture | "") => onChange({ texture: next || null }),
    }),
    [onChange],
  );
  return (
    <>
      <ToppingFields toppings={toppings} errors={errors} onChange={set.toppings} />
      <Fold
        inner
        title="Surface and pieces"
        value={`${liningWords[lining ?? "parchment"].replace(/:.*/, "")}, ${
          piece_cm2 == null ? "pieces as they break" : `pieces of ${piece_cm2} cm²`
        }`}
        faulty={errors.piece_cm2 !== undefined || errors.texture !== undefined}
      >
        <LiningField value={lining} onChange={set.lining} />
        <SelectField
          label="Face"
          value={texture ?? ""}
          choices={textures}
          error={errors.texture}
          onChange={set.texture}
        />
        <PieceField value={piece_cm2} error={errors.piece_cm2} onChange={set.piece_cm2} />
      </Fold>
    </>
  );
});
