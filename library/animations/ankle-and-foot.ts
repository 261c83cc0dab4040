import {
  arm,
  block,
  box,
  flat,
  foot,
  grip,
  halfKneel,
  halfKneelAhead,
  hold,
  knee,
  kneelSit,
  leg,
  longSit,
  on,
  pad,
  plank,
  rep,
  RIGHT_LOWER_LEG,
  roller,
  split,
  standing,
  support,
  to,
  wall,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

const circle = (d: number, i: number, c: Change = {}) => longSit({ rl: leg(88, 6, 0, 4, d, { inversion: i }), ...c });
const round = (size: number, c: Change = {}) => [
  circle(20 * size, 2 * size, c),
  circle(2, 28 * size, c),
  circle(-40 * size, 6 * size, c),
  circle(-4, -14 * size, c),
];

const rocked = (x: number, c: Change = {}) =>
  halfKneelAhead({
    at: [x, null, 0],
    ll: knee(-0.1, -0.14),
    rl: foot(0.3, 0.15, { out: 4 }),
    arms: on("right.knee", [-0.06, 0.09, 0.02]),
    la: on("right.knee", [-0.06, 0.09, -0.06]),
    ra: on("right.knee", [-0.06, 0.09, 0.05]),
    ...c,
  });
const onBox = (x: number, c: Change = {}) =>
  split({
    at: [x, 0.84, 0],
    ll: foot(-0.3, -0.13),
    rl: foot(0.34, 0.13, { y: 0.4, out: 4 }),
    ra: on("right.knee", [-0.05, 0.09, 0.04]),
    la: on("right.knee", [-0.05, 0.09, -0.06]),
    tilt: 10,
    lu: [8, 0, 0],
    ...c,
  });

const calf = (c: Change = {}) =>
  split({
    at: [0.02, 0.84, 0],
    tilt: 8,
    rl: foot(-0.52, 0.13, { out: 0 }),
    ll: foot(0.22, -0.13),
    arms: grip(0.62, 1.05, 0.2),
    ...c,
  });
const calfPost = [support(0.66, 0.2, 1.05), support(0.66, -0.2, 1.05)];

const raised = (heel: number, y: number, c: Change = {}) =>
  standing({ at: [0.02, y, 0], legs: foot(0, 0.13, { heel }), arms: grip(0.44, 1.02, 0.16), ...c });
const calfRail = [support(0.48, 0.16, 1.02), support(0.48, -0.16, 1.02)];

const toes = (c: Change = {}) =>
  kneelSit({
    at: [-0.345, null, 0],
    legs: knee(0, 0.12, { toes: "tucked" }),
    arms: on("right.knee", [-0.14, 0.12, 0]),
    ...c,
  });
const halfToes = (x: number, c: Change = {}) =>
  halfKneel({
    at: [x, null, 0],
    rl: knee(-0.02, 0.14, { toes: "tucked" }),
    ll: foot(0.38, -0.15),
    arms: on("left.knee", [-0.12, 0.09, 0.02]),
    la: on("left.knee", [-0.1, 0.09, -0.04]),
    ra: on("left.knee", [-0.12, 0.09, 0.06]),
    ...c,
  });

const rolling = (x: number, c: Change = {}) =>
  longSit({
    at: [x, 0.17, 0],
    tilt: -16,
    rl: leg(82, 4, 0, 4, x < 0 ? -28 : 14),
    ll: foot(0.4, -0.16),
    arms: flat(-0.3, 0.27, { fingers: [0.3, 0, 1] }),
    ...c,
  });
const pike = (c: Change = {}) =>
  plank({ at: [-0.33, 0.76, 0], tilt: 128, nk: [6, 0, 0], legs: foot(-0.86, 0.1, { heel: 36, out: 0 }), ...c });

export const ankleAndFootMotions: MotionSet = {
  "ankle-circles": {
    standard: rep("three-quarter", round(1), { flow: "through", focus: RIGHT_LOWER_LEG }),
    easier: rep("three-quarter", round(0.8), {
      flow: "through",
      focus: RIGHT_LOWER_LEG,
      props: [block(0.62, 0.2, 0.08)],
    }),
    harder: rep(
      "three-quarter",
      round(1, { rl: leg(100, 6, 0, 4, 20) }).map((p, i) =>
        to(p, { rl: leg(104, 6, 0, 6, [20, 2, -40, -4][i], { inversion: [2, 28, 6, -14][i] ?? 0 }) }),
      ),
      { flow: "through", focus: RIGHT_LOWER_LEG },
    ),
  },
  "ankle-rock": {
    standard: rep("side", [rocked(-0.06), rocked(0.12, { tilt: 6 })], { seconds: 3, props: [pad(-0.12, -0.14)] }),
    easier: rep("side", [onBox(-0.06), onBox(0.1, { tilt: 16 })], { seconds: 3, props: [box(0.4, 0.13, 0.4)] }),
    harder: rep("side", [rocked(-0.06), rocked(0.14, { tilt: 30, lu: [14, 0, 0], th: [10, 0, 0], nk: [-14, 0, 0] })], {
      seconds: 3,
      props: [pad(-0.12, -0.14)],
    }),
  },
  "ankle-rock-press": {
    standard: hold(
      "side",
      [rocked(-0.06), rocked(0.14, { tilt: 26, lu: [14, 0, 0], th: [10, 0, 0], nk: [-14, 0, 0] })],
      { props: [pad(-0.12, -0.14)] },
    ),
    easier: hold("side", [onBox(-0.06), onBox(0.1, { tilt: 20 })], { props: [box(0.4, 0.13, 0.4)] }),
  },
  "ankle-scan": {
    standard: rep(
      "three-quarter",
      [
        rocked(0.06, { la: arm(30, 10, 20), rl: foot(0.3, 0.15, { out: 4, tilt: 26 }) }),
        rocked(0.08, { rl: foot(0.3, 0.15, { out: 4, tilt: -14 }), la: arm(30, 10, 20) }),
      ],
      { seconds: 4, props: [pad(-0.12, -0.14)], focus: [...RIGHT_LOWER_LEG, "right.hip"] },
    ),
    easier: rep(
      "three-quarter",
      [
        onBox(0.02, { rl: foot(0.34, 0.13, { y: 0.4, out: 4, tilt: 26 }) }),
        onBox(0.04, { rl: foot(0.34, 0.13, { y: 0.4, out: 4, tilt: -14 }) }),
      ],
      { seconds: 4, props: [box(0.4, 0.13, 0.4)] },
    ),
  },
  "ankle-effort": {
    standard: hold("side", [rocked(-0.06), rocked(0.14, { tilt: 18, lu: [8, 0, 0] })], { props: [pad(-0.12, -0.14)] }),
  },
  "calf-wall-straight": {
    standard: hold("side", [calf({ at: [-0.06, 0.87, 0] }), calf()], { props: calfPost }),
    easier: hold(
      "side",
      [
        calf({ at: [-0.02, 0.88, 0], rl: foot(-0.4, 0.13, { out: 0 }) }),
        calf({ at: [0.04, 0.87, 0], rl: foot(-0.4, 0.13, { out: 0 }), tilt: 10 }),
      ],
      { props: calfPost },
    ),
    harder: hold(
      "side",
      [
        calf({ rl: foot(-0.46, 0.13, { out: 0, y: 0.03, heel: -4 }) }),
        calf({ rl: foot(-0.46, 0.13, { out: 0, y: 0.03, heel: -8 }) }),
      ],
      { props: [...calfPost, block(-0.32, 0.13, 0.06)] },
    ),
  },
  "calf-wall-bent": {
    standard: hold(
      "side",
      [
        calf({ at: [-0.06, 0.86, 0], rl: foot(-0.28, 0.13, { out: 0 }) }),
        calf({ at: [-0.19, 0.87, 0], rl: foot(-0.28, 0.13, { out: 0 }), tilt: 4 }),
      ],
      { props: calfPost },
    ),
    easier: hold(
      "side",
      [
        calf({ at: [-0.04, 0.87, 0], rl: foot(-0.24, 0.13, { out: 0 }) }),
        calf({ at: [-0.07, 0.8, 0], rl: foot(-0.24, 0.13, { out: 0 }), tilt: 4 }),
      ],
      { props: calfPost },
    ),
  },
  "calf-raise": {
    standard: rep("side", [raised(0, 0.922), raised(42, 0.985), raised(42, 0.985)], { props: calfRail }),
    easier: rep("side", [raised(0, 0.922), raised(26, 0.965), raised(26, 0.965)], { props: calfRail }),
  },
  "tibialis-lift": {
    standard: rep(
      "side",
      [
        standing({ at: [-0.05, 0.89, 0], tilt: -6, legs: foot(0.22, 0.13), arms: arm(-80, 14) }),
        standing({ at: [-0.05, 0.89, 0], tilt: -6, legs: foot(0.22, 0.13, { heel: -24 }), arms: arm(-80, 14) }),
      ],
      { props: [wall(-0.2)] },
    ),
    easier: rep(
      "side",
      [
        standing({ at: [-0.05, 0.91, 0], tilt: -4, legs: foot(0.12, 0.13), arms: arm(-80, 14) }),
        standing({ at: [-0.05, 0.91, 0], tilt: -4, legs: foot(0.12, 0.13, { heel: -18 }), arms: arm(-80, 14) }),
      ],
      { props: [wall(-0.2)] },
    ),
  },
  "toe-sit": {
    standard: hold(
      "side",
      [
        kneelSit({ at: [-0.2, null, 0], tilt: 10, legs: knee(0, 0.12, { toes: "tucked" }), arms: arm(60, 20, 20) }),
        toes(),
      ],
      { props: [widePad(-0.1)] },
    ),
    easier: hold(
      "side",
      [
        kneelSit({
          at: [-0.2, null, 0],
          tilt: 50,
          lu: [20, 0, 0],
          legs: knee(0, 0.12, { toes: "tucked" }),
          arms: flat(0.36, 0.24, { y: 0.2 }),
        }),
        toes({ at: [-0.3, null, 0], tilt: 54, lu: [24, 0, 0], th: [10, 0, 0], arms: flat(0.36, 0.24, { y: 0.2 }) }),
      ],
      { props: [widePad(-0.1), block(0.4, 0.24, 0.2), block(0.4, -0.24, 0.2)] },
    ),
    harder: hold("side", [toes(), toes({ tilt: -4, lu: [2, 0, 0], arms: arm(80, 170) })], { props: [widePad(-0.1)] }),
  },
  "toe-sit-back": {
    standard: rep("side", [halfToes(0.1, { tilt: -6 }), halfToes(-0.3, { tilt: 8, lu: [10, 0, 0] })], {
      props: [pad()],
    }),
    easier: rep("side", [halfToes(0.06, { tilt: -2 }), halfToes(-0.18, { tilt: 6 })], { props: [pad()] }),
  },
  "roll-calf": {
    standard: rep("side", [rolling(-0.06), rolling(0.08)], { seconds: 5, props: [roller(0.66, 0, 0.2, 0.06)] }),
    easier: rep(
      "side",
      [
        rolling(-0.04, { at: [-0.04, null, 0], rl: leg(92, 4, 0, 10, -28) }),
        rolling(0.05, { at: [0.05, null, 0], rl: leg(92, 4, 0, 10, 14) }),
      ],
      { seconds: 5, props: [roller(0.66, 0, 0.2, 0.06)] },
    ),
    harder: rep(
      "side",
      [rolling(-0.06, { ll: leg(94, -6, 0, 6, -10) }), rolling(0.08, { ll: leg(94, -6, 0, 6, -10) })],
      { seconds: 5, props: [roller(0.66, 0, 0.2, 0.06)] },
    ),
  },
  "hips-high-pedal": {
    standard: rep("side", [
      pike(),
      pike({ rl: foot(-0.86, 0.1, { heel: 12, out: 0 }), ll: foot(-0.86, -0.1, { heel: 56, out: 0 }) }),
    ]),
    easier: rep("side", [
      pike({ at: [-0.36, 0.7, 0], tilt: 122, legs: foot(-0.86, 0.1, { heel: 48, out: 0 }) }),
      pike({
        at: [-0.36, 0.7, 0],
        tilt: 122,
        rl: foot(-0.86, 0.1, { heel: 24, out: 0 }),
        ll: foot(-0.86, -0.1, { heel: 60, out: 0 }),
      }),
    ]),
  },
};
