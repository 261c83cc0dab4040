import { createHash } from "node:crypto";
import { notHere } from "~/app/server/coach.server";
import { chosenFor } from "~/app/server/chosen";
import { drillsNamed } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { still, work } from "~/app/server/work/work.server";
import { keyOf } from "~/core/audit/audit";
import { lacksCautions } from "~/core/drills/start";
import type { Drill } from "~/core/drills/schema";
import { cautionsOf, makeEdition, withoutNotes } from "~/core/edition/edition";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { lookupOf } from "~/library";
import type { Club } from "~/db/clubs";
import { listArcs } from "~/db/arcs";
import { arcWith } from "~/core/arc/own";
import { findSession } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import { listGroups } from "~/db/groups";
import { needDrills, opening } from "~/app/server/opening.server";

/**
 * A session as it is looked over before it is handed out. `seen` stands for all that is shown of it: what is handed out
 * has to be what was looked at, for whom it was. `whom` is a group, or null for anyone; left out, it is for whom it is at the
 * desk. `also` are other documents whose drills are asked for with it.
 */
export async function lookOver(
  club: Club,
  id: string,
  { whom, also = [] }: { whom?: string | null; also?: readonly unknown[] } = {},
) {
  const { db } = getServices();
  const [stored, setting, groups, arcs] = await Promise.all([
    opening(findSession(db, club, id)),
    findSetting(db, club, id),
    listGroups(db, club),
    listArcs(db, club),
  ]);
  if (!stored || !setting) throw notHere();
  const { doc } = stored;
  const groupId = whom === undefined ? setting.groupId : whom;
  if (groupId !== null && !groups.some((one) => one.id === groupId))
    throw notHere("There is no such group among yours.");
  const named = await drillsNamed(club, [doc, ...also]);
  const drills = lookupOf(named);
  needDrills(doc, drills);
  const found = await work(club, "audit", {
    session: doc,
    named: named.map(still),
    group: chosenFor(groups, { ...setting, groupId }),
    arc: arcWith(doc.purpose, arcs[doc.purpose]),
  });
  // What was accepted was accepted for those it is for at the desk.
  const accepted = groupId === setting.groupId ? setting.accepted : [];
  const stops = found
    .filter((one) => one.severity === "stop" && !accepted.some((a) => a.key === keyOf(one, doc)))
    .map((one) => one.message);
  const cautions = cautionsOf(makeEdition(doc, drills));
  const bare = withoutCautions(doc, drills);
  const { choices } = setting;
  const seen = createHash("sha256")
    .update(JSON.stringify([withoutNotes(doc), groupId, setting.accepted, choices, stops, cautions, bare]))
    .digest("hex");
  return { stored, setting, groupId, drills, timeline: compile(doc, drills), stops, cautions, bare, seen };
}

/** The drills of a session whose cautions nobody has written yet. */
function withoutCautions(
  session: SessionPlan,
  drills: (id: string) => Drill | undefined,
): { id: string; name: string }[] {
  const ids = new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill)));
  return [...ids].flatMap((id) => {
    const drill = drills(id);
    return drill && lacksCautions(drill) ? [{ id, name: drill.name }] : [];
  });
}
