import { useEffect, useRef, useState } from "react";
import { type Heard, SILENCE_MS, tellTabs, type Word } from "./tabs";

const TRY_AGAIN_MS = 1_500;

type Handlers = Record<string, (data: string) => void>;

/** Hears a stream of server-sent events, again and again where its connection breaks. */
function hear(url: string, names: string[], tell: (word: Word) => void): Heard {
  let source: EventSource | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let heardAt = performance.now();
  const hush = () => {
    clearTimeout(again);
    source?.close();
  };
  const beginAnew = () => {
    hush();
    const events = new EventSource(url);
    source = events;
    for (const event of names) {
      events.addEventListener(event, ({ data }) => {
        heardAt = performance.now();
        tell({ event, data });
      });
    }
    events.onerror = () => {
      hush();
      again = setTimeout(beginAnew, TRY_AGAIN_MS);
      tell("lost");
    };
  };
  const watch = setInterval(() => {
    if (performance.now() - heardAt > SILENCE_MS) tell("lost");
  }, 1_000);
  beginAnew();
  const close = () => {
    hush();
    clearInterval(watch);
  };
  return { beginAnew, close };
}

/**
 * Listens to a stream of server-sent events for as long as the page is there, together with this
 * browser's other tabs, and tells whether it is heard. A page that is left gives its connection back.
 */
export function useEventStream(url: string, handlers: Handlers): boolean {
  const [connected, setConnected] = useState(false);
  const latest = useRef(handlers);
  latest.current = handlers;
  useEffect(() => {
    const told = (word: Word) => {
      if (word !== "lost") latest.current[word.event]?.(word.data);
      setConnected(word !== "lost");
    };
    const names = Object.keys(latest.current);
    const listen = () => tellTabs(url, (tell) => hear(url, names, tell), told);
    let leave = listen();
    const hide = () => leave();
    const show = (event: PageTransitionEvent) => {
      if (event.persisted) leave = listen();
    };
    window.addEventListener("pagehide", hide);
    window.addEventListener("pageshow", show);
    return () => {
      leave();
      window.removeEventListener("pagehide", hide);
      window.removeEventListener("pageshow", show);
    };
  }, [url]);
  return connected;
}
