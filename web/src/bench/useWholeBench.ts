import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import type { BenchAnswer } from "../api/client";
import { keys } from "../api/queries";
import { useEventStream } from "../kit/useEventStream";
import type { KitchenClock } from "./useBowl";

/** Every bowl at the bench, live, the one that needs hands first on top. */
export function useWholeBench() {
  const queries = useQueryClient();
  const [bench, setBench] = useState(() => queries.getQueryData<BenchAnswer>(keys.liveBench));
  const heard = useRef({ at: performance.now(), real: Date.now() });
  const connected = useEventStream("/api/v1/bench/stream", {
    bench: (data) => {
      const fresh = JSON.parse(data) as BenchAnswer;
      heard.current = { at: performance.now(), real: Date.parse(fresh.now) };
      setBench((before) => replaceEqualDeep(before, fresh));
      queries.setQueryData(keys.liveBench, fresh);
    },
  });
  /** The real time, by the server's clock. */
  const realNow = useCallback(
    () => heard.current.real + (performance.now() - heard.current.at),
    [],
  );
  return { bench, connected, realNow };
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
