import type { Pose } from "~/core/figure/pose";
import { gait, kneeUp, step, upright } from "./gaits";
import {
  aim,
  aimRoom,
  arm,
  bar,
  BAR_HEIGHT,
  box,
  flat,
  foot,
  footUp,
  grip,
  hang,
  hookLying,
  leg,
  on,
  plank,
  rep,
  rolled,
  split,
  standing,
  stick,
  supine,
  swap,
  CROSSED_ARMS,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

// The stroke: on water and in it

const feet = foot(0, 0.13, { pole: [1, 0.1, 0.15] });
const caught = (c: Change = {}) =>
  standing({
    at: [-0.26, 0.64, 0],
    tilt: 44,
    lu: [8, 0, 0],
    nk: [-20, 0, 0],
    legs: feet,
    arms: aimRoom([0.9, -0.42, 0.1], [0.96, -0.28, -0.04], { girdle: [0, 16] }),
    ...c,
  });
const driven = (c: Change = {}) =>
  standing({
    at: [-0.12, 0.86, 0],
    tilt: 26,
    nk: [-10, 0, 0],
    legs: feet,
    arms: aimRoom([0.8, -0.6, 0.1], [0.9, -0.42, -0.06]),
    ...c,
  });
const finished = (c: Change = {}) =>
  standing({
    at: [-0.02, 0.905, 0],
    tilt: -6,
    lu: [-2, 0, 0],
    legs: feet,
    arms: aim([-0.46, -0.82, 0.34], [0.96, 0.1, -0.26], { girdle: [0, -12] }),
    ...c,
  });
const armsAway = (c: Change = {}) =>
  standing({
    at: [-0.04, 0.905, 0],
    tilt: 4,
    legs: feet,
    arms: aimRoom([0.86, -0.5, 0.1], [0.97, -0.24, -0.06]),
    ...c,
  });
const bentOver = (c: Change = {}) => standing({ at: [-0.16, 0.84, 0], tilt: 52, nk: [-14, 0, 0], legs: feet, ...c });
const long = (c: Change = {}) =>
  upright({
    at: [0.02, 0.98, 0],
    legs: foot(0, 0.08, { heel: 38 }),
    arms: aim([0.12, 0.98, -0.06], [0.1, 0.97, -0.2], { girdle: [18, 0] }),
    ...c,
  });
const lowLong = long({
  at: [0.01, 0.925, 0],
  legs: foot(0, 0.08),
  arms: aim([0.4, 0.9, 0.1], [0.36, 0.92, -0.2]),
});
const poised = (c: Change = {}) =>
  standing({
    at: [-0.18, 0.68, 0],
    tilt: 40,
    nk: [-10, 0, 0],
    legs: foot(0, 0.12, { pole: [1, 0.1, 0.1] }),
    arms: arm(84, -36, 6),
    ...c,
  });

// Throwing and hitting. The right arm works, the left foot is in front.

const throwFeet: Change = {
  ll: foot(0.28, -0.13, { pole: [1, 0.05, 0] }),
  rl: foot(-0.3, 0.13, { out: 50, heel: 10 }),
};
const ready = (c: Change = {}) =>
  split({
    at: [-0.04, 0.85, 0],
    tilt: 4,
    ...throwFeet,
    ra: aim([0.3, -0.86, 0.4], [0.5, 0.7, -0.3]),
    la: aim([0.5, -0.7, -0.3], [0.7, 0.4, 0.2]),
    ...c,
  });
const cocked = (c: Change = {}) =>
  split({
    at: [-0.12, 0.84, 0.02],
    turn: 30,
    tilt: -4,
    th: [-6, 0, 26],
    lu: [0, 0, 4],
    nk: [0, 0, -46],
    ...throwFeet,
    ra: aim([-0.08, 0.06, 1], [-0.2, 0.92, 0.24]),
    la: aim([0.6, 0.1, -0.76], [0.66, 0.1, -0.7]),
    ...c,
  });
const released = (c: Change = {}) =>
  split({
    at: [0.08, 0.82, 0],
    turn: -10,
    tilt: 14,
    th: [4, 0, -12],
    nk: [-8, 0, 10],
    ll: foot(0.28, -0.13, { pole: [1, 0.05, 0] }),
    rl: foot(-0.3, 0.13, { heel: 40 }),
    ra: aim([0.7, 0.5, 0.5], [0.88, 0.46, 0.1]),
    la: aim([-0.1, -0.8, -0.5], [0.5, 0.1, 0.2]),
    ...c,
  });
const followed = (c: Change = {}) =>
  split({
    at: [0.14, 0.78, 0],
    turn: -24,
    tilt: 28,
    th: [8, 0, -22],
    nk: [-26, 0, 20],
    ll: foot(0.28, -0.13, { pole: [1, 0.05, 0] }),
    rl: foot(-0.3, 0.13, { heel: 52 }),
    ra: aim([0.72, -0.6, -0.3]),
    la: aim([-0.3, -0.86, -0.3], [0.4, -0.2, 0.4]),
    ...c,
  });
const reachHigh = (c: Change = {}) =>
  split({
    at: [0.02, 0.93, 0],
    turn: -4,
    tilt: 4,
    th: [-4, 0, -6],
    nk: [-16, 0, 6],
    ll: foot(0.2, -0.12, { heel: 24 }),
    rl: foot(-0.2, 0.12, { heel: 44 }),
    ra: aim([0.26, 0.95, 0.2], [0.36, 0.93, 0.05]),
    la: aim([0.3, -0.86, -0.2], [0.5, 0.5, 0.5]),
    ...c,
  });
const overhead = (c: Change = {}) =>
  split({
    at: [-0.08, 0.84, 0],
    tilt: -8,
    lu: [-6, 0, 0],
    th: [-10, 0, 0],
    nk: [2, 0, 0],
    ll: foot(0.26, -0.12),
    rl: foot(-0.26, 0.12, { heel: 18 }),
    arms: aim([0.1, 0.95, 0.22], [-0.66, 0.6, -0.34]),
    ...c,
  });
const overheadOut = (c: Change = {}) =>
  split({
    at: [0.06, 0.84, 0],
    tilt: 14,
    th: [6, 0, 0],
    nk: [-8, 0, 0],
    ll: foot(0.26, -0.12),
    rl: foot(-0.26, 0.12, { heel: 34 }),
    arms: aim([0.92, 0.36, 0.04]),
    ...c,
  });
const swingBack = (c: Change = {}) =>
  standing({
    at: [-0.08, 0.8, 0.08],
    turn: 26,
    tilt: 14,
    th: [0, 0, 28],
    nk: [0, 0, -46],
    rl: foot(-0.06, 0.3, { out: 30, pole: [1, 0, 0.3] }),
    ll: foot(0.1, -0.3, { out: 0, heel: 16 }),
    ra: aim([0.0, -0.46, 0.9]),
    la: aim([0.7, -0.5, 0.2], [0.6, 0.1, 0.7]),
    ...c,
  });
const swingThrough = (c: Change = {}) =>
  standing({
    at: [-0.02, 0.86, -0.08],
    turn: -28,
    tilt: 8,
    th: [0, 0, -28],
    nk: [0, 0, 46],
    rl: foot(-0.06, 0.3, { out: -8, heel: 34 }),
    ll: foot(0.1, -0.3, { out: 16, pole: [1, 0, -0.2] }),
    ra: aim([0.9, 0.1, -0.3], [0.5, 0.6, -0.6]),
    la: aim([0.2, -0.7, -0.6], [0.6, 0.3, -0.1]),
    ...c,
  });

// Fighting stances and the ground

const guard = (c: Change = {}) =>
  split({
    at: [-0.04, 0.83, 0],
    tilt: 10,
    turn: 18,
    nk: [4, 0, -18],
    ll: foot(0.22, -0.13, { out: -10, pole: [1, 0.05, 0] }),
    rl: foot(-0.24, 0.13, { out: 34, heel: 16 }),
    la: aim([0.6, -0.76, -0.2], [0.5, 0.82, 0.2]),
    ra: aim([0.4, -0.88, 0.2], [0.5, 0.82, -0.25]),
    ...c,
  });
const punched = (c: Change = {}) =>
  guard({
    at: [0.04, 0.83, 0],
    turn: -26,
    th: [0, 0, -14],
    nk: [4, 0, 34],
    rl: foot(-0.24, 0.13, { out: -6, heel: 40 }),
    ra: aim([0.96, 0.04, 0.24], [0.98, 0.04, 0.1]),
    ...c,
  });
const jabbed = (c: Change = {}) =>
  guard({
    at: [0.02, 0.83, 0],
    turn: 28,
    th: [0, 0, 10],
    nk: [4, 0, -34],
    la: aim([0.92, 0.04, -0.38], [0.97, 0.04, -0.2]),
    ...c,
  });
const level = (c: Change = {}) =>
  split({
    at: [-0.14, 0.62, 0],
    tilt: 34,
    nk: [-24, 0, 0],
    ll: foot(0.2, -0.16, { pole: [1, 0.05, -0.15] }),
    rl: foot(-0.2, 0.16, { out: 14, heel: 14, pole: [1, 0.05, 0.3] }),
    arms: aim([0.6, -0.7, 0.2], [0.9, 0.3, -0.16]),
    ...c,
  });
const crouch = (c: Change = {}) =>
  standing({
    at: [-0.3, 0.5, 0],
    tilt: 62,
    lu: [16, 0, 0],
    th: [10, 0, 0],
    nk: [-20, 0, 0],
    legs: foot(-0.2, 0.13, { heel: 46, out: 0, pole: [1, 0.1, 0.05] }),
    arms: flat(0.4, 0.2),
    ...c,
  });
const SQUARE: Change = { turn: 0, nk: [0, 0, 0] };
/** Risen, the back foot brought level with the front one on its way past. */
const feetLevel = (c: Change = {}) =>
  guard({ ...SQUARE, at: [0.14, 0.88, 0], ll: foot(0.22, -0.13, { out: 0 }), rl: foot(0.2, 0.13, { out: 10 }), ...c });
const softLevel = level({ at: [-0.1, 0.74, 0], tilt: 24, nk: [-16, 0, 0] });
const farLevel = level({
  at: [0, 0.5, 0],
  tilt: 36,
  ll: foot(0.22, -0.16, { pole: [1, 0.05, -0.1] }),
  rl: foot(-0.34, 0.16, { heel: 56 }),
});
const LEVEL_BEATS = { at: [0, 1, 2, 2.5], beats: 3, lift: [0, 0, 0, 0.03] };
const BENCH_BEATS = { at: [0, 1, 1.5, 2, 2.5, 3], beats: 4, lift: [0, 0, 0.02, 0.02, 0.02, 0.02] };
const SPRAWL_BEATS = { at: [0, 1, 1.25, 1.5, 1.75, 2, 2.25, 2.5, 2.75, 3], beats: 4 };
const benchHands = flat(0.06, 0.2, { y: 0.45 });
/** From the crouch the right foot has stepped back. */
const oneBack = (c: Change = {}) =>
  crouch({ at: [-0.16, 0.5, 0], tilt: 66, lu: [6, 0, 0], rl: foot(-0.925, 0.1, { heel: 68, out: 0 }), ...c });
/** A foot on its way under the body. */
const tucked = leg(104, 4, 0, 112, 6);
const sprawl = (low: Pose) => [
  upright(),
  crouch(),
  crouch({ rl: tucked }),
  oneBack(),
  oneBack({ ll: tucked }),
  low,
  oneBack({ ll: tucked }),
  oneBack(),
  crouch({ rl: tucked }),
  crouch(),
];
const escape = (c: Change = {}) =>
  rolled(-58, {
    at: [0.0, null, 0.1],
    lu: [14, 0, 0],
    th: [8, 0, 0],
    nk: [6, 0, 0],
    rl: leg(86, 0, 0, 70, 0),
    ll: leg(64, 0, 0, 84, 0),
    ra: aim([0.86, -0.3, 0.1], [0.96, -0.2, 0]),
    la: aim([0.8, -0.4, 0.1], [0.7, 0.5, 0]),
    ...c,
  });
/** Long on the floor, arms folded, rolled so far; with the legs held off the floor by `up` degrees. */
const rolledLong = (turn: number, up = 0) =>
  rolled(turn, { legs: leg(turn < -120 ? -up : up, 3, 0, 4, -34), arms: CROSSED_ARMS });
const balled = (tilt: number, c: Change = {}) =>
  supine({
    tilt,
    lu: [44, 0, 0],
    th: [26, 0, 0],
    nk: [30, 0, 0],
    legs: leg(112, 8, 0, 128, 0),
    arms: on("right.knee", [0.04, 0.04, 0]),
    ...c,
  });

// Hanging

const barHold = (z: number) => grip(0, BAR_HEIGHT, z, { fingers: [0.1, 1, 0] });
const hung = (y: number, girdle: [number, number], c: Change = {}) =>
  hang({ at: [0, y, 0], ra: { ...barHold(0.24), girdle }, la: { ...barHold(-0.24), girdle }, ...c });
const BOX_HIGH = 0.3;
/** Standing tall under the bar, elbows bent and low. */
const bentArms: Change = {
  at: [0.02, 1.21, 0],
  ra: grip(0, BAR_HEIGHT, 0.24, { fingers: [0.1, 1, 0], pole: [0.5, -0.8, 0.5] }),
  la: grip(0, BAR_HEIGHT, -0.24, { fingers: [0.1, 1, 0], pole: [0.5, -0.8, -0.5] }),
};
const halfHung = (y: number, girdle: [number, number], c: Change = {}) =>
  hang({
    at: [-0.06, y, 0],
    legs: foot(0.1, 0.12, { y: BOX_HIGH, pole: [1, 0.2, 0.1] }),
    ra: { ...barHold(0.24), girdle },
    la: { ...barHold(-0.24), girdle },
    ...c,
  });

export const sportMotions: MotionSet = {
  "standing-stroke": {
    standard: rep("side", [armsAway(), caught(), driven(), finished()]),
    easier: rep("side", [
      armsAway(),
      caught({ at: [-0.16, 0.78, 0], tilt: 28 }),
      driven({ at: [-0.08, 0.88, 0], tilt: 16 }),
      finished({ tilt: -2 }),
    ]),
    harder: rep(
      "side",
      [
        armsAway(),
        caught({ at: [-0.3, 0.54, 0], tilt: 46 }),
        driven({ at: [-0.14, 0.84, 0], tilt: 30 }),
        finished({ tilt: -8 }),
      ],
      { props: [stick(0.15)] },
    ),
  },
  "stroke-in-parts": {
    standard: rep("side", [finished(), armsAway(), finished(), driven({ at: [-0.1, 0.88, 0] }), finished(), caught()], {
      beats: 6,
    }),
    easier: rep(
      "side",
      [
        finished(),
        armsAway(),
        finished(),
        driven({ at: [-0.08, 0.885, 0], tilt: 18 }),
        finished(),
        armsAway({ tilt: 8 }),
      ],
      { beats: 6 },
    ),
    harder: rep(
      "side",
      [
        finished(),
        armsAway(),
        finished(),
        driven({ at: [-0.12, 0.87, 0], tilt: 32 }),
        finished(),
        caught({ at: [-0.3, 0.52, 0], tilt: 46 }),
      ],
      { beats: 6, props: [stick(0.15)] },
    ),
  },
  "front-crawl-arms": {
    standard: gait(
      "side",
      [
        bentOver({
          th: [0, 0, -14],
          ra: aim([0.2, 0.96, 0.14], [0.24, 0.96, -0.06]),
          la: aim([0.1, -0.98, -0.14], [0.2, -0.97, -0.06]),
        }),
        bentOver({
          th: [0, 0, 8],
          ra: arm(76, 84, 34, 20),
          la: arm(4, 72, 66, 40),
        }),
      ],
      { seconds: 2.8 },
    ),
    easier: gait(
      "side",
      [
        bentOver({
          at: [-0.08, 0.885, 0],
          tilt: 22,
          th: [0, 0, -10],
          ra: aim([0.6, 0.76, 0.14], [0.6, 0.78, -0.06]),
          la: aim([0.1, -0.98, -0.14], [0.2, -0.97, -0.06]),
        }),
        bentOver({
          at: [-0.08, 0.885, 0],
          tilt: 22,
          th: [0, 0, 6],
          ra: arm(76, 76, 30, 20),
          la: arm(4, 62, 66, 40),
        }),
      ],
      { seconds: 3.4 },
    ),
    harder: gait(
      "side",
      [
        bentOver({
          at: [-0.2, 0.82, 0],
          tilt: 66,
          th: [0, 0, -20],
          nk: [-8, 0, 26],
          ra: aim([0.1, 0.98, 0.12], [0.1, 0.98, -0.06]),
          la: aim([0.0, -0.98, -0.14], [0.1, -0.98, -0.06]),
        }),
        bentOver({
          at: [-0.2, 0.82, 0],
          tilt: 66,
          th: [0, 0, 12],
          ra: arm(76, 84, 34, 20),
          la: arm(4, 72, 66, 40),
        }),
      ],
      { seconds: 2.4 },
    ),
  },
  "long-line-reach": {
    standard: rep("side", [long(), poised(), long()]),
    easier: rep("side", [lowLong, poised({ at: [-0.1, 0.8, 0], tilt: 24 }), lowLong]),
    harder: rep(
      "side",
      [
        upright({ legs: foot(0, 0.08) }),
        poised({ at: [-0.22, 0.6, 0], tilt: 46 }),
        long({ at: [0.02, 1.12, 0], legs: leg(2, 3, 0, 4, -30) }),
        poised({ at: [-0.16, 0.7, 0], tilt: 30, arms: arm(84, 60, 20) }),
      ],
      { at: [0, 1, 1.5, 2], beats: 3 },
    ),
  },
  "shadow-throws": {
    standard: rep("three-quarter", [ready(), cocked(), released(), followed()], { at: [0, 1, 1.6, 2], beats: 3 }),
    easier: rep(
      "three-quarter",
      [
        ready(),
        cocked({ turn: 18, th: [-2, 0, 18], nk: [0, 0, -30], ra: aim([0.2, -0.3, 0.92], [0.1, 0.9, 0.3]) }),
        released({ th: [2, 0, -8], ra: aim([0.9, 0.1, 0.4], [0.95, 0.2, 0.1]) }),
        followed({ at: [0.1, 0.81, 0], tilt: 16, th: [4, 0, -14] }),
      ],
      { at: [0, 1, 1.6, 2], beats: 3 },
    ),
    harder: rep(
      "three-quarter",
      [
        ready({ ll: foot(0.02, -0.13), at: [-0.1, 0.88, 0] }),
        cocked({ ll: leg(44, 6, 0, 50, 0), at: [-0.18, 0.86, 0.04], th: [-8, 0, 30] }),
        released({ th: [6, 0, -16] }),
        followed({ at: [0.18, 0.74, 0], tilt: 36, th: [10, 0, -26] }),
      ],
      { at: [0, 1, 1.6, 2], beats: 3 },
    ),
  },
  "hop-step-throw": {
    standard: rep(
      "three-quarter",
      [
        ready({ at: [-0.2, 0.87, 0], ll: foot(0.0, -0.13) }),
        kneeUp({
          at: [-0.14, 1.0, 0],
          turn: 20,
          ll: leg(2, 4, 0, 8, -30),
          rl: leg(70, 6, 0, 80, 0),
          ra: aim([-0.05, -0.5, 0.86], [0.1, 0.6, 0.7]),
          la: aim([0.7, -0.1, -0.6]),
        }),
        cocked({ at: [-0.12, 0.86, 0.02], ll: leg(46, 8, 0, 30, 0), rl: foot(-0.2, 0.1, { out: 50 }) }),
        released(),
        followed({ ll: foot(0.28, -0.13, { pole: [1, 0.05, 0] }), rl: leg(10, 6, 0, 70, -20), at: [0.2, 0.8, -0.04] }),
      ],
      { at: [0, 0.5, 2, 2.6, 3], beats: 4 },
    ),
    easier: rep(
      "three-quarter",
      [
        ready({ at: [-0.2, 0.87, 0], ll: foot(0.0, -0.13) }),
        step({ at: [-0.14, 0.89, 0], turn: 20, ra: aim([0.1, -0.6, 0.7], [0, 0.7, 0.5]), la: aim([0.7, -0.3, -0.6]) }),
        cocked({ turn: 18, th: [-2, 0, 18], nk: [0, 0, -30] }),
        released(),
        followed({ at: [0.1, 0.81, 0], tilt: 18, th: [4, 0, -14] }),
      ],
      { at: [0, 0.5, 2, 2.6, 3], beats: 4 },
    ),
    harder: rep(
      "three-quarter",
      [
        ready({ at: [-0.3, 0.87, 0], ll: foot(-0.1, -0.13) }),
        kneeUp({
          at: [-0.2, 1.08, 0],
          turn: 24,
          ll: leg(-6, 4, 0, 14, -34),
          rl: leg(84, 6, 0, 88, 0),
          ra: aim([-0.1, -0.3, 0.94], [0, 0.7, 0.7]),
          la: aim([0.7, 0.1, -0.6]),
        }),
        cocked({
          at: [-0.14, 0.84, 0.02],
          ll: leg(52, 8, 0, 26, 0),
          rl: foot(-0.24, 0.1, { out: 50 }),
          th: [-8, 0, 30],
        }),
        released({ th: [6, 0, -16] }),
        followed({ rl: leg(10, 6, 0, 80, -20), at: [0.24, 0.76, -0.04], tilt: 36 }),
      ],
      { at: [0, 0.5, 2, 2.6, 3], beats: 4 },
    ),
  },
  "two-hand-overhead-throw": {
    standard: rep(
      "side",
      [
        overhead({ arms: aim([0.5, -0.7, 0.3], [0.7, 0.6, -0.3]), tilt: 2, lu: [0, 0, 0], th: [0, 0, 0] }),
        overhead(),
        overheadOut(),
      ],
      { at: [0, 1, 1.8], beats: 3 },
    ),
    easier: rep(
      "side",
      [
        overhead({ arms: aim([0.5, -0.7, 0.3], [0.7, 0.6, -0.3]), tilt: 2, lu: [0, 0, 0], th: [0, 0, 0] }),
        overhead({ tilt: 0, lu: [0, 0, 0], th: [-9, 0, 0], arms: aim([0.6, 0.62, 0.36], [-0.2, 0.9, -0.3]) }),
        overheadOut({ tilt: 8, th: [8, 0, 0], arms: aim([0.94, 0.2, 0.06]) }),
      ],
      { at: [0, 1, 1.8], beats: 3 },
    ),
    harder: rep(
      "side",
      [
        overhead({
          ll: foot(0.0, -0.12),
          at: [-0.14, 0.88, 0],
          arms: aim([0.5, -0.7, 0.3], [0.7, 0.6, -0.3]),
          tilt: 2,
          lu: [0, 0, 0],
          th: [0, 0, 0],
        }),
        overhead({ tilt: -12, lu: [-9, 0, 0], th: [-14, 0, 0], ll: leg(36, 5, 0, 20, 0) }),
        overheadOut({ at: [0.12, 0.78, 0], tilt: 24, th: [12, 0, 0] }),
      ],
      { at: [0, 1, 1.8], beats: 3 },
    ),
  },
  "shadow-overhead-hit": {
    standard: rep(
      "three-quarter",
      [
        ready(),
        cocked({ th: [-10, 6, 22], nk: [-14, 0, -40], la: aim([0.66, 0.66, -0.3]) }),
        reachHigh(),
        followed({ tilt: 18, at: [0.12, 0.81, 0] }),
      ],
      { at: [0, 1, 1.6, 2], beats: 3 },
    ),
    easier: rep(
      "three-quarter",
      [
        ready(),
        cocked({
          turn: 16,
          th: [-4, 0, 16],
          nk: [-10, 0, -26],
          ra: aim([0.3, -0.1, 0.92], [0, 0.95, 0.1]),
          la: aim([0.8, 0.2, -0.3]),
        }),
        reachHigh({
          at: [0.02, 0.88, 0],
          ll: foot(0.2, -0.12),
          rl: foot(-0.2, 0.12, { heel: 24 }),
          ra: aim([0.72, 0.62, 0.3], [0.7, 0.7, 0.06]),
          nk: [-10, 0, 6],
        }),
        followed({ at: [0.1, 0.83, 0], tilt: 12, th: [4, 0, -12] }),
      ],
      { at: [0, 1, 1.6, 2], beats: 3 },
    ),
    harder: rep(
      "three-quarter",
      [
        ready(),
        cocked({ at: [-0.14, 0.78, 0.02], th: [-12, 8, 26], nk: [-14, 0, -42], la: aim([0.5, 0.82, -0.2]) }),
        reachHigh({ at: [0.04, 1.15, 0], ll: leg(8, 5, 0, 24, -30), rl: leg(-10, 5, 0, 40, -30) }),
        followed({ at: [0.16, 0.74, 0], tilt: 26 }),
      ],
      { at: [0, 1, 1.6, 2], beats: 3 },
    ),
  },
  "shadow-side-swings": {
    standard: rep(
      "three-quarter",
      [
        standing({
          at: [-0.06, 0.82, 0],
          tilt: 14,
          legs: foot(0, 0.26, { pole: [1, 0, 0.2] }),
          arms: aim([0.5, -0.8, 0.1], [0.9, 0.2, -0.3]),
        }),
        swingBack(),
        swingThrough(),
      ],
      { at: [0, 1, 2], beats: 3, lift: [0.03, 0.03, 0.03] },
    ),
    easier: rep(
      "three-quarter",
      [
        standing({
          at: [-0.04, 0.86, 0],
          tilt: 10,
          legs: foot(0, 0.24),
          arms: aim([0.5, -0.8, 0.1], [0.9, 0.2, -0.3]),
        }),
        swingBack({ at: [-0.06, 0.85, 0.05], turn: 16, th: [0, 0, 18], nk: [0, 0, -28] }),
        swingThrough({ turn: -16, th: [0, 0, -18], nk: [0, 0, 28], ra: aim([0.9, -0.2, -0.2], [0.7, 0.3, -0.6]) }),
      ],
      { at: [0, 1, 2], beats: 3, lift: [0.03, 0.03, 0.03] },
    ),
    harder: rep(
      "three-quarter",
      [
        standing({
          at: [-0.08, 0.78, 0],
          tilt: 18,
          legs: foot(0, 0.28, { pole: [1, 0, 0.2] }),
          arms: aim([0.5, -0.8, 0.1], [0.9, 0.2, -0.3]),
        }),
        swingBack({ at: [-0.14, 0.7, 0.12], tilt: 20, th: [0, 0, 32], nk: [0, 0, -48] }),
        swingThrough({ at: [-0.02, 0.85, -0.1], th: [0, 0, -32], nk: [0, 0, 50] }),
      ],
      { at: [0, 1, 2], beats: 3, lift: [0.03, 0.03, 0.03] },
    ),
  },
  "straight-punches": {
    standard: rep("three-quarter", [guard(), jabbed(), guard(), punched()], { beats: 4, at: [0, 1, 2, 3] }),
    easier: rep(
      "three-quarter",
      [
        guard(),
        jabbed({ turn: 22, th: [0, 0, 9], la: aim([0.7, -0.4, -0.3], [0.95, 0.2, -0.1]) }),
        guard(),
        punched({ turn: -10, th: [0, 0, -10], nk: [4, 0, 16], ra: aim([0.74, -0.4, 0.3], [0.95, 0.2, 0.05]) }),
      ],
      { beats: 4, at: [0, 1, 2, 3] },
    ),
    harder: rep(
      "three-quarter",
      [
        guard({ at: [-0.08, 0.78, 0] }),
        jabbed({ at: [0.06, 0.78, 0] }),
        guard({ at: [-0.04, 0.76, 0] }),
        punched({ at: [0.1, 0.78, 0], turn: -34, th: [0, 0, -22], nk: [4, 0, 46] }),
      ],
      { beats: 4, at: [0, 1, 2, 3] },
    ),
  },
  "shadow-kick-through": {
    standard: rep(
      "side",
      [
        step({ at: [-0.16, 0.9, 0] }),
        upright({
          at: [-0.02, 0.9, -0.04],
          tilt: 4,
          lu: [-6, 0, 0],
          ll: foot(0, -0.09),
          rl: leg(-20, 6, 0, 76, -26),
          ra: arm(20, 40, 12),
          la: arm(30, 70, 10),
        }),
        upright({
          at: [0, 0.92, -0.04],
          tilt: -4,
          ll: foot(0, -0.09),
          rl: leg(64, 2, 0, 14, -30),
          la: arm(84, 60, 10),
          ra: arm(20, 30, 12),
        }),
        step({ at: [0.1, 0.9, 0], ll: foot(0, -0.08), rl: foot(0.3, 0.08, { heel: -6 }) }),
      ],
      { at: [0, 1, 1.7, 2.4], beats: 3 },
    ),
    easier: rep(
      "side",
      [
        upright({ at: [0, 0.915, -0.04], ll: foot(0, -0.09), rl: foot(-0.2, 0.1, { heel: 24 }) }),
        upright({ at: [0, 0.915, -0.04], ll: foot(0, -0.09), rl: leg(-10, 5, 0, 44, -20), la: arm(30, 40, 10) }),
        upright({ at: [0, 0.915, -0.04], ll: foot(0, -0.09), rl: leg(40, 2, 0, 12, -26), la: arm(84, 40, 10) }),
        upright({ at: [0, 0.915, -0.02], ll: foot(0, -0.09), rl: foot(0.06, 0.1) }),
      ],
      { at: [0, 1, 1.7, 2.4], beats: 3 },
    ),
    harder: rep(
      "side",
      [
        step({ at: [-0.2, 0.88, 0], tilt: 6 }),
        upright({
          at: [-0.04, 0.87, -0.04],
          tilt: 2,
          lu: [-9, 0, 0],
          th: [-4, 0, 16],
          ll: foot(0, -0.09),
          rl: leg(-24, 10, 0, 96, -28),
          ra: arm(10, 56, 12),
          la: arm(30, 90, 8),
        }),
        upright({
          at: [0.02, 0.97, -0.04],
          tilt: -6,
          ll: foot(0, -0.09, { heel: 32 }),
          th: [4, 0, -12],
          rl: leg(84, -4, 0, 8, -34),
          la: arm(84, 66, 10),
          ra: arm(10, 40, 12),
        }),
        step({ at: [0.14, 0.9, 0], ll: foot(0, -0.08), rl: foot(0.36, 0.08, { heel: -10 }) }),
      ],
      { at: [0, 1, 1.7, 2.4], beats: 3 },
    ),
  },
  "knee-up-foot-out": {
    standard: rep(
      "side",
      [
        guard({ turn: 0, nk: [4, 0, 0] }),
        guard({ at: [0, 0.9, -0.06], turn: 0, nk: [0, 0, 0], ll: foot(0.04, -0.1), rl: leg(94, 3, 0, 112, 6) }),
        guard({
          at: [-0.02, 0.9, -0.06],
          turn: 0,
          tilt: -12,
          nk: [6, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(82, 3, 0, 14, 10),
        }),
        guard({ at: [0, 0.9, -0.06], turn: 0, nk: [0, 0, 0], ll: foot(0.04, -0.1), rl: leg(94, 3, 0, 112, 6) }),
      ],
      { at: [0, 1, 2, 3], beats: 4 },
    ),
    easier: rep(
      "side",
      [
        guard({ at: [-0.02, 0.87, 0], turn: 0, nk: [4, 0, 0] }),
        guard({
          at: [0, 0.91, -0.06],
          turn: 0,
          nk: [0, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(70, 3, 0, 88, 4),
          la: grip(0.2, 1.05, -0.42),
        }),
        guard({
          at: [-0.02, 0.91, -0.06],
          turn: 0,
          tilt: -4,
          nk: [0, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(56, 3, 0, 20, 8),
          la: grip(0.2, 1.05, -0.42),
        }),
        guard({
          at: [0, 0.91, -0.06],
          turn: 0,
          nk: [0, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(70, 3, 0, 88, 4),
          la: grip(0.2, 1.05, -0.42),
        }),
      ],
      {
        at: [0, 1, 2, 3],
        beats: 4,
        props: [{ shape: "box", piece: "support", at: [0.2, 0, -0.44], size: [0.07, 1.08, 0.07] }],
      },
    ),
    harder: rep(
      "side",
      [
        guard({ turn: 0, nk: [4, 0, 0] }),
        guard({ at: [0, 0.9, -0.06], turn: 0, nk: [0, 0, 0], ll: foot(0.04, -0.1), rl: leg(104, 3, 0, 120, 6) }),
        guard({
          at: [-0.04, 0.9, -0.06],
          turn: 0,
          tilt: -18,
          nk: [10, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(104, 3, 0, 10, 10),
        }),
        guard({
          at: [-0.04, 0.9, -0.06],
          turn: 0,
          tilt: -18,
          nk: [10, 0, 0],
          ll: foot(0.04, -0.1),
          rl: leg(104, 3, 0, 10, 10),
        }),
      ],
      { at: [0, 1, 2, 3], beats: 4 },
    ),
  },
  "stance-and-level-change": {
    standard: swap("three-quarter", [guard(SQUARE), level(), level(), feetLevel()], LEVEL_BEATS),
    easier: swap("three-quarter", [guard(SQUARE), softLevel, softLevel, feetLevel()], LEVEL_BEATS),
    harder: swap(
      "three-quarter",
      [guard({ ...SQUARE, at: [-0.06, 0.78, 0] }), farLevel, farLevel, feetLevel({ at: [0.08, 0.84, 0], tilt: 14 })],
      LEVEL_BEATS,
    ),
  },
  "sprawl-step-down-and-up": {
    standard: rep("side", sprawl(plank()), SPRAWL_BEATS),
    easier: rep(
      "side",
      [
        upright(),
        standing({ at: [-0.5, 0.8, 0], tilt: 44, legs: foot(-0.5, 0.13, { heel: 12 }), arms: benchHands }),
        plank({
          at: [-0.56, 0.74, 0],
          tilt: 48,
          ll: foot(-0.5, -0.13, { heel: 30, pole: [1, 0.1, -0.1] }),
          rl: foot(-1.3, 0.1, { heel: 50, out: 0 }),
          arms: benchHands,
        }),
        plank({ at: [-0.62, 0.68, 0], tilt: 52, legs: foot(-1.3, 0.1, { heel: 50, out: 0 }), arms: benchHands }),
        plank({
          at: [-0.56, 0.74, 0],
          tilt: 48,
          ll: foot(-0.5, -0.13, { heel: 30, pole: [1, 0.1, -0.1] }),
          rl: foot(-1.3, 0.1, { heel: 50, out: 0 }),
          arms: benchHands,
        }),
        standing({ at: [-0.5, 0.8, 0], tilt: 44, legs: foot(-0.5, 0.13, { heel: 12 }), arms: benchHands }),
      ],
      { ...BENCH_BEATS, props: [{ shape: "box", piece: "bench", at: [0.1, 0, 0], size: [0.4, 0.45, 1.1] }] },
    ),
    harder: rep(
      "side",
      sprawl(plank({ at: [0.02, 0.41, 0], tilt: 66, lu: [-11, 0, 0], nk: [-10, 0, 0] })),
      SPRAWL_BEATS,
    ),
  },
  "side-hip-escape": {
    standard: swap(
      { around: 0, above: 30 },
      [hookLying(), hookLying({ at: [0, 0.14, 0.02], ll: footUp(0.34, -0.14) }), escape(), escape()],
      {
        at: [0, 1, 2, 3],
        beats: 4,
      },
    ),
    easier: swap(
      { around: 0, above: 30 },
      [
        hookLying(),
        hookLying({ at: [0, 0.12, 0.0] }),
        escape({ at: [0, null, 0.05], rl: leg(70, 0, 0, 70, 0), ll: leg(56, 0, 0, 84, 0), lu: [6, 0, 0] }),
        escape({ at: [0, null, 0.05], rl: leg(70, 0, 0, 70, 0), ll: leg(56, 0, 0, 84, 0), lu: [6, 0, 0] }),
      ],
      { at: [0, 1, 2, 3], beats: 4 },
    ),
    harder: swap(
      { around: 0, above: 30 },
      [
        supine({ legs: leg(88, 8, 0, 96, 0) }),
        hookLying({ at: [0, 0.16, 0.02], ll: footUp(0.34, -0.14) }),
        escape({ at: [-0.06, null, 0.16], rl: leg(100, 0, 0, 90, 0) }),
        escape({ at: [-0.06, null, 0.16], rl: leg(100, 0, 0, 90, 0) }),
      ],
      { at: [0, 1, 2, 3], beats: 4 },
    ),
  },
  "rock-back-and-up": {
    standard: rep("side", [balled(-38), balled(-128, { at: [-0.1, null, 0] })], { beats: 2, props: [widePad(-0.3)] }),
    easier: rep("side", [balled(-38, { lu: [40, 0, 0] }), balled(-84, { at: [-0.04, null, 0] })], {
      beats: 2,
      props: [widePad(-0.3)],
    }),
    harder: rep(
      "side",
      [
        standing({
          at: [-0.16, 0.3, 0],
          tilt: 30,
          lu: [28, 0, 0],
          th: [8, 0, 0],
          nk: [-10, 0, 0],
          legs: foot(0.02, 0.16, { pole: [1, 0.3, 0.4] }),
          arms: arm(84, 84, 4),
        }),
        balled(-128, { at: [-0.5, null, 0] }),
        standing({
          at: [-0.16, 0.3, 0],
          tilt: 30,
          lu: [28, 0, 0],
          th: [8, 0, 0],
          nk: [-10, 0, 0],
          legs: foot(0.02, 0.16, { pole: [1, 0.3, 0.4] }),
          arms: arm(84, 84, 4),
        }),
        upright({ at: [0.02, 0.915, 0], legs: foot(0.02, 0.16) }),
      ],
      { at: [0, 0.9, 1.5, 1.8], beats: 2, props: [widePad(-0.4)] },
    ),
  },
  "long-roll": {
    standard: swap("three-quarter", [rolledLong(0), rolledLong(-90), rolledLong(-178), rolledLong(-90)], {
      at: [0, 1, 2, 3],
      beats: 4,
    }),
    easier: swap(
      "three-quarter",
      [
        hookLying({ arms: CROSSED_ARMS }),
        rolled(-80, { rl: leg(60, 4, 0, 80, 0), ll: leg(50, 4, 0, 80, 0), arms: CROSSED_ARMS }),
      ],
      { at: [0, 2], beats: 4 },
    ),
    harder: swap("three-quarter", [rolledLong(0, 10), rolledLong(-90, 10), rolledLong(-178, 10), rolledLong(-90, 10)], {
      at: [0, 1, 2, 3],
      beats: 4,
    }),
  },
  "hang-and-shrug": {
    standard: rep("front", [hung(1.02, [26, 0]), hung(1.09, [-8, 0])], { props: [bar(), box(-0.42, 0, 0.3)] }),
    easier: rep("front", [halfHung(0.98, [22, 0]), halfHung(1.06, [-6, 0])], {
      props: [bar(), box(0.1, 0, BOX_HIGH, 0.5, 0.6)],
    }),
    harder: rep(
      "front",
      [hung(1.02, [26, 0], { legs: leg(14, 4, 0, 20, -20) }), hung(1.1, [-10, 0], { legs: leg(74, 4, 0, 90, 0) })],
      { props: [bar(), box(-0.42, 0, 0.3)] },
    ),
  },
  "half-hang-feet-on-box": {
    standard: rep(
      "three-quarter",
      [halfHung(1.21, [0, 0], bentArms), halfHung(0.98, [20, 0], { at: [-0.14, 0.98, 0] })],
      {
        beats: 2,
        props: [bar(), box(0.1, 0, BOX_HIGH, 0.5, 0.6)],
      },
    ),
    easier: rep("three-quarter", [halfHung(1.21, [0, 0], bentArms), halfHung(1.0, [16, 0], { at: [-0.12, 1.0, 0] })], {
      beats: 2,
      props: [bar(), box(0.1, 0, BOX_HIGH, 0.5, 0.6)],
    }),
    harder: rep(
      "three-quarter",
      [
        halfHung(1.21, [0, 0], bentArms),
        halfHung(0.96, [20, 0], { at: [-0.14, 0.96, 0], th: [-8, 0, 0], ll: leg(60, 4, 0, 60, 0) }),
      ],
      { beats: 2, props: [bar(), box(0.1, 0, BOX_HIGH, 0.5, 0.6)] },
    ),
  },
};
