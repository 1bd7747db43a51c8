/** How it stands with what was changed of a plan. */
export type Saving = "saved" | "saving" | "refused" | "offline" | "not_done" | "merged" | "clash";

export const savingWords: Record<Saving, string> = {
  saved: "Saved",
  saving: "Saving…",
  refused: "Not saved: fix the highlighted fields",
  offline: "No connection: kept here; saved, and the figures worked out, once it is back",
  not_done: "No connection: that was not done. Choose it again once it is back",
  merged: "Saved, with what another screen changed",
  clash: "Not saved: changed on another screen too",
};

const troubles: ReadonlySet<Saving> = new Set(["refused", "offline", "not_done", "clash"]);

/** Whether the server does not have what stands on the screen, or what was chosen. */
export function isTrouble(saving: Saving): boolean {
  return troubles.has(saving);
}
