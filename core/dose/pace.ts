import { z } from "zod";
import { lengthAboveZeroSchema, lengthSchema } from "./bounds";

export const paceSchema = () =>
  z
    .strictObject({
      breath: lengthAboveZeroSchema().default(6).describe("One easy breath in and out"),
      switchSides: lengthSchema().default(6).describe("Changing sides"),
      turn: lengthSchema().default(2).describe("Changing direction inside one side"),
      demo: lengthSchema().default(20).describe("Watch-first and set-up, at a drill's first appearance"),
      kitChange: lengthSchema().default(4).describe("Picking up one piece of kit"),
      moveBase: lengthSchema().optional().describe("A change of position; without it 3"),
      moveStep: lengthSchema().optional().describe("Each step of height of a change of position; without it 2"),
    })
    .describe("How long the things between the work take");

export type Pace = z.infer<ReturnType<typeof paceSchema>>;

/** What a dose needs to know of the pace: how long an easy breath is, in seconds. */
export type Breathing = Pick<Pace, "breath">;

/** The pace a session starts with: the defaults of the format. */
export const USUAL_PACE: Pace = { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 };

/** A pace with nothing in it that is learnt from a group’s classes: as is usual. */
export function usualPace({ moveBase: _, moveStep: __, ...rest }: Pace): Pace {
  const { kitChange, switchSides, demo } = USUAL_PACE;
  return { ...rest, kitChange, switchSides, demo };
}
