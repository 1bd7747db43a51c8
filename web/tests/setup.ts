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

/** A page's relative addresses are its own. */
class RelativeRequest extends Request {
  constructor(url: string, init?: RequestInit) {
    super(new URL(url, "http://127.0.0.1"), init);
  }
}

type Held = (lock: object | null) => unknown;

/** Locks of a name are taken one after another, as the browser has them; shared ones as if alone. */
class Locks {
  private readonly last = new Map<string, Promise<unknown>>();
  request(name: string, how: LockOptions | Held, then?: Held): Promise<unknown> {
    const held = then ?? (how as Held);
    const before = this.last.get(name);
    if (before && (how as LockOptions).ifAvailable) return Promise.resolve(held(null));
    const mine = (before ?? Promise.resolve()).then(() => held({}));
    const settled = mine
      .catch(() => {})
      .finally(() => {
        if (this.last.get(name) === settled) this.last.delete(name);
      });
    this.last.set(name, settled);
    return mine;
  }
}

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal("indexedDB", new IDBFactory());
  vi.stubGlobal("localStorage", new Storage());
  vi.stubGlobal("navigator", { locks: new Locks() });
  vi.stubGlobal("window", new EventTarget());
  vi.stubGlobal("Request", RelativeRequest);
  vi.stubGlobal("location", { origin: "http://127.0.0.1", reload: () => {} });
});
