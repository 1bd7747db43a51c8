import { expect, test } from "vitest";
import { type Offer, offered } from "../src/bench/offered";

const all: Offer[] = ["stirred", "off_heat", "test", "poured", "burst", "until_off", "too_thick"];
const there = new Set(all);

test("a microwave gives bursts; over water it goes on the heat, until it is taken off", () => {
  for (const phase of ["melting", "working"] as const) {
    expect(offered(phase, there, null, true).first).toContain("burst");
    expect(offered(phase, there, null, true).first).not.toContain("until_off");
    expect(offered(phase, there, null, false).first).toContain("until_off");
    expect(offered(phase, there, null, false).first).not.toContain("burst");
  }
});

test("what is asked for is offered large whatever it is, and nothing is lost behind the rest", () => {
  for (const phase of ["melting", "cooling", "testing", "working"] as const) {
    for (const advised of all) {
      const { first, more } = offered(phase, there, advised, false);
      expect(first).toContain(advised);
      expect(new Set([...first, ...more])).toEqual(there);
    }
  }
});
