import { expect, test } from "vitest";
import type { ShoppingList } from "../src/api/client";
import type { Entry } from "../src/outbox/entry";
import { type Bought, basket } from "../src/shopping/basket";
import type { ShopLine } from "../src/shopping/shops";

const line = (name: string, thing_id?: string) =>
  ({ name, thing_id: thing_id ?? null, short: 10, bought: 20, unit: "g" }) as unknown as ShopLine;
const dark = line("dark", "dark's");
const pecans = line("pecans");
const list = { lines: [dark, pecans, { ...line("salt"), short: 0 }] } as unknown as ShoppingList;

const bought = (of: ShopLine, id: string) =>
  ({ kind: "bought", bowlId: of.thing_id, body: { id, amount: 20 }, line: of }) as Entry;
const asNew = (of: ShopLine, id: string) =>
  ({ kind: "new_thing", bowlId: id, body: { id }, line: of }) as unknown as Entry;
const back = (of: ShopLine, thing: string, move: string | null) =>
  ({ kind: "not_bought", bowlId: thing, move, line: of }) as Entry;

function shown(ticked: Bought[], waiting: Entry[]) {
  const { short, bought: all, waits } = basket(list, ticked, waiting);
  return { short: short.map((l) => l.name), bought: all.map((one) => one.line.name), waits };
}

test("what waits is off the list and among what was bought, however it is put on the shelf", () => {
  expect(shown([], [])).toEqual({ short: ["dark", "pecans"], bought: [], waits: 0 });
  expect(shown([], [bought(dark, "1"), asNew(pecans, "2")])).toEqual({
    short: [],
    bought: ["dark", "pecans"],
    waits: 2,
  });
});

test("what was ticked off here stands once among what was bought, whether it waits or not", () => {
  const tick = { line: dark, thingId: "dark's", moveId: "1" };
  expect(shown([tick], [bought(dark, "1")]).bought).toEqual(["dark"]);
  expect(shown([tick], []).bought).toEqual(["dark"]);
});

test("what is taken back is on the list again, also where the server has not heard of either", () => {
  const both = [asNew(pecans, "2"), back(pecans, "2", null)];
  expect(shown([], both)).toEqual({ short: ["dark", "pecans"], bought: [], waits: 1 });
  // The server's list is without it still.
  const flour = line("flour", "flour's");
  expect(shown([], [back(flour, "flour's", "3")]).short).toEqual(["dark", "pecans", "flour"]);
  // And once more.
  const again = [...both, asNew(pecans, "4")];
  expect(shown([], again)).toEqual({ short: ["dark"], bought: ["pecans"], waits: 1 });
});
