import type { Kit } from "~/core/vocabulary/kit";
import type { OneSide } from "~/core/vocabulary/sides";
import type { Percent, Seconds } from "~/core/units";
import type { Posture } from "~/core/vocabulary/postures";

export type SegmentKind = "move" | "demo" | "work" | "turn" | "switch" | "rest";

/** Which side a work segment is for. `both` works them together, `alternating` takes turns. */
export type WorkSide = OneSide | "both" | "alternating";

/** One beat of a work segment. `start` is counted from the start of the session. */
export type TimedBeat = {
  start: Seconds;
  seconds: Seconds;
  /** What to do, in a word or two. */
  do: string;
  /** Which repetition, breath or effort round this beat belongs to, from 1, and how many there are in the segment. */
  rep: number;
  reps: number;
  /** The side whose turn it is, in an alternating segment of repetitions, breaths or effort rounds. */
  side?: OneSide;
  breath?: "in" | "out" | "hold";
  effort?: Percent;
  /** True for the pull the opposite way in ramped effort. */
  opposite?: true;
  /** True for what is left of work by the clock after its last whole repetition or breath: held or gone on with easily. */
  easy?: true;
};

type Place = {
  start: Seconds;
  seconds: Seconds;
  /** Places in the document, counted from 0. */
  block: number;
  item: number;
  /** Which round of the block, from 1. */
  round: number;
};

/** Between two passes of a block by the clock; `gap` is true there. */
type Between = Place & { gap?: true };

export type MoveSegment = Between & { kind: "move"; from?: Posture; to: Posture; fetch: Kit[] };
export type DemoSegment = Between & { kind: "demo"; posture: Posture };
export type WorkSegment = Place & {
  kind: "work";
  posture: Posture;
  side: WorkSide;
  direction: 1 | 2;
  directions: 1 | 2;
  set: number;
  sets: number;
  beats: TimedBeat[];
};
export type TurnSegment = Between & { kind: "turn"; posture: Posture };
export type SwitchSegment = Between & { kind: "switch"; posture: Posture; to: OneSide };
export type RestSegment = Between & { kind: "rest"; posture: Posture; why: "sets" | "after" | "rounds" | "interval" };
export type Segment = MoveSegment | DemoSegment | WorkSegment | TurnSegment | SwitchSegment | RestSegment;

export type WorkSeconds = { left: Seconds; right: Seconds; both: Seconds };

export type Timeline = {
  totalSeconds: Seconds;
  /** Work by side. An alternating segment gives each side half its seconds. */
  workSeconds: WorkSeconds;
  segments: Segment[];
};
