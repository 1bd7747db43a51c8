import type { PlanLine } from "../api/client";
import { day } from "../kit/format";
import { Row } from "../kit/Row";

/** A plan in a list. */
export function PlanRow({ plan }: { plan: PlanLine }) {
  const { batches } = plan;
  const made = batches === 0 ? "Not made yet" : batches === 1 ? "Begun once" : `Begun ${batches}×`;
  return <Row of={plan} stands={made} when={day(plan.changed_at)} />;
}
