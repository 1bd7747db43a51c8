/**
 * How this browser shows temperatures and masses. What is sent and kept stays in
 * °C and g; only what is seen and typed is turned.
 */
export interface Display {
  temperature: "C" | "F";
  mass: "g" | "oz";
  /** Everything a quarter larger, to be read from farther away. */
  print: "usual" | "large";
  /** Which hand touches: what is touched begins at its side, so that the arm hides no figure. */
  hand: "right" | "left";
}

const KEPT_UNDER = "wide-sheen.display";
const USUAL: Display = { temperature: "C", mass: "g", print: "usual", hand: "right" };

function kept(): Display {
  try {
    return { ...USUAL, ...JSON.parse(localStorage.getItem(KEPT_UNDER) ?? "{}") };
  } catch {
    return USUAL;
  }
}

/** As it is now: read once, so that no screen mixes two ways. */
export const display: Readonly<Display> = kept();

/** Remembers another way, and starts the page anew in it. */
export function setDisplay(change: Partial<Display>): void {
  localStorage.setItem(KEPT_UNDER, JSON.stringify({ ...display, ...change }));
  location.reload();
}

export function applyDisplay(): void {
  document.documentElement.dataset.hand = display.hand;
  document.documentElement.style.fontSize = display.print === "large" ? "125%" : "";
}

const GRAMS_PER_OUNCE = 28.349523125;
const fahrenheit = display.temperature === "F";
const ounces = display.mass === "oz";

export const degreeUnit = fahrenheit ? "°F" : "°C";
export const massUnit = ounces ? "oz" : "g";

/** A temperature, as it is shown. */
export function shownTemp(c: number): number {
  return fahrenheit ? c * 1.8 + 32 : c;
}

/** A difference of temperatures, as it is shown. */
export function shownDegrees(c: number): number {
  return fahrenheit ? c * 1.8 : c;
}

export function shownMass(g: number): number {
  return ounces ? g / GRAMS_PER_OUNCE : g;
}

/** What was typed, as it is kept: to a thousandth, so that it reads back the same. */
export function typedTemp(shown: number): number {
  return fahrenheit ? thousandth((shown - 32) / 1.8) : shown;
}

export function typedMass(shown: number): number {
  return ounces ? thousandth(shown * GRAMS_PER_OUNCE) : shown;
}

function thousandth(value: number): number {
  return Math.round(value * 1000) / 1000;
}

/** Shown and typed values of a unit that the server uses, and how it is written. */
export function unitOf(unit: string): {
  unit: string;
  shown: (kept: number) => number;
  typed: (shown: number) => number;
} {
  const same = (value: number) => value;
  const tidy = (value: number) => Math.round(value * 100) / 100;
  switch (unit) {
    case "°C":
      return { unit: degreeUnit, shown: (c) => tidy(shownTemp(c)), typed: typedTemp };
    case "C°":
      return { unit: degreeUnit, shown: (c) => tidy(shownDegrees(c)), typed: same };
    case "g":
      return { unit: massUnit, shown: (g) => tidy(shownMass(g)), typed: typedMass };
    default:
      return { unit, shown: same, typed: same };
  }
}
