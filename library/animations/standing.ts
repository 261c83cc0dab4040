import type { Prop } from "~/core/figure/animation";
import { gait, upright } from "./gaits";
import {
  aim,
  aimRoom,
  arm,
  band,
  barbell,
  chair,
  chairSit,
  flat,
  foot,
  grip,
  on,
  rep,
  split,
  squat,
  standing,
  stick,
  support,
  swap,
  wall,
  weight,
  hold,
  type Change,
  type MotionSet,
} from "./poses";

// Trunk and hips

const HANDS_ON_HIPS: Change = { ra: on("pelvis", [0.02, 0.1, 0.17]), la: on("pelvis", [0.02, 0.1, -0.17]) };
const sideReach = (by: number, c: Change = {}) =>
  upright({
    at: [0, 0.915, 0.03],
    legs: foot(0, 0.16, { out: 5 }),
    side: by * 0.15,
    lu: [0, -by, 0],
    th: [0, -by * 1.35, 0],
    nk: [0, -by * 0.5, 0],
    ra: arm(14, 166, 6),
    la: aim([0.1, -0.99, -0.1]),
    ...c,
  });
const leanBack = (by: number, c: Change = {}) =>
  upright({
    at: [by * 0.005, 0.91, 0],
    tilt: -by * 0.35,
    lu: [-by, 0, 0],
    th: [-by * 0.7, 0, 0],
    nk: [-by * 0.6, 0, 0],
    ra: on("sacrum", [-0.02, 0.04, 0.1]),
    la: on("sacrum", [-0.02, 0.04, -0.1]),
    ...c,
  });
const swung = (c: Change = {}) =>
  upright({
    at: [0, 0.9, 0],
    legs: foot(0, 0.2, { out: 8 }),
    turn: 14,
    lu: [0, 0, 8],
    th: [0, 0, 20],
    nk: [0, 0, 6],
    ra: aim([-0.5, -0.8, 0.3], [-0.6, -0.75, -0.2]),
    la: aim([0.6, -0.75, 0.1], [0.45, -0.6, 0.65]),
    ...c,
  });
const hinged = (tilt: number, c: Change = {}) =>
  standing({
    at: [-0.17, 0.84, 0],
    tilt,
    nk: [-10, 0, 0],
    legs: foot(0, 0.13, { pole: [1, 0, 0.1] }),
    arms: arm(84, -24, 6),
    ...c,
  });
/** A stick or bar across the back of the shoulders. */
const onBack: Change = { arms: aim([-0.18, -0.86, 0.5], [0.02, 0.97, 0.22]) };
const squatFeet = foot(0, 0.19, { out: 16, pole: [1, 0.2, 0.4] });
const backSquat = (c: Change = {}) =>
  squat({
    at: [-0.24, 0.44, 0],
    tilt: 34,
    lu: [4, 0, 0],
    th: [-12, 0, 0],
    nk: [-8, 0, 0],
    legs: squatFeet,
    ...onBack,
    ...c,
  });
const backStand = (c: Change = {}) => standing({ th: [4, 0, 0], legs: foot(0, 0.19, { out: 16 }), ...onBack, ...c });
const atWall = (angle: number, blade: number, c: Change = {}) => {
  const [sin, cos] = [Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
  return standing({
    at: [-0.62 + 0.9 * sin, 0.9 * cos + 0.02, 0],
    tilt: angle,
    legs: foot(-0.62, 0.1, { heel: angle * 0.7 }),
    arms: flat(0.4, 0.21, {
      y: 1.28,
      normal: [-1, 0, 0],
      fingers: [0, 1, 0],
      pole: [-0.4, -0.6, 0.7],
      girdle: [0, blade],
    }),
    ...c,
  });
};
const post = (x: number, z: number, high = 1.15): Prop => support(x, z, high);
const bandTo = (at: [number, number, number], hand: "left" | "right"): Prop => ({
  shape: "rod",
  piece: "band",
  from: at,
  to: { of: `${hand}.palm`, off: [0, 0, 0] },
  beyond: 0,
  radius: 0.01,
});
const rowBands = [bandTo([0.86, 1.02, 0], "left"), bandTo([0.86, 1.02, 0], "right"), post(0.88, 0)];
const rowStart = (c: Change = {}) =>
  upright({ at: [-0.06, 0.9, 0], tilt: 4, arms: aimRoom([0.93, -0.3, 0.06], [0.97, -0.2, -0.08]), ...c });
const rowEnd = (c: Change = {}) =>
  upright({
    at: [-0.08, 0.9, 0],
    tilt: -2,
    th: [-5, 0, 0],
    arms: aim([-0.5, -0.82, 0.22], [0.95, -0.05, -0.12], { girdle: [0, -12] }),
    ...c,
  });

// Shoulders, standing or on a chair

const handsBehind = (x: number, y: number, c: Change = {}) =>
  upright({
    ra: on("sacrum", [x, y, 0.02]),
    la: on("sacrum", [x, y, -0.02]),
    ...c,
  });
const circle = (c: Change) => upright(c);
const blades = (girdle: [number, number], c: Change = {}) => upright({ arms: arm(30, 7, 12, 0, { girdle }), ...c });
const elbowsIn = (out: number, c: Change = {}) =>
  upright({
    arms: aim([0.04, -1, 0.06], [Math.cos((out * Math.PI) / 180), -0.02, Math.sin((out * Math.PI) / 180)]),
    ...c,
  });
const goal = aim([0.04, -0.02, 1], [0.06, 1, 0.04]);
const slidUp = aim([0.1, 0.82, 0.56], [0.06, 1, -0.08]);
const wallArms = (up: number) =>
  up === 0
    ? aimRoom([0.66, -0.68, 0.3], [0.12, 0.98, 0.06])
    : up === 1
      ? aimRoom([0.5, 0.82, 0.2], [0.1, 0.99, 0.02])
      : aimRoom([0.3, 0.94, 0.14], [-0.12, 0.98, 0.06]);
const faceWall = (up: number, c: Change = {}) =>
  split({
    at: [0.0, 0.87, 0],
    tilt: 5,
    th: [up === 2 ? -10 : 2, 0, 0],
    ll: foot(0.16, -0.12),
    rl: foot(-0.26, 0.12, { heel: 16 }),
    arms: wallArms(up),
    ...c,
  });
const RIBS: Change = {
  ra: on("waist", [0.09, 0.09, 0.1], { fingers: [0.6, 0.2, -0.7] }),
  la: on("waist", [0.09, 0.09, -0.1], { fingers: [0.6, 0.2, 0.7] }),
};
const TABLE_HIGH = 0.74;
const table = (x: number): Prop[] => [
  { shape: "box", piece: "support", at: [x, TABLE_HIGH - 0.04, 0], size: [0.6, 0.04, 1] },
  { shape: "box", piece: "support", at: [x + 0.26, 0, 0.44], size: [0.05, TABLE_HIGH - 0.04, 0.05] },
  { shape: "box", piece: "support", at: [x + 0.26, 0, -0.44], size: [0.05, TABLE_HIGH - 0.04, 0.05] },
  { shape: "box", piece: "support", at: [x - 0.26, 0, 0.44], size: [0.05, TABLE_HIGH - 0.04, 0.05] },
  { shape: "box", piece: "support", at: [x - 0.26, 0, -0.44], size: [0.05, TABLE_HIGH - 0.04, 0.05] },
];
const onTableLeft = flat(0.36, -0.18, { y: TABLE_HIGH, fingers: [1, 0, -0.1] });
const onTable = flat(0.36, 0.18, { y: TABLE_HIGH, fingers: [1, 0, 0.1] });
const longStep = (x: number, y: number, c: Change = {}) =>
  split({
    at: [x, y, 0],
    tilt: -8,
    ll: foot(0.3, -0.12, { pole: [1, 0, -0.1] }),
    rl: foot(-0.5, 0.12, { heel: 30 }),
    ra: arm(84, -6, 10),
    la: grip(0.46, TABLE_HIGH + 0.03, -0.36),
    ...c,
  });

export const standingMotions: MotionSet = {
  "standing-side-reach": {
    standard: swap("front", [sideReach(0, { ra: arm(14, 10, 8), at: [0, 0.915, 0] }), sideReach(16)], { beats: 2 }),
    easier: swap(
      "front",
      [
        sideReach(0, { ra: arm(14, 10, 8), at: [0, 0.915, 0] }),
        sideReach(16, { th: [0, -16, 0], ra: on("pelvis", [0.02, 0.1, 0.17]) }),
      ],
      { beats: 2 },
    ),
    harder: swap(
      "front",
      [
        sideReach(0, { ra: arm(14, 166, 6), la: arm(14, 166, 6), at: [0, 0.915, 0] }),
        sideReach(19, { la: arm(14, 166, 6) }),
      ],
      { beats: 2 },
    ),
  },
  "standing-lean-back": {
    standard: rep("side", [leanBack(0), leanBack(17)]),
    easier: rep("side", [leanBack(0), leanBack(15.5, { th: [-4, 0, 0], nk: [-2, 0, 0] })]),
    harder: rep("side", [
      leanBack(0, { arms: arm(84, 20, 8), ra: arm(84, 20, 8), la: arm(84, 20, 8) }),
      leanBack(19, { ra: arm(84, 160, 6), la: arm(84, 160, 6) }),
    ]),
  },
  "loose-arm-swings": {
    standard: gait(
      "three-quarter",
      [swung(), upright({ at: [0, 0.91, 0], legs: foot(0, 0.2, { out: 8 }), arms: arm(40, 16, 16) })],
      { seconds: 4.4 },
    ),
    easier: gait(
      "three-quarter",
      [
        swung({ turn: 8, lu: [0, 0, 8], th: [0, 0, 12] }),
        upright({ at: [0, 0.91, 0], legs: foot(0, 0.2, { out: 8 }), arms: arm(40, 12, 16) }),
      ],
      { seconds: 4.2 },
    ),
    harder: gait(
      "three-quarter",
      [
        swung({ turn: 26, lu: [0, 0, 8], th: [0, 0, 26], nk: [0, 0, 14], ll: foot(0, -0.2, { out: -14, heel: 26 }) }),
        upright({ at: [0, 0.91, 0], legs: foot(0, 0.2, { out: 8 }), arms: arm(40, 22, 16) }),
      ],
      { seconds: 4.4 },
    ),
  },
  "hip-hinge-arms-sweep": {
    standard: rep("side", [upright({ legs: foot(0, 0.13), arms: arm(84, 140, 6) }), hinged(58)]),
    easier: rep("side", [
      upright({ legs: foot(0, 0.13), ...HANDS_ON_HIPS }),
      hinged(42, { at: [-0.12, 0.87, 0], ...HANDS_ON_HIPS }),
    ]),
    harder: rep("side", [
      upright({ at: [0.02, 0.975, 0], legs: foot(0, 0.13, { heel: 34 }), arms: arm(84, 140, 6) }),
      hinged(72, { at: [-0.19, 0.82, 0], arms: arm(84, -30, 6) }),
    ]),
  },
  "stick-squat-pause": {
    standard: rep("three-quarter", [backStand(), backSquat(), backSquat()], {
      at: [0, 1, 2],
      beats: 3,
      props: [stick(0.18)],
    }),
    easier: rep(
      "three-quarter",
      [
        backStand(),
        backSquat({ at: [-0.24, 0.56, 0], tilt: 28, th: [-11, 0, 0] }),
        backSquat({ at: [-0.24, 0.56, 0], tilt: 28, th: [-11, 0, 0] }),
      ],
      { at: [0, 1, 2], beats: 3, props: [stick(0.18)] },
    ),
    harder: rep(
      "three-quarter",
      [
        backStand({ arms: arm(14, 158, 4), th: [2, 0, 0] }),
        backSquat({ arms: arm(14, 166, 4), tilt: 26, th: [-16, 0, 0] }),
        backSquat({ arms: arm(14, 166, 4), tilt: 26, th: [-16, 0, 0] }),
      ],
      { at: [0, 1, 2], beats: 3, props: [stick(0.12)] },
    ),
  },
  "barbell-squat-build-up": {
    standard: rep("three-quarter", [backStand(), backSquat({ at: [-0.24, 0.42, 0] })], { props: [barbell(0.5)] }),
    easier: rep("three-quarter", [backStand(), backSquat({ at: [-0.24, 0.54, 0], tilt: 30 })], {
      props: [barbell(0.5)],
    }),
    harder: rep(
      "three-quarter",
      [backStand(), backSquat({ at: [-0.24, 0.42, 0] }), backSquat({ at: [-0.24, 0.42, 0] })],
      { at: [0, 1, 2], beats: 3, props: [barbell(0.5)] },
    ),
  },
  "barbell-hinge-build-up": {
    standard: rep(
      "three-quarter",
      [standing({ arms: arm(60, 8, 2) }), hinged(64, { nk: [-24, 0, 0], arms: aimRoom([-0.04, -1, 0.05]) })],
      {
        props: [barbell(0.5)],
      },
    ),
    easier: rep(
      "three-quarter",
      [
        standing({ arms: arm(60, 8, 2) }),
        hinged(44, { at: [-0.13, 0.87, 0], nk: [-24, 0, 0], arms: aimRoom([-0.03, -1, 0.05]) }),
      ],
      { props: [barbell(0.5)] },
    ),
    harder: rep(
      "three-quarter",
      [
        standing({ arms: arm(60, 8, 2) }),
        hinged(70, { at: [-0.2, 0.74, 0], nk: [-24, 0, 0], arms: aimRoom([-0.02, -1, 0.06]) }),
        hinged(70, { at: [-0.2, 0.74, 0], nk: [-24, 0, 0], arms: aimRoom([-0.02, -1, 0.06]) }),
      ],
      { at: [0, 1, 2], beats: 3, props: [barbell(0.5)] },
    ),
  },
  "barbell-press-build-up": {
    standard: rep(
      "three-quarter",
      [
        standing({ legs: foot(0, 0.16), arms: aim([0.34, -0.92, 0.16], [0.2, 0.97, 0.06]) }),
        standing({ legs: foot(0, 0.16), arms: arm(60, 172, 4) }),
      ],
      { props: [barbell(0.4)] },
    ),
    easier: rep(
      "three-quarter",
      [
        standing({ legs: foot(0, 0.16), arms: aim([0.34, -0.92, 0.16], [0.2, 0.97, 0.06]) }),
        standing({ legs: foot(0, 0.16), arms: aim([0.62, 0.62, 0.3], [0.2, 0.97, -0.06]) }),
      ],
      { props: [barbell(0.4)] },
    ),
    harder: rep(
      "three-quarter",
      [
        standing({ legs: foot(0, 0.16), arms: aim([0.34, -0.92, 0.16], [0.2, 0.97, 0.06]) }),
        standing({
          at: [-0.06, 0.84, 0],
          tilt: 8,
          legs: foot(0, 0.16),
          arms: aim([0.34, -0.92, 0.16], [0.2, 0.97, 0.06]),
        }),
        standing({ legs: foot(0, 0.16), arms: arm(60, 174, 4) }),
      ],
      { at: [0, 1, 2], beats: 3, props: [barbell(0.4)] },
    ),
  },
  "wall-push-up": {
    standard: rep("side", [atWall(16, 12), atWall(27, -8)], { props: [wall(0.43)] }),
    easier: rep(
      "side",
      [
        atWall(10, 10, { at: [-0.18, 0.905, 0], legs: foot(-0.34, 0.1, { heel: 6 }) }),
        atWall(18, -8, { at: [-0.1, 0.88, 0], legs: foot(-0.34, 0.1, { heel: 10 }) }),
      ],
      { props: [wall(0.43)] },
    ),
    harder: rep(
      "side",
      [
        atWall(26, 10, {
          at: [-0.42, 0.82, 0],
          legs: foot(-0.86, 0.1, { heel: 20 }),
          arms: flat(0.22, 0.21, { y: TABLE_HIGH, fingers: [1, 0, 0.1] }),
        }),
        atWall(40, -8, {
          at: [-0.28, 0.7, 0],
          tilt: 46,
          legs: foot(-0.86, 0.1, { heel: 30 }),
          arms: flat(0.22, 0.21, { y: TABLE_HIGH, fingers: [1, 0, 0.1], pole: [-0.5, 0.2, 0.8] }),
        }),
      ],
      { props: table(0.44) },
    ),
  },
  "standing-band-row": {
    standard: rep("side", [rowStart(), rowEnd()], { props: rowBands }),
    easier: rep(
      "side",
      [
        rowStart({ arms: aimRoom([0.8, -0.6, 0.06], [0.97, -0.1, -0.08]) }),
        rowEnd({ arms: aim([-0.24, -0.95, 0.2], [0.98, 0.05, -0.12], { girdle: [0, -10] }) }),
      ],
      { props: rowBands },
    ),
    harder: rep(
      "side",
      [
        rowStart({
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 10 }),
          at: [-0.04, 0.86, 0],
          th: [0, 0, -14],
          nk: [0, 0, 14],
          la: aim([0.1, -0.98, -0.15], [0.9, -0.1, 0.3]),
        }),
        rowEnd({
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 10 }),
          at: [-0.04, 0.86, 0],
          th: [-5, 0, 14],
          nk: [0, 0, -14],
          la: aim([0.1, -0.98, -0.15], [0.9, -0.1, 0.3]),
        }),
      ],
      { props: [bandTo([0.86, 1.02, 0], "right"), post(0.88, 0)] },
    ),
  },
  "growing-arm-circles": {
    standard: rep(
      "three-quarter",
      [
        circle({ arms: arm(84, 6, 4) }),
        circle({ arms: arm(84, 88, 4) }),
        circle({ arms: arm(60, 162, 4) }),
        circle({ arms: arm(-8, 88, 4) }),
      ],
      { flow: "through", beats: 1, at: [0, 0.25, 0.5, 0.75], seconds: 2 },
    ),
    easier: rep(
      "three-quarter",
      [
        chairSit({ arms: arm(40, 30, 6) }),
        chairSit({ arms: arm(84, 74, 6) }),
        chairSit({ arms: arm(40, 112, 6) }),
        chairSit({ arms: arm(-4, 74, 6) }),
      ],
      { flow: "through", beats: 1, at: [0, 0.25, 0.5, 0.75], seconds: 3, props: chair(0, 0) },
    ),
    harder: rep(
      "three-quarter",
      [
        circle({ at: [-0.08, 0.84, 0], tilt: 14, legs: foot(0, 0.13), arms: arm(84, 6, 4) }),
        circle({ arms: arm(84, 92, 4) }),
        circle({ at: [0.02, 0.97, 0], legs: foot(0, 0.13, { heel: 32 }), arms: arm(60, 168, 4) }),
        circle({ arms: arm(-14, 92, 4) }),
      ],
      { flow: "through", beats: 1, at: [0, 0.25, 0.5, 0.75], seconds: 3 },
    ),
  },
  "arms-cross-and-open": {
    standard: rep("three-quarter", [
      upright({ arms: aim([0.92, 0.02, -0.38], [0.86, 0.02, -0.5]) }),
      upright({ th: [-6, 0, 0], arms: aim([-0.2, 0.04, 0.98]) }),
    ]),
    easier: rep("three-quarter", [
      upright({ arms: aim([0.74, -0.62, -0.1], [0.6, 0, -0.8]) }),
      upright({ arms: aim([0.1, -0.16, 0.98], [0.5, 0.2, 0.84], { girdle: [0, -8] }) }),
    ]),
    harder: rep("three-quarter", [
      upright({ arms: aim([0.9, 0.3, -0.32], [0.84, 0.3, -0.44]) }),
      upright({ th: [-10, 0, 0], arms: aim([-0.24, 0.42, 0.88]) }),
    ]),
  },
  "shoulder-blade-circles": {
    standard: rep("three-quarter", [blades([-8, 0]), blades([0, 20]), blades([26, 6]), blades([4, -22])], {
      flow: "through",
      beats: 1,
      at: [0, 0.25, 0.5, 0.75],
      seconds: 4,
    }),
    easier: rep(
      "three-quarter",
      [
        [-6, 0],
        [0, 16],
        [20, 4],
        [4, -16],
      ].map((girdle) => chairSit({ arms: arm(30, 20, 40, 0, { girdle: girdle as [number, number] }) })),
      { flow: "through", beats: 1, at: [0, 0.25, 0.5, 0.75], seconds: 5, props: chair(0, 0) },
    ),
    harder: rep(
      "three-quarter",
      [
        [-8, 0],
        [0, 22],
        [26, 6],
        [4, -24],
      ].map((girdle) => upright({ arms: arm(10, 88, 6, 0, { girdle: girdle as [number, number] }) })),
      { flow: "through", beats: 1, at: [0, 0.25, 0.5, 0.75], seconds: 4 },
    ),
  },
  "forearm-turn-outs": {
    standard: rep("three-quarter", [elbowsIn(-24), elbowsIn(46)]),
    easier: rep(
      "three-quarter",
      [
        chairSit({ arms: aim([0.1, -1, 0.06], [0.98, 0, -0.2]) }),
        chairSit({ arms: aim([0.1, -1, 0.06], [0.86, 0, 0.5]) }),
      ],
      { props: chair(0, 0) },
    ),
    harder: rep("three-quarter", [
      upright({ arms: aim([0.5, -0.1, 0.86], [0.94, -0.2, 0.2]) }),
      upright({ arms: aim([0.5, -0.1, 0.86], [0.3, 0.9, 0.3]) }),
    ]),
  },
  "side-arm-lifts-thumbs-up": {
    standard: rep("front", [upright({ arms: arm(24, 8, 6, -30) }), upright({ arms: arm(24, 108, 4, -40) })]),
    easier: rep("front", [chairSit({ arms: arm(30, 16, 60, -20) }), chairSit({ arms: arm(30, 80, 60, -20) })], {
      props: chair(0, 0),
    }),
    harder: rep("front", [upright({ arms: arm(24, 8, 6, -30) }), upright({ arms: arm(24, 90, 4, -40) })], {
      props: [weight("right.palm"), weight("left.palm")],
    }),
  },
  "pull-apart-three-heights": {
    standard: rep(
      "three-quarter",
      [
        upright({ arms: aim([0.97, -0.04, 0.1], undefined, { girdle: [0, 12] }) }),
        upright({ th: [-5, 0, 0], arms: aim([0.16, -0.04, 0.98], undefined, { girdle: [0, -12] }) }),
      ],
      { props: [band()] },
    ),
    easier: rep(
      "three-quarter",
      [
        upright({ arms: aim([0.9, -0.42, 0.14], undefined, { girdle: [0, 10] }) }),
        upright({ arms: aim([0.46, -0.42, 0.8], undefined, { girdle: [0, -8] }) }),
      ],
      { props: [band()] },
    ),
    harder: rep(
      "three-quarter",
      [
        split({
          at: [0, 0.87, 0],
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 16 }),
          arms: aim([0.9, 0.42, 0.12], undefined, { girdle: [0, 12] }),
        }),
        split({
          at: [0, 0.87, 0],
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 16 }),
          th: [-8, 0, 0],
          arms: aim([0.1, 0.42, 0.9], undefined, { girdle: [0, -12] }),
        }),
      ],
      { props: [band()] },
    ),
  },
  "elbow-high-turn-out": {
    standard: rep(
      "three-quarter",
      [
        upright({ ra: aim([0.6, -0.02, 0.8], [0.8, -0.55, -0.1]), la: on("pelvis", [0.12, 0.06, -0.12]) }),
        upright({ ra: aim([0.6, -0.02, 0.8], [0.3, 0.94, 0.2]), la: on("pelvis", [0.12, 0.06, -0.12]) }),
      ],
      { props: [band()] },
    ),
    easier: rep(
      "three-quarter",
      [
        upright({ ra: aim([0.06, -1, 0.1], [0.8, -0.02, -0.6]), la: aim([0.06, -1, -0.1], [0.95, -0.02, 0.25]) }),
        upright({ ra: aim([0.06, -1, 0.1], [0.76, -0.02, 0.64]), la: aim([0.06, -1, -0.1], [0.95, -0.02, 0.25]) }),
      ],
      { props: [band()] },
    ),
    harder: rep(
      "three-quarter",
      [
        split({
          at: [0, 0.87, 0],
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 16 }),
          ra: aim([0.6, -0.02, 0.8], [0.8, -0.55, -0.1]),
          la: on("pelvis", [0.12, 0.06, -0.12]),
        }),
        split({
          at: [0, 0.87, 0],
          th: [-4, 0, 8],
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 16 }),
          ra: aim([0.5, 0.1, 0.86], [0.16, 0.98, 0.16]),
          la: on("pelvis", [0.12, 0.06, -0.12]),
        }),
        split({
          at: [0, 0.87, 0],
          th: [-4, 0, 8],
          ll: foot(0.2, -0.11),
          rl: foot(-0.24, 0.11, { heel: 16 }),
          ra: aim([0.5, 0.1, 0.86], [0.16, 0.98, 0.16]),
          la: on("pelvis", [0.12, 0.06, -0.12]),
        }),
      ],
      { at: [0, 1, 2], beats: 3, props: [band()] },
    ),
  },
  "turn-in-slow-then-fast": {
    standard: rep(
      "three-quarter",
      [upright({ ra: aim([0.06, -1, 0.12], [0.5, 0, 0.86]) }), upright({ ra: aim([0.06, -1, 0.12], [0.7, 0, -0.7]) })],
      { props: [bandTo([0.08, 1.05, 0.86], "right"), post(0.08, 0.88)] },
    ),
    easier: rep(
      "three-quarter",
      [upright({ ra: aim([0.06, -1, 0.12], [0.86, 0, 0.5]) }), upright({ ra: aim([0.06, -1, 0.12], [0.86, 0, -0.5]) })],
      { props: [bandTo([0.08, 1.05, 0.86], "right"), post(0.08, 0.88)] },
    ),
    harder: rep(
      "three-quarter",
      [
        upright({ ra: aim([0.5, -0.06, 0.86], [0.2, 0.92, 0.3]) }),
        upright({ ra: aim([0.56, -0.06, 0.82], [0.94, -0.3, -0.1]) }),
      ],
      { props: [bandTo([-0.5, 1.5, 0.5], "right"), post(-0.52, 0.5, 1.6)] },
    ),
  },
  "wall-slide-and-reach": {
    standard: rep("side", [faceWall(0), faceWall(1), faceWall(2)], { at: [0, 1, 2], beats: 3, props: [wall(0.44)] }),
    easier: rep(
      "side",
      [
        faceWall(0),
        faceWall(1, { arms: aimRoom([0.82, 0.42, 0.3], [0.12, 0.98, 0.04]) }),
        faceWall(1, { arms: aimRoom([0.82, 0.42, 0.3], [0.12, 0.98, 0.04]), th: [-13, 0, 0] }),
      ],
      { at: [0, 1, 2], beats: 3, props: [wall(0.44)] },
    ),
    harder: rep(
      "side",
      [
        faceWall(0),
        faceWall(1),
        faceWall(2, { arms: aimRoom([0.16, 0.98, 0.14], [-0.3, 0.94, 0.1]), th: [-14, 0, 0] }),
      ],
      { at: [0, 1, 2], beats: 3, props: [wall(0.44)] },
    ),
  },
  "back-to-wall-arm-slides": {
    standard: rep(
      "three-quarter",
      [
        upright({ at: [0, 0.9, 0], legs: foot(0.14, 0.12), arms: goal }),
        upright({ at: [0, 0.9, 0], legs: foot(0.14, 0.12), arms: slidUp }),
      ],
      { props: [wall(-0.17, 1.6)] },
    ),
    easier: rep(
      "three-quarter",
      [
        upright({ at: [0, 0.9, 0], legs: foot(0.14, 0.12), arms: aim([0.5, -0.5, 0.7], [0.5, 0.86, 0.1]) }),
        upright({ at: [0, 0.9, 0], legs: foot(0.14, 0.12), arms: aim([0.6, 0.4, 0.7], [0.3, 0.95, 0.05]) }),
      ],
      { props: [wall(-0.17, 1.6)] },
    ),
    harder: rep(
      "three-quarter",
      [
        upright({ at: [-0.02, 0.62, 0], legs: foot(0.4, 0.13), arms: goal }),
        upright({ at: [-0.02, 0.62, 0], legs: foot(0.4, 0.13), arms: slidUp }),
      ],
      { props: [wall(-0.17, 1.6)] },
    ),
  },
  "hands-clasped-behind-lift": {
    standard: rep("side", [handsBehind(-0.06, -0.13), handsBehind(-0.25, -0.05, { th: [-16, 0, 0], nk: [4, 0, 0] })]),
    easier: rep(
      "side",
      [
        chairSit({ arms: arm(84, -16, 12) }),
        chairSit({ at: [0.06, 0.545, 0], th: [-16, 0, 0], arms: arm(84, -32, 8) }),
      ],
      { props: chair(0, 0) },
    ),
    harder: rep("side", [
      handsBehind(-0.06, -0.13),
      handsBehind(-0.34, 0.06, { tilt: 46, at: [-0.14, 0.87, 0], th: [-16, 0, 0], nk: [6, 0, 0] }),
    ]),
  },
  "long-breath-hands-on-ribs": {
    standard: rep("three-quarter", [upright(RIBS), upright({ ...RIBS, th: [-3, 0, 0] })], { seconds: 10 }),
    easier: rep("three-quarter", [chairSit(RIBS), chairSit({ ...RIBS, th: [-3, 0, 0] })], {
      seconds: 10,
      props: chair(0, 0),
    }),
    harder: rep(
      "three-quarter",
      [
        upright({ ...RIBS, at: [0, 0.9, 0], legs: foot(0, 0.16) }),
        upright({
          ...RIBS,
          at: [0, 0.9, 0],
          legs: foot(0, 0.16),
          th: [-4, 0, 0],
          ra: arm(14, 150, 8),
          la: arm(14, 150, 8),
        }),
      ],
      { seconds: 12 },
    ),
  },
  "hands-on-table-chest-drop": {
    standard: rep(
      "side",
      [
        upright({
          at: [-0.24, 0.9, 0],
          tilt: 40,
          lu: [4, 0, 0],
          legs: foot(-0.2, 0.12),
          arms: onTable,
          nk: [-6, 0, 0],
        }),
        upright({
          at: [-0.5, 0.89, 0],
          tilt: 74,
          th: [-16, 0, 0],
          legs: foot(-0.36, 0.12),
          arms: onTable,
          nk: [6, 0, 0],
        }),
      ],
      {
        props: table(0.5),
        lift: [0.04, 0.04],
      },
    ),
    easier: rep(
      "side",
      [
        upright({
          at: [-0.24, 0.9, 0],
          tilt: 14,
          th: [4, 0, 0],
          legs: foot(-0.2, 0.12),
          arms: grip(0.33, 1.02, 0.2),
        }),
        upright({
          at: [-0.42, 0.9, 0],
          tilt: 54,
          th: [-12, 0, 0],
          legs: foot(-0.28, 0.12),
          arms: grip(0.33, 1.02, 0.2),
          nk: [4, 0, 0],
        }),
      ],
      {
        props: [support(0.34, 0.2, 1.1), support(0.34, -0.2, 1.1)],
        lift: [0.04, 0.04],
      },
    ),
    harder: swap(
      "side",
      [
        upright({
          at: [-0.24, 0.9, 0],
          tilt: 40,
          lu: [4, 0, 0],
          legs: foot(-0.2, 0.12),
          arms: onTable,
          nk: [-6, 0, 0],
        }),
        upright({
          at: [-0.5, 0.89, 0],
          tilt: 78,
          th: [-18, 0, 20],
          legs: foot(-0.36, 0.12),
          la: onTableLeft,
          ra: aim([0.2, 0.3, 0.95]),
          nk: [0, 0, 20],
        }),
      ],
      { props: table(0.5), lift: [0.04, 0.04] },
    ),
  },
  "long-step-front-of-hip": {
    standard: hold("side", [longStep(-0.06, 0.82), longStep(0.06, 0.76)], { props: table(0.66) }),
    easier: hold(
      "side",
      [
        longStep(-0.04, 0.84, { rl: foot(-0.4, 0.12, { heel: 24 }) }),
        longStep(0.04, 0.81, { rl: foot(-0.4, 0.12, { heel: 24 }) }),
      ],
      { props: table(0.66) },
    ),
    harder: hold(
      "side",
      [
        longStep(-0.06, 0.8, { rl: foot(-0.58, 0.12, { heel: 34 }) }),
        longStep(0.1, 0.68, { rl: foot(-0.58, 0.12, { heel: 40 }), th: [-4, -8, 0], ra: arm(40, 166, 6) }),
      ],
      { props: table(0.66) },
    ),
  },
};
