import { Stack } from "@chakra-ui/react";
import { memo, useCallback } from "react";
import type { BowlInputs, BowlPlan, Family, PigmentChoice } from "../api/client";
import { useMethods } from "../api/queries";
import { LooksField } from "../chocolate/LooksField";
import { RecipeFields } from "../chocolate/RecipeFields";
import { Fold } from "../kit/Fold";
import { mass } from "../kit/format";
import { UnitField } from "../kit/UnitField";
import { chocolateColours } from "../theme/chocolate";
import { CalledField } from "./CalledField";
import { ChocolateField } from "./ChocolateField";
import { FatFields } from "./FatFields";
import { KitFields } from "./KitFields";
import { TintFields } from "./TintFields";

interface Props {
  bowl: BowlInputs;
  /** The plan's own numbers, shown where the maker gave none; none without a plan. */
  windows: BowlPlan["windows"] | undefined;
  usualMelt_c: number;
  usualTarget_c: number;
  room_c: number;
  /** The batch's colours. */
  colours: readonly string[];
  errors: Record<string, string>;
  /** What it is called. */
  name: string;
  onChange: (patch: Partial<BowlInputs>) => void;
  /** Adds a colour to the plan, and puts its key where the patch says. */
  onAddColour: (pigment: PigmentChoice, patch: (key: string) => Partial<BowlInputs>) => void;
}

/** A chocolate, and what it is melted in and by. */
export const ChocolateInputs = memo(function ChocolateInputs(props: Props) {
  const { bowl, windows, room_c, errors, onChange } = props;
  const methods = useMethods().data;
  const { method } = bowl;
  // A method that does not suit the new family gives way to the recommended one.
  const setChocolate = useCallback(
    (chocolate: Partial<BowlInputs> & { family: Family }) => {
      const suits = methods?.find((m) => m.key === method)?.suits;
      const kept = suits === undefined || suits.some((s) => s.family === chocolate.family);
      onChange(kept ? chocolate : { ...chocolate, method: null });
    },
    [methods, method, onChange],
  );
  return (
    <Fold
      title={bowl.colour ? "The colour" : "The chocolate"}
      value={`${props.name}, ${bowl.total_g == null ? "as much as it takes" : mass(bowl.total_g)}`}
      faulty={Object.keys(errors).some(
        (field) => field !== "method" && field !== "stone_c" && field !== "crystals_pct",
      )}
    >
      <Stack gap="4">
        {bowl.colour ? (
          <RecipeFields
            recipe={bowl.colour}
            errors={errors}
            field="colour"
            onChange={(colour) => onChange({ colour })}
          />
        ) : (
          <ChocolateField
            family={bowl.family}
            blend={bowl.blend}
            chocolate_id={bowl.chocolate_id}
            errors={errors}
            onChange={setChocolate}
          />
        )}
        <CalledField bowl={bowl} errors={errors} onChange={onChange} />
        {bowl.family === "coating" && !bowl.chocolate_id && (
          <LooksField
            looks={bowl.looks}
            usual={chocolateColours.coating.body}
            error={errors.looks}
            onChange={(looks) => onChange({ looks })}
          />
        )}
        {!bowl.colour && <FatFields added={bowl.fat_added} errors={errors} onChange={onChange} />}
        <TintFields
          tint={bowl.tint}
          into={bowl.colour ? "colour" : "chocolate"}
          colours={props.colours.filter((key) => key !== bowl.key)}
          errors={errors}
          onChange={onChange}
          onAddColour={props.onAddColour}
        />
        <UnitField
          label={bowl.colour ? "Amount" : "Weigh out"}
          unit="g"
          ingredient="chips"
          optional="as much as it takes"
          value={bowl.total_g}
          error={errors.total_g}
          onChange={(total_g) => onChange({ total_g })}
        />
        {windows && (
          <KitFields
            bowl={bowl.bowl}
            ware_id={bowl.ware_id}
            heat_id={bowl.heat_id}
            thermometer_id={bowl.thermometer_id}
            microwave={bowl.microwave}
            own={bowl.own}
            melt_to_c={bowl.melt_to_c}
            target_c={bowl.target_c}
            seed_c={bowl.seed_c}
            room_c={room_c}
            cooling_min={bowl.cooling_min}
            windows={windows}
            usualMelt_c={props.usualMelt_c}
            usualTarget_c={props.usualTarget_c}
            errors={errors}
            onChange={onChange}
          />
        )}
      </Stack>
    </Fold>
  );
});
