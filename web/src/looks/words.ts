import type { LookAfter, Looks, Result, StoredIn, Symptom, Taste } from "../api/client";
import { capitalised } from "../kit/capitalised";

/** What can be noted, best first. */
export const looks = {
  gloss: { label: "Gloss", words: { glossy: "Glossy", satin: "Satin", dull: "Dull" } },
  snap: { label: "Snap", words: { clean: "Clean", soft: "Soft", bends: "Bends" } },
  released: {
    label: "Release",
    words: { freely: "By itself", in_places: "In places", stuck: "Stuck" },
  },
  streaks: { label: "Streaks", words: { none: "None", some: "Some", many: "Many" } },
} satisfies {
  [K in keyof Looks]: { label: string; words: Record<Looks[K], string> };
};

export type Look = keyof typeof looks;
export const lookNames = Object.keys(looks) as Look[];

export function lookWord(look: Look, value: string): string {
  return (looks[look].words as Record<string, string>)[value] ?? value;
}

/** What else can be seen of it, that tells of a cause. */
export const symptoms: Record<Symptom, string> = {
  dull: "Dull",
  streaks: "Grey streaks",
  fat_bloom: "Fat bloom",
  sugar_bloom: "Sugar bloom",
  soft: "Soft",
  stuck: "Stuck in the mould",
  cracks: "Cracks",
  thin_spots: "Thin spots",
  bubbles: "Bubbles",
  colour_left: "Colour left behind",
  thick_in_bowl: "Thick in the bowl",
  seized: "Seized",
  layers_part: "Layers part",
  toppings_fall: "Toppings fall off",
  muddy: "Muddy colours",
  breaks_on_lifting: "Breaks on lifting",
  grey_layer: "A grey layer",
  burnt: "Burnt",
};
export const symptomNames = Object.keys(symptoms) as Symptom[];

/** The faults that the four looks name already. */
const inLooks: Symptom[] = ["dull", "streaks", "soft", "stuck"];
export const besidesLooks = symptomNames.filter((symptom) => !inLooks.includes(symptom));

export const tastes: Record<Taste, string> = {
  good: "Good",
  flat: "Flat",
  stale: "Stale",
  burnt: "Burnt",
};

export const storedIn: Record<StoredIn, string> = {
  cupboard: "Cupboard",
  cool_room: "Cool room",
  fridge: "Fridge",
  freezer: "Freezer",
  warm: "Warm at times",
};

/** What the two tests of a veil tell. */
export const bloomTold: Record<Result["bloom_told"], string> = {
  not_tested: "",
  fat: "Fat bloom, by the tests",
  sugar: "Sugar bloom, by the tests",
  undecided: "Rubbing and wetting contradict each other: there may be both blooms",
};

/** How long after the pour a look is taken, and what it tells. */
export const afters: Record<LookAfter, { since: string; tells: string }> = {
  hour: { since: "an hour", tells: "how it comes away" },
  day: { since: "a day", tells: "gloss and snap are now what they will be" },
  week: { since: "a week", tells: "bloom begins to show" },
  month: { since: "a month", tells: "how it lasts" },
};

/** So many faults are named in a line. */
const MOST_NAMED = 2;

/** Faults in a row: "cracks, bubbles". */
export function faultsOf(seen: readonly Symptom[]): string {
  return seen.map((symptom) => symptoms[symptom].toLowerCase()).join(", ");
}

/** How something came out, in a few words: its faults, or how well it looks where it has none. */
export function cameOut(looks: Looks | null | undefined, faults: readonly Symptom[]): string {
  const words = faults.length > 0 ? faultsOf(faults.slice(0, MOST_NAMED)) : looks && good(looks);
  if (!words) return "";
  const more = faults.length - MOST_NAMED;
  return `${capitalised(words)}${more > 0 ? ` and ${more} more` : ""}`;
}

function good({ gloss, snap }: Looks): string {
  return `${lookWord("gloss", gloss)}, ${lookWord("snap", snap).toLowerCase()} snap`;
}
