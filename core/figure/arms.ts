import { FLAT_WRIST, LENGTH, RADIUS } from "./body";
import type { Arm, HandArm, Side } from "./pose";
import { bend } from "./two-bone";
import { about, across, add, along, between, chain, cross, frame, inverse, lerp, radians, sub, turned, unit, X, Y, Z, type Turn, type Vec } from "./vectors";
import type { Degrees } from "~/core/units";

/** An arm by its joints' own turns, as it is carried from one key position to the next. */
export type FreeArm = { by: "free"; girdle: [Degrees, Degrees]; shoulder: Turn; elbow: Turn; wrist: Turn };

export type ArmSolved = {
  shoulder: Vec; elbow: Vec; wrist: Vec; palm: Vec; fingers: Vec;
  upperArm: Turn; forearm: Turn; hand: Turn;
  joints: FreeArm;
};

const DOWN: Vec = [0, -1, 0];
const PALM = 0.09;
/** From 60° of lifting on, the shoulder blade turns up with the arm, about a degree of girdle in six. */
const RHYTHM_FROM: Degrees = 60;
const RHYTHM = 0.16;

/** An arm from the shoulder girdle out. `target` is where a hand goal is, in the room. */
export function solveArm(goal: Arm | FreeArm, target: Vec | undefined, chestTop: Vec, chest: Turn, side: Side): ArmSolved {
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
          by: "free", girdle,
          shoulder: chain(about(Y, s * goal.plane), about(X, -s * goal.elevation), about(Y, s * (goal.rotation - goal.plane))),
          elbow: about(Z, goal.elbow), wrist: wristTurn(goal.pronation, goal.wrist, s),
        },
        shoulder, chest,
      );
    case "aim": {
      const inRoom = (v: Vec) => unit(goal.within === "chest" ? turned(v, chest) : v);
      const upperArm = upperFrame(inRoom(goal.upper), inRoom(goal.fore), chest, s);
      const forearm = foreFrame(upperArm, inRoom(goal.fore));
      return finish(joints(girdle, chest, upperArm, forearm, chain(forearm, wristTurn(goal.pronation, goal.wrist, s))), shoulder, chest);
    }
    case "hand":
      return toHand(goal, target ?? goal.at, girdle, shoulder, chest, s);
  }
}

/** The middle of the shoulder joint, with the blade lifted and drawn forward. */
function shoulderAt([elevation, protraction]: readonly [Degrees, Degrees], rhythm: Degrees, top: Vec, chest: Turn, s: number): Vec {
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
  }
}

const wristTurn = (pronation: Degrees, extension: Degrees, s: number) => chain(about(Y, s * pronation), about(X, -s * extension));

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
  return { by: "free", girdle, shoulder: chain(inverse(chest), upperArm), elbow: chain(inverse(upperArm), forearm), wrist: chain(inverse(forearm), hand) };
}

function finish(free: FreeArm, shoulder: Vec, chest: Turn): ArmSolved {
  const upperArm = chain(chest, free.shoulder);
  const forearm = chain(upperArm, free.elbow);
  const hand = chain(forearm, free.wrist);
  const elbow = along(shoulder, turned(DOWN, upperArm), LENGTH.upperArm);
  const wrist = along(elbow, turned(DOWN, forearm), LENGTH.forearm);
  const fingersAlong = turned(DOWN, hand);
  return { shoulder, elbow, wrist, palm: along(wrist, fingersAlong, PALM), fingers: along(wrist, fingersAlong, LENGTH.hand - RADIUS.fingers), upperArm, forearm, hand, joints: free };
}

function toHand(goal: HandArm, target: Vec, girdle: [Degrees, Degrees], shoulder: Vec, chest: Turn, s: number): ArmSolved {
  const flat = goal.rest === "flat";
  const normal = unit(goal.normal ?? Y, Y);
  const given = goal.fingers ? unit(goal.fingers) : flat ? unit(across(X, normal), Y) : undefined;
  const fingers = given ?? unit(sub(target, shoulder), DOWN);
  const wristGoal = flat ? along(target, normal, FLAT_WRIST) : along(target, fingers, -PALM);
  const pole = goal.pole ?? turned([-0.6, -0.5, 0.6 * s], chest);
  const elbow = bend(shoulder, wristGoal, LENGTH.upperArm, LENGTH.forearm, pole);
  const upper = unit(sub(elbow, shoulder));
  const fore = unit(sub(wristGoal, elbow));
  const upperArm = upperFrame(upper, fore, chest, s);
  const forearm = foreFrame(upperArm, fore);
  // The hand keeps the forearm's turn and bends the shortest way to where the fingers point.
  const axis = cross(fore, fingers);
  const hand = chain(about(unit(axis, turned(X, forearm)), between(fore, fingers)), forearm);
  return finish(joints(girdle, chest, upperArm, forearm, hand), shoulder, chest);
}
