import { turnsWithoutCount } from "./meaning";
import type { Block, Item, SessionPlan } from "./schema";
import { NEWEST_SESSION } from "./version";
import { sideModeOf } from "./passes";
import type { DrillLookup } from "~/core/drills/lookup";
import { twice } from "~/core/dose/dose";

/**
 * A session in the newest version, as it becomes when it is changed for the first time. Work that changed sides by the clock
 * is for both sides together and as long as before; everything else says what it said. The same object where it is the newest.
 */
export function toNewest(session: SessionPlan, drills: DrillLookup): SessionPlan {
  if (session.version === NEWEST_SESSION) return session;
  return {
    ...session,
    version: NEWEST_SESSION,
    blocks: session.blocks.map((block) => settledBlock(block, drills, true)),
  };
}

/**
 * An edited session in the newest version and by its rules, where a choice follows from another: a drill that changes sides
 * and is now worked for a time is worked together.
 */
export function settled(session: SessionPlan, drills: DrillLookup): SessionPlan {
  const newest = toNewest(session, drills);
  const blocks = newest.blocks.map((block) => settledBlock(block, drills, false));
  return blocks.some((block, b) => block !== newest.blocks[b]) ? { ...newest, blocks } : newest;
}

function settledBlock(block: Block, drills: DrillLookup, doubled: boolean): Block {
  const items = block.items.map((item): Item => {
    if (!turnsWithoutCount(sideModeOf(item, drills), item.dose)) return item;
    return { ...item, sides: "together", dose: doubled ? twice(item.dose) : item.dose };
  });
  return items.some((item, i) => item !== block.items[i]) ? { ...block, items } : block;
}
