import type { AdviceAnswer } from "../api/client";
import { addingOf } from "./adding";
import type { BowlAction } from "./useBench";

/** What ends a bowl's time at the bench: colour is put on, not poured. */
export function pouredWords(coloured: boolean): string {
  return coloured ? "All put on" : "Poured";
}

/** What is written on the touch that says it is done. */
function doneWords(asks: BowlAction, coloured: boolean): string {
  switch (asks.kind) {
    case "heat":
      return asks.seconds == null ? "Warming it" : `Heat ${asks.seconds} s`;
    case "dryer":
      return `Dryer ${asks.seconds} s`;
    case "in_warm_water":
      return `Warm water ${asks.seconds} s`;
    case "off_pad":
      return "Off the pad";
    case "off_cool_water":
      return "Out of the water";
    case "off_heat":
      return "Off the heat";
    case "stirred":
      return "Stirred";
    case "seed_added":
    case "crystals_added":
    case "on_stone":
      return addingOf(asks.kind, asks.grams ?? null).label;
    case "off_stone":
      return "Back in the bowl";
    case "colour_in":
      return "Powder worked in";
    case "strained":
      return "Strained";
    case "test_started":
      return "Start the test";
    case "poured":
      return pouredWords(coloured);
    default:
      return "Done";
  }
}

/** The one thing that the coach asks for, as something to be touched; null where it is to wait. */
export function advisedDeed(
  { asks }: AdviceAnswer,
  coloured: boolean,
): { label: string; action: BowlAction } | null {
  return asks ? { label: doneWords(asks, coloured), action: asks } : null;
}

/** The burst that is advised, if one is. */
export function advisedBurst({ asks }: AdviceAnswer): number | null {
  return asks?.kind === "heat" ? (asks.seconds ?? null) : null;
}
