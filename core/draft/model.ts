import { servedSeconds } from "~/core/arc/arcs";
import { CLOSING, rowsOf, type Candidate } from "./candidates";
import { feelsOf, kindOf } from "./prune";
import { lastApart, type Apart, type DraftRequest } from "./request";
import { leastIn, stepRank } from "./sequencing";
import { beforePower } from "~/core/audit/look";
import { WARM_SECONDS, isStrong } from "~/core/audit/rules/cold-effort";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { PLANES } from "~/core/browse/browse";
import { hardness } from "~/core/drills/hardness";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import type { Program, Term } from "~/core/fit/program";
import type { MovingPace } from "~/core/order/posture-order";
import { doseSeconds, asksEffort, isPiece } from "~/core/dose/dose";
import { CHANGE_BASE, CHANGE_PER_STEP, HEIGHT, type Posture } from "~/core/vocabulary/postures";
import type { Seconds, Share } from "~/core/units";

/** Together, wishes weigh less than this share of the fit: they decide among what is as good. */
const WISHES = 0.002;
/** Drills that are to come again weigh this much of the fit together. */
const LIKE: Share = 0.06;
/** What is asked of a wish for each drill, as each has to be shown. */
const EACH_SHOWN = 0.8;
/** Seconds of easier motion before anything hard, for a way in. */
export const WAY_IN: Seconds = 60;
/** Easier than this is a way in. */
const EASY: Share = 0.5;
/** The most drills in one step, so that its order can be found exactly. */
export const MOST_IN_STEP = 9;
/** A group takes up so many drills whatever the length, and one more for each of these. */
const DRILLS_ALWAYS = 2;
const ONE_MORE_DRILL: Seconds = 90;
/** Positions change at most once for each two drills, and once more. */
const CHANGES_EACH: Share = 0.5;
const CHANGES_ALWAYS = 1;
/** Everybody comes up from the floor or goes down to it so often whatever the length, and once more for each of these. */
const UPS_ALWAYS = 2;
const ONE_MORE_UP: Seconds = 600;
/** From this height on a position is off the floor. */
export const OFF_THE_FLOOR = 3;
/** Drills that serve one motion first, at most; in a long session one more for each of these. */
const SAME_FIRST = 2;
const ONE_MORE_FIRST: Seconds = 900;
/** Drills that serve one motion first and are worked the same way, at most. */
export const MOST_SAME = 2;
/** Sessions from here on touch every plane. */
export const ALL_PLANES_FROM: Seconds = 300;

/** The column of all the seconds that the program reckons for moving and fetching kit. */
export const MOVING = "moving";

/** The column of how much of a row's target is reached. */
export const fitColumn = (row: Motion): string => `z_${row.replace(".", "_")}`;

export type ModelOptions = {
  /** Candidates that are chosen already, by index: only their doses are open, and moving takes just this long. */
  chosen?: { which: readonly number[]; moving: Seconds };
  /** Seconds kept free, besides what the model knows of moving. */
  reserve?: Seconds;
  /** The least it may last, by the model's own reckoning. */
  least?: Seconds;
  /** Leaves out what makes a session one: how many drills, the stages, a way in, calm. Limits and time stay. */
  plain?: boolean;
  /** Choices that came out no good, by index: not all of one of them again. */
  tried?: readonly (readonly number[])[];
  /** For a bound: what is wished for besides the fit is left out, the calm too. */
  proof?: boolean;
  /** Reckons positions chapter by chapter, for an order that asks for more changes than one go through them all. */
  chapters?: boolean;
  /** Positions change so much less often than is allowed, as the order of the school asks for more changes than the program reckons. */
  calmer?: { changes: number; ups: number };
  /** Drafts to differ from: at most so many of these drills again. */
  apart?: readonly Apart[];
};

/**
 * The choice of drills and doses as a mixed-integer program: the fit made most, inside the time. What moving and fetching
 * kit takes is reckoned from below, so that what the solver proves holds for every order of the school; docs/draft.md has it
 * in formulas.
 */
export function programOf(
  request: DraftRequest,
  candidates: readonly Candidate[],
  {
    chosen,
    reserve = 0,
    least,
    plain = false,
    tried = [],
    proof = false,
    chapters = false,
    calmer = { changes: 0, ups: 0 },
    apart = [],
  }: ModelOptions = {},
): Program {
  const { target, demand, pace } = request;
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const free = (name: string, most = 1) => void columns.push({ name, least: 0, most, whole: false });
  const open = chosen ? chosen.which : candidates.map((_, i) => i);
  const fixed = chosen !== undefined;
  const targets = targetsOf(demand, servedSeconds(request.purpose, target));
  /** Each candidate's doses as columns with the step of the dose they stand for: one whole number where drills are chosen already, else the corners of what it gives. */
  const corners = open.map((i): { column: string; at: number }[] => {
    const { doses, gives } = candidates[i]!;
    const more = doses.length - 1;
    columns.push({ name: `y${i}`, least: fixed ? 1 : 0, most: 1, whole: !fixed });
    if (more === 0) return [{ column: `y${i}`, at: 0 }];
    if (fixed) {
      columns.push({ name: `n${i}`, least: 0, most: more, whole: true });
      return [];
    }
    const full = gives
      .map(({ row, seconds, each }) => (targets[row] - seconds) / each)
      .filter((at) => at > 1e-6 && at < more - 1e-6);
    const list = [...new Set([0, ...full, more])].sort((x, y) => x - y).map((at, k) => ({ column: `l${i}_${k}`, at }));
    for (const { column } of list) free(column);
    rows.push({
      name: `dose${i}`,
      terms: [...list.map(({ column }) => ({ column, times: 1 })), { column: `y${i}`, times: -1 }],
      least: 0,
      most: 0,
    });
    return list;
  });
  const cornersOf = new Map(open.map((i, k) => [i, corners[k]!]));
  /** What a chosen drill adds to a sum that is even in its dose; `most` is where what counts of it ends. */
  const terms = (i: number, seconds: number, each: number, most = Infinity): Term[] => {
    const list = cornersOf.get(i)!;
    if (list.length > 0)
      return list
        .map(({ column, at }) => ({ column, times: Math.min(most, seconds + each * at) }))
        .filter(({ times }) => times !== 0);
    return [
      { column: `y${i}`, times: seconds },
      { column: `n${i}`, times: each },
    ].filter(({ times }) => times !== 0);
  };
  const count = (which: readonly number[]): Term[] => which.map((i) => ({ column: `y${i}`, times: 1 }));

  // The fit.
  const all = MOTIONS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  for (const row of MOTIONS) {
    const weight = weightOf(demand, row);
    if (weight === 0) continue;
    const gives = open.flatMap((i) =>
      candidates[i]!.gives.filter((g) => g.row === row).flatMap((g) =>
        terms(i, g.seconds / targets[row], g.each / targets[row], 1),
      ),
    );
    if (gives.length === 0) continue;
    const name = fitColumn(row);
    free(name);
    rows.push({
      name: `fit_${name}`,
      terms: [{ column: name, times: 1 }, ...gives.map(({ column, times }) => ({ column, times: -times }))],
      most: 0,
    });
    objective.push({ column: name, times: weight / all });
  }

  // The time.
  const time = open.flatMap((i) => terms(i, candidates[i]!.seconds, candidates[i]!.each));
  const moving = chosen ? [] : [{ column: MOVING, times: 1 }];
  if (!chosen) {
    free(MOVING, target);
    const sum = movingAtLeast(
      candidates,
      pace,
      { free, rows },
      plain || proof ? undefined : { target, ...calmer },
      chapters,
    );
    rows.push({
      name: "moved",
      terms: [...moving, ...sum.map(({ column, times }) => ({ column, times: -times }))],
      least: 0,
      most: 0,
    });
  }
  const between = request.interval ? [] : moving;
  const known = reserve + (chosen?.moving ?? besides(request));
  rows.push({ name: "time", terms: [...time, ...between], most: target - known });
  if (least !== undefined) rows.push({ name: "enough", terms: [...time, ...between], least: least - known });

  // Holds before power: each motion at most about a minute a side.
  if (beforePower(request.purpose))
    for (const row of MOTIONS) {
      const held = open.filter(
        (i) => isHold(candidates[i]!) && candidates[i]!.drill.levels[candidates[i]!.level].main.includes(row),
      );
      if (held.length > 1 || (held.length === 1 && fixed)) {
        const sum = held.flatMap((i) => {
          const { doses, drill } = candidates[i]!;
          const [a, b] = [doses[0]!, doses.at(-1)!].map((dose) => doseSeconds(dose, pace) * drill.directions) as [
            number,
            number,
          ];
          return terms(i, a, doses.length > 1 ? (b - a) / (doses.length - 1) : 0);
        });
        rows.push({ name: `held_${row.replace(".", "_")}`, terms: sum, most: LONGEST_HOLD });
      }
    }

  // Each motion is warm before strong effort at its end.
  const warming = new Map(
    open.filter((i) => !asksEffort(candidates[i]!.doses[0]!)).map((i) => [i, rowsOf(candidates[i]!, true)]),
  );
  for (const i of open) {
    const here = candidates[i]!;
    if (!isStrong(here.doses[0]!)) continue;
    const rank = stepRank(here.step);
    for (const row of rowsOf(here, false)) {
      const warm = [...warming].flatMap(([j, theirs]) => {
        const other = candidates[j]!;
        if (j === i || stepRank(other.step) > rank || !theirs.has(row)) return [];
        return terms(j, other.work.seconds, other.work.each);
      });
      rows.push({
        name: `warm${i}_${row.replace(".", "_")}`,
        terms: [...warm, { column: `y${i}`, times: -WARM_SECONDS }],
        least: 0,
      });
    }
  }
  if (fixed) return { objective, rows, columns };

  // What makes a session worth running.
  const groups = (key: (c: Candidate) => string | undefined) => {
    const map = new Map<string, number[]>();
    candidates.forEach((c, i) => {
      const k = key(c);
      if (k !== undefined) map.set(k, [...(map.get(k) ?? []), i]);
    });
    return [...map.values()];
  };
  const atMost = (name: string, which: number[], most: number) =>
    which.length > most && rows.push({ name, terms: count(which), most });
  const wantedAmong = (which: number[]) =>
    new Set(which.map((i) => candidates[i]!.drill.id).filter((id) => request.must.includes(id))).size;
  groups((c) => c.drill.id).forEach((which, k) =>
    request.must.includes(candidates[which[0]!]!.drill.id)
      ? rows.push({ name: `must${k}`, terms: count(which), least: 1, most: 1 })
      : atMost(`once${k}`, which, 1),
  );
  // Drills that feel the same exclude each other.
  const alike = new Map<string, number[]>();
  candidates.forEach((c, i) => feelsOf(c).forEach((feel) => void alike.set(feel, [...(alike.get(feel) ?? []), i])));
  const rooms = [...alike.values()].filter((which) => new Set(which.map((i) => candidates[i]!.drill.id)).size > 1);
  [...new Map(rooms.map((which) => [which.join(), which])).values()].forEach((which, k) =>
    atMost(`like${k}`, which, wantedAmong(which) > 1 ? wantedAmong(which) : 1),
  );
  groups((c) => `${c.drill.levels[c.level].main[0]!} ${c.drill.method}`).forEach((which, k) =>
    atMost(`same${k}`, which, MOST_SAME),
  );
  // A way in: easier motion before anything hard, step by step.
  const ranks = plain ? [] : [...new Set(candidates.map((c) => stepRank(c.step)))].sort((x, y) => x - y);
  const soFar: Term[] = [];
  for (const rank of ranks) {
    const here = candidates.flatMap((c, i) => (stepRank(c.step) === rank ? [i] : []));
    soFar.push(
      ...here
        .filter((i) => isEasy(candidates[i]!))
        .flatMap((i) => terms(i, candidates[i]!.work.seconds, candidates[i]!.work.each)),
    );
    const hard = here.filter((i) => !isEasy(candidates[i]!));
    if (hard.length === 0 || rank === stepRank(CLOSING)) continue;
    free(`hard${rank}`);
    for (const i of hard)
      rows.push({
        name: `ask${i}`,
        terms: [
          { column: `hard${rank}`, times: 1 },
          { column: `y${i}`, times: -1 },
        ],
        least: 0,
      });
    rows.push({ name: `way${rank}`, terms: [...soFar, { column: `hard${rank}`, times: -WAY_IN }], least: 0 });
  }
  groups((c) => String(stepRank(c.step))).forEach((which, k) => atMost(`step${k}`, which, MOST_IN_STEP));
  if (!plain) {
    rows.push({ name: "drills", terms: count(open), most: Math.max(request.must.length + 1, mostDrills(target)) });
    groups((c) => c.drill.levels[c.level].main[0]!).forEach((which, k) =>
      atMost(`first${k}`, which, mostFirst(target)),
    );
    request.school.stages.forEach((stage, s) => {
      const which = candidates.flatMap((c, i) => (c.step.stage === s ? [i] : []));
      const least = Math.min(leastIn(stage, target), new Set(which.map((i) => kindOf(candidates[i]!))).size);
      if (least > 0) rows.push({ name: `stage${s}`, terms: count(which), least });
      const first = which.filter((i) => stage.begins?.includes(candidates[i]!.step.part));
      if (first.length > 0) rows.push({ name: `begins${s}`, terms: count(first), least: 1 });
    });
  }
  const closers = candidates.flatMap((c, i) => (c.step === CLOSING ? [i] : []));
  if (closers.length > 0) rows.push({ name: "closing", terms: count(closers), least: 1, most: 1 });
  if (target >= ALL_PLANES_FROM)
    for (const plane of PLANES) {
      const which = candidates.flatMap((c, i) =>
        c.drill.levels[c.level].main.some((row) => MOTION_FACTS[row].plane === plane) ? [i] : [],
      );
      if (which.length > 0) rows.push({ name: `plane_${plane.replace("-", "_")}`, terms: count(which), least: 1 });
    }
  tried.forEach((which, k) => rows.push({ name: `tried${k}`, terms: count(which), most: which.length - 1 }));
  [...lastApart(request), ...apart].forEach(({ drills, most }, k) =>
    rows.push({
      name: `apart${k}`,
      terms: count(candidates.flatMap((c, i) => (drills.has(c.drill.id) ? [i] : []))),
      most,
    }),
  );
  const wish = WISHES / mostDrills(target);
  if (!proof)
    candidates.forEach((c, i) => {
      const worth =
        (request.preferred.includes(c.drill.method) ? 0.6 : 0) + (c.level === request.level ? 0.4 : 0) - EACH_SHOWN;
      const again = request.like.includes(c.drill.id) ? LIKE / request.like.length : 0;
      objective.push({ column: `y${i}`, times: wish * worth + again });
    });
  return { objective, rows, columns };
}

/** The most drills in a session of this length that a group can be shown and can take up. */
export const mostDrills = (target: Seconds): number => DRILLS_ALWAYS + Math.floor(target / ONE_MORE_DRILL);
/** The most drills that serve one motion first. */
export const mostFirst = (target: Seconds): number => SAME_FIRST + Math.floor(target / ONE_MORE_FIRST);
/** The most changes of position among so many drills. */
export const mostChanges = (drills: number): number => CHANGES_ALWAYS + CHANGES_EACH * drills;
/** How often everybody comes up from the floor or goes down to it, at most. */
export const mostUps = (target: Seconds): number => UPS_ALWAYS + Math.floor(target / ONE_MORE_UP);

/**
 * Seconds of a session by the clock besides what is reckoned for its drills, at least: changes are part of the rest that is
 * reckoned for every drill, of which the last before the closing has none, and what begins is shown.
 */
export const besides = ({ interval, pace }: Pick<DraftRequest, "interval" | "pace">): Seconds =>
  interval ? pace.demo - interval.rest : 0;

/** What asks for little, so that a session can begin with it. */
export const isEasy = (c: Candidate): boolean => hardness(c.drill.method, c.level, c.doses[0]!) < EASY;

const isHold = (c: Candidate): boolean => c.drill.method === "hold" && isPiece(c.doses[0]!);

/** Time of moving and fetching kit whatever the order: in each chapter every position used is come to but the one it goes on from, every height between two of them is crossed, every piece is fetched once. */
function movingAtLeast(
  candidates: readonly Candidate[],
  { kitChange, moveBase = CHANGE_BASE, moveStep = CHANGE_PER_STEP }: MovingPace,
  { free, rows }: { free: (name: string, most?: number) => void; rows: Program["rows"] },
  calm: { target: Seconds; changes: number; ups: number } | undefined,
  byChapter: boolean,
): Term[] {
  const one = (column: string, times = 1): Term => ({ column, times });
  const wild = candidates.flatMap((c, i) => (c.from !== c.to ? [one(`y${i}`, -1)] : []));
  let next = 0;
  const row = (terms: Term[], bounds: { least?: number; most?: number }) =>
    void rows.push({ name: `m${next++}`, terms, ...bounds });
  /** A column that is at least each sum over drills of one kind, of which a session holds one. */
  const used = (name: string, which: readonly number[], count: (i: number) => number, most = 1) => {
    free(name, most);
    const kinds = new Map<string, number[]>();
    for (const i of which) kinds.set(kindOf(candidates[i]!), [...(kinds.get(kindOf(candidates[i]!)) ?? []), i]);
    for (const list of kinds.values()) row([one(name), ...list.map((i) => one(`y${i}`, -count(i)))], { least: 0 });
    return name;
  };
  const all = candidates.map((_, i) => i);
  const names = [...new Set(candidates.filter((c) => c.from === c.to).map((c) => c.from))];
  const chapterOf = ({ step }: Candidate): number => (byChapter ? step.stage : 0);
  const chapters = [...new Set(candidates.map(chapterOf))].sort((a, b) => a - b);
  const postures: { height: number; column: string; posture: Posture }[] = [];
  const goesOn: Term[] = [];
  chapters.forEach((chapter, s) => {
    const before = [...postures];
    const enters: Term[] = [];
    names.forEach((posture, p) => {
      const which = all.filter(
        (i) =>
          chapterOf(candidates[i]!) === chapter && candidates[i]!.from === posture && candidates[i]!.to === posture,
      );
      if (which.length === 0) return;
      const column = used(`g${s}_${p}`, which, () => 1);
      postures.push({ height: HEIGHT[posture], column, posture });
      // A chapter may go on in one position that was used before it.
      const earlier = before.filter((one) => one.posture === posture);
      if (earlier.length === 0) return;
      const enter = `e${s}_${p}`;
      free(enter);
      row([one(column), one(enter, -1)], { least: 0 });
      row([...earlier.map((e) => one(e.column)), one(enter, -1)], { least: 0 });
      enters.push(one(enter));
    });
    if (enters.length > 1) row(enters, { most: 1 });
    goesOn.push(...enters);
  });
  const time: Term[] = [];
  free("moves", 200);
  row(
    [
      one("moves"),
      ...postures.map(({ column }) => one(column, -1)),
      ...goesOn,
      ...wild.map(({ column }) => one(column)),
    ],
    { least: -1 },
  );
  time.push(one("moves", moveBase));
  if (calm)
    row([one("moves"), ...all.map((i) => one(`y${i}`, -CHANGES_EACH))], { most: CHANGES_ALWAYS - calm.changes });
  for (let h = 1; h <= 5; h++) {
    for (const side of ["low", "high"] as const) {
      free(`${side}${h}`);
      for (const { height, column } of postures)
        if (height < h === (side === "low")) row([one(`${side}${h}`), one(column, -1)], { least: 0 });
    }
    free(`u${h}`, 200);
    row([one(`u${h}`), one(`low${h}`, -1), one(`high${h}`, -1), ...wild.map(({ column }) => one(column))], {
      least: -1,
    });
    time.push(one(`u${h}`, moveStep));
    if (calm && h === OFF_THE_FLOOR) row([one(`u${h}`)], { most: mostUps(calm.target) - calm.ups });
  }
  [...new Set(candidates.flatMap((c) => c.kit))].forEach((piece, k) => {
    // A chair that stands there already may serve.
    if (piece === "support" && candidates.some((c) => c.kit.includes("chair"))) return;
    const count = (i: number) => candidates[i]!.kit.filter((c) => c === piece).length;
    time.push(
      one(
        used(
          `f_${k}`,
          all.filter((i) => count(i) > 0),
          count,
          6,
        ),
        kitChange,
      ),
    );
  });
  return time;
}
