import type { QueryClient } from "@tanstack/react-query";
import { clear, createStore, del, entries, get, set } from "idb-keyval";
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
/** The plans whose page is open here. */
const open = new Set<string>();
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

/** A plan's page is open: what was left unsaved of it, which the page saves from now on. */
export async function takeUp(id: string): Promise<Unsaved | undefined> {
  open.add(id);
  forThePage.delete(id);
  return await get<Unsaved>(id, store).catch(() => undefined);
}

/** It is left. */
export function leave(id: string): void {
  open.delete(id);
  void saveOthers();
}

/** Forgets all of it: this device is let in no more. */
export async function forgetUnsaved(): Promise<void> {
  await clear(store).catch(() => {});
}

async function save(id: string, { from, text }: Unsaved): Promise<Plan> {
  return accepted<Plan>(
    await api.PUT("/api/v1/plans/{id}", {
      params: { path: { id }, header: { "If-Match": `"${from}"` } },
      body: text,
    }),
  );
}

/** Saves what earlier pages left unsaved, now and whenever the server is back. */
export function saveWhatWasLeft(queries: QueryClient): void {
  const all = async () => {
    clearTimeout(timer);
    const left = await entries<string, Unsaved>(store).catch(() => []);
    for (const [id, unsaved] of left) {
      if (open.has(id) || forThePage.has(id)) continue;
      try {
        const saved = await save(id, unsaved);
        if (open.has(id)) continue;
        await isSaved(id);
        queries.setQueryData(keys.plan(id), saved);
        await queries.invalidateQueries({ queryKey: keys.lists });
      } catch (error) {
        if (error instanceof Refusal && error.status < 500 && error.status !== 401) {
          forThePage.add(id);
          continue;
        }
        timer = setTimeout(saveOthers, TRY_AGAIN_MS);
        return;
      }
    }
  };
  // Of several tabs one at a time.
  saveOthers = async () => {
    await navigator.locks.request("wide-sheen.unsaved", all).catch(() => {});
  };
  window.addEventListener("online", () => void saveOthers());
  void saveOthers();
}
