import type { NewOutcome } from "../api/client";

/** What can be noted, with the handbook's words, best first. */
export const looks = {
  gloss: { label: "Gloss", words: { glossy: "Glossy", satin: "Satin", dull: "Dull" } },
  snap: { label: "Snap", words: { clean: "Clean", soft: "Soft", bends: "Bends" } },
  released: {
    label: "Release",
    words: { freely: "By itself", in_places: "In places", stuck: "Stuck" },
  },
  streaks: { label: "Streaks", words: { none: "None", some: "Some", many: "Many" } },
} satisfies {
  [K in "gloss" | "snap" | "released" | "streaks"]: {
    label: string;
    words: Record<NewOutcome[K], string>;
  };
};

export type Look = keyof typeof looks;
export const lookNames = Object.keys(looks) as Look[];

export function lookWord(look: Look, value: string): string {
  return (looks[look].words as Record<string, string>)[value] ?? value;
}
