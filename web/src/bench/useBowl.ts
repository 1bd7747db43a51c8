import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { BowlAnswer } from "../api/client";
import { keys } from "../api/queries";
import { useEventStream } from "../kit/useEventStream";

/** Kitchen time: what the server said, carried on at the bowl's pace. */
export interface KitchenClock {
  now: () => number;
}

/** A bowl as it stands on the server, live. */
export function useBowl(id: string) {
  const queries = useQueryClient();
  // Until it is heard it is as it was heard last, on this device or another time.
  const [bowl, setBowl] = useState(() => queries.getQueryData<BowlAnswer>(keys.liveBowl(id)));
  const anchor = useRef({ kitchen: Date.now(), heard: performance.now(), rate: 1 });
  const kept = useRef(bowl);
  if (kept.current) {
    const { now, rate } = kept.current.clock;
    const since = Date.now() - (queries.getQueryState(keys.liveBowl(id))?.dataUpdatedAt ?? 0);
    anchor.current = { kitchen: Date.parse(now) + since * rate, heard: performance.now(), rate };
    kept.current = undefined;
  }
  const clock = useRef<KitchenClock>({
    now: () => {
      const { kitchen, heard, rate } = anchor.current;
      return kitchen + (performance.now() - heard) * rate;
    },
  });
  const hear = ({ now, rate }: BowlAnswer["clock"]) => {
    anchor.current = { kitchen: Date.parse(now), heard: performance.now(), rate };
  };
  const connected = useEventStream(`/api/v1/bowls/${id}/stream`, {
    bowl: (data) => {
      const fresh = JSON.parse(data) as BowlAnswer;
      hear(fresh.clock);
      // What did not change stays the same object, and need not be drawn anew.
      setBowl((before) => replaceEqualDeep(before, fresh));
      queries.setQueryData(keys.liveBowl(id), fresh);
    },
    beat: (data) => hear(JSON.parse(data) as BowlAnswer["clock"]),
  });
  return { bowl, connected, clock: clock.current };
}
