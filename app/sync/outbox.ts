import {
  after,
  allDue,
  allWaiting,
  beside,
  coveredBy,
  nextToSend,
  noRoom,
  pastShowing,
  untilNext,
  type Answer,
  type Item,
  type May,
} from "~/core/outbox/item";
import { sameJson } from "~/core/same-json";
import type { Store } from "~/core/outbox/store";
import type { EpochMs } from "~/core/units";

/** What an outbox stands on: a browser's, or a test's. */
export type Around = {
  store: Store;
  /** Sends an item and says what came of it; never fails. */
  send: (item: Item) => Promise<Answer>;
  now: () => EpochMs;
  /** Does work while no other page of this browser sends; says whether it was done. */
  alone: (work: () => Promise<void>) => Promise<boolean>;
  /** Does something later; returns how to leave it. */
  later: (ms: number, work: () => void) => () => void;
  /** Tells other pages of this browser that something has changed. */
  tell: () => void;
  /** What this page may send just now; all, where nothing is said. */
  may?: () => Promise<May>;
};

/** So long a page waits that another one sends before it. */
const NOT_ALONE_MS = 1_000;

export type Outbox = ReturnType<typeof openOutbox>;

/**
 * What this browser has to send. An item is kept first, then sent, one after another, until an answer settles it. One page of a browser sends
 * at a time; where that cannot be known every page does, and the server takes each key once.
 */
export function openOutbox({
  store,
  send,
  now,
  alone,
  later,
  tell,
  may: whatMay = () => Promise.resolve(() => true),
}: Around) {
  let items: readonly Item[] = [];
  let sending: string | undefined;
  let underWay = false;
  let again = false;
  let may: May = () => true;
  let leave: () => void = () => undefined;
  const listeners = new Set<() => void>();

  const notify = () => listeners.forEach((listener) => listener());
  const look = async () => {
    items = await store.all();
    notify();
  };
  /** What is there. Another page may have changed it without this one having heard. */
  const all = async () => {
    const there = await store.all();
    if (!sameJson(there, items)) {
      items = there;
      notify();
    }
    return there;
  };
  const change: Store["change"] = async (what) => {
    let changed = false;
    await store.change((all) => {
      const { put = [], drop = [] } = what(all) ?? {};
      changed = put.length + drop.length > 0;
      return { put, drop };
    });
    if (!changed) return;
    await look();
    tell();
  };

  /** Sends what is due, and what comes to be due meanwhile. */
  async function round(): Promise<void> {
    for (;;) {
      may = await whatMay();
      const item = nextToSend(await all(), now(), may);
      if (!item) return;
      sending = item.key;
      notify();
      const answer = await send(item);
      sending = undefined;
      await change((all) => {
        const kept = all.find((one) => one.key === item.key);
        if (!kept) return undefined;
        // Changed while it was on its way: what is there now is yet to be sent, whatever was said of what was there before.
        if (kept.stamp !== item.stamp)
          return answer.kind === "offline" || answer.kind === "busy"
            ? { put: [after({ ...kept, tries: item.tries }, answer, now()) ?? kept] }
            : undefined;
        const left = after(item, answer, now());
        if (!left) return { drop: [item.key] };
        const others = all.filter((one) => one.key !== item.key);
        return {
          put: answer.kind === "offline" ? [left, ...changedOf(others, allWaiting(others, left.next))] : [left],
        };
      });
      if (answer.kind === "offline") return;
    }
  }

  async function run(): Promise<void> {
    leave();
    if (underWay) {
      again = true;
      return;
    }
    underWay = true;
    let did = true;
    try {
      do {
        again = false;
        did = await alone(round);
      } while (again && did);
      await change((all) => ({ drop: pastShowing(all, now()).map(({ key }) => key) }));
    } finally {
      sending = undefined;
      underWay = false;
      const wait = untilNext(items, now(), may);
      if (wait !== undefined) leave = later(did ? Math.max(wait, 50) : NOT_ALONE_MS, () => void run());
    }
  }

  /** Tries everything that waits at once: there is a connection again, or somebody looks. */
  async function wake(): Promise<void> {
    await change((all) => ({ put: changedOf(all, allDue(all, now())) }));
    await run();
  }

  return {
    /** What is kept, as it was last looked at; the same list until something changes. */
    items: () => items,
    /** The key of what is on its way. */
    sending: () => sending,
    subscribe(listener: () => void): () => void {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    /** Looks at what is there, and tries all that waits: a page has been opened. */
    async open(): Promise<void> {
      await look();
      await wake();
    },
    look,
    /** Keeps an item and sends it. Answers once it is kept, with why not where there is no room. */
    async add(item: Item): Promise<string | undefined> {
      let full: string | undefined;
      await change((all) => {
        const next = beside(item, all);
        full = next && noRoom(next, all);
        return next && full === undefined
          ? { put: [next], drop: coveredBy(next, all).map(({ key }) => key) }
          : undefined;
      });
      void run();
      return full;
    },
    wake,
    /** Lets an item go by its key, such as one that has been told in person, or all of which something is so. */
    drop: (which: string | ((item: Item) => boolean)) =>
      change((all) => ({
        drop: all
          .filter((item) => (typeof which === "string" ? item.key === which : which(item)))
          .map(({ key }) => key),
      })),
    /** Lets go of everything there is, of a newer page's too. */
    async forget(): Promise<void> {
      leave();
      await store.clear();
      await look();
      tell();
    },
    /** Ends its waiting. */
    close: () => leave(),
  };
}

/** Those of a list that are otherwise than before. */
const changedOf = (before: readonly Item[], then: readonly Item[]): Item[] =>
  then.filter((item, i) => item !== before[i]);
