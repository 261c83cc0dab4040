import { ROW_FACTS, type Joint } from "~/core/drills/rows";
import type { Drill } from "~/core/drills/schema";
import type { Session } from "~/core/session/schema";
import type { Timeline } from "~/core/timeline/types";

/** Joints that can feel tighter on one side than the other. */
const FELT_BY_SIDE: readonly Joint[] = ["neck", "upper-back", "lower-back", "shoulder", "wrist", "hip", "knee", "ankle", "toes"];

/**
 * The joints a session works most, by seconds of work on drills that have them as a main row, most first.
 * Only joints that can be felt left against right. A drill with two main rows of one joint counts once.
 */
export function mainJoints(session: Session, timeline: Timeline, drills: (id: string) => Pick<Drill, "levels"> | undefined, most: number): Joint[] {
  const seconds = new Map<Joint, number>();
  for (const segment of timeline.segments) {
    if (segment.kind !== "work") continue;
    const item = session.blocks[segment.block]?.items[segment.item];
    const rows = (item && drills(item.drill)?.levels[item.level].main) ?? [];
    for (const joint of new Set(rows.map((row) => ROW_FACTS[row].joint))) seconds.set(joint, (seconds.get(joint) ?? 0) + segment.seconds);
  }
  return [...seconds.entries()]
    .filter(([joint]) => FELT_BY_SIDE.includes(joint))
    .sort((a, b) => b[1] - a[1] || FELT_BY_SIDE.indexOf(a[0]) - FELT_BY_SIDE.indexOf(b[0]))
    .slice(0, most)
    .map(([joint]) => joint);
}
