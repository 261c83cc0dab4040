import type { Camera } from "./camera";
import type { PointName, Side } from "./points";
import type { Solved } from "./solve";
import type { Motion } from "~/core/vocabulary/motions";
import type { Share } from "~/core/units";

/** The joint a row is seen at, and the point it moves. */
const AT: readonly [prefix: string, joint: string, end: string, sided: boolean][] = [
  ["nk.", "neck", "crown", false],
  ["th.", "waist", "chest", false],
  ["lu.", "pelvis", "waist", false],
  ["trunk", "pelvis", "waist", false],
  ["ribs.", "waist", "chest", false],
  ["scap", "shoulder", "elbow", true],
  ["sh.", "shoulder", "elbow", true],
  ["wr.", "wrist", "fingers", true],
  ["hip.", "hip", "knee", true],
  ["kn.", "knee", "ankle", true],
  ["an.", "ankle", "toe", true],
  ["toe.", "ball", "toe", true],
];

/** The joints the rows are about, each with the point it moves; on both sides where the drill works both. */
export function workingJoints(rows: readonly Motion[], sides: readonly Side[]): { joint: PointName; end: PointName }[] {
  const found = new Map<string, { joint: PointName; end: PointName }>();
  for (const row of rows) {
    const at = AT.find(([prefix]) => row.startsWith(prefix));
    if (!at) continue;
    const [, joint, end, sided] = at;
    for (const side of sided ? sides : (["right"] as const)) {
      const name = (point: string) => (sided ? `${side}.${point}` : point) as PointName;
      found.set(name(joint), { joint: name(joint), end: name(end) });
    }
  }
  return [...found.values()];
}

export type Arc = { path: string; strength: Share };

const RADIUS = 15;
const SPAN = 1.15;
/** Slower than this many radians a look, a joint counts as held. */
const STILL = 0.004;

const n = (value: number) => (Math.round(value * 10) / 10).toString();

/** Small arcs at the working joints, on the side the limb moves to, with a head that says which way; held joints get both heads. */
export function arcs(
  body: Solved,
  before: Solved,
  camera: Camera,
  joints: readonly { joint: PointName; end: PointName }[],
  strength: Share,
): Arc[] {
  return joints.map(({ joint, end }) => {
    const at = camera.see(body.points[joint]);
    const angleOf = (b: Solved) => {
      const [from, to] = [camera.see(b.points[joint]), camera.see(b.points[end])];
      return Math.atan2(to.y - from.y, to.x - from.x);
    };
    const angle = angleOf(body);
    let change = angle - angleOf(before);
    if (change > Math.PI) change -= 2 * Math.PI;
    if (change < -Math.PI) change += 2 * Math.PI;
    const way = Math.abs(change) < STILL ? 0 : Math.sign(change);
    const on = (a: number, r = RADIUS) => `${n(at.x + r * Math.cos(a))} ${n(at.y + r * Math.sin(a))}`;
    const head = (a: number, sign: number) =>
      `M${on(a - sign * 0.34, RADIUS - 3.2)}L${on(a)}L${on(a - sign * 0.34, RADIUS + 3.2)}`;
    const [from, to] = [angle - SPAN / 2, angle + SPAN / 2];
    const line = `M${on(from)}A${RADIUS} ${RADIUS} 0 0 1 ${on(to)}`;
    return { path: line + (way >= 0 ? head(to, 1) : "") + (way <= 0 ? head(from, -1) : ""), strength };
  });
}
