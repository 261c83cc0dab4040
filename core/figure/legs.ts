import { BALL, HEEL, KNEELING_KNEE, LENGTH, RADIUS, TOES } from "./body";
import type { Side } from "./points";
import type { KneeLeg, FootLeg, Leg } from "./pose";
import {
  about,
  across,
  add,
  along,
  anglesZXY,
  between,
  chain,
  cross,
  frame,
  inverse,
  lerp,
  radians,
  sub,
  turned,
  unit,
  X,
  Y,
  Z,
  type Turn,
  type Vec,
} from "./vectors";
import { aimAtHeight, bend } from "./two-bone";
import type { Degrees } from "~/core/units";

/** A leg by its joints' own turns, as it is carried from one key position to the next. */
export type FreeLeg = { by: "free"; hip: Turn; knee: Turn; ankle: Turn; toes: Degrees };

export type LegSolved = {
  knee: Vec;
  ankle: Vec;
  heel: Vec;
  ball: Vec;
  toe: Vec;
  thigh: Turn;
  shank: Turn;
  foot: Turn;
  toes: Degrees;
  /** Turns of hip, knee and ankle against the part above. */
  joints: FreeLeg;
};

const DOWN: Vec = [0, -1, 0];
const INSTEP_ANKLE = 0.06;
const INSTEP_SLOPE: Degrees = 28;
const TUCKED_ANKLE = 0.152;

/** A leg from the hip down. `s` is 1 for the right side, −1 for the left. */
export function solveLeg(goal: Leg | FreeLeg, hip: Vec, pelvis: Turn, side: Side): LegSolved {
  const s = side === "right" ? 1 : -1;
  switch (goal.by) {
    case "free":
      return fromJoints(goal, hip, pelvis);
    case "angles":
      return fromJoints(
        {
          by: "free",
          toes: goal.toes,
          hip: chain(about(Z, goal.hip[0]), about(X, -s * goal.hip[1]), about(Y, s * goal.hip[2])),
          knee: chain(about(Z, -goal.knee), about(Y, s * goal.kneeRotation)),
          ankle: ankleTurn(goal.ankle, goal.inversion, s),
        },
        hip,
        pelvis,
      );
    case "aim": {
      const thighAlong = unit(goal.thigh);
      const shankAlong = unit(goal.shank);
      const thigh = thighFrame(thighAlong, shankAlong, turned(X, swing(thighAlong, pelvis)));
      const shank = chain(shankFrame(thigh, shankAlong), about(Y, s * goal.kneeRotation));
      return finish(hip, pelvis, thigh, shank, chain(shank, ankleTurn(goal.ankle, goal.inversion, s)), goal.toes);
    }
    case "foot":
      return toFoot(goal, hip, pelvis, s);
    case "knee":
      return toKnee(goal, hip, pelvis, s);
  }
}

const ankleTurn = (dorsiflexion: Degrees, inversion: Degrees, s: number) =>
  chain(about(Z, dorsiflexion), about(X, s * inversion));

function fromJoints(joints: FreeLeg, hip: Vec, pelvis: Turn): LegSolved {
  const thigh = chain(pelvis, joints.hip);
  const shank = chain(thigh, joints.knee);
  return finish(hip, pelvis, thigh, shank, chain(shank, joints.ankle), joints.toes);
}

function finish(hip: Vec, pelvis: Turn, thigh: Turn, shank: Turn, foot: Turn, toes: Degrees): LegSolved {
  const knee = along(hip, turned(DOWN, thigh), LENGTH.thigh);
  const ankle = along(knee, turned(DOWN, shank), LENGTH.shank);
  const ahead = turned(X, foot);
  const up = turned(Y, foot);
  const sole = (forward: number, radius: number) => along(along(ankle, ahead, forward), up, radius - LENGTH.footHeight);
  const ball = sole(BALL, RADIUS.ball);
  const toesAhead = turned(X, chain(foot, about(Z, toes)));
  const toesUp = turned(Y, chain(foot, about(Z, toes)));
  return {
    knee,
    ankle,
    heel: sole(-HEEL, RADIUS.heel),
    ball,
    toe: along(along(ball, toesAhead, TOES - BALL), toesUp, RADIUS.toe - RADIUS.ball),
    thigh,
    shank,
    foot,
    toes,
    joints: {
      by: "free",
      hip: chain(inverse(pelvis), thigh),
      knee: chain(inverse(thigh), shank),
      ankle: chain(inverse(shank), foot),
      toes,
    },
  };
}

/** The thigh turned straight from hanging under the pelvis to point along a direction. */
function swing(direction: Vec, pelvis: Turn): Turn {
  const own = turned(direction, inverse(pelvis));
  const axis = cross(DOWN, own);
  const angle = between(DOWN, own);
  return chain(pelvis, about(unit(axis, Z), angle));
}

const STRAIGHT = 0.04;
const BENT = 0.22;

/** The thigh's frame: its hinge lies across thigh and shank; where they are nearly in line, `ahead` says where the knee faces. */
function thighFrame(thigh: Vec, shank: Vec, ahead: Vec): Turn {
  const bent = across(shank, thigh);
  const share = Math.min(1, Math.max(0, (Math.hypot(...bent) - STRAIGHT) / (BENT - STRAIGHT)));
  const x = unit(
    across(lerp(unit(across(ahead, thigh), X), unit([-bent[0], -bent[1], -bent[2]], ahead), share), thigh),
    X,
  );
  const y: Vec = [-thigh[0], -thigh[1], -thigh[2]];
  return frame(x, y, cross(x, y));
}

function shankFrame(thigh: Turn, shank: Vec): Turn {
  const y: Vec = [-shank[0], -shank[1], -shank[2]];
  const z = unit(across(turned(Z, thigh), shank), Z);
  return frame(cross(y, z), y, z);
}

/** Where the ankle is, and how the foot stands, for a foot goal. */
export function footPlace(goal: FootLeg, s: number): { ankle: Vec; foot: Turn; ahead: Vec } {
  const out = radians(goal.out) * s;
  const ahead: Vec = [Math.cos(out), 0, Math.sin(out)];
  const flat = frame(ahead, Y, cross(ahead, Y));
  const foot = chain(flat, about(Z, -goal.heel), about(X, s * goal.tilt));
  // It rolls over the ball, or the heel, whose middle stays a radius over the floor.
  const [pivot, radius] = goal.heel >= 0 ? [BALL, RADIUS.ball] : [-HEEL, RADIUS.heel];
  const middle = along(along(goal.at, ahead, pivot), Y, radius);
  const ankle = along(along(middle, turned(X, foot), -pivot), turned(Y, foot), LENGTH.footHeight - radius);
  return { ankle, foot, ahead };
}

function toFoot(goal: FootLeg, hip: Vec, pelvis: Turn, s: number): LegSolved {
  const { ankle, foot, ahead } = footPlace(goal, s);
  const line = unit(sub(ankle, hip), DOWN);
  // A knee points where the toes point, and a little where the front of the pelvis is carried with the leg.
  const pole = goal.pole ?? along(across(ahead, line), turned(X, swing(line, pelvis)), 0.35);
  const knee = bend(hip, ankle, LENGTH.thigh, LENGTH.shank, pole);
  const thighAlong = unit(sub(knee, hip));
  const thigh = thighFrame(thighAlong, unit(sub(ankle, knee)), ahead);
  const shank = shankFrame(thigh, unit(sub(ankle, knee)));
  return finish(hip, pelvis, thigh, shank, foot, Math.max(0, goal.heel));
}

/** Where the middle of a knee is that rests at its goal. */
export const kneeRest = (goal: KneeLeg): Vec => [goal.at[0], goal.at[1] + KNEELING_KNEE, goal.at[2]];

function toKnee(goal: KneeLeg, hip: Vec, pelvis: Turn, s: number): LegSolved {
  const thighAlong = unit(sub(kneeRest(goal), hip), DOWN);
  const splay = radians(goal.splay) * s;
  const back: Vec = [-Math.cos(splay), 0, Math.sin(splay)];
  const tucked = goal.toes === "tucked";
  const rise = ((tucked ? TUCKED_ANKLE : INSTEP_ANKLE) - KNEELING_KNEE) / LENGTH.shank;
  const shankAlong = unit(add(along([0, 0, 0], back, Math.sqrt(1 - rise * rise)), [0, rise, 0]));
  const thigh = thighFrame(thighAlong, shankAlong, turned(X, swing(thighAlong, pelvis)));
  const shank = shankFrame(thigh, shankAlong);
  // The foot's forward: down for tucked toes, back and down along the instep otherwise.
  const slope = radians(INSTEP_SLOPE);
  const x: Vec = tucked
    ? unit(across([0, -1, 0], shankAlong))
    : unit([back[0] * Math.cos(slope), -Math.sin(slope), back[2] * Math.cos(slope)]);
  const z = unit(across(turned(Z, shank), x));
  return finish(hip, pelvis, thigh, shank, frame(x, cross(z, x), z), tucked ? 82 : 0);
}

/** A free leg kept over the floor: the knee is lifted onto it, then the foot, by bending the knee. */
export function legOverFloor(first: LegSolved, hip: Vec, pelvis: Turn): LegSolved {
  let leg = first;
  for (let i = 0; i < 3; i++) {
    const kneeUnder = RADIUS.knee - leg.knee[1];
    const footUnder = Math.max(
      RADIUS.ankle - leg.ankle[1],
      RADIUS.heel - leg.heel[1],
      RADIUS.ball - leg.ball[1],
      RADIUS.toe - leg.toe[1],
    );
    if (kneeUnder <= 1e-6 && footUnder <= 1e-6) break;
    let { knee, ankle } = leg;
    if (kneeUnder > 1e-6) {
      knee = aimAtHeight(hip, leg.knee, LENGTH.thigh, RADIUS.knee);
      ankle = along(knee, unit(sub(leg.ankle, leg.knee)), LENGTH.shank);
    } else {
      // Straight up and pointing as it did, so that a hanging leg bends its knee a little more instead of swinging out.
      const lifted = add(ankle, [0, footUnder, 0]);
      knee = bend(hip, lifted, LENGTH.thigh, LENGTH.shank, turned(X, leg.thigh));
      ankle = along(knee, unit(sub(lifted, knee)), LENGTH.shank);
    }
    const thighAlong = unit(sub(knee, hip));
    const shankAlong = unit(sub(ankle, knee));
    const thigh = thighFrame(thighAlong, shankAlong, turned(X, leg.thigh));
    const shank = chain(shankFrame(thigh, shankAlong), about(Y, anglesZXY(leg.joints.knee).y));
    leg = finish(hip, pelvis, thigh, shank, leg.foot, leg.toes);
  }
  return leg;
}

/** Height of the hips over the floor for a knee that rests at its goal, or undefined where the thigh does not reach. */
export function hipHeight(goal: KneeLeg, hip: Vec): number | undefined {
  const dx = goal.at[0] - hip[0];
  const dz = goal.at[2] - hip[2];
  const rise = LENGTH.thigh ** 2 - dx * dx - dz * dz;
  return rise >= 0 ? goal.at[1] + KNEELING_KNEE + Math.sqrt(rise) : undefined;
}
