import { QueryClient } from "@tanstack/react-query";
import { expect, test, vi } from "vitest";
import { keys } from "../src/api/queries";
import type { Text } from "../src/plan/unsaved";

type Server = (id: string) => number | "away";

const sent: [id: string, from: string | null, name: string][] = [];

function serve(server: Server): void {
  sent.length = 0;
  vi.stubGlobal("fetch", async (request: Request) => {
    const id = new URL(request.url).pathname.split("/").at(-1) ?? "";
    const body = (await request.json()) as Text;
    sent.push([id, request.headers.get("If-Match"), body.name]);
    const status = server(id);
    if (status === "away") throw new TypeError("no connection");
    const text =
      status < 300 ? { ...body, id, version: 8 } : { title: "", detail: "", status, fields: [] };
    return Response.json(text, { status });
  });
}

/** As a page has it that has just been loaded. */
async function opened() {
  vi.resetModules();
  return await import("../src/plan/unsaved");
}

const text = (name: string) => ({ name, note: "", inputs: {} }) as Text;

test("what was left unsaved is saved once the server is back, and shown", async () => {
  let away = true;
  serve(() => (away ? "away" : 200));
  const before = await opened();
  await before.keepUnsaved("a", { from: 3, text: text("Comet bark") });
  const { saveWhatWasLeft, takeUp } = await opened();
  const queries = new QueryClient();
  saveWhatWasLeft(queries);
  await vi.waitFor(() => expect(sent).toEqual([["a", '"3"', "Comet bark"]]));
  away = false;
  await vi.waitFor(
    () => expect(queries.getQueryData(keys.plan("a"))).toMatchObject({ version: 8 }),
    {
      timeout: 4_000,
    },
  );
  expect(await takeUp("a").left).toBeUndefined();
});

test("a plan that is open saves its own; what it leaves is saved", async () => {
  serve(() => 200);
  const { saveWhatWasLeft, keepUnsaved, takeUp } = await opened();
  const page = takeUp("b");
  expect(await page.left).toBeUndefined();
  await keepUnsaved("b", { from: 1, text: text("Nebula") });
  await keepUnsaved("c", { from: 2, text: text("Moons") });
  saveWhatWasLeft(new QueryClient());
  await vi.waitFor(() => expect(sent.map(([id]) => id)).toContain("c"));
  expect(sent.some(([id]) => id === "b")).toBe(false);
  page.leave();
  await vi.waitFor(() => expect(sent.map(([id]) => id)).toContain("b"));
});

test("what is refused waits for its page, and holds no other up", async () => {
  serve((id) => (id === "d" ? 412 : 200));
  const { saveWhatWasLeft, keepUnsaved, takeUp, forgetUnsaved } = await opened();
  await keepUnsaved("d", { from: 1, text: text("Clashing") });
  await keepUnsaved("e", { from: 1, text: text("Well") });
  const queries = new QueryClient();
  saveWhatWasLeft(queries);
  await vi.waitFor(() => expect(queries.getQueryData(keys.plan("e"))).toBeDefined());
  expect(await takeUp("e").left).toBeUndefined();
  const page = takeUp("d");
  expect(await page.left).toEqual({ from: 1, text: text("Clashing") });
  await forgetUnsaved();
  page.leave();
  expect(await takeUp("d").left).toBeUndefined();
});

test("what was told too often is saved the next time", async () => {
  let tries = 0;
  serve(() => {
    tries += 1;
    return tries === 1 ? 429 : 200;
  });
  const { saveWhatWasLeft, keepUnsaved } = await opened();
  await keepUnsaved("f", { from: 1, text: text("Often") });
  const queries = new QueryClient();
  saveWhatWasLeft(queries);
  await vi.waitFor(() => expect(queries.getQueryData(keys.plan("f"))).toBeDefined(), {
    timeout: 4_000,
  });
  expect(sent).toHaveLength(2);
});
