import { across, along, distance, sub, unit, X, Y, type Vec } from "./vectors";
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
