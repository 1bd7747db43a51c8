import { useSyncExternalStore } from "react";

/** Whether the window is at least so wide, in CSS em: what a small screen puts elsewhere. */
export function useWider(em: number): boolean {
  const query = `(min-width: ${em}em)`;
  return useSyncExternalStore(
    (changed) => {
      const list = matchMedia(query);
      list.addEventListener("change", changed);
      return () => list.removeEventListener("change", changed);
    },
    () => matchMedia(query).matches,
  );
}
