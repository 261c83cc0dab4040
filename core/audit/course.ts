import { itemAt, itemsOf, type Looked } from "./look";
import type { AuditInput, Severity } from "./types";
import { ARCS, servedSeconds } from "~/core/arc/arcs";
import type { SessionPlan } from "~/core/session/schema";
import { isLift, outOfPhase, rehearsesIt, type Among } from "~/core/arc/fits";
import type { Dose } from "~/core/dose/kinds";
import { formIn } from "~/core/drills/form";
import type { Place } from "~/core/session/edits";
import type { Arc, Phase } from "~/core/arc/schema";
import { scalesOf, type Scales } from "~/core/stress/scales";
import type { Segment, WorkSegment } from "~/core/timeline/types";
import type { Who } from "~/core/vocabulary/who";
import type { Seconds } from "~/core/units";

/** A piece of work with what it is of, and the phase it stands in. */
export type Piece = { segment: WorkSegment; here: Looked; scales: Scales; phase: Phase | undefined };

/** A phase as it is in a session: from its first segment to the first of the next. */
export type Span = { phase: Phase; start: Seconds; end: Seconds };

/** How a session goes: its arc, what works when, and its phases where they are written in it. */
export type Course = {
  arc: Arc;
  /** Whether the session says which phases it has. Where it does not, what belongs to phases is only hinted at. */
  phased: boolean;
  works: readonly Piece[];
  spans: readonly Span[];
  phaseOf: (block: number) => Phase | undefined;
  /** How grave it is to miss a rule of the arc. */
  grave: Severity;
  target: Seconds;
};

const courses = new WeakMap<object, Course>();

/** How a session goes, worked out once for an input. */
export function courseOf(input: AuditInput): Course {
  const known = courses.get(input);
  if (known) return known;
  const { session, timeline } = input;
  const arc = input.arc ?? ARCS[session.purpose];
  const phases = phasesOf(session, arc);
  const phased = phases.some((phase) => phase !== undefined);
  const phaseOf = (block: number) => phases[block];
  const works = timeline.segments.flatMap((segment): Piece[] => {
    const here = segment.kind === "work" ? itemAt(input, segment) : undefined;
    if (segment.kind !== "work" || !here) return [];
    return [{ segment, here, scales: scalesAt(here), phase: phaseOf(segment.block) }];
  });
  const course: Course = {
    arc,
    phased,
    works,
    spans: phased ? spansOf(timeline.segments, phaseOf, timeline.totalSeconds) : [],
    phaseOf,
    grave: phased ? "warn" : "hint",
    target: session.target ?? timeline.totalSeconds,
  };
  courses.set(input, course);
  return course;
}

/** Whether an item is of the lift that is warmed up for: it has the bar, or stands in the part for it. */
export function isOfLift(input: AuditInput, { drill, level, place }: Looked): boolean {
  const phase = courseOf(input).phaseOf(place.block);
  const itself = level.kit.includes("barbell") || (phase !== undefined && isLift(phase));
  return input.session.purpose === "before-lifting" && itself && rehearsesIt(drill, "lift", amongOf(input));
}

const scales = new WeakMap<object, Scales>();

/** The scales of an item, worked out once. */
export function scalesAt(here: Looked): Scales {
  const known = scales.get(here);
  if (known) return known;
  const found = scalesOf(here.drill, here.item.level);
  scales.set(here, found);
  return found;
}

function spansOf(segments: readonly Segment[], phaseOf: (block: number) => Phase | undefined, total: Seconds): Span[] {
  const spans: Span[] = [];
  for (const { block, start } of segments) {
    const phase = phaseOf(block);
    const open = spans.at(-1);
    if (!phase || open?.phase === phase) continue;
    if (open) open.end = start;
    spans.push({ phase, start, end: total });
  }
  return spans;
}

/** The phase each block of a session stands in, by its arc: a block that says nothing goes on with the one before it. */
export function phasesOf({ blocks }: SessionPlan, arc: Arc): (Phase | undefined)[] {
  const written = blocks.map(({ phase }) => arc.phases.find(({ id }) => id === phase));
  let last = written.find((phase) => phase !== undefined);
  return written.map((phase) => (last = phase ?? last));
}

/** Which doses suit the phase that their place stands in; what has no phase suits, and the sets of a lift stay as they are. */
export function suitedDoses(
  session: SessionPlan,
  arc: Arc,
  drills: AuditInput["drills"],
  among: Among,
): (place: Place, dose: Dose) => boolean {
  const phases = phasesOf(session, arc);
  return ({ block, item: i }, dose) => {
    const phase = phases[block];
    if (!phase) return true;
    // They get fewer as they get heavier, just as they were written.
    if (isLift(phase)) return false;
    const item = session.blocks[block]!.items[i]!;
    const drill = formIn(item, drills);
    return !drill || outOfPhase(phase, drill, item.level, dose, among) === undefined;
  };
}

/** The seconds of a session in which motions are served, by its arc. */
export const servedOf = ({ session, timeline, arc }: Pick<AuditInput, "session" | "timeline" | "arc">): Seconds =>
  servedSeconds(arc ?? session.purpose, session.target ?? timeline.totalSeconds);

/** Who a session is for. */
export const whoOf = ({ group }: Pick<AuditInput, "group">): Who => group?.setting.who ?? "adults";

/** What of a group and its sport decides whether a drill is for a phase. */
export const amongOf = ({ group, demand, session }: Pick<AuditInput, "group" | "demand" | "session">): Among => ({
  purpose: session.purpose,
  profile: demand,
  who: whoOf({ group }),
  impact: group?.setting.impact,
  pace: session.pace,
});

/** Items in the order they are done, round by round. */
export function inTurn(input: AuditInput): Looked[] {
  const all = itemsOf(input);
  return input.session.blocks.flatMap(({ rounds }, b) => {
    const here = all.filter(({ place }) => place.block === b);
    return Array.from({ length: rounds }, () => here).flat();
  });
}
