import {
  aim,
  arm,
  flat,
  foot,
  hold,
  kneelSit,
  knee,
  leg,
  longSit,
  on,
  prone,
  rep,
  RIGHT_LOWER_LEG,
  sideLying,
  squat,
  strap,
  wedge,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

const shin = (turn: number, c: Change = {}) =>
  longSit({
    tilt: -4,
    lu: [12, 0, 0],
    rl: leg(112, 6, 0, 82, 6, { kneeRotation: turn }),
    arms: on("right.knee", [-0.06, -0.08, 0.08]),
    la: on("right.knee", [-0.06, -0.08, -0.06]),
    ra: on("right.knee", [-0.06, -0.08, 0.08]),
    ...c,
  });

/** The picture is cut to the leg that turns. */
const RIGHT_LEG = [...RIGHT_LOWER_LEG, "right.hip" as const];

const quad = (bend: number, c: Change = {}) =>
  prone({
    la: aim([0.15, 0.8, -0.55], [0.1, 0.35, 0.9]),
    ra: arm(-40, 16),
    nk: [0, 0, 24],
    rl: leg(-8, 2, 0, bend, -20),
    ...c,
  });
/** The hand behind the hip, holding a strap that leads to the foot. */
const strapHand = arm(-50, 34, 30);
const quadHeld = (c: Change = {}) =>
  quad(138, { ra: on("right.ankle", [0.02, 0.03, 0.02], { pole: [-0.3, 1, 0.6] }), ...c });
const lying = (c: Change = {}) =>
  sideLying({
    la: aim([0.2, 0.95, -0.2], [0.1, 0.95, 0.3]),
    ra: aim([0.2, -0.95, 0.2]),
    ll: leg(40, 0, 0, 60),
    rl: leg(0, -14, 0, 60, -20),
    ...c,
  });
const lyingHeld = (c: Change = {}) =>
  lying({ rl: leg(-12, -14, 0, 136, -20), lu: [0, 0, 0], ra: on("right.ankle", [0.0, 0.04, 0.02]), ...c });

const down = (c: Change = {}) =>
  kneelSit({
    at: [-0.1, null, 0],
    legs: knee(0.24, 0.18, { toes: "tucked" }),
    tilt: 10,
    arms: aim([0.8, -0.5, 0.1], [0.95, -0.1, -0.2]),
    ...c,
  });

const lowSquat = squat({
  at: [-0.2, 0.38, 0],
  tilt: 24,
  lu: [40, 0, 0],
  th: [24, 0, 0],
  legs: foot(0, 0.21, { y: 0.045, out: 18, pole: [1, 0.3, 0.5] }),
  arms: flat(0.42, 0.2),
});
/** On the balls of the feet between squat and kneeling. */
const halfway = (c: Change = {}) =>
  squat({
    at: [-0.12, 0.4, 0],
    tilt: 22,
    legs: foot(-0.1, 0.18, { heel: 56, out: 10, pole: [1, 0.1, 0.3] }),
    arms: aim([0.85, -0.5, 0.1], [0.95, -0.1, -0.2]),
    ...c,
  });

export const kneeMotions: MotionSet = {
  "knee-turns": {
    standard: rep("three-quarter", [shin(-28), shin(30)], { focus: RIGHT_LEG }),
    harder: rep(
      "three-quarter",
      [
        shin(-30, { tilt: 4, arms: aim([0.4, -0.8, 0.4], [0.8, -0.4, -0.4]) }),
        shin(34, { tilt: 4, arms: aim([0.4, -0.8, 0.4], [0.8, -0.4, -0.4]) }),
      ],
      { focus: RIGHT_LEG },
    ),
  },
  "knee-turn-effort": { standard: hold("three-quarter", [shin(-20), shin(34)], { focus: RIGHT_LEG }) },
  "quad-prone": {
    standard: hold("three-quarter", [quad(60), quadHeld()]),
    easier: hold("three-quarter", [quad(50, { ra: strapHand }), quad(104, { ra: strapHand })], {
      props: [strap("right", "right.ankle")],
    }),
    harder: hold("three-quarter", [quadHeld(), quadHeld({ rl: leg(-19, 2, 0, 134, -20) })]),
  },
  "quad-side": {
    standard: hold({ around: 0, above: 30 }, [lying(), lyingHeld()]),
    easier: hold(
      { around: 0, above: 30 },
      [lying(), lying({ rl: leg(-8, -14, 0, 118, -20), ra: aim([-0.5, -0.8, 0.3]) })],
      { props: [strap("right", "right.ankle")] },
    ),
  },
  "quad-turn": {
    standard: hold({ around: 0, above: 30 }, [
      lyingHeld(),
      lying({
        rl: leg(-14, -16, 0, 138, -20),
        th: [0, 0, 36],
        lu: [0, 0, 8],
        nk: [0, 0, 30],
        ra: on("right.ankle", [0.02, 0.04, 0.0]),
      }),
    ]),
    easier: hold(
      { around: 0, above: 30 },
      [
        lying({ rl: leg(-8, -14, 0, 112, -20), ra: aim([-0.5, -0.8, 0.3]) }),
        lying({
          rl: leg(-8, -14, 0, 112, -20),
          th: [0, 0, 32],
          lu: [0, 0, 6],
          nk: [0, 0, 26],
          ra: aim([-0.6, -0.7, 0.4]),
        }),
      ],
      { props: [strap("right", "right.ankle")] },
    ),
  },
  "squat-to-kneel": {
    standard: rep("side", [halfway(), squat(), squat(), halfway(), down(), down()], {
      at: [0, 1, 2, 2.5, 3, 3.5],
      beats: 4,
      props: [widePad(0.3)],
    }),
    easier: rep(
      "side",
      [
        halfway({ arms: flat(0.42, 0.2), tilt: 34 }),
        lowSquat,
        lowSquat,
        halfway({ arms: flat(0.42, 0.2), tilt: 34 }),
        down({ at: [-0.08, null, 0], arms: flat(0.46, 0.2), tilt: 38, lu: [24, 0, 0], th: [14, 0, 0] }),
        down({ at: [-0.08, null, 0], arms: flat(0.46, 0.2), tilt: 38, lu: [24, 0, 0], th: [14, 0, 0] }),
      ],
      { at: [0, 1, 2, 2.5, 3, 3.6], beats: 4, props: [wedge(-0.06, 0), widePad(0.3)] },
    ),
  },
};
