// Part of the service worker: an alarm that is answered from its notification, and one that is
// touched to be looked at; and that it is awake, where a page has to know.
self.addEventListener("message", (event) => {
  if (event.data?.type === "WAKE") event.ports[0]?.postMessage("awake");
});

self.addEventListener("notificationclick", (event) => {
  const { action, notification } = event;
  const { path, answer } = notification.data ?? {};
  notification.close();
  event.waitUntil(action === "answer" && answer ? answered(answer) : shown(path ?? "/begin"));
});

/** A page that is open keeps it and sends it, as if it were touched there; else it is sent from here. */
async function answered(answer) {
  const pages = await self.clients.matchAll({ type: "window" });
  const [page] = pages;
  if (page) {
    page.postMessage({ kind: "answer", answer });
    return;
  }
  const { url, body } = answer;
  const sent = await fetch(url, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  }).catch(() => undefined);
  // What could not be sent must not be thought done.
  if (!sent?.ok)
    await self.registration.showNotification("Not saved", { body: "Open Wide Sheen." });
}

async function shown(path) {
  const pages = await self.clients.matchAll({ type: "window" });
  const there = pages.find((page) => new URL(page.url).pathname === path);
  await (there ? there.focus() : self.clients.openWindow(path));
}
