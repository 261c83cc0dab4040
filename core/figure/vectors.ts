import { glMatrix, quat, vec3 } from "gl-matrix";
import type { Degrees } from "~/core/units";

// Plain arrays of doubles: a pose and its mirror image must agree to the last digits.
glMatrix.setMatrixArrayType(Array);

/** A place or direction. Metres or unitless; x forward, y up, z to the athlete's right. */
export type Vec = readonly [number, number, number];

/** A turn in space as a unit quaternion, x y z w. */
export type Turn = readonly [number, number, number, number];

const DEG = Math.PI / 180;

export const X: Vec = [1, 0, 0];
export const Y: Vec = [0, 1, 0];
export const Z: Vec = [0, 0, 1];
export const NO_TURN: Turn = [0, 0, 0, 1];

type V3 = [number, number, number];
type Q4 = [number, number, number, number];
const v = (): V3 => [0, 0, 0];
const q = (): Q4 => [0, 0, 0, 1];

export const add = (a: Vec, b: Vec): Vec => vec3.add(v(), a, b) as V3;
export const sub = (a: Vec, b: Vec): Vec => vec3.sub(v(), a, b) as V3;
export const scale = (a: Vec, s: number): Vec => vec3.scale(v(), a, s) as V3;
export const along = (a: Vec, direction: Vec, s: number): Vec => vec3.scaleAndAdd(v(), a, direction, s) as V3;
export const dot = (a: Vec, b: Vec): number => vec3.dot(a, b);
export const cross = (a: Vec, b: Vec): Vec => vec3.cross(v(), a, b) as V3;
export const length = (a: Vec): number => vec3.length(a);
export const distance = (a: Vec, b: Vec): number => vec3.distance(a, b);
export const lerp = (a: Vec, b: Vec, u: number): Vec => vec3.lerp(v(), a, b, u) as V3;

/** The direction of a vector, or `fallback` where it has none. */
export function unit(a: Vec, fallback: Vec = X): Vec {
  return length(a) > 1e-9 ? (vec3.normalize(v(), a) as V3) : fallback;
}

/** The part of `a` at right angles to the unit vector `n`. */
export const across = (a: Vec, n: Vec): Vec => along(a, n, -dot(a, n));

export const about = (axis: Vec, angle: Degrees): Turn => quat.setAxisAngle(q(), axis, angle * DEG) as Q4;
export const turned = (a: Vec, by: Turn): Vec => vec3.transformQuat(v(), a, by) as V3;
export const inverse = (a: Turn): Turn => quat.conjugate(q(), a) as Q4;

/** Turns one after the other in the moving frame, the first outermost. */
export function chain(...turns: readonly Turn[]): Turn {
  let out: Turn = NO_TURN;
  for (const turn of turns) out = quat.multiply(q(), out, turn) as Q4;
  return out;
}

/** The turn of a frame whose own x, y and z axes point along these right-handed unit vectors. */
export function frame(x: Vec, y: Vec, z: Vec): Turn {
  return quat.normalize(q(), quat.fromMat3(q(), [...x, ...y, ...z])) as Q4;
}

export const slerp = (a: Turn, b: Turn, u: number): Turn => quat.slerp(q(), a, b, u) as Q4;

const clamp1 = (n: number) => Math.min(1, Math.max(-1, n));

/**
 * The angles z, then x, then y that make up a turn: flexion, then side, then rotation about the bone itself, the sequence
 * recommended for hip, knee, ankle and spine by the International Society of Biomechanics (Wu et al. 2002).
 */
export function anglesZXY(turn: Turn): { z: Degrees; x: Degrees; y: Degrees } {
  const yAxis = turned(Y, turn);
  const xAxis = turned(X, turn);
  const zAxis = turned(Z, turn);
  return {
    z: Math.atan2(-yAxis[0], yAxis[1]) / DEG,
    x: Math.asin(clamp1(yAxis[2])) / DEG,
    y: Math.atan2(-xAxis[2], zAxis[2]) / DEG,
  };
}

export const degrees = (radians: number): Degrees => radians / DEG;
export const radians = (angle: Degrees): number => angle * DEG;

/** The angle between two unit vectors. */
export const between = (a: Vec, b: Vec): Degrees => Math.acos(clamp1(dot(a, b))) / DEG;

/** The mirror image in the plane between left and right. */
export const mirrored = (a: Vec): Vec => [a[0], a[1], -a[2]];
