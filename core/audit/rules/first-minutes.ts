import { itemAt, itemsOf, type Looked } from "../look";
import type { Rule } from "../types";
import { hardness } from "~/core/drills/hardness";
import { moveItem } from "~/core/session/edits";
import type { Seconds, Share } from "~/core/units";

/** The time in which a group comes in. */
const FIRST: Seconds = 120;
/** Harder by this much is felt. */
const TELL: Share = 0.12;

/** What asks for less than this is a way in, however easy the rest is. */
const EASY: Share = 0.5;

const hardnessOf = ({ drill, item }: Looked): Share => hardness(drill.method, item.level, item.dose);

/** The first two minutes of work ask for more than the rest of the session does. */
export const firstMinutes: Rule = {
  id: "first-minutes",
  find: (input) => {
    const looked = itemsOf(input);
    const sum = { first: { hard: 0, seconds: 0 }, rest: { hard: 0, seconds: 0 } };
    const early = new Set<Looked>();
    for (const segment of input.timeline.segments) {
      if (segment.kind !== "work") continue;
      const here = itemAt(input, segment);
      if (!here) continue;
      const part = segment.start < FIRST ? sum.first : sum.rest;
      if (segment.start < FIRST) early.add(here);
      part.hard += hardnessOf(here) * segment.seconds;
      part.seconds += segment.seconds;
    }
    if (sum.first.seconds === 0 || sum.rest.seconds === 0) return [];
    const [first, rest] = [sum.first.hard / sum.first.seconds, sum.rest.hard / sum.rest.seconds];
    if (first < EASY || first <= rest + TELL) return [];
    const hardest = [...early].sort((a, b) => hardnessOf(b) - hardnessOf(a))[0]!;
    const gentle = looked.filter((one) => !early.has(one)).sort((a, b) => hardnessOf(a) - hardnessOf(b))[0];
    return [
      {
        severity: "warn" as const,
        place: hardest.place,
        at: 0,
        message: `It begins harder than it goes on: ${hardest.drill.name} comes in the first two minutes.`,
        why: "People come in cold; start with something easy.",
        ...(gentle &&
          hardnessOf(gentle) < hardnessOf(hardest) && {
            fix: {
              words: `Begin with ${gentle.drill.name}`,
              apply: (s) => moveItem(s, gentle.place, { block: 0, item: 0 }),
            },
          }),
      },
    ];
  },
};
