import type { GoodsInputs, GoodsSort } from "../../api/client";
import { useShelf, useUsualGoods } from "../../api/queries";

/** Goods that can be picked: those of the shelf have its id. */
export interface Pickable extends GoodsInputs {
  goods_id?: string;
}

/** What goes in and on: what is poured, and what nobody eats, does not. */
const solid: readonly GoodsSort[] = ["nuts", "fruit", "crisp", "strewn", "other"];

/** What can go in or on: what stands on the shelf first, then the usual ones that have what is needed. */
export function useGoods(has: (goods: GoodsInputs) => boolean): Pickable[] {
  const shelf = useShelf().data?.goods ?? [];
  const usual = useUsualGoods().data ?? [];
  const mine: Pickable[] = shelf.map(({ id, thing }) => ({ ...thing, goods_id: id }));
  const names = new Set(mine.map(({ name }) => name.toLowerCase()));
  return [...mine, ...usual.filter((one) => has(one) && !names.has(one.name.toLowerCase()))].filter(
    ({ sort }) => solid.includes(sort ?? "other"),
  );
}

/** The one that was picked: by its id, else by its name. */
export function picked<G extends { name: string; goods_id?: string | null }>(
  goods: readonly Pickable[],
  { name, goods_id }: G,
): Pickable | undefined {
  return goods_id
    ? goods.find((one) => one.goods_id === goods_id)
    : goods.find((one) => one.name === name);
}
