import type { GoodsSort } from "../api/client";

/** The sorts of goods in words, in the order in which they stand in the pantry. */
export const sortWords: Record<GoodsSort, string> = {
  nuts: "Nuts and seeds",
  fruit: "Fruit",
  crisp: "Baked and puffed",
  strewn: "Spices, salt, decorations",
  sugar: "Sugars and syrups",
  dairy: "Dairy and fats",
  liquid: "Juices, spirits, flavours",
  sticks: "Sticks, sheets, paper",
  packaging: "Packaging",
  other: "Other things",
};

const order = Object.keys(sortWords) as GoodsSort[];

/** Things by their sort: each sort that has some, in order. */
export function bySort<T>(things: readonly T[], sortOf: (thing: T) => GoodsSort | undefined) {
  return order
    .map((sort) => ({
      sort,
      words: sortWords[sort],
      things: things.filter((thing) => (sortOf(thing) ?? "other") === sort),
    }))
    .filter(({ things: some }) => some.length > 0);
}
