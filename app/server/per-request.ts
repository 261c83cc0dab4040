import { AsyncLocalStorage } from "node:async_hooks";

/*
 * What several loaders of one request ask for is looked up once. The server and its build are two programs in one process: what they share
 * is found by a name of its own.
 */
type Found = Map<string, Promise<unknown>>;
const NAME = Symbol.for("mapset.request");
const holder = globalThis as { [NAME]?: AsyncLocalStorage<Found> };
const storage = (holder[NAME] ??= new AsyncLocalStorage<Found>());

/** Answers one request; what is found for it is forgotten with it. */
export const forOneRequest = <T>(answer: () => T): T => storage.run(new Map(), answer);

/** Finds something once for each request. Outside of one it is found each time. */
export function oncePerRequest<T>(what: string, find: () => Promise<T>): Promise<T> {
  const found = storage.getStore();
  if (!found) return find();
  const known = (found.get(what) as Promise<T> | undefined) ?? find();
  found.set(what, known);
  return known;
}
