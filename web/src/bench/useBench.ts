import { useCallback } from "react";
import { api, type NewAction } from "../api/client";
import { useOutbox } from "../outbox/outbox";
import type { KitchenClock } from "./useBowl";

export type BowlAction = Omit<NewAction, "id" | "at">;

/** What the maker can enter at the bench. */
export function useBench(bowlId: string, clock: KitchenClock) {
  const { waiting, failing, refusal, put } = useOutbox(bowlId);
  const stamp = useCallback(
    () => ({ id: crypto.randomUUID(), at: new Date(clock.now()).toISOString() }),
    [clock],
  );
  const act = useCallback(
    (action: BowlAction) => put({ kind: "action", body: { ...action, ...stamp() } }),
    [put, stamp],
  );
  const read = useCallback(
    (temp_c: number) => put({ kind: "reading", body: { ...stamp(), temp_c, source: "hand" } }),
    [put, stamp],
  );
  const setThermometer = useCallback(
    (simulated: boolean, rate: number) =>
      api.PUT("/api/v1/bowls/{id}/thermometer", {
        params: { path: { id: bowlId } },
        body: { simulated, rate },
      }),
    [bowlId],
  );
  return { act, read, setThermometer, waiting, failing, refusal };
}
