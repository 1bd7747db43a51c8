import { useCallback, useEffect, useRef, useState } from "react";
import { type ActionAnswer, api, type NewAction, type Reading } from "../api/client";
import { accepted, Refusal } from "../api/refusal";

const TRY_AGAIN_MS = 1_500;

interface NewReading {
  id: string;
  at: string;
  temp_c: number;
  source: "hand";
}

type Entry =
  | { kind: "reading"; body: NewReading }
  | { kind: "action"; body: NewAction & { id: string } };

function keptUnder(bowlId: string): string {
  return `wide-sheen.outbox.${bowlId}`;
}

function kept(bowlId: string): Entry[] {
  try {
    return JSON.parse(localStorage.getItem(keptUnder(bowlId)) ?? "[]") as Entry[];
  } catch {
    return [];
  }
}

function keep(bowlId: string, entries: Entry[]): void {
  try {
    localStorage.setItem(keptUnder(bowlId), JSON.stringify(entries));
  } catch {
    // It still goes out from memory; only a reload while offline would lose it.
  }
}

async function send(bowlId: string, entry: Entry): Promise<void> {
  const params = { path: { id: bowlId } };
  if (entry.kind === "reading") {
    accepted<Reading>(await api.POST("/api/v1/bowls/{id}/readings", { params, body: entry.body }));
  } else {
    accepted<ActionAnswer>(
      await api.POST("/api/v1/bowls/{id}/actions", { params, body: entry.body }),
    );
  }
}

/**
 * What was entered and is not on the server yet. Entries go out in order, each
 * with its own id, so that one that was sent twice is kept once; they outlive a
 * lost connection and a reload. A refused entry is taken out and told.
 */
export function useOutbox(bowlId: string) {
  const [waiting, setWaiting] = useState<Entry[]>(() => kept(bowlId));
  const [refusal, setRefusal] = useState<Refusal>();
  const [failing, setFailing] = useState(false);
  const queue = useRef(waiting);
  const busy = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const set = useCallback(
    (entries: Entry[]) => {
      queue.current = entries;
      setWaiting(entries);
      keep(bowlId, entries);
    },
    [bowlId],
  );

  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    clearTimeout(timer.current);
    while (queue.current.length > 0) {
      const [first, ...rest] = queue.current;
      if (!first) break;
      try {
        await send(bowlId, first);
        set(queue.current.slice(1));
        setFailing(false);
      } catch (error) {
        if (error instanceof Refusal && error.status < 500) {
          setRefusal(error);
          setFailing(false);
          set(rest);
        } else {
          setFailing(true);
          timer.current = setTimeout(flush, TRY_AGAIN_MS);
          break;
        }
      }
    }
    busy.current = false;
  }, [bowlId, set]);

  const put = useCallback(
    (entry: Entry) => {
      setRefusal(undefined);
      set([...queue.current, entry]);
      void flush();
    },
    [set, flush],
  );

  useEffect(() => {
    void flush();
    window.addEventListener("online", flush);
    return () => {
      window.removeEventListener("online", flush);
      clearTimeout(timer.current);
    };
  }, [flush]);

  return { waiting: waiting.length, failing, refusal, put };
}
