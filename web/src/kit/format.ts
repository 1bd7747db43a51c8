/** Numbers and times as they are read in a kitchen. */

import { degreeUnit, massUnit, shownMass, shownTemp } from "./display";

export function mass(g: number): string {
  return `${massNumber(g)} ${massUnit}`;
}

/** A mass in the unit that is shown, as fine as a kitchen weighs. */
export function massNumber(g: number): number {
  const m = shownMass(g);
  // An ounce is as fine as twenty-eight grams.
  const fine = massUnit === "oz" ? 10 : 1;
  if (m >= 100 / fine) return Math.round(m * fine) / fine;
  const few = m >= 10 / fine ? fine : fine * 10;
  return Math.round(m * few) / few;
}

/** As a fine scale tells it: for powders, and what they are weighed against. */
export function fineMass(g: number): string {
  return `${fineMassNumber(g)} ${massUnit}`;
}

export function fineMassNumber(g: number): number {
  const m = shownMass(g);
  const steps = (massUnit === "oz" ? 10 : 1) * (g < 100 ? 100 : 10);
  return Math.round(m * steps) / steps;
}

export function temperature(c: number, decimals = 1): string {
  return `${shownTemp(c).toFixed(decimals)} ${degreeUnit}`;
}

/** A bound, without the tenth where there is none: 47 °C, 32.5 °C. */
export function bound(c: number): string {
  return `${Math.round(shownTemp(c) * 10) / 10} ${degreeUnit}`;
}

export function band([lo = Number.NaN, hi = Number.NaN]: readonly number[]): string {
  const end = (c: number) => Math.round(shownTemp(c) * 10) / 10;
  return `${end(lo)}–${end(hi)} ${degreeUnit}`;
}

/** Minutes and seconds: 4:05, or 1:04:05. */
export function clock(totalSeconds: number): string {
  const s = Math.max(0, Math.round(totalSeconds));
  const [h, m, rest] = [Math.floor(s / 3600), Math.floor(s / 60) % 60, s % 60];
  const two = (n: number) => String(n).padStart(2, "0");
  return h > 0 ? `${h}:${two(m)}:${two(rest)}` : `${m}:${two(rest)}`;
}

/** A stretch of time in a plan: 4:05, or from an hour on 3 h 20 min. */
export function stretch(seconds: number): string {
  if (seconds < 3600) return clock(seconds);
  const minutes = Math.round(seconds / 60);
  const [h, m] = [Math.floor(minutes / 60), minutes % 60];
  return m === 0 ? `${h} h` : `${h} h ${m} min`;
}

/** A stretch of time, as one would say it: 40 min, 2 h 10 min, 3 days. */
export function about(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${Math.max(1, minutes)} min`;
  const tens = Math.round(minutes / 10) * 10;
  const [hours, rest] = [Math.floor(tens / 60), tens % 60];
  if (hours >= 36) return `${Math.round(hours / 24)} days`;
  return rest === 0 || hours >= 6 ? `${Math.round(tens / 60)} h` : `${hours} h ${rest} min`;
}

/** A range of minutes: "about 6 min", "5–8 min"; of seconds where it is so short. */
export function minutesRange(earliest: number, latest: number): string {
  if (latest < 90) return `${Math.round(earliest / 5) * 5}–${Math.ceil(latest / 5) * 5} s`;
  const [a, b] = [Math.round(earliest / 60), Math.round(latest / 60)];
  return a === b ? `about ${a} min` : `${a}–${b} min`;
}

const dayAndTime = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});
const timeOnly = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });

const weekdayOnly = new Intl.DateTimeFormat("en-GB", { weekday: "long" });
const wholeDay = new Intl.DateTimeFormat("en-GB", {
  weekday: "long",
  day: "numeric",
  month: "long",
});

const dayOnly = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  year: "numeric",
  timeZone: "UTC",
});

/** A day of the calendar, as it is kept: 2027-08-12. */
export function onDay(date: string): string {
  return dayOnly.format(new Date(`${date}T00:00:00Z`));
}

export function day(iso: string): string {
  return dayAndTime.format(new Date(iso));
}

export function time(iso: string): string {
  return timeOnly.format(new Date(iso));
}

/** Thursday. */
export function weekday(iso: string): string {
  return weekdayOnly.format(new Date(iso));
}

/** Thursday 26 November. */
export function fullDay(iso: string): string {
  return wholeDay.format(new Date(iso));
}

const [whole, tenths, hundredths] = [0, 1, 2].map(
  (maximumFractionDigits) => new Intl.NumberFormat("en-GB", { maximumFractionDigits }),
) as [Intl.NumberFormat, Intl.NumberFormat, Intl.NumberFormat];

/** A step of a working: enough digits to check it by hand. */
export function figure(value: number): string {
  const size = Math.abs(value);
  return (size >= 100 ? whole : size >= 10 ? tenths : hundredths).format(value);
}
