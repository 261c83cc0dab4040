import { RADIUS } from "./body";
import type { Camera } from "./camera";
import type { Prop } from "./animation";
import { capsulePath, chainPath, disc, hullPath } from "./outline";
import { anchorPlace } from "./play";
import type { Side } from "./points";
import type { Solved } from "./solve";
import { along, cross, distance, dot, length, lerp, sub, turned, unit, Y, type Vec } from "./vectors";

/** Half the breadth of a hand over the knuckles, and half that of two fingers side by side. */
const KNUCKLES = 0.02;
const TIPS = 0.011;

/** How near the middle of a palm is to what it holds. */
const HELD = 0.05;

/** Whether a hand closes round something: a stick, a bar, a band or a weight goes through its palm. */
export function holds(body: Solved, props: readonly Prop[], side: Side): boolean {
  const { arm } = body.stance[side];
  if (arm.by === "hand" && arm.rest === "flat") return false;
  const { palm } = body.arms[side];
  return props.some((prop) => {
    if (prop.shape !== "rod" || prop.radius > HELD + 0.02) return false;
    const [a, b] = [anchorPlace(prop.from, body), anchorPlace(prop.to, body)];
    const line = sub(b, a);
    const size = length(line) || 1e-9;
    const share = dot(sub(palm, a), line) / size;
    const on = Math.min(size + prop.beyond, Math.max(-prop.beyond, share)) / size;
    return distance(palm, lerp(a, b, on)) < HELD + prop.radius;
  });
}

/**
 * The way from the little finger to the thumb. A hand laid on something has its palm to it; any other hangs half turned
 * in, as an arm at rest does: what a drill says of its forearm turns it from there.
 */
function thumbWay(body: Solved, side: Side): Vec {
  const s = side === "right" ? 1 : -1;
  const { arm } = body.stance[side];
  const { hand } = body.arms[side];
  if (arm.by === "hand" && arm.rest === "flat") {
    const fingers = turned([0, -1, 0], hand);
    const way = cross(unit(arm.normal ?? Y, Y), fingers);
    return unit([way[0] * s, way[1] * s, way[2] * s], turned([0, 0, -s], hand));
  }
  return turned([0.82, 0, 0.57 * s], hand);
}

/** A hand as closed lines: palm, fingers and thumb; or closed round what it holds. */
export function handPath(body: Solved, camera: Camera, side: Side, closed: boolean): string {
  const { wrist, palm, fingers } = body.arms[side];
  const way = thumbWay(body, side);
  const at = (place: Vec, aside: number, radius: number) => disc(camera.see(along(place, way, aside)), radius);
  const root = at(wrist, 0, RADIUS.wrist);
  if (closed) {
    const knuckles = lerp(wrist, palm, 1.12);
    return hullPath([root, at(knuckles, 0.014, 0.031), at(knuckles, -0.014, 0.031)]);
  }
  const knuckles = lerp(wrist, palm, 0.92);
  const long = unit(sub(fingers, palm));
  const thumb = lerp(wrist, palm, 0.42);
  return (
    hullPath([root, at(knuckles, KNUCKLES, 0.02), at(knuckles, -KNUCKLES, 0.019)]) +
    hullPath([
      at(knuckles, KNUCKLES, 0.019),
      at(knuckles, -KNUCKLES, 0.018),
      at(fingers, TIPS, RADIUS.fingers - 0.002),
      at(along(fingers, long, -0.012), -TIPS, RADIUS.fingers - 0.003),
    ]) +
    capsulePath(at(thumb, 0.018, 0.015), at(along(thumb, long, 0.042), 0.052, 0.0105))
  );
}

/** An arm's lower half without its hand. */
export const forearmPath = (body: Solved, camera: Camera, side: Side): string => {
  const { elbow, wrist } = body.arms[side];
  const d = (place: Vec, radius: number) => disc(camera.see(place), radius);
  return chainPath([d(elbow, RADIUS.elbow), d(lerp(elbow, wrist, 0.28), 0.042), d(wrist, RADIUS.wrist)]);
};
