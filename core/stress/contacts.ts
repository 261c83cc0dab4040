import { RADIUS } from "~/core/figure/body";
import type { Prop } from "~/core/figure/animation";
import { anchorPlace } from "~/core/figure/play";
import type { Side } from "~/core/figure/points";
import type { Solved } from "~/core/figure/solve";
import { distance, sub, turned, Y, type Vec } from "~/core/figure/vectors";
import { kitFacts } from "~/core/vocabulary/kit";
import type { Metres } from "~/core/units";
import type { LimbContacts } from "./types";

/** How near a part has to be to what is under it to touch it, past its own thickness. */
const TOUCH: Metres = 0.025;
/** Heights from which a hand, a forearm and a knee carry the body: the shoulder over the palm, over the elbow, the hip over the ground. */
const HAND_CARRIES: Metres = 0.28;
const FOREARM_CARRIES: Metres = 0.15;
const KNEE_CARRIES: Metres = 0.3;
/** Over this a hand that grips something steadies someone who stands upright rather than carrying them. */
const HIP_HIGH: Metres = 0.6;
const LEANING = 0.87;
/** The height of what is under a place: the floor, or a piece of kit that is not above it. */
export function groundUnder(place: Vec, props: readonly Prop[], body: Solved): Metres {
  let top = 0;
  for (const prop of props) {
    if (!kitFacts(prop.piece).carries) continue;
    if (prop.shape === "box") {
      const [x, y, z] = anchorPlace(prop.at, body);
      const [length, height, width] = prop.size;
      const inside = Math.abs(place[0] - x) <= length / 2 + 0.04 && Math.abs(place[2] - z) <= width / 2 + 0.04;
      if (inside && y + height <= place[1] + 0.03) top = Math.max(top, y + height);
    } else {
      const [a, b] = [anchorPlace(prop.from, body), anchorPlace(prop.to, body)];
      if (toSegment(place, a, b) <= prop.radius + 0.16 && Math.max(a[1], b[1]) <= place[1] + 0.03)
        top = Math.max(top, Math.max(a[1], b[1]) + prop.radius);
    }
  }
  return top;
}

/** The shortest way from a place to a stretch of the room. */
export function toSegment(p: Vec, a: Vec, b: Vec): Metres {
  const ab = sub(b, a);
  const size = ab[0] ** 2 + ab[1] ** 2 + ab[2] ** 2;
  const ap = sub(p, a);
  const t = size < 1e-9 ? 0 : Math.min(1, Math.max(0, (ap[0] * ab[0] + ap[1] * ab[1] + ap[2] * ab[2]) / size));
  return distance(p, [a[0] + ab[0] * t, a[1] + ab[1] * t, a[2] + ab[2] * t]);
}

/** What is under the parts of a body at one moment, asked for often. */
export type Ground = (place: Vec) => Metres;

/** Where someone sits: on the floor or something low on it, on a chair or bench, or not at all. */
export function seatOf({ points }: Solved, ground: Ground): "floor" | "chair" | "none" {
  let seat: "floor" | "chair" | "none" = "none";
  for (const side of ["left", "right"] as const) {
    const place = points[`${side}.seat`];
    const top = ground(place);
    if (place[1] - top > 0.09) continue;
    if (top < 0.3) return "floor";
    seat = "chair";
  }
  return seat;
}

/** What one side's hand, forearm, knee and foot touch, and whether weight runs through them. `down` is whether the trunk lies or sits on the ground. */
export function contactsOf(
  body: Solved,
  side: Side,
  props: readonly Prop[],
  ground: Ground,
  down: boolean,
): LimbContacts {
  const { points } = body;
  const at = (name: "palm" | "elbow" | "shoulder" | "knee" | "hip" | "heel" | "ball" | "toe") =>
    points[`${side}.${name}`];
  const elbow = at("elbow");
  const knee = at("knee");
  const kneeTop = ground(knee);
  const kneeDown = knee[1] - kneeTop <= RADIUS.knee + TOUCH;
  const foot = footOf(body, side, ground);
  return {
    ...handOf(body, side, props, ground),
    forearm: elbow[1] - ground(elbow) <= RADIUS.elbow + TOUCH && at("shoulder")[1] - elbow[1] >= FOREARM_CARRIES,
    kneeDown,
    knee: kneeDown && at("hip")[1] - kneeTop >= KNEE_CARRIES,
    foot: foot.down && !down,
    onBall: foot.onBall,
    pulled: isPulled(body, side, props),
  };
}

function handOf(
  body: Solved,
  side: Side,
  props: readonly Prop[],
  ground: Ground,
): Pick<LimbContacts, "hand" | "hangs" | "handLow" | "onBlock"> {
  const { arm } = body.stance[side];
  const palm = body.points[`${side}.palm`];
  const shoulder = body.points[`${side}.shoulder`];
  const over = shoulder[1] - palm[1];
  const where = {
    hangs: false,
    handLow: palm[1] < HIP_HIGH,
    onBlock: props.some((prop) => prop.piece === "block" && near(palm, prop, body, 0.06)),
  };
  if (palm[1] - ground(palm) <= RADIUS.palm + TOUCH) {
    const lies = body.points[`${side}.elbow`][1] - palm[1] < 0.1;
    return { ...where, hand: over >= HAND_CARRIES && !lies ? "carries" : "touches" };
  }
  if (arm.by !== "hand" || arm.of !== undefined) return { ...where, hand: "free" };
  const bar = props.some((prop) => prop.piece === "bar");
  if (bar && over < -0.2) return { ...where, hand: "carries", hangs: true };
  const upright = turned(Y, body.chest)[1] >= LEANING;
  if (over >= HAND_CARRIES && (palm[1] < HIP_HIGH || !upright)) return { ...where, hand: "carries" };
  const fixed = props.some((prop) => kitFacts(prop.piece).stays && near(palm, prop, body));
  return { ...where, hand: fixed ? "holds" : "free" };
}

/** Whether a hand is at a thing that stands by itself. */
function near(palm: Vec, prop: Prop, body: Solved, by: Metres = 0.15): boolean {
  if (prop.shape === "rod")
    return toSegment(palm, anchorPlace(prop.from, body), anchorPlace(prop.to, body)) <= prop.radius + by;
  const [x, y, z] = anchorPlace(prop.at, body);
  const [length, height, width] = prop.size;
  return (
    Math.abs(palm[0] - x) <= length / 2 + by &&
    Math.abs(palm[2] - z) <= width / 2 + by &&
    palm[1] >= y - by &&
    palm[1] <= y + height + by
  );
}

/** Whether a foot is down by its sole, ball or tucked toes: a heel alone or the back of the foot does not stand. */
function footOf({ points, legs }: Solved, side: Side, ground: Ground): { down: boolean; onBall: boolean } {
  const reaches = (name: "heel" | "ball" | "toe", radius: Metres) => {
    const place = points[`${side}.${name}`];
    return place[1] - ground(place) <= radius + TOUCH;
  };
  const sole = turned(Y, legs[side].foot)[1] > 0.2;
  const ball = reaches("ball", RADIUS.ball) || reaches("toe", RADIUS.toe);
  const heel = reaches("heel", RADIUS.heel);
  const tucked = legs[side].toes >= 30;
  const down = ball && (sole || tucked);
  return { down, onBall: down && !heel };
}

const FOOT_POINT = /\.(ankle|heel|ball|toe)$/;

/** Whether a hand, or a strap from a hand, holds this leg by its foot. */
function isPulled({ stance }: Solved, side: Side, props: readonly Prop[]): boolean {
  const own = (name: string | undefined) => name !== undefined && name.startsWith(side) && FOOT_POINT.test(name);
  const hands = (["left", "right"] as const).some(
    (s) => stance[s].arm.by === "hand" && own((stance[s].arm as { of?: string }).of),
  );
  return (
    hands ||
    props.some((prop) => prop.piece === "strap" && prop.shape === "rod" && !Array.isArray(prop.to) && own(prop.to.of))
  );
}
