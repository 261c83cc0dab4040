import type { Animation } from "~/core/figure/animation";
import type { Side } from "~/core/figure/points";
import { indexAt } from "~/core/timeline/moment";
import type { Segment, TimedBeat, WorkSegment } from "~/core/timeline/types";
import type { Seconds, Share } from "~/core/units";

/** Where a figure is in its motion: whose side, which beat (with its fraction), how full the chest is and how hard it works. */
export type Staging = { side: Side; beat: number; breath: Share; effort?: Share };

/** How long a hold is shown before the figure comes out of it again, when it only shows the way. */
const SHOWN_HOLD: Seconds = 3;
const EASY_BREATH: Seconds = 5;

/** A slow swell of the chest where nothing says how to breathe. */
export const easyBreath = (t: Seconds): Share => 0.5 - 0.5 * Math.cos((2 * Math.PI * t) / EASY_BREATH);

/** Length of one repetition: by the tempo it is dosed with, else the motion's own. */
const roundSeconds = (motion: Animation, tempo: readonly Seconds[]): Seconds =>
  tempo.length > 0 ? tempo.reduce((sum, s) => sum + s, 0) : motion.seconds;

/**
 * The beat of a motion shown over and over, `t` seconds in. A tempo with a length for each of the motion's beats is kept beat
 * by beat; another one is spread evenly. A hold is gone into, stayed in and left.
 */
export function shownBeat(motion: Animation, t: Seconds, tempo: readonly Seconds[] = []): number {
  if (motion.kind === "repeat") {
    const length = roundSeconds(motion, tempo);
    let into = ((t % length) + length) % length;
    if (tempo.length !== motion.beats) return motion.beats * (into / length);
    for (const [k, seconds] of tempo.entries()) {
      if (into < seconds) return k + into / seconds;
      into -= seconds;
    }
    return motion.beats;
  }
  const last = motion.keys[motion.keys.length - 1]!.at;
  const way = motion.seconds;
  const at = t % (2 * way + 2 * SHOWN_HOLD);
  if (at < way) return (last * at) / way;
  if (at < way + SHOWN_HOLD) return last;
  if (at < 2 * way + SHOWN_HOLD) return last * (1 - (at - way - SHOWN_HOLD) / way);
  return 0;
}

/** Which repetition of a motion shown over and over is on, from 0. */
export const shownRound = (motion: Animation, t: Seconds, tempo: readonly Seconds[] = []): number =>
  motion.kind === "repeat" ? Math.floor(t / roundSeconds(motion, tempo)) : 0;

/** The figure at a moment of a piece of work, in step with its beats. `t` is counted from the start of the session. */
export function stageWork(motion: Animation, segment: WorkSegment, t: Seconds, first: Side = "right"): Staging {
  const elapsed = Math.max(0, t - segment.start);
  const { beats } = segment;
  const index = indexAt(beats, t);
  const beat = beats[index];
  const other = first === "right" ? "left" : "right";
  const round = shownRound(motion, elapsed);
  // Both at once, yet drawn on one side and ending mirrored: each repetition is on the side the one before ended on.
  const turns = segment.side === "both" && motion.kind === "repeat" && motion.ends === "mirrored";
  const counting = beats.length > 1 && beat?.effort === undefined ? (beat?.rep ?? 1) - 1 : round;
  const side: Side =
    segment.side === "left" || segment.side === "right"
      ? segment.side
      : segment.side === "both"
        ? turns && counting % 2
          ? "left"
          : "right"
        : (beat?.side ?? (round % 2 ? other : first));
  const share = beat && beat.seconds > 0 ? Math.min(1, Math.max(0, (t - beat.start) / beat.seconds)) : 1;
  const breath = breathAt(segment, index, share, elapsed);
  const counted = beat !== undefined && beats.length > 1 && beats.every((b) => b.effort === undefined);
  if (!counted)
    return {
      side,
      beat: turned(motion, segment, enteredBeat(motion, elapsed)),
      breath,
      ...(beat?.effort !== undefined && { effort: beat.effort / 100 }),
    };
  // What is left after the last whole repetition goes on at the motion's own pace, from its start.
  const into =
    motion.kind === "hold"
      ? enteredBeat(motion, elapsed)
      : beat.easy
        ? shownBeat(motion, t - beat.start)
        : beatOfRep(motion, beats, index, t);
  return { side, beat: turned(motion, segment, into), breath };
}

/**
 * The motion's beat in the repetition that beat `index` belongs to, `t` seconds from the start of the session. The last
 * repetition may have been cut short, by the clock or by time that was added: it goes at the tempo of a whole one and ends
 * on the way.
 */
function beatOfRep(motion: Animation, beats: readonly TimedBeat[], index: number, t: Seconds): number {
  const first = firstOfRep(beats, index);
  const whole = lengthsOfFirstRep(beats);
  const k = index - first;
  const beat = beats[index]!;
  if (whole.length === motion.beats || k >= whole.length)
    return Math.min(motion.beats, k + shareOf(t - beat.start, whole[k] ?? beat.seconds));
  const total = whole.reduce((sum, seconds) => sum + seconds, 0);
  return motion.beats * shareOf(t - beats[first]!.start, total);
}

const shareOf = (part: Seconds, whole: Seconds): Share => (whole > 0 ? Math.min(1, Math.max(0, part / whole)) : 1);

/** The index of the first beat of the repetition that a beat belongs to. */
function firstOfRep(beats: readonly TimedBeat[], index: number): number {
  let first = index;
  while (first > 0 && beats[first - 1]!.rep === beats[index]!.rep) first--;
  return first;
}

/** How long the beats of the first repetition are, which is whole wherever there is a second. */
function lengthsOfFirstRep(beats: readonly TimedBeat[]): Seconds[] {
  const lengths: Seconds[] = [];
  for (const beat of beats) {
    if (beat.rep !== beats[0]!.rep || beat.easy) break;
    lengths.push(beat.seconds);
  }
  return lengths;
}

/** A hold is gone into once and stays; anything else goes round at its own pace. */
function enteredBeat(motion: Animation, elapsed: Seconds): number {
  return motion.kind === "hold"
    ? motion.keys[motion.keys.length - 1]!.at * Math.min(1, elapsed / motion.seconds)
    : shownBeat(motion, elapsed);
}

/** The other direction of a circle or of travel is the same way back. */
const turned = (motion: Animation, segment: WorkSegment, beat: number): number =>
  segment.direction === 2 && motion.kind === "repeat" ? motion.beats - beat : beat;

function breathAt(segment: WorkSegment, index: number, share: Share, elapsed: Seconds): Share {
  const beat = segment.beats[index];
  if (!beat?.breath) return segment.beats.some((b) => b.breath) ? 0.5 : easyBreath(elapsed);
  if (beat.breath === "in") return share;
  if (beat.breath === "out") return 1 - share;
  let before = index - 1;
  while (before >= 0 && segment.beats[before]!.breath === "hold") before--;
  return segment.beats[before]?.breath === "in" ? 1 : 0;
}

/** The figure while the work has not begun or is over: shown the way during a demonstration, still in its first position otherwise. */
export function stageOther(
  motion: Animation,
  segment: Segment,
  t: Seconds,
  next: WorkSegment | undefined,
  tempo: readonly Seconds[] = [],
): Staging {
  const elapsed = Math.max(0, t - segment.start);
  const own: Side = next?.side === "left" ? "left" : "right";
  if (segment.kind !== "demo")
    return { side: segment.kind === "switch" ? segment.to : own, beat: 0, breath: easyBreath(elapsed) };
  // First the side it is best seen from, then the athlete's.
  const side = elapsed < segment.seconds / 2 ? "right" : own;
  return { side, beat: shownBeat(motion, elapsed, tempo), breath: easyBreath(elapsed) };
}
