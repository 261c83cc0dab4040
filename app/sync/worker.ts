import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from "workbox-precaching";
import { answerPage, isPage, keepAsked, renewPages, TO_KEEP, type Around } from "./kept-pages";
import type { WorkerScope } from "./worker-scope";
import { now } from "~/core/clock/clock";

/*
 * The service worker of links' pages: it keeps a page with all that it names, so that a class opens it in a basement. It has nothing to do with
 * the coach's pages. Built after the application, which says what there is to keep (scripts/setup/service-worker). A newer one takes over when
 * no page of the older is open.
 */

declare const self: WorkerScope;
/** The files of the build, and which build it is. */
declare const FILES: { url: string; revision: string | null }[];
declare const BUILD: string;

const PAGES = "mapset-pages-";

precacheAndRoute(FILES);
cleanupOutdatedCaches();

const around: Around = {
  pages: () => self.caches.open(PAGES + BUILD),
  fetch: (address, only) =>
    fetch(address, { credentials: "same-origin", cache: "no-store", ...(only && { headers: { [TO_KEEP]: "1" } }) }),
  has: async (asset) => (await matchPrecache(asset)) !== undefined,
  now,
  wait: (ms) => new Promise((over) => setTimeout(over, ms)),
};

/** What builds before this one have kept. */
const earlier = async () =>
  (await self.caches.keys()).filter((name) => name.startsWith(PAGES) && name !== PAGES + BUILD);

self.addEventListener("install", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await earlier()) await renewPages(await self.caches.open(name), around);
    })(),
  );
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await earlier()) await self.caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  if (request.method === "GET" && request.mode === "navigate" && isPage(request.url))
    event.respondWith(answerPage(request.url, around, (work) => event.waitUntil(work)));
});

/** A page asks to be kept, which the very first visit does after it was answered; or everything is to be forgotten. */
self.addEventListener("message", (event) => {
  const asked = event.data as { keep?: string; forget?: true };
  const answer = (kept: boolean) => event.ports[0]?.postMessage({ kept });
  if (asked.forget)
    event.waitUntil(
      self.caches
        .keys()
        .then((all) =>
          Promise.all(all.filter((name) => name.startsWith(PAGES)).map((name) => self.caches.delete(name))),
        )
        .then(() => answer(false)),
    );
  else if (typeof asked.keep === "string" && isPage(asked.keep)) {
    event.waitUntil(keepAsked(asked.keep, around).then(answer, () => answer(false)));
  }
});
