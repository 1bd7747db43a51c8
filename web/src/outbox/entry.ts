import {
  type ActionAnswer,
  api,
  type Guide,
  type NewAction,
  type Reading,
  type Source,
  type StepEvent,
} from "../api/client";
import { accepted } from "../api/refusal";

interface NewReading {
  id: string;
  at: string;
  temp_c: number;
  source: Source;
  /** The thermometer's name, so that no second one measures the same place of the bowl. */
  probe?: string;
}

/** What is entered, as it is kept until the server has it: another release may have to send it. */
export type Said =
  | { kind: "reading"; body: NewReading }
  | { kind: "action"; body: NewAction & { id: string } }
  | { kind: "event"; body: StepEvent };

/** Of a bowl, or for an event of a batch: it is kept by the name it had when there were bowls alone. */
export type Entry = Said & { bowlId: string };

/** Who is told how a batch stands once something of it has been kept. */
const hearers = new Set<(guide: Guide) => void>();

/** Has a guide told as it stands after each event that went out. */
export function hearGuides(hear: (guide: Guide) => void): () => void {
  hearers.add(hear);
  return () => hearers.delete(hear);
}

/** Sends what was entered; whoever shows what it changes is told. */
export async function send({ bowlId, ...said }: Entry): Promise<void> {
  const params = { path: { id: bowlId } };
  if (said.kind === "reading") {
    accepted<Reading>(await api.POST("/api/v1/bowls/{id}/readings", { params, body: said.body }));
  } else if (said.kind === "event") {
    const fresh = accepted<Guide>(
      await api.POST("/api/v1/batches/{id}/events", { params, body: said.body }),
    );
    for (const hear of hearers) hear(fresh);
  } else {
    accepted<ActionAnswer>(
      await api.POST("/api/v1/bowls/{id}/actions", { params, body: said.body }),
    );
  }
}
