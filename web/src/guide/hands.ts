import type { Guide, Me } from "../api/client";

export type ToDo = NonNullable<Guide["now"]>;

/** Whether a step is in the hands of whoever is at this screen, in another's, or in nobody's. */
export function whose(step: ToDo, me: Me | undefined): "mine" | "another" | "nobody" {
  if (!step.in_hand) return "nobody";
  return (step.in_hand.device_id ?? null) === (me?.id ?? null) ? "mine" : "another";
}

/**
 * What this screen shows first: what is in its own hands, then the first that nobody has and that
 * it may do; what else there is, is for other hands.
 */
export function shared(guide: Guide, me: Me | undefined): { now: ToDo | undefined; also: ToDo[] } {
  const all = [...(guide.now ? [guide.now] : []), ...guide.also];
  const mayDo = (step: ToDo) => me?.role !== "helper" || step.for_helper;
  const now =
    all.find((step) => whose(step, me) === "mine") ??
    all.find((step) => whose(step, me) === "nobody" && mayDo(step)) ??
    all[0];
  return { now, also: all.filter((step) => step !== now) };
}
