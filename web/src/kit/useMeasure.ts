import { useEffect, useRef, useState } from "react";
import { api, type Ingredient } from "../api/client";
import { accepted, Refusal } from "../api/refusal";
import { unitOf } from "./display";

/** Units that the server turns other measures into. */
const turned = {
  mm: "mm",
  g: "g",
  oz: "oz",
  kg: "kg",
  "°C": "degC",
  "°F": "degF",
  ml: "ml",
} as const;

function known(unit: string) {
  return unit in turned ? turned[unit as keyof typeof turned] : undefined;
}

/** How long after the last key it is asked. */
const ASK_AFTER_MS = 250;

interface Understood {
  /** The text that it is about. */
  of?: string;
  /** In words, where it was understood: "= 266.7 mm". */
  words?: string | undefined;
  /** What would be right, where it was not. */
  error?: string | undefined;
}

/**
 * A measure as people type it ("10 1/2 in", "¼ cup") turned into the field's own unit by
 * the server; `shown` is the unit as it is shown. `text` is undefined where it is a plain
 * number.
 */
export function useMeasure(
  text: string | undefined,
  [unit, shown]: [string, string],
  ingredient: Ingredient | null,
  onValue: (value: number) => void,
): Understood {
  const [understood, setUnderstood] = useState<Understood>({});
  const given = useRef(onValue);
  given.current = onValue;
  // What has no unit of its own has the one that is shown.
  const [to, from] = [known(unit), known(shown)];
  useEffect(() => {
    if (text === undefined || to === undefined || !/[\d¼½¾⅓⅔⅛]/.test(text)) return;
    let left = false;
    const timer = setTimeout(async () => {
      try {
        const body = { text, to, from: from ?? to, ingredient };
        const { value, approximate } = accepted<{ value: number; approximate: boolean }>(
          await api.POST("/api/v1/calc/convert", { body }),
        );
        if (left) return;
        const rounded = Math.round(value * 10) / 10;
        const measure = unitOf(unit);
        const words = `${approximate ? "about" : "="} ${measure.shown(rounded)} ${measure.unit}`;
        setUnderstood({ of: text, words });
        given.current(rounded);
      } catch (error) {
        if (left || !(error instanceof Refusal)) return;
        const { fields } = error;
        setUnderstood({ of: text, error: fields.text ?? fields.ingredient ?? fields.to });
      }
    }, ASK_AFTER_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [text, to, from, unit, ingredient]);
  return understood.of === text ? understood : {};
}
