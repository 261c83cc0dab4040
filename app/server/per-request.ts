import { AsyncLocalStorage } from "node:async_hooks";

/*
 * What several loaders of one request ask for is looked up once. The server and its build are two programs in one process: what they share
 * is found by a name of its own.
 */
type Store = { found: Map<string, Promise<unknown>>; services: unknown; signal: AbortSignal };
const NAME = Symbol.for("mapset.request");
const holder = globalThis as { [NAME]?: AsyncLocalStorage<Store> };
const storage = (holder[NAME] ??= new AsyncLocalStorage<Store>());

/**
 * Answers one request, with the services of the server that was asked, for as long as whoever asked is there; what is found for it
 * is forgotten with it.
 */
export const forOneRequest = <T>(services: unknown, signal: AbortSignal, answer: () => T): T =>
  storage.run({ found: new Map(), services, signal }, answer);

/** Given up when whoever asked has gone; undefined outside of a request. */
export const signalOfRequest = (): AbortSignal | undefined => storage.getStore()?.signal;

/** The services of the server that was asked; undefined outside of a request. */
export const servicesOfRequest = (): unknown => storage.getStore()?.services;

/** Finds something once for each request. Outside of one it is found each time. */
export function oncePerRequest<T>(what: string, find: () => Promise<T>): Promise<T> {
  const found = storage.getStore()?.found;
  if (!found) return find();
  const known = (found.get(what) as Promise<T> | undefined) ?? find();
  found.set(what, known);
  return known;
}
