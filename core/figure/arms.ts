import { FLAT_WRIST, LENGTH, RADIUS } from "./body";
import type { Side } from "./points";
import type { Arm, ElbowArm, HandArm } from "./pose";
import { aimAtHeight, bend } from "./two-bone";
import {
  about,
  across,
  add,
  along,
  between,
  chain,
  cross,
  frame,
  inverse,
  lerp,
  radians,
  sub,
  turned,
  unit,
  X,
  Y,
  Z,
  type Turn,
  type Vec,
} from "./vectors";
import type { Degrees, Metres } from "~/core/units";

/** An arm by its joints' own turns, as it is carried from one key position to the next. */
export type FreeArm = { by: "free"; girdle: [Degrees, Degrees]; shoulder: Turn; elbow: Turn; wrist: Turn };

export type ArmSolved = {
  shoulder: Vec;
  elbow: Vec;
  wrist: Vec;
  palm: Vec;
  fingers: Vec;
  upperArm: Turn;
  forearm: Turn;
  hand: Turn;
  joints: FreeArm;
  /** Where a hand goal is, in the room. */
  target?: Vec | undefined;
};

const DOWN: Vec = [0, -1, 0];
export const PALM: Metres = 0.09;
/** From 60° of lifting on, the shoulder blade turns up with the arm, about a degree of girdle in six. */
const RHYTHM_FROM: Degrees = 60;
const RHYTHM = 0.16;

/** An arm from the shoulder girdle out. `target` is where a hand goal is, in the room. */
export function solveArm(
  goal: Arm | FreeArm,
  target: Vec | undefined,
  chestTop: Vec,
  chest: Turn,
  side: Side,
): ArmSolved {
  const s = side === "right" ? 1 : -1;
  const girdle: [Degrees, Degrees] = goal.girdle ?? [0, 0];
  const still = shoulderAt(girdle, 0, chestTop, chest, s);
  const lifted = liftOf(goal, target, still, chest);
  const shoulder = shoulderAt(girdle, Math.max(0, lifted - RHYTHM_FROM) * RHYTHM, chestTop, chest, s);
  switch (goal.by) {
    case "free":
      return finish(goal, shoulder, chest);
    case "angles":
      return finish(
        {
          by: "free",
          girdle,
          shoulder: chain(
            about(Y, s * goal.plane),
            about(X, -s * goal.elevation),
            about(Y, s * (goal.rotation - goal.plane)),
          ),
          elbow: about(Z, goal.elbow),
          wrist: wristTurn(goal.pronation, goal.wrist, s),
        },
        shoulder,
        chest,
      );
    case "aim": {
      const inRoom = (v: Vec) => unit(goal.within === "chest" ? turned(v, chest) : v);
      const upperArm = upperFrame(inRoom(goal.upper), inRoom(goal.fore), chest, s);
      const forearm = foreFrame(upperArm, inRoom(goal.fore));
      return finish(
        joints(girdle, chest, upperArm, forearm, chain(forearm, wristTurn(goal.pronation, goal.wrist, s))),
        shoulder,
        chest,
      );
    }
    case "hand":
      return { ...toHand(goal, target ?? goal.at, girdle, shoulder, chest, s), target: target ?? goal.at };
    case "elbow": {
      const upper = unit(sub(elbowRest(goal), shoulder), DOWN);
      const fore = unit(goal.fore);
      const upperArm = upperFrame(upper, fore, chest, s);
      const forearm = foreFrame(upperArm, fore);
      return finish(
        joints(girdle, chest, upperArm, forearm, chain(forearm, wristTurn(goal.pronation, goal.wrist, s))),
        shoulder,
        chest,
      );
    }
  }
}

/** Where the middle of an elbow is that rests at its goal. */
export const elbowRest = (goal: ElbowArm): Vec => [goal.at[0], goal.at[1] + RADIUS.elbow, goal.at[2]];

/** What limits a hand that holds a place in the room: its shoulder (from the hips), the place, and what the hand adds to the arm. */
export function reachOf(
  goal: HandArm,
  chestTop: Vec,
  chest: Turn,
  s: number,
): { shoulder: (root: Vec) => Vec; aim: Vec; more: Metres } {
  const shoulder = reachingShoulder(goal, chestTop, chest, s);
  if (goal.rest === "flat") return { shoulder, aim: along(goal.at, unit(goal.normal ?? Y, Y), FLAT_WRIST), more: 0 };
  return goal.fingers
    ? { shoulder, aim: along(goal.at, unit(goal.fingers), -PALM), more: 0 }
    : { shoulder, aim: goal.at, more: PALM };
}

/** The shoulder, from the hips, of an arm that reaches for a place in the room from wherever the hips are. */
export function reachingShoulder(goal: HandArm | ElbowArm, chestTop: Vec, chest: Turn, s: number): (root: Vec) => Vec {
  const girdle = goal.girdle ?? [0, 0];
  const still = shoulderAt(girdle, 0, chestTop, chest, s);
  const below = turned(DOWN, chest);
  return (root) =>
    shoulderAt(
      girdle,
      Math.max(0, between(below, unit(sub(goal.at, add(root, still)), DOWN)) - RHYTHM_FROM) * RHYTHM,
      chestTop,
      chest,
      s,
    );
}

/** The middle of the shoulder joint, with the blade lifted and drawn forward. */
export function shoulderAt(
  [elevation, protraction]: readonly [Degrees, Degrees],
  rhythm: Degrees,
  top: Vec,
  chest: Turn,
  s: number,
): Vec {
  const e = radians(elevation + rhythm);
  const p = radians(protraction);
  const w = LENGTH.halfShoulders;
  return add(top, turned([w * Math.sin(p), w * Math.sin(e) * Math.cos(p), s * w * Math.cos(e) * Math.cos(p)], chest));
}

function liftOf(goal: Arm | FreeArm, target: Vec | undefined, shoulder: Vec, chest: Turn): Degrees {
  const below = turned(DOWN, chest);
  switch (goal.by) {
    case "free":
      return between(DOWN, turned(DOWN, goal.shoulder));
    case "angles":
      return goal.elevation;
    case "aim":
      return between(goal.within === "chest" ? DOWN : below, unit(goal.upper));
    case "hand":
      return between(below, unit(sub(target ?? goal.at, shoulder), below));
    case "elbow":
      return between(below, unit(sub(goal.at, shoulder), below));
  }
}

const wristTurn = (pronation: Degrees, extension: Degrees, s: number) =>
  chain(about(Y, s * pronation), about(X, -s * extension));

/** The arm swung from hanging to a direction without turning about itself: up in the plane it points to. */
export function armSwing(own: Vec, s: number): Turn {
  const flat = Math.hypot(own[0], own[2]);
  const plane = flat > 0.08 ? Math.atan2(own[0], s * own[2]) : Math.PI / 2;
  const lift = flat > 0.08 || own[1] < 0 ? between(DOWN, own) : 180;
  const p = (plane * 180) / Math.PI;
  return chain(about(Y, s * p), about(X, -s * lift), about(Y, -s * p));
}

const STRAIGHT = 0.04;
const BENT = 0.25;

/** The upper arm's frame: the forearm bends toward its own x; where the elbow is nearly straight, the swing decides. */
function upperFrame(upper: Vec, fore: Vec, chest: Turn, s: number): Turn {
  const bent = across(fore, upper);
  const share = Math.min(1, Math.max(0, (Math.hypot(...bent) - STRAIGHT) / (BENT - STRAIGHT)));
  const own = turned(upper, inverse(chest));
  const ahead = unit(across(turned(turned(X, armSwing(own, s)), chest), upper), X);
  const x = unit(across(lerp(ahead, unit(bent, ahead), share), upper), ahead);
  const y: Vec = [-upper[0], -upper[1], -upper[2]];
  return frame(x, y, cross(x, y));
}

function foreFrame(upperArm: Turn, fore: Vec): Turn {
  const y: Vec = [-fore[0], -fore[1], -fore[2]];
  const z = unit(across(turned(Z, upperArm), fore), Z);
  return frame(cross(y, z), y, z);
}

function joints(girdle: [Degrees, Degrees], chest: Turn, upperArm: Turn, forearm: Turn, hand: Turn): FreeArm {
  return {
    by: "free",
    girdle,
    shoulder: chain(inverse(chest), upperArm),
    elbow: chain(inverse(upperArm), forearm),
    wrist: chain(inverse(forearm), hand),
  };
}

function finish(free: FreeArm, shoulder: Vec, chest: Turn): ArmSolved {
  const upperArm = chain(chest, free.shoulder);
  const forearm = chain(upperArm, free.elbow);
  const hand = chain(forearm, free.wrist);
  const elbow = along(shoulder, turned(DOWN, upperArm), LENGTH.upperArm);
  const wrist = along(elbow, turned(DOWN, forearm), LENGTH.forearm);
  const fingersAlong = turned(DOWN, hand);
  return {
    shoulder,
    elbow,
    wrist,
    palm: along(wrist, fingersAlong, PALM),
    fingers: along(wrist, fingersAlong, LENGTH.hand - RADIUS.fingers),
    upperArm,
    forearm,
    hand,
    joints: free,
  };
}

/** The elbow of an arm whose hand holds a place, swung up as far as it takes to clear the floor. */
function elbowOverFloor(shoulder: Vec, end: Vec, second: Metres, pole: Vec): Vec {
  let elbow = bend(shoulder, end, LENGTH.upperArm, second, pole);
  if (elbow[1] >= RADIUS.elbow) return elbow;
  const to = unit(pole);
  let [low, high] = [0, 1];
  for (let i = 0; i < 8; i++) {
    const share = (low + high) / 2;
    elbow = bend(shoulder, end, LENGTH.upperArm, second, lerp(to, [0, 1, 0], share));
    if (elbow[1] >= RADIUS.elbow) high = share;
    else low = share;
  }
  return elbow;
}

/** Where an elbow points when nothing says so: back and out below the shoulder, out and a little ahead overhead. */
function elbowSide(lifted: Degrees, s: number): Vec {
  const share = Math.min(1, Math.max(0, (lifted - 80) / 60));
  return lerp([-0.6, -0.5, 0.6 * s], [0.35, -0.2, s], share);
}

/** A free arm kept over the floor: the elbow is lifted onto it, then the hand. */
export function armOverFloor(arm: ArmSolved, chest: Turn, side: Side): ArmSolved {
  let { elbow, wrist } = arm;
  const elbowUnder = RADIUS.elbow - elbow[1];
  if (elbowUnder > 1e-6) {
    elbow = aimAtHeight(arm.shoulder, elbow, LENGTH.upperArm, RADIUS.elbow);
    wrist = along(elbow, unit(sub(arm.wrist, arm.elbow)), LENGTH.forearm);
  }
  const shift = wrist[1] - arm.wrist[1];
  const handUnder =
    Math.max(RADIUS.wrist - arm.wrist[1], RADIUS.palm - arm.palm[1], RADIUS.fingers - arm.fingers[1]) - shift;
  if (elbowUnder <= 1e-6 && handUnder <= 1e-6) return arm;
  if (handUnder > 1e-6) {
    // Straight up, so that a hanging arm bends its elbow a little more instead of swinging out.
    const lifted = add(wrist, [0, handUnder, 0]);
    elbow = bend(arm.shoulder, lifted, LENGTH.upperArm, LENGTH.forearm, turned([-1, 0, 0], arm.upperArm));
    wrist = along(elbow, unit(sub(lifted, elbow)), LENGTH.forearm);
  }
  const upper = unit(sub(elbow, arm.shoulder));
  const fore = unit(sub(wrist, elbow));
  const upperArm = upperFrame(upper, fore, chest, side === "right" ? 1 : -1);
  return finish(joints(arm.joints.girdle, chest, upperArm, foreFrame(upperArm, fore), arm.hand), arm.shoulder, chest);
}

function toHand(
  goal: HandArm,
  target: Vec,
  girdle: [Degrees, Degrees],
  shoulder: Vec,
  chest: Turn,
  s: number,
): ArmSolved {
  const flat = goal.rest === "flat";
  const normal = unit(goal.normal ?? Y, Y);
  const given = goal.fingers ? unit(goal.fingers) : flat ? unit(across(X, normal), Y) : undefined;
  const pole =
    goal.pole ?? turned(elbowSide(between(turned(DOWN, chest), unit(sub(target, shoulder), DOWN)), s), chest);
  // A hand that only has to be somewhere goes on in the line of the forearm.
  const end = flat ? along(target, normal, FLAT_WRIST) : given ? along(target, given, -PALM) : target;
  const second = given ? LENGTH.forearm : LENGTH.forearm + PALM;
  const elbow = elbowOverFloor(shoulder, end, second, pole);
  const upper = unit(sub(elbow, shoulder));
  const fore = unit(sub(end, elbow));
  const fingers = given ?? fore;
  const upperArm = upperFrame(upper, fore, chest, s);
  const forearm = foreFrame(upperArm, fore);
  // The hand keeps the forearm's turn and bends the shortest way to where the fingers point.
  const axis = cross(fore, fingers);
  const hand = given ? chain(about(unit(axis, turned(X, forearm)), between(fore, fingers)), forearm) : forearm;
  return finish(joints(girdle, chest, upperArm, forearm, hand), shoulder, chest);
}
