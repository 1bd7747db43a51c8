import { useEffect, useRef, useSyncExternalStore } from "react";
import { IS_ON_A_DEVICE } from "../api/kept";
import type { Said } from "../outbox/entry";
import { enter } from "../outbox/outbox";

/** What is entered where an alarm is answered. */
export interface Answer {
  /** What is written on it. */
  label: string;
  /** The bowl or batch it is of. */
  of: string;
  said: Extract<Said, { kind: "reading" | "action" | "event" }>;
}

/** An alarm, as it is shown beside other applications. */
export interface Notice {
  title: string;
  body: string;
  /** The page that it is about. */
  path: string;
  answer?: Answer | undefined;
  /** Whether it stays until it is looked at. */
  stays: boolean;
}

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export type Allowed = NotificationPermission | "impossible";

function allowed(): Allowed {
  return typeof Notification === "undefined" ? "impossible" : Notification.permission;
}

/** Whether this device shows alarms of a page that is not looked at. */
export function useAllowed(): Allowed {
  return useSyncExternalStore(subscribe, allowed);
}

export async function askToNotify(): Promise<void> {
  await Notification.requestPermission().catch(() => {});
  for (const listener of listeners) listener();
}

const urls = { action: "actions", reading: "readings" } as const;

/** Where an answer is sent, should no page be open any more. */
function sentTo({ of, said }: Answer): { url: string; body: unknown } {
  const url =
    said.kind === "event"
      ? `/api/v1/batches/${of}/events`
      : `/api/v1/bowls/${of}/${urls[said.kind]}`;
  return { url, body: said.body };
}

/** Shows an alarm while nobody looks at the page; one that is looked at says it by itself. */
export async function notify({ title, body, path, answer, stays }: Notice): Promise<void> {
  if (allowed() !== "granted" || document.visibilityState === "visible") return;
  const shared = { body, tag: path, icon: "/icon-192.png", requireInteraction: stays };
  const worker = IS_ON_A_DEVICE ? await navigator.serviceWorker?.ready : undefined;
  if (!worker) {
    // Without a worker it can be looked at, and not answered.
    const plain = new Notification(title, shared);
    plain.onclick = () => window.focus();
    return;
  }
  const options: NotificationOptions & {
    actions?: { action: string; title: string }[];
    vibrate?: number[];
    renotify?: boolean;
  } = {
    ...shared,
    renotify: true,
    vibrate: stays ? [300, 150, 300, 150, 600] : [200, 100, 200],
    data: { path, answer: answer && { ...sentTo(answer), of: answer.of, said: answer.said } },
    ...(answer && { actions: [{ action: "answer", title: answer.label }] }),
  };
  await worker.showNotification(title, options);
}

/** Keeps and sends what was answered from a notification, as if it were touched here. */
export function hearAnswers(): void {
  navigator.serviceWorker?.addEventListener("message", ({ data }) => {
    if (data?.kind !== "answer" || typeof data.answer?.of !== "string") return;
    void enter(data.answer.of, data.answer.said);
  });
}

/** Shows an alarm once each time that it is a new one; what stands when the page opens is seen. */
export function useNotice(cause: string, notice: Notice | null): void {
  const before = useRef<string>(undefined);
  const latest = useRef(notice);
  latest.current = notice;
  useEffect(() => {
    const isNew = before.current !== undefined && before.current !== cause;
    before.current = cause;
    if (!isNew || !latest.current) return;
    void notify(latest.current);
    if (document.visibilityState === "visible") navigator.vibrate?.([200, 100, 200]);
  }, [cause]);
}
