import type { Live } from "./fold";
import { ranBetween } from "./log";
import type { EpochMs, Seconds } from "~/core/units";

/*
 * Away from a class on one’s own phone: out of sight, with no sound from it. What went on meanwhile counts as done only if they
 * say that they kept up.
 */

/** Whoever missed less of a class than this only glanced elsewhere. */
export const A_GLANCE: Seconds = 10;

/** A time away, by the server’s clock, and how much work the class did in it. */
export type Away = { since: EpochMs; until: EpochMs; work: Seconds };

/** What was missed of a class between two moments; undefined where it was a glance, or the class was held. */
export function awayFrom(live: Live, since: EpochMs, until: EpochMs): Away | undefined {
  const { all, work } = ranBetween(live, since, until);
  return all >= A_GLANCE ? { since, until, work } : undefined;
}

/** Away again before they said how to go on: one time away, from the first moment to the last. */
export const joined = (before: Away | undefined, next: Away): Away =>
  before ? { since: before.since, until: next.until, work: before.work + next.work } : next;
