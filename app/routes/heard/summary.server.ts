import type { HeardRow } from "~/db/runs";
import { median } from "~/core/statistics";

/** What a list of runs comes to. */
export function summariseHeard(rows: readonly HeardRow[]) {
  const ratings = rows.flatMap((row) => (row.checkIn?.hard == null ? [] : [row.checkIn.hard]));
  return {
    runs: rows.length,
    finished: rows.filter((row) => row.finishedAt !== null).length,
    checkedIn: rows.filter((row) => row.checkIn !== null).length,
    hard: median(ratings),
  };
}
