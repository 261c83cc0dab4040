import { layLess, layMore } from "./more";
import { indexAt } from "~/core/timeline/moment";
import type { Segment, Timeline } from "~/core/timeline/types";
import type { EpochMs, Seconds, Share } from "~/core/units";

/**
 * A session being followed. The place in it is worked out from the clock, never counted, so that sleep or a background
 * tab cannot make it drift. Plain data: it can be kept and taken up again.
 */
export type Run = {
  state: "ready" | "running" | "paused" | "finished";
  /** The segments as they are being run: the timeline, with what was added on the way. */
  segments: Segment[];
  /** For each segment its index in the timeline it came from, or -1 for one that was added. */
  origin: number[];
  /** For each segment the seconds it was given on the way; left out while none was, and in runs kept before this was known. */
  more?: Seconds[];
  total: Seconds;
  /** While running: the clock's time at which the position was 0. */
  anchor: EpochMs;
  /** While not running: the position. */
  position: Seconds;
  /** Up to here what was played has been counted. */
  counted: Seconds;
  /** Seconds done of each work segment of the original timeline, by its index there. */
  done: Record<number, Seconds>;
};

/** Going back within this long of a segment's start goes to the one before. */
const BACK_GRACE: Seconds = 3;

export function readyRun(timeline: Pick<Timeline, "segments" | "totalSeconds">): Run {
  return {
    state: "ready",
    segments: timeline.segments,
    origin: timeline.segments.map((_, i) => i),
    total: timeline.totalSeconds,
    anchor: 0,
    position: 0,
    counted: 0,
    done: {},
  };
}

/** Where the run is, in seconds from its start, never beyond its end. */
export function positionAt(run: Run, now: EpochMs): Seconds {
  const at = run.state === "running" ? (now - run.anchor) / 1000 : run.position;
  return Math.min(Math.max(at, 0), run.total);
}

export function begin(run: Run, now: EpochMs): Run {
  return run.state === "ready" || run.state === "paused"
    ? { ...run, state: "running", anchor: now - run.position * 1000 }
    : run;
}

export function pause(run: Run, now: EpochMs): Run {
  if (run.state !== "running") return run;
  const position = positionAt(run, now);
  return position >= run.total ? finish(run, now) : { ...count(run, position), state: "paused", position };
}

/** Counts what was played up to now, and ends the run when its last second has passed. Call it as often as you like. */
export function tick(run: Run, now: EpochMs): Run {
  if (run.state !== "running") return run;
  return positionAt(run, now) >= run.total ? finish(run, now) : run;
}

function finish(run: Run, now: EpochMs): Run {
  return { ...count(run, positionAt(run, now)), state: "finished", position: run.total };
}

/** To where the others are by now, so many seconds on: what is passed over stays not done. A run that is paused goes on. */
export function catchUp(run: Run, now: EpochMs, seconds: Seconds): Run {
  if (run.state === "finished") return run;
  return begin(jump(run, Math.min(run.total, positionAt(run, now) + Math.max(0, seconds)), now), now);
}

/** From this share of the work on a run that came to its end was done to the end; less of it was passed over. */
export const REALLY_DONE: Share = 0.9;

/** Whether a run was followed to its end: it came there, and not by skipping. */
export const reachedEnd = (run: Run, now: EpochMs): boolean =>
  run.state === "finished" && run.position >= run.total && shareDone(run, now) >= REALLY_DONE;

/** Ends the run where it is; what was done stays counted. */
export function stop(run: Run, now: EpochMs): Run {
  const position = positionAt(run, now);
  return { ...count(run, position), state: "finished", position };
}

/** To the end of what is now. */
export function skip(run: Run, now: EpochMs): Run {
  const segment = segmentAt(run, now);
  return segment ? jump(run, segment.start + segment.seconds, now) : run;
}

/** To the first segment of the next drill, or to the end after the last. */
export function skipDrill(run: Run, now: EpochMs): Run {
  const at = indexAt(run.segments, positionAt(run, now));
  const here = run.segments[at];
  const next = run.segments.find(
    (s, i) => i > at && here && (s.item !== here.item || s.block !== here.block || s.round !== here.round),
  );
  return jump(run, next?.start ?? run.total, now);
}

/** To the start of what is now, or of what was before when it has only just begun. */
export function back(run: Run, now: EpochMs): Run {
  const position = positionAt(run, now);
  const at = indexAt(run.segments, position);
  const here = run.segments[at];
  if (!here) return run;
  const target = position - here.start > BACK_GRACE ? here : (run.segments[at - 1] ?? here);
  return jump(run, target.start, now);
}

/** The work that “repeat this side” would repeat now: the one under way, or the one just finished in the same drill. */
export function repeatable(run: Run, now: EpochMs): Extract<Segment, { kind: "work" }> | undefined {
  const at = indexAt(run.segments, positionAt(run, now));
  const here = run.segments[at];
  for (let i = at; i >= 0; i--) {
    const segment = run.segments[i];
    if (!segment || segment.block !== here?.block || segment.item !== here.item) return undefined;
    if (segment.kind === "work") return segment;
  }
  return undefined;
}

/**
 * Does this side once more. Asked during the work, the copy follows right after it; asked just after, the copy is put in
 * here and begins at once. Everything behind it moves back.
 */
export function repeatSide(run: Run, now: EpochMs): Run {
  const work = repeatable(run, now);
  if (!work) return run;
  const position = positionAt(run, now);
  const at = indexAt(run.segments, position);
  const during = run.segments[at] === work;
  const place = during ? at + 1 : at;
  const start = run.segments[place]?.start ?? run.total;
  const counted = count(run, position);
  // Once more as it was set: time that was added to it was for that once.
  const plain = layLess(work, run.more?.[run.segments.indexOf(work)] ?? 0);
  const copy = shifted(plain, start - work.start);
  const grown: Run = {
    ...counted,
    segments: [
      ...run.segments.slice(0, place),
      copy,
      ...run.segments.slice(place).map((s) => shifted(s, copy.seconds)),
    ],
    origin: run.origin.toSpliced(place, 0, -1),
    ...(run.more && { more: run.more.toSpliced(place, 0, 0) }),
    total: run.total + copy.seconds,
  };
  return during ? grown : jump(grown, start, now);
}

/** Makes what is now last longer by `seconds`; repetitions and breaths go on at their tempo, effort becomes easy holding. */
export function addTime(run: Run, now: EpochMs, seconds: Seconds): Run {
  const at = indexAt(run.segments, positionAt(run, now));
  const here = run.segments[at];
  if (!here || run.state === "finished") return run;
  return {
    ...run,
    segments: run.segments.map((s, i) => (i < at ? s : i === at ? layMore(s, seconds) : shifted(s, seconds))),
    more: run.segments.map((_, i) => (run.more?.[i] ?? 0) + (i === at ? seconds : 0)),
    total: run.total + seconds,
  };
}

/** Share of the session's own work that has been done so far; work added on the way does not count beyond it. */
export function shareDone(run: Run, now: EpochMs): Share {
  const counted = count(run, positionAt(run, now));
  let whole = 0;
  let done = 0;
  run.origin.forEach((index, i) => {
    const segment = run.segments[i];
    if (index < 0 || segment?.kind !== "work") return;
    whole += segment.seconds;
    done += Math.min(segment.seconds, counted.done[index] ?? 0);
  });
  return whole > 0 ? Math.min(1, done / whole) : 0;
}

function segmentAt(run: Run, now: EpochMs): Segment | undefined {
  return run.segments[indexAt(run.segments, positionAt(run, now))];
}

/** To a moment of the run; what is passed over stays not done. */
export function jump(run: Run, to: Seconds, now: EpochMs): Run {
  if (run.state === "finished") return run;
  const counted = { ...count(run, positionAt(run, now)), counted: to };
  if (to >= run.total) return { ...counted, state: "finished", position: run.total };
  return run.state === "running" ? { ...counted, anchor: now - to * 1000 } : { ...counted, position: to };
}

function count(run: Run, position: Seconds): Run {
  if (position <= run.counted) return { ...run, counted: position };
  const done = { ...run.done };
  run.segments.forEach((segment, i) => {
    const index = run.origin[i] ?? -1;
    if (segment.kind !== "work" || index < 0) return;
    const overlap = Math.min(segment.start + segment.seconds, position) - Math.max(segment.start, run.counted);
    if (overlap > 0) done[index] = Math.min(segment.seconds, (done[index] ?? 0) + overlap);
  });
  return { ...run, counted: position, done };
}

function shifted(segment: Segment, by: Seconds): Segment {
  const moved = { ...segment, start: segment.start + by };
  return moved.kind === "work"
    ? { ...moved, beats: moved.beats.map((beat) => ({ ...beat, start: beat.start + by })) }
    : moved;
}
