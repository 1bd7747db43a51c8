import { describe, expect, test, vi } from "vitest";

/** The pieces that format, as a browser with these settings has them. */
async function formatting(display: object = {}) {
  localStorage.setItem("wide-sheen.display", JSON.stringify(display));
  vi.resetModules();
  return {
    ...(await import("../src/kit/format")),
    ...(await import("../src/kit/display")),
  };
}

describe("masses", () => {
  test("grams are whole from ten on, and fine below", async () => {
    const { mass, fineMass } = await formatting();
    expect([325.08, 10.4, 9.96, 0.26, 0].map(mass)).toEqual([
      "325 g",
      "10 g",
      "10 g",
      "0.3 g",
      "0 g",
    ]);
    expect([120.44, 12.345, 0.256].map(fineMass)).toEqual(["120.4 g", "12.35 g", "0.26 g"]);
  });

  test("an ounce is as fine as twenty-eight grams", async () => {
    const { mass } = await formatting({ mass: "oz" });
    expect([28.349523125, 325.08, 3].map(mass)).toEqual(["1 oz", "11.5 oz", "0.11 oz"]);
  });
});

describe("temperatures", () => {
  test("in both scales, a difference without the offset", async () => {
    const c = await formatting();
    expect([c.temperature(31.5), c.bound(47), c.band([31, 32.25])]).toEqual([
      "31.5 °C",
      "47 °C",
      "31–32.3 °C",
    ]);
    const f = await formatting({ temperature: "F" });
    expect([f.temperature(31.5), f.bound(47), f.band([31, 32])]).toEqual([
      "88.7 °F",
      "116.6 °F",
      "87.8–89.6 °F",
    ]);
    expect([f.shownTemp(0), f.shownDegrees(10), f.typedTemp(212)]).toEqual([32, 18, 100]);
  });

  test("what was typed reads back as it was typed", async () => {
    const f = await formatting({ temperature: "F", mass: "oz" });
    for (const typed of [88.7, 115, 32.1]) {
      expect(f.shownTemp(f.typedTemp(typed))).toBeCloseTo(typed, 2);
    }
    for (const typed of [11.5, 0.35]) expect(f.shownMass(f.typedMass(typed))).toBeCloseTo(typed, 3);
  });

  test("settings that cannot be read are the usual ones", async () => {
    localStorage.setItem("wide-sheen.display", "{torn");
    vi.resetModules();
    const { display } = await import("../src/kit/display");
    expect(display).toEqual({ temperature: "C", mass: "g", print: "usual", hand: "right" });
  });
});

describe("times", () => {
  test("clocks, stretches and ranges", async () => {
    const { clock, stretch, minutesRange } = await formatting();
    expect([0, -5, 65, 3_661].map(clock)).toEqual(["0:00", "0:00", "1:05", "1:01:01"]);
    expect([245, 3_600, 12_000].map(stretch)).toEqual(["4:05", "1 h", "3 h 20 min"]);
    expect([minutesRange(300, 480), minutesRange(350, 370), minutesRange(42, 61)]).toEqual([
      "5–8 min",
      "about 6 min",
      "40–65 s",
    ]);
  });
});

describe("numbers as they are typed", () => {
  test("a comma is a point; nothing is null; nonsense is no number", async () => {
    const { typedNumber } = await import("../src/kit/typed");
    expect(["10,5", " 10.5 ", ""].map(typedNumber)).toEqual([10.5, 10.5, null]);
    for (const text of ["1,2,3", "ten", "1e999"]) expect(typedNumber(text)).toBeNaN();
  });
});
