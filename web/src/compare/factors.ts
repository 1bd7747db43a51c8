import type { ComparedBowl, Factor } from "../api/client";
import { degreeUnit, shownDegrees, shownTemp } from "../kit/display";
import { figure } from "../kit/format";

type Moments = ComparedBowl["moments"];

/** What curves can be laid over each other by. */
export const moments: Record<keyof Moments, string> = {
  off_heat: "Off the heat",
  in_range: "Into the range",
  poured: "The pour",
};

/** One letter each: they tell the bowls apart where their colours do not. */
export const letters = ["A", "B", "C", "D"] as const;
export const strokes = ["", "8 5", "2 4", "12 4 2 4"] as const;
const names = ["ink", "heat", "work", "cool"] as const;
export const colours = names.map((name) => `var(--chakra-colors-${name})`);

/** A difference of temperatures, to the tenth. */
export const degrees = (c: number) =>
  `${figure(Math.round(shownDegrees(c) * 10) / 10).replace("-", "−")} ${degreeUnit}`;

/** A factor's value as it is said. */
export function said(factor: Factor, value: number | null | undefined): string {
  if (value == null) return "not noted";
  switch (factor) {
    case "poured":
      return `${value > 0 ? "+" : ""}${degrees(value)}`;
    case "peak":
      return degrees(value);
    case "room":
      return `${figure(Math.round(shownTemp(value) * 10) / 10)} ${degreeUnit}`;
    case "test":
      return value >= 0.5 ? "yes" : "no";
    case "seed":
      return `${figure(Math.round(value * 100))} %`;
    case "stir_gap":
      return `${figure(Math.round(value))} s`;
    case "worked":
      return `${figure(Math.round(value))} min`;
    case "humidity":
      return `${figure(Math.round(value))} %`;
  }
}
