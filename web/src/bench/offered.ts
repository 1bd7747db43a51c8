import type { BowlAnswer } from "../api/client";

/** What can be touched at the bench. */
export type Offer =
  | "stirred"
  | "off_heat"
  | "adding"
  | "asked"
  | "cool_water"
  | "test"
  | "poured"
  | "burst"
  | "until_off"
  | "too_thick"
  | "pad";

/** What a maker may well mean in each phase, the likeliest first. */
const meant: Partial<Record<BowlAnswer["phase"], (Offer | "heat")[]>> = {
  melting: ["asked", "heat", "stirred", "off_heat"],
  cooling: ["asked", "adding", "stirred", "cool_water", "test", "poured"],
  testing: ["asked", "stirred", "test"],
  working: ["asked", "poured", "stirred", "pad", "too_thick", "heat"],
};

/** Beside the field for a reading: six in all. */
const MOST = 5;

/** Splits what there is into what is offered large and what stands behind one touch. */
export function offered(
  phase: BowlAnswer["phase"],
  there: ReadonlySet<Offer>,
  advised: Offer | null,
  byMicrowave: boolean,
): { first: Offer[]; more: Offer[] } {
  const heat: Offer = byMicrowave ? "burst" : "until_off";
  const order = (meant[phase] ?? [])
    .map((offer) => (offer === "heat" ? heat : offer))
    .filter((offer) => there.has(offer));
  const first =
    advised && !order.slice(0, MOST).includes(advised)
      ? [advised, ...order.filter((offer) => offer !== advised)].slice(0, MOST)
      : order.slice(0, MOST);
  return { first, more: [...there].filter((offer) => !first.includes(offer)) };
}
