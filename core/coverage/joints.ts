import { RATED_JOINTS, MOTION_FACTS, type Joint, type RatedJoint } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import type { Timeline } from "~/core/timeline/types";

/**
 * The joints a session works most, by seconds of work on drills that have them as a main row, most first.
 * Only joints that can be felt left against right. A drill with two main rows of one joint counts once.
 */
export function mainJoints(
  session: SessionPlan,
  timeline: Timeline,
  drills: (id: string) => Pick<Drill, "levels"> | undefined,
  most: number,
): RatedJoint[] {
  const seconds = new Map<Joint, number>();
  for (const segment of timeline.segments) {
    if (segment.kind !== "work") continue;
    const item = session.blocks[segment.block]?.items[segment.item];
    const rows = (item && drills(item.drill)?.levels[item.level].main) ?? [];
    for (const joint of new Set(rows.map((row) => MOTION_FACTS[row].joint)))
      seconds.set(joint, (seconds.get(joint) ?? 0) + segment.seconds);
  }
  const worked = (joint: RatedJoint) => seconds.get(joint) ?? 0;
  return RATED_JOINTS.filter((joint) => worked(joint) > 0)
    .sort((a, b) => worked(b) - worked(a))
    .slice(0, most);
}
