import {
  aim,
  aimRoom,
  arm,
  block,
  box,
  CROSSED_ARMS,
  cushion,
  elbowOn,
  flat,
  foot,
  footUp,
  grip,
  halfKneel,
  halfKneelAhead,
  hold,
  knee,
  kneelSit,
  leg,
  legTo,
  lowLunge,
  on,
  otherSides,
  pad,
  prone,
  rep,
  roller,
  split,
  standing,
  stick,
  supine,
  support,
  to,
  widePad,
  type MotionSet,
  type Change,
} from "./poses";

const onThigh = on("left.knee", [-0.12, 0.09, 0.03]);
const onThighL = on("left.knee", [-0.1, 0.09, -0.03]);
const tall = halfKneel({ ra: onThigh, la: onThighL });
const sunk = (x: number, c: Change = {}) => to(tall, { at: [x, null, 0], tilt: -10, lu: [10, 0, 0], ...c });
const armUp = arm(30, 170, 0, 0);
const hover = (c: Change = {}) =>
  split({
    at: [0.06, 0.57, 0],
    tilt: -8,
    lu: [8, 0, 0],
    rl: foot(-0.56, 0.14, { heel: 60 }),
    ll: foot(0.42, -0.15),
    ...c,
  });

const longLunge = lowLunge();
const kneeLifted = lowLunge({ at: [-0.06, 0.38, 0], rl: foot(0.46, 0.32) });
const backKnee = (x = -0.52) => knee(x, -0.13, { toes: "tucked" });
const backKneeDown = lowLunge({ ll: backKnee(-0.46), rl: foot(0.46, 0.32), at: [-0.1, null, 0], tilt: 40 });
const straightFront = lowLunge({
  at: [-0.3, 0.56, 0],
  tilt: 74,
  nk: [4, 0, 0],
  rl: foot(0.36, 0.34, { heel: -14 }),
  ll: foot(-0.95, -0.13, { heel: 62, out: 0 }),
});
const elbowLow = lowLunge({
  at: [-0.02, 0.34, 0],
  tilt: 42,
  lu: [34, 0, 0],
  th: [22, 0, 0],
  ra: aimRoom([-0.25, -0.95, -0.1], [0.85, -0.35, 0.25]),
  la: flat(0.42, -0.18),
});
const openUp = lowLunge({
  th: [0, 0, 38],
  lu: [0, 0, 8],
  nk: [0, 0, 46],
  ra: aimRoom([0, 1, 0.12]),
  la: flat(0.42, -0.1),
});
const kneeVersion = (c: Change = {}) =>
  halfKneelAhead({
    at: [0.06, null, 0],
    tilt: 24,
    lu: [20, 0, 0],
    th: [12, 0, 0],
    ll: knee(-0.3, -0.14),
    rl: foot(0.36, 0.26),
    arms: flat(0.4, 0.16, { y: 0.22 }),
    nk: [-10, 0, 0],
    ...c,
  });
const blocks = [block(0.42, 0.16, 0.22), block(0.42, -0.16, 0.22), pad(-0.35, -0.14)];

const rearUp = (c: Change = {}) =>
  split({
    at: [-0.02, 0.86, 0],
    rl: foot(0.12, 0.2, { out: 20 }),
    ll: legTo([-0.4, -0.917, 0], [-1, 0, 0], -40),
    la: grip(0.42, 1.0, -0.34),
    ...c,
  });

const rearLow = rearUp({
  at: [-0.08, 0.56, 0.02],
  tilt: 26,
  lu: [4, 0, 0],
  ll: legTo([-0.5, -0.866, 0], [-0.76, 0.65, 0], -40),
});
const rearEasy = rearUp({ at: [-0.06, 0.68, 0.02], tilt: 20, ll: foot(-0.6, -0.14, { y: 0.2, heel: 64, out: 0 }) });

const proneRoll = (roll: number, c: Change) => prone({ side: -90, turn: 90, tilt: 90 - roll, arms: arm(4, 86), ...c });

const bridged = (c: Change = {}) =>
  supine({
    of: "chest",
    at: [-0.504, null, 0],
    tilt: -116,
    nk: [24, 0, 0],
    lu: [-4, 0, 0],
    arms: aimRoom([0.96, -0.2, 0.2]),
    legs: footUp(0.36, 0.14),
    ...c,
  });
const bridgeFloor = (c: Change = {}) => supine({ of: "chest", at: [-0.504, null, 0], legs: footUp(0.36, 0.14), ...c });

const overRoller = (x: number) =>
  prone({
    at: [x, 0.235, 0],
    tilt: 78,
    lu: [-14, 0, 0],
    th: [-6, 0, 0],
    nk: [-8, 0, 0],
    arms: elbowOn(0.44, 0.2, [0.99, 0, -0.1]),
    rl: leg(-18, 6, -4, 0, -48),
    ll: legTo([-0.35, -0.12, -0.93], [-0.93, -0.1, 0.3], -30),
  });

const paddle = (r: number, c: Change = {}) =>
  halfKneel({ at: [0.08, null, 0], tilt: -6, lu: [6, 0, r * 0.2], th: [0, 0, r], nk: [0, 0, r * 0.5], ...c });
const tip = (deg: number, arms = arm(60, 158)) =>
  halfKneel({ at: [0.08, null, 0], tilt: -8, lu: [6, deg, 0], th: [0, deg, 0], nk: [0, deg * 0.3, 0], arms });
const stepped = (c: Change = {}) =>
  split({ at: [0.16, 0.86, 0], rl: foot(0.36, 0.13), ll: foot(-0.1, -0.13, { heel: 30 }), ...c });

export const hipFrontMotions: MotionSet = {
  "hip-flexor-hold": {
    standard: hold("side", [tall, sunk(0.14)], { props: [pad()] }),
    easier: hold("side", [to(tall, { ra: grip(0.26, 0.88, 0.42) }), sunk(0.09, { ra: grip(0.26, 0.88, 0.42) })], {
      props: [pad(), support(0.26, 0.42, 0.88)],
    }),
    harder: hold(
      "side",
      [
        to(tall, { rl: knee(-0.02, 0.14, { toes: "tucked" }), ra: armUp }),
        sunk(0.17, { rl: knee(-0.02, 0.14, { toes: "tucked" }), ra: armUp }),
      ],
      { props: [pad()] },
    ),
  },
  "hip-flexor-breath": {
    standard: rep("side", [sunk(0.05), sunk(0.17)], { props: [pad()], seconds: 6 }),
    easier: rep(
      "side",
      [sunk(0.03, { ra: grip(0.26, 0.88, 0.42) }), sunk(0.12, { ra: grip(0.26, 0.88, 0.42), tilt: -12 })],
      { props: [pad(), support(0.26, 0.42, 0.88)], seconds: 6 },
    ),
    harder: rep("side", [sunk(0.05, { arms: armUp }), sunk(0.18, { arms: armUp })], { props: [pad()], seconds: 6 }),
  },
  "hip-flexor-reach": {
    standard: hold(
      "three-quarter",
      [tall, sunk(0.13, { ra: arm(20, 172, 0, 0, { wrist: 70 }), lu: [8, -12, 0], th: [0, -20, 0], nk: [0, -6, 0] })],
      { props: [pad()] },
    ),
    easier: hold("three-quarter", [tall, sunk(0.1)], { props: [pad()] }),
  },
  "hip-flexor-turn": {
    standard: rep(
      "three-quarter",
      [
        to(tall, { ra: arm(30, 7, 10) }),
        sunk(0.12, { ra: armUp }),
        sunk(0.12, { ra: armUp, th: [0, 0, -34], lu: [8, 0, -4], nk: [0, 0, -30] }),
      ],
      { props: [pad()] },
    ),
    easier: rep(
      "three-quarter",
      [
        to(tall, { arms: CROSSED_ARMS }),
        sunk(0.1, { arms: CROSSED_ARMS }),
        sunk(0.1, { arms: CROSSED_ARMS, th: [0, 0, -32], lu: [8, 0, -4], nk: [0, 0, -26] }),
      ],
      { props: [pad()] },
    ),
    harder: rep("three-quarter", [
      hover({ arms: arm(30, 7, 10) }),
      hover({ ra: armUp, la: arm(30, 7, 10), tilt: -8 }),
      hover({ ra: armUp, la: arm(30, 7, 10), tilt: -8, th: [0, 0, -34], lu: [4, 0, -4], nk: [0, 0, -30] }),
    ]),
  },
  "hip-flexor-resisted": {
    standard: rep("side", [sunk(0.16), sunk(0.06)], { props: [pad()] }),
    harder: rep(
      "side",
      [
        sunk(0.19, { rl: knee(-0.02, 0.14, { toes: "tucked" }) }),
        sunk(0.06, { rl: knee(-0.02, 0.14, { toes: "tucked" }) }),
      ],
      { props: [pad()] },
    ),
  },
  "lunge-inside-rock": {
    standard: rep(
      "three-quarter",
      [
        lowLunge({
          at: [-0.12, 0.42, 0],
          ra: flat(0.4, 0.12),
          rl: foot(0.2, 0.38, { out: 26, pole: [1, 0.3, 0.25] }),
        }),
        lowLunge({
          at: [0.06, 0.34, 0.02],
          tilt: 32,
          ra: flat(0.4, 0.12),
          rl: foot(0.2, 0.38, { out: 26, pole: [1, 0.3, 0.9] }),
        }),
      ],
      { seconds: 6 },
    ),
    easier: rep(
      "three-quarter",
      [
        lowLunge({ ll: backKnee(-0.42), rl: foot(0.32, 0.3), at: [-0.1, null, 0], tilt: 44, ra: flat(0.4, 0.12) }),
        lowLunge({
          ll: backKnee(-0.42),
          rl: foot(0.32, 0.3),
          at: [-0.02, null, 0.02],
          tilt: 28,
          lu: [34, 0, 0],
          th: [26, 0, 0],
          ra: flat(0.4, 0.12),
        }),
      ],
      { props: [pad(-0.55, -0.13)], seconds: 6 },
    ),
    harder: rep(
      "three-quarter",
      [
        lowLunge({
          at: [-0.12, 0.4, 0],
          ll: foot(-1.06, -0.13, { heel: 64, out: 0 }),
          tilt: 44,
          lu: [34, 0, 0],
          th: [24, 0, 0],
          ra: elbowOn(0.34, 0.14),
          la: elbowOn(0.34, -0.2),
        }),
        lowLunge({
          at: [0.0, 0.33, 0.02],
          ll: foot(-1.06, -0.13, { heel: 64, out: 0 }),
          tilt: 44,
          lu: [34, 0, 0],
          th: [24, 0, 0],
          ra: elbowOn(0.42, 0.14),
          la: elbowOn(0.42, -0.2),
        }),
      ].map((p, i) => to(p, { at: [-0.06 + i * 0.07, 0.4, 0], tilt: 40, rl: foot(0.48, 0.34) })),
      { seconds: 6 },
    ),
  },
  "lunge-knee-lift": otherSides({
    standard: rep("side", [backKneeDown, kneeLifted], { props: [pad(-0.5, -0.15)], seconds: 6 }),
    easier: rep(
      "side",
      [
        to(backKneeDown, { arms: flat(0.42, 0.2, { y: 0.2 }), tilt: 32 }),
        to(kneeLifted, { arms: flat(0.42, 0.2, { y: 0.2 }), tilt: 28 }),
      ],
      { props: [pad(-0.5, -0.15), block(0.44, 0.2, 0.2), block(0.44, -0.2, 0.2)], seconds: 6 },
    ),
    harder: rep(
      "side",
      [
        to(backKneeDown, {
          ra: on("right.knee", [-0.08, 0.1, 0.05]),
          at: [-0.16, null, 0],
          tilt: 14,
          lu: [10, 0, 0],
          th: [4, 0, 0],
          nk: [0, 0, 0],
          la: on("right.knee", [-0.04, 0.1, -0.06]),
        }),
        to(kneeLifted, {
          at: [-0.08, 0.46, 0],
          tilt: 14,
          lu: [10, 0, 0],
          th: [4, 0, 0],
          nk: [0, 0, 0],
          ra: on("right.knee", [-0.08, 0.1, 0.05]),
          la: on("right.knee", [-0.04, 0.1, -0.06]),
        }),
      ],
      { props: [pad(-0.5, -0.15)], seconds: 6 },
    ),
  }),

  "lunge-heel-curl": otherSides({
    standard: rep(
      "side",
      [
        lowLunge({
          ll: legTo([-0.84, -0.54, 0], [-0.99, -0.05, 0], -30),
          at: [-0.05, 0.31, 0],
          tilt: 29,
          rl: foot(0.46, 0.32),
          lu: [30, 0, 0],
          th: [18, 0, 0],
        }),
        lowLunge({
          ll: legTo([-0.84, -0.54, 0], [-0.05, 0.99, 0], -25),
          at: [-0.05, 0.31, 0],
          tilt: 29,
          rl: foot(0.46, 0.32),
          lu: [30, 0, 0],
          th: [18, 0, 0],
        }),
      ],
      { props: [pad(-0.45, -0.15)], seconds: 6 },
    ),
    easier: rep(
      "side",
      [
        lowLunge({
          arms: flat(0.42, 0.2, { y: 0.2 }),
          ll: legTo([-0.84, -0.54, 0], [-0.99, -0.05, 0], -30),
          at: [-0.06, 0.32, 0],
          tilt: 24,
          rl: foot(0.46, 0.32),
        }),
        lowLunge({
          arms: flat(0.42, 0.2, { y: 0.2 }),
          ll: legTo([-0.84, -0.54, 0], [-0.3, 0.95, 0], -25),
          at: [-0.06, 0.32, 0],
          tilt: 24,
          rl: foot(0.46, 0.32),
        }),
      ],
      { props: [pad(-0.45, -0.15), block(0.44, 0.2, 0.2), block(0.44, -0.2, 0.2)], seconds: 6 },
    ),
    harder: rep(
      "side",
      [
        lowLunge({
          ll: legTo([-0.84, -0.54, 0], [-0.99, -0.05, 0], -30),
          at: [-0.05, 0.31, 0],
          tilt: 29,
          rl: foot(0.46, 0.32),
          lu: [30, 0, 0],
          th: [18, 0, 0],
          la: arm(30, 20, 10),
        }),
        lowLunge({
          ll: legTo([-0.84, -0.54, 0], [0.2, 0.98, 0], -25),
          at: [-0.04, 0.28, 0],
          tilt: 24,
          rl: foot(0.46, 0.32),
          lu: [28, 0, 0],
          th: [0, 0, -20],
          la: on("left.ankle", [0.02, 0.03, 0]),
        }),
      ],
      { props: [pad(-0.45, -0.15)], seconds: 6 },
    ),
  }),

  "lunge-elbow-turn": {
    standard: rep("three-quarter", [straightFront, elbowLow, openUp, longLunge]),
    easier: rep(
      "three-quarter",
      [
        kneeVersion({ at: [-0.12, null, 0], tilt: 50, rl: foot(0.36, 0.26, { heel: -14 }) }),
        kneeVersion({ at: [0.08, null, 0], tilt: 32 }),
        kneeVersion({ th: [0, 0, 36], lu: [0, 0, 6], nk: [0, 0, 40], ra: aimRoom([0, 1, 0.12]) }),
        kneeVersion(),
      ],
      { props: blocks },
    ),
    harder: rep("three-quarter", [straightFront, elbowLow, to(openUp, { ra: aimRoom([-0.3, 0.95, 0.1]) }), longLunge]),
  },
  "lunge-rocks": {
    standard: rep(
      "three-quarter",
      [
        lowLunge({ ra: flat(0.44, 0.16) }),
        lowLunge({
          at: [-0.04, 0.41, 0.08],
          tilt: 26,
          lu: [30, 0, 0],
          side: 8,
          ra: flat(0.44, 0.16),
          ll: foot(-0.95, -0.13, { heel: 68, out: 0 }),
          rl: foot(0.4, 0.38, { out: 26, pole: [1, 0.2, 0.7] }),
        }),
      ],
      { seconds: 3 },
    ),
    easier: rep(
      "three-quarter",
      [
        lowLunge({
          at: [-0.12, 0.44, 0],
          ll: foot(-1.06, -0.13, { heel: 66, out: 0 }),
          rl: foot(0.3, 0.36, { pole: [1, 0.3, 0.3] }),
          ra: flat(0.44, 0.16),
        }),
        lowLunge({
          at: [-0.13, 0.5, 0.04],
          tilt: 34,
          lu: [30, 0, 0],
          side: 6,
          ra: flat(0.44, 0.16),
          ll: foot(-1.06, -0.13, { heel: 66, out: 0 }),
          rl: foot(0.3, 0.38, { out: 20, pole: [1, 0.3, 0.6] }),
        }),
      ],
      { seconds: 3 },
    ),
  },
  "rear-raised-side-lunge": {
    standard: rep("three-quarter", [rearUp(), rearLow, rearLow], {
      props: [box(-0.72, -0.14, 0.42, 0.4, 0.4), support(0.42, -0.34, 1.0)],
    }),
    easier: rep(
      "three-quarter",
      [rearUp({ ll: foot(-0.6, -0.14, { y: 0.2, heel: 40, out: 0 }) }), rearEasy, rearEasy],
      { props: [box(-0.62, -0.14, 0.2, 0.4, 0.4), support(0.42, -0.34, 1.0)] },
    ),
  },
  "heel-across-prone": {
    standard: rep("three-quarter", [
      prone({ side: -90, turn: 90, tilt: 90, arms: arm(4, 86) }),
      proneRoll(52, {
        la: arm(4, 84),
        lu: [0, 0, -18],
        th: [0, 0, -30],
        nk: [0, 0, -10],
        rl: leg(-24, -14, 10, 78, -20),
        ll: leg(-4, 6, 0, 0, -48),
      }),
    ]),
    easier: rep("three-quarter", [
      prone({ side: -90, turn: 90, tilt: 90, arms: arm(4, 86) }),
      proneRoll(34, {
        lu: [0, 0, -15],
        th: [0, 0, -18],
        nk: [0, 0, -10],
        rl: leg(-18, -4, 6, 84, -20),
        ll: leg(-4, 6, 0, 0, -48),
      }),
    ]),
  },
  "glute-squeeze": {
    standard: rep("side", [bridgeFloor(), bridged({ tilt: -100, nk: [8, 0, 0] })], { seconds: 4 }),
    harder: rep(
      "side",
      [bridgeFloor({ ll: leg(90, 4, 0, 90) }), bridged({ tilt: -104, nk: [10, 0, 0], ll: leg(96, 4, 0, 90) })],
      { seconds: 4 },
    ),
  },
  bridge: {
    standard: rep("side", [bridgeFloor(), bridged()]),
    easier: rep("side", [bridgeFloor(), bridged({ tilt: -106, nk: [16, 0, 0] })]),
    harder: rep(
      "side",
      [bridgeFloor({ legs: footUp(0.42, 0.14, 0.2) }), bridged({ tilt: -122, legs: footUp(0.42, 0.14, 0.2) })],
      { props: [box(0.5, 0, 0.2, 0.3, 0.6)] },
    ),
  },
  "bridge-single": {
    standard: rep("side", [bridgeFloor({ ll: leg(60, 4, 0, 8, -10) }), bridged({ ll: leg(34, 4, 0, 4, -10) })]),
    easier: rep("side", [bridgeFloor(), bridged()]),
    harder: rep("side", [
      bridgeFloor({ ll: leg(86, 4, 0, 8, 0), arms: arm(86, 88) }),
      bridged({ ll: leg(66, 4, 0, 4, 0), arms: aimRoom([0.1, 1, 0.1]) }),
    ]),
  },
  "roll-front-hip": {
    standard: rep("side", [overRoller(-0.05), overRoller(0.05)], { props: [roller(0.02, 0, 0.26, 0.12)], seconds: 8 }),
    harder: rep(
      "side",
      [to(overRoller(0), { rl: leg(-18, 6, -4, 4, -48) }), to(overRoller(0), { rl: leg(-18, 6, -4, 92, -30) })],
      { props: [roller(0.02, 0, 0.26, 0.12)], seconds: 8 },
    ),
  },
  "kneel-to-lunge": {
    standard: rep(
      "side",
      [
        kneelSit({ at: [-0.385, null, 0] }),
        halfKneelAhead({ ll: knee(0, -0.12), rl: foot(0.43, 0.15), arms: arm(84, 60, 10) }),
        split({
          at: [0.05, 0.6, 0],
          ll: foot(-0.52, -0.13, { heel: 60, out: 0 }),
          rl: foot(0.43, 0.15),
          arms: arm(80, 150),
        }),
        halfKneelAhead({ ll: knee(0, -0.12), rl: foot(0.43, 0.15), arms: arm(84, 60, 10) }),
      ],
      { props: [widePad(-0.1)], seconds: 8, lift: [0.05, 0.08, 0, 0], beats: 4 },
    ),
    easier: rep(
      "side",
      [
        kneelSit({ at: [-0.34, null, 0], arms: arm(70, 30, 30) }),
        halfKneelAhead({
          ll: knee(0, -0.12),
          rl: foot(0.43, 0.15),
          ra: on("right.knee", [-0.16, 0.1, 0.02]),
          la: on("right.knee", [-0.16, 0.1, -0.1]),
        }),
      ],
      { props: [widePad(-0.1), cushion(-0.44, 0, 0.1)], seconds: 8, lift: [0.05, 0.08] },
    ),
  },
  "stick-paddle": {
    standard: rep(
      "three-quarter",
      [
        paddle(0, { arms: aim([0.9, -0.3, 0.3]) }),
        paddle(36, { ra: aim([-0.35, -0.85, 0.4]), la: aim([0.8, 0.3, 0.5]) }),
      ],
      { props: [pad(), stick(0.2)] },
    ),
  },
  "stick-kneel-side": {
    standard: rep("front", [tip(0), tip(-22)], { props: [pad(), stick(0.15)] }),
    easier: rep("front", [tip(0, arm(70, 90, 0)), tip(-18, arm(70, 120, 0))], { props: [pad(), stick(0.15)] }),
  },
  "lunge-reverse": {
    standard: rep(
      "side",
      [
        standing(),
        split({
          at: [-0.12, 0.54, 0],
          tilt: 6,
          ll: foot(0, -0.13),
          rl: foot(-0.72, 0.13, { heel: 56 }),
          arms: arm(84, 50, 20),
        }),
      ],
      { lift: [0.06, 0.06] },
    ),
    easier: rep(
      "side",
      [
        standing({ ra: grip(0.15, 0.95, 0.45) }),
        split({
          at: [-0.12, 0.66, 0],
          tilt: -2,
          ll: foot(0, -0.13),
          rl: foot(-0.7, 0.13, { heel: 48 }),
          ra: grip(0.15, 0.95, 0.45),
        }),
      ],
      { lift: [0.06, 0.06], props: [support(0.15, 0.45, 0.95)] },
    ),
    harder: rep(
      "side",
      [
        standing({ arms: arm(80, 170) }),
        split({
          at: [-0.12, 0.52, 0],
          tilt: 2,
          ll: foot(0, -0.13),
          rl: foot(-0.74, 0.13, { heel: 60 }),
          arms: arm(80, 172),
        }),
      ],
      { lift: [0.06, 0.06] },
    ),
  },
  "step-reach-back": {
    standard: rep(
      "side",
      [
        standing({ la: grip(0.32, 0.95, -0.42) }),
        stepped({
          tilt: -6,
          lu: [-14, 0, 0],
          th: [-20, 0, 0],
          nk: [-14, 0, 0],
          ra: arm(70, 176),
          la: grip(0.32, 0.95, -0.42),
        }),
      ],
      { lift: [0.06, 0.06], props: [support(0.32, -0.42, 0.95)] },
    ),
    easier: rep(
      "side",
      [
        standing({ la: grip(0.32, 0.95, -0.42) }),
        stepped({
          at: [0.12, 0.88, 0],
          rl: foot(0.3, 0.13),
          tilt: -4,
          lu: [-10, 0, 0],
          th: [-18, 0, 0],
          ra: arm(76, 140),
          la: grip(0.32, 0.95, -0.42),
        }),
      ],
      { lift: [0.06, 0.06], props: [support(0.32, -0.42, 0.95)] },
    ),
    harder: rep(
      "side",
      [standing(), stepped({ tilt: -6, lu: [-14, 0, 0], th: [-22, 0, 0], nk: [-14, 0, 0], arms: arm(70, 176) })],
      { lift: [0.06, 0.06] },
    ),
  },
};
