import { beginning } from "./beginning.server";
import type { Coach } from "~/app/server/coach.server";
import { drillsNamed, drillsOf } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { listArcs } from "~/db/arcs";
import { listProfiles } from "~/db/sport-profiles";
import { listRequests } from "~/db/draft-requests";
import { summarise } from "~/app/routes/sessions/summary.server";
import { daysBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { listHandedOut } from "~/db/handed-out";
import { lastByGroup, listSessions } from "~/db/sessions";
import { listGroups } from "~/db/groups";
import { listUnreadable } from "~/db/unreadable";
import { profileById } from "~/library/sport-profiles";

export type DraftPage = Awaited<ReturnType<typeof draftPage>>;

const DAYS = 28;
const RECENT = 6;

/** What the drafting page begins with, from its address. */
export async function draftPage(coach: Coach, asked: URLSearchParams) {
  const { db } = getServices();
  const [groups, ownDemands, arcs, kept, before, unreadable, recent, handed] = await Promise.all([
    listGroups(db, coach.club),
    listProfiles(db, coach.club),
    listArcs(db, coach.club),
    listRequests(db, coach.club),
    lastByGroup(db, coach.club),
    listUnreadable(db, coach.club, "request"),
    listSessions(db, coach.club, { most: RECENT }),
    listHandedOut(db, coach.club, { since: daysBefore(now(), DAYS - 1, 0, 0, coach.zone), most: 24 }),
  ]);
  const known = (id: string | undefined) =>
    id !== undefined && (profileById(id) !== undefined || ownDemands.some((d) => d.id === id));
  // The profile used last may have been deleted since.
  const lasts = before.map((last) => (known(last.demand) ? last : { ...last, demand: undefined }));
  const begun = await beginning(coach.club, asked, groups, lasts, known);
  return {
    // The coach's other drills are fetched by the page once it is there.
    ...begun,
    coachId: coach.id,
    groups,
    arcs,
    lasts,
    used: await drillsNamed(coach.club, begun.request),
    ownDemands: ownDemands.map(({ row: _, ...demand }) => demand),
    kept: kept.filter(({ id }) => !unreadable.some((one) => one.id === id)).map(({ id, title }) => ({ id, title })),
    unreadable,
    recent: await summarise(db, coach.club, recent.rows, (docs) => drillsOf(coach.club, docs)),
    did: handed.map(({ people, ...one }) => ({
      ...one,
      of: people.length,
      done: people.filter(({ standing }) => standing === "done").length,
      pain: people.filter(({ pain }) => pain).length,
    })),
  };
}
