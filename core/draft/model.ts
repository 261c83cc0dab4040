import { CLOSING, type Candidate } from "./candidates";
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
 * kit takes is reckoned from below (each position used in a step is come to once, each height that is used on both sides is
 * crossed, each piece of kit is fetched once), so that what the solver proves holds for every order of the school.
 */
export function programOf(request: DraftRequest, candidates: readonly Candidate[], { chosen, reserve = 0, least, apart = [] }: ModelOptions = {}): Program {
  const { target, demand, pace } = request;
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const free = (name: string, most = 1) => void columns.push({ name, least: 0, most, whole: false });
  const open = chosen ? chosen.which : candidates.map((_, i) => i);
  const fixed = chosen !== undefined;
  for (const i of open) {
    columns.push({ name: `y${i}`, least: fixed ? 1 : 0, most: 1, whole: true });
    const more = candidates[i]!.doses.length - 1;
    if (more > 0) {
      columns.push({ name: `n${i}`, least: 0, most: more, whole: true });
      if (!fixed) rows.push({ name: `dose${i}`, terms: [{ column: `n${i}`, times: 1 }, { column: `y${i}`, times: -more }], most: 0 });
    }
  }
  /** What a chosen drill adds to a sum: at its smallest dose, and for each step more. */
  const terms = (i: number, seconds: number, each: number): Term[] => [
    ...(seconds !== 0 ? [{ column: `y${i}`, times: seconds }] : []), ...(each !== 0 && candidates[i]!.doses.length > 1 ? [{ column: `n${i}`, times: each }] : []),
  ];
  const count = (which: readonly number[]): Term[] => which.map((i) => ({ column: `y${i}`, times: 1 }));

  // The fit.
  const targets = targetsOf(demand, target);
  const all = ROWS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  for (const row of ROWS) {
    const weight = weightOf(demand, row);
    if (weight === 0) continue;
    const gives = open.flatMap((i) => candidates[i]!.gives.filter((g) => g.row === row).flatMap((g) => terms(i, g.seconds / targets[row], g.each / targets[row])));
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
  groups((c) => `${[...c.drill.levels[c.level].main].sort().join()} ${c.drill.method} ${c.from}`).forEach((which, k) => atMost(`like${k}`, which, 1));
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

/** Time of moving and fetching, from below. Drills that end in another position than they begin in may save a move each. */
function movingTerms(candidates: readonly Candidate[], kitChange: Seconds, { free, rows }: { free: (name: string, most?: number) => void; rows: Program["rows"] }): Term[] {
  const time: Term[] = [];
  const used = new Map<number, Map<number, string>>(); // step → posture index → column
  const byStep = [...new Set(candidates.map((c) => stepRank(c.step)))].sort((a, b) => a - b);
  const postures = [...new Set(candidates.map((c) => c.from))];
  const heights = postures.map((p) => HEIGHT[p]);
  const still = candidates.map((c) => c.from === c.to);
  candidates.forEach((c, i) => {
    if (!still[i]) return;
    const s = byStep.indexOf(stepRank(c.step));
    const p = postures.indexOf(c.from);
    let columns = used.get(s);
    if (!columns) used.set(s, (columns = new Map()));
    let column = columns.get(p);
    if (!column) {
      columns.set(p, (column = `g${s}_${p}`));
      free(column);
    }
    rows.push({ name: `at${i}`, terms: [{ column: `y${i}`, times: 1 }, { column, times: -1 }], most: 0 });
  });
  // Moves: every position come to in a step, but for the first of all and those carried over from the step before.
  free("moves", 200);
  const moves: Term[] = [{ column: "moves", times: 1 }];
  for (const [s, columns] of used) {
    const over: Term[] = [];
    for (const [p, column] of columns) {
      moves.push({ column, times: -1 });
      const before = [...used].flatMap(([t, others]) => (t < s && others.has(p) ? [{ column: others.get(p)!, times: -1 }] : []));
      if (before.length === 0) continue;
      const carried = `k${s}_${p}`;
      free(carried);
      over.push({ column: carried, times: 1 });
      rows.push({ name: `ka${s}_${p}`, terms: [{ column: carried, times: 1 }, { column, times: -1 }], most: 0 }, { name: `kb${s}_${p}`, terms: [{ column: carried, times: 1 }, ...before], most: 0 });
    }
    if (over.length > 0) {
      rows.push({ name: `kc${s}`, terms: over, most: 1 });
      moves.push(...over);
    }
  }
  candidates.forEach((_, i) => !still[i] && moves.push({ column: `y${i}`, times: 1 }));
  rows.push({ name: "moves", terms: moves, least: -1 });
  time.push({ column: "moves", times: CHANGE_BASE });
  // Heights: in each step that uses both sides of a height it is crossed, and once where both are used at all.
  for (let h = 1; h <= 5; h++) {
    const cross = `u${h}`;
    const inSteps: Term[] = [];
    for (const [s, columns] of used) {
      const low = [...columns].filter(([p]) => heights[p]! < h).map(([, c]) => c);
      const high = [...columns].filter(([p]) => heights[p]! >= h).map(([, c]) => c);
      if (low.length === 0 || high.length === 0) continue;
      const both = `a${s}_${h}`;
      free(both);
      // For one of each: both are used only when these two are.
      low.forEach((l, x) => high.forEach((g, y) => rows.push({ name: `ab${s}_${h}_${x}_${y}`, terms: [{ column: both, times: 1 }, { column: l, times: -1 }, { column: g, times: -1 }], least: -1 })));
      inSteps.push({ column: both, times: -1 });
    }
    free(cross, 50);
    const wild: Term[] = candidates.flatMap((c, i) => (still[i] ? [] : [{ column: `y${i}`, times: 1 }]));
    if (inSteps.length > 0) rows.push({ name: `cross${h}`, terms: [{ column: cross, times: 1 }, ...inSteps, ...wild], least: 0 });
    time.push({ column: cross, times: CHANGE_PER_STEP });
  }
  // Kit: each piece is fetched at least once.
  const most = new Map<string, Map<number, number[]>>();
  candidates.forEach((c, i) => {
    for (const kit of new Set(c.kit)) {
      const n = c.kit.filter((k) => k === kit).length;
      const byCount = most.get(kit) ?? new Map<number, number[]>();
      byCount.set(n, [...(byCount.get(n) ?? []), i]);
      most.set(kit, byCount);
    }
  });
  [...most].forEach(([, byCount], k) => {
    const column = `f${k}`;
    free(column, 6);
    for (const [n, which] of byCount) for (const i of which) rows.push({ name: `fetch${k}_${i}`, terms: [{ column, times: 1 }, { column: `y${i}`, times: -n }], least: 0 });
    time.push({ column, times: kitChange });
  });
  return time;
}
