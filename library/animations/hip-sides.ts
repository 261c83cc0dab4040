import {
  aim,
  aimRoom,
  arm,
  block,
  CROSSED_ARMS,
  cushion,
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
  pad,
  rep,
  slider,
  rolled,
  soles,
  squat,
  standing,
  straddle,
  support,
  supine,
  sideFoot,
  sideKneel,
  type Change,
  type MotionSet,
} from "./poses";

const swing = (c: Change = {}) =>
  standing({ at: [0, 0.92, -0.05], ll: foot(0, -0.1), arms: grip(0.38, 1.02, 0.44), ...c });
const rail = [support(0.4, 0.44, 1.02), support(0.4, -0.44, 1.02)];

const handOnHip = on("right.hip", [0, 0.04, 0.12]);
/** Beside the long leg, in front of it. */
const sideBlock = block(0.1, 0.62, 0.22);
const sideAll4 = (c: Change = {}) => handsKnees({ ll: knee(0, -0.15), rl: sideFoot(0.02, 0.94), ...c });
const out90 = (c: Change = {}) =>
  halfKneelAhead({
    ll: knee(0, -0.14),
    rl: foot(0.1, 0.62, { out: 66, pole: [0.5, 0.3, 1] }),
    arms: flat(0.46, 0.2),
    tilt: 60,
    lu: [10, 0, 0],
    nk: [-16, 0, 0],
    ...c,
  });

const kneesUp = (h: number, c: Change = {}) =>
  soles({
    rl: legTo([0.66, h, 0.7], [0.3, -0.12 - h, -0.95], -18),
    ll: legTo([0.66, h, -0.7], [0.3, -0.12 - h, 0.95], -18),
    ...c,
  });

const side = (c: Change = {}) => straddle({ arms: aim([0.3, -0.8, 0.5], [0.75, -0.55, 0.3]), ...c });
const turnSide = (c: Change = {}) =>
  straddle({
    th: [6, 0, 36],
    lu: [8, 0, 8],
    nk: [0, 0, 10],
    ra: flat(-0.16, 0.36, { fingers: [-0.2, 0, 1] }),
    la: on("right.knee", [-0.08, 0.1, -0.02]),
    ...c,
  });
const reachFoot = (c: Change = {}) =>
  straddle({
    tilt: 22,
    side: 10,
    th: [16, 6, 34],
    lu: [26, 8, 8],
    nk: [4, 0, 8],
    ra: aimRoom([0.62, -0.35, 0.7]),
    la: aimRoom([0.66, -0.32, 0.68]),
    ...c,
  });
const fold = (c: Change = {}) =>
  straddle({ tilt: 34, lu: [30, 0, 0], th: [16, 0, 0], nk: [0, 0, 0], arms: flat(0.72, 0.18), ...c });

const sideSquat = (c: Change = {}) =>
  squat({
    at: [-0.15, 0.35, -0.26],
    tilt: 30,
    rl: foot(0.04, 0.66, { tilt: -52, out: 24 }),
    ll: foot(0, -0.4, { out: 20, pole: [1, 0.2, -0.45] }),
    arms: aim([0.85, -0.5, -0.1], [0.9, -0.2, -0.3]),
    ...c,
  });
const wide = (c: Change = {}) =>
  standing({
    at: [-0.04, 0.78, 0],
    legs: foot(0, 0.54, { out: 12, tilt: -6 }),
    arms: aim([0.8, -0.5, -0.2], [0.7, 0.2, -0.65]),
    ...c,
  });
const wideLow = (c: Change = {}) =>
  wide({
    at: [-0.16, 0.42, 0.36],
    tilt: 34,
    lu: [8, 0, 0],
    ll: foot(0, -0.54, { out: 12, tilt: -46 }),
    rl: foot(0, 0.54, { out: 20, pole: [1, 0.2, 0.5] }),
    ...c,
  });

const crouch = (z: number, c: Change = {}) =>
  squat({
    at: [-0.2, 0.36, z],
    tilt: 10,
    lu: [44, 0, 0],
    th: [36, 0, 0],
    nk: [-30, 0, 0],
    rl: foot(-0.02, z + 0.22, { out: 26, heel: 30, tilt: 4, pole: [0.9, 0.3, 0.7] }),
    ll: foot(-0.02, z - 0.22, { out: 26, heel: 30, tilt: 4, pole: [0.9, 0.3, -0.7] }),
    ra: flat(0.4, 0.2),
    la: flat(0.4, -0.2),
    ...c,
  });

const across = (bend: number, flexion: number, roll: number, c: Change = {}) =>
  rolled(-roll, {
    lu: [0, 0, 18],
    th: [0, 0, roll - 18],
    nk: [0, 0, 18],
    rl: leg(flexion, -14, 0, bend),
    ll: leg(2, 4, 0, 4, -12),
    ra: arm(4, 84),
    la: arm(20, 40, 20),
    ...c,
  });

export const hipSidesMotions: MotionSet = {
  "leg-swing-side": {
    standard: rep(
      "front",
      [swing({ rl: leg(14, -24, 0, 4), side: -3 }), swing({ rl: leg(4, 44, 0, 4), side: -5, lu: [0, 3, 0] })],
      { props: rail },
    ),
    easier: rep("front", [swing({ rl: leg(10, -14, 0, 6) }), swing({ rl: leg(4, 28, 0, 4), side: -3 })], {
      props: rail,
    }),
    harder: rep(
      "front",
      [
        swing({ rl: leg(14, -28, 0, 4), side: -3, la: aim([0.2, -0.9, -0.4]) }),
        swing({ rl: leg(4, 54, 0, 4), side: -8, lu: [0, 5, 0], la: aim([0.2, -0.9, -0.4]) }),
      ],
      { props: [support(0.4, 0.44, 1.02)] },
    ),
  },
  "adductor-hold": {
    standard: hold(
      "front",
      [
        sideKneel(),
        sideKneel({
          at: [-0.08, null, -0.06],
          tilt: 24,
          rl: sideFoot(0.02, 0.98),
          arms: on("right.knee", [-0.05, 0.1, -0.12]),
          la: aim([0.2, -0.9, -0.4], [0.5, -0.6, 0.6]),
        }),
      ],
      { props: [pad(-0.03, -0.13)] },
    ),
    easier: hold(
      "front",
      [
        sideKneel({ rl: sideFoot(0.02, 0.86) }),
        sideKneel({ at: [-0.05, null, -0.04], tilt: 14, rl: sideFoot(0.02, 0.9), arms: grip(0.5, 0.78, 0.16) }),
      ],
      { props: [pad(-0.03, -0.13), support(0.54, 0, 0.78)] },
    ),
  },
  "adductor-rock-long": {
    standard: rep("three-quarter", [sideAll4(), sideAll4({ at: [-0.24, null, 0], tilt: 82 })], {
      props: [pad(-0.03, -0.15)],
    }),
    easier: rep(
      "three-quarter",
      [
        sideAll4({ rl: foot(0.02, 0.8, { tilt: -46, out: 20 }), tilt: 66, arms: flat(0.5, 0.2, { y: 0.2 }) }),
        sideAll4({
          at: [-0.14, null, 0],
          tilt: 72,
          rl: foot(0.02, 0.8, { tilt: -46, out: 20 }),
          arms: flat(0.5, 0.2, { y: 0.2 }),
        }),
      ],
      { props: [pad(-0.03, -0.15), block(0.54, 0.2, 0.2), block(0.54, -0.2, 0.2)] },
    ),
    harder: rep(
      "three-quarter",
      [
        forearmsKnees({ ll: knee(0, -0.15), rl: sideFoot(0.16, 0.9), arms: elbowOn(0.47, 0.2) }),
        forearmsKnees({
          at: [-0.08, null, 0],
          tilt: 104.5,
          ll: knee(0, -0.15),
          rl: sideFoot(0.16, 0.9),
          arms: elbowOn(0.47, 0.2),
        }),
        forearmsKnees({
          at: [-0.08, null, 0],
          tilt: 104.5,
          ll: knee(0, -0.15),
          rl: sideFoot(0.16, 0.9),
          arms: elbowOn(0.47, 0.2),
        }),
      ],
      { props: [pad(-0.03, -0.15)] },
    ),
  },
  "adductor-rock-short": {
    standard: rep(
      "three-quarter",
      [
        out90({ at: [0, null, -0.02], tilt: 60, lu: [20, 0, 0], th: [10, 0, 0] }),
        out90({ at: [0.02, null, 0.1], tilt: 48, lu: [30, 0, 0], th: [20, 0, 0], arms: flat(0.46, 0.2) }),
      ],
      { props: [pad(-0.03, -0.14)] },
    ),
    easier: rep(
      "three-quarter",
      [
        out90({ tilt: 44, arms: flat(0.46, 0.2, { y: 0.2 }) }),
        out90({ at: [0.02, null, 0.12], tilt: 44, arms: flat(0.46, 0.2, { y: 0.2 }) }),
      ],
      { props: [pad(-0.03, -0.14), block(0.5, 0.2, 0.2), block(0.5, -0.2, 0.2)] },
    ),
  },
  "adductor-slide-lift": {
    standard: rep(
      "three-quarter",
      [
        sideAll4({ rl: sideFoot(0.02, 0.82) }),
        sideAll4({ at: [-0.12, null, -0.02], rl: sideFoot(0.02, 0.98), tilt: 80 }),
        sideAll4({ rl: legTo([0.02, -0.3, 0.95], [0.02, -0.28, 0.95], 0) }),
      ],
      { props: [pad(-0.03, -0.15), slider(0.02, 0.9)] },
    ),
    easier: rep(
      "three-quarter",
      [
        sideAll4({ rl: sideFoot(0.02, 0.8) }),
        sideAll4({ at: [-0.08, null, -0.02], rl: sideFoot(0.02, 0.94), tilt: 79 }),
        sideAll4({ rl: sideFoot(0.02, 0.86) }),
      ],
      { props: [pad(-0.03, -0.15), slider(0.02, 0.9)] },
    ),
  },
  "adductor-bridge": {
    standard: rep(
      "front",
      [
        sideKneel({ arms: CROSSED_ARMS }),
        ...[1, 2].map(() => sideKneel({ side: 18, lu: [0, 4, 0], nk: [0, -8, 0], arms: CROSSED_ARMS })),
      ],
      { props: [pad(-0.03, -0.13), sideBlock] },
    ),
    easier: rep(
      "front",
      [
        sideKneel({ ra: aim([0.1, -0.8, 0.6]) }),
        ...[1, 2].map(() =>
          sideKneel({
            at: [0, null, -0.02],
            side: 16,
            lu: [0, 22, 0],
            th: [0, 28, 0],
            nk: [0, -14, 0],
            ra: flat(0.1, 0.62, { y: 0.22, fingers: [0.3, 0, 0.95] }),
          }),
        ),
      ],
      { props: [pad(-0.03, -0.13), sideBlock] },
    ),
    harder: rep(
      "front",
      [
        sideKneel({ arms: arm(40, 170) }),
        ...[1, 2].map(() => sideKneel({ side: 18, lu: [0, 2, 0], nk: [0, -6, 0], arms: arm(40, 170) })),
      ],
      { props: [pad(-0.03, -0.13), sideBlock] },
    ),
  },
  "half-kneel-press-out": {
    standard: hold(
      "front",
      [halfKneelAhead({ ra: on("right.knee", [-0.06, 0.02, 0.1]), la: on("right.knee", [-0.08, 0.06, -0.08]) })],
      { props: [pad(-0.05, -0.14)] },
    ),
    easier: hold("front", [halfKneelAhead({ ra: on("right.knee", [-0.06, 0.02, 0.1]), la: grip(0.3, 0.88, -0.45) })], {
      props: [pad(-0.05, -0.14), support(0.3, -0.45, 0.88)],
    }),
  },
  "butterfly-hold": {
    standard: hold("front", [kneesUp(0.3), soles({ tilt: 14 })]),
    easier: hold(
      "front",
      [
        kneesUp(0.3, { at: [0, 0.19, 0] }),
        soles({
          at: [0, 0.19, 0],
          tilt: 10,
          rl: legTo([0.68, -0.1, 0.72], [0.3, -0.12, -0.95], -18),
          ll: legTo([0.68, -0.1, -0.72], [0.3, -0.12, 0.95], -18),
        }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
    harder: hold("three-quarter", [
      soles(),
      soles({ tilt: 46, lu: [30, 0, 0], th: [14, 0, 0], arms: on("right.ankle", [0.08, 0.04, 0.02]) }),
    ]),
  },
  "butterfly-resisted": {
    standard: rep("front", [soles({ tilt: 10 }), kneesUp(0.34, { tilt: 4 })]),
    easier: rep(
      "front",
      [
        soles({
          at: [0, 0.19, 0],
          rl: legTo([0.68, -0.06, 0.72], [0.3, -0.14, -0.95], -18),
          ll: legTo([0.68, -0.06, -0.72], [0.3, -0.14, 0.95], -18),
        }),
        kneesUp(0.32, { at: [0, 0.19, 0] }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
    harder: rep("front", [
      soles({
        tilt: 14,
        rl: legTo([0.52, -0.06, 0.85], [0.05, -0.04, -0.99], -18),
        ll: legTo([0.52, -0.06, -0.85], [0.05, -0.04, 0.99], -18),
      }),
      kneesUp(0.36, { tilt: 8 }),
    ]),
  },
  "straddle-lift-reach": {
    standard: rep("front", [
      side(),
      side({ rl: leg(104, 42, -8), tilt: -4 }),
      side(),
      side({
        side: 16,
        lu: [4, 20, 0],
        th: [0, 24, 0],
        nk: [0, 10, 0],
        la: arm(10, 168),
        ra: aimRoom([0.4, -0.5, 0.76]),
      }),
    ]),
    easier: rep(
      "front",
      [
        side({ at: [0, 0.19, 0], legs: leg(82, 36, -8, 14) }),
        side({ at: [0, 0.19, 0], legs: leg(82, 36, -8, 14), rl: leg(98, 36, -8, 14) }),
        side({ at: [0, 0.19, 0], legs: leg(82, 36, -8, 14) }),
        side({
          at: [0, 0.19, 0],
          legs: leg(82, 36, -8, 14),
          side: 8,
          lu: [4, 18, 0],
          th: [0, 22, 0],
          nk: [0, 8, 0],
          la: arm(10, 150),
          ra: aimRoom([0.4, -0.6, 0.7]),
        }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
  },
  "straddle-turn-reach": {
    standard: rep("three-quarter", [side(), turnSide(), reachFoot()]),
    easier: rep(
      "three-quarter",
      [
        side({ at: [0, 0.19, 0], legs: leg(82, 34, -8, 18) }),
        turnSide({ at: [0, 0.19, 0], legs: leg(82, 34, -8, 18), th: [6, 0, 32] }),
        reachFoot({ at: [0, 0.19, 0], tilt: 12, th: [14, 4, 32], legs: leg(82, 34, -8, 18) }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
    harder: rep("three-quarter", [
      side(),
      turnSide(),
      reachFoot({ la: arm(20, 168), side: 18, tilt: 14, lu: [14, 20, 6], th: [4, 22, 24] }),
    ]),
  },
  "straddle-fold-lift": {
    standard: rep("three-quarter", [
      side(),
      side({ arms: arm(80, 168), lu: [2, 0, 0], th: [-6, 0, 0] }),
      side({ arms: arm(4, 92), lu: [4, 0, 0], tilt: 6, legs: leg(96, 46, -8) }),
      fold(),
    ]),
    easier: rep(
      "three-quarter",
      [
        side({ at: [0, 0.19, 0], legs: leg(82, 36, -8, 14) }),
        side({ at: [0, 0.19, 0], legs: leg(82, 36, -8, 14), arms: arm(80, 150), lu: [2, 0, 0] }),
        side({ at: [0, 0.19, 0], legs: leg(86, 40, -8, 14), arms: arm(4, 88) }),
        fold({ at: [0, 0.19, 0], tilt: 26, legs: leg(102, 36, -8, 14) }),
      ],
      { props: [cushion(-0.04, 0, 0.09)] },
    ),
  },
  "straddle-opposite-toe": {
    standard: rep("three-quarter", [
      side({ arms: arm(4, 90) }),
      turnSide({ ra: arm(-20, 88), la: arm(70, 88) }),
      reachFoot({ la: aimRoom([0.64, -0.4, 0.66]), ra: arm(-40, 80) }),
    ]),
    easier: rep("three-quarter", [
      side({ arms: arm(4, 84), legs: leg(98, 36, -8, 36) }),
      turnSide({ legs: leg(98, 36, -8, 36), th: [6, 0, 32], ra: arm(-10, 80), la: arm(70, 84) }),
      reachFoot({
        legs: leg(116, 36, -8, 40),
        tilt: 14,
        th: [14, 4, 30],
        la: aimRoom([0.62, -0.45, 0.64]),
        ra: arm(-20, 66),
      }),
    ]),
  },
  "side-squat-sit": {
    standard: rep("front", [sideSquat(), sideSquat({ at: [-0.16, 0.3, -0.32], tilt: 26, lu: [16, 0, 0] })], {
      seconds: 6,
    }),
    easier: rep(
      "front",
      [
        sideSquat({ at: [-0.14, 0.4, -0.2], arms: flat(0.42, 0.2) }),
        sideSquat({ at: [-0.16, 0.36, -0.26], arms: flat(0.42, 0.2) }),
      ],
      { seconds: 6 },
    ),
  },
  "side-squat-shift": {
    standard: rep("front", [wide(), wideLow()]),
    easier: rep("front", [
      wide({
        at: [-0.22, 0.66, 0],
        tilt: 64,
        lu: [24, 0, 0],
        th: [16, 0, 0],
        nk: [-20, 0, 0],
        arms: flat(0.4, 0.2),
        legs: foot(0, 0.54, { out: 20, tilt: -6, pole: [1, 0.2, 0.7] }),
      }),
      wideLow({ tilt: 44, lu: [30, 0, 0], th: [18, 0, 0], nk: [-20, 0, 0], arms: flat(0.42, 0.16) }),
    ]),
    harder: rep("front", [
      wide({ at: [-0.1, 0.56, 0], tilt: 20 }),
      wideLow({ at: [-0.16, 0.36, 0.38], ll: foot(0, -0.54, { out: 20, tilt: -50 }) }),
    ]),
  },
  "lunge-side": {
    standard: rep(
      "front",
      [
        standing(),
        standing({
          at: [-0.2, 0.56, 0.42],
          tilt: 36,
          lu: [6, 0, 0],
          ll: foot(0, -0.13),
          rl: foot(0, 0.68, { out: 12, pole: [1, 0.3, 0.25] }),
          arms: aim([0.8, -0.5, -0.2], [0.7, 0.2, -0.65]),
        }),
      ],
      { lift: [0.06, 0.06] },
    ),
    easier: rep(
      "front",
      [
        standing({ la: grip(0.3, 1.0, -0.5) }),
        standing({
          at: [-0.14, 0.68, 0.32],
          tilt: 24,
          ll: foot(0, -0.13),
          rl: foot(0, 0.58, { out: 12, pole: [1, 0.3, 0.25] }),
          la: grip(0.3, 1.0, -0.42),
        }),
      ],
      { lift: [0.06, 0.06], props: [support(0.3, -0.46, 1.0)] },
    ),
  },
  "side-squat-hop": {
    standard: rep("front", [crouch(-0.2), crouch(0.2, { at: [-0.2, 0.38, 0.2] })], { lift: [0.02, 0.02] }),
    easier: rep("front", [crouch(-0.16), crouch(0.16)], { lift: [0.02, 0.02] }),
    harder: rep("front", [crouch(-0.27), crouch(0.27, { at: [-0.2, 0.38, 0.27] })], { lift: [0.02, 0.02] }),
  },
  "step-side-bend": {
    standard: rep(
      "front",
      [
        standing({ la: grip(0.2, 1.0, -0.5) }),
        standing({
          at: [0, 0.84, 0.24],
          rl: foot(0, 0.74),
          side: -8,
          lu: [0, -16, 0],
          th: [0, -24, 0],
          nk: [0, -8, 0],
          ra: arm(14, 168),
          la: grip(0.2, 1.0, -0.5),
        }),
      ],
      { lift: [0.05, 0.05], props: [support(0.2, -0.5, 1.0)] },
    ),
    easier: rep(
      "front",
      [
        standing({ la: grip(0.2, 1.0, -0.5), ra: handOnHip }),
        standing({
          at: [0, 0.87, 0.16],
          rl: foot(0, 0.6),
          side: -4,
          lu: [0, -12, 0],
          th: [0, -20, 0],
          nk: [0, -6, 0],
          ra: handOnHip,
          la: grip(0.2, 1.0, -0.5),
        }),
      ],
      { lift: [0.05, 0.05], props: [support(0.2, -0.5, 1.0)] },
    ),
    harder: rep(
      "front",
      [
        standing(),
        standing({
          at: [0, 0.84, 0.2],
          rl: foot(0, 0.66),
          side: -10,
          lu: [0, -18, 0],
          th: [0, -26, 0],
          nk: [0, -8, 0],
          arms: arm(20, 168),
        }),
      ],
      { lift: [0.05, 0.05] },
    ),
  },
  "step-across-bend": {
    standard: rep(
      "front",
      [
        standing({ la: grip(0.2, 1.0, -0.56) }),
        standing({
          at: [0.06, 0.87, -0.08],
          rl: foot(0.2, -0.36),
          side: -6,
          lu: [0, -14, 0],
          th: [0, -24, 0],
          nk: [0, -8, 0],
          ra: arm(14, 168),
          la: grip(0.2, 1.0, -0.56),
        }),
      ],
      { lift: [0.05, 0.05], props: [support(0.2, -0.56, 1.0)] },
    ),
    easier: rep(
      "front",
      [
        standing({ la: grip(0.2, 1.0, -0.56), ra: handOnHip }),
        standing({
          at: [0.04, 0.89, -0.06],
          rl: foot(0.18, -0.3),
          side: -3,
          lu: [0, -10, 0],
          th: [0, -20, 0],
          nk: [0, -6, 0],
          ra: handOnHip,
          la: grip(0.2, 1.0, -0.56),
        }),
      ],
      { lift: [0.05, 0.05], props: [support(0.2, -0.56, 1.0)] },
    ),
    harder: rep(
      "front",
      [
        standing(),
        standing({
          at: [0.06, 0.86, -0.06],
          rl: foot(0.2, -0.36),
          side: -8,
          lu: [0, -18, 0],
          th: [0, -26, 0],
          nk: [0, -8, 0],
          arms: arm(20, 168),
        }),
      ],
      { lift: [0.05, 0.05] },
    ),
  },
  "knee-across": {
    standard: hold("three-quarter", [
      supine({ side: -90, turn: -90, tilt: -90, rl: leg(86, 2, 0, 88), arms: arm(4, 84) }),
      across(88, 88, 54, { la: on("right.knee", [0.0, 0.06, 0.02]) }),
    ]),
    easier: hold("three-quarter", [
      supine({ side: -90, turn: -90, tilt: -90, rl: leg(86, 2, 0, 88), ra: arm(4, 84) }),
      across(92, 84, 40, { ll: leg(40, 4, 0, 70, -20), ra: arm(4, 60) }),
    ]),
  },
  "leg-across": {
    standard: rep("three-quarter", [
      supine({ side: -90, turn: -90, tilt: -90, rl: leg(80, 2, 0, 6), arms: arm(4, 84) }),
      across(6, 82, 54, { la: arm(4, 84) }),
    ]),
    easier: rep("three-quarter", [
      supine({ side: -90, turn: -90, tilt: -90, rl: leg(86, 2, 0, 88), arms: arm(4, 84) }),
      across(86, 88, 50, { la: arm(4, 84) }),
    ]),
  },
};
