import type { Method } from "~/core/drills/method";
import type { Drill } from "~/core/drills/schema";
import type { DoseKind, Dose, Item, LevelName, Purpose, SideMode } from "~/core/session/schema";
import { repSeconds } from "~/core/timeline/dose";
import type { WorkSide } from "~/core/timeline/types";
import { secondsText } from "./clock";

export const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
  "before-training": "before training",
  "before-lifting": "before lifting",
  "before-game": "before a game",
  "after-training": "after training",
  "off-day": "off day",
  "desk-break": "desk break",
};

export const LEVEL_WORDS: Readonly<Record<LevelName, string>> = { easier: "easier", standard: "standard", harder: "harder" };

export const SIDE_MODE_WORDS: Readonly<Record<SideMode, string>> = {
  together: "both together",
  each: "each side in turn",
  alternating: "taking turns",
  left: "left only",
  right: "right only",
};

export const METHOD_WORDS: Readonly<Record<Method, string>> = {
  hold: "hold", dynamic: "moving", circles: "circles", breath: "breathing", effort: "effort at the end of range", resisted: "with resistance",
  activation: "switching on", strength: "strength", balance: "balance", flow: "flow", travel: "travelling", release: "pressure and rolling",
};

export const DOSE_KIND_WORDS: Readonly<Record<DoseKind, string>> = {
  time: "time", reps: "repetitions", breaths: "breaths", effort: "effort ramp", ladder: "ladder of holds",
};

/** The side of a piece of work, in a word for a badge. */
export function sideWords(side: WorkSide): string {
  return side === "both" ? "both" : side === "alternating" ? "taking turns" : side;
}

/** The side of a piece of work, as it is called. */
export function sideCall(side: WorkSide): string {
  switch (side) {
    case "both":
      return "Go.";
    case "alternating":
      return "Take turns. Go.";
    default:
      return side === "left" ? "Left side. Go." : "Right side. Go.";
  }
}

/** A dose in a few words: `8 × 5 s`, `30 s`, `5 breaths`, `effort to 95 %`. For one side and one direction. */
export function doseWords(dose: Dose): string {
  switch (dose.kind) {
    case "time":
      return secondsText(dose.seconds);
    case "reps":
      return `${dose.count} × ${secondsText(repSeconds(dose.tempo))}`;
    case "breaths":
      return dose.pattern ? `${dose.count} breaths, ${dose.pattern.join("–")}` : `${dose.count} ${dose.count === 1 ? "breath" : "breaths"}`;
    case "effort":
      return `${dose.rounds > 1 ? `${dose.rounds} × ` : ""}effort to ${Math.max(...dose.ramp.map((step) => step.effort))} %`;
    case "ladder":
      return `ladder, ${secondsText(dose.rungs[dose.rung] ?? 0)}`;
  }
}

/** A level of a drill in place of another drill, in words: “the easier level” of the same, else by its name. */
export const formWords = ({ drill, level }: { drill: Pick<Drill, "id" | "name">; level: LevelName }, of: string): string =>
  drill.id === of ? `the ${LEVEL_WORDS[level]} level` : level === "standard" ? drill.name : `${drill.name}, ${LEVEL_WORDS[level]}`;

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
export function listWords(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}

/** With a capital letter in front. */
export const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** How an item is done, in a line: “2 sets · 8 × 5 s · each side in turn · easier · rest 10 s”. */
export function itemWords(item: Pick<Item, "sets" | "dose" | "level" | "restAfter">, mode: SideMode): string {
  return [
    ...(item.sets > 1 ? [`${item.sets} sets`] : []), doseWords(item.dose), ...(mode === "together" ? [] : [SIDE_MODE_WORDS[mode]]),
    ...(item.level === "standard" ? [] : [LEVEL_WORDS[item.level]]), ...(item.restAfter > 0 ? [`rest ${item.restAfter} s`] : []),
  ].join(" · ");
}
