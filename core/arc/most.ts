import type { Drill } from "~/core/drills/schema";
import { asksEffort } from "~/core/dose/dose";
import type { Purpose } from "~/core/session/schema";
import { scalesOf, type Scales } from "~/core/stress/scales";
import type { LevelName } from "~/core/vocabulary/levels";

/** The most of each scale that anything in a session of a purpose has. */
export type Most = Pick<Scales, "pulse" | "speed" | "impact" | "effort">;

const BEFORE: Most = { pulse: 3, speed: 3, impact: 3, effort: 8 };

/**
 * Working rules from practice, not norms: nobody jumps to cool down or beside a desk, and before a bar there is nothing harder
 * than a skip. Within a session what is hard comes late; that is not said here.
 */
export const MOST_FOR: Readonly<Record<Purpose, Most>> = {
  "before-training": BEFORE,
  "before-game": BEFORE,
  "before-lifting": { pulse: 2, speed: 2, impact: 1, effort: 8 },
  "after-training": { pulse: 2, speed: 1, impact: 0, effort: 5 },
  "off-day": { pulse: 2, speed: 2, impact: 1, effort: 6 },
  "desk-break": { pulse: 2, speed: 2, impact: 0, effort: 5 },
};

/** Those who are given the easier levels, older people among them, don't land: they walk where others jog. */
const GENTLE_IMPACT = 0;

/**
 * Whether a level is not too much for what a session is for. Walking is no faster than a cool-down, whatever its speed; what
 * ramps up goes by the group's own cap.
 */
export function isInMeasure(purpose: Purpose, asked: LevelName, drill: Drill, level: LevelName): boolean {
  const most = MOST_FOR[purpose];
  const { pulse, speed, impact, effort } = scalesOf(drill, level);
  const { gait, dose } = drill.levels[level];
  return (
    pulse <= most.pulse &&
    (speed <= most.speed || (gait === true && impact === 0)) &&
    impact <= (asked === "easier" ? Math.min(GENTLE_IMPACT, most.impact) : most.impact) &&
    (effort <= most.effort || asksEffort(dose))
  );
}
