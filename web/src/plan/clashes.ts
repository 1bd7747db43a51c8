import type { Clash } from "../api/client";

/** The names and keys on the way to a field: `inputs.bowls[dark].own` is four of them. */
function way(field: string): string[] {
  return [...field.matchAll(/\[([^\]]*)\]|([^.[\]]+)/g)].map(([, key, name]) => key ?? name ?? "");
}

/** The place of the item that a key, or else a number, names in a list. */
function placeIn(list: readonly unknown[], of: string): number {
  const keyed = list.findIndex((one) => (one as { key?: unknown } | null)?.key === of);
  return keyed < 0 ? Number(of) : keyed;
}

function put(document: unknown, [first, ...rest]: string[], value: unknown): unknown {
  if (first === undefined) return value;
  if (Array.isArray(document)) {
    const at = placeIn(document, first);
    return document.map((one, i) => (i === at ? put(one, rest, value) : one));
  }
  if (typeof document !== "object" || document === null) return document;
  const fields = document as Record<string, unknown>;
  return { ...fields, [first]: put(fields[first], rest, value) };
}

/** A document with one side's values in the fields that two screens changed. */
export function settled<T>(document: T, clashes: readonly Clash[], side: "mine" | "theirs"): T {
  return clashes.reduce<unknown>(
    (all, clash) => put(all, way(clash.field), clash[side]),
    document,
  ) as T;
}
