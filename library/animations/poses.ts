import { mirrorArm, mirrorLeg, mirrorPose } from "~/core/figure/mirror";
import { mirrorMotion } from "~/core/figure/play";
import type { DrillAnimations, Animation, Prop, View } from "~/core/figure/animation";
import type { ViewName } from "~/core/figure/views";
import type { MiddlePoint, PointName } from "~/core/figure/points";
import type { Arm, Leg, Pose, SpinePart } from "~/core/figure/pose";

/*
 * How the shipped motions are written: starting positions, what changes from one to the next, and short names for limbs.
 * Metres; x forward, y up, z to the athlete's right. Everything is written for the right side as the side worked.
 */

type V = [number, number, number];

/** What differs from another pose. `arms` and `legs` are given for the right and mirrored for the left. */
export type Change = {
  at?: [number, number | null, number];
  /** Moves the hips by this much from where they were. */
  by?: V;
  of?: MiddlePoint;
  tilt?: number;
  side?: number;
  turn?: number;
  lu?: SpinePart;
  th?: SpinePart;
  nk?: SpinePart;
  arms?: Arm;
  ra?: Arm;
  la?: Arm;
  legs?: Leg;
  rl?: Leg;
  ll?: Leg;
};

const moved = (at: [number, number | null, number], by: V): [number, number | null, number] => [
  at[0] + by[0],
  at[1] === null ? null : at[1] + by[1],
  at[2] + by[2],
];

/** A pose with some of it changed. */
export function to(pose: Pose, c: Change): Pose {
  const { pelvis } = pose;
  const at = moved(c.at ?? pelvis.at, c.by ?? [0, 0, 0]);
  const of = c.of ?? pelvis.of;
  return {
    pelvis: {
      at,
      ...(of && { of }),
      tilt: c.tilt ?? pelvis.tilt,
      side: c.side ?? pelvis.side,
      turn: c.turn ?? pelvis.turn,
    },
    lumbar: c.lu ?? pose.lumbar,
    thoracic: c.th ?? pose.thoracic,
    neck: c.nk ?? pose.neck,
    right: { arm: c.ra ?? c.arms ?? pose.right.arm, leg: c.rl ?? c.legs ?? pose.right.leg },
    left: {
      arm: c.la ?? (c.arms ? mirrorArm(c.arms) : pose.left.arm),
      leg: c.ll ?? (c.legs ? mirrorLeg(c.legs) : pose.left.leg),
    },
  };
}

// Arms

type ArmMore = { pronation?: number; wrist?: number; girdle?: [number, number] };

/** Lifted in a plane, 0 to the side and 90 ahead; below zero behind. */
export const arm = (
  plane: number,
  elevation: number,
  elbow = 0,
  rotation = 0,
  { pronation = 0, wrist = 0, girdle }: ArmMore = {},
): Arm => ({ by: "angles", plane, elevation, rotation, elbow, pronation, wrist, ...(girdle && { girdle }) });

/** Upper arm and forearm by where they point, turning with the chest: forward, up, right. */
export const aim = (upper: V, fore: V = upper, { pronation = 0, wrist = 0, girdle }: ArmMore = {}): Arm => ({
  by: "aim",
  upper,
  fore,
  within: "chest",
  wrist,
  pronation,
  ...(girdle && { girdle }),
});

/** The same by where they point in the room. */
export const aimRoom = (upper: V, fore: V = upper, { pronation = 0, wrist = 0, girdle }: ArmMore = {}): Arm => ({
  by: "aim",
  upper,
  fore,
  within: "world",
  wrist,
  pronation,
  ...(girdle && { girdle }),
});

type HandMore = { y?: number; fingers?: V; pole?: V; normal?: V; girdle?: [number, number] };

/** The hand flat on the floor or on something. */
export const flat = (x: number, z: number, { y = 0, ...more }: HandMore = {}): Arm => ({
  by: "hand",
  rest: "flat",
  at: [x, y, z],
  ...more,
});

/** The palm round a place in the room. */
export const grip = (x: number, y: number, z: number, more: Omit<HandMore, "y"> = {}): Arm => ({
  by: "hand",
  rest: "grip",
  at: [x, y, z],
  ...more,
});

/** The palm at a point of the body, some way off it. */
export const on = (of: PointName, off: V = [0, 0, 0], more: Omit<HandMore, "y"> = {}): Arm => ({
  by: "hand",
  rest: "grip",
  of,
  at: off,
  ...more,
});

/** The elbow on the floor or on something, the forearm pointing along. */
export const elbowOn = (
  x: number,
  z: number,
  fore: V = [1, 0, 0],
  { y = 0, ...more }: { y?: number; wrist?: number; pronation?: number; girdle?: [number, number] } = {},
): Arm => ({ by: "elbow", at: [x, y, z], fore, wrist: 0, pronation: 0, ...more });

export const DOWN_ARM = arm(30, 7, 12);

// Legs

/** The foot on the floor: the point of the sole under the ankle. */
export const foot = (
  x: number,
  z: number,
  {
    y = 0,
    out = 8,
    heel = 0,
    tilt = 0,
    pole,
  }: { y?: number; out?: number; heel?: number; tilt?: number; pole?: V } = {},
): Leg => ({ by: "foot", at: [x, y, z], out, heel, tilt, ...(pole && { pole }) });

/** The foot flat before someone who lies on the back: the knee points to the ceiling. */
export const footUp = (x: number, z: number, y = 0): Leg => foot(x, z, { y, out: 4, pole: [0.1, 1, 0] });

/** The knee on the floor, the shin behind it. */
export const knee = (
  x: number,
  z: number,
  { y = 0, splay = 0, toes = "flat" }: { y?: number; splay?: number; toes?: "flat" | "tucked" } = {},
): Leg => ({ by: "knee", at: [x, y, z], splay, toes });

type LegMore = { inversion?: number; toes?: number; kneeRotation?: number };

/** By angles: hip flexion, outward, inward rotation; knee; ankle. */
export const leg = (
  flexion: number,
  abduction = 6,
  rotation = 0,
  bend = 0,
  ankle = 0,
  { inversion = 0, toes = 0, kneeRotation = 0 }: LegMore = {},
): Leg => ({ by: "angles", hip: [flexion, abduction, rotation], knee: bend, kneeRotation, ankle, inversion, toes });

/** By where thigh and shin point in the room. */
export const legTo = (
  thigh: V,
  shank: V,
  ankle = 0,
  { inversion = 0, toes = 0, kneeRotation = 0 }: LegMore = {},
): Leg => ({ by: "aim", thigh, shank, ankle, inversion, toes, kneeRotation });

export const otherLeg = mirrorLeg;
// Positions to start from

const still: SpinePart = [0, 0, 0];
const limbs = (a: Arm, l: Leg) => ({ right: { arm: a, leg: l }, left: { arm: mirrorArm(a), leg: mirrorLeg(l) } });
export const base = (at: [number, number | null, number], tilt: number, a: Arm, l: Leg, change: Change = {}): Pose =>
  to({ pelvis: { at, tilt, side: 0, turn: 0 }, lumbar: still, thoracic: still, neck: still, ...limbs(a, l) }, change);

export const standing = (c: Change = {}) => base([0, 0.915, 0], 0, DOWN_ARM, foot(0, 0.13), c);

/** Feet one before the other, the right behind. */
export const split = (c: Change = {}) =>
  base([0, 0.8, 0], 0, DOWN_ARM, foot(-0.38, 0.13, { heel: 35 }), { ll: foot(0.38, -0.13), ...c });

/** The right knee down. */
export const halfKneel = (c: Change = {}) =>
  base([0, null, 0], 0, DOWN_ARM, knee(-0.02, 0.14), { ll: foot(0.43, -0.15), ...c });

/** The left knee down, the right foot ahead. */
export const halfKneelAhead = (c: Change = {}) => to(mirrorPose(halfKneel()), c);

export const tallKneel = (c: Change = {}) => base([0, null, 0], 0, DOWN_ARM, knee(0, 0.15), c);

export const kneelSit = (c: Change = {}) =>
  base([-0.385, null, 0], 2, on("right.knee", [-0.06, 0.09, 0]), knee(0, 0.12), { lu: [8, 0, 0], ...c });

export const handsKnees = (c: Change = {}) =>
  base([0, null, 0], 77, flat(0.5, 0.2), knee(0, 0.15), { nk: [-8, 0, 0], ...c });

export const forearmsKnees = (c: Change = {}) =>
  base([0, null, 0], 103, elbowOn(0.49, 0.18), knee(0, 0.15), { nk: [-8, 0, 0], ...c });

export const plank = (c: Change = {}) =>
  base([0.026, 0.43, 0], 70, flat(0.5, 0.21), foot(-0.925, 0.1, { heel: 68, out: 0 }), { nk: [-8, 0, 0], ...c });

export const squat = (c: Change = {}) =>
  base(
    [-0.2, 0.29, 0],
    32,
    aimRoom([0.97, -0.12, 0.15], [0.98, 0.05, -0.12]),
    foot(0, 0.21, { out: 22, pole: [1, 0.3, 0.55] }),
    { lu: [26, 0, 0], th: [6, 0, 0], nk: [-18, 0, 0], ...c },
  );

export const longSit = (c: Change = {}) =>
  base([0, null, 0], -4, flat(-0.1, 0.27, { fingers: [1, 0, 0.3] }), leg(86, 6), { lu: [8, 0, 0], ...c });

export const straddle = (c: Change = {}) =>
  base([0, null, 0], 0, flat(0.22, 0.12), leg(90, 42, -8), { lu: [12, 0, 0], th: [4, 0, 0], ...c });

export const crossed = (c: Change = {}) =>
  base([0, null, 0], 4, on("right.knee", [-0.05, 0.1, 0]), legTo([0.74, -0.02, 0.66], [-0.42, -0.07, -0.9]), {
    ll: legTo([0.74, -0.06, -0.66], [-0.16, -0.03, 0.98]),
    lu: [14, 0, 0],
    ...c,
  });

/** Soles together, knees out. */
export const soles = (c: Change = {}) =>
  base([0, null, 0], 6, on("right.ankle", [0.03, 0.07, 0]), legTo([0.68, -0.06, 0.72], [0.3, -0.04, -0.95], -18), {
    lu: [12, 0, 0],
    ...c,
  });

/** The right shin across in front, the left leg out to its side and folded back. */
export const ninety = (c: Change = {}) =>
  base(
    [0, null, 0],
    6,
    flat(0.08, 0.32, { fingers: [0.8, 0, 0.6] }),
    legTo([0.97, -0.07, 0.22], [-0.12, -0.02, -0.99]),
    { ll: legTo([0.42, -0.22, -0.88], [-0.9, -0.05, -0.43], -20), side: 12, lu: [8, -9, 0], th: [0, -3, 0], ...c },
  );

/** The right leg out to its side and folded back, the left shin across in front. */
export const ninetyBack = (c: Change = {}) => to(mirrorPose(ninety()), c);

export const supine = (c: Change = {}) => base([0, null, 0], -90, arm(20, 14, 4), leg(0, 5, -10, 0, -12), c);

/** On the back, feet flat on the floor. */
export const hookLying = (c: Change = {}) => supine({ legs: footUp(0.42, 0.14), ...c });

/** On the back, rolled about the long axis: to the right above 0, onto the left side at −90. */
export const rolled = (degrees: number, c: Change = {}) => supine({ side: -90, turn: -90, tilt: -90 - degrees, ...c });

/** On the back, thighs upright, shins level. */
export const supineNinety = (c: Change = {}) => supine({ legs: leg(90, 4, 0, 90), ...c });

export const prone = (c: Change = {}) => base([0, null, 0], 90, arm(20, 14, 6), leg(0, 6, -4, 0, -48), c);

/** On the left side facing the eye, head to the right of the picture. */
export const sideLying = (c: Change = {}) =>
  base([0, null, 0], 0, aim([0.95, -0.25, 0], [1, 0, 0]), leg(50, -20, 0, 75), {
    side: -90,
    turn: 90,
    ll: leg(48, 0, 0, 75),
    nk: [0, 10, 0],
    ...c,
  });

/** A step forward: the left foot ahead on its heel, the right about to leave the floor, the arms against the legs. */
export const walking = (c: Change = {}) =>
  base([0, 0.9, 0], 0, arm(80, 24, 20), foot(-0.24, 0.1, { heel: 30 }), {
    ll: foot(0.28, -0.1, { heel: -12 }),
    la: arm(-80, 16, 10),
    ...c,
  });

export const BAR_HEIGHT = 2.25;
export const hang = (c: Change = {}) =>
  base([0, 1.02, 0], 0, grip(0, BAR_HEIGHT, 0.24, { fingers: [0.1, 1, 0] }), leg(2, 4, 0, 5, -25), c);

// Kit

export const pad = (x = -0.05, z = 0.14): Prop => ({
  shape: "box",
  piece: "pad",
  at: [x, 0, z],
  size: [0.36, 0.025, 0.3],
});
export const widePad = (x = -0.05): Prop => ({ shape: "box", piece: "pad", at: [x, 0, 0], size: [0.36, 0.025, 0.7] });
export const wall = (x: number, width = 1.4): Prop => ({
  shape: "box",
  piece: "wall",
  at: [x, 0, 0],
  size: [0.06, 2, width],
});
export const support = (x: number, z: number, height = 1.0): Prop => ({
  shape: "box",
  piece: "support",
  at: [x, 0, z],
  size: [0.07, height, 0.07],
});
export const block = (x: number, z: number, height = 0.15): Prop => ({
  shape: "box",
  piece: "block",
  at: [x, 0, z],
  size: [0.22, height, 0.11],
});
export const box = (x: number, z: number, height = 0.45, length = 0.4, width = 0.5): Prop => ({
  shape: "box",
  piece: "box",
  at: [x, 0, z],
  size: [length, height, width],
});
export const bench = (x: number, z: number, length: number, width: number): Prop => ({
  shape: "box",
  piece: "bench",
  at: [x, 0, z],
  size: [length, 0.42, width],
});
export const cushion = (x: number, z: number, height = 0.09): Prop => ({
  shape: "box",
  piece: "cushion",
  at: [x, 0, z],
  size: [0.36, height, 0.4],
});
export const wedge = (x: number, z: number): Prop => ({
  shape: "box",
  piece: "wedge",
  at: [x, 0, z],
  size: [0.14, 0.045, 0.6],
});
export const chair = (x: number, z: number): Prop[] => [
  { shape: "box", piece: "chair", at: [x, 0.42, z], size: [0.42, 0.04, 0.42] },
  { shape: "box", piece: "chair", at: [x - 0.2, 0.46, z], size: [0.03, 0.45, 0.42] },
  { shape: "box", piece: "chair", at: [x + 0.18, 0, z], size: [0.04, 0.42, 0.42] },
];
/** A roller lying across the body. */
export const roller = (x: number, y = 0, half = 0.3, z = 0): Prop => ({
  shape: "rod",
  piece: "roller",
  from: [x, y + 0.075, z - half],
  to: [x, y + 0.075, z + half],
  beyond: 0,
  radius: 0.075,
});
/** A roller lying along the body. */
export const longRoller = (from: number, until: number): Prop => ({
  shape: "rod",
  piece: "roller",
  from: [from, 0.075, 0],
  to: [until, 0.075, 0],
  beyond: 0,
  radius: 0.075,
});
/** A stick in both hands. */
export const stick = (beyond = 0.25): Prop => ({
  shape: "rod",
  piece: "stick",
  from: { of: "left.palm", off: [0, 0, 0] },
  to: { of: "right.palm", off: [0, 0, 0] },
  beyond,
  radius: 0.014,
});
/** An empty barbell in both hands. */
export const barbell = (beyond = 0.35): Prop => ({
  shape: "rod",
  piece: "barbell",
  from: { of: "left.palm", off: [0, 0, 0] },
  to: { of: "right.palm", off: [0, 0, 0] },
  beyond,
  radius: 0.018,
});
/** A slider, a sock or a cloth under a foot. */
export const slider = (x: number, z: number): Prop => ({
  shape: "box",
  piece: "slider",
  at: [x, 0, z],
  size: [0.24, 0.012, 0.18],
});
/** A stick standing on the floor, held by one hand. */
export const cane = (hand: "left" | "right", x: number, z: number): Prop => ({
  shape: "rod",
  piece: "stick",
  from: [x, 0, z],
  to: { of: `${hand}.palm`, off: [0, 0, 0] },
  beyond: 0.12,
  radius: 0.014,
});
export const band = (): Prop => ({
  shape: "rod",
  piece: "band",
  from: { of: "left.palm", off: [0, 0, 0] },
  to: { of: "right.palm", off: [0, 0, 0] },
  beyond: 0.02,
  radius: 0.01,
});
export const strap = (hand: "left" | "right", end: PointName): Prop => ({
  shape: "rod",
  piece: "strap",
  from: { of: `${hand}.palm`, off: [0, 0, 0] },
  to: { of: end, off: [0, 0, 0] },
  beyond: 0,
  radius: 0.012,
});
export const weight = (at: PointName = "right.palm"): Prop => ({
  shape: "rod",
  piece: "light weight",
  from: { of: at, off: [0, -0.05, 0] },
  to: { of: at, off: [0, 0.05, 0] },
  beyond: 0,
  radius: 0.07,
});
/** A ball on the floor. */
export const ball = (x: number, z: number, y = 0.035): Prop => ({
  shape: "rod",
  piece: "ball",
  from: [x, y, z],
  to: [x, y, z + 0.001],
  beyond: 0,
  radius: 0.035,
});
export const bar = (): Prop => ({
  shape: "rod",
  piece: "bar",
  from: [0, BAR_HEIGHT, -0.6],
  to: [0, BAR_HEIGHT, 0.6],
  beyond: 0,
  radius: 0.02,
});

// Motions

export type MotionMore = {
  props?: Prop[];
  ends?: Animation["ends"];
  flow?: Animation["flow"];
  seconds?: number;
  at?: number[];
  beats?: number;
  lift?: number[];
  focus?: PointName[];
  /** A partner: where they stand, how far they are turned, and their positions at the same keys. */
  second?: Animation["second"];
};

const make = (
  kind: Animation["kind"],
  view: ViewName | View,
  poses: Pose[],
  beats: number,
  seconds: number,
  { props = [], ends = "as it began", flow = "eased", at, lift, focus, second }: MotionMore,
): Animation => ({
  kind,
  ends,
  flow,
  beats,
  seconds,
  view,
  props,
  ...(focus && { focus }),
  ...(second && { second }),
  keys: poses.map((pose, i) => ({ at: at?.[i] ?? i, pose, lift: lift?.[i] ?? 0 })),
});

/** Goes through the positions, one a beat unless said, and back to the first. */
export const rep = (view: ViewName | View, poses: Pose[], more: MotionMore = {}): Animation =>
  make("repeat", view, poses, more.beats ?? poses.length, more.seconds ?? 4, more);

/** Goes from the first position through the others into the last, and stays. */
export const hold = (view: ViewName | View, poses: Pose[], more: MotionMore = {}): Animation =>
  make("hold", view, poses, more.beats ?? Math.max(1, poses.length - 1), more.seconds ?? 3, more);

/** A repetition that ends as the mirror image of its beginning. */
export const swap = (view: ViewName | View, poses: Pose[], more: MotionMore = {}): Animation =>
  rep(view, poses, { ...more, ends: "mirrored" });

/** A motion that was written for the other side than the one that is called, still seen from the same place. */
export const otherSide = (motion: Animation): Animation => ({ ...mirrorMotion(motion), view: motion.view });
/** All three levels of it. */
export const otherSides = ({ standard, easier, harder }: DrillAnimations): DrillAnimations => ({
  standard: otherSide(standard),
  ...(easier && { easier: otherSide(easier) }),
  ...(harder && { harder: otherSide(harder) }),
});

export type MotionSet = Readonly<Record<string, DrillAnimations>>;

// Positions more than one region starts from

/** Sitting on a chair or box. */
export const chairSit = (c: Change = {}) =>
  base([0, 0.545, 0], 0, on("right.knee", [-0.1, 0.09, 0.01]), foot(0.43, 0.16), c);

/** On the back along a roller, feet on the floor. */
export const onRoller = (c: Change = {}) => base([0, 0.25, 0], -90, arm(20, 14, 4), footUp(0.42, 0.17), c);
export const rollerAlong = () => longRoller(-0.86, 0.1);

/** From hands and feet, the right foot outside the right hand, the left leg long behind. */
export const lowLunge = (c: Change = {}) =>
  base([-0.02, 0.38, 0], 36, flat(0.42, 0.2), foot(0.36, 0.34, { out: 8, pole: [1, 0.3, 0.25] }), {
    ll: foot(-0.95, -0.13, { heel: 66, out: 0 }),
    lu: [26, 0, 0],
    th: [14, 0, 0],
    nk: [-24, 0, 0],
    ...c,
  });

/** A foot flat, far out to the side of a straight leg. */
export const sideFoot = (x = 0.02, z = 0.92) => foot(x, z, { tilt: -58, out: 6 });

/** The left knee down, the right leg straight out to its side. */
export const sideKneel = (c: Change = {}) =>
  tallKneel({ ll: knee(0, -0.13), rl: sideFoot(), arms: aim([0.15, -0.85, 0.5], [0.35, -0.45, -0.8]), ...c });

/** Arms crossed over the chest. */
export const CROSSED_ARMS = aim([0.55, -0.8, 0.25], [0.35, 0.55, -0.76]);

/** Parts a close picture is cut to. */
export const HEAD_AND_SHOULDERS: PointName[] = [
  "crown",
  "head",
  "nose",
  "left.shoulder",
  "right.shoulder",
  "chest",
  "sternum",
];
export const RIGHT_LOWER_LEG: PointName[] = ["right.knee", "right.ankle", "right.heel", "right.toe", "right.ball"];
