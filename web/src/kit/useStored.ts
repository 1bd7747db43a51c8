import { useCallback, useState } from "react";

/** A small preference that this browser remembers. */
export function useStored<T>(key: string, usual: T): [T, (value: T) => void] {
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = localStorage.getItem(key);
      return kept === null ? usual : (JSON.parse(kept) as T);
    } catch {
      return usual;
    }
  });
  const set = useCallback(
    (next: T) => {
      setValue(next);
      try {
        localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A full or forbidden store only means that it is not remembered.
      }
    },
    [key],
  );
  return [value, set];
}
