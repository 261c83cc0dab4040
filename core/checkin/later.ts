import type { CheckIn, PainTold, Progress } from "./schema";

/**
 * A check-in with what a later one adds. Nothing that was said is taken back: pain that was told stays, what was left open is
 * filled in.
 */
export function withLater(first: CheckIn, later: CheckIn): CheckIn {
  const at = first.painAt ?? later.painAt;
  const pains = withPains(first.pains ?? [], later.pains ?? []);
  return {
    ...first,
    run: fullerRun(first.run, later.run),
    hard: first.hard ?? later.hard,
    tightness: first.tightness.length > 0 ? first.tightness : later.tightness,
    pain: first.pain || later.pain,
    painWhere: first.painWhere || later.painWhere,
    ...(at && { painAt: at }),
    ...(pains.length > 0 && { pains }),
    note: first.note || later.note,
  };
}

/** All that hurt, each once by its key: of one that is told again, what is said last, and what is left open then stays. */
export function withPains(first: readonly PainTold[], later: readonly PainTold[]): PainTold[] {
  const all = new Map(first.map((one) => [one.key, one]));
  for (const one of later) {
    const before = all.get(one.key);
    all.set(one.key, before ? { ...before, at: one.at ?? before.at, where: one.where || before.where } : one);
  }
  return [...all.values()];
}

/** The fuller of two tellings of a run: what was done is never done less, and a run that ended has ended. */
export function fullerRun(one: Progress, other: Progress): Progress {
  const inClass = one.inClass ?? other.inClass;
  return {
    ...other,
    shareDone: Math.max(one.shareDone, other.shareDone),
    finished: one.finished || other.finished,
    begun: one.begun ?? other.begun,
    ...(inClass && { inClass }),
  };
}
