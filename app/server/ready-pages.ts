import { LRUCache } from "lru-cache";
import { readTheme } from "~/app/ui/theme";

/** A page that is the same for whoever asks, kept ready: what it was drawn from, and its text once it has been drawn. */
export type ReadyPage<D = unknown> = {
  data: D;
  /** By its look: the text between the places where each answer's own mark goes. */ texts: Map<string, string[]>;
};

/** So many pages are kept, and so much text, in characters. */
const MOST_PAGES = 300;
const MOST_TEXT = 40_000_000;
/** A page with more looks than this is being asked for in odd ways. */
const MOST_LOOKS = 4;

const SIZE_OF_NONE = 1;
const sizeOf = (page: ReadyPage): number =>
  [...page.texts.values()].reduce(
    (sum, parts) => sum + parts.reduce((inner, part) => inner + part.length, 0),
    SIZE_OF_NONE,
  );

/** Pages by what they are drawn from. A key says everything that can differ; what is drawn from the same is the same page. */
const pages = new LRUCache<string, ReadyPage>({ max: MOST_PAGES, maxSize: MOST_TEXT, sizeCalculation: sizeOf });

/** The page of that key, or what there is to draw it from, made now. */
export async function readyPage<D>(key: string, make: () => Promise<D>): Promise<ReadyPage<D>> {
  const kept = pages.get(key) as ReadyPage<D> | undefined;
  if (kept) return kept;
  const page: ReadyPage<D> = { data: await make(), texts: new Map() };
  pages.set(key, page);
  return page;
}

/** The text of a page in a look, with the answer's own mark put in; undefined where it has not been drawn yet. */
export const readyText = (page: ReadyPage, look: string, mark: string): string | undefined =>
  page.texts.get(look)?.join(mark);

/** What the text of a page hangs on besides its key; undefined where it is asked for in an odd way, and is not kept. */
export function lookOf(request: Request): string | undefined {
  const { pathname, search } = new URL(request.url);
  return search === "" ? JSON.stringify([pathname, readTheme(request.headers.get("cookie"))]) : undefined;
}

/** Keeps what was drawn. The mark is a random one that stands for nothing else, so that it is found everywhere it was put. */
export function keepText(key: string, look: string, text: string, mark: string): void {
  const page = pages.peek(key);
  if (!page || page.texts.size >= MOST_LOOKS) return;
  page.texts.set(look, text.split(mark));
  // Its size is taken anew.
  pages.set(key, page);
}
