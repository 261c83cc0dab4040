import { partsOfToday } from "./parts";
import { fullerRun, withLater } from "~/core/checkin/later";
import type { CheckIn, Progress } from "~/core/checkin/schema";
import { sameJson } from "~/core/same-json";
import type { Change } from "~/core/saving/fields";
import type { EpochMs } from "~/core/units";

/*
 * What a browser has to send and nobody has taken yet. Each item is kept first and sent then, again and again, until there is an
 * answer that settles it. Plain data, kept as it was made: the server reads every version there has been.
 */

/** Which version of an item this program writes. Items of every version there has been are read. */
export const ITEM_VERSION = 1;

/** Edits of a document over the revision they were made from, with its name to tell them by. The document is the server's to read. */
export type Edits = { basedOn: number; doc: unknown; title: string };

/** What was chosen beside a session's document, part by part, each as core/saving/fields has it. */
export type SettingEdits = { fields: Record<string, Change<unknown>>; title: string };

/** What is sent of each kind. */
export type Bodies = { run: Progress; "check-in": CheckIn; session: Edits; drill: Edits; setting: SettingEdits };
export type Kind = keyof Bodies;

/** What an answer left an item as: still to be sent, or settled in a way that somebody has to see. */
export type State = "waiting" | "signed-out" | "newer" | "gone" | "refused";

type Common = {
  format: "mapset/outbox";
  version: typeof ITEM_VERSION;
  /** The same key again is the same item. */
  key: string;
  /** Items of one thing, such as a run, are sent in the order they were made. */
  thing: string;
  /** Changes with every change, so that what was changed while it was on its way stays. */
  stamp: string;
  /** When it was made, by the device's clock. */
  made: EpochMs;
  /** How often it was tried, and when it is tried next. */
  tries: number;
  next: EpochMs;
  state: State;
  /** Why it is still here: no connection, or nobody to take it. */
  last?: "offline" | "busy";
  /** When it was settled, and what the answer said. */
  settled?: EpochMs;
  words?: string;
};

/** A link's, by its token: shown on that link's page and nowhere else. */
export type OfLink = { link: string };
/** A coach's in a club: shown to them, and sent only as them. */
export type OfCoach = { coach: string; club: string };
export type Whose = { run: OfLink; "check-in": OfLink; session: OfCoach; drill: OfCoach; setting: OfCoach };

export type Item<K extends Kind = Kind> = { [P in K]: Common & { kind: P; whose: Whose[P]; body: Bodies[P] } }[K];

/** What came of a try. `offline` is no answer at all. */
export type Answer =
  | { kind: "taken" | "offline" }
  | { kind: "busy"; /** Asked to wait so long. */ seconds?: number }
  | { kind: "signed-out" | "newer" }
  | { kind: "gone" | "refused"; words: string };

/** Limits of what a device keeps. Check-ins are kept beyond them. */
export const MOST_ITEMS = 200;
export const MOST_BYTES = 5_000_000;
/** What will never be taken is shown for so long, so that it can be told in person. */
const SHOWN_MS = 30 * 24 * 3_600_000;
const LONGEST_WAIT_S = 60;

/** Seconds until the next try after so many: 1, 2, 4 and on to 60. */
export const waitAfter = (tries: number): number => Math.min(LONGEST_WAIT_S, 2 ** Math.max(0, tries - 1));

/** Whether a kind is a coach’s work, not a report. */
const isCoachs = (kind: Kind): boolean => kind !== "run" && kind !== "check-in";

/** Settled is what no try will change. What is newer elsewhere waits for its coach to choose; a report, for a server that can read it. */
export const isSettled = ({ state, kind }: Item): boolean =>
  state === "gone" || state === "refused" || (state === "newer" && isCoachs(kind));

/** Whether an item may be sent by this page just now. */
export type May = (item: Item) => boolean;
const ALL: May = () => true;

/** Whether an item may be tried. A clock that was set back must not hold it for ever: no wait is longer than the longest. */
const isDue = (item: Item, now: EpochMs): boolean =>
  !isSettled(item) && (item.next <= now || item.next > now + LONGEST_WAIT_S * 1000);

const inOrder = (items: readonly Item[]) => [...items].sort((a, b) => a.made - b.made || (a.key < b.key ? -1 : 1));

/** The item to try now: the oldest that is due, and of each thing only the first that waits. */
export function nextToSend(items: readonly Item[], now: EpochMs, may: May = ALL): Item | undefined {
  const begun = new Set<string>();
  for (const item of inOrder(items)) {
    if (isSettled(item) || !may(item)) continue;
    if (!begun.has(item.thing) && isDue(item, now)) return item;
    begun.add(item.thing);
  }
  return undefined;
}

/** Milliseconds until something can be tried; undefined where nothing waits. */
export function untilNext(items: readonly Item[], now: EpochMs, may: May = ALL): number | undefined {
  const first = new Map<string, Item>();
  for (const item of inOrder(items))
    if (!isSettled(item) && may(item) && !first.has(item.thing)) first.set(item.thing, item);
  const waits = [...first.values()].map((item) => (isDue(item, now) ? 0 : item.next - now));
  return waits.length > 0 ? Math.min(...waits) : undefined;
}

/** With everything that is due waiting as long as one that met no connection: the others would only meet the same. */
export const allWaiting = (items: readonly Item[], until: EpochMs): Item[] =>
  items.map((item) => (isSettled(item) || item.next >= until ? item : { ...item, next: until }));

/** With everything that waits due at once: the connection is back, or somebody looks at the page. */
export const allDue = (items: readonly Item[], now: EpochMs): Item[] =>
  items.map((item) => (isSettled(item) || item.next <= now ? item : { ...item, next: now }));

/** What is left of an item after an answer; undefined where it has been taken. */
export function after(item: Item, answer: Answer, now: EpochMs): Item | undefined {
  const tries = item.tries + 1;
  const later = (seconds: number) => now + seconds * 1000;
  switch (answer.kind) {
    case "taken":
      return undefined;
    case "gone":
    case "refused":
      // How far a run was is nothing to be told in person; its check-in is.
      return item.kind === "run"
        ? undefined
        : { ...item, tries, state: answer.kind, settled: now, words: answer.words };
    case "signed-out":
    case "newer":
      // Neither lasts: somebody signs in, the server is brought up to date.
      return {
        ...item,
        tries,
        state: answer.kind,
        next: later(LONGEST_WAIT_S),
        ...(answer.kind === "newer" && isCoachs(item.kind) && { settled: now }),
      };
    default:
      return {
        ...item,
        tries,
        state: "waiting",
        last: answer.kind,
        next: later(
          Math.max(waitAfter(tries), answer.kind === "busy" ? Math.min(LONGEST_WAIT_S, answer.seconds ?? 0) : 0),
        ),
      };
  }
}

/** Items of a run that go when its check-in is made: that carries the same again. */
export const coveredBy = (item: Item, all: readonly Item[]): Item[] =>
  item.kind === "check-in" ? all.filter((one) => one.kind === "run" && one.thing === item.thing) : [];

/**
 * An item as it stands beside what is kept: the same key again takes the place of the one before, a run as the fuller of both, a
 * check-in with what the later one adds. Undefined where nothing changes: with a check-in nothing more is to be told of its run.
 */
export function beside(item: Item, all: readonly Item[]): Item | undefined {
  if (item.kind === "run" && all.some((one) => one.kind === "check-in" && one.thing === item.thing)) return undefined;
  const known = all.find((one) => isAgain(item, one));
  if (!known) return item;
  if (known.kind === "check-in" && item.kind === "check-in") {
    const body = withLater(known.body, item.body);
    return sameJson(body, known.body) || isSettled(known)
      ? undefined
      : { ...item, key: known.key, made: known.made, tries: known.tries, next: known.next, state: known.state, body };
  }
  // Somebody has chosen since: it is sent at once.
  const place = isSettled(known)
    ? { key: known.key, made: known.made }
    : { key: known.key, made: known.made, tries: known.tries, next: known.next, state: known.state };
  if (known.kind === "setting" && item.kind === "setting")
    return { ...item, ...place, body: { ...item.body, fields: { ...known.body.fields, ...item.body.fields } } };
  if (known.kind === "run" && item.kind === "run") return { ...item, ...place, body: fullerRun(known.body, item.body) };
  return { ...item, ...place };
}

/** Whether an item is of the same as one that is kept. Of coaches’ work the keys of earlier pages named no coach. */
const isAgain = (item: Item, kept: Item): boolean =>
  kept.key === item.key ||
  ("coach" in item.whose && kept.kind === item.kind && kept.thing === item.thing && isOf(kept, item.whose));

/** In bytes, near enough: what a browser counts of it. */
export const sizeOf = (items: readonly Item[]): number =>
  items.reduce((sum, item) => sum + JSON.stringify(item).length, 0);

/** Why an item cannot be kept; undefined where it can. */
export function noRoom(item: Item, all: readonly Item[]): string | undefined {
  if (item.kind === "check-in" || all.some((one) => isAgain(item, one))) return undefined;
  return all.length >= MOST_ITEMS || sizeOf([...all, item]) > MOST_BYTES
    ? "This device already has too much waiting to be sent. Go online and let it send that first."
    : undefined;
}

/** What is past being shown. A coach’s edits stay until they have chosen. */
export const pastShowing = (items: readonly Item[], now: EpochMs): Item[] =>
  items.filter((item) => !isCoachs(item.kind) && item.settled !== undefined && now - item.settled > SHOWN_MS);

/** A coach's own, of those in this browser. */
export const isOf = (item: Item, { coach, club }: OfCoach): boolean =>
  "coach" in item.whose && item.whose.coach === coach && item.whose.club === club;

const KINDS: readonly string[] = ["run", "check-in", "session", "drill", "setting"] satisfies Kind[];

/** What a device kept as an item. Undefined for one of a newer page: it is left as it is, for that page to send. */
export function readItem(value: unknown): Item | undefined {
  const item = value as Partial<Item> | null;
  if (typeof item !== "object" || item?.format !== "mapset/outbox" || item.version !== 1) return undefined;
  const whole =
    [item.key, item.thing, item.stamp].every((text) => typeof text === "string") &&
    [item.made, item.tries, item.next].every(Number.isFinite) &&
    KINDS.includes(item.kind ?? "") &&
    typeof item.body === "object";
  if (!whole) return undefined;
  return item.kind === "setting"
    ? ({ ...item, body: { ...item.body, fields: partsOfToday(item.body?.fields ?? {}) } } as Item)
    : (item as Item);
}

type Making = { now: EpochMs; stamp: string };

const made = ({ now, stamp }: Making) => ({
  format: "mapset/outbox" as const,
  version: ITEM_VERSION as typeof ITEM_VERSION,
  stamp,
  made: now,
  tries: 0,
  next: now,
  state: "waiting" as const,
});

/** How far a run of a link is. Told again it takes the place of what was told before. */
export const runItem = (link: string, body: Progress, making: Making): Item<"run"> => ({
  ...made(making),
  kind: "run",
  key: `run:${body.key}`,
  thing: body.key,
  whose: { link },
  body,
});

/** A check-in of a link. */
export const checkInItem = (link: string, body: CheckIn, making: Making): Item<"check-in"> => ({
  ...made(making),
  kind: "check-in",
  key: `check-in:${body.run.key}`,
  thing: body.run.key,
  whose: { link },
  body,
});

type CoachKind = Exclude<Kind, "run" | "check-in">;

/** Two coaches who share a browser each keep their own of the same document. */
const keyOf = (kind: CoachKind, id: string, { coach }: OfCoach): string => `${kind}:${id}:${coach}`;

/** What stands beside a session is not the session’s: the one does not wait for the other. */
const thingOf = (kind: CoachKind, id: string): string => (kind === "setting" ? `setting:${id}` : id);

/** Whether an item is of a coach’s work on one document. */
export const isFor =
  (kind: CoachKind, id: string, whose: OfCoach) =>
  (item: Item): boolean =>
    item.kind === kind && item.thing === thingOf(kind, id) && isOf(item, whose);

/** What waits of it. */
export const heldOf = <K extends CoachKind>(items: readonly Item[], kind: K, id: string, whose: OfCoach) =>
  items.find(isFor(kind, id, whose)) as Item<K> | undefined;

/** What has been edited of a session and not been saved. Edited again it takes the place of what was before. */
export const sessionItem = (session: string, whose: OfCoach, body: Edits, making: Making): Item<"session"> => ({
  ...made(making),
  kind: "session",
  key: keyOf("session", session, whose),
  thing: session,
  whose,
  body,
});

/** What somebody has told to be kept of a drill of their own, and is not yet. */
export const drillItem = (drill: string, whose: OfCoach, body: Edits, making: Making): Item<"drill"> => ({
  ...made(making),
  kind: "drill",
  key: keyOf("drill", drill, whose),
  thing: drill,
  whose,
  body,
});

/** What was chosen beside a session. What is chosen later goes with it. */
export const settingItem = (session: string, whose: OfCoach, body: SettingEdits, making: Making): Item<"setting"> => ({
  ...made(making),
  kind: "setting",
  key: keyOf("setting", session, whose),
  thing: thingOf("setting", session),
  whose,
  body,
});

/** The session that an item of a coach’s is about. */
export const sessionOf = (item: Item): string | undefined =>
  item.kind === "session"
    ? item.thing
    : item.kind === "setting"
      ? item.thing.slice(thingOf("setting", "").length)
      : undefined;
