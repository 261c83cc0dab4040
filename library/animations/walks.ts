import { mirrorArm, mirrorPose } from "~/core/figure/mirror";
import { armBack, armForward, kneeUp, step, upright } from "./gaits";
import type { Prop } from "~/core/figure/animation";
import {
  aimRoom,
  arm,
  box,
  flat,
  foot,
  grip,
  leg,
  on,
  plank,
  rep,
  split,
  standing,
  support,
  swap,
  to,
  CROSSED_ARMS,
  type Change,
  type MotionSet,
} from "./poses";

const onHeels = (c: Change = {}) =>
  upright({
    at: [-0.02, 0.905, -0.03],
    tilt: 3,
    ll: foot(0, -0.09, { heel: -22 }),
    rl: leg(24, 3, 0, 34, 14),
    ra: arm(84, -12, 20),
    la: arm(84, 16, 24),
    ...c,
  });
const onToes = (c: Change = {}) =>
  upright({
    at: [0.02, 0.98, -0.03],
    ll: foot(0, -0.09, { heel: 40 }),
    rl: leg(26, 3, 0, 42, -30),
    ra: arm(84, -12, 20),
    la: arm(84, 16, 24),
    ...c,
  });
const wallHand = grip(0.14, 1.05, -0.44);
const sideWall: Prop = { shape: "box", piece: "wall", at: [0, 0, -0.5], size: [1.5, 1.9, 0.06] };
const armsUp: Change = { ra: arm(20, 150, 6), la: arm(20, 150, 6) };
const heelCaught = (c: Change = {}) =>
  upright({
    at: [0, 0.92, -0.03],
    ll: foot(0, -0.09),
    rl: leg(-8, 2, 0, 134, -26),
    ra: on("right.ankle", [-0.03, 0.02, 0]),
    la: arm(70, 60, 10),
    ...c,
  });
const swept = (c: Change = {}) =>
  standing({
    at: [-0.2, 0.79, 0],
    tilt: 46,
    lu: [6, 0, 0],
    th: [6, 0, 0],
    nk: [-6, 0, 0],
    rl: foot(0.36, 0.1, { heel: -20 }),
    ll: foot(0, -0.1, { pole: [1, 0.1, -0.1] }),
    arms: arm(84, -24, 8),
    ...c,
  });
const kicked = (c: Change = {}) =>
  upright({
    at: [0, 0.92, -0.03],
    tilt: -3,
    lu: [3, 0, 0],
    ll: foot(0, -0.09),
    rl: leg(72, 2, 0, 5, 4),
    la: arm(84, 82, 4),
    ra: arm(84, -22, 12),
    ...c,
  });
const kneeFront = (c: Change = {}) =>
  kneeUp({ rl: leg(86, 3, 6, 88, 2), ra: on("pelvis", [0.02, 0.1, 0.17]), la: on("pelvis", [0.02, 0.1, -0.17]), ...c });
const kneeSide = (c: Change = {}) => kneeFront({ rl: leg(78, 46, -14, 92, 0), ...c });
const handsOnHips: Change = { ra: on("pelvis", [0.02, 0.1, 0.17]), la: on("pelvis", [0.02, 0.1, -0.17]) };
const lowFront = kneeFront({ rl: leg(56, 3, 7, 66, 2) });
const highFront = kneeFront({
  at: [0, 0.975, -0.03],
  ll: foot(0, -0.09, { heel: 34 }),
  rl: leg(96, 3, 8, 100, 2),
});
const lunged = (c: Change = {}) =>
  split({
    at: [-0.02, 0.55, 0],
    tilt: 4,
    rl: foot(0.42, 0.12, { pole: [1, 0.1, 0.1] }),
    ll: foot(-0.5, -0.12, { heel: 54 }),
    arms: arm(78, 62, 96, 24),
    ...c,
  });
const line = (c: Change = {}) =>
  upright({
    at: [0.02, 0.905, 0],
    rl: foot(0.13, 0, { out: 0, tilt: 8 }),
    ll: foot(-0.13, 0, { out: 0, tilt: -8 }),
    arms: arm(10, 46, 8),
    ...c,
  });
const lineStep = (c: Change = {}) =>
  line({ at: [0.0, 0.915, 0], rl: leg(20, -4, 0, 34, 4), ll: foot(0.06, 0, { out: 0, tilt: 8 }), ...c });
const lineStepLeft = (c: Change = {}) =>
  line({ at: [0.0, 0.915, 0], ll: leg(20, -4, 0, 34, 4), rl: foot(0.06, 0, { out: 0, tilt: 8 }), ...c });
const apartLine = (c: Change = {}) =>
  line({ rl: foot(0.13, 0.05, { out: 0, tilt: 6 }), ll: foot(-0.13, -0.05, { out: 0, tilt: -6 }), ...c });
const wallHandRight = mirrorArm(wallHand);

const crawl = (c: Change = {}) =>
  plank({
    at: [-0.2, 0.47, 0],
    tilt: 82,
    nk: [-22, 0, 0],
    rl: foot(-0.55, 0.15, { heel: 56, out: 0, pole: [1, -0.5, 0.1] }),
    ll: foot(-0.44, -0.15, { heel: 58, out: 0, pole: [1, -0.5, -0.1] }),
    ra: flat(0.44, 0.2),
    la: flat(0.32, -0.2),
    ...c,
  });
const farCrawl = crawl({
  at: [-0.2, 0.46, 0],
  tilt: 84,
  ra: flat(0.5, 0.2),
  la: flat(0.26, -0.2),
  rl: foot(-0.6, 0.15, { heel: 62, out: 0, pole: [1, -0.5, 0.1] }),
  ll: foot(-0.42, -0.15, { heel: 52, out: 0, pole: [1, -0.5, -0.1] }),
});
const STEP_HIGH = 0.3;
const lowBox = (high = STEP_HIGH) => box(0.34, 0, high, 0.42, 0.6);
const footOn = (high = STEP_HIGH) => foot(0.3, 0.1, { y: high });
const below = (c: Change = {}, high = STEP_HIGH) =>
  upright({ at: [0.02, 0.9, 0], tilt: 6, rl: footOn(high), ll: foot(0, -0.1), arms: arm(84, 6, 50), ...c });
const atop = (c: Change = {}, high = STEP_HIGH) =>
  upright({
    at: [0.29, 0.92 + high, 0.03],
    rl: footOn(high),
    ll: leg(88, 3, 0, 92, 4),
    ra: armForward(42),
    la: armBack(26),
    ...c,
  });

export const walkMotions: MotionSet = {
  "heel-walk-toe-walk": {
    standard: rep("side", [onHeels(), mirrorPose(onHeels()), onToes(), mirrorPose(onToes())], { seconds: 3.2 }),
    easier: rep(
      "side",
      [
        onHeels({ ll: foot(0, -0.09, { heel: -12 }), rl: leg(16, 3, 0, 24, 8), la: wallHand }),
        onHeels({ at: [-0.02, 0.905, 0.03], ll: leg(16, 3, 0, 24, 8), rl: foot(0, 0.09, { heel: -12 }), la: wallHand }),
        onToes({
          at: [0.02, 0.955, -0.03],
          ll: foot(0, -0.09, { heel: 26 }),
          rl: leg(20, 3, 0, 34, -20),
          la: wallHand,
        }),
        onToes({ at: [0.02, 0.955, 0.03], ll: leg(20, 3, 0, 34, -20), rl: foot(0, 0.09, { heel: 26 }), la: wallHand }),
      ],
      { seconds: 4, props: [sideWall] },
    ),
    harder: rep("side", [onHeels(armsUp), mirrorPose(onHeels(armsUp)), onToes(armsUp), mirrorPose(onToes(armsUp))], {
      seconds: 4,
    }),
  },
  "walking-heel-catch": {
    standard: swap("side", [step(), heelCaught(), heelCaught()], { at: [0, 1, 2], beats: 3 }),
    easier: swap(
      "side",
      [
        step(),
        heelCaught({ rl: leg(2, 2, 0, 108, -10), ra: arm(84, -20, 20), la: arm(70, 40, 10) }),
        heelCaught({ rl: leg(2, 2, 0, 108, -10), ra: arm(84, -20, 20), la: arm(70, 40, 10) }),
      ],
      { at: [0, 1, 2], beats: 3 },
    ),
    harder: swap(
      "side",
      [
        step(),
        heelCaught({ la: arm(84, 164, 4) }),
        heelCaught({ at: [0.02, 0.975, -0.03], ll: foot(0, -0.09, { heel: 30 }), la: arm(84, 164, 4) }),
      ],
      { at: [0, 1, 2], beats: 3 },
    ),
  },
  "heel-down-hamstring-sweep": {
    standard: swap(
      "side",
      [
        upright(),
        swept(),
        swept({ at: [-0.22, 0.74, 0], tilt: 64, lu: [14, 0, 0], arms: aimRoom([0.34, -0.94, 0.06]) }),
        upright({ at: [0, 0.915, 0], arms: arm(84, 66, 6) }),
      ],
      {
        at: [0, 1, 2, 2.6],
        beats: 3,
        lift: [0.05, 0.05, 0, 0.05],
      },
    ),
    easier: swap(
      "side",
      [
        upright(),
        swept({ at: [-0.14, 0.85, 0], tilt: 24, rl: foot(0.3, 0.1, { heel: -16 }), arms: arm(84, -8, 8) }),
        swept({ at: [-0.16, 0.83, 0], tilt: 36, rl: foot(0.3, 0.1, { heel: -16 }), arms: aimRoom([0.3, -0.95, 0.06]) }),
        upright({ arms: arm(84, 60, 6) }),
      ],
      {
        at: [0, 1, 2, 2.6],
        beats: 3,
        lift: [0.05, 0.05, 0, 0.05],
      },
    ),
    harder: swap(
      "side",
      [
        upright(),
        swept({ arms: arm(84, -36, 8) }),
        swept({ at: [-0.26, 0.68, 0], tilt: 76, lu: [16, 0, 0], th: [10, 0, 0], arms: aimRoom([0.3, -0.95, 0.06]) }),
        upright({ at: [0.02, 0.975, 0], legs: foot(0, 0.1, { heel: 36 }), arms: arm(84, 84, 6) }),
      ],
      {
        at: [0, 1, 2, 2.6],
        beats: 3,
        lift: [0.05, 0.05, 0, 0.05],
      },
    ),
  },
  "straight-leg-kicks": {
    standard: swap("side", [step(), kicked()], { at: [0, 1], beats: 2 }),
    easier: swap("side", [step(), kicked({ rl: leg(50, 2, 0, 10, 4), la: arm(84, 56, 4) })], { at: [0, 1], beats: 2 }),
    harder: swap(
      "side",
      [
        step(),
        kicked({
          at: [0, 0.985, -0.03],
          ll: foot(0, -0.09, { heel: 38 }),
          rl: leg(84, 2, 0, 4, 6),
          la: arm(84, 94, 4),
        }),
      ],
      { at: [0, 1], beats: 2 },
    ),
  },
  "walking-knee-out-knee-in": {
    standard: swap("front", [upright(handsOnHips), kneeFront(), kneeSide(), kneeFront()]),
    easier: swap("front", [upright(handsOnHips), lowFront, kneeSide({ rl: leg(52, 34, -12, 70, 0) }), lowFront]),
    harder: swap("front", [
      upright(handsOnHips),
      highFront,
      kneeSide({ at: [0, 0.975, -0.03], ll: foot(0, -0.09, { heel: 34 }), rl: leg(86, 52, -16, 100, 0) }),
      highFront,
    ]),
  },
  "walking-lunge-and-turn": {
    standard: swap(
      "three-quarter",
      [upright({ arms: arm(78, 50, 96, 24) }), lunged(), lunged({ th: [0, 0, 34], nk: [0, 0, 14] })],
      {
        at: [0, 1, 2],
        beats: 3,
        lift: [0.06, 0.06, 0],
      },
    ),
    easier: swap(
      "three-quarter",
      [
        upright({ arms: arm(78, 50, 96, 24) }),
        lunged({ at: [-0.02, 0.7, 0], rl: foot(0.34, 0.12), ll: foot(-0.38, -0.12, { heel: 40 }) }),
        lunged({
          at: [-0.02, 0.7, 0],
          rl: foot(0.34, 0.12),
          ll: foot(-0.38, -0.12, { heel: 40 }),
          th: [0, 0, 22],
          nk: [0, 0, 8],
        }),
      ],
      { at: [0, 1, 2], beats: 3, lift: [0.06, 0.06, 0] },
    ),
    harder: swap(
      "three-quarter",
      [
        upright({ arms: arm(84, 164, 6) }),
        lunged({
          at: [-0.02, 0.51, 0],
          rl: foot(0.44, 0.12, { pole: [1, 0.1, 0.1] }),
          ll: foot(-0.5, -0.12, { heel: 58 }),
          arms: arm(84, 164, 6),
        }),
        lunged({
          at: [-0.02, 0.51, 0],
          rl: foot(0.44, 0.12, { pole: [1, 0.1, 0.1] }),
          ll: foot(-0.5, -0.12, { heel: 58 }),
          th: [0, 0, 38],
          nk: [0, 0, 14],
          arms: arm(12, 88, 6),
        }),
      ],
      { at: [0, 1, 2], beats: 3, lift: [0.06, 0.06, 0] },
    ),
  },
  "heel-to-toe-walk": {
    standard: rep(
      "three-quarter",
      [
        line({ la: wallHand }),
        lineStepLeft({ la: wallHand }),
        mirrorPose(line({ ra: wallHandRight })),
        lineStep({ la: wallHand }),
      ],
      { seconds: 4, lift: [0, 0.05, 0.05, 0.05], props: [sideWall] },
    ),
    easier: rep(
      "three-quarter",
      [
        apartLine({ la: wallHand }),
        lineStepLeft({ la: wallHand, rl: foot(0.11, 0.05, { out: 0, tilt: 8 }) }),
        mirrorPose(apartLine({ ra: wallHandRight })),
        lineStep({ la: wallHand, ll: foot(0.11, -0.05, { out: 0, tilt: 8 }) }),
      ],
      { seconds: 4.8, lift: [0, 0.05, 0.05, 0.05], props: [sideWall] },
    ),
    harder: rep(
      "three-quarter",
      [line(), lineStepLeft(), mirrorPose(line()), lineStep()].map((p) => to(p, { arms: CROSSED_ARMS })),
      {
        seconds: 4,
        lift: [0, 0.05, 0.05, 0.05],
      },
    ),
  },
  "low-crawl": {
    standard: rep("side", [crawl(), mirrorPose(crawl())], { beats: 2, lift: [0.02, 0.02] }),
    easier: rep(
      "side",
      [crawl({ at: [-0.2, 0.55, 0], tilt: 86 }), mirrorPose(crawl({ at: [-0.2, 0.55, 0], tilt: 86 }))],
      { beats: 2, lift: [0.02, 0.02] },
    ),
    harder: rep("side", [farCrawl, mirrorPose(farCrawl)], { beats: 2, lift: [0.02, 0.02] }),
  },
  "step-up-knee-drive": {
    standard: rep("side", [below(), atop(), atop()], { at: [0, 1, 2], beats: 3, props: [lowBox()] }),
    easier: rep(
      "side",
      [
        below({ ra: grip(0.3, 1.15, 0.4) }, 0.18),
        atop({ ll: leg(58, 3, 0, 70, 0), ra: grip(0.3, 1.15, 0.4), la: arm(84, 6, 20) }, 0.18),
        atop({ ll: leg(58, 3, 0, 70, 0), ra: grip(0.3, 1.15, 0.4), la: arm(84, 6, 20) }, 0.18),
      ],
      { at: [0, 1, 2], beats: 3, props: [lowBox(0.18), support(0.3, 0.42, 1.15)] },
    ),
    harder: rep(
      "side",
      [
        below({ at: [0.0, 0.88, 0], tilt: 12 }, 0.42),
        atop({ at: [0.29, 1.39, 0.03], rl: foot(0.3, 0.1, { y: 0.42, heel: 32 }), ll: leg(98, 3, 0, 104, 6) }, 0.42),
        atop({}, 0.42),
      ],
      {
        at: [0, 1, 2],
        beats: 3,
        props: [lowBox(0.42)],
      },
    ),
  },
};
