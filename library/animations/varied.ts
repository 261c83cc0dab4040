import type { Animation } from "~/core/figure/animation";
import type { LevelName } from "~/core/vocabulary/levels";
import { aim, arm, CROSSED_ARMS, to, type Change, type MotionSet } from "./poses";

/*
 * Levels that are the standard one with little changed: going part of the way, or with the arms somewhere else. Written from the
 * standard motion, so that the two stay alike.
 */

const numbersBetween = (a: unknown, b: unknown, share: number): unknown => {
  if (typeof a === "number" && typeof b === "number") return a + (b - a) * share;
  if (Array.isArray(a) && Array.isArray(b)) return b.map((one, i) => numbersBetween(a[i], one, share));
  if (isRecord(a) && isRecord(b))
    return Object.fromEntries(Object.entries(b).map(([name, one]) => [name, numbersBetween(a[name], one, share)]));
  return b;
};
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);
/** Whether two limbs are written the same way, so that there is something between them. */
const alike = (a: { by: string; of?: string | undefined }, b: { by: string; of?: string | undefined }) =>
  a.by === b.by && a.of === b.of;

/** Goes only a share of the way from the first position to each other. A limb that is written another way than in the first stays as it is. */
export function partWay(motion: Animation, share: number): Animation {
  const first = motion.keys[0]!.pose;
  return {
    ...motion,
    keys: motion.keys.map((key) => {
      const mixed = numbersBetween(first, key.pose, share) as typeof first;
      const side = (name: "left" | "right") => ({
        arm: alike(first[name].arm, key.pose[name].arm) ? mixed[name].arm : key.pose[name].arm,
        leg: alike(first[name].leg, key.pose[name].leg) ? mixed[name].leg : key.pose[name].leg,
      });
      return { ...key, pose: { ...mixed, left: side("left"), right: side("right") } };
    }),
  };
}

/** The same with some of its positions changed, all of them unless it says which. */
export const changed = (motion: Animation, change: Change, only?: readonly number[]): Animation => ({
  ...motion,
  keys: motion.keys.map((key, i) => (!only || only.includes(i) ? { ...key, pose: to(key.pose, change) } : key)),
});

/** Stays for a beat more after each of these beats of the standard motion; each must end at one of its positions. */
export const staying = (motion: Animation, after: readonly number[]): Animation =>
  [...after]
    .sort((a, b) => b - a)
    .reduce((now, beat) => {
      const pose = beat === now.beats ? now.keys[0]!.pose : now.keys.find((key) => key.at === beat)?.pose;
      if (!pose) throw new Error(`Nowhere to stay after beat ${beat}`);
      const keys = [
        ...now.keys.filter((key) => key.at <= beat),
        ...(beat === now.beats ? [{ at: beat, pose, lift: 0 }] : [{ at: beat + 1, pose, lift: 0 }]),
        ...now.keys.filter((key) => key.at > beat).map((key) => ({ ...key, at: key.at + 1 })),
      ];
      return { ...now, beats: now.beats + 1, keys };
    }, motion);

type Variation = (standard: Animation) => Animation;
const part =
  (share: number): Variation =>
  (standard) =>
    partWay(standard, share);
const withChange =
  (change: Change, only?: readonly number[]): Variation =>
  (standard) =>
    changed(standard, change, only);

const stays =
  (...after: number[]): Variation =>
  (standard) =>
    staying(standard, after);

const OVERHEAD: Change = { arms: arm(84, 165, 4) };

const VARIATIONS: Readonly<Record<string, Partial<Record<Exclude<LevelName, "standard">, Variation>>>> = {
  "roller-arm-scissors": { easier: part(0.7) },
  "stick-behind-lift": { easier: part(0.5) },
  "side-ankle-lift": { easier: part(0.55) },
  "side-knee-lift": { easier: part(0.55) },
  "hamstring-slide": { easier: part(0.5) },
  "knee-turns": { easier: part(0.6) },
  "glute-squeeze": { easier: part(0.8) },
  "wall-press-turn": { easier: withChange({ by: [0.09, 0, 0] }) },
  "kneel-to-lunge": { harder: withChange(OVERHEAD) },
  "ninety-press": { harder: withChange({ arms: CROSSED_ARMS }) },
  "ninety-turn": {
    harder: withChange({ ra: aim([0.5, -0.6, 0.6], [0.9, 0.1, 0.3]), la: aim([0.6, -0.6, -0.3], [0.9, 0.1, 0.2]) }),
  },
  "ninety-switch-stand": { harder: withChange(OVERHEAD) },
  "squat-drive-through": { harder: withChange(OVERHEAD, [2]) },
  "lunge-three-ways": { harder: withChange({ by: [0, -0.06, 0] }, [1, 3, 5]) },
  "lunge-side": { harder: stays(1) },
  "wall-drive-turn": { harder: stays(1) },
  "hinge-arm-open": { harder: stays(1) },
  "roller-arm-openers": { harder: stays(1) },
  "roller-snow-angel": { harder: stays(1) },
  "bench-pullover": { harder: stays(1) },
  "stick-kneel-side": { harder: stays(1) },
  "heel-across-prone": { harder: stays(1) },
  "leg-across": { harder: stays(1) },
  "adductor-rock-short": { harder: stays(1) },
  "pigeon-turns": { harder: stays(1) },
  "tibialis-lift": { harder: stays(1) },
  "squat-look-round": { harder: stays(1) },
  "stick-squat-pry": { harder: stays(1) },
  "star-plank-dip": { harder: stays(1) },
  "roll-down": { harder: stays(2) },
  "crossed-twist": { harder: stays(2) },
  "walk-back-squat": { harder: stays(2) },
  "straddle-opposite-toe": { harder: stays(2) },
  "shoulder-blade-push-up": { harder: stays(1, 2) },
  "toe-sit-back": { harder: stays(2) },
  "straddle-lift-reach": { harder: withChange({ arms: aim([0.3, -0.3, 0.9], [0.4, -0.2, 0.9]) }, [0, 1, 2]) },
};

/** Motions with these levels besides. */
export const withVariations = (motions: MotionSet): MotionSet => ({
  ...motions,
  ...Object.fromEntries(
    Object.entries(VARIATIONS).map(([id, levels]) => {
      const own = motions[id];
      if (!own) throw new Error(`No motion to vary: ${id}`);
      return [
        id,
        {
          ...own,
          ...(levels.easier && { easier: levels.easier(own.standard) }),
          ...(levels.harder && { harder: levels.harder(own.standard) }),
        },
      ];
    }),
  ),
});
