import pTimeout from "p-timeout";

/** An earlier release does not answer this, yet it runs by then. */
const ANSWERS_MS = 2_000;

/**
 * Wakes the service worker in place. The one that waits asks once to take its place; where the
 * other is just starting then, Chromium only gives it way once nothing was fetched for half a
 * minute, which a page that asks after what is under way never comes to.
 */
export async function wake(): Promise<void> {
  const inPlace = navigator.serviceWorker.controller;
  if (!inPlace) return;
  const { messageSW } = await import("workbox-window");
  const answer = messageSW(inPlace, { type: "WAKE" });
  await pTimeout(answer, { milliseconds: ANSWERS_MS }).catch(() => undefined);
}
