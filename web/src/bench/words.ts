import type { ActionAnswer, BowlAnswer, Seen } from "../api/client";
import { mass } from "../kit/format";

export const phaseWords: Record<BowlAnswer["phase"], string> = {
  melting: "Melting",
  cooling: "Cooling",
  testing: "Testing",
  working: "In temper",
  done: "Poured",
  lost: "Given up",
};

export const finishWords: Record<BowlAnswer["finish"], string> = {
  matt: "matt: no crystals yet",
  satin: "satin: crystals taking hold",
  sheen: "sheen: in temper",
  grain: "grain: setting up in the bowl",
  streaks: "streaks: not in temper",
};

export const seenWords: Record<Seen, string> = {
  sets_from_edge: "Sets from the edge",
  even_satin: "Even satin",
  streaks: "Streaks",
  still_wet: "Still wet",
};

/** Where a bowl stands; what needs no temper is never in temper. */
export function stands({ phase, tested }: Pick<BowlAnswer, "phase" | "tested">): string {
  return phase === "working" && !tested ? "Ready to use" : phaseWords[phase];
}

/** An action, in the maker's words. */
export function told(action: ActionAnswer): string {
  switch (action.kind) {
    case "heat":
      return action.seconds == null ? "On the heat" : `Heat ${action.seconds} s`;
    case "dryer":
      return `Dryer ${action.seconds ?? ""} s`;
    case "in_warm_water":
      return `In warm water ${action.seconds ?? ""} s`;
    case "on_pad":
      return "On the heating pad";
    case "off_pad":
      return "Off the heating pad";
    case "off_heat":
      return "Off the heat";
    case "on_cool_water":
      return "In cool water";
    case "off_cool_water":
      return "Out of the water";
    case "stirred":
      return "Stirred";
    case "seed_added":
      return `Seed ${mass(action.grams ?? 0)}`;
    case "crystals_added":
      return `Crystals ${mass(action.grams ?? 0)}`;
    case "on_stone":
      return `${mass(action.grams ?? 0)} on the stone`;
    case "off_stone":
      return "Back from the stone";
    case "colour_in":
      return "Powder worked in";
    case "strained":
      return "Strained";
    case "too_thick":
      return "Too thick";
    case "test_started":
      return "Test started";
    case "test_seen":
      return action.seen ? seenWords[action.seen] : "Test looked at";
    case "poured":
      return "Poured";
    case "given_up":
      return "Given up";
    case "undone":
      return "Undone";
    case "amount_corrected":
      return `Corrected to ${mass(action.grams ?? 0)}`;
    case "reading_withdrawn":
      return "A reading withdrawn";
  }
}
