import type { Stance } from "~/core/vocabulary/stance";
import { doseWords } from "~/core/dose/dose";
import { METHOD_FACTS, METHODS, type Method } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import type { Item, Purpose, SideMode } from "~/core/session/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { WorkSide } from "~/core/timeline/types";

export const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
  "before-training": "before training",
  "before-lifting": "before lifting",
  "before-game": "before a game",
  "after-training": "after training",
  "off-day": "off day",
  "desk-break": "desk break",
};

export const LEVEL_WORDS: Readonly<Record<LevelName, string>> = {
  easier: "easier",
  standard: "standard",
  harder: "harder",
};

export const SIDE_MODE_WORDS: Readonly<Record<SideMode, string>> = {
  together: "both sides",
  each: "one side, then the other",
  alternating: "alternating",
  left: "left only",
  right: "right only",
};

export const METHOD_WORDS = Object.fromEntries(
  METHODS.map((method) => [method, METHOD_FACTS[method].words]),
) as Readonly<Record<Method, string>>;

/** The side of a piece of work, in a word for a badge. */
export function sideWords(side: WorkSide): string {
  return side === "both" ? "both" : side;
}

/** The side of a piece of work, as it is called. */
export function sideCall(side: WorkSide): string {
  switch (side) {
    case "both":
      return "Go.";
    case "alternating":
      return "Alternate sides. Go.";
    default:
      return side === "left" ? "Left side. Go." : "Right side. Go.";
  }
}

/** A level of a drill in place of another drill, in words: “the easier level” of the same, else by its name. */
export const formWords = (
  { drill, level }: { drill: Pick<Drill, "id" | "name">; level: LevelName },
  of: string,
): string =>
  drill.id === of
    ? `the ${LEVEL_WORDS[level]} level`
    : level === "standard"
      ? drill.name
      : `${drill.name}, ${LEVEL_WORDS[level]}`;

/** The side modes a coach would choose for a drill: its own first. */
export function sensibleSides(drill: Pick<Drill, "sides">): SideMode[] {
  switch (drill.sides) {
    case "together":
      return ["together"];
    case "each":
      return ["each", "alternating", "left", "right"];
    case "alternating":
      return ["alternating", "each", "left", "right"];
  }
}

/** Names in a row: “Moss”, “Moss and Tern”, “Moss, Tern and Pip”. */
export function listWords(names: readonly string[], last: "and" | "or" = "and"): string {
  return names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} ${last} ${names.at(-1)}`;
}

/** The same, of many only the first so many and how many more. */
export const fewWords = (names: readonly string[], most: number): string =>
  names.length <= most + 1 ? listWords(names) : `${names.slice(0, most).join(", ")} and ${names.length - most} more`;

/** With a capital letter in front. */
export const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** How an item is done, in a line: “2 sets · 8 × 5 s · each side in turn · easier · rest 10 s”. */
export function itemWords(item: Pick<Item, "sets" | "dose" | "level" | "restAfter">, mode: SideMode): string {
  return [
    ...(item.sets > 1 ? [`${item.sets} sets`] : []),
    doseWords(item.dose),
    ...(mode === "together" ? [] : [SIDE_MODE_WORDS[mode]]),
    ...(item.level === "standard" ? [] : [LEVEL_WORDS[item.level]]),
    ...(item.restAfter > 0 ? [`rest ${item.restAfter} s`] : []),
  ].join(" · ");
}

/** Which of two different legs the side that is called is. */
export const STANCE_WORDS: Readonly<Record<Stance, string>> = {
  front: "the one in front",
  behind: "the one behind",
  down: "the one that kneels, or is underneath",
  up: "the one on top",
  standing: "the one stood on",
  moving: "the one that moves",
};
