import type { WholePlan } from "../api/client";
import { about } from "../kit/format";

type Takes = NonNullable<WholePlan["takes"]>;

/** How long a plan takes, in words: from the first touch to the last, and by hand. */
export function takesWords({ over_s, hands_s, sittings }: Takes): { whole: string; hands: string } {
  const hands = `${about(hands_s)} by hand`;
  return {
    whole: `Takes ${about(over_s)}`,
    hands: sittings > 1 ? `${hands}, in ${sittings} sittings` : hands,
  };
}
