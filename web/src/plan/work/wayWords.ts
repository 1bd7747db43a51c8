import type { Way } from "../../api/client";

export const wayWords: Record<Way, string> = {
  brush: "brushed",
  finger: "swiped with a finger",
  fleck: "flecked",
  spray: "sprayed",
  sheet: "painted on the sheet",
};
