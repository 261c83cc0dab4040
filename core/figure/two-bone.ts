import { across, add, along, distance, sub, unit, X, Y, type Vec } from "./vectors";
import type { Metres } from "~/core/units";

/**
 * Where the middle joint of a two-bone limb is, from its root, its end, both lengths, and the direction the joint points.
 * An end out of reach is reached for in a straight line; the law of cosines gives the rest.
 */
export function bend(root: Vec, end: Vec, first: Metres, second: Metres, pole: Vec): Vec {
  const reach = Math.min(Math.max(distance(root, end), Math.abs(first - second) + 1e-6), first + second - 1e-6);
  const line = unit(sub(end, root));
  const cosine = (first * first + reach * reach - second * second) / (2 * first * reach);
  const sine = Math.sqrt(Math.max(0, 1 - cosine * cosine));
  const fallback = Math.abs(line[1]) < 0.9 ? Y : X;
  const out = unit(across(pole, line), unit(across(fallback, line)));
  return along(along(root, line, first * cosine), out, first * sine);
}

/** The end of a bone of a length that points as it did, but ends at a height. */
export function aimAtHeight(from: Vec, end: Vec, size: Metres, height: Metres): Vec {
  const rise = Math.min(size, Math.max(-size, height - from[1]));
  const flat: Vec = [end[0] - from[0], 0, end[2] - from[2]];
  return add(along(from, unit(flat), Math.sqrt(size * size - rise * rise)), [0, rise, 0]);
}
