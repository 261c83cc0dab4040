import type { Seconds } from "~/core/units";
import type { Profile, ProfileShape } from "./profile";

/** A profile reduced to a few drawn paths for a small picture, in a box of the width and height given; the sides go in a strip under it. */
export type MiniProfile = { width: number; height: number; work: string; line: string; sides: string };

/** Height of the strip for the sides: left in its upper half, right in its lower, both in both. */
export const SIDES_STRIP = 12;

/** Height of a body's step in a box: lying still stands a little above the floor, hanging reaches the top. */
export function stepY(step: number, height: number): number {
  return height - ((step + 0.7) / 5.7) * height;
}

/** Work as filled shapes under the line, everything as one line of body height. */
export function miniProfile(profile: Profile, width: number, height: number): MiniProfile {
  const total: Seconds = Math.max(profile.total, 1);
  const x = (t: Seconds) => round((t / total) * width);
  const y = (step: number) => round(stepY(step, height));
  const work = profile.shapes
    .filter((s) => s.kind === "work")
    .map((s) => `M${x(s.from)} ${height}V${y(s.height)}H${x(s.to)}V${height}Z`)
    .join("");
  const line = profile.shapes
    .map((s, i) => `${i === 0 ? "M" : "L"}${x(s.from)} ${y(heights(s)[0])}L${x(s.to)} ${y(heights(s)[1])}`)
    .join("");
  const top = height + 4;
  const half = SIDES_STRIP / 2;
  const sides = profile.shapes
    .map((s) =>
      s.kind !== "work"
        ? ""
        : `M${x(s.from)} ${top + (s.side === "right" ? half : 0)}H${x(s.to)}V${top + (s.side === "left" ? half : SIDES_STRIP)}H${x(s.from)}Z`,
    )
    .join("");
  return { width, height, work, line, sides };
}

function heights(shape: ProfileShape): [number, number] {
  return shape.kind === "move" ? [shape.fromHeight, shape.toHeight] : [shape.height, shape.height];
}

function round(n: number): number {
  return Math.round(n * 10) / 10;
}
