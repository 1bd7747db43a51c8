/** Two digits, as clocks show them. */
const two = (n: number) => String(n).padStart(2, "0");

const MINUTE_MS = 60_000;
const DAY_MIN = 24 * 60;

/** A day by this device's clock: 2026-10-12. */
export function dayOf(date: Date): string {
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** A moment as a field of this device's clock shows it; empty where there is none. */
export function asTyped(iso: string | null | undefined): string {
  if (!iso) return "";
  const date = new Date(iso);
  return `${dayOf(date)}T${two(date.getHours())}:${two(date.getMinutes())}`;
}

/** What was typed as a moment; `undefined` where it is none. */
export function momentOf(typed: string): string | undefined {
  const date = new Date(typed.includes("T") ? typed : Number.NaN);
  const year = date.getFullYear();
  return Number.isNaN(date.getTime()) || year < 2000 || year >= 2100
    ? undefined
    : date.toISOString();
}

/** Whether two are the same moment, however they are written. */
export function sameMoment(one: string | null | undefined, other: string | null | undefined) {
  return one && other ? Date.parse(one) === Date.parse(other) : !one && !other;
}

/** Six in the evening of the first Saturday that leaves three days. */
export function aSaturday(now: Date): string {
  const date = new Date(now);
  date.setDate(date.getDate() + 3);
  while (date.getDay() !== 6) date.setDate(date.getDate() + 1);
  date.setHours(18, 0, 0, 0);
  return date.toISOString();
}

/** A part of a span that lies on one day: from and to in minutes of that day. */
export interface Piece<T> {
  day: string;
  from: number;
  to: number;
  of: T;
}

/** Spans cut at midnight by this device's clock. */
export function pieces<T extends { from: string; to: string }>(spans: readonly T[]): Piece<T>[] {
  return spans.flatMap((of) => {
    const cut: Piece<T>[] = [];
    const end = new Date(of.to);
    let at = new Date(of.from);
    while (at < end) {
      const next = new Date(at.getFullYear(), at.getMonth(), at.getDate() + 1);
      const until = next < end ? next : end;
      const from = at.getHours() * 60 + at.getMinutes();
      // By the clock: a day on which clocks change is as wide as the others.
      const to = until === next ? DAY_MIN : until.getHours() * 60 + until.getMinutes();
      cut.push({ day: dayOf(at), from, to: Math.max(to, from), of });
      at = until;
    }
    return cut;
  });
}

/** The days from one to another, each. */
export function daysBetween(first: string, last: string): string[] {
  const days: string[] = [];
  const at = new Date(`${first}T12:00`);
  while (dayOf(at) <= last && days.length < 60) {
    days.push(dayOf(at));
    at.setDate(at.getDate() + 1);
  }
  return days;
}

/** A moment moved by days and minutes of this device's clock, to a quarter of an hour. */
export function moved(iso: string, days: number, minutes: number): string {
  const date = new Date(iso);
  date.setDate(date.getDate() + days);
  const quarters = Math.round((date.getHours() * 60 + date.getMinutes() + minutes) / 15);
  date.setHours(0, quarters * 15, 0, 0);
  return new Date(Math.round(date.getTime() / MINUTE_MS) * MINUTE_MS).toISOString();
}
