import type { ShoppingList } from "../api/client";

export type ShopLine = ShoppingList["lines"][number];
export type Shop = ShopLine["shop"];

/** The kinds of shop, in the order in which one goes round them. */
export const shopWords: Record<Shop, string> = {
  chocolate: "Chocolate",
  grocer: "Grocer",
  chilled: "Cold counter, last",
  colours: "Colours for food",
  packing: "Sticks, paper, boxes",
};

/** The lines of each shop that has any, in that order. */
export function byShop(lines: ShopLine[]): { shop: Shop; words: string; lines: ShopLine[] }[] {
  const shops = Object.entries(shopWords) as [Shop, string][];
  return shops
    .map(([shop, words]) => ({ shop, words, lines: lines.filter((line) => line.shop === shop) }))
    .filter((of) => of.lines.length > 0);
}

/** Whether any of it is to be bought. */
export function isShort(line: ShopLine): boolean {
  return (line.short ?? 0) > 0;
}
