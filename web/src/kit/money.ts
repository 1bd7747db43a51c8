/** A sum in the maker's own money: with its sign, where the kitchen has one. */
export function money(amount: number, currency: string): string {
  const figure = amount.toFixed(2);
  return currency ? `${currency} ${figure}` : figure;
}
