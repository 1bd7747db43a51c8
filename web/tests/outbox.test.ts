import { describe, expect, test, vi } from "vitest";
import type { ShopLine } from "../src/shopping/shops";

/** What the server says to a request: a status, or that there is none. */
type Server = (path: string, body: { id: string }) => number | "away";

const sent: [path: string, id: string][] = [];

function serve(server: Server): void {
  sent.length = 0;
  vi.stubGlobal("fetch", async (request: Request) => {
    const body = (await request.json().catch(() => ({ id: request.method }))) as { id: string };
    const path = new URL(request.url).pathname.replace("/api/v1", "");
    sent.push([path, body.id]);
    const status = server(path, body);
    if (status === "away") throw new TypeError("no connection");
    const text = status < 300 ? body : { title: "Refused", detail: "Refused.", status, fields: [] };
    return Response.json(text, { status });
  });
}

/** The outbox as a page that has just been loaded has it. */
async function opened() {
  vi.resetModules();
  return await import("../src/outbox/outbox");
}

const stirred = (id: string) =>
  ({ kind: "action", body: { id, kind: "stirred" } }) as Parameters<
    Awaited<ReturnType<typeof opened>>["enter"]
  >[1];

describe("the outbox", () => {
  test("entries go out in the order in which they were entered, once each", async () => {
    serve(() => 201);
    const { enter, outboxNow } = await opened();
    await Promise.all(["a", "b", "c"].map((id) => enter("bowl", stirred(id))));
    await vi.waitFor(() => expect(outboxNow().waiting).toEqual([]));
    expect(sent.map(([, id]) => id)).toEqual(["a", "b", "c"]);
    expect(sent[0]?.[0]).toBe("/bowls/bowl/actions");
  });

  test("what finds no server waits, in order, and goes out once it is back", async () => {
    let away = true;
    serve(() => (away ? "away" : 201));
    const { enter, outboxNow } = await opened();
    await enter("bowl", stirred("a"));
    await enter("bowl", stirred("b"));
    expect(outboxNow()).toMatchObject({
      waiting: [{ bowlId: "bowl" }, { bowlId: "bowl" }],
      failing: true,
    });
    away = false;
    sent.length = 0;
    await enter("bowl", stirred("c"));
    await vi.waitFor(() => expect(outboxNow().waiting).toEqual([]));
    expect(outboxNow().failing).toBe(false);
    expect(sent.map(([, id]) => id)).toEqual(["a", "b", "c"]);
  });

  test("what is refused is taken out and told; what follows goes on", async () => {
    serve((_, { id }) => (id === "a" ? 422 : 201));
    const { enter, outboxNow } = await opened();
    await enter("bowl", stirred("a"));
    expect(outboxNow().refusals.get("bowl")?.status).toBe(422);
    await enter("bowl", stirred("b"));
    expect(outboxNow().refusals.get("bowl")).toBeUndefined();
    expect(outboxNow().waiting).toEqual([]);
  });

  test("what a thermometer is refused is counted apart, and hides nothing of the maker's", async () => {
    serve((_, { id }) => (id.startsWith("bad") ? 422 : 201));
    const { enter, outboxNow } = await opened();
    const sends = (id: string) =>
      enter("bowl", {
        kind: "reading",
        body: { id, at: "2026-11-27T18:00:00Z", temp_c: 300, source: "edge" },
      });
    await enter("bowl", stirred("bad"));
    await sends("bad 1");
    await sends("bad 2");
    expect(outboxNow().turnedDown.get("bowl edge")).toMatchObject({
      times: 2,
      refusal: { status: 422 },
    });
    await sends("good");
    expect(outboxNow().turnedDown.get("bowl edge")).toEqual({ times: 2, refusal: undefined });
    expect(outboxNow().refusals.get("bowl")?.status).toBe(422);
    expect(outboxNow().waiting).toEqual([]);
  });

  test("a bowl that the server fails at keeps no other bowl waiting", async () => {
    serve((path) => (path.includes("bad") ? 500 : 201));
    const { enter, outboxNow } = await opened();
    await enter("bad", stirred("a"));
    await enter("good", stirred("b"));
    await vi.waitFor(() => expect(outboxNow().waiting).toMatchObject([{ bowlId: "bad" }]));
    expect(sent.some(([path, id]) => path.includes("good") && id === "b")).toBe(true);
  });

  test("what an earlier release left waiting is taken over; what was none of ours goes", async () => {
    serve(() => 201);
    const { openOutbox, outboxNow } = await opened();
    localStorage.setItem("wide-sheen.outbox.old", JSON.stringify([stirred("a"), stirred("b")]));
    localStorage.setItem("wide-sheen.outbox.torn", "{");
    openOutbox();
    await vi.waitFor(() => expect(sent.map(([, id]) => id)).toEqual(["a", "b"]));
    await vi.waitFor(() => expect(outboxNow().waiting).toEqual([]));
    expect(Object.keys(localStorage).filter((key) => key.startsWith("wide-sheen"))).toEqual([]);
  });

  test("what is bought goes to the shelf, and is there before it counts as sent", async () => {
    let away = true;
    serve(() => (away ? "away" : 201));
    const { enter, outboxNow } = await opened();
    const { hearShelf } = await import("../src/outbox/entry");
    let waitedBefore = -1;
    hearShelf(async () => {
      waitedBefore = outboxNow().waiting.length;
    });
    const line = { name: "salt" } as ShopLine;
    const thing = { kind: "goods", name: "salt", unit: "g", sort: "other" } as const;
    await enter("dark", { kind: "bought", body: { id: "a", amount: 500 }, line });
    await enter("new", { kind: "new_thing", body: { id: "new", thing, left: 10 }, line });
    await enter("dark", { kind: "not_bought", move: "a", line });
    await enter("new", { kind: "not_bought", move: null, line });
    expect(outboxNow().waiting).toHaveLength(4);
    away = false;
    sent.length = 0;
    await enter("bowl", stirred("b"));
    await vi.waitFor(() => expect(outboxNow().waiting).toEqual([]));
    expect(sent).toEqual([
      ["/shelf/dark/moves", "a"],
      ["/shelf", "new"],
      ["/shelf/dark/moves/a", "DELETE"],
      ["/shelf/new", "DELETE"],
      ["/bowls/bowl/actions", "b"],
    ]);
    expect(waitedBefore).toBe(2);
  });

  test("what is taken back and is not there is done with", async () => {
    serve(() => 404);
    const { enter, outboxNow } = await opened();
    await enter("dark", { kind: "not_bought", move: "a", line: { name: "dark" } as ShopLine });
    expect(outboxNow().waiting).toEqual([]);
    expect(outboxNow().refusals.get("dark")).toBeUndefined();
  });

  test("what a later release left waiting waits for it, and holds nothing up", async () => {
    serve(() => 201);
    const { enter, outboxNow } = await opened();
    const later = { kind: "moulded", body: { id: "z" } } as unknown as Parameters<typeof enter>[1];
    await enter("bowl", later);
    await enter("bowl", stirred("a"));
    await vi.waitFor(() => expect(outboxNow().waiting).toMatchObject([{ kind: "moulded" }]));
    expect(sent.map(([, id]) => id)).toEqual(["a"]);
  });
});
