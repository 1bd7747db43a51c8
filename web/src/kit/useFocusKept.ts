import { type FocusEvent, useEffect, useRef } from "react";

/**
 * Keeps the focus among touches that come and go with what is to be done: where the one that had
 * it goes away, their place gets it, and not the top of the page. Never another touch: what comes
 * next is not to be set off by a key that was meant for what was there.
 */
export function useFocusKept<T extends HTMLElement>() {
  const place = useRef<T>(null);
  const within = useRef(false);
  useEffect(() => {
    const lost = document.activeElement === null || document.activeElement === document.body;
    if (within.current && lost) place.current?.focus({ preventScroll: true });
  });
  return {
    ref: place,
    tabIndex: -1,
    onFocus: () => {
      within.current = true;
    },
    onBlur: ({ target }: FocusEvent) => {
      // One that was left is there still; one that went away is not, once this was drawn.
      queueMicrotask(() => {
        if (target.isConnected && !place.current?.contains(document.activeElement)) {
          within.current = false;
        }
      });
    },
  };
}
