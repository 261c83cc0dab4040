import { solveArm, type ArmSolved, type FreeArm } from "./arms";
import { LENGTH, LUMBAR_PART, LUMBAR_PARTS, NECK_PART, NECK_PARTS, PELVIS, RADIUS, THORACIC_PART, THORACIC_PARTS, TO_HEAD } from "./body";
import { hipHeight, solveLeg, type FreeLeg, type LegSolved } from "./legs";
import { POINT_NAMES, SIDES, type Arm, type HandArm, type Leg, type PointName, type Pose, type Side, type SpinePart } from "./pose";
import { about, add, along, chain, scale, turned, X, Y, Z, type Turn, type Vec } from "./vectors";
import type { Metres } from "~/core/units";

/** A pose on its way between key positions: limbs may also be carried as joint turns. */
export type Stance = {
  root: { at: readonly [number, number | null, number]; turn: Turn };
  lumbar: SpinePart; thoracic: SpinePart; neck: SpinePart;
  left: { arm: Arm | FreeArm; leg: Leg | FreeLeg };
  right: { arm: Arm | FreeArm; leg: Leg | FreeLeg };
};

/** A body in the room: every point in metres, every part's turn, the curve of the spine. */
export type Solved = {
  points: Record<PointName, Vec>;
  pelvis: Turn; chest: Turn; head: Turn;
  arms: Record<Side, ArmSolved>;
  legs: Record<Side, LegSolved>;
  /** The spine as a curve from the middle of the hips to the top of the neck. */
  spine: Vec[];
  /** Turns along that curve. */
  spineTurns: Turn[];
  stance: Stance;
};

/** How a pelvis stands: turned about the room's upright, then tipped forward, then to the side. */
export function pelvisTurn({ tilt, side, turn }: Pick<Pose["pelvis"], "tilt" | "side" | "turn">): Turn {
  return chain(about(Y, -turn), about(Z, -tilt), about(X, side));
}

export function stanceOf(pose: Pose): Stance {
  return { root: { at: pose.pelvis.at, turn: pelvisTurn(pose.pelvis) }, lumbar: pose.lumbar, thoracic: pose.thoracic, neck: pose.neck, left: pose.left, right: pose.right };
}

/** Where every part of the body is in a pose. Lengths never change; a hand or foot out of reach stops short of its place. */
export function solvePose(pose: Pose): Solved {
  return solveStance(stanceOf(pose));
}

export function solveStance(stance: Stance): Solved {
  const { turn } = stance.root;
  const hips = (root: Vec, side: Side): Vec => add(root, turned([0, 0, (side === "right" ? 1 : -1) * LENGTH.halfHips], turn));
  const trunk = solveTrunk(stance);
  const root: Vec = [stance.root.at[0], stance.root.at[1] ?? rootHeight(stance, trunk, hips), stance.root.at[2]];

  const legs = {} as Record<Side, LegSolved>;
  for (const side of SIDES) legs[side] = solveLeg(stance[side].leg, hips(root, side), turn, side);

  const points = {} as Record<PointName, Vec>;
  const put = (name: PointName, place: Vec) => {
    points[name] = place;
  };
  for (const [name, place] of Object.entries(trunk.points)) put(name as PointName, add(root, place));
  for (const side of SIDES) {
    const hip = hips(root, side);
    const { knee, ankle, heel, ball, toe } = legs[side];
    for (const [name, place] of Object.entries({ hip, knee, ankle, heel, ball, toe })) put(`${side}.${name as "hip"}`, place);
    put(`${side}.seat`, add(hip, turned([-0.04, -0.03, side === "right" ? -0.07 : 0.07], turn)));
  }

  const top = points.chest;
  const arms = {} as Record<Side, ArmSolved>;
  // An arm that holds on to the other one comes second.
  const order = [...SIDES].sort((a, b) => Number(holdsOther(stance[a].arm)) - Number(holdsOther(stance[b].arm)));
  for (const side of order) {
    const { arm } = stance[side];
    const solved = solveArm(arm, arm.by === "hand" ? handPlace(arm, points, trunk, turn) : undefined, top, trunk.chest, side);
    arms[side] = solved;
    const { shoulder, elbow, wrist, palm, fingers } = solved;
    for (const [name, place] of Object.entries({ shoulder, elbow, wrist, palm, fingers })) put(`${side}.${name as "elbow"}`, place);
  }
  return {
    points, arms, legs, pelvis: turn, chest: trunk.chest, head: trunk.head,
    spine: trunk.spine.map((p) => add(root, p)), spineTurns: trunk.turns, stance,
  };
}

const ARM_POINT = /\.(elbow|wrist|palm|fingers)$/;
const holdsOther = (arm: Arm | FreeArm) => arm.by === "hand" && arm.of !== undefined && ARM_POINT.test(arm.of);

/** Where a hand goal is in the room. Offsets from the trunk and head turn with them. */
function handPlace(arm: HandArm, points: Record<PointName, Vec>, trunk: Trunk, pelvis: Turn): Vec {
  if (!arm.of) return arm.at;
  const from = points[arm.of];
  switch (arm.of) {
    case "head": case "crown": case "nose":
      return add(from, turned(arm.at, trunk.head));
    case "chest": case "sternum": case "back": case "neck":
      return add(from, turned(arm.at, trunk.chest));
    case "pelvis": case "sacrum": case "waist":
      return add(from, turned(arm.at, pelvis));
    default:
      return arm.of.endsWith(".shoulder") ? add(from, turned(arm.at, trunk.chest)) : add(from, arm.at);
  }
}

type Trunk = { points: Partial<Record<PointName, Vec>>; spine: Vec[]; turns: Turn[]; chest: Turn; head: Turn };

const part = ([flexion, side, rotation]: SpinePart, parts: number): Turn =>
  chain(about(Z, -flexion / parts), about(X, side / parts), about(Y, -rotation / parts));

/** The trunk and head with the middle of the hips at the origin. */
function solveTrunk({ root: { turn: pelvis }, lumbar, thoracic, neck }: Stance): Trunk {
  const spine: Vec[] = [[0, 0, 0]];
  const turns: Turn[] = [pelvis];
  let at: Vec = turned([0, PELVIS, 0], pelvis);
  let turn = pelvis;
  spine.push(at);
  turns.push(turn);
  const grow = (angles: SpinePart, parts: number, length: Metres) => {
    const step = part(angles, parts);
    for (let i = 0; i < parts; i++) {
      turn = chain(turn, step);
      at = along(at, turned(Y, turn), length);
      spine.push(at);
      turns.push(turn);
    }
    return { at, turn };
  };
  const waist = grow(lumbar, LUMBAR_PARTS, LUMBAR_PART);
  const chest = grow(thoracic, THORACIC_PARTS, THORACIC_PART);
  const middle = spine[spine.length - 2]!;
  const middleTurn = turns[turns.length - 2]!;
  const skull = grow(neck, NECK_PARTS, NECK_PART);
  const head = along(skull.at, turned(Y, skull.turn), TO_HEAD);
  return {
    spine, turns, chest: chest.turn, head: skull.turn,
    points: {
      pelvis: [0, 0, 0], sacrum: turned([-RADIUS.pelvis, 0.06, 0], pelvis), waist: waist.at, chest: chest.at,
      back: add(middle, turned([-RADIUS.chest, 0, 0], middleTurn)), sternum: add(middle, turned([RADIUS.chest, 0, 0], middleTurn)),
      neck: skull.at, head, crown: along(head, turned(Y, skull.turn), RADIUS.head), nose: add(head, turned([RADIUS.head + 0.015, -0.015, 0], skull.turn)),
    },
  };
}

/** What a point of the body adds below itself: the thickness of flesh round a joint. */
export const THICKNESS: Partial<Record<PointName, Metres>> = {
  pelvis: RADIUS.pelvis, waist: RADIUS.waist, head: RADIUS.head,
  ...Object.fromEntries(
    SIDES.flatMap((side) => [
      [`${side}.hip`, RADIUS.hip], [`${side}.knee`, RADIUS.knee], [`${side}.ankle`, RADIUS.ankle], [`${side}.heel`, RADIUS.heel], [`${side}.ball`, RADIUS.ball], [`${side}.toe`, RADIUS.toe],
      [`${side}.shoulder`, RADIUS.shoulder], [`${side}.elbow`, RADIUS.elbow], [`${side}.wrist`, RADIUS.wrist], [`${side}.palm`, RADIUS.palm], [`${side}.fingers`, RADIUS.fingers],
    ]),
  ),
};

/** Height of the lowest skin of a body over the floor; below zero when something is under it. */
export function lowest(points: Partial<Record<PointName, Vec>>): Metres {
  let low = Infinity;
  for (const name of POINT_NAMES) {
    const point = points[name];
    if (point) low = Math.min(low, point[1] - (THICKNESS[name] ?? 0));
  }
  return low;
}

/** The height that rests a knee on its place, or the lowest part that is not held by a goal on the floor. */
function rootHeight(stance: Stance, trunk: Trunk, hips: (root: Vec, side: Side) => Vec): Metres {
  const flat: Vec = [stance.root.at[0], 0, stance.root.at[2]];
  for (const side of SIDES) {
    const { leg } = stance[side];
    if (leg.by !== "knee") continue;
    const hip = hips(flat, side);
    const height = hipHeight(leg, hip);
    if (height !== undefined) return height - hip[1];
  }
  const points: Partial<Record<PointName, Vec>> = { ...trunk.points };
  for (const side of SIDES) {
    const { leg, arm } = stance[side];
    const hip = hips([0, 0, 0], side);
    points[`${side}.hip`] = hip;
    if (leg.by === "angles" || leg.by === "free" || leg.by === "aim") {
      const { knee, ankle, heel, ball, toe } = solveLeg(leg, hip, stance.root.turn, side);
      Object.assign(points, Object.fromEntries(Object.entries({ knee, ankle, heel, ball, toe }).map(([k, p]) => [`${side}.${k}`, p])));
    }
    if (arm.by !== "hand" && trunk.points.chest) {
      const { elbow, wrist, palm, fingers } = solveArm(arm, undefined, trunk.points.chest, trunk.chest, side);
      Object.assign(points, Object.fromEntries(Object.entries({ elbow, wrist, palm, fingers }).map(([k, p]) => [`${side}.${k}`, p])));
    }
  }
  return -lowest(points);
}

/** The middle of a list of points. */
export function middleOf(points: readonly Vec[]): Vec {
  return scale(points.reduce(add, [0, 0, 0] as Vec), 1 / Math.max(points.length, 1));
}
