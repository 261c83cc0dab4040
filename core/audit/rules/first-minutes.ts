import { itemAt, itemsOf, type Looked } from "../look";
import type { Rule } from "../types";
import type { Method } from "~/core/drills/schema";
import { moveItem } from "~/core/session/edits";
import type { Seconds, Share } from "~/core/units";

/** The time in which a group comes in. */
const FIRST: Seconds = 120;
/** Harder by this much is felt. */
const TELL: Share = 0.12;

/** What asks for less than this is a way in, however easy the rest is. */
const EASY: Share = 0.5;

/** How hard a method is on a cold body, 0 to 1: our own order, easy breath to full effort. */
const HARD: Readonly<Record<Method, Share>> = {
  breath: 0.1, circles: 0.2, release: 0.25, dynamic: 0.4, hold: 0.4, flow: 0.5, activation: 0.5, travel: 0.55, balance: 0.55, resisted: 0.65, strength: 0.75, effort: 0.85,
};
const BY_LEVEL = { easier: -0.12, standard: 0, harder: 0.12 } as const;

const hardness = ({ drill, item }: Looked): Share => {
  const effort = item.dose.kind === "effort" ? Math.max(...item.dose.ramp.map((s) => s.effort)) / 100 : 0;
  return Math.max(HARD[drill.method] + BY_LEVEL[item.level], effort);
};

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
      part.hard += hardness(here) * segment.seconds;
      part.seconds += segment.seconds;
    }
    if (sum.first.seconds === 0 || sum.rest.seconds === 0) return [];
    const [first, rest] = [sum.first.hard / sum.first.seconds, sum.rest.hard / sum.rest.seconds];
    if (first < EASY || first <= rest + TELL) return [];
    const hardest = [...early].sort((a, b) => hardness(b) - hardness(a))[0]!;
    const gentle = looked.filter((one) => !early.has(one)).sort((a, b) => hardness(a) - hardness(b))[0];
    return [{
      severity: "warn" as const, place: hardest.place, at: 0, says: `It begins harder than it goes on: ${hardest.drill.name} comes in the first two minutes.`, why: "Bodies come in cold; what is easy goes first.",
      ...(gentle && hardness(gentle) < hardness(hardest) && { fix: { words: `Begin with ${gentle.drill.name}`, apply: (s) => moveItem(s, gentle.place, { block: 0, item: 0 }) } }),
    }];
  },
};
