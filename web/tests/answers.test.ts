import { describe, expect, test, vi } from "vitest";
// As the service worker takes it in.
import source from "../public/answers.js?raw";

interface Click {
  action: string;
  notification: { data: unknown; close: () => void };
  waitUntil: (work: Promise<void>) => void;
}

/** A service worker with so many pages open, over a server that says this. */
function worker(pages: { url: string }[], status: number | "away") {
  let hear: (click: Click) => void = () => {};
  const open = pages.map((page) => ({ ...page, postMessage: vi.fn(), focus: vi.fn() }));
  const self = {
    addEventListener: (_: string, listener: typeof hear) => {
      hear = listener;
    },
    clients: { matchAll: async () => open, openWindow: vi.fn() },
    registration: { showNotification: vi.fn() },
  };
  const fetch = vi.fn(async () => {
    if (status === "away") throw new TypeError("no connection");
    return { ok: status < 300 };
  });
  new Function("self", "fetch", source)(self, fetch);
  const click = async (action: string, data: unknown) => {
    let work: Promise<void> | undefined;
    const notification = { data, close: vi.fn() };
    hear({ action, notification, waitUntil: (promise) => (work = promise) });
    await work;
    expect(notification.close).toHaveBeenCalled();
  };
  return { self, open, fetch, click };
}

const data = {
  path: "/bench/b",
  answer: { url: "/api/v1/bowls/b/actions", of: "b", body: { id: "x", kind: "off_heat" } },
};

describe("an alarm that is answered where it is shown", () => {
  test("is kept by the page that is open, and sent from there", async () => {
    const { open, fetch, click } = worker([{ url: "https://k/plans" }], 201);
    await click("answer", data);
    expect(open[0]?.postMessage).toHaveBeenCalledWith({ kind: "answer", answer: data.answer });
    expect(fetch).not.toHaveBeenCalled();
  });

  test("is sent from the worker where no page is open, and said where that fails", async () => {
    const well = worker([], 201);
    await well.click("answer", data);
    expect(well.fetch).toHaveBeenCalledWith(
      data.answer.url,
      expect.objectContaining({
        method: "POST",
        body: JSON.stringify(data.answer.body),
      }),
    );
    expect(well.self.registration.showNotification).not.toHaveBeenCalled();
    for (const status of [403, "away"] as const) {
      const ill = worker([], status);
      await ill.click("answer", data);
      expect(ill.self.registration.showNotification).toHaveBeenCalled();
    }
  });

  test("touched elsewhere it leads to its page, the one that is open where there is one", async () => {
    const there = worker([{ url: "https://k/bench/b" }], 201);
    await there.click("", data);
    expect(there.open[0]?.focus).toHaveBeenCalled();
    const away = worker([{ url: "https://k/plans" }], 201);
    await away.click("", data);
    expect(away.self.clients.openWindow).toHaveBeenCalledWith("/bench/b");
  });
});
