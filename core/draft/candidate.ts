import { servedSeconds } from "~/core/arc/arcs";
import { isLift, mayBeClocked, rehearsesIt, type Among } from "~/core/arc/fits";
import type { Place } from "~/core/arc/ground";
import type { Arc, Phase } from "~/core/arc/schema";
import type { Familiar } from "~/core/arc/showing";
import type { DraftRequest } from "./request";
import type { Step } from "./sequencing";
import type { Dose } from "~/core/dose/kinds";
import type { Drill } from "~/core/drills/schema";
import type { Interval } from "~/core/session/schema";
import type { Scales } from "~/core/stress/scales";
import type { Kit } from "~/core/vocabulary/kit";
import type { LevelName } from "~/core/vocabulary/levels";
import { LIFTS } from "~/core/vocabulary/lifts";
import type { Motion } from "~/core/vocabulary/motions";
import type { Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** One way to give a drill: its dose, in sets of its own or gone through twice with its block, and what that comes to. */
export type Option = {
  dose: Dose;
  /** Gone through twice with its block. */
  twice: boolean;
  sets: number;
  rest: Seconds;
  /** Sets of a lift: repetitions of each, and the rests between. */
  lift?: { counts: readonly number[]; rests: readonly Seconds[] };
  /** Work of all sides together, planned rest, and everything but showing and moving. */
  work: Seconds;
  planned: Seconds;
  seconds: Seconds;
};

/** One drill at one level in one phase, with the ways it may be given, the shortest first. */
export type Candidate = {
  drill: Drill;
  level: LevelName;
  phase: Phase;
  /** Which phase of the session it is, and where the school puts it in there. */
  at: number;
  step: Step | undefined;
  rank: number;
  from: Posture;
  to: Posture;
  kit: readonly Kit[];
  without: readonly Kit[];
  /** How long it is shown before it, and how long it takes to show at all: by the clock it is shown in the rest. */
  show: Seconds;
  showing: Seconds;
  options: readonly Option[];
  /** Seconds that count for each row of the demand, for each second of work. */
  gives: readonly { row: Motion; main: boolean; share: number }[];
  scales: Scales;
  speed: number;
  place: Place;
  taught: boolean;
  familiar: Familiar;
  cold: boolean;
};

/** Motions a drill works, with those it also works: a motion is readied by the same motion only. */
export const rowsOf = (c: Pick<Candidate, "drill" | "level">, also: boolean): ReadonlySet<Motion> => {
  const { main, also: more } = c.drill.levels[c.level];
  return new Set([...main, ...(also ? more : [])]);
};

/** The arc a request follows. */
export const arcOf = ({ arc }: Pick<DraftRequest, "arc">): Arc => arc;

/** What of a request decides whether a drill is for a phase. */
export const amongOf = ({ purpose, demand, group, pace, lift }: DraftRequest): Among => ({
  purpose,
  profile: demand,
  lift: lift && LIFTS[lift],
  who: group?.setting.who ?? "adults",
  impact: group?.setting.impact,
  pace,
});

/** The clock a phase goes by, where one is asked for, and for it. */
export const clockOf = (
  { interval, clockIn }: Pick<DraftRequest, "interval" | "clockIn">,
  phase: Phase,
): Interval | undefined =>
  interval && mayBeClocked(phase) && (!clockIn || clockIn.includes(phase.id)) ? interval : undefined;

/** Whether all goes by the clock that can. */
export const allClocked = ({ interval, clockIn }: Pick<DraftRequest, "interval" | "clockIn">): boolean =>
  interval !== undefined && clockIn === undefined;

/** The seconds of a request in which motions are served. */
export const servedIn = ({ arc, target }: Pick<DraftRequest, "arc" | "target">): Seconds => servedSeconds(arc, target);

/** Whether a candidate rehearses an action of the sport. */
export const isRehearsal = (request: DraftRequest, { drill, phase }: Candidate): boolean =>
  rehearsesIt(drill, isLift(phase) ? "lift" : "sport", amongOf(request));
