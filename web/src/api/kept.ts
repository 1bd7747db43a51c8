import {
  type DehydratedState,
  dehydrate,
  hydrate,
  type QueryClient,
  type QueryKey,
} from "@tanstack/react-query";
import { createStore, del, get, set } from "idb-keyval";

/*
 * What the server answered last, kept on a device of the home network, so that its pages show it
 * while the server is away. On loopback there is nothing to keep: there the screen is the server's.
 */

const store = createStore("wide-sheen-kept", "answers");
const NAME = "answers";
/** Kept for so long. */
const WORTH_MS = 7 * 86_400_000;
/** So many answers, the latest of them. */
const MOST = 300;
/** Written down soon after something was answered, and this often at most: a page may be left at any time. */
const WRITE_SOON_MS = 600;
const WRITE_EVERY_MS = 3_000;
/** What is arithmetic, or says who is let in, is asked for anew. */
const NOT_KEPT = new Set(["balance", "archive", "pairing", "sharing", "devices"]);

export const IS_ON_A_DEVICE = location.protocol === "https:";

interface Kept {
  /** Of which release: another one may read answers otherwise. */
  release: string;
  at: number;
  state: DehydratedState;
}

function isKept(key: QueryKey): boolean {
  return !NOT_KEPT.has(String(key[0]));
}

/** Brings back what was kept, before anything is asked for. */
export async function bringBack(queries: QueryClient, release: string): Promise<void> {
  if (!IS_ON_A_DEVICE) return;
  const kept = await get<Kept>(NAME, store).catch(() => undefined);
  if (kept?.release !== release || Date.now() - kept.at > WORTH_MS) return;
  hydrate(queries, kept.state);
  // However lasting an answer is, it is asked for again where the server is there.
  await queries.invalidateQueries({ refetchType: "none" });
}

/** Keeps what is answered from now on. */
export function keepAnswers(queries: QueryClient, release: string): void {
  if (!IS_ON_A_DEVICE) return;
  let waits = false;
  let written = Number.NEGATIVE_INFINITY;
  const write = () => {
    waits = false;
    written = performance.now();
    const latest = queries
      .getQueryCache()
      .getAll()
      .filter(({ queryKey, state }) => isKept(queryKey) && state.data !== undefined)
      .toSorted((a, b) => b.state.dataUpdatedAt - a.state.dataUpdatedAt)
      .slice(0, MOST);
    const among = new Set(latest.map(({ queryHash }) => queryHash));
    const state = dehydrate(queries, {
      // What was answered once stays worth showing when asking again fails.
      shouldDehydrateQuery: ({ queryHash }) => among.has(queryHash),
      shouldDehydrateMutation: () => false,
    });
    const kept: Kept = { release, at: Date.now(), state };
    // A device that keeps nothing shows nothing while the server is away.
    void set(NAME, kept, store).catch(() => {});
  };
  // What is left is left as it was.
  window.addEventListener("pagehide", write);
  queries.getQueryCache().subscribe(() => {
    if (waits) return;
    waits = true;
    setTimeout(write, Math.max(WRITE_SOON_MS, written + WRITE_EVERY_MS - performance.now()));
  });
}

/** Forgets all of it: this device is let in no more. */
export async function forgetAnswers(): Promise<void> {
  await del(NAME, store).catch(() => {});
}
