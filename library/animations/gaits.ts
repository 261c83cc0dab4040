import { mirrorPose } from "~/core/figure/mirror";
import type { View } from "~/core/figure/animation";
import type { Pose } from "~/core/figure/pose";
import type { ViewName } from "~/core/figure/views";
import { arm, foot, leg, rep, standing, type Change, type MotionMore } from "./poses";

/*
 * Walking, running and what else moves left and right by turns. Written as half a stride, of which the other half is the mirror;
 * the body stays where it is, as on a moving floor.
 */

/** Standing with the feet under the hips. */
export const upright = (c: Change = {}) => standing({ legs: foot(0, 0.1, { out: 5 }), ...c });

/** Half a stride and its mirror. */
export const gait = (view: ViewName | View, half: Pose[], { lift, at, beats, ...more }: MotionMore = {}) => {
  const long = beats ?? half.length;
  return rep(view, [...half, ...half.map(mirrorPose)], {
    ...more,
    beats: 2 * long,
    ...(at && { at: [...at, ...at.map((beat) => beat + long)] }),
    ...(lift && { lift: [...lift, ...lift] }),
  });
};

/** Arms as they swing with the elbow bent. */
export const armForward = (far = 34, bend = 88) => arm(82, far, bend);
export const armBack = (far = 34, bend = 78) => arm(84, -far, bend);

/** On the left foot, the right leg swinging through under the body, heel up. */
export const stance = (c: Change = {}) =>
  upright({
    at: [0, 0.885, -0.03],
    tilt: 5,
    ll: foot(0, -0.08, { out: 5 }),
    rl: leg(16, 2, 0, 98, -5),
    ra: armBack(14),
    la: armForward(14),
    ...c,
  });

/** In the air, the left leg behind, the right knee in front. */
export const flight = (c: Change = {}) =>
  upright({
    at: [0, 0.965, 0],
    tilt: 6,
    ll: leg(-12, 2, 0, 38, -30),
    rl: leg(50, 2, 0, 76, 0),
    ra: armBack(38),
    la: armForward(40),
    ...c,
  });

/** On the left foot, the right knee as high as the hip. */
export const kneeUp = (c: Change = {}) =>
  upright({
    at: [0, 0.92, -0.03],
    ll: foot(0, -0.09, { out: 5 }),
    rl: leg(88, 3, 0, 94, 4),
    ra: armBack(26, 72),
    la: armForward(42, 84),
    ...c,
  });

/** A step: the left foot in front on its heel, the right about to leave the floor. */
export const step = (c: Change = {}) =>
  upright({
    at: [0, 0.9, 0],
    ll: foot(0.26, -0.08, { heel: -14 }),
    rl: foot(-0.24, 0.08, { heel: 32 }),
    ra: arm(84, 22, 22),
    la: arm(84, -18, 14),
    ...c,
  });

/** Halfway through a step: on the left foot, the right one passing. */
export const passing = (c: Change = {}) =>
  upright({
    at: [0, 0.915, -0.02],
    ll: foot(0, -0.08, { out: 5 }),
    rl: leg(14, 2, 0, 52, 0),
    ra: arm(84, 4, 16),
    la: arm(84, -4, 14),
    ...c,
  });
