import {
  aim,
  arm,
  chair,
  chairSit,
  CROSSED_ARMS,
  foot,
  grip,
  hold,
  leg,
  legTo,
  on,
  rep,
  RIGHT_LOWER_LEG,
  standing,
  swap,
  type Change,
  type MotionSet,
} from "./poses";
import type { PointName } from "~/core/figure/points";

/** The picture is cut to the leg that turns, with the knee that the hands hold. */
const RIGHT_SHIN: PointName[] = [...RIGHT_LOWER_LEG, "right.hip"];
const seat = { props: chair(0, 0) };
const sitTall = (c: Change = {}) => chairSit({ lu: [0, 0, 0], ...c });
const edge = (c: Change = {}) => chairSit({ at: [0.1, 0.545, 0], legs: foot(0.5, 0.16), ...c });
const marched = (c: Change = {}) =>
  sitTall({ rl: leg(112, 4, 0, 96, 4), ra: arm(84, -18, 60), la: arm(84, 40, 70), ...c });
const turnTo = (turn: number, c: Change = {}) =>
  sitTall({
    lu: [0, 0, turn * 0.18],
    th: [0, 0, turn * 0.82],
    nk: [0, 0, turn * 0.5],
    la: turn > 0 ? on("right.knee", [-0.06, 0.1, 0.02]) : on("left.knee", [-0.06, 0.1, -0.02]),
    ...c,
  });
const folded = (turn: number) => turnTo(turn, { arms: CROSSED_ARMS, la: undefinedArm() });
function undefinedArm() {
  return aim([0.55, -0.8, -0.25], [0.35, 0.55, 0.76]);
}
const sideways = (by: number, c: Change = {}) =>
  sitTall({
    lu: [0, -by, 0],
    th: [0, -by * 1.3, 0],
    nk: [0, -by * 0.4, 0],
    ra: arm(14, 164, 6),
    la: aim([0.06, -0.98, -0.2]),
    ...c,
  });
const oneLong = (tilt: number, c: Change = {}) =>
  edge({
    tilt,
    rl: foot(0.86, 0.14, { heel: -44 }),
    ll: foot(0.46, -0.16),
    arms: on("right.knee", [-0.16, 0.1, 0.02]),
    la: on("left.knee", [-0.08, 0.1, -0.01]),
    ...c,
  });
const ankleOver = (tilt: number, c: Change = {}) =>
  sitTall({
    tilt,
    ll: foot(0.43, -0.15),
    rl: legTo([0.8, 0.28, 0.44], [0.06, -0.05, -1], -6),
    ra: on("right.knee", [-0.02, 0.08, 0.02]),
    la: on("right.ankle", [0.02, 0.08, 0]),
    ...c,
  });
const rounded = (c: Change = {}) => sitTall({ tilt: -14, lu: [26, 0, 0], th: [26, 0, 0], nk: [16, 0, 0], ...c });
const tall = (c: Change = {}) => sitTall({ tilt: 12, lu: [-6, 0, 0], th: [-12, 0, 0], nk: [-10, 0, 0], ...c });
/** The right knee slid forward, the pelvis turned with it, the chest still. */
const kneeSlid = (by: number, c: Change = {}) =>
  edge({
    turn: -by,
    lu: [0, 0, by],
    rl: foot(0.5 + by * 0.006, 0.15),
    ll: foot(0.5 - by * 0.006, -0.15),
    ra: on("right.knee", [-0.1, 0.09, 0.01]),
    la: on("left.knee", [-0.1, 0.09, -0.01]),
    ...c,
  });
const kneesAt = (z: number, c: Change = {}) => edge({ legs: foot(0.46, z, { out: z > 0.25 ? 18 : 0 }), ...c });
const footSwung = (turn: number, c: Change = {}) =>
  sitTall({ at: [0.04, 0.545, 0], ll: foot(0.46, -0.16), rl: leg(94, 6, turn, 84, 0), ...c });
const rises = (c: Change = {}) => standing({ at: [0.3, 0.915, 0], legs: foot(0.3, 0.14), arms: arm(84, 6, 10), ...c });
const leansToRise = (c: Change = {}) =>
  chairSit({ at: [0.08, 0.55, 0], tilt: 42, legs: foot(0.3, 0.14), arms: arm(84, 52, 20), nk: [-16, 0, 0], ...c });
const lifted = (right: number, toes: number, c: Change = {}) =>
  sitTall({ rl: foot(0.43, 0.16, { heel: right }), ll: foot(0.43, -0.16, { heel: toes }), ...c });

export const chairMotions: MotionSet = {
  "chair-march-toe-lifts": {
    standard: rep(
      "three-quarter",
      [
        marched(),
        sitTall({ rl: foot(0.43, 0.16, { heel: -20 }), ll: foot(0.43, -0.16, { heel: -20 }), arms: arm(84, 10, 60) }),
        marchedLeft(),
        sitTall({ rl: foot(0.43, 0.16, { heel: -20 }), ll: foot(0.43, -0.16, { heel: -20 }), arms: arm(84, 10, 60) }),
      ],
      { ...seat, seconds: 2 },
    ),
    easier: rep(
      "three-quarter",
      [
        marched({
          rl: leg(102, 4, 0, 92, 0),
          ra: on("right.knee", [-0.2, 0.09, 0.01]),
          la: on("left.knee", [-0.1, 0.09, -0.01]),
        }),
        sitTall({ legs: foot(0.43, 0.16, { heel: -14 }) }),
        marchedLeft({
          ll: leg(102, 4, 0, 92, 0),
          ra: on("right.knee", [-0.1, 0.09, 0.01]),
          la: on("left.knee", [-0.2, 0.09, -0.01]),
        }),
        sitTall({ legs: foot(0.43, 0.16, { heel: -14 }) }),
      ],
      { ...seat, seconds: 3 },
    ),
    harder: rep(
      "three-quarter",
      [
        marched({ rl: leg(122, 4, 0, 100, 8), ra: arm(84, -28, 70), la: arm(84, 96, 40) }),
        sitTall({ legs: foot(0.43, 0.16, { heel: -24 }), arms: arm(84, 20, 60) }),
        marchedLeft({ ll: leg(122, 4, 0, 100, 8), la: arm(84, -28, 70), ra: arm(84, 96, 40) }),
        sitTall({ legs: foot(0.43, 0.16, { heel: -24 }), arms: arm(84, 20, 60) }),
      ],
      { ...seat, seconds: 1.6 },
    ),
  },
  "chair-turn-hand-on-backrest": {
    standard: rep("three-quarter", [turnTo(0), turnTo(32, { ra: grip(-0.19, 0.86, 0.2) })], seat),
    easier: rep("three-quarter", [turnTo(0), turnTo(22, { ra: on("right.hip", [0.02, 0.05, 0.1]) })], seat),
    harder: rep(
      "three-quarter",
      [
        turnTo(0),
        turnTo(34, { ra: grip(-0.19, 0.86, 0.2) }),
        turnTo(40, { nk: [0, 0, 34], ra: grip(-0.19, 0.86, 0.16) }),
      ],
      { ...seat, at: [0, 1, 2], beats: 3 },
    ),
  },
  "chair-turn-arms-folded": {
    standard: swap("three-quarter", [folded(0), folded(30), folded(30)], { ...seat, at: [0, 1, 1.1], beats: 2 }),
    easier: swap("three-quarter", [folded(0), folded(20), folded(20)], { ...seat, at: [0, 1, 1.1], beats: 2 }),
    harder: swap(
      "three-quarter",
      [
        turnTo(0, { ra: arm(10, 84, 6), la: arm(10, 84, 6) }),
        turnTo(36, { ra: arm(10, 84, 6), la: arm(10, 84, 6) }),
        turnTo(36, { ra: arm(10, 84, 6), la: arm(10, 84, 6) }),
      ],
      { ...seat, at: [0, 1, 1.1], beats: 2 },
    ),
  },
  "chair-side-reach": {
    standard: hold("front", [sideways(0, { ra: arm(14, 20, 8) }), sideways(16)], seat),
    easier: hold(
      "front",
      [
        sideways(0, { ra: on("right.knee", [-0.1, 0.09, 0.01]) }),
        sideways(16, { th: [0, -16, 0], ra: on("right.hip", [0.02, 0.06, 0.08]) }),
      ],
      seat,
    ),
    harder: hold(
      "front",
      [sideways(0, { ra: arm(14, 20, 8) }), sideways(18, { th: [0, -24, -14], ra: arm(20, 168, 4) })],
      seat,
    ),
  },
  "chair-hamstring-one-leg-long": {
    standard: hold("side", [oneLong(4), oneLong(34, { lu: [2, 0, 0] })], seat),
    easier: hold("side", [oneLong(0), oneLong(18, { rl: foot(0.78, 0.14, { heel: -12 }) })], seat),
    harder: hold("side", [oneLong(4), oneLong(46, { lu: [4, 0, 0], ra: on("right.knee", [0.1, 0.08, 0.02]) })], seat),
  },
  "chair-ankle-over-thigh": {
    standard: hold("three-quarter", [ankleOver(0), ankleOver(22)], seat),
    easier: hold(
      "three-quarter",
      [
        ankleOver(-4, { rl: legTo([0.82, 0.34, 0.4], [0.1, -0.22, -0.97], -6) }),
        ankleOver(4, { rl: legTo([0.82, 0.34, 0.4], [0.1, -0.22, -0.97], -6) }),
      ],
      seat,
    ),
    harder: hold("three-quarter", [ankleOver(0), ankleOver(34, { lu: [2, 0, 0], nk: [-18, 0, 0] })], seat),
  },
  "chair-round-and-tall": {
    standard: rep("side", [rounded(), tall()], seat),
    easier: rep(
      "side",
      [
        rounded({ tilt: -8, lu: [18, 0, 0], th: [16, 0, 0], nk: [8, 0, 0] }),
        tall({ lu: [0, 0, 0], th: [-6, 0, 0], nk: [-4, 0, 0] }),
      ],
      seat,
    ),
    harder: rep(
      "side",
      [
        rounded({ lu: [30, 0, 0], th: [32, 0, 0], arms: arm(84, 76, 12, 0, { girdle: [0, 18] }) }),
        tall({ lu: [-10, 0, 0], th: [-16, 0, 0], arms: arm(84, -24, 20) }),
      ],
      seat,
    ),
  },
  "chair-knee-slides": {
    standard: rep("above", [kneeSlid(9), kneeSlid(-9)], { ...seat, seconds: 3 }),
    easier: rep("above", [kneeSlid(8), kneeSlid(-8)], { ...seat, seconds: 4.4 }),
    harder: rep(
      "above",
      [
        kneeSlid(11, { ra: arm(10, 84, 6), la: arm(10, 84, 6) }),
        kneeSlid(-11, { ra: arm(10, 84, 6), la: arm(10, 84, 6) }),
      ],
      { ...seat, seconds: 3 },
    ),
  },
  "chair-knees-out-and-in": {
    standard: rep("front", [kneesAt(0.09), kneesAt(0.42)], { ...seat, lift: [0.03, 0.03] }),
    easier: rep("front", [kneesAt(0.12), kneesAt(0.36)], { ...seat, lift: [0.03, 0.03] }),
    harder: rep(
      "front",
      [
        edge({
          legs: leg(98, 2, 0, 92, 0),
          arms: on("right.hip", [-0.02, 0.04, 0.08]),
          la: on("left.hip", [-0.02, 0.04, -0.08]),
        }),
        edge({
          legs: leg(98, 24, 0, 92, 0),
          arms: on("right.hip", [-0.02, 0.04, 0.08]),
          la: on("left.hip", [-0.02, 0.04, -0.08]),
        }),
      ],
      seat,
    ),
  },
  "chair-foot-swings": {
    standard: rep("front", [footSwung(0), footSwung(24), footSwung(0), footSwung(-26)], { ...seat, beats: 4 }),
    easier: rep("front", [footSwung(0), footSwung(17), footSwung(0), footSwung(-17)], { ...seat, beats: 4 }),
    harder: rep("front", [footSwung(0), footSwung(28), footSwung(28), footSwung(0), footSwung(-28), footSwung(-28)], {
      ...seat,
      at: [0, 0.8, 1.4, 2, 2.8, 3.4],
      beats: 4,
    }),
  },
  "chair-leg-out-and-under": {
    standard: rep(
      "side",
      [
        sitTall({ rl: leg(96, 4, 0, 112, 10) }),
        sitTall({ rl: leg(92, 4, 0, 12, 6) }),
        sitTall({ rl: leg(92, 4, 0, 12, 6) }),
      ],
      { ...seat, at: [0, 1, 2], beats: 3 },
    ),
    easier: rep(
      "side",
      [
        sitTall({ rl: foot(0.3, 0.16, { heel: 14 }) }),
        sitTall({ rl: foot(0.68, 0.16, { heel: -14 }) }),
        sitTall({ rl: foot(0.68, 0.16, { heel: -14 }) }),
      ],
      { ...seat, at: [0, 1, 2], beats: 3 },
    ),
    harder: rep(
      "side",
      [
        sitTall({ rl: leg(98, 4, 0, 116, 10), arms: CROSSED_ARMS }),
        sitTall({ rl: leg(98, 4, 0, 4, 14), arms: CROSSED_ARMS }),
        sitTall({ rl: leg(98, 4, 0, 4, 14), arms: CROSSED_ARMS }),
      ],
      { ...seat, at: [0, 1, 2], beats: 3 },
    ),
  },
  "chair-shin-turns": {
    standard: rep("three-quarter", [shin(0), shin(20), shin(0), shin(-20)], { ...seat, beats: 4, focus: RIGHT_SHIN }),
    easier: rep("three-quarter", [shin(0), shin(13), shin(0), shin(-13)], { ...seat, beats: 4, focus: RIGHT_SHIN }),
    harder: rep("three-quarter", [shin(0), shin(24), shin(24), shin(0), shin(-24), shin(-24)], {
      ...seat,
      at: [0, 0.8, 1.4, 2, 2.8, 3.4],
      beats: 4,
      focus: RIGHT_SHIN,
    }),
  },
  "chair-heel-and-toe-raises": {
    standard: rep("side", [lifted(34, 34), lifted(0, 0), lifted(-22, -22), lifted(0, 0)], { ...seat, beats: 4 }),
    easier: rep("side", [lifted(22, 22), lifted(0, 0), lifted(-14, -14), lifted(0, 0)], { ...seat, beats: 4 }),
    harder: rep("side", [lifted(36, -24), lifted(0, 0), lifted(-24, 36), lifted(0, 0)], { ...seat, beats: 4 }),
  },
  "sit-to-stand": {
    standard: rep(
      "side",
      [
        edge({ at: [0.06, 0.545, 0], legs: foot(0.3, 0.14), arms: arm(84, 40, 20) }),
        leansToRise(),
        rises(),
        leansToRise({ at: [0.04, 0.62, 0] }),
      ],
      { ...seat, at: [0, 0.5, 1, 1.5], beats: 2 },
    ),
    easier: rep(
      "side",
      [
        edge({ at: [0.06, 0.545, 0], legs: foot(0.3, 0.14) }),
        leansToRise({ arms: on("right.knee", [-0.06, 0.1, 0.01]) }),
        rises(),
        leansToRise({ at: [0.04, 0.62, 0], arms: on("right.knee", [-0.08, 0.1, 0.01]) }),
      ],
      { ...seat, at: [0, 0.5, 1, 1.5], beats: 2 },
    ),
    harder: rep(
      "side",
      [
        edge({ at: [0.06, 0.545, 0], legs: foot(0.3, 0.14), arms: CROSSED_ARMS }),
        leansToRise({ arms: CROSSED_ARMS }),
        rises({ arms: CROSSED_ARMS }),
        leansToRise({ at: [0.0, 0.66, 0], arms: CROSSED_ARMS }),
        leansToRise({ at: [0.02, 0.58, 0], arms: CROSSED_ARMS }),
      ],
      { ...seat, at: [0, 0.5, 1, 1.5, 1.8], beats: 2 },
    ),
  },
};

function marchedLeft(c: Change = {}) {
  return sitTall({ ll: leg(112, 4, 0, 96, 4), la: arm(84, -18, 60), ra: arm(84, 40, 70), ...c });
}
function shin(turn: number) {
  return sitTall({
    ll: foot(0.43, -0.16),
    rl: leg(90, 6, 0, 88, 0, { kneeRotation: turn }),
    ra: on("right.knee", [-0.02, 0.09, 0.03]),
    la: on("right.knee", [-0.06, 0.09, -0.05]),
  });
}
