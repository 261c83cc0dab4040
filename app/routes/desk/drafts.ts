import { browserOutbox } from "~/app/sync/browser";
import { newKey } from "~/app/sync/key";
import { now } from "~/core/clock/clock";
import { isOf, sessionItem, type Item, type OfCoach } from "~/core/outbox/item";
import type { Session } from "~/core/session/schema";

/** Edits that have not reached the server, kept in this browser. */
export type Draft = { basedOn: number; doc: Session };

/** So long after an edit it is kept: typing makes one after another. */
const KEEP_MS = 150;

const keyOf = (id: string) => `session:${id}`;
const later = new Map<string, { timer: ReturnType<typeof setTimeout>; keep: () => Promise<unknown> }>();

/** Sessions whose edits this browser had no room for. */
const noRoomFor = new Set<string>();

function leave(id: string): void {
  clearTimeout(later.get(id)?.timer);
  later.delete(id);
}

/** Keeps what has been edited of a session, a moment after it was. */
export function keepDraft(id: string, whose: OfCoach, { basedOn, doc }: Draft): void {
  leave(id);
  const keep = () => {
    leave(id);
    return browserOutbox()
      .outbox.add(sessionItem(id, whose, { basedOn, doc, title: doc.title }, { now: now(), stamp: newKey() }))
      .then((full) => void (full ? noRoomFor.add(id) : noRoomFor.delete(id)));
  };
  later.set(id, { timer: setTimeout(() => void keep(), KEEP_MS), keep });
}

/** Keeps at once what was still to be kept. */
export const keepDraftNow = async (id: string): Promise<void> => void (await later.get(id)?.keep());

export function dropDraft(id: string): void {
  leave(id);
  forgetEarlier(id);
  void browserOutbox().outbox.drop(keyOf(id));
}

/** What this coach left of a session. */
export async function readDraft(id: string, whose: OfCoach): Promise<Draft | undefined> {
  const { outbox } = browserOutbox();
  await outbox.look();
  const item = outbox.items().find((one): one is Item<"session"> => one.key === keyOf(id) && isOf(one, whose));
  return item ? { basedOn: item.body.basedOn, doc: item.body.doc as Session } : readEarlier(id);
}

/** Whether what is kept of a session would be lost with the page. */
export const isOnlyHere = (id: string): boolean => noRoomFor.has(id) || browserOutbox().onlyHere().has(keyOf(id));

/* Earlier versions kept it by themselves. */
const earlierKey = (id: string) => `mapset-unsaved-${id}`;

function readEarlier(id: string): Draft | undefined {
  try {
    const text = localStorage.getItem(earlierKey(id));
    return text ? (JSON.parse(text) as Draft) : undefined;
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
