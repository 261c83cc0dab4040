import { needsOf } from "~/core/drills/form";
import { z } from "zod";
import { KIT } from "~/core/vocabulary/kit";
import { JOINT_WORDS, MOTION_FACTS, MOTIONS, type Joint, type Plane } from "~/core/vocabulary/motions";
import { AREAS } from "~/core/vocabulary/areas";
import { METHODS } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import { findDrills, makeFindable, type Findable } from "./search";
import { POSTURES } from "~/core/vocabulary/postures";
import { doseSeconds } from "~/core/dose/dose";
import { LEVELS } from "~/core/vocabulary/levels";
import { spares } from "~/core/group/protect";
import { USUAL_PACE } from "~/core/dose/pace";
import type { Seconds } from "~/core/units";

export const JOINTS = Object.keys(JOINT_WORDS) as Joint[];
export const PLANES = ["forward-back", "side", "rotation"] as const satisfies readonly Plane[];

const oneOf = <T extends string>(list: readonly [T, ...T[]]) => z.enum(list).optional().catch(undefined);

/** What drills are looked for by. Everything that is not understood is left out, so that an old address still opens. */
export const browseSchema = z.object({
  q: z.string().trim().max(120).catch("").default(""),
  row: oneOf(MOTIONS),
  joint: oneOf(JOINTS as [Joint, ...Joint[]]),
  plane: oneOf(PLANES),
  method: oneOf(METHODS),
  posture: oneOf(POSTURES),
  kit: z
    .enum(["none", ...KIT])
    .optional()
    .catch(undefined),
  /** A group by whose kit drills are left out; who that is, whoever looks knows. */
  group: z.uuid().optional().catch(undefined),
  /** An area to spare: only drills with a level that does not load it. */
  spare: oneOf(AREAS),
  /** The longest a side may take, in seconds. */
  most: z.coerce.number().int().min(10).max(600).optional().catch(undefined),
  /** Only the coach's own; or the archived ones, which are not found otherwise. */
  own: z.enum(["own", "aside"]).optional().catch(undefined),
});

export type Browse = z.infer<typeof browseSchema>;

/** How long one side and one direction of a drill takes as it is dosed. */
export const sideSeconds = (drill: Drill): Seconds => doseSeconds(drill.levels.standard.dose, USUAL_PACE);

/**
 * Drills of one idea together, where the first of them is: so many rows, each of one drill and those that are the same idea.
 * Some stand by themselves, as a coach's own: nobody looks for those under another's name.
 */
export function inFamilies<D extends Pick<Drill, "family">>(
  drills: readonly D[],
  alone: (drill: D) => boolean = () => false,
): [D, ...D[]][] {
  const rows: [D, ...D[]][] = [];
  const byFamily = new Map<string, D[]>();
  for (const drill of drills) {
    const family = alone(drill) ? undefined : drill.family;
    const known = family === undefined ? undefined : byFamily.get(family);
    if (known) known.push(drill);
    else {
      const row: [D, ...D[]] = [drill];
      rows.push(row);
      if (family !== undefined) byFamily.set(family, row);
    }
  }
  return rows;
}

/** The drills that answer, those that serve a looked-for row or joint as their main work first. `ready` may remember what was made ready before. */
export function browse(
  drills: readonly Drill[],
  by: Browse,
  isOwn: (drill: Drill) => boolean = () => false,
  ready: (drills: readonly Drill[]) => Findable = makeFindable,
): Drill[] {
  const found = by.q === "" ? [...drills] : findDrills(ready(drills), by.q);
  const serves = (rows: readonly (typeof MOTIONS)[number][]) =>
    rows.some(
      (row) =>
        (by.row === undefined || row === by.row) && (by.joint === undefined || MOTION_FACTS[row].joint === by.joint),
    );
  const wanted = by.row !== undefined || by.joint !== undefined;
  return found
    .filter((drill) => {
      const { main, also, posture, kit } = drill.levels.standard;
      if (wanted && !serves(main) && !serves(also)) return false;
      if (by.plane && !main.some((row) => MOTION_FACTS[row].plane === by.plane)) return false;
      if (by.method && drill.method !== by.method) return false;
      if (by.posture && posture !== by.posture) return false;
      if (by.kit === "none" ? needsOf(drill.levels.standard).length > 0 : by.kit && !kit.includes(by.kit)) return false;
      if (by.spare && !LEVELS.some((level) => spares(drill, level, [{ area: by.spare!, way: "keep-off" }])))
        return false;
      if (by.most !== undefined && sideSeconds(drill) > by.most) return false;
      return by.own === undefined || isOwn(drill);
    })
    .map((drill, i) => ({ drill, i, rank: wanted && !serves(drill.levels.standard.main) ? 1 : 0 }))
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .map(({ drill }) => drill);
}
