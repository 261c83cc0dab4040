import type { Facts, Moment, Speeds } from "./types";
import type { Animation } from "~/core/figure/animation";
import type { Side } from "~/core/figure/points";
import type { Solved } from "~/core/figure/solve";
import { degrees, distance, turned, X, Y, Z, type Turn } from "~/core/figure/vectors";
import type { Degrees, Seconds } from "~/core/units";

/** A body in the repetition: when, at the fastest tempo that is allowed and as it is dosed. */
export type Sample = { at: Seconds; usual: Seconds; body: Solved };

/** The angle from one turn to another. */
const angleBetween = (a: Turn, b: Turn): Degrees =>
  2 * degrees(Math.acos(Math.min(1, Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3]))));

const SPINE = ["neck", "thoracic", "lumbar"] as const;

/** The largest speed of each joint over a repetition, degrees a second. A hold that is gone into once has none. */
export function speedsOf(samples: readonly Sample[], motion: Animation): Speeds {
  const none = () => ({ hip: 0, knee: 0, shoulder: 0 });
  const speeds: Speeds = { neck: 0, thoracic: 0, lumbar: 0, left: none(), right: none() };
  if (motion.kind === "hold") return speeds;
  samples.forEach(({ at, body }, i) => {
    const before = samples[i - 1];
    if (!before || at - before.at < 1e-6) return;
    const rate = (angle: Degrees) => angle / (at - before.at);
    for (const part of SPINE) {
      const [a, b] = [before.body.stance[part], body.stance[part]];
      speeds[part] = Math.max(speeds[part], rate(Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])));
    }
    for (const side of ["left", "right"] as const) {
      const [a, b] = [before.body, body];
      speeds[side].hip = Math.max(
        speeds[side].hip,
        rate(angleBetween(a.legs[side].joints.hip, b.legs[side].joints.hip)),
      );
      speeds[side].knee = Math.max(
        speeds[side].knee,
        rate(angleBetween(a.legs[side].joints.knee, b.legs[side].joints.knee)),
      );
      speeds[side].shoulder = Math.max(
        speeds[side].shoulder,
        rate(angleBetween(a.arms[side].joints.shoulder, b.arms[side].joints.shoulder)),
      );
    }
  });
  return speeds;
}

const yaw = (v: readonly [number, number, number]): Degrees => degrees(Math.atan2(-v[2], v[0]));
const turnedBy = (a: Degrees, b: Degrees): Degrees => ((a - b + 540) % 360) - 180;

/** How far the pelvis turns over a standing foot while it stays planted. */
export function turnsOver(samples: readonly Sample[], moments: readonly Moment[]): Facts["turnsOver"] {
  const over = (side: Side) => {
    let worst = { by: 0, heelFree: false };
    let run: { off: Degrees; foot: Degrees; ball: boolean }[] = [];
    const close = () => {
      const [first] = run;
      if (!first) return;
      const offs = run.map((r) => turnedBy(r.off, first.off));
      const by = Math.max(...offs) - Math.min(...offs);
      const feet = run.map((r) => turnedBy(r.foot, first.foot));
      if (by > worst.by)
        worst = { by, heelFree: run.some((r) => r.ball) || Math.max(...feet) - Math.min(...feet) >= 15 };
      run = [];
    };
    samples.forEach(({ body }, i) => {
      const limb = moments[i]![side];
      const upright = turned(Y, body.pelvis)[1] > 0.5;
      if (!limb.foot || limb.knee || !upright || body.points.pelvis[1] < 0.5) return close();
      // From the line between the hips, which stays level as the pelvis tips.
      const toes = turned(X, body.legs[side].foot);
      // A foot on its toes points nowhere to the eye.
      if (Math.hypot(toes[0], toes[2]) < 0.5) return;
      const foot = yaw(toes);
      run.push({ off: yaw(turned(Z, body.pelvis)) - foot, foot, ball: limb.onBall });
    });
    close();
    return worst;
  };
  return { left: over("left"), right: over("right") };
}

/** How far a knee slides while it carries. */
export function kneeSlides(samples: readonly Sample[], moments: readonly Moment[]): Facts["kneeSlides"] {
  const slide = (side: Side) => {
    let far = 0;
    let from: readonly [number, number, number] | undefined;
    samples.forEach(({ body }, i) => {
      if (!moments[i]![side].knee) {
        from = undefined;
        return;
      }
      const at = body.points[`${side}.knee`];
      from ??= at;
      far = Math.max(far, distance([from[0], 0, from[2]], [at[0], 0, at[2]]));
    });
    return far;
  };
  return { left: slide("left"), right: slide("right") };
}

/** The longest unbroken stretch in which something holds, in seconds as dosed; a repetition that ends as it began goes on into the next. */
export function longest({ moments, usual, seconds, still }: Facts, holds: (moment: Moment) => boolean): Seconds {
  if (still) return moments.length > 0 && holds(moments[moments.length - 1]!) ? Infinity : 0;
  let best = 0;
  let from: number | undefined;
  moments.forEach((moment, i) => {
    if (!holds(moment)) {
      from = undefined;
      return;
    }
    from ??= i;
    best = Math.max(best, usual[i]! - usual[from]!);
  });
  return moments.every(holds) ? Infinity : Math.min(best, seconds);
}
