import pTimeout from "p-timeout";
import {
  type ActionAnswer,
  api,
  type Guide,
  type NewAction,
  type Reading,
  type Source,
  type StepEvent,
  type Thing,
  type ThingAnswer,
} from "../api/client";
import { accepted, done } from "../api/refusal";
import type { ShopLine } from "../shopping/shops";

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
  | { kind: "event"; body: StepEvent }
  /** A line of a shopping list that is ticked off: more of what stands on the shelf, or new there. */
  | { kind: "bought"; body: { id: string; amount: number }; line: ShopLine }
  | { kind: "new_thing"; body: { id: string; thing: Thing; left: number | null }; line: ShopLine }
  /** It is taken back: the move that it was, or none where the thing itself was new. */
  | { kind: "not_bought"; move: string | null; line: ShopLine };

/**
 * Of a bowl, for an event of a batch, bought of a thing on the shelf: it is kept by the name it had
 * when there were bowls alone.
 */
export type Entry = Said & { bowlId: string };

const KINDS: ReadonlySet<string> = new Set<Said["kind"]>([
  "reading",
  "action",
  "event",
  "bought",
  "new_thing",
  "not_bought",
]);

/** Whether this release can send it; what a later one has kept waits for that. */
export function isKnown({ kind }: Entry): boolean {
  return KINDS.has(kind);
}

const hearers = new Set<(guide: Guide) => void>();
let shelfChanged: () => Promise<unknown> = async () => {};

/** Has a guide told as it stands after each event that went out. */
export function hearGuides(hear: (guide: Guide) => void): () => void {
  hearers.add(hear);
  return () => hearers.delete(hear);
}

/** So long what went out waits at most until it is shown. */
const SHOWN_WITHIN_MS = 3_000;

/** Has it told that something of the shelf went out; what went out waits until that is shown. */
export function hearShelf(hear: () => Promise<unknown>): void {
  shelfChanged = hear;
}

/** Sends what was entered; whoever shows what it changes is told. */
export async function send({ bowlId, ...said }: Entry): Promise<void> {
  const params = { path: { id: bowlId } };
  switch (said.kind) {
    case "reading":
      accepted<Reading>(await api.POST("/api/v1/bowls/{id}/readings", { params, body: said.body }));
      return;
    case "action":
      accepted<ActionAnswer>(
        await api.POST("/api/v1/bowls/{id}/actions", { params, body: said.body }),
      );
      return;
    case "event": {
      const fresh = accepted<Guide>(
        await api.POST("/api/v1/batches/{id}/events", { params, body: said.body }),
      );
      for (const hear of hearers) hear(fresh);
      return;
    }
    case "bought": {
      const body = { ...said.body, kind: "bought" as const };
      accepted<ThingAnswer>(await api.POST("/api/v1/shelf/{id}/moves", { params, body }));
      break;
    }
    case "new_thing":
      accepted<ThingAnswer>(await api.POST("/api/v1/shelf", { body: said.body }));
      break;
    case "not_bought": {
      const gone = said.move
        ? await api.DELETE("/api/v1/shelf/{id}/moves/{move}", {
            params: { path: { id: bowlId, move: said.move } },
          })
        : await api.DELETE("/api/v1/shelf/{id}", { params });
      // What is not there needs not be taken back.
      if (gone.response.status !== 404) done(gone);
    }
  }
  // What else waits is not held up by a page that is slow to read.
  await pTimeout(shelfChanged(), { milliseconds: SHOWN_WITHIN_MS, fallback: () => {} });
}
