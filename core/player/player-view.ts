import type { Drill } from "~/core/drills/schema";
import type { Item } from "~/core/session/schema";
import { countdownText } from "~/core/lengths";
import { LEVEL_WORDS, sideWords } from "~/core/wording/words";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import type { Moment } from "~/core/timeline/moment";
import type { Segment } from "~/core/timeline/types";
import type { Share } from "~/core/units";

/** What the player shows at a moment, all as words and numbers ready to be shown. */
export type PlayerView = {
  stage: Segment["kind"];
  /** What is going on, when it is not the work itself: “watch first”, “change sides”. */
  heading: string;
  drill: string;
  level: string;
  side?: "left" | "right" | "both" | "alternating";
  /** The side whose turn it is, in an alternating piece of work. */
  turn?: "left" | "right";
  direction?: string;
  /** The largest figure: a countdown, or the number of the repetition or breath. */
  big: string;
  bigLabel: string;
  /** The countdown, when the largest figure is a count. */
  clock?: string;
  guide?: { words: string; share: Share; breath?: "in" | "out" | "hold"; effort?: number };
  lines: string[];
  feel: string[];
  next: string;
};

type Facts = (place: { block: number; item: number }) => { drill: Drill; item: Item } | undefined;

/** Words and figures for a moment of the run. Undefined when the moment's drill is not known. */
export function playerView(moment: Moment, facts: Facts): PlayerView | undefined {
  const { segment } = moment;
  const here = facts(segment);
  if (!here) return undefined;
  const { drill, item } = here;
  return {
    stage: segment.kind,
    heading: headingOf(segment),
    drill: drill.name,
    level: item.level === "standard" ? "" : LEVEL_WORDS[item.level],
    ...sidesOf(moment),
    ...(segment.kind === "work" &&
      segment.directions === 2 && {
        direction: drill.directionWords?.[segment.direction - 1] ?? `direction ${segment.direction}`,
      }),
    ...figureOf(moment, item),
    ...guideOf(moment),
    lines: linesOf(segment, drill, item, moment),
    feel: segment.kind === "work" ? drill.feel : [],
    next: nextOf(moment, facts),
  };
}

function headingOf(segment: Segment): string {
  switch (segment.kind) {
    case "move":
      return segment.fetch.length > 0 && (segment.from ?? segment.to) === segment.to ? "Get your kit" : "Get ready";
    case "demo":
      return "Watch first";
    case "turn":
      return "Other direction";
    case "switch":
      return "Change sides";
    case "rest":
      return "Rest";
    case "work":
      return segment.sets > 1 ? `Set ${segment.set} of ${segment.sets}` : "";
  }
}

function sidesOf({ segment, beat, nextWork }: Moment): Pick<PlayerView, "side" | "turn"> {
  if (segment.kind === "switch") return { side: segment.to };
  // By the clock the side that comes is in sight for all of the rest.
  if (segment.kind !== "work" && segment.gap && (nextWork?.side === "left" || nextWork?.side === "right"))
    return { side: nextWork.side };
  if (segment.kind !== "work") return {};
  return { side: sideWords(segment.side) as NonNullable<PlayerView["side"]>, ...(beat?.side && { turn: beat.side }) };
}

function figureOf(
  { segment, elapsed, left, beat, nextWork }: Moment,
  item: Pick<Item, "dose">,
): Pick<PlayerView, "big" | "bigLabel" | "clock"> {
  // Between two passes by the clock there is one count: until the work begins, whatever has to be done before.
  if (segment.kind !== "work" && segment.gap && nextWork)
    return { big: countdownText(nextWork.start - segment.start - elapsed), bigLabel: "left" };
  const clock = countdownText(left);
  const counted =
    segment.kind === "work" &&
    beat &&
    beat.reps > 1 &&
    beat.effort === undefined &&
    segment.beats.every((b) => b.effort === undefined);
  if (!counted) return { big: clock, bigLabel: "left" };
  return {
    big: String(beat.rep),
    bigLabel: `of ${beat.reps}${item.dose.kind === "breaths" ? " breaths" : ""}`,
    clock,
  };
}

function guideOf({ segment, beat, beatLeft }: Moment): Pick<PlayerView, "guide"> {
  if (segment.kind !== "work" || !beat || segment.beats.length === 1) return {};
  const share = beat.seconds > 0 ? 1 - (beatLeft ?? 0) / beat.seconds : 1;
  return {
    guide: {
      words: beat.effort === undefined ? beat.do : `${beat.do}, ${beat.effort} %`,
      share,
      ...(beat.breath && { breath: beat.breath }),
      ...(beat.effort !== undefined && { effort: beat.effort }),
    },
  };
}

const CUE_SHOWN_SECONDS = 8;

function linesOf(segment: Segment, drill: Drill, item: Item, moment: Moment): string[] {
  if (segment.kind === "move")
    return [
      `${POSTURE_WORDS[segment.to]}.`,
      ...segment.fetch.map((kit) => `Fetch: ${KIT_FACTS[kit].words}, or ${KIT_FACTS[kit].instead}.`),
    ].map(capital);
  if (segment.kind === "demo") return setUpOf(drill, item);
  if (segment.kind === "rest" && segment.gap) return setUpOf(drill, item);
  if (segment.kind !== "work") return [];
  const cue = (item.cues ?? [])
    .filter((c) => c.at <= moment.elapsed && moment.elapsed < c.at + CUE_SHOWN_SECONDS)
    .at(-1);
  return cue ? [cue.say] : drill.steps;
}

const setUpOf = (drill: Drill, item: Item): string[] =>
  item.level === "standard" ? drill.setUp : [drill.levels[item.level].how, ...drill.setUp];

function nextOf(moment: Moment, facts: Facts): string {
  const { segment, nextWork } = moment;
  if (!nextWork) return segment.kind === "work" ? "That is the last one" : "";
  const next = facts(nextWork);
  if (!next) return "";
  const same = nextWork.block === segment.block && nextWork.item === segment.item;
  const side = nextWork.side === "left" || nextWork.side === "right" ? `, ${nextWork.side}` : "";
  if (!same) return `${next.drill.name}${side}`;
  if (segment.kind !== "work" && segment.gap) return "";
  if (segment.kind === "move" || segment.kind === "demo") return side ? `${nextWork.side} side first` : "";
  if (segment.kind !== "work") return "";
  if (nextWork.set !== segment.set) return `set ${nextWork.set}${side}`;
  return nextWork.direction !== segment.direction && nextWork.side === segment.side
    ? (next.drill.directionWords?.[nextWork.direction - 1] ?? "other direction")
    : `same drill${side}`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
