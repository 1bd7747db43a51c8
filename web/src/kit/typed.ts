/** A number as it is typed: "10,5" and "10.5" are the same. Nothing is null, nonsense NaN. */
export function typedNumber(text: string): number | null {
  const trimmed = text.trim().replace(",", ".");
  if (trimmed === "") return null;
  const value = Number(trimmed);
  return Number.isFinite(value) ? value : Number.NaN;
}
