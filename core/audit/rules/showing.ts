import { courseOf, whoOf } from "../course";
import { itemsOf, samePlace } from "../look";
import type { AuditInput, Rule } from "../types";
import { showingFor, type Familiar } from "~/core/arc/showing";
import { editItem, type Place } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** How well a group knows a drill. With nobody said, it is new. */
export function familiarTo({ group }: Pick<AuditInput, "group">, id: string): Familiar {
  if (!group?.shown?.includes(id)) return "new";
  const lately = (group.lately ?? []).filter(({ drills }) => drills.includes(id)).length;
  return group.lately && lately < 2 ? "once" : "known";
}

/** What each drill is shown longer than its skill needs, at its first appearance; what comes again is not shown again. */
export function shownTooLong(input: AuditInput): { place: Place; has: Seconds; needs: Seconds }[] {
  const seen = new Set<string>();
  return itemsOf(input).flatMap(({ place, drill, item }) => {
    const again = seen.has(drill.id);
    seen.add(drill.id);
    const has = input.timeline.segments.reduce(
      (sum, s) => (s.kind === "demo" && !s.gap && samePlace(s, place) ? Math.max(sum, s.seconds) : sum),
      0,
    );
    const needs = again ? 0 : showingFor(drill, item.level, familiarTo(input, drill.id), whoOf(input));
    return has > needs ? [{ place, has, needs }] : [];
  });
}

/** Drills shown longer than their skill needs: time that the work does not get. */
export const showing: Rule = {
  id: "showing",
  find: (input) => {
    const long = shownTooLong(input);
    if (long.length === 0) return [];
    const saved = long.reduce((sum, { has, needs }) => sum + has - needs, 0);
    const apply = (s: AuditInput["session"]) =>
      long.reduce((sum, { place, needs }) => editItem(sum, place, { demo: needs }), s);
    return [
      {
        severity: courseOf(input).grave,
        place: long[0]!.place,
        message: `${long.length === 1 ? "One drill is" : `${long.length} drills are`} shown longer than ${long.length === 1 ? "it needs" : "they need"}: ${secondsText(Math.round(saved))} in all.`,
        why: "What is done at once from its name needs no showing; one look is five to ten seconds.",
        fix: { words: `Show ${long.length === 1 ? "it" : "them"} for as long as needed`, apply },
      },
    ];
  },
};
