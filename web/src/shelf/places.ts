/**
 * Where things stand on the shelf, what is added there, and at which address.
 * What is led to by what is added ("/shelf?add=a bowl") finds its place here.
 */
export const shelfPlaces = [
  { at: "chocolates", name: "Chocolates", adds: ["a chocolate"] },
  { at: "colours", name: "Colours", adds: ["a pigment"] },
  { at: "goods", name: "Goods", adds: ["goods"] },
  { at: "moulds", name: "Moulds", adds: ["a mould", "a tray"] },
  {
    at: "heat",
    name: "Kitchen",
    adds: ["a bowl", "a heat source", "a thermometer"],
  },
  { at: "shopping", name: "Shopping", adds: [] },
] as const;

export type ShelfPlace = (typeof shelfPlaces)[number]["at"];

/** The address of a place; the chocolates are the shelf's own. */
export function addressOf(at: ShelfPlace): string {
  return at === "chocolates" ? "/shelf" : `/shelf/${at}`;
}

/** Where one more of something is added. */
export function placeThatAdds(one: string): ShelfPlace | undefined {
  return shelfPlaces.find(({ adds }) => (adds as readonly string[]).includes(one))?.at;
}

/** The way to the form for one more of something. */
export function toAdd(one: string): string {
  const at = placeThatAdds(one) ?? "chocolates";
  return `${addressOf(at)}?${new URLSearchParams({ add: one })}`;
}
