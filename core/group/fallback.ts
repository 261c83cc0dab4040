import { piecesThere } from "./kit";
import type { Group } from "./schema";
import type { Area } from "~/core/drills/areas";
import type { Drill, DrillLevel, Method } from "~/core/drills/schema";
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
  const best = othersFor(item, own, areas, offered, group).find(({ form }) => fitsSegment(form, seconds, pace));
  return best && { drill: best.drill, level: best.level };
}

type Form = { drill: Drill; level: LevelName; form: DrillLevel };

/** What was worked out for a list of drills: forms by main row and whom they suit, and what there is for an item's drill. */
type Known = { byRow: Map<string, Form[]>; others: Map<string, Form[]> };
const known = new WeakMap<readonly Drill[], Known>();

function knownOf(offered: readonly Drill[]): Known {
  const before = known.get(offered);
  if (before) return before;
  const fresh: Known = { byRow: new Map(), others: new Map() };
  known.set(offered, fresh);
  return fresh;
}

const kept = <V>(map: Map<string, V>, key: string, make: () => V): V => {
  const before = map.get(key);
  if (before !== undefined) return before;
  const fresh = make();
  map.set(key, fresh);
  return fresh;
};

/** Other drills for an item, whatever its dose, the nearest first; worked out once for a list, an item's drill and a group. */
function othersFor(item: Item, own: Drill, areas: readonly Area[], offered: readonly Drill[], group: Group | undefined): Form[] {
  const { byRow, others } = knownOf(offered);
  const whom = `${areas.join()} ${group ? JSON.stringify(group.setting.kit ?? "any") : "nobody"}`;
  const sides = item.sides ?? own.sides;
  const directions = item.directions ?? own.directions;
  const here = own.levels[item.level];
  const [row] = here.main;
  if (row === undefined) return [];
  /** Every level with this main row that loads none of the areas and has its kit there. */
  const suiting = () => offered.flatMap((drill) => LEVELS.flatMap((level): Form[] => {
    const form = drill.levels[level];
    return form.main.includes(row) && loaded(form, areas).length === 0 && (group === undefined || piecesThere(form.kit, 1, group.setting)) ? [{ drill, level, form }] : [];
  }));
  return kept(others, `${own.id} ${item.level} ${sides} ${directions} ${whom}`, () =>
    kept(byRow, `${row} ${whom}`, suiting).flatMap((one) => {
      const { drill, level, form } = one;
      if (HARD.has(drill.method) && drill.method !== own.method) return [];
      if (drill.id === own.id || drill.directions !== directions || (sides === "together") !== (drill.sides === "together")) return [];
      if (sides === "alternating" && drill.sides !== "alternating") return [];
      const far = Math.abs(HEIGHT[form.posture] - HEIGHT[here.posture]);
      if ((far > NEAR && form.posture !== "standing") || !here.main.every((main) => form.main.includes(main))) return [];
      return [{ one, far: far * 4 + (level === "standard" ? 0 : 1) + (drill.method === own.method ? 0 : 2) }];
    }).sort((x, y) => x.far - y.far).map(({ one }) => one));
}

/** An easier level before a harder one, the nearest first. */
const near = (from: LevelName, to: LevelName): number => {
  const by = LEVELS.indexOf(to) - LEVELS.indexOf(from);
  return by < 0 ? -by : by + LEVELS.length;
};
