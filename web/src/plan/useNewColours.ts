import type { PigmentChoice } from "../api/client";
import { usePigments, useShelf } from "../api/queries";

const SAVED = "shelf ";
const USUAL = "usual ";

interface NewColours {
  /** As a pick offers them, after the colours that are there. */
  choices: { value: string; label: string }[];
  /** The pigment that a choice stands for; none where it is one of another kind. */
  pigmentOf: (chosen: string) => PigmentChoice | undefined;
}

/** The colours that can be added to a plan: with a pigment from the shelf, or a usual one. */
export function useNewColours(): NewColours {
  const saved = useShelf().data?.pigments ?? [];
  const usual = usePigments().data ?? [];
  return {
    choices: [
      ...saved.map(({ id, thing }) => ({
        value: SAVED + id,
        label: `another, with ${thing.name} from your shelf`,
      })),
      ...usual.map(({ name }) => ({
        value: USUAL + name,
        label: `another, with ${name.toLowerCase()}`,
      })),
    ],
    pigmentOf: (chosen) => {
      const of = saved.find(({ id }) => chosen === SAVED + id);
      if (of) {
        const { kind: _, ...pigment } = of.thing;
        return { name: of.thing.name, pigment_id: of.id, pigment };
      }
      const pigment = usual.find(({ name }) => chosen === USUAL + name);
      return pigment && { name: pigment.name, pigment };
    },
  };
}
