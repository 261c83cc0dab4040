import { amountsOf } from "./derive";
import { factsOf } from "./look";
import type { Facts, Limb, Moment, Spine } from "./types";
import { AREAS, type Area } from "~/core/vocabulary/areas";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Degrees } from "~/core/units";

/** A drawing so few degrees under a number is worth a look: people go farther than drawings. */
export const NEAR: Degrees = 5;

const further = (angle: Degrees, by: Degrees): Degrees => (angle > 0 ? angle + by : angle < 0 ? angle - by : angle);

const spine = ({ flexion, side, rotation }: Spine, by: Degrees): Spine => ({
  flexion: further(flexion, by),
  side: further(side, by),
  rotation: further(rotation, by),
});

/** Angles that mean something only past a threshold upward: a knee bent further is no straighter. */
const limb = (one: Limb, by: Degrees): Limb => ({
  ...one,
  hipFlexion: further(one.hipFlexion, by),
  hipAbduction: further(one.hipAbduction, by),
  hipRotation: further(one.hipRotation, by),
  kneeFlexion: one.kneeFlexion > 30 ? one.kneeFlexion + by : one.kneeFlexion,
  kneeRotation: further(one.kneeRotation, by),
  dorsiflexion: further(one.dorsiflexion, by),
  inversion: further(one.inversion, by),
  toes: further(one.toes, by),
  elevation: further(one.elevation, by),
  behind: further(one.behind, by),
  elbowOut: further(one.elbowOut, by),
  turnedOut: further(one.turnedOut, by),
  wrist: further(one.wrist, by),
});

const moment = (one: Moment, by: Degrees): Moment => ({
  ...one,
  neck: spine(one.neck, by),
  thoracic: spine(one.thoracic, by),
  lumbar: spine(one.lumbar, by),
  left: limb(one.left, by),
  right: limb(one.right, by),
});

/** Areas of which a level would count as stressing more if every joint went a few degrees further than it is drawn. */
export function nearOf(drill: Drill, name: LevelName, by: Degrees = NEAR): Area[] {
  const motion = motionAt(drill, name);
  if (!motion) return [];
  const facts = factsOf(
    drill.levels[name],
    { ...drill, method: drill.levels[name].method ?? drill.method, sides: drill.levels[name].sides ?? drill.sides },
    motion,
  );
  const pushed: Facts = { ...facts, moments: facts.moments.map((m) => moment(m, by)) };
  return AREAS.filter((area) => {
    const [now, then] = [amountsOf(area, facts), amountsOf(area, pushed)];
    return then.left > now.left || then.right > now.right;
  });
}
