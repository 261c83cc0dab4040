import { RADIUS } from "./body";
import type { Camera } from "./camera";
import type { Mark, Piece, See } from "./marks";
import { capsulePath, chainPath, circlePath, disc, hullPath } from "./outline";
import { SIDES } from "./points";
import type { Solved } from "./solve";
import { add, along, lerp, turned } from "./vectors";

/** How hair is worn: cut short, cropped close to the head, tied in a knot at the back, or in a tail that hangs down. */
export const HAIR = ["short", "cropped", "knot", "tail"] as const;
export type Hair = (typeof HAIR)[number];

/** Head, neck, face and hair. */
export function headPieces(body: Solved, camera: Camera, hair: Hair): Piece[] {
  const { head } = body;
  const place = (x: number, y: number, z = 0) => add(body.points.head, turned([x, y, z], head));
  const see: See = (x, y, z = 0) => camera.see(place(x, y, z));
  const centre = camera.see(body.points.head);
  const neck = chainPath([
    disc(camera.see(along(body.points.chest, turned([0, -1, 0], body.chest), 0.01)), RADIUS.neck),
    disc(camera.see(body.points.neck), RADIUS.neck - 0.004),
  ]);
  const jaw = see(0.022, -0.045);
  const crown = see(-0.018, 0.022);
  const face: Mark = { part: "limb", shade: 0, path: hullPath([disc(see(0.008, 0.012), 0.088), disc(jaw, 0.06)]) };
  const nose: Mark = {
    part: "limb",
    shade: 0,
    path: capsulePath(disc(see(0.082, -0.002), 0.016), disc(see(0.105, -0.018), 0.0095)),
  };
  const cap: Mark =
    hair === "cropped"
      ? { part: "hair", shade: 0, path: hullPath([disc(see(-0.014, 0.02), 0.0885), disc(see(-0.02, -0.004), 0.078)]) }
      : { part: "hair", shade: 0, path: hullPath([disc(crown, 0.092), disc(see(-0.03, -0.01), 0.078)]) };
  const ears: Mark[] = ([0.086, -0.086] as const)
    .map((z) => ({ z, spot: see(-0.004, -0.014, z) }))
    .filter(({ spot }) => spot.near > centre.near + 0.02)
    .map(({ spot }) => ({ part: "limb" as const, shade: 0 as const, path: circlePath(disc(spot, 0.02)) }));
  const features = faceMarks(see, centre.near);
  const back = backHair(body, camera, hair, see);
  const faceFirst = jaw.near < crown.near - 0.012;
  return [
    { near: centre.near - 0.03, chain: "neck", marks: [{ part: "limb", shade: 0, path: neck }] },
    {
      near: centre.near,
      chain: "head",
      marks: faceFirst ? [nose, face, ...features, cap, ...ears] : [cap, face, nose, ...features, ...ears],
    },
    ...(back
      ? [{ near: back.near, chain: "hair", marks: [{ part: "hair" as const, shade: 0 as const, path: back.path }] }]
      : []),
  ];
}

/** What of the hair is gathered at the back of the head. A tail hangs straight down from where it is tied, whichever way the head is held. */
function backHair(body: Solved, camera: Camera, hair: Hair, see: See): { near: number; path: string } | undefined {
  if (hair === "knot") {
    const knot = see(-0.108, 0.05);
    return { near: knot.near, path: circlePath(disc(knot, 0.036)) };
  }
  if (hair !== "tail") return undefined;
  const tied = add(body.points.head, turned([-0.1, 0.045, 0], body.head));
  const back = turned([-1, -0.35, 0], body.head);
  const bend = along(tied, back, 0.035);
  const floor = Math.max(0.012, bend[1] - 0.15);
  const end = lerp([bend[0], floor, bend[2]], along(bend, back, 0.1), 0.25);
  const spots = [
    disc(camera.see(tied), 0.024),
    disc(camera.see(bend), 0.027),
    disc(camera.see([end[0], Math.max(0.012, end[1]), end[2]]), 0.011),
  ];
  return { near: camera.see(bend).near, path: chainPath(spots) };
}

/** Eyes and brows on the side that is seen, and the mouth: small, so that a still stays calm, and enough to look back. */
function faceMarks(see: See, middle: number): Mark[] {
  const eyes = SIDES.flatMap((side): Mark[] => {
    const z = side === "right" ? 1 : -1;
    const eye = see(0.074, 0.018, 0.042 * z);
    if (eye.near < middle + 0.004) return [];
    const eyebrow = [see(0.08, 0.057, 0.022 * z), see(0.066, 0.047, 0.058 * z)] as const;
    return [
      {
        part: "face",
        shade: 0,
        path: circlePath(disc(eye, 0.0105)) + capsulePath(disc(eyebrow[0], 0.0055), disc(eyebrow[1], 0.0045)),
      },
    ];
  });
  if (see(0.086, -0.052).near < middle - 0.02) return eyes;
  const smile = [see(0.072, -0.046, -0.026), see(0.082, -0.054), see(0.072, -0.046, 0.026)];
  return [...eyes, { part: "face", shade: 1, path: chainPath(smile.map((spot) => disc(spot, 0.004))) }];
}
