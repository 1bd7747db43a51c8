import type { QueryClient } from "@tanstack/react-query";
import { keys as allKeys, clear, createStore, del, get, set } from "idb-keyval";
import { api, type Plan, type PlanInputs } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";

/*
 * What was changed of plans while the server was away: kept until it is saved, also where the page is
 * left or closed meanwhile. A plan that is open saves its own; the others are saved from here.
 */

/** What is saved of a plan, whole. */
export interface Text {
  name: string;
  note: string;
  inputs: PlanInputs;
}

interface Unsaved {
  /** The version that was changed: what others changed since is put together with it. */
  from: number;
  text: Text;
}

const store = createStore("wide-sheen-unsaved", "plans");
const TRY_AGAIN_MS = 2_000;
/** Whoever saves a plan's changes holds this: its page as long as it is open, in whichever tab. */
const lockOf = (id: string) => `wide-sheen.unsaved.${id}`;
/** What is to be settled on its page: it was refused, or somebody changed the same to something else. */
const forThePage = new Set<string>();
let timer: ReturnType<typeof setTimeout> | undefined;
let saveOthers = async () => {};

/** Keeps what could not be saved; a device that keeps nothing has it on its page alone. */
export async function keepUnsaved(id: string, unsaved: Unsaved): Promise<void> {
  await set(id, unsaved, store).catch(() => {});
}

/** It is saved. */
export async function isSaved(id: string): Promise<void> {
  await del(id, store).catch(() => {});
}

/** What was left unsaved of a plan whose page is opened, which saves it from now on until it is left. */
export function takeUp(id: string) {
  let release = () => {};
  const over = new Promise<void>((resolve) => {
    release = resolve;
  });
  let gone: Promise<unknown> = Promise.resolve();
  const left = new Promise<Unsaved | undefined>((found) => {
    const hold = async () => {
      forThePage.delete(id);
      found(await get<Unsaved>(id, store).catch(() => undefined));
      await over;
    };
    // One plan may be open in several tabs.
    gone = navigator.locks
      .request(lockOf(id), { mode: "shared" }, hold)
      .catch(() => found(undefined));
  });
  const leave = () => {
    release();
    void gone.then(() => saveOthers());
  };
  return { left, leave };
}

/** Forgets all of it: this device is let in no more. */
export async function forgetUnsaved(): Promise<void> {
  await clear(store).catch(() => {});
}

/** Saves a plan over the version that was changed; whether it is sent even as the page is left. */
export async function savePlan(
  id: string,
  { from, text }: Unsaved,
  keepalive = false,
): Promise<Plan> {
  return accepted<Plan>(
    await api.PUT("/api/v1/plans/{id}", {
      params: { path: { id }, header: { "If-Match": `"${from}"` } },
      body: text,
      keepalive,
    }),
  );
}

/** Saves what earlier pages left unsaved, now and whenever the server is back. */
export function saveWhatWasLeft(queries: QueryClient): void {
  /** Whether the server was there. */
  const saveOne = async (id: string): Promise<boolean> => {
    const unsaved = await get<Unsaved>(id, store);
    if (!unsaved) return true;
    try {
      const saved = await savePlan(id, unsaved);
      await isSaved(id);
      queries.setQueryData(keys.plan(id), saved);
      await queries.invalidateQueries({ queryKey: keys.lists });
    } catch (error) {
      if (!(error instanceof Refusal) || error.passes) return false;
      forThePage.add(id);
    }
    return true;
  };
  const all = async () => {
    clearTimeout(timer);
    for (const id of await allKeys<string>(store).catch(() => [])) {
      if (forThePage.has(id)) continue;
      const isThere = await navigator.locks.request(
        lockOf(id),
        { ifAvailable: true },
        async (lock) => lock === null || (await saveOne(id)),
      );
      if (isThere) continue;
      timer = setTimeout(saveOthers, TRY_AGAIN_MS);
      return;
    }
  };
  // Of several tabs one at a time.
  saveOthers = async () => {
    await navigator.locks.request("wide-sheen.unsaved", all).catch(() => {});
  };
  window.addEventListener("online", () => void saveOthers());
  void saveOthers();
}
