import { type Coach, notHere } from "~/app/server/coach.server";
import { drawnDrill } from "~/app/server/drills.server";
import { opening } from "~/app/server/opening.server";
import { getServices } from "~/app/server/services.server";
import { motionAt } from "~/core/drills/motion";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import { courses } from "~/core/figure/course";
import { LEVELS } from "~/core/vocabulary/levels";
import type { DrillLink } from "~/core/drills/schema";
import { drillById, DRILLS } from "~/library";
import { TOGETHER_DAYS } from "~/app/routes/feedback/hurt-together";
import { daysBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { hurtTogether } from "~/db/feedback";
import { findOwnDrill, listRevisions } from "~/db/own-drills";
import { listTitles } from "~/db/sessions";
import { sessionsUsing } from "~/db/sessions-using";

export type DrillPage = Awaited<ReturnType<typeof drillPage>>;

/** Other drills of the library that a drill names, with the word on why. */
const linked = (links: readonly DrillLink[] = []) =>
  links.flatMap(({ drill, why }) => {
    const other = drillById(drill);
    return other ? [{ id: other.id, name: other.name, why }] : [];
  });

/** A drill with how its joints move, its revisions where it is a coach's own, and the sessions that use it. */
export async function drillPage(coach: Coach, id: string) {
  const { db } = getServices();
  const drill = await drawnDrill(coach.club, id);
  if (!drill) throw notHere("There is no such drill.");
  const own = readOwnId(drill.id);
  const newest = own && (await opening(findOwnDrill(db, coach.club, own.drill)));
  const revisions = newest
    ? (await listRevisions(db, coach.club, newest.id)).map((r) => ({
        id: ownDrillId(newest.id, r.number),
        number: r.number,
        at: r.createdAt.toISOString(),
      }))
    : [];
  return {
    drill,
    own: newest && {
      newer: newest.revision > (own?.revision ?? 0) ? ownDrillId(newest.id, newest.revision) : undefined,
      revision: own?.revision ?? 1,
      archived: newest.archivedAt !== null,
      revisions,
    },
    others: (await listTitles(db, coach.club)).slice(0, 100),
    sessions: await sessionsUsing(db, coach.club, [drill.id, ...revisions.map((r) => r.id)]),
    // Of an own drill in whichever revision it was.
    together: await hurtTogether(db, coach.club, {
      since: daysBefore(now(), TOGETHER_DAYS, 0, 0, coach.zone),
      drills: [...new Set([drill.id, ...revisions.map((r) => r.id)])],
    }),
    alike: DRILLS.filter((one) => drill.family !== undefined && one.family === drill.family && one.id !== drill.id).map(
      ({ id: other, name }) => ({ id: other, name }),
    ),
    leadsTo: linked(drill.links?.leadsTo),
    insteadOf: linked(drill.links?.insteadOf),
    courses: Object.fromEntries(
      LEVELS.map((level) => {
        const motion = motionAt(drill, level);
        const { main, also } = drill.levels[level];
        return [level, motion ? courses(motion, [...main, ...also]).slice(0, 6) : []];
      }),
    ),
  };
}
