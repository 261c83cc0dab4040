import { SEVERITIES, type RuleFinding, type Severity } from "./types";
import { placeKey } from "~/core/timeline/totals";

/** The most serious finding at a place, and what all findings there say. */
export type Flag = { severity: Severity; says: string };

/** What stands out at each drill, by `placeKey`; findings about the session as a whole have no place. */
export function flagsByPlace(found: readonly RuleFinding[]): ReadonlyMap<string, Flag> {
  const flags = new Map<string, Flag>();
  for (const { severity, message: says, place } of found) {
    if (!place) continue;
    const key = placeKey(place.block, place.item);
    const before = flags.get(key);
    const worse = !before || SEVERITIES.indexOf(severity) < SEVERITIES.indexOf(before.severity);
    flags.set(key, { severity: worse ? severity : before.severity, says: before ? `${before.says} ${says}` : says });
  }
  return flags;
}
