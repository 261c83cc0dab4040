import { CLOSING, type Candidate } from "./candidates";
import { kindOf } from "./prune";
import type { DraftRequest } from "./request";
import { stepRank } from "./school";
import { beforePower } from "~/core/audit/look";
import { WARM_SECONDS, isStrong } from "~/core/audit/rules/cold-effort";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { targetsOf, weightOf } from "~/core/demands/fit";
import { PLANES } from "~/core/drills/browse";
import { ROW_FACTS, ROWS, type Joint, type Row } from "~/core/drills/rows";
import type { Program, Term } from "~/core/fit/program";
import { doseSeconds } from "~/core/timeline/dose";
import { CHANGE_BASE, CHANGE_PER_STEP, HEIGHT } from "~/core/timeline/postures";
import type { Seconds } from "~/core/units";

/** Together, wishes weigh less than this share of the fit: they only decide among equals. */
const WISHES = 0.002;
/** The most drills in one step, so that its order can be found exactly. */
export const MOST_IN_STEP = 9;
/** A drill with its first look takes at least about this long. */
const LEAST_EACH: Seconds = 40;
/** Sessions from here on touch every plane. */
const ALL_PLANES_FROM: Seconds = 300;

export type ModelOptions = {
  /** Candidates that are chosen already, by index: only their doses are open, and moving takes just this long. */
  chosen?: { which: readonly number[]; moving: Seconds };
  /** Seconds kept free, besides what the model knows of moving. */
  reserve?: Seconds;
  /** The least it may last, by the model's own reckoning. */
  least?: Seconds;
  /** Drafts to differ from: at most so many of these drills again. */
  apart?: readonly { drills: ReadonlySet<string>; most: number }[];
};

/**
 * The choice of drills and doses as a mixed-integer program: the fit made most, inside the time. What moving and fetching
 * kit takes is reckoned from below, so that what the solver proves holds for every order of the school; docs/draft.md has it
 * in formulas.
 */
export function programOf(request: DraftRequest, candidates: readonly Candidate[], { chosen, reserve = 0, least, apart = [] }: ModelOptions = {}): Program {
  const { target, demand, pace } = request;
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const free = (name: string, most = 1) => void columns.push({ name, least: 0, most, whole: false });
  const open = chosen ? chosen.which : candidates.map((_, i) => i);
  const fixed = chosen !== undefined;
  const targets = targetsOf(demand, target);
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
    const full = gives.map(({ row, seconds, each }) => (targets[row] - seconds) / each).filter((at) => at > 1e-6 && at < more - 1e-6);
    const list = [...new Set([0, ...full, more])].sort((x, y) => x - y).map((at, k) => ({ column: `l${i}_${k}`, at }));
    for (const { column } of list) free(column);
    rows.push({ name: `dose${i}`, terms: [...list.map(({ column }) => ({ column, times: 1 })), { column: `y${i}`, times: -1 }], least: 0, most: 0 });
    return list;
  });
  const cornersOf = new Map(open.map((i, k) => [i, corners[k]!]));
  /** What a chosen drill adds to a sum that is even in its dose; `most` is where what counts of it ends. */
  const terms = (i: number, seconds: number, each: number, most = Infinity): Term[] => {
    const list = cornersOf.get(i)!;
    if (list.length > 0) return list.map(({ column, at }) => ({ column, times: Math.min(most, seconds + each * at) })).filter(({ times }) => times !== 0);
    return [{ column: `y${i}`, times: seconds }, { column: `n${i}`, times: each }].filter(({ times }) => times !== 0);
  };
  const count = (which: readonly number[]): Term[] => which.map((i) => ({ column: `y${i}`, times: 1 }));

  // The fit.
  const all = ROWS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  for (const row of ROWS) {
    const weight = weightOf(demand, row);
    if (weight === 0) continue;
    const gives = open.flatMap((i) => candidates[i]!.gives.filter((g) => g.row === row).flatMap((g) => terms(i, g.seconds / targets[row], g.each / targets[row], 1)));
    if (gives.length === 0) continue;
    const name = `z_${row.replace(".", "_")}`;
    free(name);
    rows.push({ name: `fit_${name}`, terms: [{ column: name, times: 1 }, ...gives.map(({ column, times }) => ({ column, times: -times }))], most: 0 });
    objective.push({ column: name, times: weight / all });
  }

  // The time.
  const time = open.flatMap((i) => terms(i, candidates[i]!.seconds, candidates[i]!.each));
  const moving = chosen ? [] : movingTerms(candidates, pace.kitChange, { free, rows });
  const known = reserve + (chosen?.moving ?? 0);
  rows.push({ name: "time", terms: [...time, ...moving], most: target - known });
  if (least !== undefined) rows.push({ name: "enough", terms: [...time, ...moving], least: least - known });

  // Holds before power: each motion at most about a minute a side.
  if (beforePower(request.purpose))
    for (const row of ROWS) {
      const held = open.filter((i) => isHold(candidates[i]!) && candidates[i]!.drill.levels[candidates[i]!.level].main.includes(row));
      if (held.length > 1 || (held.length === 1 && fixed)) {
        const sum = held.flatMap((i) => {
          const { doses, drill } = candidates[i]!;
          const [a, b] = [doses[0]!, doses.at(-1)!].map((dose) => doseSeconds(dose, pace) * drill.directions) as [number, number];
          return terms(i, a, doses.length > 1 ? (b - a) / (doses.length - 1) : 0);
        });
        rows.push({ name: `held_${row.replace(".", "_")}`, terms: sum, most: LONGEST_HOLD });
      }
    }

  // A joint is warm before strong effort at the end of its range.
  for (const i of open) {
    const here = candidates[i]!;
    if (!isStrong(here.doses[0]!)) continue;
    const joints = jointsOf(here, false);
    const warm = open.flatMap((j) => {
      const other = candidates[j]!;
      if (j === i || other.doses[0]!.kind === "effort" || stepRank(other.step) > stepRank(here.step) || ![...jointsOf(other, true)].some((joint) => joints.has(joint))) return [];
      return terms(j, other.work.seconds, other.work.each);
    });
    rows.push({ name: `warm${i}`, terms: [...warm, { column: `y${i}`, times: -WARM_SECONDS }], least: 0 });
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
  const atMost = (name: string, which: number[], most: number) => which.length > most && rows.push({ name, terms: count(which), most });
  groups((c) => c.drill.id).forEach((which, k) => (request.must.includes(candidates[which[0]!]!.drill.id) ? rows.push({ name: `must${k}`, terms: count(which), least: 1, most: 1 }) : atMost(`once${k}`, which, 1)));
  groups(kindOf).forEach((which, k) => atMost(`like${k}`, which, 1));
  groups((c) => `${c.drill.levels[c.level].main[0]!} ${c.drill.method}`).forEach((which, k) => atMost(`same${k}`, which, 2));
  groups((c) => String(stepRank(c.step))).forEach((which, k) => atMost(`step${k}`, which, MOST_IN_STEP));
  const closers = candidates.flatMap((c, i) => (c.step === CLOSING ? [i] : []));
  if (closers.length > 0) rows.push({ name: "closing", terms: count(closers), least: 1, most: 1 });
  if (target >= ALL_PLANES_FROM)
    for (const plane of PLANES) {
      const which = candidates.flatMap((c, i) => (c.drill.levels[c.level].main.some((row) => ROW_FACTS[row].plane === plane) ? [i] : []));
      if (which.length > 0) rows.push({ name: `plane_${plane.replace("-", "_")}`, terms: count(which), least: 1 });
    }
  apart.forEach(({ drills, most }, k) => rows.push({ name: `apart${k}`, terms: count(candidates.flatMap((c, i) => (drills.has(c.drill.id) ? [i] : []))), most }));
  const wish = WISHES / Math.max(1, target / LEAST_EACH);
  candidates.forEach((c, i) => {
    const worth = (request.preferred.includes(c.drill.method) ? 0.6 : 0) + (c.level === request.level ? 0.4 : 0);
    if (worth > 0) objective.push({ column: `y${i}`, times: wish * worth });
  });
  return { objective, rows, columns };
}

const isHold = (c: Candidate): boolean => c.drill.method === "hold" && c.doses[0]!.kind === "time";

/** Joints a drill works, with those it also works. */
export const jointsOf = (c: Candidate, also: boolean): ReadonlySet<Joint> => {
  const { main, also: more } = c.drill.levels[c.level];
  return new Set(([...main, ...(also ? more : [])] as Row[]).map((row) => ROW_FACTS[row].joint));
};

/**
 * Time of moving and fetching kit, from below. Between any two steps everybody is in one position, holding some kit: a
 * position used in a step is come to once unless it is where the step is entered, a height is crossed as often as entering,
 * leaving and what is used on both sides of it ask for, and kit is fetched where it is used and was not in hand. Drills that
 * end in another position than they begin in may save a move, and are let off all of this.
 */
function movingTerms(candidates: readonly Candidate[], kitChange: Seconds, { free, rows }: { free: (name: string, most?: number) => void; rows: Program["rows"] }): Term[] {
  const ranks = [...new Set(candidates.map((c) => stepRank(c.step)))].sort((a, b) => a - b);
  const postures = [...new Set(candidates.flatMap((c) => [c.from, c.to]))];
  const pieces = [...new Set(candidates.flatMap((c) => c.kit))];
  const steps = ranks.map((rank) => candidates.map((_, i) => i).filter((i) => stepRank(candidates[i]!.step) === rank));
  const one = (column: string, times = 1): Term => ({ column, times });
  const chosen = (which: readonly number[], times = 1) => which.map((i) => one(`y${i}`, times));
  let next = 0;
  const row = (terms: Term[], bounds: { least?: number; most?: number }) => void rows.push({ name: `m${next++}`, terms, ...bounds });
  const atLeast = (column: string, others: readonly Term[], more = 0) => row([one(column), ...others.map(({ column: c, times }) => one(c, -times))], { least: more });
  const still = (i: number) => candidates[i]!.from === candidates[i]!.to;
  const wild = candidates.map((_, i) => i).filter((i) => !still(i));

  // Between the steps: one position, at most; its height; the kit in hand.
  for (let b = 0; b <= steps.length; b++) {
    postures.forEach((_, p) => free(`p${b}_${p}`));
    row(postures.map((_, p) => one(`p${b}_${p}`)), { least: 1, most: 1 });
    pieces.forEach((_, k) => free(`h${b}_${k}`));
    if (b === 0) pieces.forEach((_, k) => row([one(`h0_${k}`)], { most: 0 }));
  }
  const up = (b: number, h: number): Term[] => postures.flatMap((posture, p) => (HEIGHT[posture] >= h ? [one(`p${b}_${p}`)] : []));

  const moves: Term[] = [];
  const crossing = new Map<number, Term[]>();
  const fetching: Term[] = [];
  steps.forEach((which, s) => {
    // Drills of one kind are never together in a session, so they hold a position or a piece of kit together.
    const kinds = new Map<string, number[]>();
    for (const i of which) kinds.set(kindOf(candidates[i]!), [...(kinds.get(kindOf(candidates[i]!)) ?? []), i]);
    free(`some${s}`);
    for (const list of kinds.values()) atLeast(`some${s}`, chosen(list));
    const used = new Map<number, string>();
    postures.forEach((posture, p) => {
      const lists = [...kinds.values()].map((list) => list.filter((i) => still(i) && candidates[i]!.from === posture)).filter((list) => list.length > 0);
      if (lists.length === 0) return;
      const column = `g${s}_${p}`;
      free(column);
      used.set(p, column);
      for (const list of lists) atLeast(column, chosen(list));
      // Come to by a move, unless the step is entered here.
      const come = `c${s}_${p}`;
      free(come);
      atLeast(come, [one(column), one(`p${s}_${p}`, -1)]);
      moves.push(one(come));
    });
    // Left in a position that is used in it; an empty step is left as it was entered.
    postures.forEach((posture, p) => {
      const ends = [...(used.has(p) ? [one(used.get(p)!, -1)] : []), ...which.filter((i) => !still(i) && candidates[i]!.to === posture).map((i) => one(`y${i}`, -1))];
      row([one(`p${s + 1}_${p}`), ...ends, one(`p${s}_${p}`, -1)], { most: 0 });
      row([one(`p${s + 1}_${p}`), ...ends, one(`some${s}`)], { most: 1 });
    });
    for (let h = 1; h <= 5; h++) {
      const low = [...used].filter(([p]) => HEIGHT[postures[p]!] < h).map(([, column]) => column);
      const high = [...used].filter(([p]) => HEIGHT[postures[p]!] >= h).map(([, column]) => column);
      const cross = `x${s}_${h}`;
      free(cross, 2);
      const [enter, leave] = [up(s, h), up(s + 1, h)];
      const minus = (list: Term[]) => list.map(({ column, times }) => one(column, -times));
      atLeast(cross, [...enter, ...minus(leave)]);
      atLeast(cross, [...leave, ...minus(enter)]);
      for (const column of low) atLeast(cross, [...enter, ...leave, one(column, 2)], -2);
      for (const column of high) atLeast(cross, [one(column, 2), ...minus(enter), ...minus(leave)]);
      crossing.set(h, [...(crossing.get(h) ?? []), one(cross)]);
    }
    pieces.forEach((piece, k) => {
      const holders = [...kinds.values()].map((list) => list.filter((i) => candidates[i]!.kit.includes(piece))).filter((list) => list.length > 0);
      row([one(`h${s + 1}_${k}`), one(`h${s}_${k}`, -1), ...chosen(holders.flat(), -1)], { most: 0 });
      row([one(`h${s + 1}_${k}`), one(`some${s}`), ...chosen(holders.flat(), -1)], { most: 1 });
      if (holders.length === 0) return;
      const fetch = `f${s}_${k}`;
      free(fetch, 6);
      for (const list of holders) {
        const count = (i: number) => candidates[i]!.kit.filter((c) => c === piece).length;
        const most = Math.max(...list.map(count));
        atLeast(fetch, [...list.map((i) => one(`y${i}`, count(i))), one(`h${s}_${k}`, -most)]);
      }
      fetching.push(one(fetch));
    });
  });
  const time: Term[] = [];
  const counted = (name: string, sum: Term[], each: Seconds) => {
    if (sum.length === 0) return;
    free(name, 200);
    atLeast(name, [...sum, ...chosen(wild, -1)]);
    time.push(one(name, each));
  };
  counted("moves", moves, CHANGE_BASE);
  for (const [h, sum] of crossing) counted(`u${h}`, sum, CHANGE_PER_STEP);
  return [...time, ...fetching.map(({ column }) => one(column, kitChange))];
}
