import type { Area, Grade } from "~/core/vocabulary/areas";
import type { LevelName } from "~/core/vocabulary/levels";

/**
 * What forty levels stress, written by hand from their texts and the table of areas, before anything worked it out from
 * the drawings: what is worked out is held against it. An area that is not named is not stressed. Half are easier levels.
 */
export const GOLDEN: readonly { drill: string; level: LevelName; stresses: Readonly<Partial<Record<Area, Grade>>> }[] = [
  { drill: "knee-turns", level: "easier", stresses: { floor: 2, "knee-twist": 1 } },
  { drill: "ninety-switch", level: "easier", stresses: { floor: 2, "knee-twist": 1, "hip-turn": 2, "wrist-weight": 2, "shoulder-behind": 2 } },
  { drill: "ninety-lean-front", level: "easier", stresses: { floor: 2, "knee-twist": 1, "hip-turn": 2 } },
  { drill: "lunge-elbow-turn", level: "easier", stresses: { floor: 2, kneeling: 1, "wrist-weight": 1, "shoulder-weight": 2, "upper-back-turn": 1, "hip-deep-bend": 2, "hamstring-stretch": 1, "front-of-hip": 1, neck: 1 } },
  { drill: "quad-prone", level: "easier", stresses: { floor: 2, "knee-deep-bend": 2, "front-of-hip": 1 } },
  { drill: "toe-sit", level: "easier", stresses: { floor: 2, kneeling: 1, "toe-bend": 2, "knee-deep-bend": 2, "wrist-weight": 1 } },
  { drill: "adductor-hold", level: "easier", stresses: { floor: 1, kneeling: 1, "groin-stretch": 2 } },
  { drill: "reverse-tabletop", level: "easier", stresses: { floor: 2, "wrist-weight": 2, "shoulder-behind": 2, "shoulder-weight": 2 } },
  { drill: "prone-hold-lift", level: "easier", stresses: { floor: 2, "lying-front": 1, "low-back-arch": 1, neck: 1 } },
  { drill: "figure-four", level: "easier", stresses: { floor: 2, "lying-back": 1, "knee-twist": 1, "hip-turn": 1 } },
  { drill: "hamstring-hold", level: "easier", stresses: { floor: 2, kneeling: 1, "hamstring-stretch": 1, "wrist-weight": 1 } },
  { drill: "hips-high-pedal", level: "easier", stresses: { floor: 2, "wrist-weight": 2, "shoulder-overhead": 2, "shoulder-weight": 2, "head-low": 1, "toe-bend": 1 } },
  { drill: "side-squat-shift", level: "easier", stresses: { floor: 2, "groin-stretch": 2, "knee-deep-bend": 1, "wrist-weight": 1 } },
  { drill: "calf-raise", level: "easier", stresses: { "heel-tendon": 1 } },
  { drill: "hip-circle-standing", level: "easier", stresses: { "hip-turn": 1, "groin-stretch": 1 } },
  { drill: "neck-glides", level: "easier", stresses: { neck: 1 } },
  { drill: "plank-to-pike", level: "easier", stresses: { floor: 2, "wrist-weight": 2, "shoulder-overhead": 2, "shoulder-weight": 2, "head-low": 1, "toe-bend": 1 } },
  { drill: "roll-down", level: "easier", stresses: { "low-back-bend": 2, neck: 1, "head-low": 1 } },
  { drill: "bar-hang", level: "easier", stresses: { "shoulder-overhead": 2, "shoulder-weight": 2, grip: 2 } },
  { drill: "squat-free", level: "easier", stresses: {} },
  { drill: "tension-ramp", level: "standard", stresses: { "max-effort": 2, "breath-hold": 2 } },
  { drill: "box-breathing", level: "standard", stresses: { floor: 2, "lying-back": 2, "breath-hold": 2 } },
  { drill: "forearm-kneel-breathing", level: "standard", stresses: { floor: 2, kneeling: 1, "knee-deep-bend": 2, "hip-deep-bend": 1 } },
  { drill: "star-plank-dip", level: "standard", stresses: { floor: 2, "shoulder-weight": 2 } },
  { drill: "prone-press-up", level: "standard", stresses: { floor: 2, "lying-front": 1, "low-back-arch": 2, neck: 2, "wrist-weight": 1 } },
  { drill: "squat-round-hold", level: "standard", stresses: { "hip-deep-bend": 2, "knee-deep-bend": 2, "low-back-bend": 2, "groin-stretch": 1, "ankle-deep-bend": 1, neck: 1 } },
  { drill: "tabletop-rotation", level: "standard", stresses: { floor: 2, "lying-back": 1, "low-back-turn": 1, "upper-back-turn": 1 } },
  { drill: "stick-side-bend", level: "standard", stresses: { "shoulder-overhead": 2, "low-back-side": 1 } },
  { drill: "side-squat-hop", level: "standard", stresses: { floor: 2, impact: 1, breathless: 1, balance: 2, "wrist-weight": 2, "shoulder-weight": 1, "hip-deep-bend": 2, "knee-deep-bend": 2, "ankle-deep-bend": 1, "ankle-roll": 2, "heel-tendon": 1, "low-back-bend": 1 } },
  { drill: "lunge-reverse", level: "standard", stresses: { balance: 1, "toe-bend": 1, "knee-deep-bend": 1 } },
  { drill: "leg-swing-front", level: "standard", stresses: { "hamstring-stretch": 1, "front-of-hip": 1 } },
  { drill: "single-leg-reach", level: "harder", stresses: { balance: 2, "hamstring-stretch": 1 } },
  { drill: "hamstring-effort", level: "standard", stresses: { floor: 2, kneeling: 1, "max-effort": 2, "breath-hold": 2, "hamstring-stretch": 2 } },
  { drill: "ninety-press", level: "harder", stresses: { floor: 2, "max-effort": 1, "breath-hold": 1, "knee-twist": 2, "hip-turn": 2 } },
  { drill: "adductor-bridge", level: "standard", stresses: { floor: 2, kneeling: 2, "groin-stretch": 2 } },
  { drill: "calf-wall-straight", level: "standard", stresses: { "ankle-deep-bend": 1, "heel-tendon": 1 } },
  { drill: "ankle-scan", level: "standard", stresses: { floor: 2, kneeling: 2, "ankle-roll": 1, "ankle-deep-bend": 1, balance: 1 } },
  { drill: "knee-across", level: "standard", stresses: { floor: 2, "lying-back": 1, "hip-deep-bend": 2, "low-back-turn": 1, "upper-back-turn": 1 } },
  { drill: "squat-knee-drops", level: "standard", stresses: { "knee-twist": 2, "hip-turn": 2, "hip-deep-bend": 2, "knee-deep-bend": 2, "ankle-deep-bend": 1, "toe-bend": 1 } },
  { drill: "lunge-walk-flow", level: "standard", stresses: { floor: 2, "wrist-weight": 2, "shoulder-overhead": 2, "shoulder-weight": 2, balance: 1, "upper-back-turn": 1, "toe-bend": 1, "head-low": 1, "front-of-hip": 1, "hip-deep-bend": 1, "hamstring-stretch": 1 } },
];
