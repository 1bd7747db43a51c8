import { expect, test } from "vitest";
import type { MouldInputs } from "../src/api/client";
import { onRegions } from "../src/plan/work/regions";

function mould(...names: string[]): MouldInputs {
  const regions = names.map((name) => ({ name, share_pct: 50 }));
  return { cavity: { shape: "hemisphere", diameter_mm: 30 }, count: 2, regions };
}

test("what lies on a region stays on it when that is called anew", () => {
  const tones = [{ region: "face" }, { region: null }, { region: "gone" }];
  const now = onRegions(tones, mould("face", "body"), mould("heel", "body"));
  expect(now.map(({ region }) => region)).toEqual(["heel", null, "gone"]);
  const fewer = onRegions(tones, mould("face", "body"), mould("body"));
  expect(fewer).toEqual(tones);
});
