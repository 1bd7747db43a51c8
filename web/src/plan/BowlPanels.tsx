import { memo } from "react";
import type { BowlInputs, BowlPlan, PigmentChoice } from "../api/client";
import { ChocolateInputs } from "./ChocolateInputs";
import { MethodField } from "./MethodField";
import { PartInputs } from "./PartInputs";

interface Props {
  bowl: BowlInputs;
  /** None where nothing is made from it. */
  plan: BowlPlan | undefined;
  room_c: number;
  /** The batch's colours. */
  colours: readonly string[];
  errors: Record<string, string>;
  /** What it is called. */
  name: string;
  /** What it is a part of, where it is taken from another. */
  takenFrom: string | undefined;
  onChange: (patch: Partial<BowlInputs>) => void;
  /** Adds a colour to the plan, and puts its key where the patch says. */
  onAddColour: (pigment: PigmentChoice, patch: (key: string) => Partial<BowlInputs>) => void;
}

/** A chocolate and how it is tempered. What is dragged elsewhere leaves both as they are. */
export const BowlPanels = memo(function BowlPanels(props: Props) {
  const { bowl, plan, room_c, colours, errors, name, takenFrom, onChange, onAddColour } = props;
  if (bowl.taken_from) {
    return (
      <PartInputs
        into={colours.includes(bowl.key) ? "colour" : "chocolate"}
        {...{ bowl, name, colours, errors, onChange, onAddColour }}
        of={takenFrom}
      />
    );
  }
  return (
    <>
      <ChocolateInputs
        bowl={bowl}
        windows={plan?.windows}
        usualMelt_c={plan?.amounts.melted_c ?? 0}
        usualTarget_c={plan?.amounts.target_c ?? 0}
        room_c={room_c}
        colours={colours}
        errors={errors}
        name={name}
        onChange={onChange}
        onAddColour={onAddColour}
      />
      {plan && (
        <MethodField
          method={bowl.method}
          kitchen={bowl.kitchen}
          stone_c={bowl.stone_c}
          crystals_pct={bowl.crystals_pct}
          room_c={room_c}
          family={plan.windows.family}
          used={plan.method}
          recommended={plan.recommended}
          because={plan.recommended_because}
          errors={errors}
          onChange={onChange}
        />
      )}
    </>
  );
});
