import { fallbackFor } from "./fallback";
import { against, itemAsWorked, type Protection } from "./protect";
import type { Group } from "./schema";
import { levelBelow } from "~/core/session/levels";
import { allAtOnce, type Steps } from "~/core/steps";
import type { Drill } from "~/core/drills/schema";
import type { LevelName, Session } from "~/core/session/schema";

/** What one person does in place of an item while the others do it: another level, another drill, or rest. */
export type Instead = { block: number; item: number } & ({ does: "rest" } | { does: "other"; drill: Drill; level: LevelName });

type By = { drills: (id: string) => Drill | undefined; offered: readonly Drill[]; group?: Group | undefined };

/** Everything one person does differently in a session, by what they protect, in its order. Empty for someone who does it all. */
export const insteadOf = (session: Session, protections: readonly Protection[], by: By): Instead[] => allAtOnce(insteadInSteps(session, protections, by));

/** The same in steps. */
export function* insteadInSteps(session: Session, protections: readonly Protection[], { drills, offered, group }: By): Steps<Instead[]> {
  const all: Instead[] = [];
  if (protections.length === 0) return all;
  for (const [b, block] of session.blocks.entries())
    for (const [i, item] of block.items.entries()) {
      yield;
      const drill = drills(item.drill);
      const place = { block: b, item: i };
      // Nobody knows what a drill that cannot be looked up loads.
      if (!drill) {
        all.push({ ...place, does: "rest" });
        continue;
      }
      if (against(drill.levels[item.level], itemAsWorked(drill, item, session.pace, block.rounds), protections).length === 0) continue;
      const other = fallbackFor(item, protections, { drills, offered, pace: session.pace, group, rounds: block.rounds });
      all.push(other ? { ...place, does: "other", drill: other.drill, level: other.level } : { ...place, does: "rest" });
    }
  return all;
}

/** Where the next level down goes against what someone protects, although the item itself does not: easier today is then no answer for them. */
export function notOneDown(session: Session, protections: readonly Protection[], drills: By["drills"]): { block: number; item: number }[] {
  if (protections.length === 0) return [];
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => {
      const drill = drills(item.drill);
      const below = levelBelow(item.level);
      if (!drill || !below) return [];
      return against(drill.levels[below], itemAsWorked(drill, item, session.pace, block.rounds), protections).length > 0 ? [{ block: b, item: i }] : [];
    }),
  );
}
