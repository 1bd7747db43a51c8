import { useEffect, useRef } from "react";
import type { Guide } from "../api/client";
import type { KitchenClock } from "../bench/useBowl";

/** A batch's own time, carried on between two answers. */
export function useGuideClock({ now, rate }: Guide["clock"]): KitchenClock {
  const anchor = useRef({ kitchen: Date.parse(now), heard: performance.now(), rate });
  useEffect(() => {
    anchor.current = { kitchen: Date.parse(now), heard: performance.now(), rate };
  }, [now, rate]);
  const clock = useRef<KitchenClock>({
    now: () => {
      const { kitchen, heard, rate: pace } = anchor.current;
      return kitchen + (performance.now() - heard) * pace;
    },
  });
  return clock.current;
}
