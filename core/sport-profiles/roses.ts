import { planeSeconds, type Coverage } from "~/core/coverage/coverage";
import { targetsOf } from "./fit";
import type { SportProfile } from "./schema";
import { MOTION_FACTS, MOTIONS, type Joint, type Plane, type Motion } from "~/core/vocabulary/motions";
import { cameraOf } from "~/core/figure/camera";
import { solvePose, type Solved } from "~/core/figure/solve";
import type { Pose } from "~/core/figure/pose";
import type { OneSide } from "~/core/vocabulary/sides";
import type { Degrees, Metres, Seconds, Share } from "~/core/units";

/** One motion of a joint: how long it was worked, and how long the demand wants, as a petal of a rose. */
export type Petal = {
  row: Motion;
  /** Clockwise from straight up, as it is seen. */
  angle: Degrees;
  has: Seconds;
  wants: Seconds | undefined;
  /** How long it is worked in the session it is compared with. */
  other: Seconds | undefined;
  /** Lengths as shares of the rose's radius. */
  length: Share;
  outline: Share | undefined;
  otherLength: Share | undefined;
  /** 0 for nothing to 5 for as much as is wanted, or as the most that is worked. */
  depth: 0 | 1 | 2 | 3 | 4 | 5;
};

/** A joint's rose, at its place on the silhouette, in centimetres of the picture: right and down as it is seen, the ground at 0. */
export type Rose = {
  joint: Joint;
  side: OneSide | undefined;
  view: "front" | "back";
  x: number;
  y: number;
  radius: number;
  petals: Petal[];
};

const STAND: Pose = {
  pelvis: { at: [0, 0.9, 0], tilt: 0, side: 0, turn: 0 },
  lumbar: [0, 0, 0],
  thoracic: [0, 0, 0],
  neck: [0, 0, 0],
  left: {
    arm: { by: "angles", plane: 0, elevation: 34, rotation: 0, elbow: 6, pronation: 0, wrist: 0 },
    leg: { by: "foot", at: [0, 0, -0.24], out: 12, heel: 0, tilt: 0 },
  },
  right: {
    arm: { by: "angles", plane: 0, elevation: 34, rotation: 0, elbow: 6, pronation: 0, wrist: 0 },
    leg: { by: "foot", at: [0, 0, 0.24], out: 12, heel: 0, tilt: 0 },
  },
};

/** The body the roses stand on, seen from the front and from behind. */
export const rosesBody = (): Solved => solvePose(STAND);
export const ROSE_VIEWS = { front: { around: 90, above: 0 }, back: { around: -90, above: 0 } } as const;

/** Where each joint's rose stands: the view it is in, the point of the body, how far off it, and its radius. */
const STANDS: Readonly<
  Record<
    Joint,
    {
      view: "front" | "back";
      at: (body: Solved, side: "left" | "right") => readonly [number, number, number];
      radius: Metres;
    }
  >
> = {
  neck: { view: "back", at: (b) => shift(b.points.neck, 0.1), radius: 0.15 },
  "shoulder-blade": { view: "back", at: (b, s) => side(b.points.chest, s, 0.2, 0.02), radius: 0.11 },
  "upper-back": { view: "back", at: (b) => shift(b.points.back, -0.04), radius: 0.14 },
  "lower-back": { view: "back", at: (b) => shift(b.points.pelvis, 0.11), radius: 0.14 },
  ribs: { view: "front", at: (b) => shift(b.points.sternum, 0.03), radius: 0.1 },
  trunk: { view: "front", at: (b) => shift(b.points.waist, -0.02), radius: 0.1 },
  shoulder: { view: "front", at: (b, s) => shift(b.points[`${s}.shoulder`], 0.02), radius: 0.165 },
  wrist: { view: "front", at: (b, s) => b.points[`${s}.wrist`], radius: 0.13 },
  hip: { view: "front", at: (b, s) => b.points[`${s}.hip`], radius: 0.165 },
  knee: { view: "front", at: (b, s) => b.points[`${s}.knee`], radius: 0.15 },
  ankle: { view: "front", at: (b, s) => shift(b.points[`${s}.ankle`], 0.04), radius: 0.14 },
  toes: { view: "front", at: (b, s) => shift(b.points[`${s}.toe`], -0.2), radius: 0.1 },
};

const shift = ([x, y, z]: readonly [number, number, number], up: Metres): [number, number, number] => [x, y + up, z];
const side = (
  [x, y, z]: readonly [number, number, number],
  s: "left" | "right",
  out: Metres,
  up: Metres,
): [number, number, number] => [x, y + up, z + (s === "right" ? out : -out)];

const JOINTS = Object.keys(STANDS) as Joint[];
const rowsOf = (joint: Joint): Motion[] => MOTIONS.filter((row) => MOTION_FACTS[row].joint === joint);

/** How far out the outline of what is wanted most reaches, so that more than is wanted can be seen as well. */
const MOST_WANTED: Share = 0.8;

/**
 * Every joint's rose: minutes by motion against the demand. Petals of all roses are to one scale: what is wanted most
 * reaches four fifths of the way to the rim, or without a demand what is worked most the rim; what goes past it ends there.
 * Sided joints have a rose on each side.
 */
export function rosesOf(
  coverage: Coverage,
  { demand, served, other }: { demand?: SportProfile | undefined; served: Seconds; other?: Coverage | undefined },
): { roses: Rose[]; scale: Seconds } {
  const body = rosesBody();
  const wanted = demand && targetsOf(demand, served);
  const worked = MOTIONS.flatMap((row) => [
    coverage[row].left,
    coverage[row].right,
    other?.[row].left ?? 0,
    other?.[row].right ?? 0,
  ]);
  const scale = Math.max(30, ...(wanted ? MOTIONS.map((row) => wanted[row] / MOST_WANTED) : worked));
  const roses = JOINTS.flatMap((joint): Rose[] => {
    const { view, at, radius } = STANDS[joint];
    const rows = rowsOf(joint);
    const sided = MOTION_FACTS[rows[0]!].sided;
    return (sided ? (["right", "left"] as const) : [undefined]).map((own) => {
      const place = cameraOf(ROSE_VIEWS[view]).see(at(body, own ?? "right"));
      // The mirrored rose of the other side, as the body is.
      const turn = (own === "right") === (view === "front") ? -1 : 1;
      return {
        joint,
        side: own,
        view,
        x: place.x,
        y: place.y,
        radius: radius * 100,
        petals: rows.map((row, i): Petal => {
          const has = coverage[row][own ?? "left"];
          const wants = wanted && wanted[row] > 0 ? wanted[row] : undefined;
          const others = other?.[row][own ?? "left"];
          const share = has / (wants ?? scale);
          return {
            row,
            angle: (turn * i * 360) / rows.length,
            has,
            wants,
            other: others,
            length: Math.min(1, has / scale),
            outline: wants === undefined ? undefined : wants / scale,
            otherLength: others === undefined ? undefined : Math.min(1, others / scale),
            depth: has === 0 ? 0 : (Math.min(5, Math.max(1, Math.floor(share * 4) + 1)) as Petal["depth"]),
          };
        }),
      };
    });
  });
  return { roses, scale };
}

/** The outline of a petal as a path: a wedge with a round end, from the middle of a rose. Angles clockwise from up. */
export function petalPath(x: number, y: number, radius: number, angle: Degrees, petals: number): string {
  if (radius <= 0) return "";
  const half = Math.min(34, 180 / petals - 6);
  const point = (a: Degrees, r: number): [number, number] => [
    x + r * Math.sin((a * Math.PI) / 180),
    y - r * Math.cos((a * Math.PI) / 180),
  ];
  const text = ([px, py]: [number, number]) => `${px.toFixed(2)} ${py.toFixed(2)}`;
  return `M${text([x, y])}L${text(point(angle - half, radius))}A${radius.toFixed(2)} ${radius.toFixed(2)} 0 0 1 ${text(point(angle + half, radius))}Z`;
}

/** Seconds in each plane with its share of all three, for a bar. */
export function planeShares(coverage: Coverage): { plane: Plane; seconds: Seconds; share: Share }[] {
  const seconds = planeSeconds(coverage);
  const all = Object.values(seconds).reduce((sum, s) => sum + s, 0);
  return (Object.keys(seconds) as Plane[]).map((plane) => ({
    plane,
    seconds: seconds[plane],
    share: all === 0 ? 0 : seconds[plane] / all,
  }));
}
