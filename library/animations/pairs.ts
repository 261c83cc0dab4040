import { mirrorPose } from "~/core/figure/mirror";
import type { Animation, Prop } from "~/core/figure/animation";
import type { Pose } from "~/core/figure/pose";
import { upright } from "./gaits";
import {
  aim,
  arm,
  flat,
  foot,
  grip,
  hold,
  leg,
  legTo,
  on,
  rep,
  split,
  squat,
  standing,
  to,
  type Change,
  type MotionSet,
} from "./poses";

/** A partner who faces the first from so far away, in the same positions unless given their own. */
const facing = (apart: number, poses: Pose[]): { second: NonNullable<Animation["second"]> } => ({
  second: { at: [apart, 0], turn: 180, poses },
});
/** In the mirror: both go to the same side of the room. */
const mirrored = (poses: Pose[]) => poses.map(mirrorPose);

const low = (z: number, c: Change = {}) =>
  standing({
    at: [-0.08, 0.78, z],
    tilt: 22,
    nk: [-16, 0, 0],
    rl: foot(0, 0.43 + z, { out: 8, pole: [1, 0.1, 0.3] }),
    ll: foot(0, -0.43 + z, { out: 8, pole: [1, 0.1, -0.3] }),
    arms: arm(66, 44, 84),
    ...c,
  });
const shut = (z: number, c: Change = {}) =>
  low(z, { at: [-0.05, 0.97, z], tilt: 16, rl: leg(26, 3, 0, 42, 16), ll: leg(26, 3, 0, 42, 16), ...c });
const shuffle = [low(-0.16), shut(0), low(0.16), shut(0)];
const slowShuffle = [
  low(-0.12, { at: [-0.06, 0.83, -0.12], tilt: 16 }),
  low(0, { at: [-0.04, 0.87, 0], tilt: 12, rl: foot(0, 0.12), ll: foot(0, -0.12) }),
  low(0.12, { at: [-0.06, 0.83, 0.12], tilt: 16 }),
  low(0, { at: [-0.04, 0.87, 0], tilt: 12, rl: foot(0, 0.12), ll: foot(0, -0.12) }),
];
const deepShuffle = [
  low(-0.26, { at: [-0.14, 0.69, -0.26], tilt: 32, nk: [-28, 0, 0] }),
  shut(0, { at: [-0.1, 0.9, 0], tilt: 26, nk: [-26, 0, 0], rl: leg(50, 5, 0, 72, 18), ll: leg(50, 5, 0, 72, 18) }),
  low(0.26, { at: [-0.14, 0.69, 0.26], tilt: 32, nk: [-28, 0, 0] }),
  shut(0, { at: [-0.1, 0.9, 0], tilt: 26, nk: [-26, 0, 0], rl: leg(50, 5, 0, 72, 18), ll: leg(50, 5, 0, 72, 18) }),
];

const NEAR = 0.72;
const shoulderHand = grip(NEAR - 0.06, 1.4, -0.2);
const heelHeld = (bend: number, c: Change = {}) =>
  upright({
    at: [0, 0.92, -0.03],
    ll: foot(0, -0.09),
    rl: leg(-9, 2, 0, bend, -26),
    ra: on("right.ankle", [-0.03, 0.02, 0]),
    la: shoulderHand,
    ...c,
  });
const heelDown = upright({ la: shoulderHand });

const ARMS_LENGTH = 0.84;
const bothShoulders: Change = { ra: grip(ARMS_LENGTH - 0.16, 1.36, 0.24), la: grip(ARMS_LENGTH - 0.16, 1.36, -0.24) };
const swinging = (out: number, c: Change = {}) =>
  upright({
    at: [0, 0.92, -0.05],
    ll: foot(0, -0.09),
    rl: leg(out > 0 ? 4 : 18, out, 0, 8, 0),
    ...bothShoulders,
    ...c,
  });

/** From the side and above, so that both legs are seen. */
const SWING_VIEW = { around: 62, above: 16 };

const HANDS_APART = 1.36;
const held: Change = { ra: grip(HANDS_APART / 2, 1.0, 0.16), la: grip(HANDS_APART / 2, 1.0, -0.16) };
const pulledTall = (c: Change = {}) =>
  standing({ at: [-0.02, 0.91, 0], legs: foot(0.02, 0.17, { out: 12 }), ...held, ...c });
const pulledDeep = (y: number, c: Change = {}) =>
  squat({
    at: [-0.3, y, 0],
    tilt: 18,
    lu: [8, 0, 0],
    th: [2, 0, 0],
    nk: [-8, 0, 0],
    legs: foot(0.02, 0.19, { out: 16, pole: [1, 0.2, 0.4] }),
    ra: grip(HANDS_APART / 2, 0.86, 0.16),
    la: grip(HANDS_APART / 2, 0.86, -0.16),
    ...c,
  });

const ROW_APART = 1.5;
const arms = (far: boolean): Change =>
  far
    ? { ra: grip(0.6, 1.08, 0.14, { fingers: [1, 0, 0] }), la: grip(0.6, 1.08, -0.14, { fingers: [1, 0, 0] }) }
    : {
        ra: grip(0.22, 1.06, 0.2, { fingers: [1, 0, 0], pole: [-0.8, -0.5, 0.4] }),
        la: grip(0.22, 1.06, -0.2, { fingers: [1, 0, 0], pole: [-0.8, -0.5, -0.4] }),
      };
const rowing = (far: boolean, c: Change = {}) =>
  split({
    at: [-0.1, 0.9, 0],
    tilt: far ? 4 : -4,
    ll: foot(0.18, -0.12),
    rl: foot(-0.3, 0.12, { heel: 6 }),
    ...arms(far),
    ...c,
  });
const towel = (hand: "left" | "right", long: number): Prop => ({
  shape: "rod",
  piece: "strap",
  from: { of: `${hand}.palm`, off: [0, 0, 0] },
  to: { of: `${hand}.palm`, off: [long, 0, 0] },
  beyond: 0,
  radius: 0.014,
});
const towels = [towel("left", 0.66), towel("right", 0.66)];

const leanOn = (c: Change = {}) =>
  standing({
    at: [-0.34, 0.84, -0.02],
    tilt: 34,
    nk: [-16, 0, 0],
    ra: grip(0.42, 1.34, 0.2),
    la: grip(0.42, 1.34, -0.2),
    ll: foot(-0.78, -0.09, { heel: 26 }),
    rl: leg(98, 3, 0, 98, 6),
    ...c,
  });
const braced = (c: Change = {}) =>
  split({
    at: [0.02, 0.84, 0],
    tilt: 10,
    ll: foot(0.24, -0.12),
    rl: foot(-0.34, 0.12, { heel: 12 }),
    ra: grip(0.5, 1.22, 0.2),
    la: grip(0.5, 1.22, -0.2),
    ...c,
  });

const BACKS = -0.46;
const turned = (by: number, c: Change = {}) => {
  const way = Math.sign(by);
  return upright({
    at: [0, 0.9, 0],
    legs: foot(0, 0.18, { out: 6 }),
    lu: [0, 0, by * 0.16],
    th: [0, 0, by * 0.84],
    nk: [0, 0, by * 0.5],
    ra: by === 0 ? aim([0.6, -0.76, -0.1], [0.8, 0.1, -0.5]) : grip(-0.16, 1.16, way * 0.5 + 0.05),
    la: by === 0 ? aim([0.6, -0.76, 0.1], [0.8, 0.1, 0.5]) : grip(-0.16, 1.16, way * 0.5 - 0.05),
    ...c,
  });
};
const backTurns = (by: number) => [turned(0), turned(by), turned(0), turned(-by)];

const FOREARMS_APART = 1.12;
const crossedLeg = (y: number, c: Change = {}) =>
  standing({
    at: [-0.2, y, -0.06],
    tilt: 22,
    nk: [-10, 0, 0],
    ll: foot(0, -0.08, { pole: [1, 0.1, -0.1] }),
    rl: legTo([0.62, -0.1, 0.78], [0.3, -0.26, -0.92], 0),
    ra: grip(FOREARMS_APART / 2, 1.04, 0.17),
    la: grip(FOREARMS_APART / 2, 1.04, -0.17),
    ...c,
  });
const onBoth = standing({
  at: [-0.04, 0.91, 0],
  ra: grip(FOREARMS_APART / 2, 1.1, 0.17),
  la: grip(FOREARMS_APART / 2, 1.1, -0.17),
});

const PALMS_APART = 1.0;
const palm = (z: number) =>
  flat(PALMS_APART / 2, z, { y: 1.36, normal: [-1, 0, 0], fingers: [0, 1, 0], pole: [-0.3, -1, z > 0 ? 0.5 : -0.5] });
const balanced = (lean: number, c: Change = {}) =>
  upright({
    at: [-0.04 + lean, 0.9, -0.05],
    tilt: lean * 60,
    ll: foot(0, -0.09, { pole: [1, 0.05, 0] }),
    rl: leg(34, 5, 0, 66, 0),
    ra: palm(0.17),
    la: palm(-0.17),
    ...c,
  });

export const pairMotions: MotionSet = {
  "pair-mirror-shuffle": {
    standard: rep("three-quarter", shuffle, { seconds: 1.5, ...facing(1.5, mirrored(shuffle)) }),
    easier: rep("three-quarter", slowShuffle, {
      seconds: 2.6,
      lift: [0.03, 0.03, 0.03, 0.03],
      ...facing(1.5, mirrored(slowShuffle)),
    }),
    harder: rep("three-quarter", deepShuffle, { seconds: 1.3, ...facing(1.5, mirrored(deepShuffle)) }),
  },
  "pair-heel-to-seat-hold": {
    standard: hold("side", [heelDown, heelHeld(135)], facing(NEAR, [heelDown, heelHeld(135)])),
    easier: hold(
      "side",
      [heelDown, heelHeld(112, { rl: leg(2, 2, 0, 100, -16), ra: arm(84, -16, 12) })],
      facing(NEAR, [heelDown, heelHeld(112, { rl: leg(2, 2, 0, 100, -16), ra: arm(84, -16, 12) })]),
    ),
    harder: hold(
      "side",
      [heelDown, heelHeld(136, { rl: leg(-14, 2, 0, 134, -28) })],
      facing(NEAR, [heelDown, heelHeld(136, { rl: leg(-14, 2, 0, 134, -28) })]),
    ),
  },
  "pair-leg-swings": {
    standard: rep(SWING_VIEW, [swinging(38), swinging(-20)], facing(ARMS_LENGTH, [swinging(38), swinging(-20)])),
    easier: rep(SWING_VIEW, [swinging(24), swinging(-10)], facing(ARMS_LENGTH, [swinging(24), swinging(-10)])),
    harder: rep(SWING_VIEW, [swinging(44), swinging(-26)], facing(ARMS_LENGTH, [swinging(44), swinging(-26)])),
  },
  "pair-counterweight-squat": {
    standard: rep("side", [pulledTall(), pulledDeep(0.42), pulledDeep(0.42)], {
      at: [0, 1, 2],
      beats: 3,
      ...facing(HANDS_APART, [pulledTall(), pulledDeep(0.42), pulledDeep(0.42)]),
    }),
    easier: rep(
      "side",
      [
        pulledTall(),
        pulledDeep(0.6, { at: [-0.24, 0.6, 0], tilt: 16 }),
        pulledDeep(0.6, { at: [-0.24, 0.6, 0], tilt: 16 }),
      ],
      {
        at: [0, 1, 2],
        beats: 3,
        ...facing(HANDS_APART, [
          pulledTall(),
          pulledDeep(0.6, { at: [-0.24, 0.6, 0], tilt: 16 }),
          pulledDeep(0.6, { at: [-0.24, 0.6, 0], tilt: 16 }),
        ]),
      },
    ),
    harder: rep("side", [pulledTall(), pulledDeep(0.38), pulledDeep(0.38)], {
      at: [0, 1, 2],
      beats: 3,
      ...facing(HANDS_APART, [pulledTall(), pulledDeep(0.38), pulledDeep(0.38)]),
    }),
  },
  "pair-towel-row": {
    standard: rep("side", [rowing(true), rowing(false)], {
      props: towels,
      ...facing(ROW_APART, [rowing(false), rowing(true)]),
    }),
    easier: rep("side", [rowing(true, { at: [-0.06, 0.88, 0] }), rowing(false, { at: [-0.06, 0.88, 0], tilt: 0 })], {
      props: towels,
      ...facing(ROW_APART - 0.08, [
        rowing(false, { at: [-0.06, 0.88, 0], tilt: 0 }),
        rowing(true, { at: [-0.06, 0.88, 0] }),
      ]),
    }),
    harder: rep("side", [rowing(true, { at: [-0.17, 0.81, 0] }), rowing(false, { at: [-0.18, 0.79, 0], tilt: -2 })], {
      props: towels,
      ...facing(ROW_APART, [rowing(false, { at: [-0.18, 0.79, 0], tilt: -2 }), rowing(true, { at: [-0.17, 0.81, 0] })]),
    }),
  },
  "pair-lean-march": {
    standard: rep("side", [leanOn(), mirrorPose(leanOn())], {
      beats: 2,
      seconds: 2,
      ...facing(0.62, [braced(), braced()]),
    }),
    easier: rep(
      "side",
      [
        leanOn({ at: [-0.16, 0.88, -0.02], tilt: 18, ll: foot(-0.42, -0.09, { heel: 12 }), rl: leg(62, 3, 0, 72, 4) }),
        mirrorPose(
          leanOn({
            at: [-0.16, 0.88, -0.02],
            tilt: 18,
            ll: foot(-0.42, -0.09, { heel: 12 }),
            rl: leg(62, 3, 0, 72, 4),
          }),
        ),
      ],
      { beats: 2, seconds: 2, ...facing(0.62, [braced(), braced()]) },
    ),
    harder: rep("side", [leanOn(), mirrorPose(leanOn()), leanOn(), mirrorPose(leanOn())], {
      beats: 2,
      at: [0, 0.4, 0.8, 1.4],
      seconds: 2,
      ...facing(0.62, [braced(), braced(), braced(), braced()]),
    }),
  },
  "pair-back-to-back-turns": {
    standard: rep("three-quarter", backTurns(32), {
      beats: 4,
      second: { at: [BACKS, 0], turn: 180, poses: mirrored(backTurns(32)) },
    }),
    easier: rep("three-quarter", backTurns(22), {
      beats: 4,
      second: { at: [BACKS, 0], turn: 180, poses: mirrored(backTurns(22)) },
    }),
    harder: rep(
      "three-quarter",
      backTurns(36).map((p, i) => (i % 2 ? to(p, { at: [-0.04, 0.8, 0] }) : p)),
      {
        beats: 4,
        second: {
          at: [BACKS, 0],
          turn: 180,
          poses: mirrored(backTurns(36).map((p, i) => (i % 2 ? to(p, { at: [-0.04, 0.8, 0] }) : p))),
        },
      },
    ),
  },
  "pair-ankle-over-thigh": {
    standard: hold("three-quarter", [onBoth, crossedLeg(0.72)], {
      lift: [0, 0.05],
      ...facing(FOREARMS_APART, [onBoth, crossedLeg(0.72)]),
    }),
    easier: hold("three-quarter", [onBoth, crossedLeg(0.82, { tilt: 12, at: [-0.12, 0.82, -0.06] })], {
      lift: [0, 0.05],
      ...facing(FOREARMS_APART, [onBoth, crossedLeg(0.82, { tilt: 12, at: [-0.12, 0.82, -0.06] })]),
    }),
    harder: hold("three-quarter", [onBoth, crossedLeg(0.62, { at: [-0.26, 0.62, -0.06], tilt: 26 })], {
      lift: [0, 0.05],
      ...facing(FOREARMS_APART, [onBoth, crossedLeg(0.62, { at: [-0.26, 0.62, -0.06], tilt: 26 })]),
    }),
  },
  "pair-balance-pushes": {
    standard: rep("side", [balanced(0), balanced(0.06), balanced(0), balanced(-0.06)], {
      seconds: 4,
      ...facing(PALMS_APART, [balanced(0), balanced(-0.06), balanced(0), balanced(0.06)]),
    }),
    easier: rep(
      "side",
      [0, 0.05, 0, -0.05].map((lean) =>
        balanced(lean, { at: [-0.04 + lean, 0.88, 0], ll: foot(0.1, -0.11), rl: foot(-0.16, 0.11) }),
      ),
      {
        seconds: 4,
        ...facing(
          PALMS_APART,
          [0, -0.05, 0, 0.05].map((lean) =>
            balanced(lean, { at: [-0.04 + lean, 0.88, 0], ll: foot(0.1, -0.11), rl: foot(-0.16, 0.11) }),
          ),
        ),
      },
    ),
    harder: rep(
      "side",
      [0, 0.07, 0, -0.07].map((lean) => balanced(lean, { at: [-0.1 + lean, 0.82, -0.05], tilt: 14 })),
      {
        seconds: 3.4,
        ...facing(
          PALMS_APART,
          [0, -0.07, 0, 0.07].map((lean) => balanced(lean, { at: [-0.1 + lean, 0.82, -0.05], tilt: 14 })),
        ),
      },
    ),
  },
};
