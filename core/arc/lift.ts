import { isLift } from "./fits";
import { ARCS } from "./arcs";
import type { Arc } from "./schema";
import { formIn } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { LIFT_JOINTS, LIFTS, type Lift } from "~/core/vocabulary/lifts";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import type { Share } from "~/core/units";

/** What a joint weighs that a lift does not load, of what it weighs otherwise. */
const NOT_LOADED: Share = 0.25;

/** A profile as one lift asks for it; what is one already stays as it is. */
export function forLift(demand: SportProfile, lift: Lift): SportProfile {
  if ("lift" in demand) return demand;
  const rows = Object.entries(demand.rows).map(([row, one]) => [
    row,
    LIFT_JOINTS[lift].includes(MOTION_FACTS[row as Motion].joint) ? one : { ...one, weight: one.weight * NOT_LOADED },
  ]);
  return { ...demand, rows: Object.fromEntries(rows) as SportProfile["rows"], ...{ lift } };
}

/** The lift that a session gets people ready for: that of its part for one, or of the drill with the bar. */
export function liftOf(
  { purpose, blocks }: SessionPlan,
  drills: (id: string) => Drill | undefined,
  arc: Arc = ARCS[purpose],
): Lift | undefined {
  if (purpose !== "before-lifting") return undefined;
  const part = arc.phases.find(isLift)?.id;
  for (const { phase, items } of blocks)
    for (const item of items) {
      const drill = formIn(item, drills);
      if (!drill || (phase !== part && !drill.levels[item.level].kit.includes("barbell"))) continue;
      const found = (Object.keys(LIFTS) as Lift[]).find((lift) => drill.rehearses?.includes(LIFTS[lift]));
      if (found) return found;
    }
  return undefined;
}

/** What a profile asks of a session: before a lift, most of all what that loads. */
export function askedOf(
  session: SessionPlan,
  demand: SportProfile | undefined,
  drills: (id: string) => Drill | undefined,
  arc?: Arc,
): SportProfile | undefined {
  const lift = demand && liftOf(session, drills, arc);
  return lift ? forLift(demand, lift) : demand;
}
