import { useEffect, useRef } from "react";
import type { Live } from "~/core/live/fold";
import { positionAt } from "~/core/player/run";
import type { EpochMs, Seconds } from "~/core/units";

/** So long before a change of sides it is felt. */
const BEFORE: Seconds = 3;
const PATTERN = [120, 90, 120];

/** Has a device tremble a moment before sides are changed, where it can: whoever leads needs not look. */
export function useBuzz(live: Live | undefined, now: EpochMs): void {
  const last = useRef(Infinity);
  useEffect(() => {
    if (live?.run.state !== "running") return;
    const position = positionAt(live.run, now);
    const due = live.run.segments.some(
      ({ kind, start }) =>
        kind === "switch" && last.current < start - BEFORE && position >= start - BEFORE && position < start,
    );
    last.current = position;
    if (due && typeof navigator.vibrate === "function") navigator.vibrate(PATTERN);
  }, [live, now]);
}
