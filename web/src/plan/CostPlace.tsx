import type { WholePlan } from "../api/client";
import { Panel } from "../kit/Panel";
import { CostLines } from "../shopping/CostLines";

/** What a plan costs, by the prices on the shelf today. */
export function CostPlace({ plan }: { plan: WholePlan }) {
  if (!plan.cost) return null;
  return (
    <Panel title="What it costs" maxW="1100px">
      <CostLines cost={plan.cost} packing={plan.packing ?? undefined} />
    </Panel>
  );
}
