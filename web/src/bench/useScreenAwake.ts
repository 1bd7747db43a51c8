import { useEffect } from "react";

/** Keeps the screen on while a bowl is at the bench. */
export function useScreenAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const hold = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      try {
        const held = await navigator.wakeLock.request("screen");
        if (gone) await held.release();
        else lock = held;
      } catch {
        // The device decides, on a low battery for one.
      }
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
