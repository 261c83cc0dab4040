import {
  armOverFloor,
  elbowRest,
  reachingShoulder,
  reachOf,
  shoulderAt,
  solveArm,
  type ArmSolved,
  type FreeArm,
} from "./arms";
import {
  LENGTH,
  LUMBAR_PART,
  LUMBAR_PARTS,
  NECK_PART,
  NECK_PARTS,
  PELVIS,
  RADIUS,
  THORACIC_PART,
  THORACIC_PARTS,
  TO_HEAD,
} from "./body";
import { footPlace, hipHeight, kneeRest, legOverFloor, solveLeg, type FreeLeg, type LegSolved } from "./legs";
import { MIDDLE_POINTS, POINT_NAMES, SIDES, type MiddlePoint, type PointName, type Side } from "./points";
import type { Arm, HandArm, Leg, Pose, SpinePart } from "./pose";
import { about, add, along, chain, distance, scale, sub, turned, X, Y, Z, type Turn, type Vec } from "./vectors";
import type { Metres } from "~/core/units";

/** A pose on its way between key positions: limbs may also be carried as joint turns. */
export type Stance = {
  /** `above` is added to a height that is left to be found. */
  root: {
    at: readonly [number, number | null, number];
    of?: MiddlePoint | undefined;
    turn: Turn;
    above?: Metres | undefined;
  };
  lumbar: SpinePart;
  thoracic: SpinePart;
  neck: SpinePart;
  left: { arm: Arm | FreeArm; leg: Leg | FreeLeg };
  right: { arm: Arm | FreeArm; leg: Leg | FreeLeg };
};

/** A body in the room: every point in metres, every part's turn, the curve of the spine. */
export type Solved = {
  points: Record<PointName, Vec>;
  pelvis: Turn;
  chest: Turn;
  head: Turn;
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
  return {
    root: { at: pose.pelvis.at, of: pose.pelvis.of, turn: pelvisTurn(pose.pelvis) },
    lumbar: pose.lumbar,
    thoracic: pose.thoracic,
    neck: pose.neck,
    left: pose.left,
    right: pose.right,
  };
}

/** Where every part of the body is in a pose. Lengths never change; a hand or foot out of reach stops short of its place. */
export function solvePose(pose: Pose): Solved {
  return solveStance(stanceOf(pose), KEY_SETTLE_STEPS);
}

/** Where the middle of the hips starts from in a stance, before any limb has pulled at it. */
export const startOf = (stance: Stance): Vec => startRoot(stance, solveTrunk(stance));

export function solveStance(stance: Stance, steps = SETTLE_STEPS): Solved {
  const { turn } = stance.root;
  const trunk = solveTrunk(stance);
  const root = settle(stance, trunk, startRoot(stance, trunk), steps);

  const legs = {} as Record<Side, LegSolved>;
  for (const side of SIDES) {
    const { leg } = stance[side];
    const solved = solveLeg(leg, hipAt(root, turn, side), turn, side);
    legs[side] = leg.by === "foot" || leg.by === "knee" ? solved : legOverFloor(solved, hipAt(root, turn, side), turn);
  }

  const points = {} as Record<PointName, Vec>;
  const put = (name: PointName, place: Vec) => {
    points[name] = place;
  };
  for (const name of MIDDLE_POINTS) put(name, add(root, trunk.points[name]));
  for (const side of SIDES) {
    const hip = hipAt(root, turn, side);
    const { knee, ankle, heel, ball, toe } = legs[side];
    put(`${side}.hip`, hip);
    put(`${side}.knee`, knee);
    put(`${side}.ankle`, ankle);
    put(`${side}.heel`, heel);
    put(`${side}.ball`, ball);
    put(`${side}.toe`, toe);
    put(`${side}.seat`, add(hip, turned([-0.04, -0.03, side === "right" ? -0.07 : 0.07], turn)));
  }

  const top = points.chest;
  for (const side of SIDES)
    put(
      `${side}.shoulder`,
      add(root, shoulderAt([0, 0], 0, trunk.points.chest, trunk.chest, side === "right" ? 1 : -1)),
    );
  const arms = {} as Record<Side, ArmSolved>;
  // An arm that holds on to the other one comes second.
  const order = [...SIDES].sort((a, b) => Number(holdsOther(stance[a].arm)) - Number(holdsOther(stance[b].arm)));
  for (const side of order) {
    const { arm } = stance[side];
    const free = solveArm(
      arm,
      arm.by === "hand" ? handPlace(arm, points, trunk, turn) : undefined,
      top,
      trunk.chest,
      side,
    );
    const solved = arm.by === "hand" || arm.by === "elbow" ? free : armOverFloor(free, trunk.chest, side);
    arms[side] = solved;
    const { shoulder, elbow, wrist, palm, fingers } = solved;
    put(`${side}.shoulder`, shoulder);
    put(`${side}.elbow`, elbow);
    put(`${side}.wrist`, wrist);
    put(`${side}.palm`, palm);
    put(`${side}.fingers`, fingers);
  }
  return {
    points,
    arms,
    legs,
    pelvis: turn,
    chest: trunk.chest,
    head: trunk.head,
    spine: trunk.spine.map((p) => add(root, p)),
    spineTurns: trunk.turns,
    stance,
  };
}

const hipAt = (root: Vec, turn: Turn, side: Side): Vec =>
  add(root, turned([0, 0, (side === "right" ? 1 : -1) * LENGTH.halfHips], turn));

/** Where the pose says the middle of the hips is, before any limb has pulled at it. */
function startRoot(stance: Stance, trunk: Trunk): Vec {
  const { at, of = "pelvis", above = 0 } = stance.root;
  const off = trunk.points[of];
  const flat: Vec = [at[0] - off[0], 0, at[2] - off[2]];
  return [flat[0], at[1] === null ? rootHeight(stance, trunk, flat) + above : at[1] - off[1], flat[2]];
}

/** From how far below the trunk free legs are stood on. */
const STANDING_LEG: Metres = 0.55;

/** On the way between keys a body starts near where it settles; a key is settled until nothing moves. */
const SETTLE_STEPS = 24;
const KEY_SETTLE_STEPS = 400;
const SETTLED: Metres = 0.00004;
/** How near the ankle comes to the hip, and the wrist to the shoulder, when the limb is folded up. */
const FOLDED_LEG: Metres = 0.16;
const FOLDED_ARM: Metres = 0.09;

/**
 * Moves the hips the little that lets every planted hand, foot, knee and elbow reach its place, and keeps the trunk over
 * the floor: each step averages what the limbs still lack. Left and right count alike, so a mirrored pose settles mirrored.
 */
function settle(stance: Stance, trunk: Trunk, start: Vec, steps: number): Vec {
  const pulls: ((root: Vec) => Vec | undefined)[][] = [[], []];
  SIDES.forEach((side) => {
    const { leg, arm } = stance[side];
    const s = side === "right" ? 1 : -1;
    const hip = hipAt([0, 0, 0], stance.root.turn, side);
    if (leg.by === "foot") {
      const { ankle } = footPlace(leg, s);
      pulls[0]!.push((root) => lack(add(root, hip), ankle, FOLDED_LEG, LENGTH.thigh + LENGTH.shank - 0.001));
    } else if (leg.by === "knee") {
      const rest = kneeRest(leg);
      pulls[0]!.push((root) => lack(add(root, hip), rest, LENGTH.thigh, LENGTH.thigh));
    }
    if (arm.by === "hand" && !arm.of) {
      const { shoulder, aim, more } = reachOf(arm, trunk.points.chest, trunk.chest, s);
      const most = LENGTH.upperArm + LENGTH.forearm + more - 0.001;
      pulls[1]!.push((root) => lack(add(root, shoulder(root)), aim, FOLDED_ARM, most));
    } else if (arm.by === "elbow") {
      const rest = elbowRest(arm);
      const shoulder = reachingShoulder(arm, trunk.points.chest, trunk.chest, s);
      pulls[1]!.push((root) => lack(add(root, shoulder(root)), rest, LENGTH.upperArm, LENGTH.upperArm));
    }
  });
  const sunk = -lowest(trunkPoints(stance, trunk));
  let root = start;
  for (let i = 0; i < steps; i++) {
    let moves = 0;
    let by: Vec = [0, 0, 0];
    for (const pair of pulls) {
      let both: Vec = [0, 0, 0];
      for (const pull of pair) {
        const move = pull(root);
        if (!move) continue;
        moves++;
        both = add(both, move);
      }
      by = add(by, both);
    }
    if (root[1] < sunk - SETTLED) {
      moves++;
      by = add(by, [0, sunk - root[1], 0]);
    }
    if (moves === 0) break;
    root = along(root, by, 1 / moves);
  }
  return root;
}

/** The move that brings a joint within its limb's reach of a place, or nothing where it is. */
function lack(joint: Vec, place: Vec, least: Metres, most: Metres): Vec | undefined {
  const d = distance(joint, place);
  const want = Math.min(most, Math.max(least, d));
  return Math.abs(d - want) < SETTLED || d < 1e-6 ? undefined : scale(sub(place, joint), 1 - want / d);
}

const ARM_POINT = /\.(elbow|wrist|palm|fingers)$/;
const holdsOther = (arm: Arm | FreeArm) => arm.by === "hand" && arm.of !== undefined && ARM_POINT.test(arm.of);

/** Where a hand goal is in the room. Offsets from the trunk and head turn with them. */
function handPlace(arm: HandArm, points: Partial<Record<PointName, Vec>>, trunk: Trunk, pelvis: Turn): Vec {
  if (!arm.of) return arm.at;
  const from = points[arm.of];
  // A hand cannot hold on to its own arm, nor two hands to each other.
  if (!from) return arm.at;
  switch (arm.of) {
    case "head":
    case "crown":
    case "nose":
      return add(from, turned(arm.at, trunk.head));
    case "chest":
    case "sternum":
    case "back":
    case "neck":
      return add(from, turned(arm.at, trunk.chest));
    case "pelvis":
    case "sacrum":
    case "waist":
      return add(from, turned(arm.at, pelvis));
    default:
      return arm.of.endsWith(".shoulder") ? add(from, turned(arm.at, trunk.chest)) : add(from, arm.at);
  }
}

type Trunk = { points: Record<MiddlePoint, Vec>; spine: Vec[]; turns: Turn[]; chest: Turn; head: Turn };

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
    spine,
    turns,
    chest: chest.turn,
    head: skull.turn,
    points: {
      pelvis: [0, 0, 0],
      sacrum: turned([-RADIUS.pelvis, 0.06, 0], pelvis),
      waist: waist.at,
      chest: chest.at,
      back: add(middle, turned([-RADIUS.chest, 0, 0], middleTurn)),
      sternum: add(middle, turned([RADIUS.chest, 0, 0], middleTurn)),
      neck: skull.at,
      head,
      crown: along(head, turned(Y, skull.turn), RADIUS.head),
      nose: add(head, turned([RADIUS.head + 0.015, -0.015, 0], skull.turn)),
    },
  };
}

/** What a point of the body adds below itself: the thickness of flesh round a joint. */
export const THICKNESS: Partial<Record<PointName, Metres>> = {
  pelvis: RADIUS.pelvis,
  waist: RADIUS.waist,
  head: RADIUS.head,
  ...Object.fromEntries(
    SIDES.flatMap((side) => [
      [`${side}.hip`, RADIUS.hip],
      [`${side}.knee`, RADIUS.knee],
      [`${side}.ankle`, RADIUS.ankle],
      [`${side}.heel`, RADIUS.heel],
      [`${side}.ball`, RADIUS.ball],
      [`${side}.toe`, RADIUS.toe],
      [`${side}.shoulder`, RADIUS.shoulder],
      [`${side}.elbow`, RADIUS.elbow],
      [`${side}.wrist`, RADIUS.wrist],
      [`${side}.palm`, RADIUS.palm],
      [`${side}.fingers`, RADIUS.fingers],
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

/** Trunk, hips and shoulders with the middle of the hips at the origin. */
function trunkPoints(stance: Stance, trunk: Trunk): Partial<Record<PointName, Vec>> {
  const points: Partial<Record<PointName, Vec>> = { ...trunk.points };
  for (const side of SIDES) {
    points[`${side}.hip`] = hipAt([0, 0, 0], stance.root.turn, side);
    points[`${side}.shoulder`] = shoulderAt([0, 0], 0, trunk.points.chest, trunk.chest, side === "right" ? 1 : -1);
  }
  return points;
}

/** The height that rests a knee on its place, or the lowest part that is not held by a goal on the floor. */
function rootHeight(stance: Stance, trunk: Trunk, flat: Vec): Metres {
  for (const side of SIDES) {
    const { leg } = stance[side];
    if (leg.by !== "knee") continue;
    const hip = hipAt(flat, stance.root.turn, side);
    const height = hipHeight(leg, hip);
    if (height !== undefined) return height - hip[1];
  }
  const points = trunkPoints(stance, trunk);
  const seat = lowest(points);
  for (const side of SIDES) {
    const { leg } = stance[side];
    if (leg.by === "foot" || leg.by === "knee") continue;
    const { knee, ankle, heel, ball, toe } = solveLeg(leg, points[`${side}.hip`]!, stance.root.turn, side);
    Object.assign(
      points,
      Object.fromEntries(Object.entries({ knee, ankle, heel, ball, toe }).map(([k, p]) => [`${side}.${k}`, p])),
    );
  }
  // Legs that reach far below the trunk carry it; otherwise the trunk rests on the floor and the limbs keep above it.
  const feet = lowest(points);
  return -(seat - feet > STANDING_LEG ? feet : seat);
}
