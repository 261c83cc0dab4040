import { contactsOf, groundUnder, seatOf, toSegment, type Ground } from "./contacts";
import { speedsOf, turnsOver, kneeSlides, type Sample } from "./over-time";
import type { Facts, Limb, Moment, Spine } from "./types";
import { anglesOf, type Angles } from "~/core/figure/angles";
import { RADIUS } from "~/core/figure/body";
import { sampleBeats } from "~/core/figure/check";
import type { Animation, Prop } from "~/core/figure/animation";
import { bodyAt, playerOf } from "~/core/figure/play";
import type { Side } from "~/core/figure/points";
import type { Solved } from "~/core/figure/solve";
import type { SpinePart } from "~/core/figure/pose";
import { degrees, distance, inverse, lerp, sub, turned, X, Y, Z, type Turn } from "~/core/figure/vectors";
import type { Method } from "~/core/vocabulary/methods";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Degrees, Metres, Seconds } from "~/core/units";
import { tempoOf } from "~/core/dose/dose";

type Level = Pick<
  DrillLevel,
  "posture" | "endPosture" | "kit" | "main" | "also" | "dose" | "bounds" | "pulse" | "speed" | "impact" | "gait"
>;

/** What of the drill itself a drawing does not show. */
export type Told = { method: Method; sides: Drill["sides"]; rehearses?: Drill["rehearses"] };

/** Everything the rules look at, from a level and how it is drawn. `side` draws it in the mirror. */
export function factsOf(
  level: Level,
  { method, sides, rehearses = [] }: Told,
  motion: Animation,
  side: Side = "right",
): Facts {
  const player = playerOf(motion, side);
  const { props } = player.motion;
  const usual = beatTimes(motion, level, false);
  const fastest = beatTimes(motion, level, true);
  const samples = sampleBeats(motion).map((beat): Sample => ({
    at: timeAt(beat, fastest),
    usual: timeAt(beat, usual),
    body: bodyAt(player, beat),
  }));
  const moments = samples.map(({ at, body }) => momentOf(at, body, props));
  return {
    moments,
    seconds: usual.reduce((sum, s) => sum + s, 0),
    usual: samples.map((s) => s.usual),
    speeds: speedsOf(samples, motion),
    turnsOver: turnsOver(samples, moments),
    kneeSlides: kneeSlides(samples, moments),
    posture: level.posture,
    endPosture: level.endPosture,
    method,
    kit: level.kit,
    rows: [...level.main, ...level.also],
    dose: level.dose,
    still: motion.kind === "hold",
    pulse: level.pulse ?? 0,
    speed: level.speed ?? 0,
    impact: level.impact ?? 0,
    rehearses,
    gait: level.gait === true,
    oneSided: sides !== "together",
  };
}

/** How long each beat of the motion lasts: as it is dosed, or at the shortest repetition its bounds allow. */
function beatTimes(motion: Animation, { dose, bounds }: Level, fastest: boolean): Seconds[] {
  const tempo = tempoOf(dose);
  const whole = tempo.length > 0 ? tempo.reduce((sum, s) => sum + s, 0) : motion.seconds;
  const share = fastest && tempo.length > 0 && bounds.leastRep ? Math.min(1, bounds.leastRep / whole) : 1;
  return Array.from(
    { length: motion.beats },
    (_, i) => (tempo.length === motion.beats ? tempo[i]! : whole / motion.beats) * share,
  );
}

const timeAt = (beat: number, times: readonly Seconds[]): Seconds =>
  times.reduce((sum, s, i) => sum + s * Math.min(1, Math.max(0, beat - i)), 0);

const spine = ([flexion, side, rotation]: SpinePart): Spine => ({ flexion, side, rotation });

function momentOf(at: Seconds, body: Solved, props: readonly Prop[]): Moment {
  const { points, stance } = body;
  const ground: Ground = (place) => groundUnder(place, props, body);
  const lying = lyingOf(body, ground);
  const seat = lying === "none" ? seatOf(body, ground) : "none";
  const angles = anglesOf(body);
  const solesTogether =
    distance(points["left.ball"], points["right.ball"]) < 0.1 && Math.abs(turned(Y, body.legs.left.foot)[1]) < 0.6;
  const limb = (side: Side) =>
    limbOf(body, side, angles, props, ground, { down: seat !== "none" || lying !== "none", solesTogether });
  const across = turned(Z, body.pelvis);
  const along = turned(X, body.pelvis);
  const between = sub(points["right.ankle"], points["left.ankle"]);
  const apart = Math.abs(between[0] * across[0] + between[2] * across[2]);
  const ahead = Math.abs(between[0] * along[0] + between[2] * along[2]);
  const low = points.head[1] + 0.1 <= points.pelvis[1] && points.head[1] < points.chest[1];
  // On the back a head is off the floor only when it is curled up.
  const curled = stance.neck[0] >= 12 || stance.thoracic[0] >= 15;
  const headRests = lying === "back" ? !curled || restsHead(body, ground) : restsHead(body, ground);
  return {
    at,
    left: limb("left"),
    right: limb("right"),
    neck: spine(stance.neck),
    thoracic: spine(stance.thoracic),
    lumbar: spine(stance.lumbar),
    seat,
    lying,
    raised: ground(points.back) >= 0.3,
    headUp: points.head[1] > points.pelvis[1],
    headRests,
    headLow: low && !headRests,
    feetApart: apart,
    narrow: apart < 0.12 && ahead > 0.25,
    solesTogether,
  };
}

/** Which side the trunk rests on, when it lies. */
function lyingOf({ points, pelvis, chest }: Solved, ground: Ground): Moment["lying"] {
  const front = turned(X, chest)[1];
  const low = (name: "back" | "sternum" | "pelvis", by: number) => points[name][1] - ground(points[name]) < by;
  if (front > 0.6 && low("back", 0.17)) return "back";
  if (turned(X, pelvis)[1] < -0.85 && low("pelvis", 0.2)) return "front";
  const flat = Math.abs(turned(Y, pelvis)[1]) < 0.5 && Math.abs(turned(Y, chest)[1]) < 0.6;
  return flat && Math.abs(turned(Z, pelvis)[1]) > 0.6 && points.pelvis[1] < 0.35 ? "side" : "none";
}

/** How far over what it lies on a head may be drawn: necks are drawn straighter than they lie. */
const HEAD_RESTS: Metres = 0.1;

/** Whether the head lies on the floor, on kit, or on an own arm that is under it. */
function restsHead({ points }: Solved, ground: Ground): boolean {
  const { head } = points;
  if (head[1] - RADIUS.head - ground(head) < HEAD_RESTS) return true;
  return (["left", "right"] as const).some((side) => {
    const [a, b, c] = [points[`${side}.shoulder`], points[`${side}.elbow`], points[`${side}.palm`]];
    return (
      head[1] < 0.4 &&
      Math.min(b[1], c[1]) < head[1] &&
      Math.min(toSegment(head, a, b), toSegment(head, b, c)) < RADIUS.head + 0.07
    );
  });
}

function limbOf(
  body: Solved,
  side: Side,
  angles: Angles,
  props: readonly Prop[],
  ground: Ground,
  { down, solesTogether }: { down: boolean; solesTogether: boolean },
): Limb {
  const { points, legs } = body;
  const s = side === "right" ? 1 : -1;
  const other = side === "right" ? "left" : "right";
  const read = (name: string): number => (angles as Record<string, number | undefined>)[`${side}.${name}`] ?? 0;
  const point = (name: "hip" | "knee" | "ankle" | "heel" | "ball" | "toe") => points[`${side}.${name}`];
  const contacts = contactsOf(body, side, props, ground, down);
  const over = (place: ReturnType<typeof point>) => place[1] - ground(place);
  const inPelvis = turned(sub(point("knee"), points.pelvis), inverse(body.pelvis));
  const [hipFlexion, kneeFlexion] = [read("hip.flexion"), read("knee.flexion")];
  const hipRotation = kneeFlexion >= 60 ? read("hip.rotation") : twistOf(legs[side].joints.hip) * s;
  const lowest = Math.min(
    over(point("heel")) - RADIUS.heel,
    over(point("ball")) - RADIUS.ball,
    over(point("toe")) - RADIUS.toe,
  );
  const folded =
    kneeFlexion >= 60 &&
    over(point("knee")) < 0.17 &&
    over(point("ankle")) < 0.17 &&
    Math.abs(hipRotation) >= 25 &&
    point("hip")[1] < 0.42 &&
    !solesTogether;
  const thigh = turned([0, -1, 0], legs[side].thigh);
  const footUp = lowest > 0.045;
  const arm = armAngles(body, side, read("shoulder.elevation"), read("shoulder.rotation"));
  const soleTilt = Math.abs(turned(Z, legs[side].foot)[1]);
  return {
    ...contacts,
    ...arm,
    hipFlexion,
    hipAbduction: read("hip.abduction"),
    hipRotation,
    kneeFlexion,
    kneeRotation: read("knee.rotation"),
    dorsiflexion: read("ankle.dorsiflexion"),
    inversion: read("ankle.inversion"),
    toes: read("toes.extension"),
    wrist: read("wrist.extension"),
    across: inPelvis[2] * s < -0.02,
    shinFolded: folded,
    ankleOverThigh:
      footUp &&
      kneeFlexion >= 80 &&
      hipRotation <= -45 &&
      toSegment(lerp(point("knee"), point("ankle"), 0.8), points[`${other}.hip`], points[`${other}.knee`]) < 0.3,
    droppedIn:
      kneeFlexion >= 60 && hipRotation >= 20 && !footUp && !contacts.knee && pointsInside(body, side) >= DROPPED,
    legHeldUp:
      footUp &&
      kneeFlexion <= 25 &&
      !contacts.pulled &&
      Math.hypot(thigh[0], thigh[2]) >= 0.5 &&
      turned(X, legs[side].thigh)[1] >= 0.3,
    footUp,
    soleRolled: contacts.foot && soleTilt >= 0.2,
    heelBelow: contacts.foot && point("heel")[1] < point("ball")[1] - 0.02,
  };
}

/**
 * How far the thigh is turned about its own length from being swung straight to where it points. With a bent knee the shin
 * shows it; with a long leg out to the side the clinical sequence of turns would read it far too high.
 */
const twistOf = (hip: Turn): Degrees => {
  const angle = degrees(2 * Math.atan2(hip[1], hip[3]));
  return ((angle + 540) % 360) - 180;
};

/** A knee that points so far inside its own foot has dropped in. */
const DROPPED: Degrees = 45;

/** How far inward of the foot's own direction a bent knee points, seen from above. */
function pointsInside({ points, legs }: Solved, side: Side): Degrees {
  const way = sub(points[`${side}.knee`], lerp(points[`${side}.hip`], points[`${side}.ankle`], 0.5));
  const foot = turned(X, legs[side].foot);
  if (Math.hypot(way[0], way[2]) < 0.08 || Math.hypot(foot[0], foot[2]) < 0.4) return 0;
  const off = degrees(Math.atan2(way[2], way[0]) - Math.atan2(foot[2], foot[0]));
  return (((off + 540) % 360) - 180) * (side === "right" ? -1 : 1);
}

/** How far the arm is lifted or behind the trunk, and how near it is to elbow out and turned out. */
function armAngles(
  body: Solved,
  side: Side,
  elevation: number,
  rotation: number,
): Pick<Limb, "elevation" | "behind" | "elbowOut" | "turnedOut"> {
  const upper = turned([0, -1, 0], body.arms[side].joints.shoulder);
  const s = side === "right" ? 1 : -1;
  const out = upper[2] * s > Math.abs(upper[0]) ? Math.max(0, elevation) : 0;
  // How far it is behind the plane of the shoulders, wherever it is lifted to.
  const behind = degrees(Math.asin(Math.min(1, Math.max(-1, -upper[0]))));
  return {
    elevation: Math.max(0, elevation),
    behind: Math.max(0, behind, -elevation),
    elbowOut: out,
    turnedOut: Math.max(0, -rotation),
  };
}
