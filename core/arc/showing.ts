import { FOR } from "./people";
import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { scalesOf } from "~/core/stress/scales";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Who } from "~/core/vocabulary/who";
import type { Seconds } from "~/core/units";

/** One look at a drill. */
const LOOK: Seconds = 5;
/** The steps by which showing gets longer. */
export const SHOWING_STEPS: readonly Seconds[] = [0, LOOK, 10, 20];
/** By skill, 0 to 3: the place in the steps for a drill that is new, one the group has done once, and one it knows. */
const NEW = [1, 2, 3, 3] as const;
const ONCE = [0, 1, 2, 3] as const;
const KNOWN = [0, 1, 2, 2] as const;

/** How often a group has done a drill lately, as far as it matters: never, once, more often. */
export type Familiar = "new" | "once" | "known";

/** What everyone does at once from its name: walking and running. */
const untaught = (drill: Drill, name: LevelName): boolean =>
  scalesOf(drill, name).skill === 0 && inForm(drill, name).method === "travel" && drill.levels[name].gait === true;

/** How long a group is shown a drill at a level: by its skill and by whether they have done it; a step longer for children and older people. */
export function showingFor(drill: Drill, level: LevelName, familiar: Familiar, who: Who): Seconds {
  const { skill } = scalesOf(drill, level);
  const by = familiar === "new" ? NEW : familiar === "once" ? ONCE : KNOWN;
  const place = untaught(drill, level) ? 0 : by[skill];
  return SHOWING_STEPS[Math.min(SHOWING_STEPS.length - 1, place + FOR[who].shown)]!;
}

/** How long the lift itself is shown that is warmed up for: who lifts knows it; the young and older people get one look. */
export const showingOfLift = (who: Who): Seconds => (who === "adults" ? 0 : LOOK);

/** One step shorter than so long: what may be saved of showing where the time is short. */
export const stepShorter = (seconds: Seconds): Seconds => SHOWING_STEPS.filter((step) => step < seconds).at(-1) ?? 0;

/** Up to ten minutes a session teaches at most one drill for each two minutes, then one for each two and a half. */
export const mostTaught = (target: Seconds): number =>
  target <= 600 ? Math.ceil(target / 120 - 1e-9) : Math.ceil(5 + (target - 600) / 150 - 1e-9);

/** Whether a level has to be taught: one look, or more. */
export const isTaught = (drill: Drill, level: LevelName): boolean => scalesOf(drill, level).skill >= 1;

/** So many drills that have to be taught may be new to a group: one, in a long session two. */
export const mostNew = (target: Seconds): number => (target < 900 ? 1 : 2);
