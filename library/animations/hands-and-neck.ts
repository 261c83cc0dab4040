import { upright } from "./gaits";
import {
  aim,
  arm,
  chair,
  chairSit,
  flat,
  handsKnees,
  HEAD_AND_SHOULDERS,
  hold,
  hookLying,
  on,
  rep,
  widePad,
  type Change,
  type MotionSet,
} from "./poses";
import type { PointName } from "~/core/figure/points";
import type { SpinePart } from "~/core/figure/pose";

// Hands

const HANDS: PointName[] = [
  "left.shoulder",
  "right.shoulder",
  "left.fingers",
  "right.fingers",
  "left.elbow",
  "right.elbow",
  "head",
];
const forearms = (wrist: number) => aim([0.3, -0.92, 0.25], [0.97, 0.1, -0.1], { wrist });
const bentWrists = (wrist: number, c: Change = {}) => upright({ arms: forearms(wrist), ...c });
const onChair = (wrist: number, c: Change = {}) => chairSit({ arms: forearms(wrist), ...c });
/** The hands before the breastbone, palm to palm: 0 as high as the chin, 1 at the waist, the forearms level. */
const palms = (low: number, wrist: number) =>
  aim([0.42, -0.9 + 0.05 * low, 0.12], [0.42 - 0.1 * low, 0.66 - 0.74 * low, -0.64 - 0.3 * low], {
    wrist,
    pronation: 40,
  });
/** Back to back, the fingers down. */
const backs = (up: number, wrist: number) =>
  aim([0.45, -0.86 + 0.12 * up, 0.16 + 0.12 * up], [0.34, -0.34 + 0.46 * up, -0.88], { wrist, pronation: 40 });
const LONG: [number, number, number] = [0.62, -0.6, -0.4];
const armLong = (wrist: number, c: Change = {}) =>
  upright({ ra: aim(LONG, LONG, { wrist, pronation: 70 }), la: on("right.palm", [0.03, -0.02, 0]), ...c });
const armLongSitting = (wrist: number) =>
  chairSit({ ra: aim(LONG, LONG, { wrist, pronation: 70 }), la: on("right.palm", [0.03, -0.02, 0]) });
const reaching = (wrist: number, c: Change = {}) =>
  upright({ arms: aim([0.97, -0.12, 0.14], [0.98, -0.1, 0.04], { wrist }), ...c });

// Neck

const head = (nk: SpinePart, c: Change = {}) => upright({ nk, ...c });
const headOnChair = (nk: SpinePart, c: Change = {}) => chairSit({ nk, ...c });
const hipsHands: Change = { ra: on("pelvis", [0.02, 0.1, 0.17]), la: on("pelvis", [0.02, 0.1, -0.17]) };
const close = { focus: HEAD_AND_SHOULDERS };
const forehead = on("nose", [0.02, 0.07, 0.01], { pole: [0.5, -0.4, 0.8] });
const backOfHead = on("head", [-0.08, 0.03, 0.06], { pole: [0.6, 0.5, 0.7] });
const sideHand = on("head", [0, 0.02, 0.1], { pole: [0.2, -0.3, 1] });
const otherSideHand = on("head", [0, 0.02, -0.1], { pole: [0.2, -0.3, -1] });

export const handsAndNeckMotions: MotionSet = {
  "fist-circles": {
    standard: rep("three-quarter", [bentWrists(44), bentWrists(0), bentWrists(-44), bentWrists(0)], {
      flow: "through",
      beats: 1,
      at: [0, 0.25, 0.5, 0.75],
      seconds: 3,
      focus: HANDS,
    }),
    easier: rep("three-quarter", [onChair(32), onChair(0), onChair(-32), onChair(0)], {
      flow: "through",
      beats: 1,
      at: [0, 0.25, 0.5, 0.75],
      seconds: 4,
      props: chair(0, 0),
    }),
    harder: rep("three-quarter", [reaching(52), reaching(0), reaching(-52), reaching(0)], {
      flow: "through",
      beats: 1,
      at: [0, 0.25, 0.5, 0.75],
      seconds: 3,
      focus: HANDS,
    }),
  },
  "slow-hand-waves": {
    standard: rep("three-quarter", [reaching(56), reaching(-50)], { focus: HANDS }),
    easier: rep("three-quarter", [onChair(46), onChair(-40)], { props: chair(0, 0) }),
    harder: rep("three-quarter", [reaching(70), reaching(70), reaching(-64), reaching(-64)], {
      beats: 2,
      at: [0, 0.5, 1, 1.5],
      focus: HANDS,
    }),
  },
  "palms-together-lower": {
    standard: rep("front", [upright({ arms: palms(0, 24) }), upright({ arms: palms(0.85, 64) })], { focus: HANDS }),
    easier: rep("front", [chairSit({ arms: palms(0, 20) }), chairSit({ arms: palms(0.5, 44) })], {
      props: chair(0, 0),
    }),
    harder: rep(
      "front",
      [upright({ arms: palms(0, 24) }), upright({ arms: palms(1.05, 76) }), upright({ arms: palms(1.05, 76) })],
      { at: [0, 1, 2], beats: 3, focus: HANDS },
    ),
  },
  "backs-of-hands-lift": {
    standard: rep("front", [upright({ arms: backs(0, -36) }), upright({ arms: backs(0.8, -64) })], { focus: HANDS }),
    easier: rep("front", [chairSit({ arms: backs(0, -26) }), chairSit({ arms: backs(0.5, -46) })], {
      props: chair(0, 0),
    }),
    harder: rep(
      "front",
      [upright({ arms: backs(0, -36) }), upright({ arms: backs(1.1, -76) }), upright({ arms: backs(1.1, -76) })],
      { at: [0, 1, 2], beats: 3, focus: HANDS },
    ),
  },
  "all-fours-wrist-rock": {
    standard: rep("side", [handsKnees(), handsKnees({ at: [0.13, null, 0], tilt: 76 })], { props: [widePad()] }),
    easier: rep("side", [handsKnees({ at: [-0.1, null, 0], tilt: 78 }), handsKnees({ at: [0, null, 0] })], {
      props: [widePad()],
    }),
    harder: rep(
      "side",
      [
        handsKnees({ at: [0.13, null, 0], tilt: 76, arms: flat(0.5, 0.2, { fingers: [-0.96, 0, 0.28] }) }),
        handsKnees({ at: [0.05, null, 0], tilt: 77, arms: flat(0.5, 0.2, { fingers: [-0.96, 0, 0.28] }) }),
      ],
      { props: [widePad()] },
    ),
  },
  "arm-long-fingers-up": {
    standard: hold("side", [armLong(20), armLong(66)], { focus: HANDS }),
    easier: hold("side", [armLongSitting(10), armLongSitting(46)], { props: chair(0, 0) }),
    harder: hold("side", [armLong(20), armLong(78)], { focus: HANDS }),
  },
  "arm-long-fingers-down": {
    standard: hold("side", [armLong(-10), armLong(-62)], { focus: HANDS }),
    easier: hold("side", [armLongSitting(-10), armLongSitting(-44)], { props: chair(0, 0) }),
    harder: hold("side", [armLong(-10), armLong(-76)], { focus: HANDS }),
  },
  "nod-and-slide-back": {
    standard: rep(
      "side",
      [head([-4, 0, 0]), head([16, 0, 0], { by: [-0.01, 0, 0] }), head([16, 0, 0], { by: [-0.01, 0, 0] })],
      { at: [0, 0.9, 1.1], beats: 2, ...close },
    ),
    easier: rep("side", [headOnChair([-4, 0, 0]), headOnChair([13, 0, 0]), headOnChair([13, 0, 0])], {
      at: [0, 0.9, 1.1],
      beats: 2,
      props: chair(0, 0),
    }),
    harder: rep(
      "side",
      [head([-4, 0, 0], { ra: forehead }), head([16, 0, 0], { ra: forehead }), head([16, 0, 0], { ra: forehead })],
      { at: [0, 0.9, 1.1], beats: 2, ...close },
    ),
  },
  "look-up-chest-tall": {
    standard: rep("side", [head([6, 0, 0]), head([-22, 0, 0], { th: [-6, 0, 0] })], close),
    easier: rep("side", [headOnChair([6, 0, 0]), headOnChair([-14, 0, 0], { th: [-4, 0, 0] })], { props: chair(0, 0) }),
    harder: rep("side", [head([6, 0, 0], hipsHands), head([-24, 0, 0], { ...hipsHands, th: [-12, 0, 0] })], {}),
  },
  "slow-nods": {
    standard: rep("side", [head([24, 0, 0]), head([-24, 0, 0])], close),
    easier: rep("side", [headOnChair([18, 0, 0]), headOnChair([-14, 0, 0])], { props: chair(0, 0) }),
    harder: rep("side", [head([30, 0, 0]), head([30, 0, 0]), head([-24, 0, 0]), head([-24, 0, 0])], {
      beats: 2,
      at: [0, 0.5, 1, 1.5],
      ...close,
    }),
  },
  "side-neck-tip": {
    standard: hold(
      "front",
      [head([0, 0, 0]), head([0, -26, 0], { ra: arm(10, 12, 4, 0, { girdle: [-8, 0] }) })],
      close,
    ),
    easier: hold("front", [headOnChair([0, 0, 0]), headOnChair([0, -18, 0])], { props: chair(0, 0) }),
    harder: hold(
      "front",
      [head([0, 0, 0]), head([4, -32, 0], { ra: arm(10, 16, 4, 0, { girdle: [-12, 0], wrist: 30 }) })],
      close,
    ),
  },
  "ear-to-shoulder": {
    standard: rep("front", [head([0, 0, 0]), head([0, 24, 0]), head([0, 0, 0]), head([0, -24, 0])], {
      beats: 4,
      ...close,
    }),
    easier: rep(
      "front",
      [headOnChair([0, 0, 0]), headOnChair([0, 16, 0]), headOnChair([0, 0, 0]), headOnChair([0, -16, 0])],
      { beats: 4, props: chair(0, 0) },
    ),
    harder: rep(
      "front",
      [
        head([0, 0, 0]),
        head([0, 28, 0], { la: arm(10, 16, 4, 0, { girdle: [-10, 0] }) }),
        head([0, 0, 0]),
        head([0, -28, 0], { ra: arm(10, 16, 4, 0, { girdle: [-10, 0] }) }),
      ],
      { beats: 4, ...close },
    ),
  },
  "neck-half-circles": {
    standard: rep("front", [head([4, 22, 0]), head([24, 0, 0]), head([4, -22, 0]), head([24, 0, 0])], {
      beats: 4,
      ...close,
    }),
    easier: rep(
      "front",
      [headOnChair([2, 15, 0]), headOnChair([20, 0, 0]), headOnChair([2, -15, 0]), headOnChair([20, 0, 0])],
      { beats: 4, props: chair(0, 0) },
    ),
    harder: rep("front", [head([2, 26, 14]), head([30, 0, 0]), head([2, -26, -14]), head([30, 0, 0])], {
      beats: 4,
      ...close,
    }),
  },
  "look-to-the-armpit": {
    standard: hold("three-quarter", [head([0, 0, 0]), head([22, 0, 36])], close),
    easier: hold("three-quarter", [headOnChair([0, 0, 0]), headOnChair([17, 0, 26])], { props: chair(0, 0) }),
    harder: hold(
      "three-quarter",
      [head([0, 0, 0]), head([28, 0, 40], { ra: on("crown", [-0.06, -0.02, 0.02]) })],
      close,
    ),
  },
  "look-over-each-shoulder": {
    standard: rep("front", [head([0, 0, 0]), head([0, 0, 48]), head([0, 0, 0]), head([0, 0, -48])], {
      beats: 4,
      ...close,
    }),
    easier: rep(
      "front",
      [headOnChair([0, 0, 0]), headOnChair([0, 0, 38]), headOnChair([0, 0, 0]), headOnChair([0, 0, -38])],
      { beats: 4, props: chair(0, 0) },
    ),
    harder: rep(
      "front",
      [head([0, 0, 0]), head([0, 0, 54], { th: [0, 0, 20] }), head([0, 0, 0]), head([0, 0, -54], { th: [0, 0, -20] })],
      { beats: 4, ...close },
    ),
  },
  "look-up-to-the-corner": {
    standard: rep(
      "front",
      [
        head([0, 0, 0]),
        head([-22, 0, 34], { th: [-4, 0, 0] }),
        head([0, 0, 0]),
        head([-22, 0, -34], { th: [-4, 0, 0] }),
      ],
      { beats: 4, ...close },
    ),
    easier: rep(
      "front",
      [headOnChair([0, 0, 0]), headOnChair([-17, 0, 24]), headOnChair([0, 0, 0]), headOnChair([-17, 0, -24])],
      { beats: 4, props: chair(0, 0) },
    ),
    harder: rep(
      "front",
      [
        head([0, 0, 0]),
        head([-24, 0, 40], { th: [-8, 0, 14], ra: arm(30, 20, 6) }),
        head([0, 0, 0]),
        head([-24, 0, -40], { th: [-8, 0, -14] }),
      ],
      { beats: 4, ...close },
    ),
  },
  "hand-resisted-neck": {
    standard: rep(
      "three-quarter",
      [
        head([8, 0, 0], { ra: forehead }),
        head([-8, 0, 0], { ra: backOfHead }),
        head([0, 8, 0], { ra: sideHand }),
        head([0, -8, 0], { la: otherSideHand }),
      ],
      { beats: 4, focus: HANDS },
    ),
    easier: rep(
      "three-quarter",
      [
        headOnChair([8, 0, 0], { ra: forehead }),
        headOnChair([-8, 0, 0], { ra: backOfHead }),
        headOnChair([0, 8, 0], { ra: sideHand }),
        headOnChair([0, -8, 0], { la: otherSideHand }),
      ],
      { beats: 4, props: chair(0, 0) },
    ),
    harder: rep(
      "three-quarter",
      [
        head([10, 0, 0], { arms: on("nose", [0.02, 0.07, 0.04], { pole: [0.5, -0.4, 0.8] }) }),
        head([-10, 0, 0], { arms: on("head", [-0.07, 0.03, 0.08], { pole: [0.7, 0.5, 0.6] }) }),
        head([0, 10, 0], { ra: sideHand }),
        head([0, -10, 0], { la: otherSideHand }),
      ],
      { beats: 4, focus: HANDS },
    ),
  },
  "lying-head-turns": {
    standard: rep(
      "above",
      [
        hookLying({ nk: [0, 0, 0] }),
        hookLying({ nk: [0, 0, 44] }),
        hookLying({ nk: [0, 0, 0] }),
        hookLying({ nk: [0, 0, -44] }),
      ],
      { beats: 4, ...close },
    ),
    easier: rep(
      "above",
      [
        hookLying({ nk: [0, 0, 0] }),
        hookLying({ nk: [0, 0, 30] }),
        hookLying({ nk: [0, 0, 0] }),
        hookLying({ nk: [0, 0, -30] }),
      ],
      { beats: 4, ...close },
    ),
    harder: rep(
      "above",
      [
        hookLying({ nk: [4, 0, 0] }),
        hookLying({ nk: [16, 0, 36] }),
        hookLying({ nk: [4, 0, 0] }),
        hookLying({ nk: [16, 0, -36] }),
      ],
      { beats: 4, ...close },
    ),
  },
};
