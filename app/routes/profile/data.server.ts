import { servedSeconds } from "~/core/arc/arcs";
import { arcWith } from "~/core/arc/own";
import { listArcs } from "~/db/arcs";
import { notThere, ownIdOf } from "./own-id";
import type { Coach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { opening } from "~/app/server/opening.server";
import { getServices } from "~/app/server/services.server";
import { coverageOf } from "~/core/coverage/coverage";
import { missingDrill } from "~/core/session/missing";
import { compile } from "~/core/timeline/compile";
import { findProfile } from "~/db/sport-profiles";
import { newestSessions } from "~/db/sessions";
import { profileById } from "~/library/sport-profiles";

export type DemandPage = Awaited<ReturnType<typeof demandPage>>;

/** A sport profile, with what the newest sessions give it, for the coach to see how far they answer it. */
export async function demandPage(coach: Coach, id: string) {
  const { db } = getServices();
  const own = ownIdOf(id);
  const demand = own ? await opening(findProfile(db, coach.club, own)) : profileById(id);
  if (!demand) throw notThere();
  const [newest, arcs] = await Promise.all([newestSessions(db, coach.club, 30), listArcs(db, coach.club)]);
  const drills = await drillsOf(coach.club, newest);
  const sessions = [];
  for (const { id, doc } of newest) {
    if (missingDrill(doc, drills) !== undefined) continue;
    const timeline = compile(doc, drills);
    sessions.push({
      id,
      title: doc.title,
      served: servedSeconds(arcWith(doc.purpose, arcs[doc.purpose]), doc.target ?? timeline.totalSeconds),
      coverage: coverageOf(doc, timeline, drills),
    });
    // Others are served between one and the next.
    await new Promise((resolve) => setImmediate(resolve));
  }
  return { demand, own: own !== undefined, sessions };
}
