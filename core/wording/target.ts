import type { Seconds } from "~/core/units";
import { secondsText } from "~/core/lengths";

/** How a length stands to its promise: `over` and `under` in whole seconds. */
export type AgainstTarget = { kind: "none" | "met" | "over" | "under"; by: Seconds; words: string };

/** Compares a session's length with its target, to the second. */
export function againstTarget(total: Seconds, target: Seconds | undefined): AgainstTarget {
  if (target === undefined) return { kind: "none", by: 0, words: "no target" };
  const by = Math.round(total) - Math.round(target);
  if (by === 0) return { kind: "met", by: 0, words: "on target" };
  return by > 0
    ? { kind: "over", by, words: `${secondsText(by)} over` }
    : { kind: "under", by: -by, words: `${secondsText(-by)} under` };
}
