import type { CountedIn } from "../api/client";
import { mass } from "../kit/format";

/** What things are counted in, in a word. */
export const countedWords: Record<CountedIn, string> = {
  g: "by weight",
  ml: "in millilitres",
  piece: "in pieces",
};

/** The unit of a field in which so many are counted: pieces have none. */
export function fieldUnit(unit: CountedIn): string {
  return unit === "piece" ? "" : unit;
}

/** So much of something, in what it is counted in. */
export function counted(amount: number, unit: CountedIn): string {
  switch (unit) {
    case "g":
      return mass(amount);
    case "ml":
      return `${Math.round(amount)} ml`;
    case "piece":
      return amount === 1 ? "1 piece" : `${Math.round(amount)} pieces`;
  }
}
