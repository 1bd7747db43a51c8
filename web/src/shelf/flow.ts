/** How freely a chocolate flows, as bags grade it. */
export const flowWords: Record<number, string> = {
  1: "thick, for chips and bark",
  2: "thickish, for bark",
  3: "medium, for most things",
  4: "thin, for shells",
  5: "very thin, for fine coats",
};
