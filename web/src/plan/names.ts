import type { BowlInputs, PlannedBowl } from "../api/client";
import type { Shelf } from "../api/queries";
import { kindWords } from "../theme/chocolate";

/** Whether a bowl is a colour: made here, or a part of one. */
export function isColour(bowl: BowlInputs, bowls: readonly BowlInputs[]): boolean {
  const whole = bowls.find(({ key }) => key === bowl.taken_from) ?? bowl;
  return whole.colour != null;
}

/**
 * What each chocolate of a batch is called: as the plan calls it. One that was just added is not
 * worked out yet: until then by its own name, as on the shelf, or by its kind.
 */
export function bowlNames(
  bowls: readonly BowlInputs[],
  planned: readonly PlannedBowl[],
  shelf: Shelf | undefined,
): Map<string, string> {
  const named = (bowl: BowlInputs) => {
    const known = planned.find(({ key }) => key === bowl.key);
    if (known) return known.label;
    if (bowl.name) return bowl.name;
    if (bowl.colour || bowl.taken_from) return bowl.key;
    const saved = shelf?.chocolates.find(({ id }) => id === bowl.chocolate_id);
    return saved?.thing.name ?? kindWords(bowl).toLowerCase();
  };
  return new Map(bowls.map((bowl) => [bowl.key, named(bowl)]));
}
