import type { EpochMs } from "~/core/units";

/*
 * The one way to know the time. Everything else is given it, or asks here, so that tests can turn it.
 *
 * Wall time is what a device says it is: for what is told to people and kept. It jumps when somebody sets the clock. Steady time
 * only goes on: for what is followed and measured. The two are the same when a page or process begins.
 */

let turnedMs = 0;

/** This moment by the device's clock, in milliseconds since 1970, UTC. */
export const now = (): EpochMs => Date.now() + turnedMs;

/** The same as an instant. */
export const nowDate = (): Date => new Date(now());

const begunAt = Date.now() - performance.now();

/**
 * This moment by a clock that goes on evenly from where the device's clock was when the page or process began, whatever that is
 * set to since, in milliseconds since 1970, UTC. It may stand still while the machine sleeps.
 */
export const steady = (): EpochMs => begunAt + performance.now() + turnedMs;

/** Turns both clocks of this process on by so many milliseconds, or back; returns what turns them back to where they were. Only for tests. */
export function turnClock(byMs: number): () => void {
  turnedMs += byMs;
  return () => {
    turnedMs -= byMs;
  };
}
