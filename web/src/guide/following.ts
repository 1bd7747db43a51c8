import type { Guide, Message } from "../api/client";

type Steps = Pick<Guide, "now" | "progress">;

/** Steps that come, in the order of work: lines of steps one after the other. */
interface Ahead {
  next: Message | null;
  later: Message[];
}

/** What comes after what is done now. */
export function following({ now, progress }: Steps): Ahead {
  const open = progress.flatMap(({ steps, next }) => {
    const from = next == null ? steps.length : steps.findIndex(({ key }) => key === next);
    return steps.slice(from);
  });
  const at = open.findIndex(({ key }) => key === now?.step);
  const [next = null, ...later] = open.slice(at + 1).map(({ text }) => text);
  return { next, later };
}

/** What the guide has for a maker who stands at the bench: the bowl there is its own step, done. */
export function besideTheBench(steps: Steps): Ahead {
  const { next, later } = following(steps);
  if (!steps.now) return { next, later };
  return { next: steps.now.text, later: next ? [next, ...later] : later };
}
