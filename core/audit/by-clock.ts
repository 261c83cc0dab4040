import type { Fix } from "./types";
import { editBlock, type Place } from "~/core/session/edits";
import { INTERVAL_BOUNDS } from "~/core/session/bounds";
import type { SessionPlan } from "~/core/session/schema";
import { secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** Where a drill goes by the clock of its block, that is what sets how long it is held; undefined where it doesn't, or nothing so short is by the clock. */
export function byClock(session: SessionPlan, place: Place, seconds: Seconds): Fix | undefined {
  const interval = session.blocks[place.block]?.interval;
  if (!interval || seconds < INTERVAL_BOUNDS.leastWork) return undefined;
  return {
    words: `Work ${secondsText(seconds)} at a time in this block`,
    apply: (s) => editBlock(s, place.block, { interval: { ...interval, work: seconds } }),
  };
}
