import type { CheckIn, Progress } from "./schema";

/**
 * A check-in with what a later one adds. Nothing that was said is taken back: pain that was told stays, what was left open is
 * filled in.
 */
export function withLater(first: CheckIn, later: CheckIn): CheckIn {
  const at = first.painAt ?? later.painAt;
  return {
    ...first,
    run: fullerRun(first.run, later.run),
    hard: first.hard ?? later.hard,
    tightness: first.tightness.length > 0 ? first.tightness : later.tightness,
    pain: first.pain || later.pain,
    painWhere: first.painWhere || later.painWhere,
    ...(at && { painAt: at }),
    note: first.note || later.note,
  };
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
