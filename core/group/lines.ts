import type { ShareWorked } from "~/core/coverage/coverage";
import type { Drill } from "~/core/drills/schema";
import { inForm } from "~/core/drills/form";
import { scalesOf } from "~/core/stress/scales";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Share } from "~/core/units";
import type { Group } from "./schema";

/** Who works less than this in lines stands about: it is done in place or in pairs instead. A working rule from practice. */
export const LEAST_IN_LINES: Share = 0.5;

/** Whether a drill is done up and down a lane: what travels does, but for a walk, which goes anywhere. */
export function usesLanes(drill: Drill, level: LevelName): boolean {
  const form = inForm(drill, level);
  if (form.method !== "travel") return false;
  const { pulse, skill } = scalesOf(drill, level);
  return pulse >= 2 || skill >= 1 || form.levels[level].gait !== true;
}

/** What part of a drill each person works: with more people than lanes they wait for their turn. */
export function shareInLines(drill: Drill, level: LevelName, group: Group | undefined): Share {
  const lanes = group?.setting.lanes;
  if (lanes === undefined || !usesLanes(drill, level)) return 1;
  return Math.min(1, lanes / Math.max(1, group!.people.length));
}

/** The same for a group, as what is worked is summed up by. */
export const inLines =
  (group: Group | undefined): ShareWorked =>
  (drill, level) =>
    shareInLines(drill, level, group);
