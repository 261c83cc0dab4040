import type { Drill, DrillLevel } from "./schema";
import type { Motion } from "~/core/figure/motion";
import type { Posture } from "~/core/timeline/postures";

/** A drill that begins from a posture, everything still to be written. */
export function newDrill(name: string, posture: Posture, motion: Motion): Drill {
  const level = (how: string): DrillLevel => ({
    how, posture, endPosture: posture, kit: posture === "hang" ? ["bar"] : [], main: ["trunk"], also: [], loads: posture === "hang" ? ["shoulder-overhead"] : [],
    dose: { kind: "reps", count: 6, tempo: [{ do: "go", seconds: 2 }, { do: "come back", seconds: 2 }] }, bounds: { least: 3, most: 12, step: 1, leastRep: 2 },
  });
  return {
    id: "own", name, region: "whole-body", method: "dynamic", sides: "together", directions: 1, brief: "Say in one line what it is.",
    setUp: ["How to get into position."], steps: ["What to do first.", "What to do next."], feel: ["Where it should be felt."],
    elsewhere: [{ felt: "Where it should not be felt.", change: "What to change then." }], faults: [{ see: "What goes wrong.", say: "What you say then." }],
    cautions: ["What to take care of."], levels: { easier: level("What makes it easier."), standard: level("As described."), harder: level("What makes it harder.") },
    motions: { standard: motion },
  };
}
