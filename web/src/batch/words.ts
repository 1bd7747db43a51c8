import type { BatchLine } from "../api/client";

/** Where a batch stands. */
export const stageWords: Record<BatchLine["stage"], string> = {
  under_way: "Under way",
  made: "Made",
  lost: "Given up",
  closed: "Closed",
};
