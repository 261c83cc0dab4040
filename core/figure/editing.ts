import { anglesOf, type AngleKey } from "./angles";
import { LIMITS, type JointAngle } from "./limits";
import type { Animation } from "./animation";
import type { Side } from "./points";
import type { Arm, Leg, Pose } from "./pose";
import { solvePose, type Solved } from "./solve";
import { between, degrees, turned, type Vec } from "./vectors";
import type { Degrees, Metres } from "~/core/units";

/** What carries a limb: its joints' angles, or a place its end holds. */
export type Held = "angles" | "foot" | "knee" | "hand" | "elbow";

export const heldBy = (limb: Arm | Leg): Held => (limb.by === "aim" ? "angles" : limb.by);

const withArm = (pose: Pose, side: Side, arm: Arm): Pose => ({ ...pose, [side]: { ...pose[side], arm } });
const withLeg = (pose: Pose, side: Side, leg: Leg): Pose => ({ ...pose, [side]: { ...pose[side], leg } });

const round = (value: number) => Math.round(value * 10) / 10;
const near = (value: Metres) => Math.round(value * 1000) / 1000;
const place = (v: Vec): [number, number, number] => [near(v[0]), near(v[1]), near(v[2])];

/** A leg as it stands, written by its joints' angles. */
export function legAngles(solved: Solved, side: Side): Leg {
  const a = anglesOf(solved);
  const at = (joint: JointAngle) => round(a[`${side}.${joint}`] ?? 0);
  return {
    by: "angles",
    hip: [at("hip.flexion"), at("hip.abduction"), at("hip.rotation")],
    knee: at("knee.flexion"),
    kneeRotation: at("knee.rotation"),
    ankle: at("ankle.dorsiflexion"),
    inversion: at("ankle.inversion"),
    toes: at("toes.extension"),
  };
}

/** An arm as it stands, written by its joints' angles: the plane it is lifted in, how far, and its turn. */
export function armAngles(solved: Solved, side: Side): Arm {
  const s = side === "right" ? 1 : -1;
  const { joints } = solved.arms[side];
  const upper = turned([0, -1, 0], joints.shoulder);
  const elevation = between([0, -1, 0], upper);
  const flat = Math.hypot(upper[0], upper[2]);
  const plane = flat > 0.02 ? degrees(Math.atan2(upper[0], s * upper[2])) : 90;
  const a = anglesOf(solved);
  return {
    by: "angles",
    ...(joints.girdle.some((g) => g !== 0) && { girdle: [round(joints.girdle[0]), round(joints.girdle[1])] }),
    plane: round(plane),
    elevation: round(elevation),
    rotation: round(a[`${side}.shoulder.rotation`] ?? 0),
    elbow: round(Math.abs(a[`${side}.elbow.flexion`] ?? 0)),
    pronation: 0,
    wrist: round(a[`${side}.wrist.extension`] ?? 0),
  };
}

/** Changes what carries a leg, the body staying where it is as nearly as can be. */
export function holdLeg(pose: Pose, side: Side, held: "angles" | "foot" | "knee"): Pose {
  const solved = solvePose(pose);
  if (heldBy(pose[side].leg) === held) return pose;
  if (held === "angles") return withLeg(pose, side, legAngles(solved, side));
  const { points } = solved;
  if (held === "knee") {
    const [x, , z] = points[`${side}.knee`];
    return withLeg(pose, side, { by: "knee", at: [near(x), 0, near(z)], splay: 0, toes: "flat" });
  }
  const [x, , z] = points[`${side}.ankle`];
  return withLeg(pose, side, { by: "foot", at: [near(x), 0, near(z)], out: 8, heel: 0, tilt: 0 });
}

/** Changes what carries an arm: its angles, a flat hand on the floor, or a hand that holds a place in the room. */
export function holdArm(pose: Pose, side: Side, held: "angles" | "flat" | "grip"): Pose {
  const solved = solvePose(pose);
  if (held === "angles") return withArm(pose, side, armAngles(solved, side));
  const { points } = solved;
  if (held === "grip") return withArm(pose, side, { by: "hand", rest: "grip", at: place(points[`${side}.palm`]) });
  const [x, , z] = points[`${side}.wrist`];
  return withArm(pose, side, { by: "hand", rest: "flat", at: [near(x), 0, near(z)] });
}

export type Handle = "pelvis" | `${Side}.${"palm" | "ankle" | "knee"}`;

export const HANDLES: readonly Handle[] = [
  "pelvis",
  "left.palm",
  "right.palm",
  "left.ankle",
  "right.ankle",
  "left.knee",
  "right.knee",
];

/** Moves a hand, foot, knee or the pelvis by so much, with everything else that holds a place kept there. */
export function drag(pose: Pose, handle: Handle, by: Vec): Pose {
  const solved = solvePose(pose);
  if (handle === "pelvis") {
    const at = solved.points[pose.pelvis.of ?? "pelvis"];
    return {
      ...pose,
      pelvis: {
        ...pose.pelvis,
        at: [
          near(at[0] + by[0]),
          pose.pelvis.at[1] === null && Math.abs(by[1]) < 1e-9 ? null : near(Math.max(0.02, at[1] + by[1])),
          near(at[2] + by[2]),
        ],
      },
    };
  }
  const [side, part] = handle.split(".") as [Side, "palm" | "ankle" | "knee"];
  if (part === "palm") {
    const { arm } = pose[side];
    if (arm.by === "hand") {
      const at = arm.of ? (solved.arms[side].target ?? arm.at) : arm.at;
      const floor = arm.rest === "flat" && at[1] < 0.02;
      return withArm(pose, side, {
        ...withoutPoint(arm),
        at: place([at[0] + by[0], floor ? at[1] : Math.max(0, at[1] + by[1]), at[2] + by[2]]),
      });
    }
    if (arm.by === "elbow")
      return withArm(pose, side, { ...arm, at: place([arm.at[0] + by[0], arm.at[1], arm.at[2] + by[2]]) });
    const from = solved.points[`${side}.palm`];
    const reached = withArm(pose, side, {
      by: "hand",
      rest: "grip",
      at: place([from[0] + by[0], Math.max(0.03, from[1] + by[1]), from[2] + by[2]]),
    });
    return withArm(
      pose,
      side,
      armAngles(
        solvePose({ ...reached, pelvis: { ...reached.pelvis, of: undefined, at: place(solved.points.pelvis) } }),
        side,
      ),
    );
  }
  const { leg } = pose[side];
  if (leg.by === "foot") {
    const floor = leg.at[1] < 0.02;
    return withLeg(pose, side, {
      ...leg,
      at: place([
        leg.at[0] + by[0],
        floor && by[1] < 0.15 ? leg.at[1] : Math.max(0, leg.at[1] + by[1]),
        leg.at[2] + by[2],
      ]),
    });
  }
  if (leg.by === "knee")
    return withLeg(pose, side, { ...leg, at: place([leg.at[0] + by[0], leg.at[1], leg.at[2] + by[2]]) });
  const from = solved.points[`${side}.${part}`];
  const target: Vec = [from[0] + by[0], Math.max(0.04, from[1] + by[1]), from[2] + by[2]];
  const hip = solved.points[`${side}.hip`];
  const along: [number, number, number] =
    part === "knee" ? [target[0] - hip[0], target[1] - hip[1], target[2] - hip[2]] : [0, 0, 0];
  const still: Pose = { ...pose, pelvis: { ...pose.pelvis, of: undefined, at: place(solved.points.pelvis) } };
  if (part === "knee") {
    const shin = solved.legs[side].shank;
    const down = turned([0, -1, 0], shin);
    const aimed = withLeg(still, side, {
      by: "aim",
      thigh: unitOf(along),
      shank: [...down],
      ankle: 0,
      inversion: 0,
      toes: 0,
      kneeRotation: 0,
    });
    return withLeg(pose, side, {
      ...(legAngles(solvePose(aimed), side) as Extract<Leg, { by: "angles" }>),
      ankle: ankleOf(leg),
    });
  }
  const pole = turned([1, 0, 0], solved.legs[side].thigh);
  const stepped = withLeg(still, side, {
    by: "foot",
    at: place([target[0], Math.max(0, target[1] - 0.068), target[2]]),
    out: 0,
    heel: 0,
    tilt: 0,
    pole: [...pole],
  });
  const solvedStep = legAngles(solvePose(stepped), side) as Extract<Leg, { by: "angles" }>;
  return withLeg(pose, side, { ...solvedStep, ankle: ankleOf(leg), inversion: 0 });
}

const ankleOf = (leg: Leg): Degrees => (leg.by === "angles" || leg.by === "aim" ? leg.ankle : 0);

function withoutPoint(arm: Extract<Arm, { by: "hand" }>): Extract<Arm, { by: "hand" }> {
  const { of: _, ...rest } = arm;
  return rest;
}

function unitOf([x, y, z]: readonly [number, number, number]): [number, number, number] {
  const size = Math.hypot(x, y, z) || 1;
  return [x / size, y / size, z / size];
}

/** A motion with a copy of one of its key positions put after it, at beat `at`; a partner stays where they were. */
export function withKeyCopied(motion: Animation, index: number, at: number): Animation {
  const key = motion.keys[index]!;
  return {
    ...motion,
    keys: motion.keys.toSpliced(index + 1, 0, { ...key, at }),
    ...(motion.second && {
      second: {
        ...motion.second,
        poses: motion.second.poses.toSpliced(index + 1, 0, motion.second.poses[index] ?? key.pose),
      },
    }),
  };
}

/** A motion without one of its key positions, and without the partner's at that moment. */
export const withoutKey = (motion: Animation, index: number): Animation => ({
  ...motion,
  keys: motion.keys.toSpliced(index, 1),
  ...(motion.second && { second: { ...motion.second, poses: motion.second.poses.toSpliced(index, 1) } }),
});

/** The motion on another number of beats, its key positions spread as they were. `beats` is a whole number from 1. */
export function onBeats(motion: Animation, beats: number): Animation {
  const share = beats / motion.beats;
  return { ...motion, beats, keys: motion.keys.map((key) => ({ ...key, at: Math.round(key.at * share * 1e4) / 1e4 })) };
}

/** One slider of the pose editor: what it sets, between which ends, and where the joint's usual range ends. */
export type Slider = {
  key: string;
  words: string;
  group: string;
  least: number;
  most: number;
  step: number;
  value: number;
  usual?: [number, number];
  unit: "°" | "cm";
  set: (value: number) => Pose;
};

const SPINE = [
  ["flexion", 0, "bend"],
  ["side", 1, "to the side"],
  ["rotation", 2, "turn"],
] as const;

/** The sliders of a pose: pelvis, spine and limbs, as they are carried now. */
export function sliders(pose: Pose): Slider[] {
  const out: Slider[] = [];
  const { pelvis } = pose;
  const solved = solvePose(pose);
  const push = (
    group: string,
    key: string,
    words: string,
    value: number,
    least: number,
    most: number,
    set: (v: number) => Pose,
    unit: "°" | "cm" = "°",
    joint?: JointAngle,
  ) =>
    out.push({
      key,
      words,
      group,
      value: round(value),
      least,
      most,
      step: 1,
      unit,
      set,
      ...(joint && { usual: [LIMITS[joint].least, LIMITS[joint].most] as [number, number] }),
    });
  push("Pelvis", "tilt", "tip forward", pelvis.tilt, -180, 180, (tilt) => ({ ...pose, pelvis: { ...pelvis, tilt } }));
  push("Pelvis", "side", "tip to the right", pelvis.side, -180, 180, (side) => ({
    ...pose,
    pelvis: { ...pelvis, side },
  }));
  push("Pelvis", "turn", "turn to the right", pelvis.turn, -180, 180, (turn) => ({
    ...pose,
    pelvis: { ...pelvis, turn },
  }));
  push(
    "Pelvis",
    "height",
    "height",
    solved.points[pelvis.of ?? "pelvis"][1] * 100,
    2,
    160,
    (cm) => ({ ...pose, pelvis: { ...pelvis, at: [pelvis.at[0], cm / 100, pelvis.at[2]] } }),
    "cm",
  );
  for (const part of ["lumbar", "thoracic", "neck"] as const) {
    const group = part === "lumbar" ? "Lower back" : part === "thoracic" ? "Upper back" : "Neck";
    for (const [name, i, words] of SPINE) {
      const joint = `${part}.${name}` as JointAngle;
      const { least, most, past } = LIMITS[joint];
      push(
        group,
        joint,
        words,
        pose[part][i],
        least - past[0],
        most + past[1],
        (v) => ({ ...pose, [part]: pose[part].map((old, k) => (k === i ? v : old)) }),
        "°",
        joint,
      );
    }
  }
  for (const side of ["right", "left"] as const) {
    const name = side === "right" ? "Right" : "Left";
    limbSliders(pose, solved, side, `${name} arm`, `${name} leg`, push);
  }
  return out;
}

type Push = (
  group: string,
  key: string,
  words: string,
  value: number,
  least: number,
  most: number,
  set: (v: number) => Pose,
  unit?: "°" | "cm",
  joint?: JointAngle,
) => void;

function limbSliders(pose: Pose, solved: Solved, side: Side, armGroup: string, legGroup: string, push: Push): void {
  const wide = (joint: JointAngle): [number, number] => [
    LIMITS[joint].least - LIMITS[joint].past[0],
    LIMITS[joint].most + LIMITS[joint].past[1],
  ];
  const key = (joint: string): AngleKey => `${side}.${joint}` as AngleKey;
  const { arm, leg } = pose[side];
  if (arm.by === "hand" || arm.by === "elbow") {
    (
      [
        ["ahead", 0, -150, 150],
        ["height", 1, 0, 250],
        ["to the right", 2, -150, 150],
      ] as const
    ).forEach(([words, i, least, most]) =>
      push(
        armGroup,
        key(`hand.${i}`),
        words,
        arm.at[i] * 100,
        least,
        most,
        (cm) =>
          withArm(pose, side, {
            ...arm,
            at: arm.at.map((v, k) => (k === i ? cm / 100 : v)) as [number, number, number],
          }),
        "cm",
      ),
    );
  } else {
    const a = arm.by === "angles" ? arm : (armAngles(solved, side) as Extract<Arm, { by: "angles" }>);
    push(armGroup, key("plane"), "ahead or to the side", a.plane, -120, 140, (plane) =>
      withArm(pose, side, { ...a, plane }),
    );
    push(
      armGroup,
      key("shoulder.elevation"),
      "lifted",
      a.elevation,
      0,
      180,
      (elevation) => withArm(pose, side, { ...a, elevation }),
      "°",
      "shoulder.elevation",
    );
    push(
      armGroup,
      key("shoulder.rotation"),
      "turned in",
      a.rotation,
      ...wide("shoulder.rotation"),
      (rotation) => withArm(pose, side, { ...a, rotation }),
      "°",
      "shoulder.rotation",
    );
    push(
      armGroup,
      key("elbow.flexion"),
      "elbow",
      a.elbow,
      ...wide("elbow.flexion"),
      (elbow) => withArm(pose, side, { ...a, elbow }),
      "°",
      "elbow.flexion",
    );
    push(
      armGroup,
      key("wrist.extension"),
      "wrist",
      a.wrist,
      ...wide("wrist.extension"),
      (wrist) => withArm(pose, side, { ...a, wrist }),
      "°",
      "wrist.extension",
    );
  }
  if (leg.by === "foot" || leg.by === "knee") {
    (
      [
        ["ahead", 0, -150, 150],
        ["height", 1, 0, 120],
        ["to the right", 2, -150, 150],
      ] as const
    ).forEach(([words, i, least, most]) =>
      push(
        legGroup,
        key(`${leg.by}.${i}`),
        words,
        leg.at[i] * 100,
        least,
        most,
        (cm) =>
          withLeg(pose, side, {
            ...leg,
            at: leg.at.map((v, k) => (k === i ? cm / 100 : v)) as [number, number, number],
          }),
        "cm",
      ),
    );
    if (leg.by === "foot") {
      push(legGroup, key("out"), "toes out", leg.out, -60, 90, (out) => withLeg(pose, side, { ...leg, out }));
      push(legGroup, key("heel"), "heel up", leg.heel, -40, 80, (heel) => withLeg(pose, side, { ...leg, heel }));
      push(legGroup, key("roll"), "rolled out", leg.tilt, -60, 40, (tilt) => withLeg(pose, side, { ...leg, tilt }));
    }
    return;
  }
  const l = leg.by === "angles" ? leg : (legAngles(solved, side) as Extract<Leg, { by: "angles" }>);
  (
    [
      ["hip.flexion", 0, "hip folded"],
      ["hip.abduction", 1, "out to the side"],
      ["hip.rotation", 2, "turned in"],
    ] as const
  ).forEach(([joint, i, words]) =>
    push(
      legGroup,
      key(joint),
      words,
      l.hip[i],
      ...wide(joint),
      (v) => withLeg(pose, side, { ...l, hip: l.hip.map((old, k) => (k === i ? v : old)) as [number, number, number] }),
      "°",
      joint,
    ),
  );
  push(
    legGroup,
    key("knee.flexion"),
    "knee",
    l.knee,
    ...wide("knee.flexion"),
    (v) => withLeg(pose, side, { ...l, knee: v }),
    "°",
    "knee.flexion",
  );
  push(
    legGroup,
    key("ankle.dorsiflexion"),
    "ankle",
    l.ankle,
    ...wide("ankle.dorsiflexion"),
    (v) => withLeg(pose, side, { ...l, ankle: v }),
    "°",
    "ankle.dorsiflexion",
  );
  push(
    legGroup,
    key("ankle.inversion"),
    "sole in",
    l.inversion,
    ...wide("ankle.inversion"),
    (v) => withLeg(pose, side, { ...l, inversion: v }),
    "°",
    "ankle.inversion",
  );
}
