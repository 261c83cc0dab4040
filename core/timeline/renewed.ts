import { compile } from "./compile";
import type { DrillLookup } from "~/core/drills/lookup";
import type { Segment } from "./types";
import { stays } from "~/core/vocabulary/kit";
import { toNewest } from "~/core/session/newest";
import type { SessionPlan } from "~/core/session/schema";
import type { Seconds } from "~/core/units";

/** What the newest arithmetic does to the length of an old session: seconds more (or less, below 0), and of those what is saved by kit that is set up once. */
export type Renewed = { by: Seconds; kit: Seconds };

/** How the length of an old session changes when it is changed for the first time; undefined where it doesn't. */
export function renewedLength(session: SessionPlan, drills: DrillLookup): Renewed | undefined {
  const [was, is] = [compile(session, drills), compile(toNewest(session, drills), drills)];
  const by = is.totalSeconds - was.totalSeconds;
  if (Math.abs(by) < 1e-6) return undefined;
  const setUps = (segments: readonly Segment[]) =>
    segments.reduce((sum, s) => sum + (s.kind === "move" ? s.fetch.filter(stays).length : 0), 0);
  return { by, kit: (setUps(is.segments) - setUps(was.segments)) * session.pace.kitChange };
}
