import type { Batch } from "../api/client";

/** A batch's bowls as they came to the bench: the first stays the first when others come. */
export function asOpened(bowls: Batch["bowls"]): Batch["bowls"] {
  return bowls.toSorted((a, b) => a.opened_at.localeCompare(b.opened_at));
}
