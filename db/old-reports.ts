import { and, count, eq, lt, sql, type SQL } from "drizzle-orm";
import { monthsBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { zoneHere } from "~/core/clock/zone";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { checkIn, club as clubs, liveClass, liveHere, run } from "./schema";

/** So many reports are deleted in one go, so that nobody waits for long. */
const AT_ONCE = 2_000;

/** Pain that nobody has seen to, on the list or off it: no report that has it is ever old. */
const waits = sql`exists (select 1 from ${checkIn} c where c.club_id = "run"."club_id" and c.run_id = "run"."id" and c.pain and c.seen_at is null)`;

/** The reports of a club that came before a moment and that nothing keeps. */
const before = (clubId: string, moment: Date): SQL =>
  and(eq(run.clubId, clubId), lt(run.arrivedAt, moment), sql`not ${waits}`)!;

/** How many reports a club would lose if it kept them for so many months only. */
export async function countOlder(db: Db, club: Club, months: number, zone: string): Promise<number> {
  const [row] = await db
    .select({ n: count() })
    .from(run)
    .where(before(club.id, monthsBefore(now(), months, zone)));
  return row!.n;
}

/** Deletes what each club keeps no longer: runs and check-ins that arrived more months ago than it says, by its calendar, and who was ticked in classes. Never pain that nobody has seen to. Returns how many runs. */
export async function dropOldReports(db: Db): Promise<number> {
  let dropped = 0;
  for (const { id, months, zone } of await db
    .select({ id: clubs.id, months: clubs.keepMonths, zone: clubs.zone })
    .from(clubs)) {
    const old = before(id, monthsBefore(now(), months, zone ?? zoneHere()));
    for (let some = AT_ONCE; some === AT_ONCE; dropped += some) {
      const { rowCount } = await db.execute(
        sql`delete from ${run} where (club_id, id) in (select club_id, id from ${run} where ${old} limit ${AT_ONCE})`,
      );
      some = rowCount ?? 0;
    }
    // Who was ticked as there is as old as what they did.
    await db.execute(
      sql`delete from ${liveHere} using ${liveClass} c
        where live_here.club_id = ${id} and c.club_id = live_here.club_id and c.id = live_here.class_id
          and c.created_at < ${monthsBefore(now(), months, zone ?? zoneHere()).toISOString()}::timestamptz`,
    );
  }
  return dropped;
}
