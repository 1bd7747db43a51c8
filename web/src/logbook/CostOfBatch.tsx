import type { Batch } from "../api/client";
import { useCostOfBatch } from "../api/queries";
import { Fold } from "../kit/Fold";
import { money } from "../kit/money";
import { CostLines } from "../shopping/CostLines";

/** What a batch cost, by the prices of when it was begun and what really went in. */
export function CostOfBatch({ batch }: { batch: Batch }) {
  const cost = useCostOfBatch(batch.id).data;
  // Of a batch from before there were prices nobody can tell.
  if (!cost) return null;
  const priced = cost.lines.some((line) => line.cost != null);
  const left = cost.unpriced.length > 0 ? ", without what has no price" : "";
  const total = `${money(cost.total, cost.currency)} in all${left}`;
  const each = cost.box_whole != null ? `, ${money(cost.box_whole, cost.currency)} each` : "";
  return (
    <Fold title="What it cost" value={priced ? `${total}${each}` : "No prices yet"}>
      <CostLines narrow cost={cost} packing={batch.plan?.packing ?? undefined} />
    </Fold>
  );
}
