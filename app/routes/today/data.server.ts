import type { Coach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { handedOutFor } from "~/app/server/handed-out.server";
import { getServices } from "~/app/server/services.server";
import { summarise } from "~/app/routes/sessions/summary.server";
import { daysBefore, dayOf } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { TOGETHER_DAYS } from "~/app/routes/feedback/hurt-together";
import { countUnseen, hurtTogether, listFeedback } from "~/db/feedback";
import { listGroupsWithPeople } from "~/db/groups";
import { exampleOf, firstSteps } from "~/db/example";
import { openClasses } from "~/db/live";
import { listSessions } from "~/db/sessions";

export type TodayPage = Awaited<ReturnType<typeof todayPage>>;

/** Days that are looked back on, today among them. */
const DAYS = 7;
const PAINS = 5;
const SESSIONS = 12;
const HALF_MADE = 5;
/** More than an example has, so that a coach’s own newest is among them. */
const NEWEST = 12;

/** A coach's day: pain first, then what was handed out and who has done it, and what is half made. */
export async function todayPage(coach: Coach) {
  const { db } = getServices();
  const { club, zone } = coach;
  const [pain, painInAll, together, handed, { rows: halfMade }, sessions, groups, example, running] = await Promise.all(
    [
      listFeedback(db, club, null, PAINS, { only: "unseen pain" }),
      countUnseen(db, club, null),
      hurtTogether(db, club, { since: daysBefore(now(), TOGETHER_DAYS, 0, 0, zone) }),
      handedOutFor(coach, { since: daysBefore(now(), DAYS - 1, 0, 0, zone), most: SESSIONS }),
      listSessions(db, club, { template: false, neverHandedOut: true, most: HALF_MADE }),
      listSessions(db, club, { most: NEWEST }),
      listGroupsWithPeople(db, club),
      exampleOf(db, club),
      openClasses(db, club),
    ],
  );
  return {
    today: dayOf(now(), zone),
    running: running.map(({ id, title, groupName }) => ({ id, title, group: groupName })),
    pain,
    painInAll,
    together,
    handedOut: handed,
    halfMade: await summarise(db, club, halfMade, (docs) => drillsOf(club, docs)),
    groups: groups.map(({ id, name, athletes }) => ({ id, name, people: athletes.length })),
    // The example is to look at: the first steps are a coach's own.
    steps: await firstSteps(db, club, example),
    hasExample: example !== undefined,
    ownGroup: groups.filter(({ id }) => !example?.groups.includes(id)).map(({ id, name }) => ({ id, name }))[0],
    newest: sessions.rows
      .filter(({ id }) => !example?.sessions.includes(id))
      .map(({ id, title }) => ({ id, title }))[0],
  };
}
