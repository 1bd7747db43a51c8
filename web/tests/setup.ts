import "fake-indexeddb/auto";
import { IDBFactory } from "fake-indexeddb";
import { beforeEach, vi } from "vitest";

/** What a browser has and Node has not, as far as logic uses it. */
class Storage {
  private readonly kept = new Map<string, string>();
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, value: string) => {
    this.kept.set(key, value);
    Object.defineProperty(this, key, { value, enumerable: true, configurable: true });
  };
  removeItem = (key: string) => {
    this.kept.delete(key);
    delete (this as Record<string, unknown>)[key];
  };
}

/** Locks are taken one after another, as the browser has them. */
class Locks {
  private last: Promise<unknown> = Promise.resolve();
  request(_name: string, held: () => Promise<void>): Promise<void> {
    const mine = this.last.then(held);
    this.last = mine.catch(() => {});
    return mine;
  }
}

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal("indexedDB", new IDBFactory());
  vi.stubGlobal("localStorage", new Storage());
  vi.stubGlobal("navigator", { locks: new Locks() });
  vi.stubGlobal("window", new EventTarget());
  vi.stubGlobal("location", { origin: "http://127.0.0.1", reload: () => {} });
});
