import type { Finding } from "./audit";
import type { Area } from "~/core/vocabulary/areas";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { SessionPlan } from "~/core/session/schema";

/** From this day on what a drill loads is worked out from its drawing. Sessions saved before were looked over with what was written down. */
export const KNOWN_BETTER_SINCE = new Date("2026-11-26T00:00:00Z");

/** What was written down of each level before, by drill. */
export type WrittenBefore = Readonly<Record<string, Readonly<Record<LevelName, readonly Area[]>>>>;

/** A place at which more is known to be loaded than when the session was last saved. */
export type BetterKnown = { found: Finding; drill: string; areas: Area[] };

/**
 * Findings about protected areas that a session had not when it was last saved, since it was not known then what a drill loads.
 * `before` is what was written down of the drills of Mapset; of a coach's own it still stands in them.
 */
export function betterKnown(
  found: readonly Finding[],
  session: SessionPlan,
  drills: (id: string) => Drill | undefined,
  before: WrittenBefore,
): BetterKnown[] {
  return found.flatMap((one): BetterKnown[] => {
    const item = one.place && session.blocks[one.place.block]?.items[one.place.item];
    const drill = item && drills(item.drill);
    if (!item || !drill || !one.areas) return [];
    const written: readonly Area[] =
      before[item.drill]?.[item.level] ??
      drill.levels[item.level].loads.map((load) => (typeof load === "string" ? load : load.area));
    const areas = one.areas.filter((area) => !written.includes(area));
    return areas.length > 0 ? [{ found: one, drill: drill.name, areas }] : [];
  });
}
