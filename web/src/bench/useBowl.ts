import { replaceEqualDeep } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { BowlAnswer } from "../api/client";
import { useEventStream } from "../kit/useEventStream";

/** Kitchen time: what the server said, carried on at the bowl's pace. */
export interface KitchenClock {
  now: () => number;
}

/** A bowl as it stands on the server, live. */
export function useBowl(id: string) {
  const [bowl, setBowl] = useState<BowlAnswer>();
  const anchor = useRef({ kitchen: Date.now(), heard: performance.now(), rate: 1 });
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
    },
    beat: (data) => hear(JSON.parse(data) as BowlAnswer["clock"]),
  });
  return { bowl, connected, clock: clock.current };
}
