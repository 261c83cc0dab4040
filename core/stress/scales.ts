import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { asksEffort, peakEffort, repOf, tempoOf } from "~/core/dose/dose";
import { withWeight } from "./areas/rule";
import { knownStress } from "./at";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Method } from "~/core/vocabulary/methods";
import { HEIGHT } from "~/core/vocabulary/postures";
import type { ScaleStep } from "~/core/vocabulary/scales";

/** A level by the scales of docs/drill-format.md: pulse, speed, impact and skill 0 to 3, effort 0 to 10. */
export type Scales = { pulse: ScaleStep; speed: ScaleStep; impact: ScaleStep; skill: ScaleStep; effort: number };

/** From this length on a repetition is slower than everyday. */
const SLOW_REP = 3;

/** What a way of working usually comes to, for drills of which nobody has said. */
const USUAL: Readonly<Record<Method, Pick<Scales, "pulse" | "skill" | "effort">>> = {
  breath: { pulse: 0, skill: 1, effort: 1 },
  release: { pulse: 0, skill: 1, effort: 5 },
  hold: { pulse: 0, skill: 1, effort: 5 },
  circles: { pulse: 1, skill: 1, effort: 4 },
  dynamic: { pulse: 1, skill: 1, effort: 4 },
  flow: { pulse: 1, skill: 3, effort: 5 },
  activation: { pulse: 1, skill: 1, effort: 6 },
  balance: { pulse: 1, skill: 3, effort: 5 },
  resisted: { pulse: 1, skill: 2, effort: 6 },
  strength: { pulse: 2, skill: 2, effort: 7 },
  effort: { pulse: 0, skill: 2, effort: 8 },
  travel: { pulse: 2, skill: 1, effort: 5 },
  spring: { pulse: 3, skill: 2, effort: 7 },
};

/**
 * How a level of a drill is coded, with what it doesn't say worked out from its method, its tempo and its drawing, rather too
 * much than too little: a coach's own drill of before was never coded.
 */
export function scalesOf(drill: Drill, name: LevelName): Scales {
  const level = drill.levels[name];
  const { method } = inForm(drill, name);
  const usual = USUAL[method];
  const { pace } = knownStress(level);
  const rep = tempoOf(level.dose).length > 0 ? repOf(level.dose) : undefined;
  const still = method === "hold" || method === "effort" || method === "breath" || method === "release";
  return {
    pulse: level.pulse ?? (HEIGHT[level.posture] < HEIGHT["half-kneeling"] && usual.pulse > 1 ? 1 : usual.pulse),
    speed: level.speed ?? (pace === 2 || (rep !== undefined && rep < SLOW_REP) ? 2 : still ? 0 : 1),
    impact: level.impact ?? (method === "spring" ? 2 : 0),
    skill: level.skill ?? usual.skill,
    effort: level.effort ?? (asksEffort(level.dose) ? Math.ceil(peakEffort(level.dose) / 10) : usual.effort),
  };
}

/** Efforts and landings up to which nobody has to be warm. */
const COLD = { effort: 4, speed: 1, impact: 1 } as const;

/**
 * Whether a level may be done cold: little effort, no faster than everyday unless it is walking, soft landings at most, no joint
 * near the end of its range in the drawing, no ramp and no weight. One that is not drawn is not.
 */
export function coldSafe(drill: Drill, name: LevelName): boolean {
  const level = drill.levels[name];
  const { effort, speed, impact } = scalesOf(drill, name);
  return (
    effort <= COLD.effort &&
    (speed <= COLD.speed || level.gait === true) &&
    impact <= COLD.impact &&
    !knownStress(level).endRange &&
    !asksEffort(level.dose) &&
    !withWeight(level)
  );
}
