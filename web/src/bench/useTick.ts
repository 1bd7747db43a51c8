import { useEffect, useState } from "react";

/** Draws anew a few times a second, for what counts down. */
export function useTick(ms = 250): void {
  const [, set] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => set((n) => n + 1), ms);
    return () => clearInterval(timer);
  }, [ms]);
}
