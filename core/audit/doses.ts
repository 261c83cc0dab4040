import { amongOf, courseOf, suitedDoses } from "./course";
import { itemsOf, type Looked } from "./look";
import type { AuditInput, Fix } from "./types";
import { phaseSeconds } from "~/core/arc/arcs";
import type { Phase } from "~/core/arc/schema";
import { coverageOf } from "~/core/coverage/coverage";
import { inLines } from "~/core/group/lines";
import { leversOf, type Lever } from "~/core/levers/levers";
import { removeItem, type Place } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Seconds, Share } from "~/core/units";
import { listWords } from "~/core/wording/words";

/*
 * Fixes that set doses another way, to what is said aloud: the drill that was changed least goes next, so that none is stretched
 * or squeezed alone. What is right to the second is for fit to time to work out; these come to what is enough.
 */

type Way = "up" | "down";
/** What is done to a session: to the one it was worked out for, or to one that has changed a little since. */
type Change = (session: SessionPlan) => SessionPlan;

/** A dose lever and how far it has been set. */
type Setting = { lever: Lever; at: number };

const next = ({ lever, at }: Setting, way: Way) => lever.options[way === "up" ? at + 1 : at - 1];
const stepOf = (one: Setting, way: Way): Seconds => Math.abs(next(one, way)!.adds - one.lever.options[one.at]!.adds);

/** The dose levers a session has, by what is said aloud and what suits the phase that each dose stands in. */
function doseLevers(input: AuditInput, way: Way): Lever[] {
  const { session, timeline, drills } = input;
  const among = amongOf(input);
  const suits = suitedDoses(session, courseOf(input).arc, drills, among);
  return leversOf(
    { session, timeline, drills, locked: new Set(), among, suits },
    { doses: way, breaks: "no", doseSteps: "spoken", breakSteps: "usual" },
  ).filter(({ kind, options }) => kind === "dose" && options.length > 1);
}

/**
 * Steps these levers until they come to so many seconds; `enough` says whether they do. `counts` is what
 * a step of so many seconds counts for: 0 where it may not be. `took` hears of each step that is made.
 */
function stepped(
  levers: readonly Lever[],
  { way, by }: { way: Way; by: Seconds },
  counts: (lever: Lever, seconds: Seconds) => Seconds,
  took: (lever: Lever, seconds: Seconds) => void = () => undefined,
): { change: Change; enough: boolean } {
  const settings = levers.map((lever): Setting => ({ lever, at: lever.now }));
  const moved = ({ lever, at }: Setting) => Math.abs(at - lever.now);
  let come = 0;
  while (come < by - 1e-6) {
    const step = settings
      .filter((one) => next(one, way) && counts(one.lever, stepOf(one, way)) > 0)
      .sort((a, b) => moved(a) - moved(b) || stepOf(a, way) - stepOf(b, way))[0];
    if (!step) break;
    const takes = stepOf(step, way);
    come += counts(step.lever, takes);
    took(step.lever, takes);
    step.at += way === "up" ? 1 : -1;
  }
  return {
    change: (session) =>
      settings.reduce((s, one) => (moved(one) === 0 ? s : one.lever.options[one.at]!.set(s)), session),
    enough: come >= by - 1e-6,
  };
}

/** How much of what a lever adds is in blocks of this kind. */
const shareIn = ({ inBlocks }: Lever, is: (block: number) => boolean): Share =>
  [...inBlocks].reduce((sum, [block, share]) => sum + (is(block) ? share : 0), 0);

/** What the audit looks at, of a session as it has become. */
function become(input: AuditInput, session: SessionPlan): AuditInput {
  const timeline = compile(session, input.drills);
  return { ...input, session, timeline, coverage: coverageOf(session, timeline, input.drills, inLines(input.group)) };
}

/** The doses of a phase shorter by at least so much; undefined where they can't be. */
export function shorterIn(input: AuditInput, phase: Phase, by: Seconds): Change | undefined {
  const { phaseOf } = courseOf(input);
  const { change, enough } = stepped(
    doseLevers(input, "down"),
    { way: "down", by },
    (lever, seconds) => seconds * shareIn(lever, (block) => phaseOf(block) === phase),
  );
  return enough ? change : undefined;
}

/** The doses of a phase longer by at least so much, and others shorter where it would run over; undefined where that can't be. */
export function longerIn(input: AuditInput, phase: Phase, by: Seconds): Change | undefined {
  const { phaseOf } = courseOf(input);
  const { change, enough } = stepped(doseLevers(input, "up"), { way: "up", by }, (lever, seconds) =>
    shareIn(lever, (block) => phaseOf(block) === phase) === 1 ? seconds : 0,
  );
  const shorter = enough ? shortenedFor(become(input, change(input.session)), phase) : undefined;
  return shorter && ((session) => shorter(change(session)));
}

/** No longer than the target, by shorter doses outside a phase, as far as the others can give that away; undefined where they can't. */
export function shortenedFor(input: AuditInput, phase: Phase): Change | undefined {
  const { phaseOf, spans, works, target } = courseOf(input);
  const over = input.timeline.totalSeconds - target;
  if (over <= 1e-6) return (session) => session;
  // What each phase has above what it needs, of time and of work; the one that is made room for gives nothing.
  const workIn = (of: Phase) => works.reduce((sum, one) => sum + (one.phase === of ? one.segment.seconds : 0), 0);
  const spare = new Map(
    spans.map(({ phase: of, start, end }) => [
      of,
      of === phase ? 0 : Math.min(end - start - phaseSeconds(of, target).least, workIn(of) - (of.work ?? 0)),
    ]),
  );
  const parts = (lever: Lever, seconds: Seconds) =>
    [...lever.inBlocks].map(([block, share]) => ({ of: phaseOf(block), seconds: share * seconds }));
  const { change, enough } = stepped(
    doseLevers(input, "down"),
    { way: "down", by: over },
    (lever, seconds) =>
      parts(lever, seconds).every((part) => part.of && (spare.get(part.of) ?? 0) >= part.seconds - 1e-6) ? seconds : 0,
    (lever, seconds) => {
      for (const part of parts(lever, seconds)) spare.set(part.of!, spare.get(part.of!)! - part.seconds);
    },
  );
  return enough ? change : undefined;
}

/** A drill out, and what else is in its phase longer, as far as the time it took allows. */
function withoutAt(input: AuditInput, place: Place): Change {
  const phase = courseOf(input).phaseOf(place.block);
  const after = become(input, removeItem(input.session, place));
  const { phaseOf } = courseOf(after);
  const free = input.timeline.totalSeconds - after.timeline.totalSeconds;
  let left = free;
  const { change } = stepped(
    doseLevers(after, "up"),
    { way: "up", by: free },
    (lever, seconds) =>
      seconds <= left + 1e-6 && shareIn(lever, (block) => phaseOf(block) === phase) === 1 ? seconds : 0,
    (_, seconds) => (left -= seconds),
  );
  return (session) => change(removeItem(session, place));
}

/** The doses at some places shorter, so that what is done there in one piece is shorter by at least so much; `of` is the share of a place’s work that is in the piece. */
export function shorterAt(
  input: AuditInput,
  places: readonly { place: Place; of: Share }[],
  by: Seconds,
): Change | undefined {
  const shareOf = ({ places: own }: Lever): Share =>
    Math.max(
      0,
      ...places
        .filter(({ place }) => own.some((p) => p.block === place.block && p.item === place.item))
        .map((p) => p.of),
    );
  const { change, enough } = stepped(
    doseLevers(input, "down"),
    { way: "down", by },
    (lever, seconds) => seconds * shareOf(lever),
  );
  return enough ? change : undefined;
}

/** What can be taken out: not the last drill, nor what a phase has alone or is needed in. */
function spareItems(input: AuditInput): Looked[] {
  const { phaseOf } = courseOf(input);
  const all = itemsOf(input);
  return all.filter(({ place }, i) => {
    const phase = phaseOf(place.block);
    const beside = all.filter((other) => phaseOf(other.place.block) === phase).length;
    return i < all.length - 1 && beside > 1 && phase?.needed !== true;
  });
}

/** So many drills are taken out at once at most. */
const MOST_OUT = 6;

/**
 * Takes out spare drills until it is enough, each time the one that is worth most to take out, and does the rest of its phase
 * longer; nothing where it never is.
 */
export function takeOutFix(
  input: AuditInput,
  isEnough: (input: AuditInput) => boolean,
  worthIn: (input: AuditInput) => (here: Looked) => number,
): Fix | undefined {
  const out: { name: string; change: Change }[] = [];
  let now = input;
  while (out.length < MOST_OUT) {
    const worth = worthIn(now);
    const best = spareItems(now)
      .map((here) => ({ here, worth: worth(here) }))
      .filter((one) => one.worth > 0)
      .sort((a, b) => b.worth - a.worth)[0]?.here;
    if (!best) return undefined;
    const change = withoutAt(now, best.place);
    out.push({ name: best.drill.name, change });
    now = become(now, change(now.session));
    if (isEnough(now))
      return {
        words: `Take out ${listWords(out.map(({ name }) => name))}, and do the rest longer`,
        apply: (session) => out.reduce((s, one) => one.change(s), session),
      };
  }
  return undefined;
}
