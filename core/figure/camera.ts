import type { View } from "./animation";
import { cross, dot, radians, unit, type Vec } from "./vectors";

/** A place on the picture in centimetres, x to the right and y down, with how near it is to the eye. */
export type Spot = { x: number; y: number; near: number };

/** `right` and `up` are the directions in the room that go right and up in the picture. */
export type Camera = { view: View; toEye: Vec; right: Vec; up: Vec; see: (place: Vec) => Spot };

/** An eye far away in the direction of a view: parallel lines stay parallel. */
export function cameraOf(view: View): Camera {
  const a = radians(view.around);
  const e = radians(view.above);
  const toEye: Vec = [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)];
  const right: Vec = [Math.cos(a), 0, -Math.sin(a)];
  const up = unit(cross(toEye, right));
  return {
    view,
    toEye,
    right,
    up,
    see: (place) => ({ x: dot(place, right) * 100, y: -dot(place, up) * 100, near: dot(place, toEye) }),
  };
}
