import { formIn } from "~/core/drills/form";
import { z } from "zod";
import { fallbackFor, fallbacksFor, type Fallback, type FallbackBy } from "./fallback";
import { against, itemAsWorked, type Protection } from "./protect";
import type { Group, PersonChoice } from "./schema";
import { LEVELS } from "~/core/vocabulary/levels";
import type { Item, SessionPlan } from "~/core/session/schema";
import { followPlaces } from "~/core/session/follow";
import { MOST_BLOCKS, MOST_ITEMS, type Place } from "~/core/session/edits";

/*
 * What a coach chose for one person in place of an item, on the same clock as the others. A choice is never believed: it
 * counts while it is among what is worked out to be safe for them, and what is worked out takes its place when it is not.
 */

/** What is chosen for somebody at an item, with the drill that stood there when it was. */
export const choiceSchema = z.strictObject({
  athleteId: z.uuid(),
  block: z
    .int()
    .min(0)
    .max(MOST_BLOCKS - 1),
  item: z
    .int()
    .min(0)
    .max(MOST_ITEMS - 1),
  at: z.string().min(1).max(80),
  does: z.union([z.literal("rest"), z.strictObject({ drill: z.string().min(1).max(80), level: z.enum(LEVELS) })]),
});
/** More than a coach chooses for a class by hand. */
export const MOST_CHOICES = 600;
export const choicesSchema = z.array(choiceSchema).max(MOST_CHOICES);

export type Choice = z.infer<typeof choiceSchema>;

/** A group with what was chosen for each of its people; `ids` are theirs, in the order of the group. */
export function withChoices(group: Group, ids: readonly string[], choices: readonly Choice[]): Group {
  if (choices.length === 0) return group;
  return { ...group, people: group.people.map((person, i) => ({ ...person, choices: choicesOf(choices, ids[i]) })) };
}

/** What was chosen for one person. */
export const choicesOf = (choices: readonly Choice[], athleteId: string | undefined): PersonChoice[] =>
  choices.filter((one) => one.athleteId === athleteId).map(({ athleteId: _, ...choice }) => choice);

/** What is chosen at a place, where still the drill stands there that it was chosen for. */
export const choiceAt = (
  choices: readonly PersonChoice[] | undefined,
  { block, item }: Place,
  of: Pick<Item, "drill">,
): PersonChoice | undefined => choices?.find((one) => one.block === block && one.item === item && one.at === of.drill);

/** Choices over others: where both say something for somebody at a place, the first count. */
export const choicesOver = (first: readonly Choice[], others: readonly Choice[]): Choice[] => [
  ...first,
  ...others.filter(
    (one) =>
      !first.some(
        ({ athleteId, block, item }) => athleteId === one.athleteId && block === one.block && item === one.item,
      ),
  ),
];

/** Choices with one more, or without any, for one person at a place. */
export function chosen(
  choices: readonly Choice[],
  athleteId: string,
  { block, item }: Place,
  at: string,
  does: Choice["does"] | undefined,
): Choice[] {
  const others = choices.filter((one) => one.athleteId !== athleteId || one.block !== block || one.item !== item);
  return does === undefined ? others : [...others, { athleteId, block, item, at, does }];
}

/**
 * Choices where their items stand after an edit. Those whose item is gone, or is another drill now, are left out and
 * remembered in `gone` by the item they went with: where an edit is undone, the very item comes back, and they with it.
 */
export function followChoices(
  before: SessionPlan,
  after: SessionPlan,
  choices: readonly Choice[],
  gone: WeakMap<Item, Choice[]>,
): Choice[] {
  const left = new Map<Item, Choice[]>();
  const followed = choices.flatMap((one) => {
    const [place] = followPlaces(before, after, [one]);
    if (place && after.blocks[place.block]?.items[place.item]?.drill === one.at)
      return [{ ...one, block: place.block, item: place.item }];
    const item = before.blocks[one.block]?.items[one.item];
    if (item) left.set(item, [...(left.get(item) ?? []), one]);
    return [];
  });
  for (const [item, those] of left) gone.set(item, those);
  const back = after.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => {
      const those = gone.get(item) ?? [];
      gone.delete(item);
      return those.map((one) => ({ ...one, block: b, item: i }));
    }),
  );
  return [...followed, ...back];
}

/** What somebody does at an item: the same as the others, something else, or a rest; whether a coach chose it. */
export type Answer =
  { does: "same" } | { does: "rest"; chosen: boolean } | ({ does: "other"; chosen: boolean } & Fallback);

/** What somebody who protects these, and for whom that was chosen, does at an item. */
export function answerFor(
  item: Item,
  protections: readonly Protection[],
  choice: PersonChoice | undefined,
  by: FallbackBy,
): Answer {
  const drill = formIn(item, by.drills);
  // Nobody knows what a drill that cannot be looked up loads.
  if (!drill) return protections.length === 0 ? { does: "same" } : { does: "rest", chosen: false };
  const clear =
    against(drill.levels[item.level], itemAsWorked(drill, item, by.pace, by.rounds ?? 1), protections).length === 0;
  if (choice?.does === "rest") return { does: "rest", chosen: true };
  if (choice) {
    const { does } = choice;
    for (const one of fallbacksFor(item, protections, by))
      if (one.drill.id === does.drill && one.level === does.level) return { does: "other", chosen: true, ...one };
  }
  if (clear) return { does: "same" };
  const other = fallbackFor(item, protections, by);
  return other ? { does: "other", chosen: false, ...other } : { does: "rest", chosen: false };
}
