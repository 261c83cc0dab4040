import { RADIUS } from "./body";
import { cameraOf, type Camera } from "./camera";
import type { Prop, View } from "./animation";
import { forearmPath, handPath, holds } from "./draw-hand";
import { headPieces, type Hair } from "./draw-head";
import { propPiece } from "./draw-prop";
import type { Mark, Piece } from "./marks";
import { chainPath, disc, hullPath, type Disc } from "./outline";
import { SIDES, type PointName, type Side } from "./points";
import { THICKNESS, type Solved } from "./solve";
import { add, dot, lerp, sub, turned, unit, type Vec } from "./vectors";
import type { Metres, Share } from "~/core/units";

export type DrawOptions = {
  props?: readonly Prop[] | undefined;
  /** How full the chest is, 0 breathed out to 1 breathed in. */
  breath?: Share | undefined;
  /** How the hair is worn. */
  hair?: Hair | undefined;
  /** A partner, and how they wear their hair. */
  second?: { body: Solved; hair: Hair } | undefined;
};

const BREATH_SWELL = 0.07;

/** The shapes of a body seen from a view, the farthest first. */
export function draw(
  body: Solved,
  view: View,
  { props = [], breath = 0, hair = "short", second }: DrawOptions = {},
): Mark[] {
  const camera = cameraOf(view);
  const pieces = bodyPieces(body, camera, props, breath, hair);
  if (second)
    for (const piece of bodyPieces(second.body, camera, props, breath, second.hair))
      pieces.push({
        ...piece,
        chain: `second ${piece.chain}`,
        marks: piece.marks.map((mark) => ({ ...mark, second: true })),
      });
  for (const prop of props) pieces.push(propPiece(prop, body, camera));
  pieces.sort((a, b) => a.near - b.near);
  const shadows = shadowPath(body, camera) + (second ? shadowPath(second.body, camera) : "");
  const out: Mark[] = [{ part: "shadow", shade: 0, path: shadows }];
  let last: { chain: string; mark: Mark } | undefined;
  for (const piece of pieces) {
    for (const mark of piece.marks) {
      // Neighbouring parts of one limb become one shape, so that no edge shows at the joint; what is worn over the upper one stays over both.
      const before = last?.chain === piece.chain ? last : undefined;
      const under = piece.joins && before?.mark.part === "wear" ? out.at(-2) : before?.mark;
      if (before && under?.part === mark.part && under.shade === mark.shade) under.path += mark.path;
      else {
        const own = { ...mark };
        out.push(own);
        last = { chain: piece.chain, mark: own };
      }
    }
  }
  return out;
}

function bodyPieces(body: Solved, camera: Camera, props: readonly Prop[], breath: Share, hair: Hair): Piece[] {
  const middle = camera.see(body.points.waist).near;
  const shadeOf = (near: number): 0 | 1 | 2 => (near > middle - 0.06 ? 0 : near > middle - 0.14 ? 1 : 2);
  return [
    ...trunkPieces(body, camera, breath),
    ...headPieces(body, camera, hair),
    ...SIDES.flatMap((side) => limbPieces(body, camera, side, shadeOf, holds(body, props, side))),
  ];
}

function trunkPieces(body: Solved, camera: Camera, breath: Share): Piece[] {
  const { spine, spineTurns } = body;
  const at = (i: number, offset: Vec, radius: number): Disc =>
    disc(camera.see(add(spine[i]!, turned(offset, spineTurns[i]!))), radius);
  const swell = 1 + BREATH_SWELL * breath;
  // Rings of two circles from the hips to the shoulders; the skin is drawn tight round each pair of rings.
  const ring = (i: number, half: number, radius: number, ahead = 0): Disc[] => [
    at(i, [ahead, 0, half], radius),
    at(i, [ahead, 0, -half], radius),
  ];
  const shoulders = SIDES.map((side) =>
    disc(camera.see(lerp(body.points.chest, body.points[`${side}.shoulder`], 0.74)), 0.056),
  );
  const rings = [
    [...ring(0, 0.085, 0.088, -0.012)],
    ring(1, 0.082, 0.088),
    ring(2, 0.068, RADIUS.waist),
    ring(4, 0.085, RADIUS.chest * swell),
    ring(5, 0.095, (RADIUS.chest - 0.012) * swell, 0.006),
    [...shoulders, at(6, [0, 0.0, 0], 0.055)],
  ];
  const path = rings
    .slice(1)
    .map((r, i) => hullPath([...rings[i]!, ...r]))
    .join("");
  const near = (camera.see(body.points.pelvis).near + camera.see(body.points.chest).near) / 2;
  return [{ near, chain: "trunk", marks: [{ part: "wear", shade: 0, path }] }];
}

/** How much an arm or leg is drawn in front of a trunk it lies level with. */
const BEFORE_TRUNK = 0.03;

/** Up to a bend of 75° upper and lower limb are one shape; folded farther, the edge between them tells which is in front. */
const STRAIGHT = Math.cos((75 * Math.PI) / 180);

/** Two parts of a straight limb that lie about as deep are drawn one after the other, so that nothing comes between them. */
const ABOUT_AS_DEEP: Metres = 0.14;
function level(upper: number, lower: number, joins: boolean): [number, number] {
  if (!joins || Math.abs(upper - lower) > ABOUT_AS_DEEP) return [upper, lower];
  const middle = (upper + lower) / 2;
  return [middle, middle + 1e-6];
}

function limbPieces(
  body: Solved,
  camera: Camera,
  side: Side,
  shadeOf: (near: number) => 0 | 1 | 2,
  closed: boolean,
): Piece[] {
  const point = (name: PointName) => body.points[name];
  const own = (name: "hip" | "knee" | "ankle" | "heel" | "ball" | "toe" | "shoulder" | "elbow" | "wrist" | "fingers") =>
    point(`${side}.${name}`);
  const nearOf = (...places: Vec[]) => places.reduce((sum, p) => sum + camera.see(p).near, 0) / places.length;
  const d = (place: Vec, radius: number) => disc(camera.see(place), radius);
  const leg = body.legs[side];
  const hip = lerp(own("hip"), point("pelvis"), 0.24);
  const calf = add(lerp(own("knee"), own("ankle"), 0.3), turned([-0.012, 0, 0], leg.shank));
  const thighNear = nearOf(own("hip"), own("knee"));
  const shankNear = nearOf(own("knee"), own("ankle"), own("toe"));
  const upperNear = nearOf(own("shoulder"), own("elbow"));
  const foreNear = nearOf(own("elbow"), own("fingers"));
  const straight = (from: Vec, joint: Vec, to: Vec) => dot(unit(sub(joint, from)), unit(sub(to, joint))) > STRAIGHT;
  const [legJoins, armJoins] = [
    straight(own("hip"), own("knee"), own("ankle")),
    straight(own("shoulder"), own("elbow"), own("wrist")),
  ];
  const [thighAt, shankAt] = level(thighNear, shankNear, legJoins);
  const [upperAt, foreAt] = level(upperNear, foreNear + 0.005, armJoins);
  const legShade = shadeOf(nearOf(own("hip"), own("knee"), own("ankle")));
  const armShade = shadeOf(nearOf(own("shoulder"), own("elbow"), own("wrist")));
  const thigh = chainPath([d(hip, RADIUS.thigh), d(lerp(hip, own("knee"), 0.45), 0.072), d(own("knee"), RADIUS.knee)]);
  const shorts = hullPath([d(hip, RADIUS.thigh + 0.008), d(lerp(hip, own("knee"), 0.42), 0.082)]);
  const shank = chainPath([d(own("knee"), RADIUS.knee - 0.003), d(calf, RADIUS.calf), d(own("ankle"), RADIUS.ankle)]);
  const foot =
    hullPath([d(own("ankle"), RADIUS.ankle), d(own("heel"), RADIUS.heel), d(own("ball"), RADIUS.ball + 0.006)]) +
    chainPath([d(own("ball"), RADIUS.ball + 0.004), d(own("toe"), RADIUS.toe + 0.004)]);
  const upper = chainPath([
    d(lerp(own("shoulder"), point("chest"), 0.1), RADIUS.shoulder),
    d(own("elbow"), RADIUS.elbow),
  ]);
  const sleeve = chainPath([
    d(lerp(own("shoulder"), point("chest"), 0.1), RADIUS.shoulder + 0.006),
    d(lerp(own("shoulder"), own("elbow"), 0.42), 0.054),
  ]);
  const fore = forearmPath(body, camera, side) + handPath(body, camera, side, closed);
  return [
    {
      near: thighAt + BEFORE_TRUNK / 2,
      chain: `${side} leg`,
      marks: [
        { part: "limb", shade: legShade, path: thigh },
        { part: "wear", shade: legShade, path: shorts },
      ],
    },
    {
      near: shankAt + BEFORE_TRUNK / 2,
      chain: `${side} leg`,
      joins: legJoins,
      marks: [{ part: "limb", shade: legShade, path: shank + foot }],
    },
    {
      near: upperAt + BEFORE_TRUNK,
      chain: `${side} arm`,
      marks: [
        { part: "limb", shade: armShade, path: upper },
        { part: "wear", shade: armShade, path: sleeve },
      ],
    },
    {
      near: foreAt + BEFORE_TRUNK,
      chain: `${side} arm`,
      joins: armJoins,
      marks: [{ part: "limb", shade: armShade, path: fore }],
    },
  ];
}

/** Flat ovals on the floor under every part that is on it or near it. */
function shadowPath(body: Solved, camera: Camera): string {
  const flat = Math.max(0.14, Math.sin((camera.view.above * Math.PI) / 180));
  let path = "";
  for (const name of Object.keys(THICKNESS) as PointName[]) {
    const place = body.points[name];
    const thickness = THICKNESS[name] ?? 0;
    const gap = place[1] - thickness;
    if (gap > 0.07) continue;
    const spot = camera.see([place[0], 0, place[2]]);
    const r = (thickness + 0.035) * 100 * (1 - Math.max(0, gap) * 5);
    path += `M${(spot.x - r).toFixed(1)} ${spot.y.toFixed(1)}a${r.toFixed(1)} ${(r * flat).toFixed(1)} 0 1 0 ${(2 * r).toFixed(1)} 0a${r.toFixed(1)} ${(r * flat).toFixed(1)} 0 1 0 ${(-2 * r).toFixed(1)} 0Z`;
  }
  return path;
}
