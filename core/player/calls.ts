import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import type { Segment, TimedBeat } from "~/core/timeline/types";
import { secondsText } from "~/core/lengths";
import { tried } from "~/core/tried";
import { sideCall } from "~/core/wording/words";
import type { Cue } from "~/core/session/schema";
import type { Seconds } from "~/core/units";

export type Tone = "begin" | "count" | "end" | "beat" | "over";

/** Something heard at a moment of the run: a tone, a spoken call, or both. */
export type Call = { at: Seconds; tone?: Tone; say?: string };

/** What the calls need to know of an item: the drill's name, the coach's own cues, and whether its beats are left out, since they are another drill's. */
export type CallFacts = (block: number, item: number) => { name: string; cues: readonly Cue[]; quiet?: boolean };

const HALFWAY_FROM: Seconds = 40;
const COUNT_DOWN_FROM: Seconds = 6;
const SPOKEN_REP_FROM: Seconds = 2.4;

/** Every call of a run, ordered by time. Works on the segments as they are run, added time included. */
export function callsOf(segments: readonly Segment[], total: Seconds, facts: CallFacts): Call[] {
  // Seconds that were added up may come to a little more than their sum.
  const calls = segments
    .flatMap((segment, i) => callsAt(segments, i, facts) ?? plainCalls(segment))
    .map((call) => (call.at > total ? { ...call, at: total } : call));
  if (segments.length > 0) calls.push({ at: total, tone: "over", say: "That is the session. Well done." });
  return calls.sort((a, b) => a.at - b.at);
}

/** The calls of a segment; undefined where they can’t be made: what is wrong with one drill silences no other. */
const callsAt = (segments: readonly Segment[], i: number, facts: CallFacts): Call[] | undefined =>
  tried(() => {
    const segment = segments[i]!;
    return inGap(segment) ? callsOfGap(segments, i, facts) : callsOfSegment(segment, segments[i - 1], facts);
  });

/** What is called of a segment of which only its place in time is relied on. */
function plainCalls(segment: Segment): Call[] {
  const { kind, start, seconds } = segment;
  if (kind === "work")
    return [
      { at: start, tone: "begin", say: sideCall(segment.side) },
      ...countDown(segment),
      { at: start + seconds, tone: "end" },
    ];
  return kind === "switch" ? [{ at: start, tone: "count", say: `Change sides. ${capital(segment.to)}.` }] : [];
}

const inGap = (segment: Segment): segment is Exclude<Segment, { kind: "work" }> =>
  segment.kind !== "work" && segment.gap === true;

/**
 * What is called between two passes by the clock: at its first moment the rest and all that comes, in one breath; then only
 * what is to be done now; and one count down to the work.
 */
function callsOfGap(segments: readonly Segment[], i: number, facts: CallFacts): Call[] {
  const segment = segments[i]!;
  const before = segments[i - 1];
  const at = segment.start;
  const ends = segments.findIndex((one, k) => k > i && !inGap(one));
  const next = ends < 0 ? undefined : segments[ends];
  const last = ends === i + 1 && next;
  const down = last ? countDownTo(next.start, next.start - gapStart(segments, i)) : [];
  if (before && inGap(before)) {
    if (segment.kind === "demo") return [{ at, say: "Watch." }, ...down];
    return [
      ...(segment.kind === "switch"
        ? [{ at, tone: "count" as const, say: `Change sides. ${capital(segment.to)}.` }]
        : []),
      ...down,
    ];
  }
  const rests = segments.slice(i, ends < 0 ? undefined : ends).some((one) => one.kind === "rest");
  const work = before?.kind === "work" ? before : undefined;
  const other = !work || !next || work.item !== next.item || work.block !== next.block;
  const { name } = facts(segment.block, segment.item);
  const side =
    next?.kind === "work" && (next.side === "left" || next.side === "right") ? ` ${capital(next.side)}.` : "";
  const comes = other
    ? `Next: ${name}.${segment.kind === "move" ? ` ${capital(POSTURE_WORDS[segment.to])}.` : ""}${segment.kind === "switch" ? " Change sides." : ""}${side}`
    : segment.kind === "switch"
      ? `Change sides.${side}`
      : side.trim();
  return [
    {
      at,
      ...(segment.kind === "switch" && { tone: "count" as const }),
      say: `${rests ? "Rest. " : ""}${comes}`.trim(),
    },
    ...down,
  ];
}

/** Since when people are between two passes. */
function gapStart(segments: readonly Segment[], i: number): Seconds {
  let from = i;
  while (from > 0 && inGap(segments[from - 1]!)) from--;
  return segments[from]!.start;
}

function callsOfSegment(segment: Segment, before: Segment | undefined, facts: CallFacts): Call[] {
  const { name, cues, quiet = false } = facts(segment.block, segment.item);
  const opens =
    !before || before.block !== segment.block || before.item !== segment.item || before.round !== segment.round;
  const at = segment.start;
  switch (segment.kind) {
    case "move":
      return [{ at, say: `Next: ${name}. ${capital(POSTURE_WORDS[segment.to])}.` }];
    case "demo":
      return [{ at, say: opens ? `Next: ${name}. Watch first.` : "Watch first." }, ...countDown(segment)];
    case "switch":
      return [{ at, tone: "count", say: `Change sides. ${capital(segment.to)}.` }];
    case "turn":
      return [{ at, tone: "count", say: "Other direction." }];
    case "rest":
      return [{ at, say: `Rest, ${secondsText(segment.seconds)}.` }, ...countDown(segment)];
    case "work":
      return [
        { at, tone: "begin", say: begins(segment, before, opens ? `${name}. ` : "") },
        ...(quiet ? [] : beatCalls(segment.beats)),
        ...halfway(segment),
        ...cues.filter((cue) => cue.at < segment.seconds).map((cue) => ({ at: at + cue.at, say: cue.say })),
        ...countDown(segment),
        { at: at + segment.seconds, tone: "end" as const },
      ];
  }
}

/** What is said as work begins. By the clock two directions follow each other without a pause, and what comes was called in the rest. */
function begins(segment: Extract<Segment, { kind: "work" }>, before: Segment | undefined, name: string): string {
  if (
    before?.kind === "work" &&
    segment.direction === 2 &&
    before.item === segment.item &&
    before.block === segment.block
  )
    return "Other direction.";
  if (before && inGap(before)) return "Go.";
  return `${name}${sideCall(segment.side)}`;
}

/** Three counts before the end of anything long enough to lose track in. */
const countDown = ({ start, seconds }: Segment): Call[] => countDownTo(start + seconds, seconds);

const countDownTo = (end: Seconds, lasts: Seconds): Call[] =>
  lasts < COUNT_DOWN_FROM ? [] : [3, 2, 1].map((left) => ({ at: end - left, tone: "count" as const }));

function halfway(segment: Extract<Segment, { kind: "work" }>): Call[] {
  if (segment.beats.length !== 1 || segment.seconds < HALFWAY_FROM) return [];
  return [{ at: segment.start + segment.seconds / 2, say: "Halfway." }];
}

function beatCalls(beats: readonly TimedBeat[]): Call[] {
  if (beats.length === 1) return [];
  // Among steps of effort, the one that asks for none is letting go.
  const ramp = beats.some((beat) => beat.effort !== undefined);
  return beats.flatMap((beat, i): Call[] => {
    const opensRep = beats[i - 1]?.rep !== beat.rep;
    if (beat.effort !== undefined) {
      const say = beat.opposite ? `Now the other way, ${beat.effort} per cent.` : `${beat.effort} per cent.`;
      return [{ at: beat.start, tone: "beat", say }];
    }
    if (ramp) return [{ at: beat.start, tone: "beat", say: "Let go." }];
    if (beat.breath && beat.rep <= 2) return [{ at: beat.start, tone: "beat", say: `${capital(beat.do)}.` }];
    if (!opensRep) return [];
    const spoken = i > 0 && repSeconds(beats, i) >= SPOKEN_REP_FROM;
    return [
      {
        at: beat.start,
        tone: "beat",
        ...(spoken && { say: beat.side ? `${beat.rep}, ${beat.side}.` : `${beat.rep}.` }),
      },
    ];
  });
}

function repSeconds(beats: readonly TimedBeat[], from: number): Seconds {
  let sum = 0;
  for (let i = from; beats[i]?.rep === beats[from]?.rep; i++) sum += beats[i]?.seconds ?? 0;
  return sum;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** The calls that fall due between two moments, the later one included. More than `late` seconds overdue is not called any more. */
export function callsDue(calls: readonly Call[], from: Seconds, to: Seconds, late: Seconds): Call[] {
  return calls.filter((call) => call.at > from && call.at <= to && to - call.at <= late);
}
