/** A list with a change to one of its things. */
export function withChange<T extends object>(
  items: readonly T[],
  i: number,
  patch: Partial<T>,
): T[] {
  return items.map((item, at) => (at === i ? { ...item, ...patch } : item));
}

/** A list with one of its things a place earlier. */
export function withEarlier<T>(items: readonly T[], i: number): T[] {
  return items.toSpliced(i - 1, 2, ...items.slice(i - 1, i + 1).toReversed());
}
