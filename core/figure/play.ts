import type { FreeArm } from "./arms";
import type { FreeLeg } from "./legs";
import { mirrorPose, otherPoint } from "./mirror";
import type { Anchor, Animation, Prop } from "./animation";
import { placed } from "./placed";
import { viewOf } from "./views";
import { SIDES, type Side } from "./points";
import type { Arm, HandArm, Leg, SpinePart } from "./pose";
import { solvePose, solveStance, startOf, type Solved, type Stance } from "./solve";
import { about, chain, lerp, slerp, turned, X, Y, Z, type Turn, type Vec } from "./vectors";
import type { Degrees, Metres, Share } from "~/core/units";

/** A motion with its key positions worked out, ready to be asked for any moment. */
export type Player = {
  motion: Animation;
  keys: PlayerKey[];
  /** Where a repetition ends: the first key, or its mirror image in a drill that changes over. */
  last: PlayerKey;
  /** For the stretch after each key. */
  above: Above[];
  /** A partner, by themselves, and where they stand. */
  second?: { player: Player; at: readonly [Metres, Metres]; turn: Degrees };
};

type PlayerKey = { at: number; solved: Solved; lift: number };

/** How far over the found height a stretch between two keys begins and ends, so that it meets the keys. */
type Above = readonly [Metres, Metres];

/** The motion of the other side: the exact mirror image, its props and view with it. */
export function mirrorMotion(motion: Animation): Animation {
  const view = viewOf(motion);
  return {
    ...motion,
    keys: motion.keys.map((key) => ({ ...key, pose: mirrorPose(key.pose) })),
    props: motion.props.map(mirrorProp),
    view: { ...view, around: 180 - view.around },
    ...(motion.second && { second: mirrorSecond(motion.second) }),
  };
}

const mirrorSecond = ({ at, turn, poses }: NonNullable<Animation["second"]>): Animation["second"] => ({
  at: [at[0], -at[1]],
  turn: -turn,
  poses: poses.map(mirrorPose),
});

const flipAnchor = (anchor: Anchor): Anchor =>
  Array.isArray(anchor)
    ? [anchor[0], anchor[1], -anchor[2]]
    : { of: otherPoint(anchor.of), off: [anchor.off[0], anchor.off[1], -anchor.off[2]] };

export function mirrorProp(prop: Prop): Prop {
  return prop.shape === "box"
    ? { ...prop, at: flipAnchor(prop.at) }
    : { ...prop, from: flipAnchor(prop.from), to: flipAnchor(prop.to) };
}

/** Works out the key positions of a motion, of the right side or in the mirror. */
export function playerOf(motion: Animation, side: Side = "right"): Player {
  const own = side === "right" ? motion : mirrorMotion(motion);
  const keys = own.keys.map((key) => ({ at: key.at, solved: solvePose(key.pose), lift: key.lift }));
  const first = own.keys[0]!;
  const last =
    own.ends === "mirrored"
      ? { at: own.beats, solved: solvePose(mirrorPose(first.pose)), lift: first.lift }
      : { ...keys[0]!, at: own.beats };
  const above = keys.map((key, i) => aboveOf(key.solved, (keys[i + 1] ?? last).solved));
  return { motion: own, keys, last, above, ...(own.second && { second: secondOf(own, own.second) }) };
}

function secondOf(motion: Animation, { at, turn, poses }: NonNullable<Animation["second"]>): Player["second"] {
  const keys = motion.keys.map((key, i) => ({ ...key, pose: poses[i] ?? key.pose }));
  return { player: playerOf({ ...motion, keys, second: undefined }), at, turn };
}

/** The partner at a moment of a repetition, where there is one. */
export const secondAt = ({ second }: Player, beat: number): Solved | undefined =>
  second && placed(bodyAt(second.player, beat), second.at, second.turn);

function aboveOf(a: Solved, b: Solved): Above {
  const off = (key: Solved, stance: Stance): Metres =>
    stance.root.at[1] === null ? key.points.pelvis[1] - startOf(stance)[1] : 0;
  return [off(a, mix(a, b, 0, 0)), off(b, mix(a, b, 1, 0))];
}

/** Slow at both ends, as a limb is: 3u² − 2u³. */
const ease = (u: Share): Share => u * u * (3 - 2 * u);

/** The body at a moment of a repetition, counted in beats from 0; it goes round from the last beat to the first. */
export function bodyAt(player: Player, beat: number): Solved {
  const { keys, motion } = player;
  if (keys.length === 1) return keys[0]!.solved;
  const at = beat === motion.beats ? beat : ((beat % motion.beats) + motion.beats) % motion.beats;
  let i = keys.length - 1;
  while (i > 0 && keys[i]!.at > at) i--;
  const from = keys[i]!;
  if (motion.kind === "hold" && i === keys.length - 1) return from.solved;
  const to = i + 1 < keys.length ? keys[i + 1]! : player.last;
  const until = i + 1 < keys.length ? to.at : motion.beats;
  if (until <= from.at) return from.solved;
  const u = Math.min(1, (at - from.at) / (until - from.at));
  if (u === 0) return from.solved;
  if (u === 1) return to.solved;
  if (motion.flow === "through") {
    const before = keys[(i + keys.length - 1) % keys.length]!;
    const after = keys[(i + 2) % keys.length]!;
    return solveStance(raised(mixThrough(before.solved, from.solved, to.solved, after.solved, u), player.above[i]!, u));
  }
  return solveStance(raised(mix(from.solved, to.solved, ease(u), to.lift), player.above[i]!, ease(u)));
}

function raised(stance: Stance, [from, to]: Above, u: Share): Stance {
  stance.root.above = from + (to - from) * u;
  return stance;
}

/** A stance part of the way from one body to another. Limbs that hold a place in both are led by the place, others by their joints. */
function mix(a: Solved, b: Solved, u: Share, lift: number): Stance {
  const numbers = (x: SpinePart, y: SpinePart): SpinePart => [
    x[0] + (y[0] - x[0]) * u,
    x[1] + (y[1] - x[1]) * u,
    x[2] + (y[2] - x[2]) * u,
  ];
  const limbs = (side: Side) => ({ arm: mixArm(a, b, side, u, lift), leg: mixLeg(a, b, side, u, lift) });
  return {
    root: { ...mixRoot(a, b, u), turn: slerp(a.pelvis, b.pelvis, u) },
    lumbar: numbers(a.stance.lumbar, b.stance.lumbar),
    thoracic: numbers(a.stance.thoracic, b.stance.thoracic),
    neck: numbers(a.stance.neck, b.stance.neck),
    left: limbs("left"),
    right: limbs("right"),
  };
}

/** Where both ends leave the height to be found, it is found on the way too; otherwise it is drawn in a line. */
function mixRoot(a: Solved, b: Solved, u: Share): Pick<Stance["root"], "at" | "of"> {
  const of = a.stance.root.of === b.stance.root.of ? (a.stance.root.of ?? "pelvis") : "pelvis";
  const at = lerp(a.points[of], b.points[of], u);
  const open = a.stance.root.at[1] === null && b.stance.root.at[1] === null;
  return { at: [at[0], open && sameRest(a, b) ? null : at[1], at[2]], of };
}

/** Whether the same part finds the height in both: a knee at rest, or no knee in either. */
function sameRest(a: Solved, b: Solved): boolean {
  const knees = (s: Solved) => SIDES.map((side) => s.stance[side].leg.by === "knee").join();
  return knees(a) === knees(b);
}

const rise = (a: Vec, b: Vec, u: Share, lift: number): Vec => {
  const place = lerp(a, b, u);
  return apart(a, b) > 0.01 && lift > 0 ? [place[0], place[1] + lift * Math.sin(Math.PI * u), place[2]] : place;
};

function mixLeg(a: Solved, b: Solved, side: Side, u: Share, lift: number): Leg | FreeLeg {
  const [x, y] = [a.stance[side].leg, b.stance[side].leg];
  const n = (p: number, q: number) => p + (q - p) * u;
  if (x.by === "foot" && y.by === "foot" && !(lift > 0 && apart(x.at, y.at) > STEP)) {
    const pole = x.pole || y.pole ? lerp(x.pole ?? kneeWay(a, side), y.pole ?? kneeWay(b, side), u) : undefined;
    return {
      by: "foot",
      at: [...rise(x.at, y.at, u, lift)],
      out: n(x.out, y.out),
      heel: n(x.heel, y.heel),
      tilt: n(x.tilt, y.tilt),
      ...(pole && { pole: [...pole] }),
    };
  }
  if (x.by === "knee" && y.by === "knee" && x.toes === y.toes)
    return { ...x, at: [...rise(x.at, y.at, u, lift)], splay: n(x.splay, y.splay) };
  return carried(
    mixJoints(a.legs[side].joints, b.legs[side].joints, u),
    x.by === "foot" || y.by === "foot" ? lift * Math.sin(Math.PI * u) : 0,
  );
}

/** Where a knee points, and an elbow: what stands in for a direction that only one of two keys gives. */
const kneeWay = ({ legs }: Solved, side: Side): Vec => turned(X, legs[side].thigh);
const elbowWay = ({ arms }: Solved, side: Side): Vec => turned([-1, 0, 0], arms[side].upperArm);
const fingerWay = ({ arms }: Solved, side: Side): Vec => turned([0, -1, 0], arms[side].hand);

/** A foot that goes this far is carried through the air by its joints, not slid along the floor. */
const STEP: Metres = 0.12;
/** How far hip and knee fold for each metre a foot is carried up. */
const FOLD = { hip: 170, knee: 330 };

function carried(leg: FreeLeg, lift: Metres): FreeLeg {
  return lift > 0
    ? { ...leg, hip: chain(leg.hip, about(Z, FOLD.hip * lift)), knee: chain(leg.knee, about(Z, -FOLD.knee * lift)) }
    : leg;
}

const apart = (a: Vec, b: Vec): Metres => Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);

function mixJoints(x: FreeLeg, y: FreeLeg, u: Share): FreeLeg {
  return {
    by: "free",
    hip: slerp(x.hip, y.hip, u),
    knee: slerp(x.knee, y.knee, u),
    ankle: slerp(x.ankle, y.ankle, u),
    toes: x.toes + (y.toes - x.toes) * u,
  };
}

function mixArm(a: Solved, b: Solved, side: Side, u: Share, lift: number): Arm | FreeArm {
  const [x, y] = [a.stance[side].arm, b.stance[side].arm];
  if (x.by === "hand" && y.by === "hand" && x.of === y.of && x.rest === y.rest)
    return mixHand(a, b, x, y, side, u, lift);
  if (x.by === "elbow" && y.by === "elbow") {
    const n = (p: number, q: number) => p + (q - p) * u;
    return {
      by: "elbow",
      girdle: mixGirdle(x.girdle, y.girdle, u),
      at: [...rise(x.at, y.at, u, lift)],
      fore: [...lerp(x.fore, y.fore, u)],
      wrist: n(x.wrist, y.wrist),
      pronation: n(x.pronation, y.pronation),
    };
  }
  if (x.by === "angles" && y.by === "angles") {
    const n = (p: number, q: number) => p + (q - p) * u;
    return {
      by: "angles",
      girdle: mixGirdle(x.girdle, y.girdle, u),
      plane: n(x.plane, y.plane),
      elevation: n(x.elevation, y.elevation),
      rotation: n(x.rotation, y.rotation),
      elbow: n(x.elbow, y.elbow),
      pronation: n(x.pronation, y.pronation),
      wrist: n(x.wrist, y.wrist),
    };
  }
  const [p, q] = [a.arms[side].joints, b.arms[side].joints];
  return {
    by: "free",
    girdle: mixGirdle(p.girdle, q.girdle, u),
    shoulder: slerp(p.shoulder, q.shoulder, u),
    elbow: slerp(p.elbow, q.elbow, u),
    wrist: slerp(p.wrist, q.wrist, u),
  };
}

function mixGirdle(
  x: readonly [number, number] | undefined,
  y: readonly [number, number] | undefined,
  u: Share,
): [number, number] {
  const [p, q] = [x ?? [0, 0], y ?? [0, 0]];
  return [p[0] + (q[0] - p[0]) * u, p[1] + (q[1] - p[1]) * u];
}

function mixHand(a: Solved, b: Solved, x: HandArm, y: HandArm, side: Side, u: Share, lift: number): HandArm {
  const between = (p: Vec | undefined, q: Vec | undefined, way: (body: Solved, side: Side) => Vec) =>
    p || q ? ([...lerp(p ?? way(a, side), q ?? way(b, side), u)] as [number, number, number]) : undefined;
  const [fingers, pole, normal] = [
    between(x.fingers, y.fingers, fingerWay),
    between(x.pole, y.pole, elbowWay),
    between(x.normal, y.normal, () => Y),
  ];
  return {
    by: "hand",
    rest: x.rest,
    girdle: mixGirdle(x.girdle, y.girdle, u),
    at: [...rise(x.at, y.at, u, lift)],
    ...(x.of && { of: x.of }),
    ...(fingers && { fingers }),
    ...(pole && { pole }),
    ...(normal && { normal }),
  };
}

/** Passing through the keys without rest: Catmull–Rom on numbers, places and turns. */
function mixThrough(p: Solved, a: Solved, b: Solved, q: Solved, u: Share): Stance {
  const c = weights(u);
  const number = (w: number, x: number, y: number, z: number) => c[0] * w + c[1] * x + c[2] * y + c[3] * z;
  const vec = (get: (s: Solved) => Vec): Vec => {
    const [w, x, y, z] = [get(p), get(a), get(b), get(q)];
    return [number(w[0], x[0], y[0], z[0]), number(w[1], x[1], y[1], z[1]), number(w[2], x[2], y[2], z[2])];
  };
  const turn = (get: (s: Solved) => Turn): Turn => throughTurn([get(p), get(a), get(b), get(q)], c);
  const plain = mix(a, b, u, 0);
  const at = vec((s) => s.points[plain.root.of ?? "pelvis"]);
  const leg = (side: Side): Leg | FreeLeg => {
    const mixed = plain[side].leg;
    return mixed.by === "free" || mixed.by === "angles"
      ? {
          by: "free",
          hip: turn((s) => s.legs[side].joints.hip),
          knee: turn((s) => s.legs[side].joints.knee),
          ankle: turn((s) => s.legs[side].joints.ankle),
          toes: 0,
        }
      : mixed;
  };
  const arm = (side: Side): Arm | FreeArm => {
    const mixed = plain[side].arm;
    if (mixed.by === "hand") {
      const all = [p, a, b, q].map((s) => s.stance[side].arm);
      return all.every((x): x is HandArm => x.by === "hand")
        ? { ...mixed, at: [...vec((s) => (s.stance[side].arm as HandArm).at)] }
        : mixed;
    }
    if (mixed.by === "angles") return mixed;
    const girdle = [0, 1].map((i) =>
      number(...([p, a, b, q].map((s) => s.arms[side].joints.girdle[i] ?? 0) as [number, number, number, number])),
    );
    return {
      by: "free",
      girdle: [girdle[0] ?? 0, girdle[1] ?? 0],
      shoulder: turn((s) => s.arms[side].joints.shoulder),
      elbow: turn((s) => s.arms[side].joints.elbow),
      wrist: turn((s) => s.arms[side].joints.wrist),
    };
  };
  return {
    root: {
      at: [at[0], plain.root.at[1] === null ? null : at[1], at[2]],
      of: plain.root.of,
      turn: turn((s) => s.pelvis),
    },
    lumbar: vec((s) => s.stance.lumbar) as SpinePart,
    thoracic: vec((s) => s.stance.thoracic) as SpinePart,
    neck: vec((s) => s.stance.neck) as SpinePart,
    left: { arm: arm("left"), leg: leg("left") },
    right: { arm: arm("right"), leg: leg("right") },
  };
}

function weights(u: Share): [number, number, number, number] {
  const [u2, u3] = [u * u, u * u * u];
  return [(-u3 + 2 * u2 - u) / 2, (3 * u3 - 5 * u2 + 2) / 2, (-3 * u3 + 4 * u2 + u) / 2, (u3 - u2) / 2];
}

function throughTurn(turns: readonly [Turn, Turn, Turn, Turn], c: readonly number[]): Turn {
  const base = turns[1];
  const sum = [0, 0, 0, 0];
  turns.forEach((t, k) => {
    const same = t[0] * base[0] + t[1] * base[1] + t[2] * base[2] + t[3] * base[3] < 0 ? -1 : 1;
    for (let i = 0; i < 4; i++) sum[i]! += (c[k] ?? 0) * same * (t[i] ?? 0);
  });
  const size = Math.hypot(...sum) || 1;
  return [sum[0]! / size, sum[1]! / size, sum[2]! / size, sum[3]! / size];
}

/** Where an anchor of a prop is for a body. */
export function anchorPlace(anchor: Anchor, body: Pick<Solved, "points">): Vec {
  if (Array.isArray(anchor)) return anchor;
  const from = body.points[anchor.of];
  return [from[0] + anchor.off[0], from[1] + anchor.off[1], from[2] + anchor.off[2]];
}
