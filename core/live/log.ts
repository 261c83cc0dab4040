import type { Sent } from "./commands";
import { segmentIdAt, type Live } from "./fold";
import { observed, type Observed } from "./pace";
import { USUAL_PACE } from "~/core/dose/pace";
import type { Segment, SegmentKind, Timeline } from "~/core/timeline/types";
import { moveSeconds } from "~/core/vocabulary/postures";
import type { EpochMs, Seconds, Share } from "~/core/units";

/*
 * What was really run of a class: when each thing began and ended, how long it was held, and what that says of the pace of a
 * group. Worked out from the class’s commands, and from nothing else.
 */

/** One thing that was run: a move, a showing, work. Visited twice, it is there twice. */
export type Passage = {
  id: string;
  segment: Segment;
  /** Seconds it was to last, without time that was added. */
  planned: Seconds;
  began: EpochMs;
  ended: EpochMs;
  ran: Seconds;
  /** Held in it, and before what in it: where it had come to each time. */
  holds: readonly { at: Seconds; seconds: Seconds }[];
};

/** Everything that was run, in order. */
export function passagesOf(live: Live): Passage[] {
  const known = segmentsOf(live);
  const passages: (Omit<Passage, "holds"> & { holds: { at: Seconds; seconds: Seconds }[] })[] = [];
  for (const { id, from, to, held } of live.ran) {
    const one = known.get(id);
    if (!one || to <= from) continue;
    const seconds = (to - from) / 1000;
    let last = passages.at(-1);
    if (last?.id !== id) {
      last = { id, segment: one.segment, planned: one.planned, began: from, ended: to, ran: 0, holds: [] };
      passages.push(last);
    }
    last.ended = to;
    if (!held) last.ran += seconds;
    else {
      const before = last.holds.at(-1);
      // One hold, looked at more than once.
      if (before?.at === last.ran) before.seconds += seconds;
      else last.holds.push({ at: last.ran, seconds });
    }
  }
  return passages;
}

/** Every segment there has been, also what was taken out again, with how long it was to last. */
function segmentsOf(live: Live): Map<string, { segment: Segment; planned: Seconds }> {
  const known = new Map<string, { segment: Segment; planned: Seconds }>();
  for (const { run, ids } of [...Object.values(live.before), live])
    run.segments.forEach((segment, i) => {
      const id = ids[i]!;
      const more = run.more?.[i] ?? 0;
      if (!known.has(id)) known.set(id, { segment, planned: segment.seconds - more });
    });
  return known;
}

/** What a group’s pace is learnt of. */
export const PACE_KINDS = ["moves", "kit", "sides", "showing"] as const;
export type PaceKind = (typeof PACE_KINDS)[number];

/** Planned and real seconds of one kind in one class, and whether whoever led it started things by hand. */
export type KindPace = { planned: Seconds[]; real: Seconds[]; byHand: boolean };
/** What a class says of the pace of its group, and how many things in it are left out, since they say nothing. */
export type ClassPaces = { kinds: Partial<Record<PaceKind, KindPace>>; left: number };

/** A hold so soon in work still belongs to what came before it: they were not ready. */
const NOT_READY: Seconds = 5;
/** Longer than this something else happened. */
const STRAYED = { times: 4, more: 30 } as const;
/** Kit takes at least so much of what it is planned with. */
const LEAST_KIT: Share = 0.25;
/** Of a kind so many have to be started or held by hand for its shortness to say something. */
const LED_BY_HAND: Share = 0.5;

const KIND: Readonly<Record<SegmentKind, "move" | "sides" | "showing" | undefined>> = {
  move: "move",
  switch: "sides",
  demo: "showing",
  work: undefined,
  turn: undefined,
  rest: undefined,
};

/**
 * What a class says of its group’s pace. A hold in a move, a showing or a change of sides, or in the first 5 s of the work after
 * it, is part of it; going on early makes it shorter. What was visited twice, driven without a connection, or took longer than
 * four times its length and 30 s is left out with what was planned for it; so is the first thing of a class. Planned seconds are
 * at the usual pace, so that using what was learnt does not begin anew.
 */
export function pacesOf(live: Live, commands: readonly Sent[]): ClassPaces {
  const passages = passagesOf(live);
  const visits = new Map<string, number>();
  for (const { id } of passages) visits.set(id, (visits.get(id) ?? 0) + 1);
  const touched = touchedBy(live, commands);
  const apart = commands.flatMap(({ apart, from }) => (apart ? [from] : []));
  const alone = ({ began, ended }: Passage) =>
    apart.length > 0 && began <= Math.max(...apart) && ended >= Math.min(...apart);
  const kinds = new Map<PaceKind, KindPace & { hand: number }>();
  let left = 0;
  passages.forEach((passage, k) => {
    const { segment, id, planned } = passage;
    const kind = KIND[segment.kind];
    if (!kind || planned <= 0) return;
    const after = passages[k + 1];
    // Work that waits for whoever leads, or is held as soon as it begins: they were still on their way.
    const late = after?.segment.kind === "work" ? after.holds.filter(({ at }) => at <= NOT_READY) : [];
    const holds = [...passage.holds, ...late];
    const real = passage.ran + holds.reduce((sum, { seconds }) => sum + seconds, 0);
    const leaves =
      k === 0 ||
      visits.get(id)! > 1 ||
      alone(passage) ||
      touched.away.has(id) ||
      after === undefined ||
      real > STRAYED.times * planned + STRAYED.more;
    if (leaves) return void left++;
    const hand = holds.length > 0 || touched.by.has(id);
    for (const one of asUsual(segment, planned, real)) {
      const sum = kinds.get(one.kind) ?? { planned: [], real: [], byHand: false, hand: 0 };
      sum.planned.push(one.planned);
      sum.real.push(one.real);
      sum.hand += hand ? 1 : 0;
      kinds.set(one.kind, sum);
    }
  });
  return {
    left,
    kinds: Object.fromEntries(
      [...kinds].map(([kind, { hand, ...sums }]) => [
        kind,
        { ...sums, byHand: hand >= LED_BY_HAND * sums.planned.length },
      ]),
    ),
  };
}

/** A passage against the usual pace: a move with kit tells of the kit, any other of moving. */
function asUsual(
  segment: Segment,
  planned: Seconds,
  real: Seconds,
): { kind: PaceKind; planned: Seconds; real: Seconds }[] {
  switch (segment.kind) {
    case "move": {
      const own = segment.from === undefined ? 0 : moveSeconds(segment.from, segment.to, USUAL_PACE);
      const kit = segment.fetch.length * USUAL_PACE.kitChange;
      if (kit > 0) return [{ kind: "kit", planned: kit, real: Math.max(real - own, LEAST_KIT * kit) }];
      return own > 0 ? [{ kind: "moves", planned: own, real }] : [];
    }
    case "switch":
      return [{ kind: "sides", planned: USUAL_PACE.switchSides, real }];
    case "demo":
      return [{ kind: "showing", planned, real }];
    default:
      return [];
  }
}

/** What was started or lengthened by hand, and what was gone away from: skipped in, gone back to, left by a jump. */
function touchedBy(live: Live, commands: readonly Sent[]): { by: ReadonlySet<string>; away: ReadonlySet<string> } {
  const by = new Set<string>();
  const away = new Set<string>();
  for (const { n, on, from, command } of commands) {
    if (live.outcomes[n] !== "done") continue;
    const was = live.before[n];
    const id = on ?? (was && segmentIdAt({ ...live, run: was.run, ids: was.ids }, from));
    if (id === undefined) continue;
    if (command.do === "next" || command.do === "more") by.add(id);
    if (["skip", "back", "repeat", "place", "undo"].includes(command.do)) away.add(id);
  }
  return { by, away };
}

/** What a class adds to the estimate of a kind. Where the clock led, what nobody touched says that the plan was enough and no more. */
export function observedOf({ planned, real, byHand }: KindPace, weeksAgo: number): Observed | undefined {
  const found = observed({ planned, real, weeksAgo });
  return found && { ...found, y: byHand ? found.y : Math.max(0, found.y) };
}

/** How long a class really went on between two moments, and how much of that was work; what it was held does not count. */
export function ranBetween(live: Live, from: EpochMs, to: EpochMs): { all: Seconds; work: Seconds } {
  const known = segmentsOf(live);
  let [all, work]: [Seconds, Seconds] = [0, 0];
  for (const one of live.ran) {
    const seconds = (Math.min(to, one.to) - Math.max(from, one.from)) / 1000;
    if (one.held || seconds <= 0) continue;
    all += seconds;
    if (known.get(one.id)?.segment.kind === "work") work += seconds;
  }
  return { all, work };
}

/** How much of the work of a class was really run, 0 to 1. */
export const shareRun = (live: Live, work: Seconds): Share =>
  work > 0 ? Math.min(1, ranBetween(live, -Infinity, Infinity).work / work) : 0;

/** A drill as it was run: one pass through it in one round. */
export type LogLine = {
  block: number;
  item: number;
  round: number;
  began: EpochMs;
  ended: EpochMs;
  planned: Seconds;
  ran: Seconds;
  held: Seconds;
  /** Left before its work was over. */
  left: boolean;
};

/** What was run, drill by drill, in order; planned is each pass as a whole, as it was handed out. */
export function logOf(live: Live, { segments }: Pick<Timeline, "segments">): LogLine[] {
  const lines: LogLine[] = [];
  const whole = (one: Segment) =>
    segments.reduce(
      (sum, { block, item, round, seconds }) =>
        block === one.block && item === one.item && round === one.round ? sum + seconds : sum,
      0,
    );
  const worked = (one: Segment) =>
    segments.reduce(
      (sum, { kind, block, item, round, seconds }) =>
        kind === "work" && block === one.block && item === one.item && round === one.round ? sum + seconds : sum,
      0,
    );
  const work = new Map<LogLine, Seconds>();
  for (const { segment, began, ended, ran, holds } of passagesOf(live)) {
    const held = holds.reduce((sum, { seconds }) => sum + seconds, 0);
    const did = segment.kind === "work" ? ran : 0;
    const last = lines.at(-1);
    if (last?.block === segment.block && last.item === segment.item && last.round === segment.round) {
      last.ended = ended;
      last.ran += ran;
      last.held += held;
      work.set(last, work.get(last)! + did);
      last.left = work.get(last)! < worked(segment) - 1;
    } else {
      const { block, item, round } = segment;
      const line = { block, item, round, began, ended, planned: whole(segment), ran, held };
      lines.push({ ...line, left: did < worked(segment) - 1 });
      work.set(lines.at(-1)!, did);
    }
  }
  return lines;
}

/** The places of a session that nothing was worked of. */
export function skippedOf(
  live: Live,
  blocks: readonly { items: readonly unknown[] }[],
): { block: number; item: number }[] {
  const done = new Set(
    passagesOf(live).flatMap(({ segment, ran }) =>
      segment.kind === "work" && ran >= 1 ? [`${segment.block}.${segment.item}`] : [],
    ),
  );
  return blocks.flatMap(({ items }, block) =>
    items.flatMap((_, item) => (done.has(`${block}.${item}`) ? [] : [{ block, item }])),
  );
}
