import type { AuditInput } from "./types";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Place } from "~/core/session/edits";
import type { Item, Purpose } from "~/core/session/schema";

/** An item with everything known of it. */
export type Looked = { place: Place; item: Item; drill: Drill; level: DrillLevel };

/** Every item of the session in order; unknown drills are left out. */
export function itemsOf({ session, drills }: Pick<AuditInput, "session" | "drills">): Looked[] {
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => {
      const drill = drills(item.drill);
      return drill ? [{ place: { block: b, item: i }, item, drill, level: drill.levels[item.level] }] : [];
    }),
  );
}

/** Purposes that a game, a lift or fast work follows. */
export const beforePower = (purpose: Purpose): boolean => purpose === "before-training" || purpose === "before-lifting" || purpose === "before-game";

/** Whether two places are the same. */
export const samePlace = (a: Place, b: Place): boolean => a.block === b.block && a.item === b.item;
