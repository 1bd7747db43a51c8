import { Sparkles, TriangleAlert } from "lucide-react";
import type { BatchLine } from "../api/client";
import { day } from "../kit/format";
import { Row } from "../kit/Row";
import { cameOut } from "../looks/words";
import { Finish } from "./Finish";
import { stageWords } from "./words";

/** How it came out, in a few words and a shape. */
function CameOut({ batch: { looks, faults } }: { batch: BatchLine }) {
  const Icon = faults.length > 0 ? TriangleAlert : Sparkles;
  return (
    <span style={{ display: "inline-flex", gap: "6px", alignItems: "center" }}>
      <Icon size={16} aria-hidden /> {cameOut(looks, faults)}
    </span>
  );
}

/** A batch in a list. */
export function BatchRow({ batch }: { batch: BatchLine }) {
  const { gave_up, stage, looks } = batch;
  return (
    <Row
      of={batch}
      photo={batch.photo_id}
      finish={looks && !batch.photo_id ? <Finish looks={looks} /> : undefined}
      stands={
        batch.bowl_id ? "At the bench" : looks ? <CameOut batch={batch} /> : stageWords[stage]
      }
      when={day(batch.ended_at ?? batch.last_at)}
      lost={stage === "lost"}
    >
      {gave_up && `. ${gave_up.replace(/[.\s]+$/, "")}`}
      {stage === "closed" && batch.unfinished && ". Not all of it was made"}
      {stage === "made" && batch.unfinished && !looks && ". Its last steps are not ticked"}
    </Row>
  );
}
