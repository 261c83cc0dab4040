import { dayAfter, dayOf, instantOf } from "./calendar";
import type { EpochMs } from "~/core/units";

export const TIME_OF_DAY = /^([01]\d|2[0-3]):([0-5]\d)$/;
const HALF_DAY_MS = 12 * 3_600_000;

/** The next time the clocks of a zone show a time, as “17:30”; one that has passed within half a day has passed. Throws for what is no time of day. */
export function comingAt(text: string, zone: string, now: EpochMs): EpochMs {
  const found = TIME_OF_DAY.exec(text);
  if (!found) throw new RangeError(`not a time of day: ${text}`);
  const [, hours, minutes] = found;
  const today = dayOf(now, zone);
  const at = instantOf(today, Number(hours), Number(minutes), zone).getTime();
  return at >= now - HALF_DAY_MS ? at : instantOf(dayAfter(today, 1), Number(hours), Number(minutes), zone).getTime();
}
