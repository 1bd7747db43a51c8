import type { AdviceAnswer, BowlAnswer } from "../api/client";
import { mass } from "../kit/format";
import type { Deed } from "./useBench";

/** What this method puts into the bowl, or out of it, next. */
export interface Adding {
  kind: "seed_added" | "crystals_added" | "on_stone";
  /** How much: as advised, or else as planned. */
  grams: number | null;
  /** What is written on the button. */
  label: string;
  /** What another amount is an amount of. */
  of: string;
}

type Subject = Pick<BowlAnswer, "advice" | "additions" | "method"> & {
  /** Ready crystals still to go in. */
  crystals_g: number | null;
};

const words = {
  seed_added: { of: "seed", done: "added" },
  crystals_added: { of: "crystals", done: "in" },
  on_stone: { of: "part", done: "on the stone" },
} as const;

function adding(kind: Adding["kind"], g: number | null): Adding {
  const { of, done } = words[kind];
  const what = kind === "on_stone" ? "" : `${of[0]?.toUpperCase()}${of.slice(1)} `;
  const label = g === null ? `${what}${done}` : `${what}${mass(g)} ${done}`;
  return { kind, grams: g, label: label[0]?.toUpperCase() + label.slice(1), of };
}

/** What the coach advises to put in or pour out, if it does. */
export function advisedAdding(advice: AdviceAnswer): (Adding & { grams: number }) | null {
  const { crystals_g, pour_out_g, seed_g } = advice;
  if (crystals_g != null) return { ...adding("crystals_added", crystals_g), grams: crystals_g };
  if (pour_out_g != null) return { ...adding("on_stone", pour_out_g), grams: pour_out_g };
  if (seed_g != null) return { ...adding("seed_added", seed_g), grams: seed_g };
  return null;
}

/** What the coach advises goes first; then what the plan still has. */
export function nextAdding({ advice, additions, method, crystals_g }: Subject): Adding | null {
  const advised = advisedAdding(advice);
  if (advised) return advised;
  if (method === "ready_crystals" && crystals_g) return adding("crystals_added", crystals_g);
  if (method === "slab") return adding("on_stone", null);
  const next = additions.find((a) => !a.done);
  if (next) return adding("seed_added", next.planned_g);
  return additions.length > 0 ? adding("seed_added", null) : null;
}

export function deedOf({ kind }: Adding, g: number): Deed {
  return { kind, grams: Math.round(g * 10) / 10 };
}
