import { RADIUS } from "./body";
import { cameraOf, type Camera, type Spot } from "./camera";
import type { Prop, View } from "./animation";
import { capsulePath, chainPath, circlePath, disc, hull, hullPath, polygonPath, type Disc } from "./outline";
import { anchorPlace } from "./play";
import { SIDES, type PointName, type Side } from "./points";
import { THICKNESS, type Solved } from "./solve";
import { add, along, lerp, turned, type Vec } from "./vectors";
import type { Share } from "~/core/units";

/** One shape of the picture: what it is, how far back it is (0 near, 2 far), and its closed line in centimetres. */
export type Mark = {
  part: "floor" | "shadow" | "limb" | "wear" | "hair" | "face" | "prop" | "prop-line" | "hold";
  shade: 0 | 1 | 2;
  path: string;
};

type Piece = { near: number; chain: string; marks: Mark[] };

export type DrawOptions = {
  props?: readonly Prop[] | undefined;
  /** How full the chest is, 0 breathed out to 1 breathed in. */
  breath?: Share | undefined;
};

const BREATH_SWELL = 0.07;

/** The shapes of a body seen from a view, the farthest first. */
export function draw(body: Solved, view: View, { props = [], breath = 0 }: DrawOptions = {}): Mark[] {
  const camera = cameraOf(view);
  const middle = camera.see(body.points.waist).near;
  const shadeOf = (near: number): 0 | 1 | 2 => (near > middle - 0.06 ? 0 : near > middle - 0.14 ? 1 : 2);
  const pieces: Piece[] = [...trunkPieces(body, camera, breath), ...headPieces(body, camera)];
  for (const side of SIDES) pieces.push(...limbPieces(body, camera, side, shadeOf));
  for (const prop of props) pieces.push(propPiece(prop, body, camera));
  pieces.sort((a, b) => a.near - b.near);
  const out: Mark[] = [{ part: "shadow", shade: 0, path: shadowPath(body, camera) }];
  let last: { chain: string; mark: Mark } | undefined;
  for (const piece of pieces) {
    for (const mark of piece.marks) {
      // Neighbouring parts of one limb become one shape, so that no edge shows at the joint.
      if (
        last &&
        last.chain === piece.chain &&
        last.mark.part === mark.part &&
        last.mark.shade === mark.shade &&
        out[out.length - 1] === last.mark
      )
        last.mark.path += mark.path;
      else {
        const own = { ...mark };
        out.push(own);
        last = { chain: piece.chain, mark: own };
      }
    }
  }
  return out;
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

function headPieces(body: Solved, camera: Camera): Piece[] {
  const { head } = body;
  const place = (x: number, y: number, z = 0) => add(body.points.head, turned([x, y, z], head));
  const see = (x: number, y: number, z = 0) => camera.see(place(x, y, z));
  const centre = camera.see(body.points.head);
  const neck = chainPath([
    disc(camera.see(along(body.points.chest, turned([0, -1, 0], body.chest), 0.01)), RADIUS.neck),
    disc(camera.see(body.points.neck), RADIUS.neck - 0.004),
  ]);
  const jaw = see(0.022, -0.045);
  const hair = see(-0.018, 0.022);
  const face: Mark = { part: "limb", shade: 0, path: hullPath([disc(see(0.008, 0.012), 0.088), disc(jaw, 0.06)]) };
  const nose: Mark = {
    part: "limb",
    shade: 0,
    path: capsulePath(disc(see(0.082, -0.002), 0.016), disc(see(0.105, -0.018), 0.0095)),
  };
  const cap: Mark = { part: "hair", shade: 0, path: hullPath([disc(hair, 0.092), disc(see(-0.03, -0.01), 0.078)]) };
  const ears: Mark[] = ([0.086, -0.086] as const)
    .map((z) => ({ z, spot: see(-0.004, -0.014, z) }))
    .filter(({ spot }) => spot.near > centre.near + 0.02)
    .map(({ spot }) => ({ part: "limb" as const, shade: 0 as const, path: circlePath(disc(spot, 0.02)) }));
  const features = faceMarks(see, centre.near);
  const faceFirst = jaw.near < hair.near - 0.012;
  return [
    { near: centre.near - 0.03, chain: "neck", marks: [{ part: "limb", shade: 0, path: neck }] },
    {
      near: centre.near,
      chain: "head",
      marks: faceFirst ? [nose, face, ...features, cap, ...ears] : [cap, face, nose, ...features, ...ears],
    },
  ];
}

/** Eyes and brows on the side that is seen, and the mouth: small, so that a still stays calm, and enough to look back. */
function faceMarks(see: (x: number, y: number, z?: number) => Spot, middle: number): Mark[] {
  const eyes = SIDES.flatMap((side): Mark[] => {
    const z = side === "right" ? 1 : -1;
    const eye = see(0.074, 0.018, 0.042 * z);
    if (eye.near < middle + 0.004) return [];
    const eyebrow = [see(0.084, 0.048, 0.026 * z), see(0.068, 0.044, 0.058 * z)] as const;
    return [
      {
        part: "face",
        shade: 0,
        path: circlePath(disc(eye, 0.0105)) + capsulePath(disc(eyebrow[0], 0.0055), disc(eyebrow[1], 0.0045)),
      },
    ];
  });
  const [left, right] = [see(0.078, -0.052, -0.022), see(0.078, -0.052, 0.022)];
  if (see(0.086, -0.052).near < middle - 0.02) return eyes;
  return [...eyes, { part: "face", shade: 1, path: capsulePath(disc(left, 0.004), disc(right, 0.004)) }];
}

/** How much an arm or leg is drawn in front of a trunk it lies level with. */
const BEFORE_TRUNK = 0.03;

function limbPieces(body: Solved, camera: Camera, side: Side, shadeOf: (near: number) => 0 | 1 | 2): Piece[] {
  const point = (name: PointName) => body.points[name];
  const own = (
    name: "hip" | "knee" | "ankle" | "heel" | "ball" | "toe" | "shoulder" | "elbow" | "wrist" | "palm" | "fingers",
  ) => point(`${side}.${name}`);
  const nearOf = (...places: Vec[]) => places.reduce((sum, p) => sum + camera.see(p).near, 0) / places.length;
  const d = (place: Vec, radius: number) => disc(camera.see(place), radius);
  const leg = body.legs[side];
  const hip = lerp(own("hip"), point("pelvis"), 0.24);
  const calf = add(lerp(own("knee"), own("ankle"), 0.3), turned([-0.012, 0, 0], leg.shank));
  const thighNear = nearOf(own("hip"), own("knee"));
  const shankNear = nearOf(own("knee"), own("ankle"), own("toe"));
  const upperNear = nearOf(own("shoulder"), own("elbow"));
  const foreNear = nearOf(own("elbow"), own("fingers"));
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
  const fore = chainPath([
    d(own("elbow"), RADIUS.elbow),
    d(lerp(own("elbow"), own("wrist"), 0.28), 0.042),
    d(own("wrist"), RADIUS.wrist),
  ]);
  const hand = chainPath([d(own("wrist"), RADIUS.wrist), d(own("palm"), 0.034), d(own("fingers"), RADIUS.fingers)]);
  return [
    {
      near: thighNear + BEFORE_TRUNK / 2,
      chain: `${side} leg`,
      marks: [
        { part: "limb", shade: legShade, path: thigh },
        { part: "wear", shade: legShade, path: shorts },
      ],
    },
    {
      near: shankNear + BEFORE_TRUNK / 2,
      chain: `${side} leg`,
      marks: [{ part: "limb", shade: legShade, path: shank + foot }],
    },
    {
      near: upperNear + BEFORE_TRUNK,
      chain: `${side} arm`,
      marks: [
        { part: "limb", shade: armShade, path: upper },
        { part: "wear", shade: armShade, path: sleeve },
      ],
    },
    {
      near: foreNear + BEFORE_TRUNK + 0.005,
      chain: `${side} arm`,
      marks: [{ part: "limb", shade: armShade, path: fore + hand }],
    },
  ];
}

/** What gives way under a knee has no hard edge. */
const SOFT: ReadonlySet<Prop["piece"]> = new Set(["pad", "cushion"]);

function propPiece(prop: Prop, body: Solved, camera: Camera): Piece {
  if (prop.shape === "rod") {
    const [a, b] = [anchorPlace(prop.from, body), anchorPlace(prop.to, body)];
    const line: Vec = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const size = Math.hypot(...line) || 1;
    const [from, to] = [along(a, line, -prop.beyond / size), along(b, line, prop.beyond / size)];
    const near = camera.see(lerp(from, to, 0.5)).near;
    return {
      near: near + (prop.radius < 0.03 ? 0.08 : 0),
      chain: "prop",
      marks: [
        {
          part: "prop",
          shade: 0,
          path: capsulePath(disc(camera.see(from), prop.radius), disc(camera.see(to), prop.radius)),
        },
      ],
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
