import { POSTURE_WORDS } from "~/core/timeline/postures";
import type { Segment, TimedBeat } from "~/core/timeline/types";
import { secondsText } from "~/core/text/clock";
import { sideCall } from "~/core/text/words";
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
  const calls = segments.flatMap((segment, i) => callsOfSegment(segment, segments[i - 1], facts)).map((call) => (call.at > total ? { ...call, at: total } : call));
  if (segments.length > 0) calls.push({ at: total, tone: "over", say: "That is the session. Well done." });
  return calls.sort((a, b) => a.at - b.at);
}

function callsOfSegment(segment: Segment, before: Segment | undefined, facts: CallFacts): Call[] {
  const { name, cues, quiet = false } = facts(segment.block, segment.item);
  const opens = !before || before.block !== segment.block || before.item !== segment.item || before.round !== segment.round;
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
        { at, tone: "begin", say: opens ? `${name}. ${sideCall(segment.side)}` : sideCall(segment.side) },
        ...(quiet ? [] : beatCalls(segment.beats)),
        ...halfway(segment),
        ...cues.filter((cue) => cue.at < segment.seconds).map((cue) => ({ at: at + cue.at, say: cue.say })),
        ...countDown(segment),
        { at: at + segment.seconds, tone: "end" as const },
      ];
  }
}

/** Three counts before the end of anything long enough to lose track in. */
function countDown(segment: Segment): Call[] {
  if (segment.seconds < COUNT_DOWN_FROM) return [];
  return [3, 2, 1].map((left) => ({ at: segment.start + segment.seconds - left, tone: "count" as const }));
}

function halfway(segment: Extract<Segment, { kind: "work" }>): Call[] {
  if (segment.beats.length !== 1 || segment.seconds < HALFWAY_FROM) return [];
  return [{ at: segment.start + segment.seconds / 2, say: "Halfway." }];
}

function beatCalls(beats: readonly TimedBeat[]): Call[] {
  if (beats.length === 1) return [];
  return beats.flatMap((beat, i): Call[] => {
    const opensRep = beats[i - 1]?.rep !== beat.rep;
    if (beat.effort !== undefined) {
      const say = beat.opposite ? `Now the other way, ${beat.effort} per cent.` : `${beat.effort} per cent.`;
      return [{ at: beat.start, tone: "beat", say }];
    }
    if (beat.do === "let go and settle") return [{ at: beat.start, tone: "beat", say: "Let go." }];
    if (beat.breath && beat.rep <= 2) return [{ at: beat.start, tone: "beat", say: `${capital(beat.do)}.` }];
    if (!opensRep) return [];
    const spoken = i > 0 && repSeconds(beats, i) >= SPOKEN_REP_FROM;
    return [{ at: beat.start, tone: "beat", ...(spoken && { say: beat.side ? `${beat.rep}, ${beat.side}.` : `${beat.rep}.` }) }];
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
