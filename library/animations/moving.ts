import { mirrorPose } from "~/core/figure/mirror";
import { armBack, armForward, flight, gait, kneeUp, passing, stance, step, upright } from "./gaits";
import { arm, foot, leg, rep, standing, to, type Change, type MotionSet } from "./poses";
import type { Leg, Pose } from "~/core/figure/pose";

const wide = (c: Change = {}) =>
  standing({
    at: [-0.08, 0.78, 0],
    tilt: 24,
    nk: [-18, 0, 0],
    legs: foot(0, 0.43, { out: 8, pole: [1, 0.1, 0.3] }),
    arms: arm(66, 44, 84),
    ...c,
  });
const closing = (c: Change = {}) => wide({ at: [-0.05, 0.97, 0], tilt: 18, legs: leg(26, 3, 0, 42, 16), ...c });
const sideStep = (c: Change = {}) => wide({ at: [-0.06, 0.84, 0], tilt: 16, legs: foot(0, 0.12, { out: 8 }), ...c });
/** Wide, closed, wide and closed again, to the right and back: the foot in front stays where it is as the other comes to it. */
const toAndFro = (apart: Pose, together: Pose, by: number): Pose[] => [
  aside(apart, -by),
  together,
  aside(apart, by),
  together,
];
/** The same some metres to the right. */
const aside = (pose: Pose, by: number): Pose => {
  const moved = (one: Leg): Leg => (one.by === "foot" ? { ...one, at: [one.at[0], one.at[1], one.at[2] + by] } : one);
  return {
    ...to(pose, { by: [0, 0, by] }),
    right: { ...pose.right, leg: moved(pose.right.leg) },
    left: { ...pose.left, leg: moved(pose.left.leg) },
  };
};
const openStep = (c: Change = {}) =>
  standing({ at: [0, 0.885, 0], legs: foot(0, 0.26, { out: 4 }), arms: arm(10, 52, 30), ...c });
/** The right foot across in front of the left, the hips turned with it. */
const crossFront = (c: Change = {}) =>
  openStep({
    at: [0.02, 0.885, 0.02],
    turn: -26,
    th: [0, 0, 18],
    rl: foot(0.2, -0.12, { out: -12, heel: 14 }),
    ll: foot(-0.06, 0.06, { out: 22 }),
    ...c,
  });
const crossBehind = (c: Change = {}) =>
  openStep({
    at: [-0.02, 0.885, 0.02],
    turn: 24,
    th: [0, 0, -18],
    rl: foot(-0.2, -0.12, { out: 18, heel: 26 }),
    ll: foot(0.06, 0.06, { out: -4 }),
    ...c,
  });
const hop = (c: Change = {}) =>
  kneeUp({ at: [0, 1.09, -0.02], ll: leg(0, 2, 0, 6, -30), ra: armBack(36), la: armForward(62), ...c });
const landed = (c: Change = {}) =>
  stance({ at: [0, 0.89, -0.03], tilt: 3, rl: leg(34, 2, 0, 62, 0), ra: armBack(12), la: armForward(20), ...c });
const back = (c: Change = {}) => stance({ at: [-0.02, 0.85, -0.03], tilt: 22, rl: leg(2, 3, 0, 84, -18), ...c });
const backFlight = (c: Change = {}) =>
  flight({ at: [0, 0.95, 0], tilt: 22, ll: leg(44, 2, 0, 56, -8), rl: leg(8, 2, 0, 74, -24), ...c });
const quick = (c: Change = {}) =>
  standing({
    at: [-0.08, 0.8, -0.02],
    tilt: 20,
    nk: [-16, 0, 0],
    ll: foot(0, -0.22, { heel: 8 }),
    rl: leg(44, 8, 0, 66, -10),
    ra: armBack(14),
    la: armForward(20),
    ...c,
  });
const shaken = (c: Change = {}) =>
  upright({
    at: [0, 0.915, -0.04],
    ll: foot(0, -0.09),
    rl: leg(20, 8, 0, 36, -10),
    ra: arm(60, 30, 34, 20),
    la: arm(40, 16, 18, -10),
    ...c,
  });
const shakenBack = (c: Change = {}) =>
  shaken({ rl: leg(26, 6, 0, 10, 4), ra: arm(40, 16, 16, -10), la: arm(60, 30, 34, 20), ...c });
const jackOut = (c: Change = {}) =>
  standing({
    at: [0, 0.905, 0.12],
    rl: foot(0, 0.44, { out: 12 }),
    ll: foot(0, -0.1),
    arms: arm(6, 152, 8),
    ...c,
  });
const jackIn = (c: Change = {}) => upright({ arms: arm(6, 10, 8), ...c });
const walkSlow = { ra: arm(84, 14, 14), la: arm(84, -12, 10) };

export const movingMotions: MotionSet = {
  "easy-walk": {
    standard: gait("side", [step(), passing()], { seconds: 1.15 }),
    easier: gait(
      "side",
      [
        step({
          at: [0, 0.91, 0],
          ll: foot(0.22, -0.09, { heel: -8 }),
          rl: foot(-0.22, 0.09, { heel: 24 }),
          ...walkSlow,
        }),
        passing({ rl: leg(12, 2, 0, 34, 0) }),
      ],
      { seconds: 1.4 },
    ),
    harder: gait(
      "side",
      [
        step({
          at: [0, 0.875, 0],
          tilt: 3,
          ll: foot(0.34, -0.07, { heel: -20 }),
          rl: foot(-0.32, 0.07, { heel: 44 }),
          ra: armForward(34, 80),
          la: armBack(36),
        }),
        passing({ tilt: 3, rl: leg(24, 2, 0, 66, 0), ra: armForward(4, 80), la: armBack(4, 80) }),
      ],
      { seconds: 0.95 },
    ),
  },
  "shake-out": {
    standard: gait("three-quarter", [shaken(), shakenBack(), shaken()], { seconds: 3 }),
    easier: gait(
      "three-quarter",
      [
        upright({ ra: arm(60, 32, 36, 20), la: arm(40, 14, 14) }),
        upright({ ra: arm(30, 18, 14, -10), la: arm(50, 20, 22, 10) }),
      ],
      { seconds: 2.4 },
    ),
    harder: gait(
      "three-quarter",
      [
        upright({ at: [0, 0.95, 0], legs: foot(0, 0.1, { heel: 24 }), ra: arm(60, 36, 40, 20), la: arm(40, 16, 18) }),
        upright({ at: [0, 0.885, 0], ra: arm(40, 16, 16), la: arm(60, 32, 36, 20) }),
      ],
      { seconds: 1.6 },
    ),
  },
  "marching-knee-drives": {
    standard: gait("side", [kneeUp(), upright({ arms: arm(84, 8, 70) })], { seconds: 1.2 }),
    easier: gait(
      "side",
      [
        kneeUp({ rl: leg(56, 3, 0, 66, 2), ra: armBack(14, 40), la: armForward(24, 50) }),
        upright({ arms: arm(84, 8, 40) }),
      ],
      { seconds: 1.6 },
    ),
    harder: gait(
      "side",
      [
        kneeUp({
          at: [0, 0.975, -0.03],
          ll: foot(0, -0.09, { heel: 36 }),
          rl: leg(98, 3, 0, 108, 8),
          la: armForward(60, 90),
        }),
        upright({ arms: arm(84, 8, 80) }),
      ],
      { seconds: 1.0 },
    ),
  },
  "step-out-jacks": {
    standard: gait("front", [jackIn(), jackOut()], { seconds: 2.4, lift: [0.05, 0.05] }),
    easier: gait(
      "front",
      [jackIn(), jackOut({ at: [0, 0.895, 0.16], rl: foot(0, 0.5, { out: 12 }), arms: arm(6, 84, 8) })],
      {
        seconds: 3.2,
        lift: [0.05, 0.05],
      },
    ),
    harder: rep(
      "front",
      [
        jackIn({ at: [0, 0.9, 0] }),
        upright({ at: [0, 1.04, 0], legs: leg(4, 12, 0, 10, -18), arms: arm(6, 90, 8) }),
        standing({ at: [0, 0.86, 0], legs: foot(0, 0.38, { out: 12 }), arms: arm(6, 156, 8) }),
        upright({ at: [0, 1.04, 0], legs: leg(4, 12, 0, 10, -18), arms: arm(6, 90, 8) }),
      ],
      { seconds: 1.1 },
    ),
  },
  "jog-lanes": {
    standard: gait("side", [stance(), flight()], { seconds: 0.74 }),
    easier: gait(
      "side",
      [
        step({
          at: [0, 0.885, 0],
          ll: foot(0.3, -0.07, { heel: -18 }),
          rl: foot(-0.28, 0.07, { heel: 40 }),
          ra: armForward(30, 84),
          la: armBack(32),
        }),
        passing({ rl: leg(22, 2, 0, 62, 0), ra: armForward(4, 84), la: armBack(4, 84) }),
      ],
      { seconds: 0.95 },
    ),
    harder: gait(
      "side",
      [
        stance({ rl: leg(30, 2, 0, 112, 0) }),
        flight({ at: [0, 0.975, 0], rl: leg(72, 2, 0, 88, 4), ll: leg(-16, 2, 0, 34, -32) }),
      ],
      { seconds: 0.68 },
    ),
  },
  "side-shuffle": {
    standard: rep("front", toAndFro(wide(), closing(), 0.31), { seconds: 1.4, beats: 4 }),
    easier: rep("front", toAndFro(wide({ at: [-0.06, 0.82, 0], tilt: 18 }), sideStep(), 0.31), {
      seconds: 3.6,
      lift: [0.04, 0.04, 0.04, 0.04],
    }),
    harder: rep(
      "front",
      toAndFro(
        wide({
          at: [-0.14, 0.68, 0],
          tilt: 32,
          nk: [-28, 0, 0],
          legs: foot(0, 0.4, { out: 10, pole: [1, 0.1, 0.35] }),
        }),
        closing({ at: [-0.1, 0.87, 0], tilt: 30, nk: [-26, 0, 0], legs: leg(52, 5, 0, 74, 18) }),
        0.28,
      ),
      { seconds: 1.1, beats: 4 },
    ),
  },
  backpedal: {
    standard: gait("side", [back(), backFlight()], { seconds: 0.8 }),
    easier: gait(
      "side",
      [
        step({
          tilt: 6,
          ll: foot(0.22, -0.08),
          rl: foot(-0.24, 0.08, { heel: 38 }),
          ra: armForward(20, 60),
          la: armBack(18),
        }),
        passing({ tilt: 6, rl: leg(4, 2, 0, 48, -10) }),
      ],
      { seconds: 1.2 },
    ),
    harder: gait("side", [back({ at: [-0.04, 0.8, -0.03], tilt: 30 }), backFlight({ at: [0, 0.86, 0], tilt: 30 })], {
      seconds: 0.6,
    }),
  },
  "skips-arms-swinging": {
    standard: gait("side", [landed(), hop()], { seconds: 1.1 }),
    easier: gait(
      "side",
      [
        landed({ rl: leg(24, 2, 0, 44, 0) }),
        kneeUp({ at: [0, 0.965, -0.03], ll: foot(0, -0.09, { heel: 30 }), rl: leg(66, 3, 0, 74, 4) }),
      ],
      { seconds: 1.3 },
    ),
    harder: gait(
      "side",
      [
        landed({ at: [0, 0.86, -0.03], tilt: 8 }),
        hop({ at: [0, 1.1, 0], rl: leg(96, 3, 0, 100, 6), la: armForward(96, 60), ra: armBack(44) }),
      ],
      { seconds: 1.3 },
    ),
  },
  "crossing-side-steps": {
    standard: rep("front", [openStep(), crossFront(), openStep(), crossBehind()], {
      seconds: 1.6,
      lift: [0.05, 0.05, 0.05, 0.05],
    }),
    easier: rep(
      "front",
      [openStep(), crossFront({ turn: -14, th: [0, 0, 8] }), openStep(), crossBehind({ turn: 12, th: [0, 0, -8] })],
      { seconds: 3.2, lift: [0.05, 0.05, 0.05, 0.05] },
    ),
    harder: rep(
      "front",
      [
        openStep({ at: [-0.03, 0.85, 0], tilt: 8 }),
        openStep({
          at: [0, 0.9, -0.02],
          turn: -32,
          th: [0, 0, 24],
          ll: foot(-0.04, 0.0, { out: 26, heel: 16 }),
          rl: leg(78, -14, 10, 88, 0),
        }),
        openStep({ at: [-0.03, 0.85, 0], tilt: 8 }),
        crossBehind({ at: [-0.02, 0.86, 0.02], tilt: 8, turn: 30, th: [0, 0, -24] }),
      ],
      { seconds: 1.2, lift: [0.05, 0.05, 0.05, 0.05] },
    ),
  },
  "quick-feet": {
    standard: gait(
      "three-quarter",
      [quick(), wide({ at: [-0.08, 0.8, 0], tilt: 20, legs: foot(0, 0.22), arms: armForward(16) })],
      {
        seconds: 0.44,
      },
    ),
    easier: gait(
      "three-quarter",
      [
        quick({ at: [-0.04, 0.87, -0.02], tilt: 10, ll: foot(0, -0.18), rl: leg(32, 8, 0, 48, -6) }),
        wide({ at: [-0.04, 0.87, 0], tilt: 10, legs: foot(0, 0.18), arms: armForward(16) }),
      ],
      { seconds: 0.8 },
    ),
    harder: gait(
      "three-quarter",
      [
        quick({
          at: [-0.13, 0.71, -0.02],
          tilt: 28,
          nk: [-24, 0, 0],
          ll: foot(0, -0.28, { heel: 10 }),
          rl: leg(62, 12, 0, 84, -10),
        }),
        wide({ at: [-0.13, 0.71, 0], tilt: 28, nk: [-24, 0, 0], legs: foot(0, 0.28), arms: armForward(20) }),
      ],
      { seconds: 0.36 },
    ),
  },
};

/** Run out and walk back, as one repetition of two beats: strides on the way out, steps on the way back. */
export function outAndBack(fast: Change, faster: Change, seconds: number) {
  const stride = [stance(fast), flight(faster), mirrorPose(stance(fast)), mirrorPose(flight(faster))];
  const walk = [step(), passing(), mirrorPose(step()), mirrorPose(passing())];
  const keys = [...stride, ...stride, ...stride, ...walk, ...walk];
  return rep("side", keys, {
    beats: 2,
    seconds,
    at: keys.map((_, i) => (i < 12 ? i / 12 : 1 + (i - 12) / 8)),
  });
}
