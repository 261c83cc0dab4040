import { inForm } from "~/core/drills/form";
import { kindOf, type Dose } from "~/core/dose/kinds";
import { USUAL_PACE } from "~/core/dose/pace";
import { playerView, type PlayerView } from "./player-view";
import type { CallFacts } from "./calls";
import type { Drill } from "~/core/drills/schema";
import type { Animation } from "~/core/figure/animation";
import { levelBelow, type LevelName } from "~/core/vocabulary/levels";
import type { Item } from "~/core/session/schema";
import { formWords, LEVEL_WORDS } from "~/core/wording/words";
import type { Moment } from "~/core/timeline/moment";
import { asksEffort } from "~/core/dose/dose";

export type Place = { block: number; item: number };

/** What a device is told for the one person who is chosen on it: what they do instead, and easier levels that the session does not carry. No areas. */
export type Mine = {
  /** Who it is for; null for someone who is not on the list. */
  athleteId: string | null;
  instead: readonly (Place & ({ does: "rest" } | { does: "other"; drill: string; level: LevelName }))[];
  /** Drills that are done instead, with the one motion each is done in. */
  drills: readonly Drill[];
  /** How easier levels move that the session itself does not draw, by drill. */
  easier: Readonly<Record<string, Animation>>;
  /** Where the next level down is not for this person: easier is then smaller and slower. */
  smaller: readonly Place[];
  /** Drills that they told to hurt in the class they are in, also on another device. */
  hurt?: readonly string[];
};

/** Nothing different, nothing more. */
export const NOTHING_OWN: Mine = { athleteId: null, instead: [], drills: [], easier: {}, smaller: [] };

/** The same with rest in the place of some drills: something hurt in them, and they are out for whoever is on this device. */
export function without(
  mine: Mine,
  out: ReadonlySet<string>,
  facts: (place: Place) => { drill: Pick<Drill, "id"> } | undefined,
  blocks: readonly { items: readonly unknown[] }[],
): Mine {
  if (out.size === 0) return mine;
  const does = (place: Place) => {
    const own = mine.instead.find(({ block, item }) => block === place.block && item === place.item);
    return own ? (own.does === "other" ? own.drill : undefined) : facts(place)?.drill.id;
  };
  const places = blocks.flatMap(({ items }, block) => items.map((_, item) => ({ block, item })));
  const rests = places.filter((place) => out.has(does(place) ?? ""));
  const goes = (one: Place) => rests.some(({ block, item }) => block === one.block && item === one.item);
  return {
    ...mine,
    instead: [...mine.instead.filter((one) => !goes(one)), ...rests.map((one) => ({ ...one, does: "rest" as const }))],
  };
}

export const placeName = ({ block, item }: Place): string => `${block}.${item}`;

/** How an item is done by whoever is on this device: as the others, otherwise, easier today, or resting; and whether smaller and slower than drawn. */
export type Own = {
  how: "as the others" | "instead" | "easier" | "rest";
  drill: Drill;
  item: Item;
  /** Asked for easier where there is no easier level for them. */
  smaller: boolean;
  /** Whether the others' beats are theirs as well. */
  inStep: boolean;
};

type Facts = (place: Place) => { drill: Drill; item: Item } | undefined;

/** Whether the beats of an item are also those of a level in its place: the same words, as often. */
function sameBeats(item: Item, drill: Drill, level: LevelName): boolean {
  const { dose } = drill.levels[level];
  if (item.dose.kind !== dose.kind || asksEffort(dose)) return false;
  const words = (of: Dose) =>
    kindOf(of)
      .beats(of, USUAL_PACE)
      .map((beat) => beat.do)
      .join("\n");
  return words(item.dose) === words(dose);
}

/**
 * How this person does an item. What they protect comes first; easier today is asked for by place and never makes anything
 * harder: where nothing easier is for them it is done smaller and slower.
 */
export function ownOf(place: Place, facts: Facts, mine: Mine, easierAt: ReadonlySet<string>): Own | undefined {
  const here = facts(place);
  if (!here) return undefined;
  const { drill, item } = here;
  const at = (one: Place) => one.block === place.block && one.item === place.item;
  const own = mine.instead.find(at);
  const eased = easierAt.has(placeName(place));
  if (own?.does === "other") {
    const other = mine.drills.find((one) => one.id === own.drill);
    if (other)
      return {
        how: "instead",
        drill: inForm(other, own.level),
        item: { ...item, drill: other.id, level: own.level, cues: [] },
        smaller: eased,
        inStep: other.id === drill.id && sameBeats(item, other, own.level),
      };
  }
  // What they should do instead is not here: nothing is safer than something.
  if (own) return { how: "rest", drill, item, smaller: false, inStep: false };
  const below = levelBelow(item.level);
  if (!eased) return { how: "as the others", drill, item, smaller: false, inStep: true };
  if (!below || mine.smaller.some(at)) return { how: "as the others", drill, item, smaller: true, inStep: true };
  const motion = below === "easier" ? mine.easier[drill.id] : undefined;
  const drawn = motion && drill.motions ? { ...drill, motions: { ...drill.motions, easier: motion } } : drill;
  return {
    how: "easier",
    drill: inForm(drawn, below),
    item: { ...item, level: below, cues: [] },
    smaller: false,
    inStep: sameBeats(item, drill, below),
  };
}

const SMALLER = "Smaller and slower than usual, and rest whenever you like.";

/** The face of a moment for this person: in step with the others in time and side, with their own drill, words and count. */
export function ownFace(
  moment: Moment,
  facts: Facts,
  mine: Mine,
  easierAt: ReadonlySet<string>,
): (PlayerView & { own: Own }) | undefined {
  const own = ownOf(moment.segment, facts, mine, easierAt);
  if (!own) return undefined;
  const theirs = (place: Place) => {
    const one = ownOf(place, facts, mine, easierAt);
    return one && { drill: one.drill, item: one.item };
  };
  const face = playerView(moment, theirs);
  if (!face) return undefined;
  const next =
    moment.nextWork && placeName(moment.nextWork) !== placeName(moment.segment)
      ? ownOf(moment.nextWork, facts, mine, easierAt)
      : undefined;
  const named: PlayerView = {
    ...(own.inStep ? face : countdownOnly(face)),
    ...(next?.how === "rest" && face.next && { next: "a rest for you" }),
  };
  const { kind } = moment.segment;
  if (own.how === "rest") {
    const { side: _, turn: __, direction: ___, ...plain } = named;
    return {
      ...plain,
      own,
      ...(next ? {} : { next: "" }),
      drill: "Rest here",
      level: "",
      heading: "",
      lines: ["This one is not for you: walk about, shake out, breathe.", `The others do ${own.drill.name}.`],
      feel: [],
    };
  }
  const words = own.smaller && kind === "work" ? [SMALLER, ...face.lines] : face.lines;
  if (own.how === "as the others")
    return { ...named, own, ...(own.smaller && { level: "smaller today" }), lines: words };
  const level = own.drill.levels[own.item.level];
  return {
    ...named,
    own,
    level:
      own.how === "easier"
        ? "easier today"
        : [named.level, ...(own.smaller ? ["smaller today"] : [])].filter(Boolean).join(", "),
    lines:
      kind === "work"
        ? [
            ...new Set([
              ...(own.smaller ? [SMALLER] : []),
              ...(own.item.level === "standard" ? [] : [level.how]),
              ...face.lines,
            ]),
          ]
        : words,
  };
}

/** A countdown in place of the others' count and beats, which are not this person's. */
const countdownOnly = ({ clock, guide: _, turn: __, ...face }: PlayerView): PlayerView => ({
  ...face,
  big: clock ?? face.big,
  bigLabel: "left",
});

/** What is called out for this person: their own drill by name, or a rest; the coach's calls belong to the others' drill. */
export function ownCalls(facts: Facts, mine: Mine, easierAt: ReadonlySet<string>): CallFacts {
  return (block, item) => {
    const own = ownOf({ block, item }, facts, mine, easierAt);
    if (!own) return { name: "", cues: [] };
    if (own.how === "rest") return { name: "Rest here", cues: [], quiet: true };
    const easier = own.how !== "as the others" && own.item.level === "easier";
    return {
      name: `${own.drill.name}${easier ? `, ${LEVEL_WORDS.easier}` : ""}`,
      cues: own.item.cues ?? [],
      quiet: !own.inStep,
    };
  };
}

/** One line for the ready check: what is done instead of a drill. */
export type InsteadLine = Place & { number: number; others: string; does: string; how: string };

/** What this person does instead, a line each, in the order of the session. */
export function insteadLines(
  mine: Mine,
  facts: Facts,
  blocks: readonly { items: readonly unknown[] }[],
): InsteadLine[] {
  return mine.instead.flatMap((one): InsteadLine[] => {
    const own = ownOf(one, facts, mine, new Set());
    const here = facts(one);
    if (!own || !here) return [];
    const number = blocks.slice(0, one.block).reduce((sum, block) => sum + block.items.length, 0) + one.item + 1;
    const line = { block: one.block, item: one.item, number, others: here.drill.name };
    if (own.how !== "instead") return [{ ...line, does: "rest", how: "" }];
    return [
      {
        ...line,
        does: formWords({ drill: own.drill, level: own.item.level }, here.drill.id),
        how: own.drill.levels[own.item.level].how,
      },
    ];
  });
}
