import type { BatchLine } from "../api/client";
import { day } from "../kit/format";
import { Row } from "../kit/Row";
import { stageWords } from "./words";

/** A batch in a list. */
export function BatchRow({ batch }: { batch: BatchLine }) {
  const { gave_up, stage } = batch;
  return (
    <Row
      of={batch}
      shines={stage === "made" || stage === "closed"}
      stands={batch.bowl_id ? "At the bench" : stageWords[stage]}
      when={day(batch.ended_at ?? batch.last_at)}
      lost={stage === "lost"}
    >
      {gave_up && `. ${gave_up}`}
      {stage !== "under_way" && batch.unfinished && ". Not all of it was made"}
    </Row>
  );
}
