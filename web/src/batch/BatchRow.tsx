import type { BatchLine } from "../api/client";
import { day, mass } from "../kit/format";
import { madeFrom, Row } from "../kit/Row";
import { stageWords } from "./words";

/** A batch in a list. */
export function BatchRow({ batch }: { batch: BatchLine }) {
  const { families, colours, components, to_weigh_g, gave_up, stage } = batch;
  return (
    <Row
      name={batch.name}
      families={families}
      colours={colours}
      shines={stage === "made" || stage === "closed"}
      stands={batch.bowl_id ? "At the bench" : stageWords[stage]}
      when={day(batch.ended_at ?? batch.last_at)}
      lost={stage === "lost"}
    >
      {batch.unreadable ? (
        "It cannot be read by this release; it is kept as it is."
      ) : (
        <>
          {madeFrom(families, colours)}
          {components.join(", ")}
          {to_weigh_g != null && `, ${mass(to_weigh_g)}`}
          {gave_up && `. ${gave_up}`}
          {stage !== "under_way" && batch.unfinished && ". Not all of it was made"}
        </>
      )}
    </Row>
  );
}
