import { browserOutbox } from "./browser";
import { newKey } from "./key";
import { now } from "~/core/clock/clock";
import { drillItem, heldOf, isFor, sessionItem, type Edits, type Item, type OfCoach } from "~/core/outbox/item";
import type { LocalCopy, Where } from "~/core/saving/saving";

/** So long after an edit it is kept: typing makes one after another. */
const KEEP_MS = 150;

const MAKE = { session: sessionItem, drill: drillItem };

/** Edits of one document that have not reached the server, kept in this browser among what it has to send. */
export type LocalCopies<D> = {
  /** Keeps them, a moment later. */
  keep: (draft: LocalCopy<D>) => void;
  /** Keeps at once what was still to be kept, and says where that is. */
  keepNow: () => Promise<Where>;
  drop: () => void;
  /** What this coach left of it. */
  read: () => Promise<LocalCopy<D> | undefined>;
};

export function localCopiesOf<D>(
  kind: keyof typeof MAKE,
  id: string,
  whose: OfCoach,
  titleOf: (doc: D) => string,
): LocalCopies<D> {
  const held = () => heldOf(browserOutbox().outbox.items(), kind, id, whose);
  let later: { timer: ReturnType<typeof setTimeout>; keep: () => Promise<unknown> } | undefined;
  /** Whether this browser had no room for them. */
  let noRoom = false;
  const leave = () => {
    clearTimeout(later?.timer);
    later = undefined;
  };
  return {
    keep({ basedOn, doc }) {
      leave();
      const keep = async () => {
        leave();
        const body: Edits = { basedOn, doc, title: titleOf(doc) };
        const item: Item = MAKE[kind](id, whose, body, { now: now(), stamp: newKey() });
        noRoom = (await browserOutbox().outbox.add(item)) !== undefined;
      };
      later = { timer: setTimeout(() => void keep(), KEEP_MS), keep };
    },
    async keepNow() {
      await later?.keep();
      const item = held();
      const isOnlyHere = item !== undefined && browserOutbox().onlyHere().has(item.key);
      return noRoom || isOnlyHere ? "page" : "browser";
    },
    drop() {
      leave();
      if (kind === "session") forgetEarlier(id);
      void browserOutbox().outbox.drop(isFor(kind, id, whose));
    },
    async read() {
      const { outbox } = browserOutbox();
      await outbox.look();
      const item = held();
      if (item) return { basedOn: item.body.basedOn, doc: item.body.doc as D };
      return kind === "session" ? readEarlier<D>(id) : undefined;
    },
  };
}

/* Earlier versions kept a session's by themselves. */
const earlierKey = (id: string) => `mapset-unsaved-${id}`;

function readEarlier<D>(id: string): LocalCopy<D> | undefined {
  try {
    const text = localStorage.getItem(earlierKey(id));
    return text ? (JSON.parse(text) as LocalCopy<D>) : undefined;
  } catch {
    return undefined;
  }
}

function forgetEarlier(id: string): void {
  try {
    localStorage.removeItem(earlierKey(id));
  } catch {
    // Switched off: there is nothing in it.
  }
}
