/** Keeps a folder on the device after the first visit, so that it is played with no network. */
/// <reference lib="webworker" />

const worker = self as unknown as ServiceWorkerGlobalScope;

/** Written over this when the folder is made: what tells its content from any other. */
const VERSION = "{version}";

/** Folders beside each other keep each their own. */
const SCOPE = new URL(worker.registration.scope).pathname;
const CACHE = `${SCOPE} ${VERSION}`;

worker.addEventListener("install", (event) => {
  event.waitUntil(
    (async () => {
      const names = (await (await fetch("files.json", { cache: "no-store" })).json()) as string[];
      const cache = await caches.open(CACHE);
      // Each is asked for anew: what the browser kept by itself may be of the folder before.
      await cache.addAll(["./", ...names].map((name) => new Request(name, { cache: "no-cache" })));
      await worker.skipWaiting();
    })(),
  );
});

worker.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      const others = (await caches.keys()).filter((name) => name !== CACHE && name.startsWith(`${SCOPE} `));
      await Promise.all(others.map((name) => caches.delete(name)));
      await worker.clients.claim();
    })(),
  );
});

worker.addEventListener("fetch", (event) => {
  const { request } = event;
  if (request.method !== "GET" || !request.url.startsWith(worker.registration.scope)) return;
  event.respondWith(kept(request));
});

/** A file of this folder as it was kept; never one of the folder as it was before. */
async function kept(request: Request): Promise<Response> {
  const cache = await caches.open(CACHE);
  return (await cache.match(request, { ignoreSearch: true })) ?? fetch(request);
}
