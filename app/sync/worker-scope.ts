/*
 * What of a service worker's world is used here. The types that ship with TypeScript name it beside a page's, and the two do not go
 * together in one program.
 */

export type Waiting = { waitUntil: (work: Promise<unknown>) => void };
export type Fetched = Waiting & { request: Request; respondWith: (answer: Promise<Response>) => void };
export type Told = Waiting & { data: unknown; ports: readonly MessagePort[] };

export type WorkerScope = {
  addEventListener: ((type: "install" | "activate", listener: (event: Waiting) => void) => void) &
    ((type: "fetch", listener: (event: Fetched) => void) => void) &
    ((type: "message", listener: (event: Told) => void) => void);
  caches: CacheStorage;
  clients: { claim: () => Promise<void> };
  location: Location;
};
