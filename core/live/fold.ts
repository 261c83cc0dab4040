import { restAfter, type Cut } from "./cuts";
import { ACTS_ON, type Command, type NewRest, type SegmentId, type Sent, type Swap } from "./commands";
import type { Frozen } from "./frozen";
import {
  addTime,
  back,
  begin,
  jump,
  pause,
  positionAt,
  readyRun,
  repeatable,
  repeatSide,
  skip,
  skipDrill,
  stop,
  tick,
  type Run,
} from "~/core/player/run";
import { indexAt, momentAt, type Moment } from "~/core/timeline/moment";
import type { Drill } from "~/core/drills/schema";
import type { Segment } from "~/core/timeline/types";
import type { EpochMs, Seconds } from "~/core/units";

/** A stretch of real time in one segment: how far it went there, or that it was held. */
export type Ran = { id: SegmentId; from: EpochMs; to: EpochMs; held: boolean };

/**
 * What became of a command: done, or why not. One that is to take back what a later change was worked out from does nothing:
 * that has to be taken back first.
 */
export type Outcome = "done" | "passed" | "nothing" | "built on";

type Before = Pick<Live, "run" | "ids" | "lead" | "cuts" | "endsBy" | "released" | "swaps"> & { at: EpochMs };

/** What is done at a place in the place of what was handed out, by “block.item”. */
export type Swaps = Readonly<Record<string, Pick<Swap, "drill" | "level" | "dose">>>;

/**
 * A class at the moment `at`: the same on every device that has the same commands. Everything is worked out from the frozen
 * timeline and the commands’ own times; when one arrived plays no part.
 */
export type Live = {
  of: Frozen;
  at: EpochMs;
  /** The newest command in it. */
  n: number;
  run: Run;
  /** The names of the run’s segments, one each. */
  ids: readonly SegmentId[];
  lead: "clock" | "hand";
  /** The work that waited for whoever leads, and was let go. */
  released: SegmentId | undefined;
  /** What was changed of the session on the way. */
  cuts: readonly Cut[];
  /** Drills that stand in the place of others from now on. */
  swaps: Swaps;
  endsBy: EpochMs | undefined;
  /** When it was begun, and when it was over. */
  begun: EpochMs | undefined;
  over: EpochMs | undefined;
  ran: readonly Ran[];
  outcomes: Readonly<Record<number, Outcome>>;
  /** How things stood when each command took effect. */
  before: Readonly<Record<number, Before>>;
  /** What was done to it, and which of it was taken back. */
  sent: readonly Sent[];
  takenBack: ReadonlySet<number>;
};

/** A class before its first command. */
export const beginning = (of: Frozen): Live => ({
  of,
  at: -Infinity,
  n: 0,
  run: readyRun(of.timeline),
  ids: of.timeline.segments.map((_, i) => String(i)),
  lead: "clock",
  released: undefined,
  cuts: [],
  swaps: {},
  endsBy: undefined,
  begun: undefined,
  over: undefined,
  ran: [],
  outcomes: {},
  before: {},
  sent: [],
  takenBack: new Set(),
});

/** A class with these commands, in the order of their numbers, as it is when the last of them takes effect. */
export const fold = (frozen: Frozen, commands: readonly Sent[]): Live =>
  commands.reduce(withCommand, beginning(frozen));

/** The class with one command more: the next by number. */
export function withCommand(live: Live, sent: Sent): Live {
  const here = advance(live, sent.from);
  const [next, outcome] = carriedOut(here, sent);
  const ended = next.run.state === "finished" && next.over === undefined;
  return {
    ...next,
    n: sent.n,
    ...(ended && { over: sent.from }),
    // What is worked out anew without a command that was taken back has new outcomes.
    outcomes: { ...next.outcomes, [sent.n]: outcome },
    before: { ...next.before, [sent.n]: standingOf(here, sent.from) },
    sent: [...here.sent, sent],
  };
}

const standingOf = ({ run, ids, lead, cuts, swaps, endsBy, released }: Live, at: EpochMs): Before => ({
  run,
  ids,
  lead,
  cuts,
  swaps,
  endsBy,
  released,
  at,
});

/** The class some time later, with nothing done to it. Never goes back: an earlier moment leaves it as it is. */
export function advance(live: Live, to: EpochMs): Live {
  if (to <= live.at) return live;
  if (live.at === -Infinity || live.run.state === "ready" || live.run.state === "finished") return { ...live, at: to };
  const { run } = live;
  if (run.state === "paused") return { ...live, at: to, ran: [...live.ran, heldAt(live, live.at, to)] };
  const waits = waitsAt(live);
  const stops = waits === undefined ? Infinity : run.anchor + waits * 1000;
  const ends = run.anchor + run.total * 1000;
  const until = Math.min(to, stops, ends);
  const ran = [...live.ran, ...wentOn(live, live.at, until)];
  if (stops <= to && stops < ends) {
    // Exactly at its start, whenever that is looked at.
    const held = { ...pause(run, stops), position: waits! };
    return advance({ ...live, run: held, ran, at: stops }, to);
  }
  const next = tick(run, to);
  return { ...live, run: next, ran, at: to, ...(next.state === "finished" && { over: ends }) };
}

/** Where the next work begins that waits for whoever leads; undefined where the clock leads. */
function waitsAt({ lead, run, ids, released, at }: Live): Seconds | undefined {
  if (lead === "clock") return undefined;
  const position = positionAt(run, at);
  const next = run.segments.find(
    (segment, i) => segment.start >= position - 1e-6 && ids[i] !== released && beginsDrill(run.segments, i),
  );
  return next?.start;
}

/** Whether a segment is the first work of a drill, or of a drill in a round. */
export function beginsDrill(segments: readonly Segment[], i: number): boolean {
  const here = segments[i];
  if (here?.kind !== "work") return false;
  for (let k = i - 1; k >= 0; k--) {
    const one = segments[k]!;
    if (one.block !== here.block || one.item !== here.item || one.round !== here.round) return true;
    if (one.kind === "work") return false;
  }
  return true;
}

/** The name of the segment the class is in. */
export const segmentIdAt = ({ run, ids }: Live, at: EpochMs): SegmentId | undefined =>
  ids[indexAt(run.segments, positionAt(run, at))];

const heldAt = (live: Live, from: EpochMs, to: EpochMs): Ran => ({
  id: segmentIdAt(live, from) ?? "",
  from,
  to,
  held: true,
});

function wentOn({ run, ids }: Live, from: EpochMs, to: EpochMs): Ran[] {
  return run.segments.flatMap((segment, i): Ran[] => {
    const start = Math.max(from, run.anchor + segment.start * 1000);
    const end = Math.min(to, run.anchor + (segment.start + segment.seconds) * 1000);
    return end > start ? [{ id: ids[i]!, from: start, to: end, held: false }] : [];
  });
}

function carriedOut(live: Live, { n, on, from, command }: Sent): [Live, Outcome] {
  if (live.run.state === "finished" && command.do !== "undo") return [live, "nothing"];
  if (ACTS_ON.has(command.do) && on !== segmentIdAt(live, from)) return [live, "passed"];
  const changed = apply(live, command, n, from);
  if (typeof changed === "string") return [live, changed];
  return [changed, changed === live ? "nothing" : "done"];
}

function apply(live: Live, command: Command, n: number, at: EpochMs): Live | "passed" | "built on" {
  const { run } = live;
  const to = (next: Run): Live => (next === run ? live : { ...live, run: next });
  switch (command.do) {
    case "go": {
      if (run.state === "running") return live;
      const begun = live.begun ?? at;
      return { ...live, begun, run: begin(run, at), released: segmentIdAt(live, at) };
    }
    case "hold":
      return to(pause(run, at));
    case "next":
      return letGo(to(skip(run, at)), at);
    case "back":
      return to(back(run, at));
    case "skip":
      return to(skipDrill(run, at));
    case "repeat":
      return repeated(live, n, at);
    case "more":
      return to(addTime(run, at, command.seconds));
    case "lead":
      return live.lead === command.by ? live : { ...live, lead: command.by, released: segmentIdAt(live, at) };
    case "place": {
      const segment = run.segments[live.ids.indexOf(command.at)];
      if (!segment) return "passed";
      return letGo(to(jump(run, segment.start + Math.min(segment.seconds, command.into), at)), at);
    }
    case "rest":
      return withRest(live, command, n, at);
    case "swap": {
      const { block, item } = command.at;
      const { drill, level, dose } = command;
      const next = withRest(live, command, n, at, drill);
      return next === "passed"
        ? next
        : { ...next, swaps: { ...live.swaps, [`${block}.${item}`]: { drill, level, dose } } };
    }
    case "undo":
      return live.of.fold < 2 ? allUndone(live, command.of, at) : undone(live, command.of, at);
    case "end":
      return to(stop(run, at));
    default:
      // Of a newer Mapset: the page is loaded anew, and goes on without it meanwhile.
      return live;
  }
}

/** Whoever presses on to a drill’s work starts it; it does not wait once more. */
function letGo(live: Live, at: EpochMs): Live {
  const id = segmentIdAt(live, at);
  return live.lead === "hand" && id !== undefined && live.run.state === "running" ? { ...live, released: id } : live;
}

function repeated(live: Live, n: number, at: EpochMs): Live {
  const { run, ids } = live;
  const work = repeatable(run, at);
  const next = repeatSide(run, at);
  if (!work || next === run) return live;
  const now = indexAt(run.segments, positionAt(run, at));
  const place = run.segments[now] === work ? now + 1 : now;
  return { ...live, run: next, ids: ids.toSpliced(place, 0, `${n}r`), released: `${n}r` };
}

/** What comes of each change of what is still to come: a device folds its commands many times a second. */
const restsOf = new WeakMap<Frozen, WeakMap<object, Segment[]>>();

function restOf(live: Live, change: Omit<NewRest, "do">, after: Segment, brought?: Drill): Segment[] | undefined {
  const { of, swaps } = live;
  if (change.segments) return change.segments;
  if (!change.cuts) return undefined;
  const known = restsOf.get(of) ?? new WeakMap<object, Segment[]>();
  restsOf.set(of, known);
  const before = known.get(change);
  if (before) return before;
  const swapped = new Map(Object.values(swaps).map(({ drill }) => [drill.id, drill]));
  if (brought) swapped.set(brought.id, brought);
  const rest = restAfter(of.session, change.cuts, after, (id) => of.drills(id) ?? swapped.get(id));
  known.set(change, rest);
  return rest;
}

/** All after a segment becomes what is changed of it. Where the class is past that segment, it comes too late. */
function withRest(live: Live, change: Omit<NewRest, "do">, n: number, at: EpochMs, brought?: Drill): Live | "passed" {
  const { run, ids } = live;
  const { after, cuts, endsBy } = change;
  const last = ids.indexOf(after);
  if (last < 0 || indexAt(run.segments, positionAt(run, at)) > last) return "passed";
  const segments = restOf(live, change, run.segments[last]!, brought);
  if (!segments) return "passed";
  const kept = run.segments.slice(0, last + 1);
  const start = kept.at(-1)!.start + kept.at(-1)!.seconds;
  const first = segments[0]?.start ?? 0;
  const moved = segments.map((segment) => laidAt(segment, start - first));
  return {
    ...live,
    run: {
      ...run,
      segments: [...kept, ...moved],
      origin: [...run.origin.slice(0, last + 1), ...moved.map(() => -1)],
      ...(run.more && { more: [...run.more.slice(0, last + 1), ...moved.map(() => 0)] }),
      total: start + moved.reduce((sum, { seconds }) => sum + seconds, 0),
    },
    ids: [...ids.slice(0, last + 1), ...moved.map((_, k) => `${n}.${k}`)],
    cuts: cuts ?? live.cuts,
    endsBy: endsBy ?? live.endsBy,
  };
}

function laidAt(segment: Segment, by: Seconds): Segment {
  const moved = { ...segment, start: segment.start + by };
  return moved.kind === "work"
    ? { ...moved, beats: moved.beats.map((beat) => ({ ...beat, start: beat.start + by })) }
    : moved;
}

/** A class as it stood when a command took effect; time goes on from there. */
function asBefore(live: Live, was: Before, at: EpochMs): Live {
  const position = positionAt(was.run, was.at);
  const run: Run = {
    ...was.run,
    ...(was.run.state === "running" ? { anchor: at - position * 1000 } : { position }),
    counted: position,
    done: live.run.done,
  };
  const { ids, lead, cuts, swaps, endsBy, released } = was;
  return { ...live, run, ids, lead, cuts, swaps, endsBy, released, over: undefined };
}

/** By the first fold, all that was done after it is taken back, too. */
function allUndone(live: Live, of: number, at: EpochMs): Live {
  const was = live.before[of];
  return was ? asBefore(live, was, at) : live;
}

/** What moves nobody to another place: taken back, the class stays where it is. */
const STAYS: ReadonlySet<Command["do"]> = new Set(["more", "lead", "rest", "swap"]);

/**
 * The class without one command. What was done after it, by whomever, is done again without it: what acted on a place where the
 * class is not any more has passed. A change that a later one was worked out from can't be taken back before that.
 */
function undone(live: Live, of: number, at: EpochMs): Live | "built on" {
  const was = live.before[of];
  const what = live.sent.find(({ n }) => n === of)?.command;
  if (!was || !what || what.do === "undo" || live.outcomes[of] !== "done" || live.takenBack.has(of)) return live;
  const after = live.sent.filter(
    ({ n, command }) => n > of && command.do !== "undo" && live.outcomes[n] === "done" && !live.takenBack.has(n),
  );
  const changes = (command: Command) => command.do === "rest" || command.do === "swap";
  if (changes(what) && after.some(({ command }) => changes(command))) return "built on";
  const takenBack = new Set(live.takenBack).add(of);
  // Where it moved the class, or held it, time goes on from where it stood then; otherwise it has gone on since.
  const stays = STAYS.has(what.do) && was.run.state === "running";
  let next: Live = { ...asBefore(live, was, stays ? was.at : at), at: stays ? was.at : at, takenBack };
  const outcomes = { ...live.outcomes };
  const before = { ...live.before };
  for (const one of after) {
    const from = stays ? Math.max(one.from, was.at) : at;
    const here = advance(next, from);
    before[one.n] = standingOf(here, from);
    const [then, outcome] = carriedOut(here, { ...one, from });
    outcomes[one.n] = outcome;
    next = { ...then, ...(then.run.state === "finished" && then.over === undefined && { over: from }) };
  }
  next = advance(next, at);
  // What has really run stays as it ran.
  return { ...next, at, ran: live.ran, outcomes, before };
}

/** The moment of a class, as the player shows it; undefined before it has any segment. */
export const momentOf = ({ run }: Live, at: EpochMs): Moment | undefined =>
  momentAt({ segments: run.segments, totalSeconds: run.total }, positionAt(run, at));

/** When it ends if nothing more is done to it, and how far that is behind what was promised: below 0 it is ahead. */
export function promiseOf(live: Live, promised: Seconds, at: EpochMs): { endsAt: EpochMs; behind: Seconds } {
  const endsAt = live.over ?? at + (live.run.total - positionAt(live.run, at)) * 1000;
  const by = live.endsBy ?? (live.begun ?? at) + promised * 1000;
  return { endsAt, behind: (endsAt - by) / 1000 };
}
