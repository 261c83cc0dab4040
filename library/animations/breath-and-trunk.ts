import {
  aim,
  aimRoom,
  arm,
  chair,
  chairSit,
  crossed,
  CROSSED_ARMS,
  cushion,
  elbowOn,
  flat,
  foot,
  footUp,
  handsKnees,
  hold,
  hookLying,
  kneelSit,
  leg,
  legTo,
  longSit,
  on,
  onRoller,
  rep,
  rollerAlong,
  standing,
  supineNinety,
  supine,
  swap,
  to,
  wall,
  widePad,
  weight,
  type MotionSet,
} from "./poses";

const onBelly = on("waist", [0.12, -0.02, 0.03], { pole: [0, 0, 1] });
const folded = kneelSit({ tilt: 60, lu: [18, 0, 0], th: [14, 0, 0], nk: [4, 0, 0], arms: elbowOn(0.2, 0.18) });
const foldedLong = kneelSit({ tilt: 84, lu: [24, 0, 0], th: [0, 0, 0], nk: [-6, 0, 0], arms: flat(0.66, 0.17) });
const foldedElbows = kneelSit({
  tilt: 78,
  lu: [14, 0, 0],
  th: [-6, 0, 0],
  nk: [6, 0, 0],
  arms: elbowOn(0.34, 0.17, [-0.2, 0.96, -0.12]),
});
const longDog = handsKnees({
  ra: aimRoom([0.985, 0.12, 0.1]),
  ll: legTo([-0.99, 0.1, -0.04], [-0.99, 0.1, -0.02], -35),
  lu: [-4, 0, 0],
});
const backLean = longSit({ tilt: -26, lu: [14, 0, 0], th: [8, 0, 0], nk: [6, 0, 0], arms: arm(84, 78, 18) });
const pullIn = (c: Parameters<typeof to>[1] = {}) => to(backLean, { rl: leg(112, 4, 0, 106), ll: leg(72, 4), ...c });
const lifted = {
  th: [26, 0, 0] as [number, number, number],
  nk: [26, 0, 0] as [number, number, number],
  lu: [10, 0, 0] as [number, number, number],
};
const kneeHug = supine({
  ...lifted,
  rl: leg(116, 4, 0, 125, -15),
  ll: leg(24, 2, 0, 0, -25),
  arms: on("right.knee", [0.05, 0.02, 0.07]),
});
const kneeHugArms = to(kneeHug, {
  la: on("right.knee", [0.1, -0.02, -0.07]),
  ra: on("right.knee", [0.04, 0.03, 0.06]),
});
const legHug = supine({
  ...lifted,
  rl: leg(84, 3, 0, 2, -15),
  ll: leg(18, 2, 0, 0, -25),
  ra: on("right.knee", [-0.09, 0.05, 0.04]),
  la: on("right.knee", [-0.09, 0.05, -0.06]),
});
const star = (y: number, side: number, lean: number) => ({
  at: [0, y, 0] as [number, number, number],
  side,
  lu: [0, lean, 0] as [number, number, number],
});
const sidePlank = standing({
  ...star(0.4, 71, 0),
  turn: 90,
  ra: elbowOn(-0.57, 0, [-0.25, 0, 0.97]),
  la: aim([0.1, -0.99, -0.1]),
  rl: leg(0, 0, 0, 0, -5),
  ll: leg(0, -2, 0, 0, -5),
});
const starOpen = to(sidePlank, { la: aim([0, 0.1, -1]), ll: leg(0, 30, 0, 0, -5) });
const tabletop = longSit({
  at: [0.02, 0.44, 0],
  tilt: -66,
  lu: [0, 0, 0],
  nk: [16, 0, 0],
  legs: foot(0.46, 0.15),
  arms: flat(-0.38, 0.28, { fingers: [0.3, 0, 0.95], pole: [-1, 0, 0.2] }),
});
const tabletopSit = longSit({
  at: [-0.1, null, 0],
  tilt: -18,
  lu: [14, 0, 0],
  legs: foot(0.46, 0.15, { out: 4 }),
  arms: flat(-0.38, 0.28, { fingers: [0.3, 0, 0.95], pole: [-1, 0, 0.2] }),
});

export const breathAndTrunkMotions: MotionSet = {
  "tension-ramp": {
    standard: hold("three-quarter", [
      standing(),
      standing({ th: [-3, 0, 0], arms: aim([0.15, -0.95, 0.3], [0.6, -0.75, -0.1]), legs: foot(0, 0.17) }),
    ]),
    easier: hold("three-quarter", [chairSit(), chairSit({ arms: aim([0.2, -0.95, 0.2], [0.85, -0.5, -0.1]) })], {
      props: chair(0, 0),
    }),
    harder: hold("three-quarter", [
      standing(),
      standing({ th: [-4, 0, 0], arms: arm(80, 168, 6), legs: foot(0, 0.17) }),
    ]),
  },
  "box-breathing": {
    standard: hold("side", [hookLying({ arms: onBelly })]),
    easier: hold("three-quarter", [crossed({ tilt: -2, lu: [4, 0, 0] })], { props: [wall(-0.2)] }),
  },
  "lying-long-breath": {
    standard: hold("side", [hookLying()]),
    easier: hold("side", [longSit({ tilt: -4, lu: [4, 0, 0], arms: on("right.knee", [-0.14, 0.09, 0.0]) })], {
      props: [wall(-0.2)],
    }),
  },
  "long-exhale": {
    standard: hold("side", [hookLying()]),
    easier: hold("side", [longSit({ tilt: -4, lu: [4, 0, 0], arms: on("right.knee", [-0.14, 0.09, 0.0]) })], {
      props: [wall(-0.2)],
    }),
  },
  "back-breathing-90": {
    standard: hold("side", [supineNinety()]),
    easier: hold("side", [supineNinety()], { props: [wall(0.53)] }),
    harder: hold("side", [supineNinety({ arms: arm(86, 88) })]),
  },
  "forearm-kneel-breathing": {
    standard: hold("side", [kneelSit(), folded], { props: [widePad(-0.2)] }),
    easier: hold(
      "side",
      [
        kneelSit({ at: [-0.34, null, 0], arms: on("right.knee", [-0.13, 0.1, 0]) }),
        kneelSit({
          at: [-0.33, null, 0],
          tilt: 58,
          lu: [14, 0, 0],
          th: [12, 0, 0],
          arms: elbowOn(0.28, 0.16, [1, 0, 0], { y: 0.1 }),
        }),
      ],
      { props: [widePad(-0.2), cushion(-0.42, 0, 0.1), cushion(0.36, 0, 0.1)] },
    ),
    harder: hold(
      "side",
      [kneelSit(), kneelSit({ tilt: 60, lu: [20, 0, 0], th: [14, 0, 0], nk: [2, 0, 0], arms: elbowOn(0.25, 0.19) })],
      { props: [widePad(-0.2)] },
    ),
  },
  "folded-kneel-reach": {
    standard: hold("side", [kneelSit(), foldedLong], { props: [widePad(-0.2)] }),
    easier: hold(
      "side",
      [
        kneelSit({ at: [-0.34, null, 0], arms: on("right.knee", [-0.13, 0.1, 0]) }),
        kneelSit({ at: [-0.33, null, 0], tilt: 80, lu: [18, 0, 0], nk: [-6, 0, 0], arms: flat(0.68, 0.19) }),
      ],
      { props: [widePad(-0.2), cushion(-0.42, 0, 0.1)] },
    ),
    harder: hold(
      "above",
      [foldedLong, to(foldedLong, { ra: flat(0.62, 0.38), la: flat(0.66, 0.12), lu: [24, 14, 0], th: [0, 14, 0] })],
      { props: [widePad(-0.2)] },
    ),
  },
  "folded-kneel-elbows": {
    standard: hold("side", [kneelSit({ tilt: 20, lu: [14, 0, 0] }), foldedElbows], { props: [widePad(-0.2)] }),
    easier: hold(
      "side",
      [
        kneelSit({ at: [-0.34, null, 0], tilt: 20, lu: [14, 0, 0], arms: on("right.knee", [-0.1, 0.1, 0]) }),
        kneelSit({
          at: [-0.33, null, 0],
          tilt: 82,
          lu: [10, 0, 0],
          th: [-2, 0, 0],
          arms: elbowOn(0.31, 0.17, [0.1, 0.98, -0.1]),
        }),
      ],
      { props: [widePad(-0.2), cushion(-0.42, 0, 0.1)] },
    ),
  },
  "bird-dog-long": {
    standard: rep("side", [handsKnees(), longDog, longDog], { props: [widePad()] }),
    easier: rep(
      "side",
      [
        handsKnees(),
        handsKnees({ ll: foot(-0.76, -0.16, { heel: 52, out: 0 }) }),
        handsKnees({ ll: foot(-0.76, -0.16, { heel: 52, out: 0 }) }),
      ],
      { props: [widePad()] },
    ),
    harder: rep(
      "side",
      [
        handsKnees(),
        longDog,
        longDog,
        handsKnees({
          lu: [22, 0, 0],
          th: [24, 0, 0],
          nk: [20, 0, 0],
          ra: aimRoom([-0.5, -0.84, -0.22], [0.25, -0.3, -0.92]),
          ll: leg(112, -6, 0, 120, -30),
        }),
        longDog,
      ],
      { props: [widePad()] },
    ),
  },
  "roller-arm-lower": {
    standard: rep("three-quarter", [onRoller({ arms: arm(86, 90) }), onRoller({ ra: arm(2, 88), la: arm(86, 90) })], {
      props: [rollerAlong()],
    }),
    easier: rep(
      "three-quarter",
      [
        onRoller({ arms: arm(86, 90), legs: footUp(0.42, 0.3) }),
        onRoller({ ra: arm(2, 80, 20), la: arm(86, 90), legs: footUp(0.42, 0.3) }),
      ],
      { props: [rollerAlong()] },
    ),
    harder: rep(
      "three-quarter",
      [
        onRoller({ arms: arm(86, 90), legs: footUp(0.42, 0.08) }),
        onRoller({ ra: arm(2, 88), la: arm(86, 90), legs: footUp(0.42, 0.08) }),
      ],
      { props: [rollerAlong(), weight("right.palm")] },
    ),
  },
  "knee-hug-switch": {
    standard: swap("side", [kneeHugArms, kneeHugArms]),
    easier: swap("side", [
      to(kneeHugArms, { th: [0, 0, 0], nk: [0, 0, 0], lu: [6, 0, 0] }),
      to(kneeHugArms, { th: [0, 0, 0], nk: [0, 0, 0], lu: [6, 0, 0] }),
    ]),
    harder: swap("side", [
      to(kneeHugArms, { ll: leg(12, 2, 0, 0, -25) }),
      to(kneeHugArms, { ll: leg(12, 2, 0, 0, -25) }),
    ]),
  },
  "straight-leg-switch": {
    standard: swap("side", [legHug, legHug]),
    easier: swap("side", [
      to(legHug, { rl: leg(86, 3, 0, 50, -10), ll: leg(30, 2, 0, 40, -10) }),
      to(legHug, { rl: leg(86, 3, 0, 50, -10), ll: leg(30, 2, 0, 40, -10) }),
    ]),
  },
  "seated-pull-ins": {
    standard: swap("side", [pullIn(), pullIn()], { seconds: 2 }),
    easier: swap(
      "side",
      [
        longSit({
          tilt: -24,
          lu: [10, 0, 0],
          arms: flat(-0.42, 0.24, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }),
          legs: leg(66, 4),
        }),
        longSit({
          tilt: -24,
          lu: [10, 0, 0],
          arms: flat(-0.42, 0.24, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }),
          legs: leg(66, 4),
          rl: leg(108, 4, 0, 106),
        }),
      ],
      { seconds: 2.5 },
    ),
    harder: swap("side", [pullIn({ arms: CROSSED_ARMS }), pullIn({ arms: CROSSED_ARMS })], { seconds: 2 }),
  },
  "seated-leg-lifts": {
    standard: swap(
      "side",
      [
        longSit({ tilt: -10, arms: arm(84, 70, 15), legs: leg(80, 6, 0, 0, 8) }),
        longSit({ tilt: -14, arms: arm(84, 74, 15), legs: leg(76, 6, 0, 0, 8), rl: leg(104, 6, 0, 0, 12) }),
      ],
      { seconds: 2.5 },
    ),
    easier: swap(
      "side",
      [
        longSit({
          tilt: -24,
          lu: [10, 0, 0],
          arms: flat(-0.42, 0.24, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }),
          legs: leg(66, 6, 0, 0, 8),
        }),
        longSit({
          tilt: -24,
          lu: [10, 0, 0],
          arms: flat(-0.42, 0.24, { fingers: [-0.5, 0, 0.86], pole: [-1, 0, 0.3] }),
          legs: leg(66, 6, 0, 0, 8),
          rl: leg(88, 6, 0, 0, 12),
        }),
      ],
      { seconds: 2.5 },
    ),
    harder: swap(
      "side",
      [
        longSit({ tilt: -4, arms: arm(80, 165, 5), legs: leg(86, 6, 0, 0, 8) }),
        longSit({ tilt: -8, arms: arm(80, 168, 5), legs: leg(82, 6, 0, 0, 8), rl: leg(108, 6, 0, 0, 12) }),
      ],
      { seconds: 2.5 },
    ),
  },
  "seated-leg-hold": {
    standard: hold("side", [
      longSit({ tilt: -8, legs: leg(82, 5) }),
      longSit({ tilt: -22, lu: [14, 0, 0], legs: leg(96, 4, 0, 0, -10), arms: flat(-0.02, 0.29) }),
    ]),
    easier: hold("side", [
      longSit({ tilt: -8, legs: leg(82, 5) }),
      longSit({ tilt: -14, lu: [12, 0, 0], legs: leg(76, 5), rl: leg(100, 4, 0, 0, -10), arms: flat(-0.14, 0.29) }),
    ]),
    harder: hold("side", [
      longSit({ tilt: -8, legs: leg(82, 5) }),
      longSit({ tilt: -22, lu: [14, 0, 0], legs: leg(98, 4, 0, 0, -20), arms: arm(84, 76, 8) }),
    ]),
  },
  "star-plank-dip": {
    standard: rep(
      "side",
      [
        sidePlank,
        to(starOpen, { at: [0, 0.43, 0], side: 70, lu: [0, -6, 0] }),
        to(starOpen, { at: [0, 0.28, 0], side: 74, lu: [0, 12, 0] }),
        to(starOpen, { at: [0, 0.43, 0], side: 70, lu: [0, -6, 0] }),
      ],
      { beats: 4 },
    ),
    easier: rep(
      "side",
      [
        to(sidePlank, { at: [0, 0.3, 0], side: 74, rl: leg(10, 0, 0, 88, -30), ll: leg(10, -4, 0, 88, -30) }),
        to(sidePlank, {
          at: [0, 0.36, 0],
          side: 68,
          lu: [0, -8, 0],
          rl: leg(4, 4, 0, 88, -30),
          ll: leg(0, 22, 0, 0, -5),
          la: aim([0, 0.1, -1]),
        }),
        to(sidePlank, {
          at: [0, 0.26, 0],
          side: 78,
          lu: [0, 8, 0],
          rl: leg(4, 2, 0, 88, -30),
          ll: leg(0, 22, 0, 0, -5),
          la: aim([0, 0.1, -1]),
        }),
        to(sidePlank, {
          at: [0, 0.36, 0],
          side: 68,
          lu: [0, -8, 0],
          rl: leg(4, 4, 0, 88, -30),
          ll: leg(0, 22, 0, 0, -5),
          la: aim([0, 0.1, -1]),
        }),
      ],
      { props: [] },
    ),
  },
  "reverse-tabletop": {
    standard: rep("side", [tabletopSit, tabletop]),
    easier: rep("side", [tabletopSit, to(tabletop, { at: [-0.04, 0.28, 0], tilt: -48, nk: [4, 0, 0] })]),
    harder: rep("side", [to(tabletopSit, {}), to(tabletop, { rl: leg(-8, 4, 0, 0, -10) })]),
  },
};
