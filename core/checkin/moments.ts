import type { EpochMs } from "~/core/units";

const DAY_MS = 86_400_000;

/** A report is at most so old when it arrives; what seems older was told by a clock that has been set since. */
export const OLDEST_MS = 90 * DAY_MS;

/** What a device says of a moment, by its own clock: when that was, and what its clock showed when it sent the message. */
export type DeviceMoment = { at: EpochMs | undefined; sent: EpochMs | undefined };

/**
 * When something a device reports was, in milliseconds since 1970. Its clock may be wrong by years; how long ago it was by that
 * clock is not, unless it was set in between. So it is the moment of arrival less how old the device calls it; where the device
 * says nothing, or what cannot be, the moment of arrival. Never later than that.
 */
export function reckoned({ at, sent }: DeviceMoment, arrived: EpochMs): EpochMs {
  if (at === undefined || sent === undefined) return arrived;
  const age = sent - at;
  return age >= 0 && age <= OLDEST_MS ? arrived - age : arrived;
}

/** Whoever reports later than this had no connection, or forgot. */
const LATE_MS = 30 * 60_000;

/** Whether something arrived so long after it was said that both are worth telling. */
export const isLate = (said: Date, arrived: Date): boolean => arrived.getTime() - said.getTime() > LATE_MS;
