import { replaceEqualDeep } from "@tanstack/react-query";
import { useState } from "react";

/**
 * The value of before wherever the new one says the same, so that what is drawn from it
 * is not drawn anew while something else is dragged.
 */
export function useSame<T>(value: T): T {
  const [kept, keep] = useState(value);
  const same = replaceEqualDeep(kept, value);
  if (same !== kept) keep(same);
  return same;
}
