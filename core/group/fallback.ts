import { formIn, inForm, needsOf } from "~/core/drills/form";
import { piecesThere } from "./kit";
import { against, itemAsWorked, type AsWorked, type Protection } from "./protect";
import type { Group } from "./schema";
import { methodFacts, METHODS, type Method } from "~/core/vocabulary/methods";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { Item } from "~/core/session/schema";
import type { Pace } from "~/core/dose/pace";
import { knownStress, stressesWith } from "~/core/stress/at";
import { doseSeconds, unitMicros, isCounted, asksEffort, peakEffort } from "~/core/dose/dose";
import { HEIGHT } from "~/core/vocabulary/postures";
import { toSeconds, type Seconds } from "~/core/units";

/** What someone does instead while the others do an item. */
export type Fallback = { drill: Drill; level: LevelName };

/** Whether a level can be worked for just this long, so that whoever does it stays in step with the others. */
export function fitsSegment(
  level: Pick<DrillLevel, "dose" | "bounds">,
  seconds: Seconds,
  pace: Pick<Pace, "breath">,
): boolean {
  const { dose, bounds } = level;
  const amount = isCounted(dose) ? Math.floor(seconds / toSeconds(unitMicros(dose, pace)) + 1e-9) : seconds;
  return amount >= bounds.least && amount <= bounds.most;
}

/**
 * How far a fallback's posture may be from the others', in steps of height, to be reached in the time of the same move.
 * Standing is always in reach: whoever stays on their feet has no move to make.
 */
const NEAR = 1;

/** Ways of working that nobody is given in place of a gentler one. */
export const HARD_WAYS: ReadonlySet<Method> = new Set(METHODS.filter((method) => methodFacts(method).hardWay));

/**
 * How a level of a drill is worked in the time of an item: on its sides, for as long as the others, with its own ramp where
 * it has one, since nobody does the others' effort at an easier level.
 */
const inTheTimeOf = (level: DrillLevel, worked: AsWorked): AsWorked => ({
  ...worked,
  dose: asksEffort(level.dose) || asksEffort(worked.dose) ? level.dose : worked.dose,
});

/** How fast, how hard and with what landings a level is worked: nothing that stands in for it may be more of any of them. */
const demands = (level: DrillLevel, worked: AsWorked) => ({
  effort: peakEffort(worked.dose),
  pace: knownStress(level).pace,
  impact: stressesWith(level, worked.dose, worked.seconds).find((s) => s.area === "impact")?.grade ?? 0,
});

const atMost = (other: ReturnType<typeof demands>, own: ReturnType<typeof demands>): boolean =>
  other.effort <= own.effort && other.pace <= own.pace && other.impact <= own.impact;

/**
 * What someone who protects areas does instead of an item: the same drill at an easier level, the nearest first, or another
 * drill with the same main rows, sides and directions that can be worked for the same times and is no harder in its level,
 * its way of working, effort, speed or landings; `undefined` when there is none, and they rest. The item itself comes back
 * when it goes against nothing. What is not drawn is never anybody's answer, nor fine for whoever protects anything.
 */
export function fallbackFor(item: Item, protections: readonly Protection[], by: FallbackBy): Fallback | undefined {
  const own = formIn(item, by.drills);
  if (!own) return undefined;
  if (against(own.levels[item.level], itemAsWorked(own, item, by.pace, by.rounds ?? 1), protections).length === 0)
    return { drill: own, level: item.level };
  for (const first of fallbacksFor(item, protections, by)) return first;
  return undefined;
}

/** What there is to look among, and for whom. */
export type FallbackBy = {
  drills: (id: string) => Drill | undefined;
  offered: readonly Drill[];
  pace: Pick<Pace, "breath">;
  group?: Group | undefined;
  rounds?: number;
};

/** Everything that could stand in for an item, the nearest first, found as it is asked for: easier levels of its drill, then other drills. */
export function* fallbacksFor(
  item: Item,
  protections: readonly Protection[],
  { drills, offered, pace, group, rounds = 1 }: FallbackBy,
): Generator<Fallback, void> {
  const own = formIn(item, drills);
  if (!own) return;
  const here = own.levels[item.level];
  const worked = itemAsWorked(own, item, pace, rounds);
  const there = (level: DrillLevel) => group === undefined || piecesThere(needsOf(level), 1, group.setting);
  const asked = demands(here, worked);
  const suits = (level: DrillLevel, so: AsWorked) =>
    against(level, so, protections).length === 0 && atMost(demands(level, so), asked);
  // A level of the same drill keeps the dose that is set; its own times are the others'.
  for (const name of LEVELS.slice(0, LEVELS.indexOf(item.level)).reverse()) {
    const level = own.levels[name];
    if (there(level) && suits(level, inTheTimeOf(level, worked))) yield { drill: own, level: name };
  }
  const seconds = doseSeconds(item.dose, pace);
  for (const { drill, level, form } of othersFor(item, own, offered, group))
    if (fitsSegment(form, seconds, pace) && suits(form, { ...worked, dose: form.dose })) yield { drill, level };
}

type Form = { drill: Drill; level: LevelName; form: DrillLevel };

/** What was worked out for a list of drills: forms by main row, and what there is for an item's drill. */
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

/** Other drills that could stand in for an item, whoever it is for and whatever its dose, the nearest first; worked out once for a list, an item's drill and a group's kit. */
function othersFor(item: Item, own: Drill, offered: readonly Drill[], group: Group | undefined): Form[] {
  const { byRow, others } = knownOf(offered);
  const kit = group ? JSON.stringify(group.setting.kit ?? "any") : "nobody";
  const sides = item.sides ?? own.sides;
  const directions = item.directions ?? own.directions;
  const here = own.levels[item.level];
  const [row] = here.main;
  if (row === undefined) return [];
  const hardest = LEVELS.indexOf(item.level);
  const withRow = () =>
    offered.flatMap((drill) =>
      LEVELS.flatMap((level): Form[] => {
        const form = drill.levels[level];
        return form.main.includes(row) && (group === undefined || piecesThere(needsOf(form), 1, group.setting))
          ? [{ drill: inForm(drill, level), level, form }]
          : [];
      }),
    );
  return kept(others, `${own.id} ${item.level} ${sides} ${directions} ${kit}`, () =>
    kept(byRow, `${row} ${kit}`, withRow)
      .flatMap((one) => {
        const { drill, level, form } = one;
        if (LEVELS.indexOf(level) > hardest || (HARD_WAYS.has(drill.method) && drill.method !== own.method)) return [];
        if (
          drill.id === own.id ||
          drill.directions !== directions ||
          (sides === "together") !== (drill.sides === "together")
        )
          return [];
        if (sides === "alternating" && drill.sides !== "alternating") return [];
        const far = Math.abs(HEIGHT[form.posture] - HEIGHT[here.posture]);
        if ((far > NEAR && form.posture !== "standing") || !here.main.every((main) => form.main.includes(main)))
          return [];
        return [{ one, far: far * 4 + (level === "standard" ? 0 : 1) + (drill.method === own.method ? 0 : 2) }];
      })
      .sort((x, y) => x.far - y.far)
      .map(({ one }) => one),
  );
}
