import { replaceEqualDeep } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import type { BowlAnswer } from "../api/client";

/** Without word for this long, the connection counts as lost. */
const SILENCE_MS = 4_000;
const TRY_AGAIN_MS = 1_500;

interface Live {
  bowl: BowlAnswer | undefined;
  connected: boolean;
}

/** Kitchen time: what the server said, carried on at the bowl's pace. */
export interface KitchenClock {
  now: () => number;
}

/** A bowl as it stands on the server, live. */
export function useBowl(id: string): Live & { clock: KitchenClock } {
  const [live, setLive] = useState<Live>({ bowl: undefined, connected: false });
  const anchor = useRef({ kitchen: Date.now(), heard: performance.now(), rate: 1 });
  const clock = useRef<KitchenClock>({
    now: () => {
      const { kitchen, heard, rate } = anchor.current;
      return kitchen + (performance.now() - heard) * rate;
    },
  });

  useEffect(() => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let heard = performance.now();
    const listen = () => {
      source = new EventSource(`/api/v1/bowls/${id}/stream`);
      const hear = ({ now, rate }: BowlAnswer["clock"]) => {
        heard = performance.now();
        anchor.current = { kitchen: Date.parse(now), heard, rate };
      };
      source.addEventListener("bowl", (event) => {
        const bowl = JSON.parse(event.data) as BowlAnswer;
        hear(bowl.clock);
        // What did not change stays the same object, and need not be drawn anew.
        setLive((before) => ({ bowl: replaceEqualDeep(before.bowl, bowl), connected: true }));
      });
      source.addEventListener("beat", (event) => {
        hear(JSON.parse(event.data) as BowlAnswer["clock"]);
        setLive((before) => (before.connected ? before : { ...before, connected: true }));
      });
      source.onerror = () => {
        setLive((before) => ({ ...before, connected: false }));
        source?.close();
        clearTimeout(again);
        again = setTimeout(listen, TRY_AGAIN_MS);
      };
    };
    listen();
    const watch = setInterval(() => {
      if (performance.now() - heard > SILENCE_MS) {
        setLive((before) => (before.connected ? { ...before, connected: false } : before));
      }
    }, 1_000);
    return () => {
      clearTimeout(again);
      clearInterval(watch);
      source?.close();
    };
  }, [id]);

  return { ...live, clock: clock.current };
}
