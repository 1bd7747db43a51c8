import type { BowlPlan } from "../api/client";

/** What is put on the scale, as it shows it; of a batch that was kept without, as it was worked out. */
export function weighedOut({ amounts, to_weigh_g }: BowlPlan): BowlPlan["amounts"]["weighed"] {
  return amounts.weighed ?? { ...amounts, total_g: to_weigh_g };
}
