import type { PlanLine } from "../api/client";
import { day, mass } from "../kit/format";
import { madeFrom, Row } from "../kit/Row";

/** A plan in a list. */
export function PlanRow({ plan }: { plan: PlanLine }) {
  const { families, colours, components, to_weigh_g, batches } = plan;
  const made = batches === 0 ? "Not made yet" : batches === 1 ? "Begun once" : `Begun ${batches}×`;
  return (
    <Row
      name={plan.name}
      families={families}
      colours={colours}
      shines={false}
      stands={made}
      when={day(plan.changed_at)}
    >
      {plan.unreadable ? (
        "It cannot be read by this release; it is kept as it is."
      ) : (
        <>
          {madeFrom(families, colours)}
          {components.join(", ")}
          {to_weigh_g != null && `, ${mass(to_weigh_g)}`}
        </>
      )}
    </Row>
  );
}
