import { describe, expect, test, vi } from "vitest";

/** The wording, as a browser with these settings has it. */
async function wording(display: object = {}) {
  localStorage.setItem("wide-sheen.display", JSON.stringify(display));
  vi.resetModules();
  return await import("../src/kit/message");
}

const melt = {
  code: "bench.melt_to",
  text: "31.2 °C now; melt to 45.0 to 50.0 °C, 2 °C higher. Add 12 g of “85 g bar”.",
  template: "{now} now; melt to {band}, {more} higher. Add {seed} of “{name}”.",
  params: {
    now: { kind: "temperature", value: 31.25, unit: "°C", decimals: 1 },
    band: { kind: "temperature", value: 45, to: 50, unit: "°C", decimals: 1 },
    more: { kind: "difference", value: 2, unit: "°C" },
    seed: { kind: "mass", value: 12, unit: "g", decimals: 0 },
    name: { kind: "words", words: "85 g bar" },
  },
} as const;

describe("what the server says", () => {
  test("stands as it was sent in °C and grams", async () => {
    const { inWords } = await wording();
    expect(inWords(melt)).toBe(melt.text);
  });

  test("is worded in °F and ounces by its parameters, and a name stays a name", async () => {
    const { inWords } = await wording({ temperature: "F", mass: "oz" });
    expect(inWords(melt)).toBe(
      "88.3 °F now; melt to 113.0 to 122.0 °F, 3.6 °F higher. Add 0.42 oz of “85 g bar”.",
    );
  });

  test("a refusal's bounds and what was given are of one unit", async () => {
    const { inWords } = await wording({ mass: "oz" });
    const refusal = {
      text: "must be 1 to 20000 g; it is 0 g",
      template: "must be {range}; it is {given}",
      params: {
        range: { kind: "mass", value: 1, to: 20_000, unit: "g" },
        given: { kind: "mass", value: 0, unit: "g" },
      },
    } as const;
    expect(inWords(refusal)).toBe("must be 0.04 to 705.48 oz; it is 0 oz");
  });

  test("parts that are messages and lists are worded too", async () => {
    const { inWords } = await wording({ temperature: "F" });
    const part = {
      code: "b.part",
      text: "at 20 °C",
      template: "at {room}",
      params: { room: { kind: "temperature", value: 20, unit: "°C" } },
    } as const;
    const whole = {
      text: "Stir at 20 °C, at 20 °C",
      template: "Stir {how}",
      params: {
        how: {
          kind: "list",
          between: ", ",
          items: [
            { kind: "message", message: part },
            { kind: "message", message: part },
          ],
        },
      },
    } as const;
    expect(
      inWords({
        ...whole,
        params: { how: { ...whole.params.how, items: [...whole.params.how.items] } },
      }),
    ).toBe("Stir at 68 °F, at 68 °F");
  });

  test("what holds until a time holds for so long beside one that runs down", async () => {
    const { inWords, inWordsBeside, holdsUntil } = await wording();
    const sticks = {
      text: "toppings stick until",
      template: "toppings stick {until}",
      params: { until: { kind: "until" } },
    } as const;
    expect([inWords(sticks), inWordsBeside(sticks), holdsUntil(sticks)]).toEqual([
      "toppings stick until",
      "toppings stick for",
      true,
    ]);
    expect(holdsUntil(melt)).toBe(false);
  });

  test("what an earlier release said stays as it was said", async () => {
    const { inWords } = await wording({ temperature: "F" });
    expect(inWords({ text: "Warm it to 31 °C" })).toBe("Warm it to 31 °C");
  });
});
