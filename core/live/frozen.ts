import { FOLD } from "./commands";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Timeline } from "~/core/timeline/types";

/** What a class begins with, and never changes: the session as it was handed out, its drills, and the way its commands are folded. */
export type Frozen = {
  fold: number;
  session: SessionPlan;
  drills: (id: string) => Drill | undefined;
  timeline: Timeline;
};

/** A session as a class begins with it, with its timeline. */
export const freeze = (
  session: SessionPlan,
  drills: (id: string) => Drill | undefined,
  fold: number = FOLD,
): Frozen => ({ fold, session, drills, timeline: compile(session, drills) });
