import { createStore, del, entries, set } from "idb-keyval";
import { useCallback, useMemo, useSyncExternalStore } from "react";
import type { Source } from "../api/client";
import { Refusal } from "../api/refusal";
import { type Entry, isKnown, type Said, send } from "./entry";

const TRY_AGAIN_MS = 1_500;
/** What was waiting in the browser's older storage begins so. */
const BEFORE = "wide-sheen.outbox.";

type Kept = [key: string, entry: Entry];

/** What a thermometer sent and was refused: how often, and why, where the latest was. */
export interface TurnedDown {
  times: number;
  refusal: Refusal | undefined;
}

/** What is told of the outbox on screen. */
interface Told {
  /** What waits, in the order in which it was entered. */
  waiting: readonly Entry[];
  failing: boolean;
  /** What was refused of what the maker entered, by bowl. */
  refusals: ReadonlyMap<string, Refusal>;
  /** What was refused of what thermometers sent by themselves, by bowl and source. */
  turnedDown: ReadonlyMap<string, TurnedDown>;
}

const store = createStore("wide-sheen-outbox", "entries");
/** Other tabs hear of what came and went. */
const channel = new BroadcastChannel("wide-sheen.outbox");
/** What the browser would not keep: it still goes out from here. */
const unkept = new Map<string, Entry>();
const listeners = new Set<() => void>();
let told: Told = { waiting: [], failing: false, refusals: new Map(), turnedDown: new Map() };
let count = 0;
let running = false;
let again = false;
let timer: ReturnType<typeof setTimeout> | undefined;

function tell(news: Partial<Told>): void {
  told = { ...told, ...news };
  for (const listener of listeners) listener();
}

/** A key of its own for each entry, in the order in which they were entered. */
function nextKey(): string {
  count += 1;
  const parts = [String(Date.now()).padStart(15, "0"), String(count).padStart(6, "0")];
  return [...parts, crypto.randomUUID()].join("-");
}

/** Everything that waits, the first first; read anew each time, never from a list of before. */
async function all(): Promise<Kept[]> {
  const kept = await entries<string, Entry>(store).catch(() => []);
  return [...kept, ...unkept].sort(([a], [b]) => (a < b ? -1 : 1));
}

async function refresh(): Promise<void> {
  tell({ waiting: (await all()).map(([, entry]) => entry) });
}

async function changed(): Promise<void> {
  await refresh();
  channel.postMessage({ failing: told.failing });
}

async function drop(key: string): Promise<void> {
  unkept.delete(key);
  await del(key, store).catch(() => {});
  await changed();
}

/** A thermometer, by where in which bowl it stands. */
const senderAt = (bowlId: string, source: Source) => `${bowlId} ${source}`;

/** Whose it is, where a thermometer sent it by itself. */
function senderOf(bowlId: string, said: Said): string | null {
  const sent = said.kind === "reading" && said.body.source !== "hand";
  return sent ? senderAt(bowlId, said.body.source) : null;
}

function isRefused(entry: Entry, refusal: Refusal): void {
  const sender = senderOf(entry.bowlId, entry);
  if (sender === null) {
    tell({ refusals: new Map(told.refusals).set(entry.bowlId, refusal) });
  } else {
    const times = (told.turnedDown.get(sender)?.times ?? 0) + 1;
    tell({ turnedDown: new Map(told.turnedDown).set(sender, { times, refusal }) });
  }
}

/** What is kept once more says that what was refused before is over. */
function isKept(entry: Entry): void {
  const sender = senderOf(entry.bowlId, entry);
  const before = sender === null ? undefined : told.turnedDown.get(sender);
  if (sender === null || !before?.refusal) return;
  const over = { ...before, refusal: undefined };
  tell({ turnedDown: new Map(told.turnedDown).set(sender, over) });
}

/** Sends what waits, in order; a bowl that the server fails at keeps no other bowl waiting. */
async function sendAll(): Promise<void> {
  const stuck = new Set<string>();
  for (;;) {
    const next = (await all()).find(([, entry]) => isKnown(entry) && !stuck.has(entry.bowlId));
    if (!next) break;
    const [key, entry] = next;
    try {
      await send(entry);
      tell({ failing: false });
      isKept(entry);
      await drop(key);
    } catch (error) {
      if (error instanceof Refusal && !error.passes) {
        tell({ failing: false });
        isRefused(entry, error);
        await drop(key);
      } else {
        stuck.add(entry.bowlId);
        tell({ failing: true });
        channel.postMessage({ failing: true });
        // Without an answer none of the others would get one.
        if (!(error instanceof Refusal)) break;
      }
    }
  }
  if (stuck.size > 0) timer = setTimeout(flush, TRY_AGAIN_MS);
}

/** Sends what waits. Of several tabs one does, whichever page is open in it. */
async function flush(): Promise<void> {
  if (running) {
    again = true;
    return;
  }
  running = true;
  clearTimeout(timer);
  await navigator.locks.request("wide-sheen.outbox", sendAll).catch(() => {});
  running = false;
  if (again) {
    again = false;
    await flush();
  }
}

async function put(entry: Entry): Promise<void> {
  const key = nextKey();
  unkept.set(key, entry);
  try {
    await set(key, entry, store);
    unkept.delete(key);
  } catch {
    // It still goes out from memory; only a reload while offline would lose it.
  }
  await changed();
  await flush();
}

/** Takes over what an earlier release left waiting; it goes from there only once it is here. */
async function takeOver(): Promise<void> {
  for (const name of Object.keys(localStorage).filter((key) => key.startsWith(BEFORE))) {
    const bowlId = name.slice(BEFORE.length);
    let left: Said[];
    try {
      left = JSON.parse(localStorage.getItem(name) ?? "[]") as Said[];
    } catch {
      // What is no list of entries was none of ours.
      localStorage.removeItem(name);
      continue;
    }
    try {
      // Each has its own id: taken over twice, it is kept once.
      for (const said of left) await set(nextKey(), { ...said, bowlId }, store);
      localStorage.removeItem(name);
    } catch {
      // It stays where it is, for the next time.
    }
  }
}

/** Sends what was entered before, and whatever comes, for as long as a page is open. */
export function openOutbox(): void {
  channel.addEventListener("message", ({ data }) => {
    tell({ failing: Boolean(data?.failing) });
    void refresh();
  });
  window.addEventListener("online", flush);
  void takeOver().then(refresh).then(flush);
}

/** Enters something of a bowl; what was refused of it before is done with. */
export async function enter(bowlId: string, said: Said): Promise<void> {
  // What a thermometer sends meanwhile takes nothing off the screen that is still to be read.
  if (senderOf(bowlId, said) === null) {
    const refusals = new Map(told.refusals);
    refusals.delete(bowlId);
    tell({ refusals });
  }
  await put({ ...said, bowlId });
}

/** What is told of the outbox now. */
export function outboxNow(): Told {
  return told;
}

export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/**
 * What was entered of a bowl and is not on the server yet. Entries go out in order, each
 * with its own id, so that one that was sent twice is kept once; they outlive a
 * lost connection and a reload. A refused entry is taken out and told.
 */
export function useOutbox(bowlId: string) {
  const { waiting, failing, refusals } = useWholeOutbox();
  const put = useCallback((said: Said) => void enter(bowlId, said), [bowlId]);
  return {
    waiting: waiting.filter((entry) => entry.bowlId === bowlId).length,
    failing,
    refusal: refusals.get(bowlId),
    put,
  };
}

/** The whole outbox as it is now. */
export function useWholeOutbox() {
  return useSyncExternalStore(subscribe, outboxNow);
}

/** What a thermometer sent of a bowl and was refused. */
export function useTurnedDown(bowlId: string, source: Source): TurnedDown | undefined {
  const { turnedDown } = useWholeOutbox();
  return turnedDown.get(senderAt(bowlId, source));
}

/** The steps of a batch that were ticked off here and are not on the server yet. */
export function useKeptSteps(batchId: string): ReadonlySet<string> {
  const { waiting } = useWholeOutbox();
  return useMemo(() => {
    const kept = new Set<string>();
    for (const entry of waiting) {
      if (entry.bowlId !== batchId || entry.kind !== "event") continue;
      if (entry.body.kind === "done") kept.add(entry.body.step);
    }
    return kept;
  }, [waiting, batchId]);
}
