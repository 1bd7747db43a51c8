import { describe, expect, test } from "vitest";
import type { PlanInputs } from "../src/api/client";
import { settled } from "../src/plan/clashes";
import { under, withBowl, withoutBowls, withoutComponent, withWork } from "../src/plan/edits";

const inputs = {
  room_c: 20,
  bowls: [
    { key: "dark", total_g: null },
    { key: "white", total_g: 300 },
  ],
  components: [
    { key: "slab", name: "Bark", work: { kind: "slab", piece_cm2: null } },
    { key: "it", name: "Shards", work: { kind: "shards", piece_cm2: 20 } },
  ],
} as unknown as PlanInputs;

describe("a plan's edits", () => {
  test("each touches its own place and leaves the plan it came from", () => {
    const before = structuredClone(inputs);
    expect(withBowl(inputs, "white", { total_g: 200 }).bowls[1]?.total_g).toBe(200);
    expect(withoutBowls(inputs, ["dark"]).bowls.map(({ key }) => key)).toEqual(["white"]);
    expect(withoutComponent(inputs, 0).components.map(({ key }) => key)).toEqual(["it"]);
    expect(withWork(inputs, 1, { piece_cm2: 9 }).components[1]?.work).toEqual({
      kind: "shards",
      piece_cm2: 9,
    });
    expect(inputs).toEqual(before);
  });

  test("faults of a part go by the names of its own fields", () => {
    const errors = { "bowls[0].own.fat_pct": "must be…", room_c: "…", "bowls[01].x": "…" };
    expect(under(errors, "bowls[0]")).toEqual({ "own.fat_pct": "must be…" });
  });
});

describe("two screens", () => {
  const clashes = [
    { field: "inputs.bowls[white].total_g", mine: 250, theirs: 310 },
    { field: "inputs.components[it].work.piece_cm2", mine: 25, theirs: 15 },
    { field: "name", mine: "Mine", theirs: "Theirs" },
  ];

  test("one side's values stand where both changed, found by key whatever the order", () => {
    const turned = { name: "Bark", inputs: { ...inputs, bowls: [...inputs.bowls].reverse() } };
    for (const side of ["mine", "theirs"] as const) {
      const after = settled(turned, clashes, side);
      const white = after.inputs.bowls.find(({ key }) => key === "white");
      expect(white?.total_g).toBe(clashes[0]?.[side]);
      expect(after.inputs.components[1]?.work).toMatchObject({ piece_cm2: clashes[1]?.[side] });
      expect(after.name).toBe(clashes[2]?.[side]);
      expect(after.inputs.room_c).toBe(20);
    }
  });
});
