import { faceOf, type Face } from "./face";
import type { CallFacts } from "./calls";
import type { Drill } from "~/core/drills/schema";
import type { Motion } from "~/core/figure/motion";
import type { Item, LevelName } from "~/core/session/schema";
import { LEVEL_WORDS } from "~/core/text/words";
import type { Moment } from "~/core/timeline/moment";

export type Place = { block: number; item: number };

/** What a device is told for the one person who is chosen on it: what they do instead, and easier levels that the session does not carry. No areas. */
export type Mine = {
  /** Who it is for; null for someone who is not on the list. */
  athleteId: string | null;
  instead: readonly (Place & ({ does: "rest" } | { does: "other"; drill: string; level: LevelName }))[];
  /** Drills that are done instead, with the one motion each is done in. */
  drills: readonly Drill[];
  /** How easier levels move that the session itself does not draw, by drill. */
  easier: Readonly<Record<string, Motion>>;
};

/** Nothing different, nothing more. */
export const NOTHING_OWN: Mine = { athleteId: null, instead: [], drills: [], easier: {} };

export const placeName = ({ block, item }: Place): string => `${block}.${item}`;

/** How an item is done by whoever is on this device: as the others, otherwise, easier today, smaller, or resting. */
export type Own =
  | { how: "as the others"; item: Item; drill: Drill }
  | { how: "instead" | "easier"; item: Item; drill: Drill; inStep: boolean; others: string }
  | { how: "smaller"; item: Item; drill: Drill }
  | { how: "rest"; item: Item; drill: Drill };

type Facts = (place: Place) => { drill: Drill; item: Item } | undefined;

/** Whether the beats of an item are also those of a level in its place: the same words, as often. */
const sameBeats = (item: Item, drill: Drill, level: LevelName): boolean => {
  const { dose } = drill.levels[level];
  if (item.dose.kind !== dose.kind) return false;
  if (item.dose.kind !== "reps" || dose.kind !== "reps") return item.dose.kind !== "effort";
  const own = dose.tempo.map((beat) => beat.do).join();
  return item.dose.tempo.map((beat) => beat.do).join() === own;
};

/**
 * How this person does an item. What they protect comes first; easier today is asked for by place and never makes anything
 * harder: where the easiest level is on already it is done smaller and slower.
 */
export function ownOf(place: Place, facts: Facts, mine: Mine, easierAt: ReadonlySet<string>): Own | undefined {
  const here = facts(place);
  if (!here) return undefined;
  const { drill, item } = here;
  const own = mine.instead.find((one) => one.block === place.block && one.item === place.item);
  const eased = easierAt.has(placeName(place));
  if (own?.does === "rest") return { how: "rest", drill, item };
  if (own) {
    const other = mine.drills.find((one) => one.id === own.drill) ?? (own.drill === drill.id ? drill : undefined);
    // What they should do instead is not here: nothing is safer than something.
    if (!other) return { how: "rest", drill, item };
    return { how: "instead", drill: other, item: { ...item, drill: other.id, level: own.level, cues: [] }, inStep: other.id === drill.id && sameBeats(item, other, own.level), others: drill.name };
  }
  if (!eased) return { how: "as the others", drill, item };
  if (item.level === "easier") return { how: "smaller", drill, item };
  const motion = mine.easier[drill.id];
  const drawn = motion && drill.motions ? { ...drill, motions: { ...drill.motions, easier: motion } } : drill;
  return { how: "easier", drill: drawn, item: { ...item, level: "easier", cues: [] }, inStep: sameBeats(item, drill, "easier"), others: drill.name };
}

/** The face of a moment for this person: in step with the others in time and side, with their own drill, words and count. */
export function ownFace(moment: Moment, facts: Facts, mine: Mine, easierAt: ReadonlySet<string>): (Face & { own: Own }) | undefined {
  const own = ownOf(moment.segment, facts, mine, easierAt);
  if (!own) return undefined;
  const theirs = (place: Place) => {
    const one = ownOf(place, facts, mine, easierAt);
    return one && { drill: one.drill, item: one.item };
  };
  const face = faceOf(moment, theirs);
  if (!face) return undefined;
  const next = moment.nextWork && ownOf(moment.nextWork, facts, mine, easierAt);
  const named = { ...face, own, ...(next?.how === "rest" && face.next && moment.nextWork && placeName(moment.nextWork) !== placeName(moment.segment) && { next: "rest for you" }) };
  const { kind } = moment.segment;
  if (own.how === "rest")
    return {
      ...named, ...plainClock(face), drill: "Rest here", level: "", heading: kind === "work" ? "" : face.heading,
      lines: kind === "work" || kind === "demo" ? ["Your own time: walk about, shake out, breathe.", `The others do ${own.drill.name}.`] : [], feel: [],
    };
  if (own.how === "smaller") return { ...named, level: "smaller today", lines: kind === "work" ? ["Smaller and slower than usual, and rest whenever you like.", ...face.lines] : face.lines };
  if (own.how === "as the others") return named;
  const level = own.drill.levels[own.item.level];
  const words = kind === "work" && own.item.level !== "standard" ? [level.how, ...own.drill.steps] : face.lines;
  return { ...named, ...(own.inStep ? {} : plainClock(face)), level: own.item.level === "standard" ? "" : LEVEL_WORDS[own.item.level], lines: words };
}

/** A countdown in place of the others' count and beats, which are not this person's. */
function plainClock(face: Face): Pick<Face, "big" | "bigLabel" | "clock" | "guide"> {
  return { big: face.clock ?? face.big, bigLabel: "left", clock: undefined, guide: undefined };
}

/** What is called out for this person: their own drill by name, or a rest; the coach's calls belong to the others' drill. */
export function ownCalls(facts: Facts, mine: Mine, easierAt: ReadonlySet<string>): CallFacts {
  return (block, item) => {
    const own = ownOf({ block, item }, facts, mine, easierAt);
    if (!own) return { name: "", cues: [] };
    if (own.how === "rest") return { name: "Rest here", cues: [], quiet: true };
    const easier = own.how === "easier" || (own.how === "instead" && own.item.level !== "standard");
    return { name: `${own.drill.name}${easier ? `, ${LEVEL_WORDS[own.item.level]}` : ""}`, cues: own.item.cues ?? [], quiet: (own.how === "easier" || own.how === "instead") && !own.inStep };
  };
}

/** One line for the ready check: what is done instead of a drill. */
export type InsteadLine = Place & { number: number; others: string; does: string; how: string };

/** What this person does instead, a line each, in the order of the session. */
export function insteadLines(mine: Mine, facts: Facts, blocks: readonly { items: readonly unknown[] }[]): InsteadLine[] {
  return mine.instead.flatMap((one): InsteadLine[] => {
    const own = ownOf(one, facts, mine, new Set());
    const here = facts(one);
    if (!own || !here) return [];
    const number = blocks.slice(0, one.block).reduce((sum, block) => sum + block.items.length, 0) + one.item + 1;
    if (own.how !== "instead") return [{ ...one, number, others: here.drill.name, does: "Rest", how: "" }];
    const same = own.drill.id === here.drill.id;
    const level = own.item.level === "standard" ? "" : LEVEL_WORDS[own.item.level];
    return [{ ...one, number, others: here.drill.name, does: same ? `The ${level || "standard"} level` : `${own.drill.name}${level ? `, ${level}` : ""}`, how: own.drill.levels[own.item.level].how }];
  });
}
