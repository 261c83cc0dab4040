import { mirrorPose } from "~/core/figure/mirror";
import { armBack, armForward, flight, passing, stance, step, upright } from "./gaits";
import { outAndBack } from "./moving";
import { arm, flat, foot, leg, rep, split, standing, swap, to, wall, type Change, type MotionSet } from "./poses";

const tiptoe = (c: Change = {}) =>
  upright({ at: [0, 0.98, 0], legs: foot(0, 0.14, { heel: 38 }), arms: arm(84, 152, 6), ...c });
const dipped = (c: Change = {}) =>
  standing({
    at: [-0.16, 0.66, 0],
    tilt: 32,
    lu: [4, 0, 0],
    nk: [-14, 0, 0],
    legs: foot(0, 0.15, { out: 8, pole: [1, 0.1, 0.2] }),
    arms: arm(84, -44, 8),
    ...c,
  });
const stuck = (c: Change = {}) => dipped({ arms: arm(80, 52, 24), ...c });
const inAir = (c: Change = {}) =>
  upright({ at: [0, 1.1, 0], legs: leg(6, 4, 0, 12, -34), arms: arm(84, 148, 8), ...c });
const bounceUp = (c: Change = {}) =>
  upright({ at: [0, 1.07, 0], legs: leg(3, 4, 0, 6, -24), arms: arm(70, 20, 50), ...c });
const bounceDown = (c: Change = {}) =>
  upright({ at: [-0.01, 0.905, 0], legs: foot(0, 0.1, { heel: 5 }), arms: arm(60, 24, 54), ...c });

/** On the left foot, knee bent, the right foot off the floor. */
const loadedOne = (c: Change = {}) =>
  standing({
    at: [-0.08, 0.78, -0.06],
    tilt: 22,
    nk: [-10, 0, 0],
    ll: foot(0, -0.09, { pole: [1, 0.1, -0.1] }),
    rl: leg(24, 4, 0, 62, 0),
    ra: armBack(20),
    la: armForward(28),
    ...c,
  });

/** In a wide landing on the right foot, the left leg behind it. */
const boundLanded = (c: Change = {}) =>
  standing({
    at: [-0.1, 0.74, 0.3],
    tilt: 26,
    side: -6,
    nk: [-12, 0, 0],
    rl: foot(0, 0.36, { out: 8, pole: [1, 0.1, 0.1] }),
    ll: leg(14, 4, 0, 70, -8),
    ra: armBack(20),
    la: armForward(36),
    ...c,
  });
const boundAir = (c: Change = {}) =>
  standing({
    at: [-0.02, 1.04, 0.02],
    tilt: 12,
    rl: leg(30, 26, 0, 30, -10),
    ll: leg(2, 22, 0, 20, -30),
    arms: arm(40, 52, 40),
    ...c,
  });

const leaning = (c: Change = {}) =>
  standing({
    at: [-0.34, 0.84, -0.02],
    tilt: 34,
    nk: [-16, 0, 0],
    arms: flat(0.4, 0.17, { y: 1.32, normal: [-1, 0, 0], fingers: [0, 1, 0] }),
    ll: foot(-0.78, -0.09, { heel: 26 }),
    rl: leg(98, 3, 0, 98, 6),
    ...c,
  });

const nearLean = leaning({
  at: [-0.16, 0.88, -0.02],
  tilt: 18,
  ll: foot(-0.42, -0.09, { heel: 12 }),
  rl: leg(72, 3, 0, 80, 4),
});

const braked = (c: Change = {}) =>
  split({
    at: [-0.1, 0.72, 0],
    tilt: 12,
    nk: [-4, 0, 0],
    rl: foot(0.3, 0.12, { pole: [1, 0.1, 0.1] }),
    ll: foot(-0.3, -0.12, { heel: 34 }),
    ra: armBack(24),
    la: armForward(36),
    ...c,
  });
const planted = (c: Change = {}) =>
  standing({
    at: [-0.08, 0.74, 0.02],
    tilt: 24,
    side: -12,
    turn: -14,
    nk: [-10, 0, -20],
    rl: foot(0.08, 0.44, { out: 0, pole: [1, 0.1, -0.05] }),
    ll: leg(30, 6, 0, 72, -6),
    arms: arm(60, 40, 70),
    ...c,
  });
const pushedOff = (c: Change = {}) =>
  standing({
    at: [-0.04, 0.84, -0.2],
    tilt: 20,
    side: -14,
    turn: -34,
    nk: [-6, 0, -14],
    rl: foot(0.08, 0.44, { out: 0, heel: 30 }),
    ll: leg(62, 14, 0, 70, 0),
    ra: armForward(40),
    la: armBack(34),
    ...c,
  });

const leanStart = (c: Change = {}) =>
  upright({
    at: [0.18, 0.9, 0],
    tilt: 17,
    nk: [-8, 0, 0],
    legs: foot(0, 0.09, { heel: 14 }),
    arms: arm(84, 12, 40),
    ...c,
  });
const falling = (c: Change = {}) =>
  upright({
    at: [0.36, 0.84, 0],
    tilt: 30,
    nk: [-14, 0, 0],
    ll: foot(-0.1, -0.08, { heel: 44 }),
    rl: leg(94, 2, 0, 92, 6),
    ra: armBack(48),
    la: armForward(66),
    ...c,
  });

const lastStep = (c: Change = {}) =>
  upright({
    at: [-0.3, 0.82, 0],
    tilt: 4,
    ll: foot(0.02, -0.09, { heel: -8 }),
    rl: foot(-0.62, 0.09, { heel: 46 }),
    ra: arm(84, 30, 20),
    la: arm(84, 30, 20),
    ...c,
  });
const gathered = (c: Change = {}) =>
  dipped({
    at: [-0.1, 0.68, 0],
    rl: foot(-0.1, 0.14, { out: 14 }),
    ll: foot(0.14, -0.14, { out: -6 }),
    tilt: 30,
    ...c,
  });

const softDip = dipped({ at: [-0.1, 0.77, 0], tilt: 22, arms: arm(84, -22, 8) });
const lowRise = tiptoe({ at: [0, 0.96, 0], legs: foot(0, 0.14, { heel: 26 }), arms: arm(84, 88, 6) });
const splitDip = split({
  at: [-0.04, 0.62, 0],
  tilt: 10,
  ll: foot(0.3, -0.12),
  rl: foot(-0.32, 0.12, { heel: 40 }),
  arms: arm(84, -30, 8),
});

export const springMotions: MotionSet = {
  "stiff-ankle-bounces": {
    standard: rep("side", [bounceDown(), bounceUp()], { seconds: 0.5 }),
    easier: rep(
      "side",
      [
        bounceDown({ at: [-0.01, 0.9, 0] }),
        tiptoe({ at: [0, 0.965, 0], legs: foot(0, 0.1, { heel: 30 }), arms: arm(70, 20, 50) }),
      ],
      {
        seconds: 0.7,
      },
    ),
    harder: rep("side", [bounceDown(), bounceUp({ at: [0, 1.07, 0], arms: arm(80, 60, 60) })], { seconds: 0.56 }),
  },
  "rise-drop-freeze": {
    standard: rep("side", [dipped(), tiptoe(), dipped()]),
    easier: rep("side", [softDip, lowRise, softDip]),
    harder: rep("side", [splitDip, tiptoe(), splitDip], { lift: [0, 0.03, 0.03] }),
  },
  "jump-and-stick": {
    standard: rep("side", [upright(), dipped(), inAir(), stuck(), stuck()], { at: [0, 1, 1.5, 2, 3], beats: 4 }),
    easier: rep(
      "side",
      [
        upright(),
        dipped({ at: [-0.1, 0.78, 0], tilt: 20, arms: arm(84, -24, 8) }),
        inAir({ at: [0, 1.07, 0], legs: leg(6, 4, 0, 12, -24), arms: arm(84, 70, 20) }),
        stuck({ at: [-0.1, 0.78, 0], tilt: 20 }),
        stuck({ at: [-0.1, 0.78, 0], tilt: 20 }),
      ],
      { at: [0, 1, 1.5, 2, 3], beats: 4 },
    ),
    harder: rep(
      "side",
      [
        upright({ at: [-0.5, 0.915, 0], legs: foot(-0.5, 0.14) }),
        dipped({
          at: [-0.62, 0.62, 0],
          tilt: 40,
          legs: foot(-0.5, 0.15, { pole: [1, 0.1, 0.2] }),
          arms: arm(84, -56, 8),
        }),
        inAir({ at: [0, 1.08, 0], tilt: 16, legs: leg(34, 4, 0, 52, -16), arms: arm(84, 120, 8) }),
        stuck({ at: [0.4, 0.62, 0], tilt: 36, legs: foot(0.56, 0.15, { pole: [1, 0.1, 0.2] }) }),
        stuck({ at: [0.4, 0.62, 0], tilt: 36, legs: foot(0.56, 0.15, { pole: [1, 0.1, 0.2] }) }),
      ],
      { at: [0, 1, 1.5, 2, 3], beats: 4 },
    ),
  },
  "hop-and-stick": {
    standard: rep(
      "three-quarter",
      [
        upright({ at: [0, 0.915, 0.06], rl: foot(0, 0.09), ll: leg(24, 3, 0, 60, 0) }),
        to(mirrorPose(loadedOne()), { by: [0, 0, 0] }),
        upright({
          at: [0, 1.12, 0.06],
          rl: leg(18, 3, 0, 34, -30, { inversion: 14 }),
          ll: leg(50, 4, 0, 70, 0),
          arms: arm(70, 60, 60),
        }),
        to(mirrorPose(loadedOne()), { rl: foot(0, 0.09, { tilt: -4, pole: [1, 0.1, 0.1] }) }),
        to(mirrorPose(loadedOne()), { rl: foot(0, 0.09, { tilt: -4, pole: [1, 0.1, 0.1] }) }),
      ],
      { at: [0, 1, 1.5, 2, 3], beats: 4 },
    ),
    easier: rep(
      "three-quarter",
      [
        upright({ at: [0, 0.915, -0.04], ll: foot(0, -0.09), rl: leg(14, 6, 0, 34, 0) }),
        to(loadedOne(), { at: [-0.06, 0.83, -0.05], tilt: 14 }),
        upright({
          at: [0.12, 0.93, 0],
          ll: foot(0, -0.09, { heel: 26 }),
          rl: leg(30, 6, 0, 30, 0, { inversion: 14 }),
          arms: arm(70, 40, 60),
        }),
        to(mirrorPose(loadedOne()), {
          at: [0.16, 0.8, 0.06],
          rl: foot(0.26, 0.1, { tilt: -4, pole: [1, 0.1, 0.1] }),
          ll: leg(0, 4, 0, 60, -10),
        }),
        to(mirrorPose(loadedOne()), {
          at: [0.16, 0.8, 0.06],
          rl: foot(0.26, 0.1, { tilt: -4, pole: [1, 0.1, 0.1] }),
          ll: leg(0, 4, 0, 60, -10),
        }),
      ],
      { at: [0, 1, 1.5, 2, 3], beats: 4 },
    ),
    harder: rep(
      "three-quarter",
      [
        upright({ at: [0, 0.915, -0.2], rl: foot(0, -0.16), ll: leg(24, 3, 0, 60, 0) }),
        to(mirrorPose(loadedOne()), { at: [-0.1, 0.76, -0.18], rl: foot(0, -0.16, { pole: [1, 0.1, 0.1] }) }),
        upright({
          at: [0, 1.13, 0.04],
          rl: leg(20, 8, 0, 36, -30, { inversion: 14 }),
          ll: leg(50, 4, 0, 70, 0),
          arms: arm(60, 70, 60),
        }),
        to(mirrorPose(loadedOne()), { at: [-0.1, 0.74, 0.26], rl: foot(0, 0.3, { tilt: -4, pole: [1, 0.1, 0.1] }) }),
        to(mirrorPose(loadedOne()), { at: [-0.1, 0.74, 0.26], rl: foot(0, 0.3, { tilt: -4, pole: [1, 0.1, 0.1] }) }),
      ],
      { at: [0, 1, 1.5, 2, 3], beats: 4 },
    ),
  },
  "side-bound": {
    standard: swap(
      "front",
      [
        mirrorPose(boundLanded()),
        mirrorPose(boundLanded({ at: [-0.12, 0.7, 0.26], tilt: 30 })),
        boundAir(),
        boundLanded(),
      ],
      {
        at: [0, 1, 1.5, 2],
        beats: 3,
      },
    ),
    easier: swap(
      "front",
      [
        mirrorPose(boundLanded({ at: [-0.06, 0.82, 0.2], tilt: 16, rl: foot(0, 0.24) })),
        mirrorPose(boundLanded({ at: [-0.08, 0.78, 0.16], tilt: 20, rl: foot(0, 0.24) })),
        standing({ at: [0, 0.875, 0.04], tilt: 10, legs: foot(0, 0.24, { heel: 8 }), arms: arm(40, 40, 40) }),
        boundLanded({ at: [-0.06, 0.82, 0.2], tilt: 16, rl: foot(0, 0.24) }),
      ],
      { at: [0, 1, 1.5, 2], beats: 3 },
    ),
    harder: swap(
      "front",
      [
        mirrorPose(
          boundLanded({ at: [-0.13, 0.66, 0.42], tilt: 34, rl: foot(0, 0.5, { out: 8, pole: [1, 0.1, 0.1] }) }),
        ),
        mirrorPose(
          boundLanded({ at: [-0.14, 0.62, 0.38], tilt: 38, rl: foot(0, 0.5, { out: 8, pole: [1, 0.1, 0.1] }) }),
        ),
        boundAir({ at: [0, 1.06, 0.02], rl: leg(34, 32, 0, 30, -10), ll: leg(0, 28, 0, 16, -30) }),
        boundLanded({ at: [-0.13, 0.66, 0.42], tilt: 34, rl: foot(0, 0.5, { out: 8, pole: [1, 0.1, 0.1] }) }),
      ],
      { at: [0, 1, 1.5, 2], beats: 3 },
    ),
  },
  "wall-lean-knee-drives": {
    standard: swap("side", [leaning(), mirrorPose(leaning())], { seconds: 2, props: [wall(0.43)] }),
    easier: swap("side", [nearLean, mirrorPose(nearLean)], { seconds: 2, props: [wall(0.43)] }),
    harder: swap("side", [leaning(), mirrorPose(leaning()), leaning(), mirrorPose(leaning())], {
      at: [0, 0.33, 0.66, 1],
      beats: 2,
      seconds: 2.7,
      props: [wall(0.43)],
    }),
  },
  "build-up-runs": {
    standard: outAndBack(
      { tilt: 8, rl: leg(30, 2, 0, 112, 0) },
      {
        tilt: 8,
        at: [0, 0.99, 0],
        ll: leg(-20, 2, 0, 36, -34),
        rl: leg(80, 2, 0, 92, 4),
        ra: armBack(48),
        la: armForward(62),
      },
      12,
    ),
    easier: outAndBack({}, {}, 12),
    harder: outAndBack(
      { tilt: 12, rl: leg(44, 2, 0, 122, 0) },
      {
        tilt: 10,
        at: [0, 1.01, 0],
        ll: leg(-24, 2, 0, 30, -38),
        rl: leg(92, 2, 0, 100, 6),
        ra: armBack(54),
        la: armForward(72),
      },
      14,
    ),
  },
  "fall-forward-starts": {
    standard: rep(
      "side",
      [
        upright({ at: [0, 0.915, 0] }),
        leanStart(),
        falling(),
        flight({ at: [0.5, 0.95, 0], tilt: 24, rl: leg(80, 2, 0, 88, 4), ll: leg(-16, 2, 0, 30, -34) }),
        step({ at: [0.1, 0.9, 0] }),
      ],
      {
        at: [0, 1, 1.4, 2, 2.5],
        beats: 3,
      },
    ),
    easier: rep(
      "side",
      [
        upright(),
        leanStart({ at: [0.1, 0.91, 0], tilt: 9 }),
        falling({ at: [0.2, 0.87, 0], tilt: 16, rl: leg(66, 2, 0, 74, 4), ra: armBack(30), la: armForward(40) }),
        passing({ at: [0.3, 0.91, -0.02] }),
        step({ at: [0.1, 0.9, 0] }),
      ],
      {
        at: [0, 1, 1.4, 2, 2.5],
        beats: 3,
      },
    ),
    harder: rep(
      "side",
      [
        split({
          at: [-0.04, 0.74, 0],
          tilt: 34,
          nk: [-16, 0, 0],
          ll: foot(0.2, -0.1),
          rl: foot(-0.34, 0.1, { heel: 42 }),
          la: arm(84, -30, 60),
          ra: arm(84, 40, 60),
        }),
        split({
          at: [0.06, 0.72, 0],
          tilt: 42,
          nk: [-20, 0, 0],
          ll: foot(0.2, -0.1, { heel: 6 }),
          rl: foot(-0.34, 0.1, { heel: 56 }),
          la: arm(84, -30, 60),
          ra: arm(84, 40, 60),
        }),
        falling({ at: [0.5, 0.82, 0], tilt: 36, ll: foot(0.1, -0.08, { heel: 50 }) }),
        flight({ at: [0.6, 0.93, 0], tilt: 28, rl: leg(86, 2, 0, 92, 4), ll: leg(-18, 2, 0, 26, -36) }),
        step({ at: [0.1, 0.9, 0] }),
      ],
      { at: [0, 1, 1.4, 2, 2.5], beats: 3 },
    ),
  },
  "run-brake-hold": {
    standard: swap("side", [mirrorPose(braked()), stance({ at: [-0.05, 0.88, -0.03] }), flight(), braked(), braked()], {
      at: [0, 0.6, 1.1, 1.5, 2],
      beats: 3,
    }),
    easier: swap(
      "side",
      [
        mirrorPose(braked({ at: [-0.06, 0.8, 0], tilt: 6 })),
        passing(),
        mirrorPose(step()),
        braked({ at: [-0.06, 0.8, 0], tilt: 6 }),
        braked({ at: [-0.06, 0.8, 0], tilt: 6 }),
      ],
      {
        at: [0, 0.6, 1.1, 1.6, 2],
        beats: 3,
      },
    ),
    harder: swap(
      "side",
      [
        mirrorPose(braked({ at: [-0.12, 0.62, 0], tilt: 18 })),
        stance({ tilt: 10 }),
        flight({ at: [0, 0.985, 0], rl: leg(74, 2, 0, 84, 4), ll: leg(-18, 2, 0, 34, -34) }),
        braked({ at: [-0.12, 0.62, 0], tilt: 18, rl: foot(0.34, 0.12, { pole: [1, 0.1, 0.1] }) }),
        braked({ at: [-0.12, 0.62, 0], tilt: 18, rl: foot(0.34, 0.12, { pole: [1, 0.1, 0.1] }) }),
      ],
      { at: [0, 0.6, 1.1, 1.5, 2], beats: 3 },
    ),
  },
  "plant-and-cut": {
    standard: swap("front", [mirrorPose(stance()), flight(), planted(), pushedOff(), stance({ at: [0, 0.89, -0.1] })], {
      at: [0, 0.8, 1.5, 2.4, 3.2],
      beats: 4,
    }),
    easier: swap(
      "front",
      [
        mirrorPose(passing()),
        step({ at: [0, 0.9, 0] }),
        planted({
          at: [-0.05, 0.8, 0.04],
          tilt: 16,
          side: -8,
          turn: -6,
          rl: foot(0.06, 0.34),
          ll: leg(20, 6, 0, 50, -6),
        }),
        pushedOff({
          at: [-0.02, 0.87, -0.12],
          tilt: 10,
          side: -8,
          turn: -18,
          rl: foot(0.06, 0.34, { heel: 18 }),
          ll: leg(36, 12, 0, 44, 0),
        }),
        passing({ at: [0, 0.91, -0.06] }),
      ],
      { at: [0, 0.8, 1.5, 2.4, 3.2], beats: 4 },
    ),
    harder: swap(
      "front",
      [
        mirrorPose(stance({ tilt: 10 })),
        flight({ at: [0, 0.985, 0], tilt: 10 }),
        planted({
          at: [-0.12, 0.66, 0.04],
          tilt: 30,
          side: -16,
          rl: foot(0.1, 0.54, { out: 0, pole: [1, 0.1, -0.05] }),
        }),
        pushedOff({
          at: [-0.06, 0.8, -0.26],
          tilt: 24,
          side: -18,
          turn: -42,
          rl: foot(0.1, 0.54, { out: 0, heel: 34 }),
        }),
        stance({ at: [0, 0.88, -0.14], tilt: 10 }),
      ],
      { at: [0, 0.8, 1.5, 2.4, 3.2], beats: 4 },
    ),
  },
  "approach-and-jump": {
    standard: rep(
      "side",
      [
        upright({ at: [-0.5, 0.915, 0], legs: foot(-0.5, 0.1) }),
        lastStep(),
        gathered(),
        inAir({ at: [0.05, 1.14, 0] }),
        stuck({ at: [-0.1, 0.68, 0] }),
        stuck({ at: [-0.1, 0.68, 0] }),
        step({ at: [-0.2, 0.9, 0] }),
      ],
      {
        at: [0, 1, 2, 2.6, 3, 4, 4.6],
        beats: 5,
      },
    ),
    easier: rep(
      "side",
      [
        upright({ at: [-0.4, 0.915, 0], legs: foot(-0.4, 0.1) }),
        lastStep({ at: [-0.26, 0.86, 0], rl: foot(-0.5, 0.09, { heel: 34 }) }),
        gathered({ at: [-0.04, 0.76, 0], tilt: 20 }),
        tiptoe({ at: [0.05, 0.98, 0] }),
        stuck({ at: [-0.08, 0.8, 0], tilt: 16 }),
        stuck({ at: [-0.08, 0.8, 0], tilt: 16 }),
        step({ at: [-0.2, 0.9, 0] }),
      ],
      {
        at: [0, 1, 2, 2.6, 3, 4, 4.6],
        beats: 5,
      },
    ),
    harder: rep(
      "side",
      [
        upright({ at: [-0.6, 0.915, 0], legs: foot(-0.6, 0.1) }),
        lastStep({ at: [-0.3, 0.78, 0], tilt: 8 }),
        gathered({ at: [-0.14, 0.68, 0], tilt: 36, arms: arm(84, -48, 8) }),
        inAir({ at: [0.05, 1.2, 0], th: [-8, 0, -16], ra: arm(30, 128, 92, -40), la: arm(84, 140, 10) }),
        stuck({ at: [-0.12, 0.64, 0] }),
        stuck({ at: [-0.12, 0.64, 0] }),
        step({ at: [-0.2, 0.9, 0] }),
      ],
      { at: [0, 1, 2, 2.6, 3, 4, 4.6], beats: 5 },
    ),
  },
};
