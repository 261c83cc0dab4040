import { type Coach, idOf, notHere } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { handedOutFor } from "~/app/server/handed-out.server";
import { getServices } from "~/app/server/services.server";
import { summarise } from "~/app/routes/sessions/summary.server";
import { daysBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { listGroupsWithPeople, listOff } from "~/db/groups";
import { classesOf } from "~/db/live-people";
import { learntOf } from "~/app/server/pace.server";
import { listSessions } from "~/db/sessions";

export type GroupPage = Awaited<ReturnType<typeof groupPage>>;

const DAYS = 28;
const HANDED_OUT = 4;
const SESSIONS = 6;
const CLASSES = 6;

/** One group: its people, its kit and floor, its sessions, and how far everybody is with what was handed out lately. */
export async function groupPage(coach: Coach, id: string) {
  const { db } = getServices();
  const { club, zone } = coach;
  const groupId = idOf(id);
  const [groups, off, handed, sessions, classes, learnt] = await Promise.all([
    listGroupsWithPeople(db, club),
    listOff(db, club),
    handedOutFor(coach, { since: daysBefore(now(), DAYS - 1, 0, 0, zone), most: HANDED_OUT, groupId }),
    listSessions(db, club, { groupId }),
    classesOf(db, club, groupId, CLASSES),
    learntOf(club, groupId),
  ]);
  const group = groups.find((one) => one.id === groupId);
  if (!group) throw notHere("There is no such group among yours.");
  return {
    group,
    off: off.filter((one) => one.groupId === groupId),
    handedOut: handed,
    sessions: await summarise(db, club, sessions.rows.slice(0, SESSIONS), (docs) => drillsOf(club, docs)),
    sessionsInAll: sessions.all,
    classes,
    learnt,
  };
}
