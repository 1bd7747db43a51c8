import type { AdviceAnswer } from "../api/client";
import { advisedAdding, deedOf } from "./adding";
import type { Deed } from "./useBench";

/** What ends a bowl's time at the bench: colour is put on, not poured. */
export function pouredWords(coloured: boolean): string {
  return coloured ? "All put on" : "Poured";
}

/** The one thing that the coach asks for, as something to be touched; null where it is to wait. */
export function advisedDeed(
  advice: AdviceAnswer,
  onHeat: boolean,
  coloured: boolean,
): { label: string; deed: Deed } | null {
  const adding = advisedAdding(advice);
  if (adding) return { label: adding.label, deed: deedOf(adding, adding.grams) };
  if (onHeat && advice.rule === "stop_before_melt") {
    return { label: "Off the heat", deed: { kind: "off_heat" } };
  }
  switch (advice.rule) {
    case "melted":
    case "limit_passed":
    case "limit_near":
      return { label: "Off the heat", deed: { kind: "off_heat" } };
    case "work_in_colour":
      return { label: "Powder worked in", deed: { kind: "colour_in" } };
    case "strain":
      return { label: "Strained", deed: { kind: "strained" } };
    case "soften":
      return { label: "Warming it", deed: { kind: "heat" } };
    case "work_on_stone":
      return { label: "Back in the bowl", deed: { kind: "off_stone" } };
    case "test_now":
      return { label: "Start the test", deed: { kind: "test_started" } };
    case "pour":
    case "leaving_band":
    case "use_now":
      return { label: pouredWords(coloured), deed: { kind: "poured" } };
    case "stir_after_heat":
    case "stir_in":
    case "stir_down":
    case "stop_before_melt":
    case "stirring_missing":
    case "plateau":
    case "spread":
    case "cool_to_gate":
      return { label: "Stirred", deed: { kind: "stirred" } };
    default:
      return advice.heat_s == null
        ? null
        : {
            label: `Heat ${advice.heat_s} s`,
            deed: { kind: "heat", seconds: advice.heat_s },
          };
  }
}
