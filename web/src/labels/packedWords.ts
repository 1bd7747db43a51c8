import type { Packing } from "../api/client";

/** What it is packed into, in words. */
export const packedWords: Record<Packing["of"], { one: string; labelled: boolean }> = {
  boxes: { one: "box", labelled: true },
  bags: { one: "bag", labelled: true },
  servings: { one: "serving", labelled: false },
};
