import { inForm } from "~/core/drills/form";
import { z } from "zod";
import { AREAS, isSided, type Area, type Grade } from "~/core/vocabulary/areas";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Item } from "~/core/session/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Pace } from "~/core/dose/pace";
import { USUAL_PACE } from "~/core/dose/pace";
import { atWork, knownStress, stressesWith } from "~/core/stress/at";
import { LIMITABLE, type Limitable, type Stress, type StressSide } from "~/core/drills/stresses";
import type { Degrees, Seconds } from "~/core/units";
import type { Dose } from "~/core/dose/kinds";

const isLimitable = (area: Area): area is Limitable => (LIMITABLE as readonly Area[]).includes(area);

/** From so many degrees under a clinician's limit on a bend counts as much: people go farther than drawings. */
const LIMIT_MARGIN: Degrees = 10;

const detailed = z
  .strictObject({
    area: z.enum(AREAS),
    side: z.enum(["left", "right"]).optional().describe("Left out: both sides"),
    way: z.enum(["keep-off", "small"]).optional().describe("Keep off it, which is usual, or small amounts are fine"),
    limit: z.number().int().min(20).max(180).optional().describe("The most a clinician allows, in degrees of bend"),
  })
  .check(({ value, issues }) => {
    if (value.side && !isSided(value.area))
      issues.push({ code: "custom", message: "has no left and right", path: ["side"], input: value.side });
    if (value.limit !== undefined && !isLimitable(value.area))
      issues.push({
        code: "custom",
        message: `has no limit in degrees; only ${LIMITABLE.join(", ")} have`,
        path: ["limit"],
        input: value.limit,
      });
  });

/** What someone protects: an area by its name, or with its side, how much is fine, and a clinician's limit. */
export const protectsSchema = z.union([z.enum(AREAS), detailed]);
/** A list of it; an area may be named once for each side. */
export const protectsListSchema = z.array(protectsSchema).max(2 * AREAS.length);

export type Protects = z.infer<typeof protectsSchema>;

/** One thing that is protected, in full. Without a side both are. */
export type Protection = { area: Area; side?: "left" | "right"; way: "keep-off" | "small"; limit?: Degrees };

/** What is stored, in full: a name alone is both sides, keep off. */
export const protectionsOf = (list: readonly Protects[]): Protection[] =>
  list.map((one) =>
    typeof one === "string"
      ? { area: one, way: "keep-off" }
      : {
          area: one.area,
          way: one.way ?? "keep-off",
          ...(one.side && { side: one.side }),
          ...(one.limit !== undefined && { limit: one.limit }),
        },
  );

/** What a person of a group protects, with what the whole group does. */
export const allProtections = (
  person: { areas: readonly Protects[] },
  setting: { areas?: readonly Protects[] | undefined },
): Protection[] => protectionsOf([...person.areas, ...(setting.areas ?? [])]);

/** The sides of the body on which a stress is, when an item is worked on these sides. */
export function sidesHit(side: StressSide, sides: Drill["sides"] | "left" | "right"): ReadonlySet<"left" | "right"> {
  const one =
    side !== "working" && side !== "other" ? undefined : sides === "left" || sides === "right" ? sides : undefined;
  if (!one) return BOTH;
  return new Set([side === "working" ? one : one === "left" ? "right" : "left"]);
}

const BOTH: ReadonlySet<"left" | "right"> = new Set(["left", "right"]);

/** A level as it is worked: with which dose, for how long in all, on which sides. */
export type AsWorked = { dose: Dose; seconds: Seconds; sides: Drill["sides"] | "left" | "right" };

/** How much of what someone protects a level stresses, where it was worked out: 0 none, else the most on the side they protect. */
export function gradeFor(
  level: DrillLevel,
  stresses: readonly Stress[],
  protection: Protection,
  sides: AsWorked["sides"],
): 0 | Grade {
  const { area, side, limit } = protection;
  const meets = (where: StressSide) => !side || sidesHit(where, sides).has(side);
  const most = stresses.reduce<0 | Grade>(
    (worst, one) => (one.area === area && one.grade > worst && meets(one.side) ? one.grade : worst),
    0,
  );
  if (limit === undefined || !isLimitable(area)) return most;
  const bend = knownStress(level).bends[area];
  const past = (["working", "other"] as const).some((where) => meets(where) && bend[where] >= limit - LIMIT_MARGIN);
  return past ? 2 : most;
}

/** Those of someone's protections that a level, so worked, goes against. One that is not drawn goes against all: nobody knows what it stresses. */
export function against(level: DrillLevel, worked: AsWorked, protections: readonly Protection[]): Protection[] {
  if (protections.length === 0) return [];
  if (!knownStress(level).drawn) return [...protections];
  const stresses = stressesWith(level, worked.dose, worked.seconds);
  return protections.filter((one) => gradeFor(level, stresses, one, worked.sides) >= (one.way === "small" ? 2 : 1));
}

/** An item of a session at its own level, as it is worked. */
export function itemAsWorked(
  drill: Pick<Drill, "sides" | "directions">,
  item: Pick<Item, "sides" | "directions" | "dose" | "sets">,
  pace: Pick<Pace, "breath">,
  rounds = 1,
): AsWorked {
  return { dose: item.dose, seconds: atWork(drill, item, pace) * rounds, sides: item.sides ?? drill.sides };
}

/** A level of a drill at its own dose and sides. */
export function levelAsWorked(drill: Drill, name: LevelName): AsWorked {
  const { dose } = drill.levels[name];
  const form = inForm(drill, name);
  return { dose, seconds: atWork(form, { dose, sets: 1 }, USUAL_PACE), sides: form.sides };
}

/** Whether a level of a drill, at its own dose, goes against nothing of a list. */
export const spares = (drill: Drill, name: LevelName, protections: readonly Protection[]): boolean =>
  against(drill.levels[name], levelAsWorked(drill, name), protections).length === 0;
