import { replaceEqualDeep } from "@tanstack/react-query";
import { useRef } from "react";

/**
 * The value of before wherever the new one says the same, so that what is drawn from it
 * is not drawn anew while something else is dragged.
 */
export function useSame<T>(value: T): T {
  const kept = useRef(value);
  kept.current = replaceEqualDeep(kept.current, value);
  return kept.current;
}
