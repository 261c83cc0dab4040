import { whoOf } from "../course";
import { familiarTo } from "./showing";
import { showingFor, stepShorter } from "~/core/arc/showing";
import { itemsOf, samePlace } from "../look";
import type { AuditInput, Rule } from "../types";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Seconds } from "~/core/units";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";

/** Words a coach says in a second, unhurried. */
const WORDS_A_SECOND = 2.5;

/** How long it takes to show and say how a drill is set up. Showing takes the place of most words. */
const toShow = (drill: Drill, level: LevelName, input: Pick<AuditInput, "group">): Seconds =>
  Math.min(
    Math.ceil(drill.setUp.join(" ").split(/\s+/).length / WORDS_A_SECOND),
    showingFor(drill, level, familiarTo(input, drill.id), whoOf(input)),
  );

/** The least time to show a drill in, where time is short: one step less than its skill wants, and never less than it takes to say. */
export const leastToShow = (drill: Drill, level: LevelName, input: Pick<AuditInput, "group">): Seconds =>
  Math.max(
    toShow(drill, level, input),
    stepShorter(showingFor(drill, level, familiarTo(input, drill.id), whoOf(input))),
  );

/** The set-up takes longer to show and say than the watch-first time gives. */
export const instructions: Rule = {
  id: "instructions",
  find: (input) =>
    itemsOf(input).flatMap(({ drill, item, place }) => {
      const demo = input.timeline.segments.find((s) => s.kind === "demo" && samePlace(s, place));
      if (!demo) return [];
      const needs = toShow(drill, item.level, input);
      if (needs <= demo.seconds) return [];
      return [
        {
          severity: "hint" as const,
          place,
          at: demo.start,
          message: `${drill.name} takes ${secondsText(needs)} to show; there are ${secondsText(demo.seconds)} for it.`,
          why: "Instructions that come late are no help on the first side.",
          fix: { words: `Watch first for ${secondsText(needs)}`, apply: (s) => editItem(s, place, { demo: needs }) },
        },
      ];
    }),
};
