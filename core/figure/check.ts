import { anglesOf, jointOf, type AngleKey } from "./angles";
import { elbowRest, PALM } from "./arms";
import { FLAT_WRIST } from "./body";
import { footPlace, kneeRest } from "./legs";
import { pastLimit } from "./limits";
import type { Animation } from "./animation";
import { bodyAt, playerOf, type Player } from "./play";
import { POINT_NAMES, SIDES, type PointName, type Side } from "./points";
import { ROW_ANGLES, usesRow } from "./rows";
import { THICKNESS, type Solved, type Stance } from "./solve";
import { along, distance, scale, turned, unit, Y, type Vec } from "./vectors";
import type { Motion } from "~/core/vocabulary/motions";
import type { Degrees, Metres } from "~/core/units";

/** What is wrong with a motion, where, and how much. */
export type FigureFault =
  | { kind: "floor"; part: PointName; beat: number; by: Metres }
  | { kind: "contact"; part: PointName; beat: number; by: Metres }
  | { kind: "limit"; part: AngleKey; beat: number; by: Degrees; angle: Degrees }
  | { kind: "row"; row: Motion };

export const SAMPLES = 60;
export const FLOOR_ALLOWANCE: Metres = 0.01;
export const CONTACT_ALLOWANCE: Metres = 0.015;

/** The beats at which a repetition is looked at. */
export const sampleBeats = (motion: Animation): number[] =>
  Array.from({ length: SAMPLES }, (_, i) => (motion.beats * i) / (SAMPLES - 1));

export type Sampled = { beat: number; body: Solved };

export const samplesOf = (player: Player): Sampled[] =>
  sampleBeats(player.motion).map((beat) => ({ beat, body: bodyAt(player, beat) }));

/** Every fault of a motion over one repetition, the worst of each kind and part. `main` are the rows it says it is for. */
export function motionFaults(motion: Animation, main: readonly Motion[] = []): FigureFault[] {
  const samples = samplesOf(playerOf(motion));
  const worst = new Map<string, FigureFault>();
  const note = (fault: Exclude<FigureFault, { kind: "row" }>) => {
    const key = `${fault.kind} ${fault.part}`;
    const known = worst.get(key);
    if (!known || known.kind === "row" || known.by < fault.by) worst.set(key, fault);
  };
  const range = new Map<AngleKey, [number, number]>();
  for (const { beat, body } of samples) {
    for (const part of POINT_NAMES) {
      const by = (THICKNESS[part] ?? 0) - body.points[part][1];
      if (by > FLOOR_ALLOWANCE) note({ kind: "floor", part, beat, by });
    }
    for (const { part, by } of missesOf(body)) if (by > CONTACT_ALLOWANCE) note({ kind: "contact", part, beat, by });
    for (const [key, angle] of Object.entries(anglesOf(body)) as [AngleKey, number][]) {
      const by = pastLimit(jointOf(key), angle);
      if (by > 0.5) note({ kind: "limit", part: key, beat, by, angle });
      const seen = range.get(key);
      if (!seen) range.set(key, [angle, angle]);
      else {
        seen[0] = Math.min(seen[0], angle);
        seen[1] = Math.max(seen[1], angle);
      }
    }
  }
  return [
    ...worst.values(),
    ...main.filter((row) => !rowIsUsed(row, range)).map((row) => ({ kind: "row" as const, row })),
  ];
}

function rowIsUsed(row: Motion, range: Map<AngleKey, [number, number]>): boolean {
  const ways = ROW_ANGLES[row];
  if (!ways) return true;
  return ways.some((way) =>
    ([way.angle, ...SIDES.map((side) => `${side}.${way.angle}` as const)] as AngleKey[]).some((key) => {
      const seen = range.get(key);
      return seen !== undefined && usesRow(way, seen[0], seen[1]);
    }),
  );
}

/** How far each planted hand, foot, knee and elbow is from the place it holds. */
export function missesOf(body: Solved): { part: PointName; by: Metres }[] {
  return SIDES.flatMap((side) => [legMiss(body, side), armMiss(body, side)]).filter((miss) => miss !== undefined);
}

function legMiss({ points, stance }: Solved, side: Side): { part: PointName; by: Metres } | undefined {
  const { leg } = stance[side];
  if (leg.by === "foot")
    return {
      part: `${side}.ankle`,
      by: distance(points[`${side}.ankle`], footPlace(leg, side === "right" ? 1 : -1).ankle),
    };
  if (leg.by === "knee") return { part: `${side}.knee`, by: distance(points[`${side}.knee`], kneeRest(leg)) };
  return undefined;
}

function armMiss(body: Solved, side: Side): { part: PointName; by: Metres } | undefined {
  const { arm } = body.stance[side];
  if (arm.by === "elbow") return { part: `${side}.elbow`, by: distance(body.points[`${side}.elbow`], elbowRest(arm)) };
  if (arm.by !== "hand") return undefined;
  const goal = handGoal(body, side, arm);
  if (!goal) return undefined;
  return { part: `${side}.wrist`, by: distance(body.points[`${side}.wrist`], goal) };
}

/** Where the wrist of a hand that holds a place belongs. Places on the body are given with the solved body. */
function handGoal(body: Solved, side: Side, arm: Extract<Stance["left"]["arm"], { by: "hand" }>): Vec | undefined {
  const at = body.arms[side].target ?? arm.at;
  if (arm.rest === "flat") return along(at, unit(arm.normal ?? Y, Y), FLAT_WRIST);
  const fingers = arm.fingers ? unit(arm.fingers) : turned([0, -1, 0], body.arms[side].hand);
  return along(at, scale(fingers, -1), PALM);
}
