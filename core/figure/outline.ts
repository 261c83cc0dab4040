import type { Spot } from "./camera";

/** A circle on the picture, in centimetres. */
export type Disc = { x: number; y: number; r: number };

export const disc = (spot: Spot, radius: number): Disc => ({ x: spot.x, y: spot.y, r: radius * 100 });

const n = (value: number) => (Math.round(value * 10) / 10).toString();

/** A closed line round one circle. */
export function circlePath({ x, y, r }: Disc): string {
  return `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;
}

/** A closed line round two circles and the straight tangents between them. */
export function capsulePath(a: Disc, b: Disc): string {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const d = Math.hypot(dx, dy);
  if (d <= Math.abs(a.r - b.r) + 0.05) return circlePath(a.r > b.r ? a : b);
  const base = Math.atan2(dy, dx);
  const off = Math.acos((a.r - b.r) / d);
  const on = (c: Disc, angle: number) => `${n(c.x + c.r * Math.cos(angle))} ${n(c.y + c.r * Math.sin(angle))}`;
  const wide = off > Math.PI / 2;
  return `M${on(a, base - off)}L${on(b, base - off)}A${n(b.r)} ${n(b.r)} 0 ${wide ? 1 : 0} 1 ${on(b, base + off)}L${on(a, base + off)}A${n(a.r)} ${n(a.r)} 0 ${wide ? 0 : 1} 1 ${on(a, base - off)}Z`;
}

/** Capsules from each circle to the next. */
export function chainPath(discs: readonly Disc[]): string {
  if (discs.length === 1) return circlePath(discs[0]!);
  let path = "";
  for (let i = 1; i < discs.length; i++) path += capsulePath(discs[i - 1]!, discs[i]!);
  return path;
}

/** A multiple of four, so that the four sides of the picture are among them. */
const WAYS = 36;
const COS = Array.from({ length: WAYS }, (_, i) => Math.cos((2 * Math.PI * i) / WAYS));
const SIN = Array.from({ length: WAYS }, (_, i) => Math.sin((2 * Math.PI * i) / WAYS));

/**
 * The tightest closed line round several circles: in each of a ring of directions, the point of the circle that reaches
 * farthest that way. No sorting, so that a picture stays well under a millisecond.
 */
export function hullPath(discs: readonly Disc[]): string {
  let path = "M";
  for (let i = 0; i < WAYS; i++) {
    const [c, s] = [COS[i]!, SIN[i]!];
    let far = discs[0]!;
    let reach = -Infinity;
    for (const disc of discs) {
      const r = disc.x * c + disc.y * s + disc.r;
      if (r > reach) {
        reach = r;
        far = disc;
      }
    }
    path += `${i === 0 ? "" : "L"}${n(far.x + far.r * c)} ${n(far.y + far.r * s)}`;
  }
  return `${path}Z`;
}

export function polygonPath(points: readonly (readonly [number, number])[]): string {
  return `M${points.map(([x, y]) => `${n(x)} ${n(y)}`).join("L")}Z`;
}

/** The convex hull of points in the plane (Andrew's monotone chain). */
export function hull(points: [number, number][]): [number, number][] {
  points.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: [number, number][]) => {
    const out: [number, number][] = [];
    for (const p of list) {
      while (out.length >= 2) {
        const [o, q] = [out[out.length - 2]!, out[out.length - 1]!];
        if ((q[0] - o[0]) * (p[1] - o[1]) - (q[1] - o[1]) * (p[0] - o[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    out.pop();
    return out;
  };
  const lower = half(points);
  return [...lower, ...half(points.reverse())];
}
