import type { Mine } from "./mine";
import { pause, positionAt, REALLY_DONE, reachedEnd, shareDone, type Run } from "./run";
import type { PainAt } from "~/core/checkin/pain-place";
import type { CheckIn, PainTold, Person, Tightness } from "~/core/checkin/schema";
import type { EpochMs, Seconds, Share } from "~/core/units";

/*
 * What a device keeps of one link. Several people may follow on one device, each with their own run, and each with a check-in
 * that stays to be given. One that has been given is the outbox's (`core/outbox`). Plain data.
 */

/** A run under way. `at` is when somebody was last seen following it; `easier` are the places asked for easier today. */
export type KeptRun = {
  key: string;
  person: Person;
  run: Run;
  at: EpochMs;
  easier: string[];
  /** When it was begun, by the device’s own clock. */ begun?: EpochMs;
  /** Left without pausing: when. */ awaySince?: EpochMs;
};

/**
 * A class that is followed on this device: what was done of it here, by the server’s clock when it was last followed, what is
 * done easier, by place, and which drills hurt.
 */
export type KeptClass = {
  classId: string;
  key: string;
  person: Person;
  begun: EpochMs;
  /** Seconds of work done here, and of the whole session. */
  done: Seconds;
  work: Seconds;
  /** Seconds of work that the class has run, where whoever leads skipped some of it. */
  ran?: Seconds;
  seen?: EpochMs;
  /** The same by this device’s clock, as for a run. */
  at: EpochMs;
  easier: string[];
  out: string[];
  /** What hurt, each as it was told. An earlier version kept the last of them alone, as `hurt`. */
  pains?: PainTold[];
  hurt?: PainAt;
};

/** What has been filled in of a check-in. */
export type Answers = {
  hard: number | null;
  tightness: Tightness[];
  pain: boolean | null;
  painWhere: string;
  /** Not in what an earlier version left. */
  painAt?: PainAt | null;
  pains?: PainTold[];
  note: string;
};

/** A run that is over and of which nothing has been said yet. */
export type Awaited = {
  key: string;
  person: Person;
  share: Share;
  reachedEnd: boolean;
  at: EpochMs;
  begun?: EpochMs;
  answers?: Answers;
};

/** A check-in that an earlier version kept here until it arrived; `refused` when it never would. The outbox takes it over. */
export type Unsent = { message: CheckIn; refused?: boolean };

export type Kept = {
  version: 2;
  runs: KeptRun[];
  /** Not in what an earlier version left. */
  classes?: KeptClass[];
  awaited: Awaited[];
  /** Keys of runs whose check-in has been given. */ given: string[];
  unsent?: Unsent[];
  person?: Person;
  mine: Record<string, Mine>;
};

export const NOTHING_KEPT: Kept = { version: 2, runs: [], awaited: [], given: [], mine: {} };

/** A run that has not been gone on with for so long is over; its check-in is still asked for. */
const STALE_MS = 3 * 3_600_000;
/** A check-in is asked for so long. */
const ASKED_FOR_MS = 14 * 24 * 3_600_000;
/** So many of each are kept; a device of a class of sixty keeps them all. */
const MOST_KEPT = 80;
/** What so many people do instead is kept. */
const MOST_MINE = 8;

const listOf = <T>(value: unknown, is: (one: T) => boolean): T[] =>
  Array.isArray(value)
    ? (value as (T | null)[])
        .filter((one): one is T => typeof one === "object" && one !== null && is(one))
        .slice(-MOST_KEPT)
    : [];
const isRun = ({ key, person, run, at }: KeptRun) =>
  typeof key === "string" && typeof person?.name === "string" && Array.isArray(run?.segments) && Number.isFinite(at);

const isClass = ({ classId, key, person, at, done, work, easier, out }: KeptClass) =>
  typeof classId === "string" &&
  typeof key === "string" &&
  typeof person?.name === "string" &&
  [at, done, work].every(Number.isFinite) &&
  Array.isArray(easier) &&
  Array.isArray(out);

/** What a device kept, in whichever shape it was: anything else is nothing. Runs that nobody was looking at wait where they were last followed. */
export function readKept(value: unknown, now: EpochMs): Kept {
  const old = (typeof value === "object" && value !== null ? value : {}) as Record<string, unknown>;
  const one = old["version"] === 2;
  const runs = listOf<KeptRun>(one ? old["runs"] : [old["run"]], isRun);
  const unsent = one
    ? listOf<Unsent>(old["unsent"], (u) => typeof u.message?.run?.key === "string")
    : listOf<CheckIn>([old["unsent"]], (c) => typeof c.run?.key === "string").map((message) => ({ message }));
  const awaited = listOf<Awaited>(
    one ? old["awaited"] : [],
    (a) => typeof a.key === "string" && typeof a.person?.name === "string" && now - a.at < ASKED_FOR_MS,
  );
  const person = old["person"] as Person | undefined;
  const kept: Kept = {
    version: 2,
    runs: [],
    awaited,
    given: Array.isArray(old["given"])
      ? (old["given"] as unknown[]).filter((key) => typeof key === "string").slice(-MOST_KEPT)
      : [],
    ...(unsent.length > 0 && { unsent }),
    mine: one && typeof old["mine"] === "object" && old["mine"] !== null ? (old["mine"] as Kept["mine"]) : {},
    ...(typeof person?.name === "string" && { person }),
  };
  const all = runs.reduce((sum, run) => withRun(sum, waiting({ ...run, easier: run.easier ?? [] }), now), kept);
  return listOf<KeptClass>(one ? old["classes"] : [], isClass).reduce((sum, each) => withClass(sum, each, now), all);
}

/** With a class as it was followed so far. One that was left hours ago waits for its check-in instead. */
export function withClass(kept: Kept, one: KeptClass, now: EpochMs): Kept {
  const others = withoutKey(kept.classes ?? [], one.key);
  if (now - one.at < STALE_MS) return { ...kept, classes: [...others, one].slice(-MOST_KEPT) };
  const { classes: _, ...rest } = kept;
  return classOver({ ...rest, ...(others.length > 0 && { classes: others }) }, one, now);
}

/** With a class that is over, waiting for its check-in; one of which nothing was done is let go. */
export function classOver(kept: Kept, one: KeptClass, now: EpochMs): Kept {
  const { classes = [], ...rest } = kept;
  const others = withoutKey(classes, one.key);
  const left = { ...rest, ...(others.length > 0 && { classes: others }) };
  return (one.done === 0 && !one.hurt && !one.pains?.length) || now - one.at > ASKED_FOR_MS
    ? left
    : withAwaited(left, awaitedOf(one));
}

/** What is told of a class at its end, and asked about. */
export function awaitedOf({ key, person, done, work, ran = work, at, begun, hurt, pains = [] }: KeptClass): Awaited {
  const share = Math.min(1, done / Math.max(1, work));
  return {
    key,
    person,
    share,
    // What the class left out nobody ended early.
    reachedEnd: done > 0 && done >= REALLY_DONE * Math.min(work, ran),
    at,
    begun,
    ...((hurt || pains.length > 0) && { answers: hurtAt(pains, hurt) }),
  };
}

/** What a check-in says of which only the pain is told so far. */
export function hurtAt(pains: PainTold[], hurt?: PainAt): Answers {
  const painAt = pains[0]?.at ?? hurt;
  return {
    hard: null,
    tightness: [],
    pain: true,
    painWhere: "",
    ...(painAt && { painAt }),
    ...(pains.length > 0 && { pains }),
    note: "",
  };
}

/** The class that somebody follows here, as it was left. */
export const classOf = (kept: Kept, classId: string, person: Person): KeptClass | undefined =>
  kept.classes?.findLast((one) => one.classId === classId && isSame(one.person, person));

/** A run as it waits once nobody follows it: where it was when it was last followed. */
function waiting(kept: KeptRun): KeptRun {
  if (kept.run.state !== "running") return kept;
  return { ...kept, run: pause(kept.run, kept.at), awaySince: kept.awaySince ?? kept.at };
}

const withoutKey = <T extends { key: string }>(all: readonly T[], key: string) => all.filter((one) => one.key !== key);

/** With a run as it is now. One that is over, or has been left for hours, waits for its check-in instead; one of which nothing was done is let go. */
export function withRun(kept: Kept, one: KeptRun, now: EpochMs): Kept {
  const runs = withoutKey(kept.runs, one.key);
  const { state } = one.run;
  if (state === "running" || (state === "paused" && now - one.at < STALE_MS))
    return { ...kept, runs: [...runs, one].slice(-MOST_KEPT) };
  return letGo({ ...kept, runs }, one, now);
}

/** With a run that is over, waiting for its check-in. */
function letGo(kept: Kept, { key, person, run, at, begun }: KeptRun, now: EpochMs): Kept {
  const known =
    kept.given.includes(key) ||
    kept.awaited.some((one) => one.key === key) ||
    kept.unsent?.some((one) => one.message.run.key === key);
  const share = shareDone(run, at);
  if (known || run.state === "ready" || (run.state !== "finished" && share === 0) || now - at > ASKED_FOR_MS)
    return kept;
  return {
    ...kept,
    awaited: [
      ...kept.awaited,
      { key, person, share, reachedEnd: reachedEnd(run, at), at, ...(begun !== undefined && { begun }) },
    ].slice(-MOST_KEPT),
  };
}

/** Lets a run go to begin another: what was done of it can still be told. */
export const withoutRun = (kept: Kept, key: string, now: EpochMs): Kept => {
  const one = kept.runs.find((run) => run.key === key);
  return one ? letGo({ ...kept, runs: withoutKey(kept.runs, key) }, one, now) : kept;
};

/** With a check-in that is to be asked for, as at the end of a class; none that was given, or waits already. */
export const withAwaited = (kept: Kept, one: Awaited): Kept =>
  kept.given.includes(one.key) || kept.awaited.some(({ key }) => key === one.key)
    ? kept
    : { ...kept, awaited: [...kept.awaited, one].slice(-MOST_KEPT) };

/** With what has been filled in of a check-in so far. */
export const withAnswers = (kept: Kept, key: string, answers: Answers): Kept => ({
  ...kept,
  awaited: kept.awaited.map((one) => (one.key === key ? { ...one, answers } : one)),
});

/** Without a check-in that its owner does not want to give. */
export const withoutAwaited = (kept: Kept, key: string): Kept => ({ ...kept, awaited: withoutKey(kept.awaited, key) });

/** Without a run whose check-in has been given: it is no longer gone on with, nor asked for again. */
export const withGiven = (kept: Kept, key: string): Kept => ({
  ...kept,
  runs: withoutKey(kept.runs, key),
  awaited: withoutKey(kept.awaited, key),
  given: [...kept.given.filter((one) => one !== key), key].slice(-MOST_KEPT),
});

/** Without what an earlier version kept of check-ins on their way, once those are elsewhere. */
export function withoutUnsent(kept: Kept, keys: readonly string[]): Kept {
  const { unsent = [], ...rest } = kept;
  const left = unsent.filter((one) => !keys.includes(one.message.run.key));
  return { ...rest, given: [...kept.given, ...keys].slice(-MOST_KEPT), ...(left.length > 0 && { unsent: left }) };
}

/** With what someone does instead, for when there is no connection. */
export function withMine(kept: Kept, who: string, mine: Mine): Kept {
  const others = Object.entries(kept.mine)
    .filter(([name]) => name !== who)
    .slice(1 - MOST_MINE);
  return { ...kept, mine: { ...Object.fromEntries(others), [who]: mine } };
}

/** Whether two are the same person: the same one of the list, or the same name of someone who is not on it. */
export const isSame = (one: Person, other: Person): boolean =>
  one.athleteId || other.athleteId
    ? one.athleteId === other.athleteId
    : one.name.toLowerCase() === other.name.toLowerCase();

/** The run someone left, the newest of them. */
export const runOf = (kept: Kept, person: Person): KeptRun | undefined =>
  kept.runs.findLast((one) => isSame(one.person, person));

/** Seconds of a run that are left. */
export const toGo = (kept: KeptRun): Seconds => kept.run.total - positionAt(kept.run, kept.at);
