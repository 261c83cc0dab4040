import { cameraOf } from "./camera";
import type { View } from "./animation";
import { anchorPlace, bodyAt, secondAt, type Player } from "./play";
import { POINT_NAMES } from "./points";
import { THICKNESS } from "./solve";
import type { Vec } from "./vectors";

/** The part of the picture to show, in centimetres. */
export type Frame = { x: number; y: number; width: number; height: number };

const SAMPLES = 12;
const MARGIN = 7;
/** A picture cut to a part of the body shows at least this much, in centimetres. */
const LEAST_FOCUS = 62;

/** A frame of a shape, width over height, that holds the whole motion and stays still while it moves. */
export function frameOf(player: Player, view: View, shape: number, least = 120): Frame {
  const camera = cameraOf(view);
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = (place: Vec, thickness: number) => {
    const { x, y } = camera.see(place);
    const r = thickness * 100;
    left = Math.min(left, x - r);
    right = Math.max(right, x + r);
    top = Math.min(top, y - r);
    bottom = Math.max(bottom, y + r);
  };
  const { beats, keys } = player.motion;
  const moments = [...Array.from({ length: SAMPLES }, (_, i) => (beats * i) / SAMPLES), ...keys.map((key) => key.at)];
  for (const beat of moments) {
    const body = bodyAt(player, beat);
    for (const name of player.motion.focus ?? POINT_NAMES) take(body.points[name], THICKNESS[name] ?? 0.02);
    if (player.motion.focus) continue;
    const second = secondAt(player, beat);
    if (second) for (const name of POINT_NAMES) take(second.points[name], THICKNESS[name] ?? 0.02);
    for (const prop of player.motion.props) {
      if (prop.shape === "rod")
        for (const end of [prop.from, prop.to]) take(anchorPlace(end, body), prop.radius + Math.min(prop.beyond, 0.5));
      else {
        const [x, y, z] = anchorPlace(prop.at, body);
        const [l, h, w] = prop.size;
        // A wall or a high frame may run out of the picture; what is low must be seen whole.
        for (const i of [-1, 1]) {
          for (const k of [-1, 1]) {
            for (const top of [y, Math.min(y + h, 1.2)]) take([x + (i * l) / 2, top, z + (k * w) / 2], 0);
          }
        }
      }
    }
  }
  let [width, height] = [right - left + 2 * MARGIN, bottom - top + 2 * MARGIN];
  const ground = bottom + MARGIN;
  const centre = (left + right) / 2;
  const smallest = player.motion.focus ? LEAST_FOCUS : least;
  height = Math.max(height, smallest);
  width = Math.max(width, smallest * Math.min(shape, 1));
  if (width / height < shape) width = height * shape;
  else height = width / shape;
  return { x: centre - width / 2, y: ground - height, width, height };
}
