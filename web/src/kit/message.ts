import type { Param } from "../api/client";
import { degreeUnit, massUnit, shownDegrees, shownTemp } from "./display";
import { fineMassNumber, massNumber } from "./format";

/**
 * What the server says: worded in °C and g, and with the numbers beside the wording, so
 * that it can be worded in other units.
 */
export interface Said {
  text: string;
  template?: string | null;
  params?: Record<string, Param>;
}

type Quantity = Extract<Param, { value: number }>;

/** The number as it is shown: with its decimals, or tidied where it was stated without. */
function number(value: number, { kind, decimals }: Quantity): string {
  switch (kind) {
    case "temperature":
      return rounded(shownTemp(value), decimals, 1);
    case "difference":
      return rounded(shownDegrees(value), decimals, 1);
    case "mass":
      if (massUnit === "g") return rounded(value, decimals, 6);
      if (decimals == null) return rounded(fineMassNumber(value), null, 2);
      return String(decimals === 0 ? massNumber(value) : fineMassNumber(value));
    case "number":
      return rounded(value, decimals, 6);
  }
}

function rounded(value: number, decimals: number | null | undefined, most: number): string {
  return decimals == null ? String(Number(value.toFixed(most))) : value.toFixed(decimals);
}

function unit({ kind, unit = "" }: Quantity): string {
  if (kind === "mass") return massUnit;
  return kind === "number" ? unit : degreeUnit;
}

function quantity(of: Quantity): string {
  const range = of.to == null ? "" : ` to ${number(of.to, of)}`;
  const told = unit(of);
  return `${number(of.value, of)}${range}${told && ` ${told}`}`;
}

function param(of: Param, until: string): string {
  switch (of.kind) {
    case "words":
      return of.words;
    case "until":
      return until;
    case "message":
      return worded(of.message, until);
    case "list":
      return of.items.map((item) => param(item, until)).join(of.between);
    default:
      return quantity(of);
  }
}

const isAsSent = degreeUnit === "°C" && massUnit === "g";

function worded({ text, template, params }: Said, until: string): string {
  // The server rounds a tie otherwise than a browser: in its own units its words stand.
  if (template == null || params === undefined || (isAsSent && until === "until")) return text;
  return template.replace(/\{(\w+)\}/g, (place, name: string) => {
    const there = params[name];
    return there === undefined ? place : param(there, until);
  });
}

/** In words, with temperatures and masses as they are shown here. */
export function inWords(said: Said): string {
  return worded(said, "until");
}

/** The same beside a time that runs down: what sticks until then sticks for so long. */
export function inWordsBeside(said: Said): string {
  return worded(said, "for");
}

/** Whether it says how long something holds. */
export function holdsUntil({ params = {} }: Said): boolean {
  return Object.values(params).some(({ kind }) => kind === "until");
}
