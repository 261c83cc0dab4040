import { formIn } from "~/core/drills/form";
import type { AuditInput } from "./types";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Place } from "~/core/session/edits";
import type { Item, Purpose } from "~/core/session/schema";
import { itemDone } from "~/core/session/interval";

/** An item with everything known of it. */
export type Looked = { place: Place; item: Item; drill: Drill; level: DrillLevel };

const looked = new WeakMap<object, Looked[]>();

/** Every item of the session in order, with the dose that is really done; unknown drills are left out. Worked out once for an input. */
export function itemsOf(input: Pick<AuditInput, "session" | "drills">): Looked[] {
  const known = looked.get(input);
  if (known) return known;
  const { session, drills } = input;
  const list = session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => {
      const drill = formIn(item, drills);
      // By the clock of its block, where it has one: what is really done is what is looked at.
      return drill
        ? [
            {
              place: { block: b, item: i },
              item: itemDone(block, item, drills, session.pace),
              drill,
              level: drill.levels[item.level],
            },
          ]
        : [];
    }),
  );
  looked.set(input, list);
  return list;
}

const places = new WeakMap<object, Map<number, Looked>>();
const keyOf = ({ block, item }: Place): number => block * 1000 + item;

/** The item at a place, such as a segment's. */
export function itemAt(input: Pick<AuditInput, "session" | "drills">, place: Place): Looked | undefined {
  let map = places.get(input);
  if (!map) places.set(input, (map = new Map(itemsOf(input).map((one) => [keyOf(one.place), one]))));
  return map.get(keyOf(place));
}

/** Purposes that a game, a lift or fast work follows. */
export const beforePower = (purpose: Purpose): boolean =>
  purpose === "before-training" || purpose === "before-lifting" || purpose === "before-game";

/** Whether two places are the same. */
export const samePlace = (a: Place, b: Place): boolean => a.block === b.block && a.item === b.item;
