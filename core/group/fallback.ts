import { piecesThere } from "./kit";
import type { Group } from "./schema";
import type { Row } from "~/core/drills/rows";
import type { Area, Drill, DrillLevel, Method } from "~/core/drills/schema";
import { LEVELS, type Item, type LevelName, type Pace } from "~/core/session/schema";
import { doseSeconds, unitMicros } from "~/core/timeline/dose";
import { HEIGHT } from "~/core/timeline/postures";
import { toSeconds, type Seconds } from "~/core/units";

/** What someone does instead while the others do an item. */
export type Fallback = { drill: Drill; level: LevelName };

/** The areas of a list that a level loads. */
export const loaded = (level: Pick<DrillLevel, "loads">, areas: readonly Area[]): Area[] => level.loads.filter((area) => areas.includes(area));

/** Whether a level can be worked for just this long, so that whoever does it stays in step with the others. */
export function fitsSegment(level: Pick<DrillLevel, "dose" | "bounds">, seconds: Seconds, pace: Pick<Pace, "breath">): boolean {
  const { dose, bounds } = level;
  const amount = dose.kind === "time" || dose.kind === "ladder" ? seconds : Math.floor(seconds / toSeconds(unitMicros(dose, pace)) + 1e-9);
  return amount >= bounds.least && amount <= bounds.most;
}

/**
 * How far a fallback's posture may be from the others', in steps of height, to be reached in the time of the same move.
 * Standing is always in reach: whoever stays on their feet has no move to make.
 */
const NEAR = 1;

/** Ways of working that nobody is given in place of a gentler one. */
const HARD: ReadonlySet<Method> = new Set(["strength", "effort", "resisted", "balance", "travel"]);

/**
 * What someone who protects areas does instead of an item: the same drill at another level, gentlest change first, or
 * another drill with the same main rows, sides and directions that can be worked for the same times; `undefined` when
 * there is none. The item itself comes back when it loads none of the areas.
 */
export function fallbackFor(item: Item, areas: readonly Area[], { drills, offered, pace, group }: {
  drills: (id: string) => Drill | undefined; offered: readonly Drill[]; pace: Pick<Pace, "breath">; group?: Group | undefined;
}): Fallback | undefined {
  const own = drills(item.drill);
  if (!own) return undefined;
  const here = own.levels[item.level];
  if (loaded(here, areas).length === 0) return { drill: own, level: item.level };
  const there = (level: DrillLevel) => group === undefined || piecesThere(level.kit, 1, group.setting);
  const seconds = doseSeconds(item.dose, pace);
  // A level of the same drill keeps the dose that is set; its own times are the others'.
  const sameDrill = LEVELS.filter((name) => name !== item.level).sort((a, b) => near(item.level, a) - near(item.level, b));
  for (const level of sameDrill) if (loaded(own.levels[level], areas).length === 0 && there(own.levels[level])) return { drill: own, level };
  const sides = item.sides ?? own.sides;
  const directions = item.directions ?? own.directions;
  const candidates = (formsOf(offered).get(here.main[0]!) ?? []).flatMap(({ drill, level, form }) => {
    if (HARD.has(drill.method) && drill.method !== own.method) return [];
    if (drill.id === own.id || drill.directions !== directions || (sides === "together") !== (drill.sides === "together")) return [];
    if (sides === "alternating" && drill.sides !== "alternating") return [];
    const far = Math.abs(HEIGHT[form.posture] - HEIGHT[here.posture]);
    if ((far > NEAR && form.posture !== "standing") || !here.main.every((row) => form.main.includes(row)) || loaded(form, areas).length > 0 || !there(form) || !fitsSegment(form, seconds, pace)) return [];
    return [{ drill, level, far: far * 4 + (level === "standard" ? 0 : 1) + (drill.method === own.method ? 0 : 2) }];
  });
  const best = candidates.sort((a, b) => a.far - b.far)[0];
  return best && { drill: best.drill, level: best.level };
}

type Form = { drill: Drill; level: LevelName; form: DrillLevel };

const known = new WeakMap<readonly Drill[], Map<Row, Form[]>>();

/** Every level of the drills by each main row of it, worked out once for a list. */
function formsOf(offered: readonly Drill[]): Map<Row, Form[]> {
  const before = known.get(offered);
  if (before) return before;
  const map = new Map<Row, Form[]>();
  for (const drill of offered)
    for (const level of LEVELS)
      for (const row of drill.levels[level].main) map.set(row, [...(map.get(row) ?? []), { drill, level, form: drill.levels[level] }]);
  known.set(offered, map);
  return map;
}

/** An easier level before a harder one, the nearest first. */
const near = (from: LevelName, to: LevelName): number => {
  const by = LEVELS.indexOf(to) - LEVELS.indexOf(from);
  return by < 0 ? -by : by + LEVELS.length;
};
