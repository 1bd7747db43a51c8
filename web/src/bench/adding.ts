import type { AdviceAnswer, BowlAnswer } from "../api/client";
import { capitalised } from "../kit/capitalised";
import { mass } from "../kit/format";
import type { BowlAction } from "./useBench";

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

export function addingOf(kind: Adding["kind"], g: number | null): Adding {
  const { of, done } = words[kind];
  const what = kind === "on_stone" ? "" : `${capitalised(of)} `;
  const label = g === null ? `${what}${done}` : `${what}${mass(g)} ${done}`;
  return { kind, grams: g, label: capitalised(label), of };
}

/** What the coach advises to put in or pour out, if it does. */
function advisedAdding({ asks }: AdviceAnswer): Adding | null {
  const kind = asks?.kind;
  return kind === "seed_added" || kind === "crystals_added" || kind === "on_stone"
    ? addingOf(kind, asks?.grams ?? null)
    : null;
}

/** What the coach advises goes first; then what the plan still has. */
export function nextAdding({ advice, additions, method, crystals_g }: Subject): Adding | null {
  const advised = advisedAdding(advice);
  if (advised) return advised;
  if (method === "ready_crystals" && crystals_g) return addingOf("crystals_added", crystals_g);
  if (method === "slab") return addingOf("on_stone", null);
  const next = additions.find((a) => !a.done);
  if (next) return addingOf("seed_added", next.planned_g);
  return additions.length > 0 ? addingOf("seed_added", null) : null;
}

export function actionOf({ kind }: Adding, g: number): BowlAction {
  return { kind, grams: Math.round(g * 10) / 10 };
}
