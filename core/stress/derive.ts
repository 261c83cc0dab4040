import { AREA_RULES } from "./areas";
import { amount, BRISK_LIMB, BRISK_SPINE, type Amount } from "./areas/rule";
import { factsOf } from "./look";
import { lyingTimes, statedIn } from "./stated";
import {
  LIMITABLE,
  type Bends,
  type LevelStress,
  type Pressed,
  type Stress,
  type StressSide,
  type Timed,
} from "~/core/drills/stresses";
import type { Facts, Limb, Moment } from "./types";
import { tempoOf } from "~/core/dose/dose";
import { AREAS, isSided, type Area } from "~/core/vocabulary/areas";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { anglesOf } from "~/core/figure/angles";
import type { Animation } from "~/core/figure/animation";
import { sampleBeats } from "~/core/figure/check";
import { LIMITS } from "~/core/figure/limits";
import { bodyAt, playerOf } from "~/core/figure/play";
import { SIDES, type Side } from "~/core/figure/points";
import type { Degrees } from "~/core/units";

type Amounts = Record<Side, Amount>;

const most = (amounts: readonly Amount[]): Amount => amounts.reduce<Amount>((a, b) => (b > a ? b : a), 0);

/** How much the figure stresses an area on its left and right; the same on both where the area has no sides. */
export function amountsOf(area: Area, facts: Facts): Amounts {
  const rule = AREA_RULES[area];
  if (typeof rule === "string") return { left: 0, right: 0 };
  const whole = rule.whole?.(facts) ?? 0;
  const of = (side: Side): Amount =>
    most([
      whole,
      rule.wholeLimb?.(facts, side) ?? 0,
      ...facts.moments.map((m) => most([rule.limb?.(m[side], m, facts, side) ?? 0, rule.middle?.(m, facts) ?? 0])),
    ]);
  return { left: of("left"), right: of("right") };
}

/** Puts amounts of the figure's sides as what is worked, by turns or at once. Drills are drawn with the right side working. */
export function stressesOf(area: Area, { left, right }: Amounts, sides: Drill["sides"]): Stress[] {
  const graded = (amount: Amount, side: StressSide): Stress[] => (amount === 0 ? [] : [{ area, grade: amount, side }]);
  if (!isSided(area)) return graded(most([left, right]), "middle");
  if (sides !== "each" || left === right) return graded(most([left, right]), "both");
  return [...graded(right, "working"), ...graded(left, "other")];
}

/** What a level stresses, worked out from how it is drawn, with what is stated of it besides. */
export function stressOf(
  drill: Pick<Drill, "sides" | "method" | "rehearses">,
  level: DrillLevel,
  motion: Animation,
): LevelStress {
  const sides = level.sides ?? drill.sides;
  const facts = factsOf(level, { method: level.method ?? drill.method, sides, rehearses: drill.rehearses }, motion);
  const always = AREAS.flatMap((area) => stressesOf(area, amountsOf(area, facts), sides));
  return statedIn(
    {
      drawn: true,
      pace: paceOf(facts),
      endRange: nearTheEnd(motion),
      landings: landingsOf(facts),
      always,
      timed: timedOf(facts),
      pressed: pressedOf(facts, sides),
      bends: bendsOf(facts, sides),
    },
    level.loads,
  );
}

/** Less than this, in degrees a second, is stillness: a swaying breath. */
const STILL = 3;

export function paceOf({ speeds, still }: Facts): LevelStress["pace"] {
  const spine = Math.max(speeds.neck, speeds.thoracic, speeds.lumbar);
  const limbs = Math.max(...SIDES.flatMap((side) => [speeds[side].hip, speeds[side].knee, speeds[side].shoulder]));
  if (spine > BRISK_SPINE || limbs > BRISK_LIMB) return 2;
  return still || Math.max(spine, limbs) < STILL ? 0 : 1;
}

/** A joint is near the end of its usual range within so many degrees of it, or within a quarter of a short one. */
const NEAR_END: Degrees = 10;
/** Up to here a limit is where a joint is when nothing happens: a straight knee is no end of range. */
const REST: Degrees = 15;

/** Bent elbows and wrists, and feet laid down, are everyday positions, whatever their range. */
const EVERYDAY: ReadonlySet<string> = new Set(["elbow.flexion", "wrist.extension"]);
/** A foot that is stood on bends farther than one that hangs: about 38° with the knee over the toes (Bennell and others 1998). */
const STOOD_ON: Degrees = 38;

/** Whether any joint of the drawing comes near the end of its usual range over a repetition. Rotations of hip and shoulder, which the drawing shares out between joints, are left out. */
export function nearTheEnd(motion: Animation): boolean {
  const player = playerOf(motion);
  return sampleBeats(motion).some((beat) =>
    Object.entries(anglesOf(bodyAt(player, beat))).some(([joint, angle]) => {
      const name = joint.replace(/^(left|right)\./, "") as keyof typeof LIMITS;
      const limit = LIMITS[name];
      if (!limit || joint.endsWith(".rotation") || EVERYDAY.has(name)) return false;
      const past = (most: Degrees) => most > REST && angle > most - Math.min(NEAR_END, most / 4);
      const under = (least: Degrees) => least < -REST && angle < least + Math.min(NEAR_END, -least / 4);
      return name === "ankle.dorsiflexion" ? past(STOOD_ON) : past(limit.most) || under(limit.least);
    }),
  );
}

const inTheAir = ({ left, right, seat, lying }: Moment): boolean =>
  seat === "none" &&
  lying === "none" &&
  [left, right].every((l) => l.footUp && !l.knee && !l.forearm && l.hand !== "carries" && !l.hangs);

/** Landings in a repetition, or in ten seconds where a dose is not counted: how often both feet come down from the air. */
export function landingsOf({ moments, still, dose, seconds }: Facts): number {
  if (still) return 0;
  const landings = moments.filter((m, i) => !inTheAir(m) && inTheAir(moments.at(i - 1)!)).length;
  return tempoOf(dose).length > 0 ? landings : Math.round((landings * 10) / Math.max(0.1, seconds));
}

function timedOf(facts: Facts): Timed[] {
  const lies = (side: "back" | "front", posture: Facts["posture"]) =>
    facts.posture === posture || facts.moments.some((m) => m.lying === side);
  return [
    ...(lies("back", "supine") ? lyingTimes("lying-back") : []),
    ...(lies("front", "prone") ? lyingTimes("lying-front") : []),
    ...(facts.still && facts.moments.at(-1)?.headLow
      ? [{ area: "head-low" as const, grade: 2 as const, side: "middle" as const, from: 20 }]
      : []),
    ...(facts.kit.includes("band")
      ? [{ area: "grip" as const, grade: 1 as const, side: "both" as const, from: 20 }]
      : []),
  ];
}

const NECK_ROWS = new Set(["nk.flex", "nk.ext", "nk.rot", "nk.side"]);

export function pressedOf(facts: Facts, sides: Drill["sides"]): Pressed[] {
  if (facts.method !== "effort") return [];
  const folded = (limb: Limb) =>
    limb.shinFolded || limb.ankleOverThigh || limb.droppedIn || Math.abs(limb.kneeRotation) >= 15;
  const on = (area: Area, holds: (side: Side) => boolean, from: number, grade: 1 | 2): Pressed[] =>
    stressesOf(area, { left: amount(false, holds("left")), right: amount(false, holds("right")) }, sides).map(
      (stress) => ({ ...stress, grade, from }),
    );
  const squeezes = (side: Side) => facts.rows.includes("hip.add") && (sides !== "each" || side === "right");
  return [
    ...on("groin-stretch", squeezes, 30, 1),
    ...on("groin-stretch", squeezes, 50, 2),
    ...on("knee-twist", (side) => facts.moments.some((m) => folded(m[side])), 1, 2),
    ...on("neck", () => facts.rows.some((row) => NECK_ROWS.has(row)), 31, 2),
  ];
}

const BEND: Readonly<Record<keyof Bends, (limb: Limb) => Degrees>> = {
  "hip-deep-bend": (l) => l.hipFlexion,
  "knee-deep-bend": (l) => l.kneeFlexion,
  "shoulder-overhead": (l) => l.elevation,
};

function bendsOf({ moments }: Facts, sides: Drill["sides"]): Bends {
  const far = (area: keyof Bends) => {
    const [left, right] = SIDES.map((side) =>
      Math.round(moments.reduce((most, m) => Math.max(most, BEND[area](m[side])), 0)),
    ) as [Degrees, Degrees];
    return sides === "each"
      ? { working: right, other: left }
      : { working: Math.max(left, right), other: Math.max(left, right) };
  };
  return Object.fromEntries(LIMITABLE.map((area) => [area, far(area)])) as Bends;
}
