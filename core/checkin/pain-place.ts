import { z } from "zod";
import type { SessionPlan } from "~/core/session/schema";
import type { Drill } from "~/core/drills/schema";
import { compile } from "~/core/timeline/compile";
import { placeKey, totalsByItem } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

/** Where in a session something hurt, as a device tells it: the place of an item, and the drill this person did there. */
export const painAtSchema = z.strictObject({
  block: z.number().int().min(0).max(39),
  item: z.number().int().min(0).max(59),
  drill: z.string().min(1).max(80),
  /** How far into the session it hurt, where that was told at that moment. */
  second: z.number().min(0).max(86_400).optional(),
});
export type PainAt = z.infer<typeof painAtSchema>;

/** The same as it is saved: the drill by name, its number in the session, and when in the session it hurt, or else when the drill begins. */
export const painPlaceSchema = z.strictObject({
  drill: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  number: z.number().int().min(1).max(2400),
  second: z.number().min(0).max(86_400),
  /** The second is that at which it hurt. */
  exact: z.literal(true).optional(),
});
export type PainPlace = z.infer<typeof painPlaceSchema>;

/** A drill of a session that somebody may point to. */
export type PainChoice = PainAt & { number: number; name: string };

/** The drills of a session in order, as one person did them. `drillAt` is what they did at a place; nothing where they rested. */
export function painChoices(
  session: Pick<SessionPlan, "blocks">,
  drillAt: (place: { block: number; item: number }) => { id: string; name: string } | undefined,
): PainChoice[] {
  let number = 0;
  return session.blocks.flatMap(({ items }, block) =>
    items.flatMap((_, item) => {
      number += 1;
      const drill = drillAt({ block, item });
      return drill ? [{ block, item, drill: drill.id, number, name: drill.name }] : [];
    }),
  );
}

/** What a device told, as it is saved; undefined where the session has no such place: the report itself counts without it. */
export function painPlace(
  at: PainAt,
  session: Pick<SessionPlan, "blocks">,
  timeline: Timeline,
  nameOf: (drill: string) => string | undefined,
): PainPlace | undefined {
  const item = session.blocks[at.block]?.items[at.item];
  const start: Seconds | undefined = totalsByItem(timeline).get(placeKey(at.block, at.item))?.start;
  const known = nameOf(at.drill) !== undefined ? at.drill : item?.drill;
  const name = known && nameOf(known);
  if (!item || start === undefined || !known || !name) return undefined;
  const before = session.blocks.slice(0, at.block).reduce((sum, { items }) => sum + items.length, 0);
  return {
    drill: known,
    name: name.slice(0, 120),
    number: before + at.item + 1,
    second: Math.round(at.second ?? start),
    ...(at.second !== undefined && { exact: true as const }),
  };
}

/** The same in a session as it was handed out. Where it cannot be laid out in time there is no place: whatever goes wrong with it, a report counts. */
export function painPlaceIn(
  at: PainAt,
  session: SessionPlan,
  drills: (id: string) => Drill | undefined,
  nameOf: (drill: string) => string | undefined,
): PainPlace | undefined {
  try {
    return painPlace(at, session, compile(session, drills), nameOf);
  } catch {
    return undefined;
  }
}
