import { describe, expect, it } from "vitest";
import type { Batch } from "../src/api/client";
import { grows, stored } from "../src/batch/afterwards";

type Made = NonNullable<Batch["plan"]>;

const said = (text: string) => ({ code: "keeping.some", text, params: {} });
const cold = { days: 2, store: "fridge", storage: said("Cold, in a closed box."), apart: [] };
const cool = { days: 56, store: "cool_room", storage: said("Airtight and dark."), apart: [] };

const made = (components: unknown[], methods: (string | null)[] = []): Made =>
  ({
    components,
    bowls: methods.map((method) => ({ plan: method && { method, colour: null } })),
  }) as unknown as Made;

describe("what is done with it afterwards", () => {
  it("is said once of what is stored alike, and by name where it is not", () => {
    const slab = { name: "Slab", keeping: cool };
    const shards = { name: "Shards", keeping: cool };
    expect(stored(made([slab, shards]))).toEqual(["Airtight and dark."]);
    expect(stored(made([slab, { name: "Collar", keeping: cold }, shards]))).toEqual([
      "Slab, Shards: Airtight and dark.",
      "Collar: Cold, in a closed box.",
    ]);
  });

  it("is not said of a batch that was kept without it", () => {
    expect(stored(made([{ name: "Slab" }, { name: "Moons", keeping: null }]))).toEqual([]);
    const older = { name: "Slab", keeping: { ...cool, apart: undefined } };
    expect(stored(made([older]))).toEqual(["Airtight and dark."]);
  });

  it("waits a day only for what is tempered", () => {
    expect(grows(made([], ["shock_set", null]))).toBe(false);
    expect(grows(made([], ["coating"]))).toBe(false);
    expect(grows(made([], ["shock_set", "seed_down"]))).toBe(true);
  });
});
