import { TZDate, tzOffset } from "@date-fns/tz";
import { addDays, format, subMonths } from "date-fns";
import type { EpochMs } from "~/core/units";

/*
 * The one place where days and hours are worked out, each in a zone that is named. Zones are IANA names; instants are what they
 * are everywhere. The zone package is Mapset's only source of what a zone does: a database may have another.
 */

/** A day of the calendar, as `2026-11-27`. */
export type Day = string;

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** An instant in words, by the clock and calendar of a zone. `pattern` is one of date-fns, such as "d MMM, HH:mm". */
export const momentText = (instant: Date | EpochMs, zone: string, pattern: string): string =>
  format(new TZDate(Number(instant), zone), pattern);

/** The time of day of an instant in a zone, as `17:05`, or with its seconds, as `17:05:09`. */
export const timeOfDay = (instant: Date | EpochMs, zone: string, seconds = false): string =>
  momentText(instant, zone, seconds ? "HH:mm:ss" : "HH:mm");

const DAY = "yyyy-MM-dd";

/** The day an instant falls on in a zone. */
export const dayOf = (instant: Date | EpochMs, zone: string): Day => momentText(instant, zone, DAY);

const pieces = (day: Day) => day.split("-").map(Number) as [number, number, number];
/** A day on its own, for counting: where no clock is ever changed. */
const alone = (day: Day): TZDate => {
  const [year, month, date] = pieces(day);
  return new TZDate(Date.UTC(year, month - 1, date), "UTC");
};

/** The day so many days after another, or before it. */
export const dayAfter = (day: Day, days: number): Day => format(addDays(alone(day), days), DAY);

/**
 * The instant at which the clocks of a zone show a time on a day. Of two such, when clocks are put back, the first; where there
 * is none, when they are put forward, the one that would have been it. The package's own answer to this depends on the zone
 * the process runs in, so it is asked only for offsets.
 */
export function instantOf(day: Day, hours: number, minutes: number, zone: string): Date {
  const [year, month, date] = pieces(day);
  const wall = Date.UTC(year, month - 1, date, hours, minutes);
  const offsetAt = (instant: EpochMs) => tzOffset(zone, new Date(instant)) * MINUTE_MS;
  const before = wall - offsetAt(wall - DAY_MS);
  const after = wall - offsetAt(wall + DAY_MS);
  const shows = (instant: EpochMs) => instant + offsetAt(instant) === wall;
  return new Date([before, after].sort((a, b) => a - b).find(shows) ?? before);
}

/** From when until when a day lasts in a zone; the second is the next day's first instant. A day may have 23, 24 or 25 hours. */
export const boundsOf = (day: Day, zone: string): { from: Date; until: Date } => ({
  from: instantOf(day, 0, 0, zone),
  until: instantOf(dayAfter(day, 1), 0, 0, zone),
});

/** The instant so many days before another's day, at a time of day, by the calendar and clock of a zone. */
export const daysBefore = (instant: Date | EpochMs, days: number, hours: number, minutes: number, zone: string): Date =>
  instantOf(dayAfter(dayOf(instant, zone), -days), hours, minutes, zone);

/** The first instant of the day so many months before an instant's day, by the calendar of a zone: the same day of the month, or the last there is. */
export const monthsBefore = (instant: Date | EpochMs, months: number, zone: string): Date =>
  instantOf(format(subMonths(alone(dayOf(instant, zone)), months), DAY), 0, 0, zone);

/** The time of day of an instant in a zone, moved on to the next five minutes, as `17:05`. */
export const nextFive = (instant: Date | EpochMs, zone: string): string =>
  momentText(Math.ceil(Number(instant) / (5 * MINUTE_MS)) * 5 * MINUTE_MS, zone, "HH:mm");
