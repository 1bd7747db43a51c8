import { useEffect, useRef, useState } from "react";

/** A value that follows another at most once in a while: for what is slow to draw. */
export function useThrottled<T>(value: T, everyMs: number): T {
  const [shown, setShown] = useState(value);
  const latest = useRef(value);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    latest.current = value;
    timer.current ??= setTimeout(() => {
      timer.current = undefined;
      setShown(latest.current);
    }, everyMs);
  }, [value, everyMs]);
  useEffect(() => () => clearTimeout(timer.current), []);
  return shown;
}
