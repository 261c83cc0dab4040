import type { Drill, DrillLevel } from "./schema";
import type { Animation } from "~/core/figure/animation";
import type { Posture } from "~/core/vocabulary/postures";

const STARTING = {
  brief: "Say in one line what it is.",
  setUp: "How to get into position.",
  steps: ["What to do first.", "What to do next."],
  feel: "Where it should be felt.",
  felt: "Where it should not be felt.",
  change: "What to change then.",
  see: "What goes wrong.",
  say: "What you say then.",
  cautions: "What to watch out for.",
  easier: "What makes it easier.",
  harder: "What makes it harder.",
} as const;

/** What a new drill has said for cautions, also before: nobody has written such a drill's yet. */
const NO_CAUTIONS: readonly string[] = [STARTING.cautions, "What to take care of."];

/** A drill that begins from a posture, everything still to be written. */
export function newDrill(name: string, posture: Posture, motion: Animation): Drill {
  const level = (how: string): DrillLevel => ({
    how,
    posture,
    endPosture: posture,
    kit: posture === "hang" ? ["bar"] : [],
    main: ["trunk"],
    also: [],
    loads: posture === "hang" ? ["shoulder-overhead"] : [],
    dose: {
      kind: "reps",
      count: 6,
      tempo: [
        { do: "go", seconds: 2 },
        { do: "come back", seconds: 2 },
      ],
    },
    bounds: { least: 3, most: 12, step: 1, leastRep: 2 },
  });
  return {
    id: "own",
    name,
    region: "whole-body",
    method: "dynamic",
    sides: "together",
    directions: 1,
    brief: STARTING.brief,
    setUp: [STARTING.setUp],
    steps: [...STARTING.steps],
    feel: [STARTING.feel],
    elsewhere: [{ felt: STARTING.felt, change: STARTING.change }],
    faults: [{ see: STARTING.see, say: STARTING.say }],
    cautions: [{ kind: "take care", text: STARTING.cautions }],
    levels: { easier: level(STARTING.easier), standard: level("As described."), harder: level(STARTING.harder) },
    motions: { standard: motion },
  };
}

/** The parts of a drill that still say what a new drill says, in words; cautions first. Empty for a drill that is written. */
export function unwritten(drill: Drill): string[] {
  const asked: readonly string[] = [...Object.values(STARTING).flat(), ...NO_CAUTIONS];
  const open = (...texts: string[]) => texts.some((text) => asked.includes(text.trim()));
  return [
    ["what to watch out for", open(...drill.cautions.map(({ text }) => text))],
    ["it in one line", open(drill.brief)],
    ["how to set up", open(...drill.setUp)],
    ["what to do", open(...drill.steps)],
    ["where to feel it", open(...drill.feel)],
    ["what is felt elsewhere", drill.elsewhere.some((e) => open(e.felt, e.change))],
    ["what you see and say", drill.faults.some((f) => open(f.see, f.say))],
    ["what makes it easier and harder", open(...Object.values(drill.levels).map((level) => level.how))],
  ].flatMap(([words, missing]) => (missing ? [words as string] : []));
}

/** Whether a drill has no cautions of its own yet. Nobody should be handed one. */
export const lacksCautions = (drill: Drill): boolean =>
  drill.cautions.some(({ text }) => NO_CAUTIONS.includes(text.trim()));
