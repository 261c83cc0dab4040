import { insertItem } from "./edits";
import { toNewest } from "./newest";
import type { SessionPlan } from "./schema";
import { itemOf } from "./start";
import type { DrillLookup } from "~/core/drills/lookup";
import type { Drill } from "~/core/drills/schema";

/** With a drill at its end, in the newest version as every edited session is. Undefined where its last block is full. */
export function withDrillAtEnd(session: SessionPlan, drill: Drill, drills: DrillLookup): SessionPlan | undefined {
  const newest = toNewest(session, drills);
  const { blocks } = newest;
  const end = { block: blocks.length - 1, item: blocks.at(-1)?.items.length ?? 0 };
  const after = insertItem(newest, end, itemOf(drill));
  return after === newest ? undefined : after;
}
