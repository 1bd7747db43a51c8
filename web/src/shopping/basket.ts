import type { ShoppingList } from "../api/client";
import type { Entry } from "../outbox/entry";
import { isShort, type ShopLine } from "./shops";

/** Something that was ticked off, and how it is taken back. */
export interface Bought {
  line: ShopLine;
  thingId: string;
  /** The move that put it on the shelf; none where the thing itself is new there. */
  moveId: string | null;
}

/** What a line is of: a thing on the shelf, or something by its name. */
export const ofLine = (line: ShopLine) => line.thing_id ?? line.name;

export const sameTick = (a: Bought, b: Bought) => a.thingId === b.thingId && a.moveId === b.moveId;

/** What an entry ticked off. */
function tickOf(entry: Entry): Bought | null {
  const thingId = entry.bowlId;
  if (entry.kind === "bought") return { line: entry.line, thingId, moveId: entry.body.id };
  if (entry.kind === "new_thing") return { line: entry.line, thingId, moveId: null };
  return null;
}

/**
 * A list as it is with what was ticked off or taken back and is not on the server yet.
 *
 * @param ticked what was ticked off on this page before, and is on the server
 * @param waiting what waits, in the order in which it was entered
 */
export function basket(list: ShoppingList, ticked: readonly Bought[], waiting: readonly Entry[]) {
  const now = new Map<string, { line: ShopLine; tick: Bought | null }>();
  for (const entry of waiting) {
    if (entry.kind === "not_bought") now.set(ofLine(entry.line), { line: entry.line, tick: null });
    const tick = tickOf(entry);
    if (tick) now.set(ofLine(tick.line), { line: tick.line, tick });
  }
  const listed = list.lines.filter(isShort);
  const back = [...now.values()].filter(
    ({ line, tick }) => !tick && !listed.some((one) => ofLine(one) === ofLine(line)),
  );
  const short = listed.filter((line) => !now.get(ofLine(line))?.tick);
  const waits = [...now.values()].flatMap(({ tick }) => tick ?? []);
  const sent = ticked.filter((one) => !waits.some((other) => sameTick(one, other)));
  return {
    short: [...short, ...back.map(({ line }) => line)],
    bought: [...sent, ...waits],
    /** How many of what was ticked off or taken back wait. */
    waits: now.size,
  };
}
