import {
  aim,
  aimRoom,
  arm,
  block,
  cane,
  elbowOn,
  flat,
  foot,
  forearmsKnees,
  grip,
  halfKneelAhead,
  handsKnees,
  hold,
  knee,
  leg,
  legTo,
  on,
  otherSides,
  pad,
  plank,
  rep,
  split,
  standing,
  support,
  to,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

const oneLeg = (c: Change = {}) =>
  standing({ at: [0, 0.92, -0.05], ll: foot(0, -0.1), la: grip(0.12, 1.0, -0.52), ...c });
const post = support(0.12, -0.52, 1.0);

const straight = (c: Change = {}) =>
  halfKneelAhead({
    at: [-0.12, null, 0],
    ll: knee(-0.12, -0.14),
    rl: foot(0.68, 0.15, { heel: -14 }),
    arms: on("right.knee", [-0.26, 0.1, 0.03]),
    ...c,
  });
const tallStraight = straight({
  tilt: 8,
  ra: on("right.knee", [-0.3, 0.12, 0.05]),
  la: aim([0.3, -0.95, -0.25], [0.8, -0.5, 0.1]),
});
const foldStraight = (c: Change = {}) =>
  straight({
    tilt: 56,
    lu: [8, 0, 0],
    th: [2, 0, 0],
    nk: [-10, 0, 0],
    at: [-0.18, null, 0],
    ra: on("right.knee", [0.06, 0.08, 0.05]),
    la: on("right.knee", [0.0, 0.09, -0.04]),
    ...c,
  });
const handBlocks = [pad(-0.15, -0.14), block(0.36, 0.34, 0.2), block(0.36, -0.3, 0.2)];
const onBlocks: Change = { ra: flat(0.34, 0.34, { y: 0.2 }), la: flat(0.34, -0.3, { y: 0.2 }) };
const sticks = [pad(-0.15, -0.14), cane("right", 0.46, 0.42), cane("left", 0.46, -0.42)];
const onSticks = (y: number): Change => ({ ra: grip(0.46, y, 0.42), la: grip(0.46, y, -0.42) });

const reachOne = (c: Change = {}) =>
  standing({
    at: [-0.12, 0.88, 0.08],
    rl: foot(0, 0.1),
    tilt: 68,
    lu: [6, 0, 0],
    th: [2, 0, 0],
    nk: [-14, 0, 0],
    ll: legTo([-0.96, -0.16, -0.06], [-0.98, -0.1, -0.04], -15),
    la: aimRoom([0.35, -0.93, 0.1]),
    ra: aim([-0.1, -0.95, 0.3]),
    ...c,
  });
const onRight = (c: Change = {}) =>
  standing({ at: [0, 0.915, 0.06], rl: foot(0, 0.1), ll: leg(4, 2, 0, 26, -10), ...c });

const touch = (c: Change = {}) =>
  standing({
    at: [-0.1, 0.87, 0],
    tilt: 58,
    lu: [26, 0, 0],
    th: [20, 0, 0],
    nk: [6, 0, 0],
    rl: foot(0.28, 0.13, { heel: -18 }),
    ll: foot(-0.14, -0.13),
    arms: aimRoom([0.3, -0.95, 0.02]),
    ...c,
  });

const wideFore = (x: number, tilt: number, c: Change = {}) =>
  forearmsKnees({ at: [x, null, 0], tilt, legs: knee(0, 0.41), arms: elbowOn(0.465, 0.22), nk: [-4, 0, 0], ...c });
const wideHands = (x: number, tilt: number, c: Change = {}) =>
  handsKnees({ at: [x, null, 0], tilt, legs: knee(0, 0.425), ...c });

const startLow = halfKneelAhead({
  at: [0.08, null, 0],
  tilt: 40,
  lu: [20, 0, 0],
  th: [12, 0, 0],
  nk: [-20, 0, 0],
  ll: knee(-0.18, -0.14),
  rl: foot(0.42, 0.16),
  arms: flat(0.46, 0.3),
});
const startRisen = split({
  at: [-0.02, 0.62, 0],
  tilt: 40,
  lu: [14, 0, 0],
  th: [6, 0, 0],
  nk: [-16, 0, 0],
  ll: foot(-0.74, -0.14, { heel: 60, out: 0 }),
  rl: foot(0.42, 0.16),
  arms: aimRoom([0.35, -0.9, 0.25]),
});

const reachToes = (c: Change = {}) =>
  split({
    at: [-0.16, 0.84, 0],
    tilt: 62,
    lu: [28, 0, 0],
    th: [28, 0, 0],
    nk: [10, 0, 0],
    ll: foot(0.12, -0.13, { heel: -8 }),
    rl: foot(-0.4, 0.14, { heel: 6 }),
    ra: aimRoom([0.15, -0.98, 0.02]),
    la: aimRoom([0.15, -0.98, -0.02]),
    ...c,
  });

const pike = plank({ at: [-0.35, 0.77, 0], tilt: 128, nk: [6, 0, 0], legs: foot(-0.925, 0.1, { heel: 40, out: 0 }) });

export const hipBackMotions: MotionSet = {
  "leg-swing-front": {
    standard: rep(
      "side",
      [
        oneLeg({ rl: leg(-20, 3, 0, 26, -10), tilt: 6, lu: [-4, 0, 0] }),
        oneLeg({ rl: leg(70, 3, 0, 6), tilt: -4, lu: [4, 0, 0] }),
      ],
      { props: [post] },
    ),
    easier: rep(
      "side",
      [
        oneLeg({ rl: leg(-14, 3, 0, 30, -10), ra: grip(0.4, 1.0, -0.3), la: grip(0.4, 1.0, -0.46) }),
        oneLeg({ rl: leg(44, 3, 0, 12), ra: grip(0.4, 1.0, -0.3), la: grip(0.4, 1.0, -0.46) }),
      ],
      { props: [support(0.4, -0.38, 1.0)] },
    ),
    harder: rep(
      "side",
      [
        oneLeg({ rl: leg(-24, 3, 0, 30, -10), tilt: 10, lu: [-6, 0, 0] }),
        oneLeg({ rl: leg(86, 3, 0, 4), tilt: -6, lu: [8, 0, 0] }),
      ],
      { props: [post] },
    ),
  },
  "hamstring-hold": {
    standard: hold("side", [tallStraight, foldStraight()], { props: [pad(-0.15, -0.14)] }),
    easier: hold("side", [tallStraight, foldStraight({ tilt: 56, rl: foot(0.6, 0.15), ...onBlocks })], {
      props: handBlocks,
    }),
    harder: hold(
      "side",
      [
        tallStraight,
        foldStraight({
          tilt: 66,
          rl: foot(0.68, 0.15, { heel: -26 }),
          ra: on("right.ankle", [-0.1, 0.09, 0.05]),
          la: on("right.ankle", [-0.14, 0.09, -0.05]),
        }),
      ],
      { props: [pad(-0.15, -0.14)] },
    ),
  },
  "hamstring-effort": {
    standard: hold("side", [tallStraight, foldStraight({ tilt: 52 })], { props: [pad(-0.15, -0.14)] }),
    easier: hold("side", [tallStraight, foldStraight({ tilt: 56, rl: foot(0.62, 0.15, { heel: -8 }), ...onBlocks })], {
      props: handBlocks,
    }),
  },
  "hamstring-pull-through": {
    standard: rep(
      "side",
      [
        straight({ tilt: 6, ...onSticks(0.86) }),
        straight({ at: [-0.18, null, 0], tilt: 56, lu: [6, 0, 0], nk: [-14, 0, 0], ...onSticks(0.52) }),
      ],
      { props: sticks },
    ),
    easier: rep(
      "side",
      [
        straight({ at: [-0.06, null, 0], tilt: 46, lu: [12, 0, 0], ...onBlocks }),
        foldStraight({ tilt: 60, rl: foot(0.62, 0.15), ...onBlocks }),
      ],
      { props: handBlocks },
    ),
  },
  "hamstring-slide": {
    standard: rep(
      "side",
      [
        straight({
          rl: foot(0.55, 0.15, { heel: -12 }),
          at: [-0.22, null, 0],
          tilt: 40,
          arms: on("right.knee", [-0.12, 0.1, 0.03]),
        }),
        halfKneelAhead({
          at: [0.12, null, 0],
          ll: knee(-0.12, -0.14),
          rl: foot(0.55, 0.15),
          tilt: -4,
          arms: on("right.knee", [-0.14, 0.1, 0.02]),
        }),
        straight({
          rl: foot(0.55, 0.15, { heel: -6 }),
          at: [-0.08, null, 0],
          tilt: 20,
          arms: on("right.knee", [-0.14, 0.1, 0.03]),
        }),
      ].map((p, i) =>
        to(p, {
          ra: i === 0 ? on("right.knee", [-0.06, 0.09, 0.05]) : on("right.knee", [-0.16, 0.1, 0.05]),
          la: aim([0.3, -0.95, -0.25], [0.7, -0.6, 0.2]),
        }),
      ),
      { props: [pad(-0.15, -0.14)] },
    ),
  },
  "single-leg-reach": {
    standard: rep("side", [onRight(), reachOne(), reachOne()], { props: [support(-0.35, 0.55, 1.0)] }),
    easier: rep(
      "side",
      [
        onRight({ la: grip(0.4, 1.0, -0.3) }),
        reachOne({
          tilt: 48,
          ll: legTo([-0.8, -0.55, -0.06], [-0.9, -0.42, -0.04], -15),
          ra: aimRoom([0.5, -0.8, 0.1]),
          la: grip(0.5, 1.0, -0.3),
        }),
        reachOne({
          tilt: 48,
          ll: legTo([-0.8, -0.55, -0.06], [-0.9, -0.42, -0.04], -15),
          ra: aimRoom([0.5, -0.8, 0.1]),
          la: grip(0.5, 1.0, -0.3),
        }),
      ],
      { props: [support(0.5, -0.3, 1.0)] },
    ),
  },
  "toe-touch-walk": {
    standard: rep("side", [standing(), touch()], { lift: [0.05, 0.05] }),
    easier: rep("side", [standing(), touch({ at: [-0.16, 0.76, 0], rl: foot(0.2, 0.13), tilt: 46 })], {
      lift: [0.05, 0.05],
    }),
    harder: rep("side", [standing({ arms: arm(78, 172) }), touch({ tilt: 66 })], { lift: [0.05, 0.05] }),
  },
  "wide-kneel-rock": {
    standard: rep(
      "three-quarter",
      [
        wideFore(0, 96.6),
        wideFore(-0.19, 94, { rl: knee(0, 0.42, { splay: 12 }), ll: knee(0, -0.42, { splay: 12 }) }),
      ].map((p) => to(p, { legs: knee(0, 0.42) })),
      { props: [widePad()], seconds: 5 },
    ),
    easier: rep("three-quarter", [wideHands(0, 78), wideHands(-0.17, 82)], { props: [widePad()], seconds: 5 }),
    harder: rep(
      "three-quarter",
      [
        wideFore(0, 104, { ll: knee(0, -0.2), rl: foot(0.14, 0.9, { tilt: -60, out: 0 }) }),
        wideFore(-0.1, 104, { ll: knee(0, -0.2), rl: foot(0.14, 0.9, { tilt: -60, out: 0 }) }),
      ],
      { props: [widePad()], seconds: 5 },
    ),
  },
  "kneel-rock-neutral": {
    standard: rep("side", [handsKnees(), handsKnees({ at: [-0.26, null, 0], tilt: 82 })], { props: [widePad()] }),
    easier: rep("side", [handsKnees(), handsKnees({ at: [-0.14, null, 0], tilt: 80 })], { props: [widePad()] }),
    harder: rep(
      "side",
      [
        handsKnees({ ra: aimRoom([0.96, 0.1, 0.2]), la: flat(0.5, -0.12) }),
        handsKnees({ at: [-0.22, null, 0], tilt: 82, ra: aimRoom([0.98, 0.05, 0.2]), la: flat(0.5, -0.12) }),
      ],
      { props: [widePad()] },
    ),
  },
  "sprint-start-lunge": {
    standard: rep("side", [startLow, startRisen], { props: [pad(-0.24, -0.14)] }),
    easier: rep(
      "side",
      [
        startLow,
        to(startRisen, { at: [-0.02, 0.56, 0], tilt: 50, lu: [20, 0, 0], th: [14, 0, 0], arms: flat(0.46, 0.3) }),
      ],
      { props: [pad(-0.24, -0.14)] },
    ),
    harder: rep(
      "side",
      [
        startLow,
        to(startRisen, {
          at: [0.14, 0.84, 0],
          tilt: 14,
          lu: [4, 0, 0],
          th: [0, 0, 0],
          nk: [0, 0, 0],
          ra: arm(-90, 30, 70),
          la: arm(84, 70, 80),
          ll: leg(70, 2, 0, 90, 0),
        }),
      ],
      { props: [pad(-0.24, -0.14)] },
    ),
  },
  "step-back-reach-down": otherSides({
    standard: rep("side", [standing({ la: arm(30, 7, 12) }), reachToes()], { lift: [0.08, 0.08] }),
    easier: rep(
      "side",
      [
        standing({ ra: grip(0.4, 0.9, 0.42) }),
        reachToes({ at: [-0.14, 0.8, 0], tilt: 46, rl: foot(-0.36, 0.14, { heel: 20 }), ra: grip(0.4, 0.9, 0.42) }),
      ],
      { lift: [0.08, 0.08], props: [support(0.4, 0.42, 0.9)] },
    ),
    harder: rep("side", [standing({ arms: arm(76, 174) }), reachToes({ tilt: 68 })], { lift: [0.05, 0.05] }),
  }),

  "plank-to-pike": {
    standard: rep("side", [plank(), pike]),
    easier: rep("side", [
      plank(),
      to(pike, { at: [-0.46, 0.64, 0], tilt: 118, legs: foot(-0.925, 0.1, { heel: 62, out: 0 }) }),
    ]),
    harder: rep("side", [
      plank(),
      to(pike, { rl: legTo([-0.78, 0.62, 0.02], [-0.78, 0.62, 0.02], -35), at: [-0.33, 0.76, 0] }),
    ]),
  },
};
