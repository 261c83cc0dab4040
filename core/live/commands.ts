import { z } from "zod";
import type { Cut } from "./cuts";
import type { Dose } from "~/core/dose/kinds";
import type { Drill } from "~/core/drills/schema";
import type { Segment } from "~/core/timeline/types";
import type { LevelName } from "~/core/vocabulary/levels";
import type { EpochMs, Seconds } from "~/core/units";

/**
 * The way commands are folded now. A class keeps to the one it began with. By the first, whoever took something back took
 * everything after it back as well, and what came after a change was carried whole.
 */
export const FOLD = 2;

/** A class takes at most so many commands. */
export const MOST_COMMANDS = 2000;

/** What a command takes effect after, so that all devices change together. */
export const LEAD_MS = 500;

/**
 * A segment of a class by a name that stays: of the session as it was frozen its number, of what came later the command’s
 * number with a letter or a place.
 */
export type SegmentId = string;

/** How far a command makes what is now longer. */
export const MORE_SECONDS = [15, 30] as const;

/**
 * What is changed in all that comes after a segment. What was decided is carried, not what comes of it: every device works its
 * segments out itself, so that a command stays small however long a session is.
 */
export type NewRest = {
  do: "rest";
  /** What is changed follows this segment. */
  after: SegmentId;
  /** In a line, what was changed. */
  words: string;
  /** All that was changed of the session as it was handed out, this with it: what is worked out next begins from there. */
  cuts?: Cut[];
  /** What comes of it, in classes of the first fold. */
  segments?: Segment[];
  /** When the class is to end from now on, where that was asked for. */
  endsBy?: EpochMs;
};

/** Another drill in the place of one that is still to come, with all a device needs to show it. */
export type Swap = Omit<NewRest, "do"> & {
  do: "swap";
  at: { block: number; item: number };
  drill: Drill;
  level: LevelName;
  dose: Dose;
};

export type Command =
  | { do: "go" }
  | { do: "hold" }
  | { do: "next" }
  | { do: "back" }
  | { do: "skip" }
  | { do: "repeat" }
  | { do: "more"; seconds: (typeof MORE_SECONDS)[number] }
  /** Whether work begins by the clock, or waits for whoever leads. */
  | { do: "lead"; by: "clock" | "hand" }
  /** To a place in the class: somebody led on without a connection, and goes on from there. */
  | { do: "place"; at: SegmentId; into: Seconds }
  | NewRest
  | Swap
  | { do: "undo"; of: number }
  | { do: "end" };

/** What a device asks for: a key of its own, the newest command it knew, and the segment it saw. */
export type Pressed = {
  key: string;
  seen: number;
  on: SegmentId | null;
  command: Command;
};

/** A command as every device has it: its number, and when it takes effect, in server time; numbers rise by one, times never fall. */
export type Sent = Pressed & {
  n: number;
  by: string;
  from: EpochMs;
  /** Pressed without a connection, and sent afterwards. */
  apart?: true;
};

/** What a device may ask for itself. What has to be worked out (a new rest) is asked for in other words, and made by the server. */
export const plainCommandSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("go") }),
  z.strictObject({ do: z.literal("hold") }),
  z.strictObject({ do: z.literal("next") }),
  z.strictObject({ do: z.literal("back") }),
  z.strictObject({ do: z.literal("skip") }),
  z.strictObject({ do: z.literal("repeat") }),
  z.strictObject({ do: z.literal("more"), seconds: z.literal(MORE_SECONDS) }),
  z.strictObject({ do: z.literal("lead"), by: z.enum(["clock", "hand"]) }),
  z.strictObject({ do: z.literal("place"), at: z.string().max(24), into: z.number().min(0).max(7200) }),
  z.strictObject({ do: z.literal("undo"), of: z.int().min(1).max(MOST_COMMANDS) }),
  z.strictObject({ do: z.literal("end") }),
]);

export const pressedSchema = z.strictObject({
  key: z.uuid(),
  seen: z.int().min(0).max(MOST_COMMANDS),
  on: z.string().max(24).nullable(),
  command: plainCommandSchema,
});

/** So much that was pressed without a connection is taken at once. */
export const MOST_APART = 200;

/** Pressed without a connection: with the moment of it, in server time as the device knows it. */
export const apartSchema = z
  .array(pressedSchema.extend({ at: z.number() }))
  .min(1)
  .max(MOST_APART);

/** What acts on something that is seen: where the class is elsewhere by then, it does nothing. */
export const ACTS_ON: ReadonlySet<Command["do"]> = new Set(["next", "back", "skip", "repeat", "more"]);

/** So long after it a command can be taken back. */
export const UNDO_SECONDS: Seconds = 10;
