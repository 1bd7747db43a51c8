import type { Looks, Symptom } from "../api/client";

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
