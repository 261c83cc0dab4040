import type { EpochMs } from "~/core/units";

/** A message to the server and back: sent and got by the device’s steady clock, received and replied by the server’s. */
export type Exchange = { sent: EpochMs; received: EpochMs; replied: EpochMs; got: EpochMs };

/** Exchanges of so long count. */
const REMEMBERED_MS = 5 * 60_000;
/** Clocks of devices drift by this share at most: what was measured earlier bounds less. */
const DRIFT = 60e-6;

/** How far the server’s clock is ahead of the device’s, and how far off that is at most, in milliseconds. */
export type Offset = { ms: number; within: number };

/**
 * What is known of the offset. A message takes time, so that *received − sent* is never less than the offset and
 * *replied − got* never more: the least and the greatest of the last five minutes bound it from both sides, whichever exchange
 * had them, and the middle is taken. A line that is always slower one way cannot be noticed from here: then it is off by half
 * the difference.
 */
export function offsetOf(exchanges: readonly Exchange[], now: EpochMs): Offset | undefined {
  let [most, least] = [Infinity, -Infinity];
  for (const { sent, received, replied, got } of exchanges) {
    const age = now - got;
    if (age > REMEMBERED_MS) continue;
    most = Math.min(most, received - sent + DRIFT * age);
    least = Math.max(least, replied - got - DRIFT * age);
  }
  if (most === Infinity) return undefined;
  return { ms: (most + least) / 2, within: Math.max(0, (most - least) / 2) };
}

/** Exchanges with one more, those that no longer count gone. */
export const withExchange = (exchanges: readonly Exchange[], one: Exchange): readonly Exchange[] => [
  ...exchanges.filter(({ got }) => one.got - got <= REMEMBERED_MS),
  one,
];

/** An offset that is gone over to: what a page counts by. */
export type Steered = { from: number; to: number; since: EpochMs };

/** Small corrections are taken in over this long; larger ones at once. */
const TAKEN_IN_MS = 2000;
const AT_ONCE_MS = 100;

export const steeredAt = ({ from, to, since }: Steered, now: EpochMs): number =>
  from + (to - from) * Math.min(1, Math.max(0, (now - since) / TAKEN_IN_MS));

/** On to another offset. */
export function steer(steered: Steered | undefined, to: number, now: EpochMs): Steered {
  if (!steered) return { from: to, to, since: now };
  const from = steeredAt(steered, now);
  return Math.abs(to - from) >= AT_ONCE_MS ? { from: to, to, since: now } : { from, to, since: now };
}

/** So many exchanges come quickly at first, and after sleep; then one now and then. */
export const QUICK = { first: 12, afterSleep: 8, every: 250, later: 5000 } as const;

/** A time known less well than this is asked for again sooner, for so long: a hall that comes in at once is answered slowly. */
const UNSURE_MS = 200;
const UNSURE = { every: 1000, most: 20 } as const;

/** Until the next exchange, after so many that came quickly are left and so many were made in all. */
export function untilNext(quick: number, made: number, within: number | undefined): number {
  if (quick > 0) return QUICK.every;
  const unsure = within === undefined || within > UNSURE_MS;
  return unsure && made < QUICK.first + UNSURE.most ? UNSURE.every : QUICK.later;
}

/** When the steady clock and the device’s own part by this much, it slept or somebody set it. */
export const SLEPT_MS = 500;
