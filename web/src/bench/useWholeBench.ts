import { replaceEqualDeep } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import type { BenchAnswer } from "../api/client";
import type { KitchenClock } from "./useBowl";

const SILENCE_MS = 4_000;
const TRY_AGAIN_MS = 1_500;

/** Every bowl at the bench, live, the one that needs hands first on top. */
export function useWholeBench() {
  const [live, setLive] = useState<{ bench: BenchAnswer | undefined; connected: boolean }>({
    bench: undefined,
    connected: false,
  });
  const heard = useRef({ at: performance.now(), real: Date.now() });
  useEffect(() => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const listen = () => {
      source = new EventSource("/api/v1/bench/stream");
      source.addEventListener("bench", (event) => {
        const bench = JSON.parse(event.data) as BenchAnswer;
        heard.current = { at: performance.now(), real: Date.parse(bench.now) };
        setLive((before) => ({ bench: replaceEqualDeep(before.bench, bench), connected: true }));
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
      if (performance.now() - heard.current.at > SILENCE_MS) {
        setLive((before) => (before.connected ? { ...before, connected: false } : before));
      }
    }, 1_000);
    return () => {
      clearTimeout(again);
      clearInterval(watch);
      source?.close();
    };
  }, []);
  /** The real time, by the server's clock. */
  const realNow = () => heard.current.real + (performance.now() - heard.current.at);
  return { ...live, realNow };
}

/** A bowl's own time, carried on from what was last heard. */
export function clockOf(
  bowl: { clock: BenchAnswer["bowls"][number]["clock"] },
  heardNow: string,
  realNow: () => number,
): KitchenClock {
  const { now, rate } = bowl.clock;
  return { now: () => Date.parse(now) + (realNow() - Date.parse(heardNow)) * rate };
}
