import { useEffect } from "react";

/** One key for each thing that can be done; typing in a field stays typing. */
export function useKeys(keys: Record<string, (() => void) | undefined>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const target = event.target as HTMLElement;
      // A choice that was just touched keeps the focus, but is not typed into.
      if (target.matches("textarea, select, input:not([type=radio], [type=checkbox])")) return;
      const act = keys[event.key.toLowerCase()];
      if (act) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [keys]);
}
