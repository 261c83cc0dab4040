import type { SessionPlan } from "./schema";

/** The first drill a session names that is nowhere to be found; undefined where all are there. */
export const missingDrill = (
  session: Pick<SessionPlan, "blocks">,
  drills: (id: string) => unknown,
): string | undefined =>
  session.blocks.flatMap((block) => block.items).find((item) => drills(item.drill) === undefined)?.drill;
