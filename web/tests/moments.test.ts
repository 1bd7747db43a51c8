import { describe, expect, it } from "vitest";
import { aSaturday, asTyped, daysBetween, momentOf, moved, pieces } from "../src/kit/moments";

const local = (typed: string) => momentOf(typed) ?? "";

describe("moments by this device's clock", () => {
  it("come back as they were typed, and what is none is none", () => {
    expect(asTyped(local("2026-10-12T18:00"))).toBe("2026-10-12T18:00");
    for (const odd of ["", "2026-10", "0002-10-12T18:00", "3001-01-01T00:00"]) {
      expect(momentOf(odd)).toBeUndefined();
    }
    expect(asTyped(null)).toBe("");
  });

  it("are cut at midnight, a piece for each day", () => {
    const span = { from: local("2026-10-12T22:30"), to: local("2026-10-14T01:15") };
    expect(pieces([span]).map(({ day, from, to }) => [day, from, to])).toEqual([
      ["2026-10-12", 1350, 1440],
      ["2026-10-13", 0, 1440],
      ["2026-10-14", 0, 75],
    ]);
    expect(daysBetween("2026-10-30", "2026-11-02")).toEqual([
      "2026-10-30",
      "2026-10-31",
      "2026-11-01",
      "2026-11-02",
    ]);
  });

  it("are moved by days and to a quarter of an hour", () => {
    expect(asTyped(moved(local("2026-10-12T18:07"), 1, -15))).toBe("2026-10-13T17:45");
    expect(asTyped(moved(local("2026-10-12T23:50"), 0, 30))).toBe("2026-10-13T00:15");
  });

  it("leave three days until a Saturday", () => {
    const saturday = asTyped(aSaturday(new Date("2026-10-14T09:00")));
    expect(saturday).toBe("2026-10-17T18:00");
  });
});
