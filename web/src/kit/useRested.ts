import { startTransition, useEffect, useRef, useState } from "react";

/** After so long without a change a value rests. */
const RESTS_MS = 150;
/** It is followed at the latest after this, though it never rests. */
const LATEST_MS = 1_000;

/** A value that follows another once that rests: for what may wait while something is dragged. */
export function useRested<T>(value: T): T {
  const [shown, setShown] = useState(value);
  const since = useRef<number>(undefined);
  useEffect(() => {
    if (value === shown) {
      since.current = undefined;
      return undefined;
    }
    since.current ??= performance.now();
    const left = LATEST_MS - (performance.now() - since.current);
    const timer = setTimeout(
      () => {
        since.current = undefined;
        startTransition(() => setShown(value));
      },
      Math.max(0, Math.min(RESTS_MS, left)),
    );
    return () => clearTimeout(timer);
  }, [value, shown]);
  return shown;
}
