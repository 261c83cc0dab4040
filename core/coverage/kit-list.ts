import { KIT, KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { kitUsed } from "~/core/drills/form";
import type { Item, SessionPlan } from "~/core/session/schema";

export type KitNeed = { kit: Kit; pieces: number; words: string; instead: string };

/** Every piece of kit a session uses for one person: the most pieces any one drill uses at once. `of` looks at a part of each level's kit. */
export function kitList(
  session: SessionPlan,
  drills: (id: string) => Pick<Drill, "levels"> | undefined,
  of: (level: DrillLevel, item: Item) => readonly Kit[] = kitUsed,
): KitNeed[] {
  const most = new Map<Kit, number>();
  for (const block of session.blocks)
    for (const item of block.items) {
      const level = drills(item.drill)?.levels[item.level];
      const pieces = level ? of(level, item) : [];
      for (const kit of new Set(pieces))
        most.set(kit, Math.max(most.get(kit) ?? 0, pieces.filter((p) => p === kit).length));
    }
  return KIT.filter((kit) => most.has(kit)).map((kit) => ({ kit, pieces: most.get(kit) ?? 0, ...KIT_FACTS[kit] }));
}
