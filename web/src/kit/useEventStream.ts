import { useEffect, useRef, useState } from "react";

/** Without word for this long, the connection counts as lost. */
const SILENCE_MS = 4_000;
const TRY_AGAIN_MS = 1_500;

type Handlers = Record<string, (data: string) => void>;

/**
 * Listens to a stream of server-sent events for as long as the page is there,
 * and tells whether it is heard. A page that is left gives its connection back:
 * browsers allow only a few to one server.
 */
export function useEventStream(url: string, handlers: Handlers): boolean {
  const [connected, setConnected] = useState(false);
  const latest = useRef(handlers);
  latest.current = handlers;
  useEffect(() => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let heard = performance.now();
    const hush = () => {
      clearTimeout(again);
      source?.close();
    };
    const listen = () => {
      hush();
      const events = new EventSource(url);
      source = events;
      for (const name of Object.keys(latest.current)) {
        events.addEventListener(name, (event) => {
          heard = performance.now();
          latest.current[name]?.(event.data);
          setConnected(true);
        });
      }
      events.onerror = () => {
        setConnected(false);
        hush();
        again = setTimeout(listen, TRY_AGAIN_MS);
      };
    };
    const back = (event: PageTransitionEvent) => event.persisted && listen();
    listen();
    const watch = setInterval(() => {
      if (performance.now() - heard > SILENCE_MS) setConnected(false);
    }, 1_000);
    window.addEventListener("pagehide", hush);
    window.addEventListener("pageshow", back);
    return () => {
      hush();
      clearInterval(watch);
      window.removeEventListener("pagehide", hush);
      window.removeEventListener("pageshow", back);
    };
  }, [url]);
  return connected;
}
