import type { Prop } from "./animation";
import type { Camera } from "./camera";
import type { Mark, Piece } from "./marks";
import { capsulePath, disc, hull, hullPath, polygonPath } from "./outline";
import { anchorPlace } from "./play";
import type { Solved } from "./solve";
import { add, along, cross, lerp, scale, sub, unit, X, Y, type Vec } from "./vectors";
import type { Metres } from "~/core/units";

/** What gives way under a knee has no hard edge. */
const SOFT: ReadonlySet<Prop["piece"]> = new Set(["pad", "cushion"]);

/** A piece of kit at its place. */
export function propPiece(prop: Prop, body: Solved, camera: Camera): Piece {
  if (prop.shape === "rod") {
    const [a, b] = [anchorPlace(prop.from, body), anchorPlace(prop.to, body)];
    const line: Vec = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const size = Math.hypot(...line) || 1;
    const [from, to] = [along(a, line, -prop.beyond / size), along(b, line, prop.beyond / size)];
    const near = camera.see(lerp(from, to, 0.5)).near;
    return {
      near: near + (prop.radius < 0.03 ? 0.08 : 0),
      chain: "prop",
      marks: rodMarks(prop, from, to, camera),
    };
  }
  const [x, y, z] = anchorPlace(prop.at, body);
  const [l, h, w] = prop.size;
  // What is flat on the floor lies under everything; what is tall is judged at the height of the body.
  const near = camera.see([x, Math.min(y + h / 2, body.points.pelvis[1]), z]).near - (y < 0.02 && h < 0.12 ? 0.6 : 0);
  const corner = (i: number, j: number, k: number): [number, number] => {
    const spot = camera.see([x + (i * l) / 2, y + j * h, z + (k * w) / 2]);
    return [spot.x, spot.y];
  };
  if (SOFT.has(prop.piece)) {
    const r = Math.min(0.03, h / 2, l / 2, w / 2);
    const rounded = [r, h - r].flatMap((up) =>
      [-1, 1].flatMap((i) =>
        [-1, 1].map((k) => disc(camera.see([x + i * (l / 2 - r), y + up, z + k * (w / 2 - r)]), r)),
      ),
    );
    return { near, chain: "prop", marks: [{ part: "prop", shade: 0, path: hullPath(rounded) }] };
  }
  const corners = [0, 1].flatMap((j) => [-1, 1].flatMap((i) => [-1, 1].map((k) => corner(i, j, k))));
  const top = [corner(-1, 1, -1), corner(1, 1, -1), corner(1, 1, 1), corner(-1, 1, 1)];
  return {
    near,
    chain: "prop",
    marks: [
      { part: "prop", shade: 0, path: polygonPath(hull(corners)) },
      { part: "prop-line", shade: 0, path: polygonPath(top) },
    ],
  };
}

const ROUND = Array.from(
  { length: 20 },
  (_, i) => [Math.cos((i * Math.PI) / 10), Math.sin((i * Math.PI) / 10)] as const,
);
/** The hole through a roller, as a share of its radius. */
const HOLE = 0.5;

/** A roller is a tube with flat ends; every other rod is rounded off. */
function rodMarks(prop: Extract<Prop, { shape: "rod" }>, from: Vec, to: Vec, camera: Camera): Mark[] {
  if (prop.piece !== "roller")
    return [
      {
        part: "prop",
        shade: 0,
        path: capsulePath(disc(camera.see(from), prop.radius), disc(camera.see(to), prop.radius)),
      },
    ];
  const axis = unit(sub(to, from));
  const out = unit(cross(axis, Math.abs(axis[1]) > 0.9 ? X : Y));
  const over = cross(axis, out);
  const ring = (middle: Vec, radius: Metres) =>
    ROUND.map(([c, s]): [number, number] => {
      const spot = camera.see(add(middle, add(scale(out, radius * c), scale(over, radius * s))));
      return [spot.x, spot.y];
    });
  const end = camera.see(to).near > camera.see(from).near ? to : from;
  return [
    { part: "prop", shade: 0, path: polygonPath(hull([...ring(from, prop.radius), ...ring(to, prop.radius)])) },
    {
      part: "prop-line",
      shade: 0,
      path: polygonPath(ring(end, prop.radius)) + polygonPath(ring(end, prop.radius * HOLE)),
    },
  ];
}
