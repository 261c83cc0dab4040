import {
  aim,
  aimRoom,
  arm,
  block,
  foot,
  flat,
  grip,
  halfKneel,
  handsKnees,
  hold,
  knee,
  leg,
  lowLunge,
  on,
  otherLeg,
  pad,
  plank,
  rep,
  split,
  squat,
  standing,
  stick,
  support,
  to,
  weight,
  wedge,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";

const wedged = (c: Change = {}) =>
  squat({ at: [-0.2, 0.37, 0], legs: foot(0, 0.21, { y: 0.045, out: 18, pole: [1, 0.3, 0.5] }), ...c });
const wideSquat = (c: Change = {}) => squat({ legs: foot(0, 0.28, { out: 30, pole: [0.9, 0.3, 1] }), ...c });
const wideWedge = foot(0, 0.28, { y: 0.045, out: 28, pole: [0.9, 0.3, 1] });
const reach = (r: number, c: Change = {}) => squat({ lu: [24, 0, r * 0.2], th: [4, 0, r], nk: [0, 0, r * 0.9], ...c });
const post = support(0.5, -0.22, 0.8);
const heldPost = grip(0.48, 0.72, -0.22);
const floorHands: Change = { ra: flat(0.36, 0.14), la: flat(0.36, -0.14), tilt: 40, lu: [34, 0, 0], th: [18, 0, 0] };
const driveFeet = foot(0, 0.25, { out: 24, pole: [1, 0.3, 0.9] });
const drive = halfKneel({
  at: [-0.3, null, 0],
  rl: knee(-0.4, 0.16, { toes: "tucked" }),
  ll: otherLeg(driveFeet),
  tilt: -6,
  lu: [4, 0, 0],
  arms: aim([0.8, -0.5, 0.1], [0.7, 0.2, -0.62]),
});
/** Half up, the right foot on its way back to where its knee goes down. */
const stepBack = (c: Change = {}) =>
  squat({
    at: [-0.24, 0.55, 0],
    tilt: 22,
    lu: [16, 0, 0],
    th: [2, 0, 0],
    ll: otherLeg(driveFeet),
    rl: leg(52, 12, -8, 92, 4),
    ...c,
  });
const lungeIn = lowLunge();
const open = lowLunge({
  th: [0, 0, 38],
  lu: [10, 0, 8],
  nk: [0, 0, 46],
  ra: aimRoom([0, 1, 0.12]),
  la: flat(0.42, -0.1),
});
/** The knee drawn in under raised hips, so that the foot steps through without scraping. */
const kneeIn = (c: Change = {}) =>
  plank({ at: [-0.06, 0.58, 0], tilt: 88, lu: [14, 0, 0], th: [10, 0, 0], rl: leg(95, 12, 0, 118, 10), ...c });
const onBlocks = { arms: flat(0.42, 0.2, { y: 0.2 }) };
const highHands: Change = { ...onBlocks, at: [-0.06, 0.62, 0], tilt: 78 };
const blocks = [block(0.44, 0.2, 0.2), block(0.44, -0.2, 0.2)];
const pressedUp = lowLunge({
  at: [-0.04, 0.56, 0],
  tilt: 18,
  lu: [-10, 0, 0],
  th: [-2, 0, 0],
  nk: [0, 0, 0],
  arms: arm(80, 168),
  rl: foot(0.36, 0.2),
  ll: foot(-0.95, -0.13, { heel: 60, out: 0 }),
});
const hover = plank({
  at: [-0.22, 0.42, 0],
  tilt: 82,
  legs: foot(-0.5, 0.14, { heel: 58, out: 0, pole: [1, -0.5, 0] }),
  arms: flat(0.34, 0.2),
  nk: [-10, 0, 0],
});
/** The knees a hand’s width off the floor, from where hands and knees were. */
const hoverLow = handsKnees({ at: [0, 0.535, 0], legs: foot(-0.42, 0.15, { heel: 58, out: 0, pole: [1, -0.6, 0] }) });
const walkedBack = squat({
  at: [-0.56, 0.3, 0],
  legs: foot(-0.4, 0.18, { out: 10, heel: 8, pole: [1, 0.2, 0.3] }),
  tilt: 14,
  lu: [46, 0, 0],
  th: [38, 0, 0],
  nk: [-26, 0, 0],
  ra: flat(0.0, 0.2),
  la: flat(0.0, -0.2),
});
const tuckedFours = handsKnees({ legs: knee(0, 0.15, { toes: "tucked" }) });
const pike = plank({
  at: [-0.3, 0.66, 0],
  tilt: 112,
  th: [6, 0, 0],
  legs: foot(-0.44, 0.14, { heel: 30, out: 0 }),
  arms: flat(0.34, 0.2),
  nk: [4, 0, 0],
});
const chest = { arms: aim([0.45, -0.88, 0.1], [0.6, 0.75, -0.3]) };
const goblet = (z: number, c: Change = {}) =>
  squat({
    at: [-0.2, 0.3, z],
    legs: foot(0, 0.3, { out: 34, pole: [0.8, 0.3, 1] }),
    ...chest,
    tilt: 22,
    lu: [20, 0, 0],
    th: [-2, 0, 0],
    nk: [-6, 0, 0],
    ...c,
  });
const walkHands: Change = { arms: aim([0.8, -0.5, 0.1], [0.7, 0.2, -0.62]) };
const kneel = (c: Change = {}) => squat({ tilt: 24, lu: [20, 0, 0], th: [2, 0, 0], ...c });

export const wholeBodyMotions: MotionSet = {
  "squat-reach": {
    standard: rep("three-quarter", [
      squat({ ...floorHands }),
      reach(36, { tilt: 34, la: flat(0.36, -0.1), ra: aimRoom([0.1, 0.95, 0.3]) }),
      reach(38, { tilt: 34, nk: [0, 0, 50], la: flat(0.36, -0.1), ra: aimRoom([0, 0.97, 0.25]) }),
    ]),
    easier: rep(
      "three-quarter",
      [
        wedged({ la: heldPost }),
        wedged({ la: heldPost, th: [2, 0, 34], lu: [20, 0, 6], nk: [0, 0, 30], ra: aimRoom([0.1, 0.9, 0.42]) }),
        wedged({ la: heldPost, th: [2, 0, 36], lu: [20, 0, 6], nk: [0, 0, 44], ra: aimRoom([0.1, 0.9, 0.42]) }),
      ],
      { props: [wedge(-0.06, 0), post] },
    ),
    harder: rep("three-quarter", [
      squat({ ...floorHands }),
      reach(36, { tilt: 34, la: flat(0.36, -0.1), ra: aimRoom([0.1, 0.95, 0.3]) }),
      reach(38, { tilt: 34, nk: [0, 0, 50], la: flat(0.36, -0.1), ra: aimRoom([0, 0.97, 0.25]) }),
      squat({ arms: arm(80, 150), tilt: 26 }),
    ]),
  },
  "squat-look-round": {
    standard: rep("three-quarter", [
      squat({ ...floorHands }),
      reach(36, { tilt: 34, la: on("right.knee", [0.0, 0.06, -0.08]), ra: aim([-0.1, -0.6, 0.8]), nk: [0, 0, 62] }),
    ]),
    easier: rep(
      "three-quarter",
      [
        wedged({ la: heldPost }),
        wedged({ la: heldPost, th: [2, 0, 32], lu: [20, 0, 6], nk: [0, 0, 56], ra: aim([0, -0.6, 0.8]) }),
      ],
      { props: [wedge(-0.06, 0), post] },
    ),
  },
  "squat-round-hold": {
    standard: hold("side", [
      wideSquat(),
      wideSquat({
        tilt: 6,
        lu: [54, 0, 0],
        th: [34, 0, 0],
        nk: [26, 0, 0],
        arms: on("right.heel", [0.04, 0.06, -0.06]),
        la: on("left.heel", [0.04, 0.06, 0.06]),
      }),
    ]),
    easier: hold(
      "side",
      [
        wedged({ legs: wideWedge, arms: grip(0.48, 0.72, 0.2) }),
        wedged({
          legs: wideWedge,
          at: [-0.24, 0.4, 0],
          tilt: 12,
          lu: [50, 0, 0],
          th: [32, 0, 0],
          nk: [20, 0, 0],
          arms: grip(0.48, 0.72, 0.2),
        }),
      ],
      { props: [wedge(-0.06, 0), support(0.5, 0.2, 0.8), support(0.5, -0.2, 0.8)] },
    ),
  },
  "squat-drive-through": {
    standard: rep("side", [kneel({ ...walkHands, legs: driveFeet }), stepBack(walkHands), drive, stepBack(walkHands)], {
      at: [0, 0.6, 1.2, 1.6],
      beats: 2,
      props: [pad(-0.4, 0.16)],
    }),
    easier: rep(
      "side",
      [
        squat({
          arms: flat(0.28, 0.12),
          at: [-0.2, 0.31, 0],
          tilt: 24,
          lu: [44, 0, 0],
          th: [32, 0, 0],
          legs: driveFeet,
        }),
        stepBack({ arms: flat(0.24, 0.16), tilt: 60, lu: [40, 0, 0], th: [30, 0, 0] }),
        to(drive, { arms: flat(0.2, 0.2), tilt: 30, lu: [42, 0, 0], th: [30, 0, 0], nk: [-20, 0, 0] }),
        stepBack({ arms: flat(0.24, 0.16), tilt: 60, lu: [40, 0, 0], th: [30, 0, 0] }),
      ],
      { at: [0, 0.6, 1.2, 1.6], beats: 2, props: [pad(-0.4, 0.16)] },
    ),
  },
  "plank-step-turn": {
    standard: rep("three-quarter", [plank(), kneeIn(), lungeIn, open, kneeIn()], {
      at: [0, 0.5, 1, 2, 2.65],
      beats: 3,
    }),
    easier: rep(
      "three-quarter",
      [
        plank({ arms: flat(0.42, 0.2, { y: 0.2 }), tilt: 62, at: [0, 0.5, 0] }),
        kneeIn(highHands),
        lowLunge({ ...onBlocks, tilt: 28 }),
        to(open, { la: flat(0.42, -0.2, { y: 0.2 }), tilt: 30 }),
        kneeIn(highHands),
      ],
      { at: [0, 0.5, 1, 2, 2.65], beats: 3, props: blocks },
    ),
  },
  "lunge-walk-flow": {
    standard: rep(
      "three-quarter",
      [
        plank(),
        kneeIn(),
        lungeIn,
        pressedUp,
        to(pressedUp, { th: [0, 0, 34], lu: [-8, 0, 6], nk: [0, 0, 26], arms: arm(4, 92) }),
        lungeIn,
        kneeIn({ tilt: 82 }),
        plank({ at: [-0.16, 0.58, 0], tilt: 98 }),
      ],
      { at: [0, 0.5, 1, 2, 3, 4, 4.5, 5], beats: 6 },
    ),
    easier: rep(
      "three-quarter",
      [
        plank({ arms: flat(0.42, 0.2, { y: 0.2 }), tilt: 62, at: [0, 0.5, 0] }),
        kneeIn(highHands),
        lowLunge({ ...onBlocks, tilt: 28 }),
        pressedUp,
        to(pressedUp, { th: [0, 0, 30], lu: [0, 0, 6], nk: [0, 0, 24], arms: arm(4, 84) }),
        lowLunge({ ...onBlocks, tilt: 28 }),
        kneeIn(highHands),
        plank({ arms: flat(0.42, 0.2, { y: 0.2 }), tilt: 66, at: [-0.1, 0.56, 0] }),
      ],
      { at: [0, 0.5, 1, 2, 3, 4, 4.5, 5], beats: 6, props: blocks },
    ),
  },
  "walk-back-squat": {
    standard: rep(
      "side",
      [tuckedFours, pike, walkedBack].map((p, i) => (i === 0 ? p : to(p, { by: [0.0, 0, 0] }))),
      { props: [widePad()], beats: 3, lift: [0, 0.03, 0.03] },
    ),
    easier: rep(
      "side",
      [
        tuckedFours,
        to(pike, { at: [-0.34, 0.56, 0], tilt: 98, legs: foot(-0.44, 0.14, { heel: 44, out: 0 }) }),
        to(walkedBack, { at: [-0.52, 0.36, 0], legs: foot(-0.4, 0.18, { out: 10, heel: 30, pole: [1, 0.2, 0.3] }) }),
      ],
      { props: [widePad()], beats: 3, lift: [0, 0.03, 0.03] },
    ),
  },
  "hover-walk-back": {
    standard: rep("side", [hover, pike, walkedBack, pike], { beats: 4, lift: [0.03, 0.03, 0.03, 0.03] }),
    easier: rep("side", [tuckedFours, hoverLow, hoverLow], { beats: 3, props: [widePad()] }),
  },
  "goblet-pry": {
    standard: rep("front", [goblet(0.09), goblet(-0.09)], {
      props: [
        {
          ...weight("sternum"),
          from: { of: "sternum", off: [0.14, -0.02, -0.06] },
          to: { of: "sternum", off: [0.14, -0.02, 0.06] },
        } as never,
      ],
    }),
    easier: rep(
      "front",
      [
        goblet(0.06, { at: [-0.22, 0.36, 0.06], arms: grip(0.46, 0.82, 0.34) }),
        goblet(-0.06, { at: [-0.22, 0.36, -0.06], arms: grip(0.46, 0.82, 0.34) }),
      ],
      { props: [support(0.5, 0.36, 0.9), support(0.5, -0.36, 0.9)] },
    ),
  },
  "squat-free": {
    standard: rep("side", [
      standing({ arms: arm(84, 20, 10), legs: foot(0, 0.18, { out: 16 }) }),
      squat({ at: [-0.26, 0.36, 0], legs: foot(0, 0.18, { out: 16, pole: [1, 0.3, 0.4] }), arms: arm(84, 96, 4) }),
    ]),
    easier: rep(
      "side",
      [
        standing({ arms: arm(84, 20, 10), legs: foot(0.16, 0.17, { out: 12 }) }),
        standing({
          at: [-0.24, 0.56, 0],
          tilt: 24,
          lu: [4, 0, 0],
          legs: foot(0.16, 0.17, { out: 12 }),
          arms: arm(84, 90, 4),
        }),
      ],
      { props: [{ shape: "box", piece: "chair", at: [-0.34, 0, 0], size: [0.4, 0.45, 0.45] }] },
    ),
    harder: rep("side", [
      standing({ arms: arm(80, 170), legs: foot(0, 0.18, { out: 16 }) }),
      squat({
        at: [-0.26, 0.33, 0],
        tilt: 28,
        lu: [20, 0, 0],
        th: [-4, 0, 0],
        legs: foot(0, 0.18, { out: 16, pole: [1, 0.3, 0.4] }),
        arms: arm(76, 172),
      }),
    ]),
  },
  "lunge-three-ways": {
    standard: rep(
      "three-quarter",
      [
        standing(),
        split({
          at: [0.36, 0.6, 0],
          rl: foot(0.74, 0.13),
          ll: foot(0, -0.13, { heel: 52 }),
          tilt: 4,
          arms: arm(84, 60, 30),
        }),
        standing(),
        standing({
          at: [-0.18, 0.6, 0.42],
          tilt: 32,
          lu: [6, 0, 0],
          ll: foot(0, -0.13),
          rl: foot(0, 0.68, { out: 12, pole: [1, 0.3, 0.25] }),
          arms: arm(84, 60, 30),
        }),
        standing(),
        split({
          at: [-0.12, 0.58, 0],
          tilt: 6,
          ll: foot(0, -0.13),
          rl: foot(-0.7, 0.13, { heel: 54 }),
          arms: arm(84, 60, 30),
        }),
      ],
      { lift: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05], beats: 6 },
    ),
    easier: rep(
      "three-quarter",
      [
        standing({ la: grip(0.2, 1, -0.45) }),
        split({
          at: [0.26, 0.74, 0],
          rl: foot(0.52, 0.13),
          ll: foot(0, -0.13, { heel: 34 }),
          tilt: 4,
          la: grip(0.2, 1, -0.45),
        }),
        standing({ la: grip(0.2, 1, -0.45) }),
        standing({
          at: [-0.12, 0.72, 0.28],
          tilt: 24,
          ll: foot(0, -0.13),
          rl: foot(0, 0.52, { out: 12, pole: [1, 0.3, 0.25] }),
          la: grip(0.2, 1, -0.45),
        }),
        standing({ la: grip(0.2, 1, -0.45) }),
        split({
          at: [-0.1, 0.72, 0],
          tilt: 6,
          ll: foot(0, -0.13),
          rl: foot(-0.5, 0.13, { heel: 40 }),
          la: grip(0.2, 1, -0.45),
        }),
      ],
      { lift: [0.05, 0.05, 0.05, 0.05, 0.05, 0.05], beats: 6, props: [support(0.2, -0.45, 1)] },
    ),
  },
  "squat-walk": {
    standard: rep(
      "side",
      [
        kneel({
          ...walkHands,
          rl: foot(-0.1, 0.17, { heel: 26, pole: [1, 0.2, 0.3] }),
          ll: foot(0.14, -0.17, { pole: [1, 0.2, -0.3] }),
        }),
        kneel({
          ...walkHands,
          rl: foot(0.14, 0.17, { pole: [1, 0.2, 0.3] }),
          ll: foot(-0.1, -0.17, { heel: 26, pole: [1, 0.2, -0.3] }),
        }),
      ],
      { lift: [0.05, 0.05] },
    ),
    easier: rep(
      "side",
      [
        kneel({ at: [-0.14, 0.56, 0], ...walkHands, rl: foot(-0.14, 0.17, { heel: 20 }), ll: foot(0.16, -0.17) }),
        kneel({ at: [-0.14, 0.56, 0], ...walkHands, rl: foot(0.16, 0.17), ll: foot(-0.14, -0.17, { heel: 20 }) }),
      ],
      { lift: [0.02, 0.02] },
    ),
  },
  "stick-squat-pry": {
    standard: rep(
      "three-quarter",
      [
        kneel({
          legs: foot(0, 0.24, { out: 26, pole: [1, 0.3, 0.6] }),
          ra: on("right.knee", [0.02, 0.07, -0.1]),
          la: on("left.knee", [0.02, 0.07, 0.1]),
        }),
        kneel({
          legs: foot(0, 0.24, { out: 26, pole: [1, 0.3, 0.8] }),
          th: [2, 0, 36],
          lu: [18, 0, 6],
          nk: [0, 0, 40],
          la: on("right.knee", [-0.06, 0.04, -0.1]),
          ra: aim([-0.1, 0.3, 0.95]),
        }),
      ],
      { props: [stick(0.1)] },
    ),
    easier: rep(
      "three-quarter",
      [
        wedged({ legs: wideWedge, ra: on("right.knee", [0.08, 0.06, -0.1]), la: on("left.knee", [0.06, 0.06, 0.1]) }),
        wedged({
          legs: wideWedge,
          th: [2, 0, 32],
          lu: [18, 0, 6],
          nk: [0, 0, 34],
          la: on("right.knee", [-0.06, 0.04, -0.1]),
          ra: aim([-0.1, 0.3, 0.95]),
        }),
      ],
      { props: [stick(0.1), wedge(-0.06, 0)] },
    ),
  },
};
