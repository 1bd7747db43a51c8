import { expect, test } from "vitest";
import { asSpoken } from "../src/spoken/voice";

test("signs are said as one says them", () => {
  expect(asSpoken("Melt to 45–50 °C; weigh out 325 g, stir 30 s")).toBe(
    "Melt to 45 to 50 degrees; weigh out 325 grams, stir 30 seconds",
  );
  expect(asSpoken("88 °F, 2.5° a minute, 3× 15 s")).toBe(
    "88 degrees Fahrenheit, 2.5 degrees a minute, 3 times 15 seconds",
  );
  expect(asSpoken("Line the tray")).toBe("Line the tray");
});
