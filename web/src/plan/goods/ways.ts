import type { Spooned } from "../../api/client";

/** One way to say how much: what it is called, what it begins with, and its numbers. */
export interface Way<A> {
  words: string;
  start: A;
  numbers: [name: string, label: string, unit: string][];
}

/** All the ways in which an amount can be said. */
export type Ways<A extends { by: string }> = { [B in A["by"]]: Way<Extract<A, { by: B }>> };

/** So much of it. */
export function byWeight(mass_g: number): Way<{ by: "grams"; mass_g: number }> {
  return {
    words: "by weight",
    start: { by: "grams", mass_g },
    numbers: [["mass_g", "Amount of it", "g"]],
  };
}

/** Cups or spoons of it. */
export function bySpoons(
  count: number,
  of: Spooned,
): Way<{ by: "spooned"; count: number; of: Spooned }> {
  return {
    words: "in cups or spoons",
    start: { by: "spooned", count, of },
    numbers: [["count", "Measures", ""]],
  };
}

/** What the others leave of so much in all. */
export function restOf(total_g: number, all: string): Way<{ by: "fill_to"; total_g: number }> {
  return {
    words: "the rest of a total",
    start: { by: "fill_to", total_g },
    numbers: [["total_g", all, "g"]],
  };
}
