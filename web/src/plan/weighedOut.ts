import type { BowlPlan, WholePlan } from "../api/client";

/** What is put on the scale, as it shows it; of a batch that was kept without, as it was worked out. */
export function weighedOut({ amounts, to_weigh_g }: BowlPlan): BowlPlan["amounts"]["weighed"] {
  return amounts.weighed ?? { ...amounts, total_g: to_weigh_g };
}

/** What all of a plan's bowls take together: colours and chocolates alike, and the seed in it. */
export function weighedInAll(plan: WholePlan): { to_weigh_g: number; seed_g: number } {
  const all = plan.bowls.flatMap(({ plan: of }) => (of ? [weighedOut(of)] : []));
  const sum = (of: (weighed: (typeof all)[number]) => number) =>
    all.reduce((so_far, weighed) => so_far + of(weighed), 0);
  return { to_weigh_g: sum(({ total_g }) => total_g), seed_g: sum(({ seed_g }) => seed_g) };
}
