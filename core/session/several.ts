import { formIn } from "~/core/drills/form";
import { INTERVAL_BOUNDS } from "./bounds";
import { amountOf, withAmount, type Amount } from "~/core/dose/amount";
import { editBlock, editItem, insertItem, itemCount, removeItem, type Place } from "./edits";
import { itemSchema, type Item, type SessionPlan } from "./schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Drill } from "~/core/drills/schema";
import { z } from "zod";
import { choicesOf, isCounted, sameDose } from "~/core/dose/dose";
import { sameJson } from "~/core/same-json";

const backwards = (places: readonly Place[]): Place[] =>
  [...places].sort((a, b) => b.block - a.block || b.item - a.item);

/** Takes several items out; one always stays. */
export function removeSeveral(session: SessionPlan, places: readonly Place[]): SessionPlan {
  return backwards(places).reduce((s, place) => (itemCount(s) > 1 ? removeItem(s, place) : s), session);
}

/** Puts copies in a row, in their order, before the place given. */
export function insertSeveral(session: SessionPlan, at: Place, items: readonly Item[]): SessionPlan {
  return items.reduce((s, item, i) => insertItem(s, { block: at.block, item: at.item + i }, item), session);
}

/** The items at places, in the order of the document. */
export function itemsAt(session: SessionPlan, places: readonly Place[]): Item[] {
  return backwards(places)
    .reverse()
    .flatMap((place) => session.blocks[place.block]?.items[place.item] ?? []);
}

/** Gives several items a level; an item with its drill's own dose takes the new level's. */
export function levelSeveral(
  session: SessionPlan,
  places: readonly Place[],
  level: LevelName,
  drills: (id: string) => Drill | undefined,
): SessionPlan {
  return places.reduce((s, place) => {
    const item = s.blocks[place.block]?.items[place.item];
    const drill = item && formIn(item, drills);
    if (!item || !drill) return s;
    const own = sameDose(item.dose, drill.levels[item.level].dose);
    return editItem(s, place, { level, ...(own && { dose: drill.levels[level].dose }) });
  }, session);
}

/** Gives those of several items whose dose is counted in a unit the same amount of it; the others stay. A ladder takes the nearest rung. */
export function amountSeveral(
  session: SessionPlan,
  places: readonly Place[],
  unit: Amount["unit"],
  value: number,
): SessionPlan {
  return places.reduce((s, place) => {
    const dose = s.blocks[place.block]?.items[place.item]?.dose;
    return dose && amountOf(dose).unit === unit ? editItem(s, place, { dose: withAmount(dose, value) }) : s;
  }, session);
}

const CLOCK_STEP = 5;

/** One step more or less for each item, inside its drill's bounds; those at the end of theirs stay. */
export function stepSeveral(
  session: SessionPlan,
  places: readonly Place[],
  by: 1 | -1,
  drills: (id: string) => Drill | undefined,
): SessionPlan {
  return places.reduce((s, place) => {
    const item = s.blocks[place.block]?.items[place.item];
    const level = item && formIn(item, drills)?.levels[item.level];
    if (!item || !level) return s;
    const interval = s.blocks[place.block]!.interval;
    if (interval) {
      // By the clock a step is one of the whole block's, made once.
      if (places.find((one) => one.block === place.block) !== place) return s;
      const work = interval.work + by * CLOCK_STEP;
      return work < INTERVAL_BOUNDS.leastWork || work > INTERVAL_BOUNDS.mostWork
        ? s
        : editBlock(s, place.block, { interval: { ...interval, work } });
    }
    const choices = choicesOf(item.dose);
    if (choices) {
      const dose = choices[choices.findIndex((one) => sameJson(one, item.dose)) + by];
      return dose ? editItem(s, place, { dose }) : s;
    }
    const { value } = amountOf(item.dose);
    const { least, most, step } = level.bounds;
    const same = item.dose.kind === level.dose.kind;
    const next = value + by * (same ? step : isCounted(item.dose) ? 1 : 5);
    if (next <= 0 || (same && (next < Math.min(least, value) || next > Math.max(most, value)))) return s;
    return editItem(s, place, { dose: withAmount(item.dose, next) });
  }, session);
}

const clipSchema = z.strictObject({ format: z.literal("mapset/drills"), items: z.array(itemSchema).min(1).max(60) });

/** Copied items as text, for the clipboard: they can be pasted into another session or another window. */
export const clipText = (items: readonly Item[]): string => JSON.stringify({ format: "mapset/drills", items });

/** Items from text that was copied, or undefined when it is something else or names drills that are not known here. */
export function readClip(text: string, drills: (id: string) => unknown): Item[] | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return undefined;
  }
  const read = clipSchema.safeParse(value);
  return read.success && read.data.items.every((item) => drills(item.drill) !== undefined)
    ? read.data.items
    : undefined;
}
