import type { EpochMs } from "~/core/units";

/*
 * Pages of links that were opened on this device, kept so that they open without a connection. What they say belongs to whoever has the link: a
 * link that opens nothing any more takes its page along.
 */

const DAY_MS = 86_400_000;
export const MOST_PAGES = 20;
export const KEPT_DAYS = 60;
/** So long the network is waited for where there is a kept page. */
export const PATIENCE_MS = 3_000;

/** A page that was kept so lately need not be fetched again. */
const FRESH_MS = 60_000;

/** Says that a page is asked for to be kept: nobody has opened it. */
export const TO_KEEP = "x-mapset-keep";

const KEPT_AT = "x-mapset-kept";

/** What keeping stands on; a worker's, or a test's. */
export type Around = {
  pages: () => Promise<Cache>;
  /** Asks for a page: as somebody opens it, or only to keep it. */
  fetch: (address: string, only?: "to keep") => Promise<Response>;
  /** Whether a file of the build is on this device. */
  has: (asset: string) => Promise<boolean>;
  now: () => EpochMs;
  wait: (ms: number) => Promise<void>;
};

/** The page an address is kept as: without what follows its path. */
export function pageOf(address: string): string {
  const { origin, pathname } = new URL(address);
  return origin + pathname;
}

/** Whether an address is that of a link's page. */
export const isPage = (address: string): boolean => /^\/f\/[A-Za-z0-9_-]{24}$/.test(new URL(address).pathname);

/** The files of the build that a page names. */
export const assetsOf = (html: string): string[] => [...new Set(html.match(/\/assets\/[\w.-]+\.(?:js|css)/g) ?? [])];

/** A page and the files it names belong together: one that names others than those that are here cannot be shown without a connection. */
async function isWhole(html: string, has: Around["has"]): Promise<boolean> {
  const all = await Promise.all(assetsOf(html).map(has));
  return all.length > 0 && all.every(Boolean);
}

/** Keeps a page as it was answered; one whose link opens nothing any more goes. Says whether the page is kept as it is now. */
export async function keepPage(address: string, answer: Response, { pages, has, now }: Around): Promise<boolean> {
  const cache = await pages();
  const page = pageOf(address);
  if (answer.status === 404 || answer.status === 410) {
    await cache.delete(page);
    return false;
  }
  if (answer.status !== 200 || !answer.headers.has("x-request-id")) return false;
  const html = await answer.text();
  if (!(await isWhole(html, has))) return false;
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(now()));
  // It is kept as text: how it was packed on its way says nothing of it any more.
  for (const name of ["content-encoding", "content-length", "transfer-encoding"]) headers.delete(name);
  await cache.put(page, new Response(html, { status: 200, headers }));
  await prune(cache, now());
  return true;
}

/** Lets go of pages that were not opened for too long, and of the oldest beyond so many. */
async function prune(cache: Cache, now: EpochMs): Promise<void> {
  const kept = await Promise.all(
    (await cache.keys()).map(async (request) => ({
      request,
      at: Number((await cache.match(request))?.headers.get(KEPT_AT) ?? 0),
    })),
  );
  kept.sort((a, b) => b.at - a.at);
  for (const [i, { request, at }] of kept.entries())
    if (i >= MOST_PAGES || now - at > KEPT_DAYS * DAY_MS) await cache.delete(request);
}

/** Answers for a page: from the network, or as it was kept where that is away, slow, or failing. */
export async function answerPage(
  address: string,
  around: Around,
  later: (work: Promise<unknown>) => void,
): Promise<Response> {
  const kept = await (await around.pages()).match(pageOf(address));
  const asked = around.fetch(address);
  // However late it comes, it is what is shown the next time.
  later(asked.then((answer) => keepPage(address, answer.clone(), around)).catch(() => undefined));
  if (!kept) return asked;
  const slow = around.wait(PATIENCE_MS).then(() => kept);
  return Promise.race([
    asked.then(
      (answer) => (answer.status >= 500 || !answer.headers.has("x-request-id") ? kept : answer),
      () => kept,
    ),
    slow,
  ]);
}

/** Keeps a page that asks for it, unless it has only just been kept. Says whether it opens without a connection. */
export async function keepAsked(address: string, around: Around): Promise<boolean> {
  const cache = await around.pages();
  const before = await cache.match(pageOf(address));
  if (before && around.now() - Number(before.headers.get(KEPT_AT)) < FRESH_MS) return true;
  await around
    .fetch(address, "to keep")
    .then((answer) => keepPage(address, answer, around))
    .catch(() => undefined);
  return (await cache.match(pageOf(address))) !== undefined;
}

/** Fetches every kept page anew into another place, for a newer build. Fails where one cannot be had: the older build goes on until it can. */
export async function renewPages(before: Cache, around: Around): Promise<void> {
  for (const { url } of await before.keys()) {
    const answer = await around.fetch(url, "to keep");
    const gone = answer.status === 404 || answer.status === 410;
    if (!(await keepPage(url, answer, around)) && !gone) throw new Error("A kept page could not be fetched");
  }
}
