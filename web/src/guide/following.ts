import type { Guide, Message } from "../api/client";

type Steps = Pick<Guide, "now" | "progress">;

/** What comes after what is done now, in the order of work: lines of steps one after the other. */
export function following({ now, progress }: Steps): { next: Message | null; later: Message[] } {
  const open = progress.flatMap(({ steps, next }) => {
    const from = next == null ? steps.length : steps.findIndex(({ key }) => key === next);
    return steps.slice(from);
  });
  const at = open.findIndex(({ key }) => key === now?.step);
  const [next = null, ...later] = open.slice(at + 1).map(({ text }) => text);
  return { next, later };
}
