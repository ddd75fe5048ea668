// Keeps the pages at the machine and at the table with what they need, so that they open and work on without a network.
const STORE = "machine-1";
const MINE = /^\/projects\/\d+\/(machine|cut\/steps)(\/|$)|^\/static\/|^\/thread\//;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

async function keep(store, address) {
  try {
    const answer = await fetch(address);
    if (answer.ok || answer.status === 204) await store.put(address, answer.status === 204 ? new Response("", { status: 200, headers: { "Content-Type": "image/svg+xml" } }) : answer);
  } catch { /* kept as far as the network lasts */ }
}

self.addEventListener("message", (event) => {
  const { keep: first, then } = event.data || {};
  if (!Array.isArray(first)) return;
  event.waitUntil((async () => {
    const store = await caches.open(STORE);
    await Promise.all(first.map((address) => keep(store, address)));
    event.source.postMessage("kept");
    for (const address of then || []) await keep(store, address);
  })());
});

self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== "GET" || url.origin !== self.location.origin || !MINE.test(url.pathname)) return;
  event.respondWith((async () => {
    const store = await caches.open(STORE);
    try {
      const answer = await fetch(event.request);
      if (answer.ok) store.put(event.request, answer.clone());
      return answer;
    } catch (failed) {
      const kept = await store.match(event.request, { ignoreSearch: event.request.mode === "navigate" });
      if (kept) return kept;
      throw failed;
    }
  })());
});
