import type { SessionPlan } from "./schema";
import { ALIASES, idNow } from "~/core/drills/aliases";

/** A session with its drills by the ids they go by now; the same object where none has another. */
export function withIdsNow(session: SessionPlan, aliases: ReadonlyMap<string, string> = ALIASES): SessionPlan {
  if (!session.blocks.some((block) => block.items.some((item) => aliases.has(item.drill)))) return session;
  return {
    ...session,
    blocks: session.blocks.map((block) => ({
      ...block,
      items: block.items.map((item) => ({ ...item, drill: idNow(item.drill, aliases) })),
    })),
  };
}
