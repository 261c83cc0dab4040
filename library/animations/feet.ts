import { upright } from "./gaits";
import {
  arm,
  chair,
  chairSit,
  flat,
  foot,
  grip,
  leg,
  on,
  rep,
  RIGHT_LOWER_LEG,
  split,
  support,
  wall,
  type Change,
  type MotionSet,
} from "./poses";
import type { PointName } from "~/core/figure/points";

const rolled = (tilt: number, c: Change = {}) =>
  upright({ at: [0, 0.915, -0.05], ll: foot(0, -0.1), rl: foot(0.1, 0.12, { tilt, out: 5 }), ...c });
const hips = { ra: on("pelvis", [0.02, 0.1, 0.17]), la: on("pelvis", [0.02, 0.1, -0.17]) };
const rock = (x: number, y: number, c: Change = {}) =>
  split({
    at: [x, y, 0],
    rl: foot(0.26, 0.11, { pole: [1, 0, 0.05] }),
    ll: foot(-0.34, -0.11, { heel: 22 }),
    ...hips,
    ...c,
  });
const riseBoth = (y: number, heel: number, c: Change = {}) =>
  upright({ at: [heel > 0 ? 0.03 : 0, y, 0], legs: foot(0, 0.1, { heel }), arms: arm(84, 12, 20), ...c });
const LOWER_LEGS: PointName[] = [
  "right.knee",
  "left.knee",
  "right.heel",
  "left.heel",
  "right.toe",
  "left.toe",
  "right.ball",
];
const SHIN: PointName[] = ["right.hip", ...RIGHT_LOWER_LEG];
const toesUp = (toes: number, c: Change = {}) =>
  upright({ at: [0, null, 0], legs: leg(0, 5, 0, 0, 0, { toes }), arms: arm(30, 7, 12), ...c });
const tap = (x: number, z: number, c: Change = {}) =>
  upright({
    at: [-0.02, 0.885, -0.05],
    tilt: 4,
    ll: foot(0, -0.09),
    rl: foot(x, z, { heel: 16, out: z > 0.3 ? 20 : 5 }),
    ra: on("pelvis", [0.02, 0.1, 0.17]),
    la: on("pelvis", [0.02, 0.1, -0.17]),
    ...c,
  });
/** The right leg in front with its weight off, the shin turned; in above 0. */
const shinTurned = (turn: number, c: Change = {}) =>
  split({
    at: [-0.1, 0.84, 0],
    tilt: 8,
    ll: foot(-0.22, -0.12, { pole: [1, 0.05, -0.1] }),
    rl: leg(32, 4, 0, 38, 12, { kneeRotation: turn }),
    ra: on("pelvis", [0.02, 0.1, 0.17]),
    la: on("pelvis", [0.02, 0.1, -0.17]),
    ...c,
  });

export const feetMotions: MotionSet = {
  "ankle-roll-out-in": {
    standard: rep("front", [rolled(0, hips), rolled(24, hips), rolled(0, hips), rolled(-14, hips)], {
      beats: 4,
      focus: RIGHT_LOWER_LEG,
    }),
    easier: rep(
      "front",
      [
        chairSit({ rl: foot(0.45, 0.17, { tilt: 0 }) }),
        chairSit({ rl: foot(0.45, 0.17, { tilt: 18 }) }),
        chairSit({ rl: foot(0.45, 0.17, { tilt: 0 }) }),
        chairSit({ rl: foot(0.45, 0.17, { tilt: -12 }) }),
      ],
      { beats: 4, props: chair(0, 0), focus: RIGHT_LOWER_LEG },
    ),
    harder: rep(
      "front",
      [
        rolled(0, { ...hips, at: [0.02, 0.915, 0.02] }),
        rolled(28, { ...hips, at: [0.02, 0.915, 0.04] }),
        rolled(0, { ...hips, at: [0.02, 0.915, 0.02] }),
        rolled(-16, { ...hips, at: [0.02, 0.915, 0] }),
      ],
      { beats: 4, focus: RIGHT_LOWER_LEG },
    ),
  },
  "knee-over-toes-rock": {
    standard: rep("side", [rock(-0.02, 0.83), rock(0.14, 0.74)]),
    easier: rep(
      "side",
      [rock(-0.02, 0.84, { ra: grip(0.3, 1.05, 0.42) }), rock(0.08, 0.79, { ra: grip(0.3, 1.05, 0.42) })],
      { props: [support(0.3, 0.44, 1.05)] },
    ),
    harder: rep("side", [
      rock(-0.02, 0.82, {
        rl: foot(0.26, 0.11, { pole: [1, 0, 0.05] }),
        ll: foot(-0.34, -0.11, { heel: 28 }),
        tilt: 20,
      }),
      rock(0.18, 0.69, {
        ll: foot(-0.34, -0.11, { heel: 28 }),
        tilt: 24,
      }),
    ]),
  },
  "quick-calf-raise": {
    standard: rep("side", [riseBoth(0.915, 0), riseBoth(0.98, 38)]),
    easier: rep(
      "side",
      [
        riseBoth(0.915, 0, { arms: flat(0.42, 0.16, { y: 1.2, normal: [-1, 0, 0], fingers: [0, 1, 0] }) }),
        riseBoth(0.955, 26, { arms: flat(0.42, 0.16, { y: 1.2, normal: [-1, 0, 0], fingers: [0, 1, 0] }) }),
      ],
      { props: [wall(0.45)] },
    ),
    harder: rep("side", [
      riseBoth(0.915, 0, { at: [0, 0.915, 0.04], rl: foot(0, 0.06), ll: leg(14, 3, 0, 50, 0) }),
      riseBoth(0.98, 38, { at: [0.03, 0.98, 0.04], rl: foot(0, 0.06, { heel: 38 }), ll: leg(14, 3, 0, 50, 0) }),
    ]),
  },
  "toe-lifts-and-spreads": {
    standard: rep("three-quarter", [toesUp(0), toesUp(46), toesUp(46)], { focus: LOWER_LEGS }),
    easier: rep(
      "three-quarter",
      [
        chairSit({ legs: leg(92, 8, 0, 92, 0) }),
        chairSit({ legs: leg(92, 8, 0, 92, 0, { toes: 40 }) }),
        chairSit({ legs: leg(92, 8, 0, 92, 0, { toes: 40 }) }),
      ],
      { props: chair(0, 0) },
    ),
    harder: rep(
      "three-quarter",
      [
        toesUp(0, { at: [0, null, 0.05], ll: leg(14, 3, 0, 44, 0) }),
        toesUp(46, { at: [0, null, 0.05], ll: leg(14, 3, 0, 44, 0) }),
        toesUp(46, { at: [0, null, 0.05], ll: leg(14, 3, 0, 44, 0) }),
      ],
      {},
    ),
  },
  "one-foot-clock-taps": {
    standard: rep(
      "three-quarter",
      [tap(0.32, 0.1), tap(0, 0.12), tap(0.02, 0.44), tap(0, 0.12), tap(-0.34, 0.14), tap(0, 0.12)],
      {
        seconds: 7,
        lift: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05],
      },
    ),
    easier: rep(
      "three-quarter",
      [tap(0.22, 0.1), tap(0, 0.12), tap(0.02, 0.34), tap(0, 0.12), tap(-0.24, 0.13), tap(0, 0.12)].map((p) => ({
        ...p,
        left: { ...p.left, arm: grip(0.2, 1.02, -0.4) },
      })),
      { seconds: 8, lift: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05], props: [support(0.2, -0.42, 1.02)] },
    ),
    harder: rep(
      "three-quarter",
      [
        tap(0.44, 0.1, { at: [-0.1, 0.8, -0.05], tilt: 14 }),
        tap(0, 0.12),
        tap(0.02, 0.58, { at: [-0.08, 0.8, -0.03], tilt: 12 }),
        tap(0, 0.12),
        tap(-0.46, 0.16, { at: [0, 0.8, -0.05], tilt: 16 }),
        tap(0, 0.12),
      ],
      { seconds: 8, lift: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05] },
    ),
  },
  "front-foot-shin-turns": {
    standard: rep("three-quarter", [shinTurned(0), shinTurned(20), shinTurned(0), shinTurned(-18)], {
      beats: 4,
      focus: SHIN,
    }),
    easier: rep(
      "three-quarter",
      [shinTurned(0), shinTurned(14), shinTurned(0), shinTurned(-12)].map((p) => ({
        ...p,
        left: { ...p.left, arm: grip(0.1, 1.0, -0.42) },
      })),
      { beats: 4, focus: SHIN, props: [support(0.1, -0.44, 1.0)] },
    ),
    harder: rep(
      "three-quarter",
      [shinTurned(0), shinTurned(24), shinTurned(24), shinTurned(0), shinTurned(-22), shinTurned(-22)],
      { beats: 4, focus: SHIN, at: [0, 0.8, 1.4, 2, 2.8, 3.4] },
    ),
  },
};
