import type { Program, Solution, Solve, Term } from "./program";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf, targetsOf, weightOf } from "~/core/demands/fit";
import type { Demand } from "~/core/demands/schema";
import { ROW_FACTS, ROWS, type Row } from "~/core/drills/rows";
import type { Drill } from "~/core/drills/schema";
import { amountOf, withAmount } from "~/core/session/dose-edits";
import { editItem, editSession, type Place } from "~/core/session/edits";
import type { Dose, Item, Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { unitMicros } from "~/core/timeline/dose";
import { placeKey } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";
import { toSeconds, type Seconds, type Share } from "~/core/units";

/** How far under its target a session may end where its beats do not come out even. */
export const UNDER_AT_MOST: Seconds = 5;

export type FitRequest = {
  session: Session;
  target: Seconds;
  demand?: Demand | undefined;
  /** Places that stay as they are, as `placeKey` writes them. */
  locked: ReadonlySet<string>;
};

/** What one drill was and becomes. */
export type DoseChange = { place: Place; drill: string; before: Dose; after: Dose };

export type FitAnswer =
  | { kind: "fitted"; session: Session; changes: DoseChange[]; seconds: Seconds; fit: { before: Share; after: Share } | undefined }
  /** No doses inside their bounds come to the target: the nearest lengths they can come to. */
  | { kind: "impossible"; least: Seconds; most: Seconds }
  | { kind: "failed"; why: string };

/** One drill whose dose may change: by whole steps from what it is, or to one of its rungs. */
type Choice = {
  place: Place;
  item: Item;
  /** Each possible dose, with the seconds it adds to the session against the dose there is. */
  options: { dose: Dose; adds: Seconds }[];
  now: number;
  /** What a second that this drill adds gives to its rows, by side. */
  gives: { row: Row; left: Share; right: Share }[];
};

/**
 * Changes doses, each inside its drill's bounds and by its sensible step (by single seconds where that is what it takes), so that the session lasts the target: to the
 * second where it can be, else under it by at most 5 s; with the least loss of fit to the demand, and among equals with the
 * least change. Solved exactly as a mixed-integer program by the solver handed in.
 */
export function fitToTime({ session, target, demand, locked }: FitRequest, drills: (id: string) => Drill | undefined, solve: Solve): FitAnswer {
  const timeline = compile(session, drills);
  let choices = choicesOf(session, timeline, drills, locked, false);
  const ends = (pick: (adds: Seconds[]) => Seconds) => timeline.totalSeconds + choices.reduce((sum, c) => sum + pick(c.options.map((o) => o.adds)), 0);
  const [least, most] = [ends((a) => Math.min(...a)), ends((a) => Math.max(...a))];
  if (least > target + 1e-6 || most < target - UNDER_AT_MOST - 1e-6) return { kind: "impossible", least, most };

  let solution: Solution = { kind: "infeasible" };
  // Sensible steps first; then single seconds for what is timed, before the promise is missed by any.
  for (const [under, fine] of [[0, false], [0, true], [UNDER_AT_MOST, false], [UNDER_AT_MOST, true]] as const) {
    choices = choicesOf(session, timeline, drills, locked, fine);
    solution = solve(programOf({ session, timeline, choices, demand, target }, drills, under));
    if (solution.kind !== "infeasible") break;
  }
  if (solution.kind === "infeasible") return { kind: "impossible", least, most };
  if (solution.kind === "failed") return solution;

  const picks = choices.map((choice, c) => pickOf(choice, c, solution.values));
  const changes = choices.flatMap(({ place, item, options, now }, c) =>
    picks[c] === now ? [] : [{ place, drill: item.drill, before: item.dose, after: options[picks[c]!]!.dose }],
  );
  const fitted = editSession(changes.reduce((s, { place, after }) => editItem(s, place, { dose: after }), session), { target });
  const after = compile(fitted, drills);
  return {
    kind: "fitted", session: fitted, changes, seconds: after.totalSeconds,
    fit: demand && { before: fitOf(coverageOf(session, timeline, drills), demand, target), after: fitOf(coverageOf(fitted, after, drills), demand, target) },
  };
}

function choicesOf(session: Session, timeline: Timeline, drills: (id: string) => Drill | undefined, locked: ReadonlySet<string>, fine: boolean): Choice[] {
  const times = new Map<string, { all: number; left: number; right: number }>();
  for (const segment of timeline.segments) {
    if (segment.kind !== "work") continue;
    const key = placeKey(segment.block, segment.item);
    const sum = times.get(key) ?? { all: 0, left: 0, right: 0 };
    // Taking turns lasts twice the dose and gives each side the dose once.
    sum.all += segment.side === "alternating" ? 2 : 1;
    if (segment.side !== "right") sum.left += 1;
    if (segment.side !== "left") sum.right += 1;
    times.set(key, sum);
  }
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i): Choice[] => {
      const drill = drills(item.drill);
      const count = times.get(placeKey(b, i));
      if (!drill || !count || locked.has(placeKey(b, i))) return [];
      const level = drill.levels[item.level];
      const doses = dosesOf(item.dose, level, fine);
      const seconds = (dose: Dose) => secondsOf(dose, session.pace);
      const now = doses.findIndex((dose) => amountOf(dose).value === amountOf(item.dose).value);
      const usual = seconds(item.dose);
      const gives = [...level.main.map((row) => ({ row, share: 1 })), ...level.also.filter((row) => !level.main.includes(row)).map((row) => ({ row, share: 0.5 }))];
      return [{
        place: { block: b, item: i }, item, now, options: doses.map((dose) => ({ dose, adds: (seconds(dose) - usual) * count.all })),
        gives: gives.map(({ row, share }) => (ROW_FACTS[row].sided ? { row, left: (share * count.left) / count.all, right: (share * count.right) / count.all } : { row, left: share, right: share })),
      }];
    }),
  );
}

const secondsOf = (dose: Dose, pace: Session["pace"]): Seconds => {
  const unit = toSeconds(unitMicros(dose, pace));
  return dose.kind === "time" || dose.kind === "ladder" ? unit : unit * amountOf(dose).value;
};

/** The doses an item may take, by its drill's step from what it is, or by single seconds where it is timed; the one there is always among them. */
function dosesOf(dose: Dose, { bounds, dose: usual }: Drill["levels"]["standard"], fine: boolean): Dose[] {
  if (dose.kind === "ladder") return dose.rungs.map((_, rung) => ({ ...dose, rung })).filter((d) => inside(amountOf(d).value, bounds) || d.rung === dose.rung);
  // Bounds are in the unit of the drill's own dose; another kind of dose is left as it is.
  const own = usual.kind === "ladder" ? "time" : usual.kind;
  if (dose.kind !== own) return [dose];
  const now = amountOf(dose).value;
  const step = dose.kind === "time" ? (fine ? 1 : bounds.step) : Math.max(1, Math.round(bounds.step));
  const amounts = new Set<number>([now]);
  for (let n = now; n >= bounds.least - 1e-9; n -= step) if (n <= bounds.most) amounts.add(round(n));
  for (let n = now; n <= bounds.most + 1e-9; n += step) if (n >= bounds.least) amounts.add(round(n));
  return [...amounts].sort((a, b) => a - b).map((value) => (value === now ? dose : withAmount(dose, value)));
}

const inside = (value: number, { least, most }: { least: number; most: number }) => value >= least && value <= most;
const round = (n: number): number => Math.round(n * 1e6) / 1e6;

/** What a second of change counts against fit: little enough never to be worth a point of fit, enough to decide among equals. */
const CHANGE = 1e-5;

type Base = { session: Session; timeline: Timeline; choices: Choice[]; demand: Demand | undefined; target: Seconds };

function programOf({ session, timeline, choices, demand, target }: Base, drills: (id: string) => Drill | undefined, under: Seconds): Program {
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const adds: Term[] = [];
  const seconds: Term[][] = choices.map(() => []);
  choices.forEach(({ options, now }, c) => {
    const evenly = evenSteps(options.map((o) => o.adds));
    if (evenly !== undefined) {
      // One whole number: the option. Cheaper to solve than a yes or no for each.
      const column = `n${c}`;
      columns.push({ name: column, least: 0, most: options.length - 1, whole: true });
      seconds[c]!.push({ column, times: evenly });
    } else {
      options.forEach((option, k) => {
        columns.push({ name: `x${c}_${k}`, least: 0, most: 1, whole: true });
        seconds[c]!.push({ column: `x${c}_${k}`, times: option.adds - options[0]!.adds });
      });
      rows.push({ name: `one${c}`, terms: options.map((_, k) => ({ column: `x${c}_${k}`, times: 1 })), least: 1, most: 1 });
    }
    adds.push(...seconds[c]!);
    const moved = options[now]!.adds - options[0]!.adds;
    columns.push({ name: `d${c}`, least: 0, most: 1e6, whole: false });
    rows.push({ name: `up${c}`, terms: [...seconds[c]!, { column: `d${c}`, times: -1 }], most: moved });
    rows.push({ name: `dn${c}`, terms: [...seconds[c]!, { column: `d${c}`, times: 1 }], least: moved });
    objective.push({ column: `d${c}`, times: -CHANGE });
  });
  const from = timeline.totalSeconds + choices.reduce((sum, { options }) => sum + options[0]!.adds, 0);
  rows.push({ name: "length", terms: adds, least: target - under - from, most: target - from });
  if (demand) addFit({ session, timeline, choices, demand, target }, drills, seconds, { columns, rows, objective });
  return { objective, rows, columns };
}

/** For each row with a weight a share z ≤ 1, ≤ C(left)/T and ≤ C(right)/T; Σ w·z / Σ w is the fit. */
function addFit({ session, timeline, choices, demand, target }: Base & { demand: Demand }, drills: (id: string) => Drill | undefined, seconds: readonly Term[][], { columns, rows, objective }: Program): void {
  const targets = targetsOf(demand, target);
  const coverage = coverageOf(session, timeline, drills);
  const all = ROWS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  for (const row of ROWS) {
    const weight = weightOf(demand, row);
    if (weight === 0) continue;
    const z = `z_${row.replace(".", "_")}`;
    columns.push({ name: z, least: 0, most: 1, whole: false });
    objective.push({ column: z, times: weight / all });
    for (const side of ["left", "right"] as const) {
      let least = coverage[row][side];
      const terms: Term[] = [];
      choices.forEach(({ gives, options }, c) => {
        const share = gives.find((g) => g.row === row)?.[side];
        if (share === undefined) return;
        least += share * options[0]!.adds;
        terms.push(...seconds[c]!.map(({ column, times }) => ({ column, times: times * share })));
      });
      rows.push({ name: `${z}_${side}`, terms: [...terms, { column: z, times: -targets[row] }], least: -least });
      if (!ROW_FACTS[row].sided) break;
    }
  }
}

/** The step between values that lie evenly, else undefined. One value lies evenly by nothing. */
function evenSteps(values: readonly number[]): number | undefined {
  if (values.length === 1) return 0;
  const step = values[1]! - values[0]!;
  return values.every((v, i) => i === 0 || Math.abs(v - values[i - 1]! - step) < 1e-9) ? step : undefined;
}

function pickOf({ options }: Choice, c: number, values: ReadonlyMap<string, number>): number {
  const whole = values.get(`n${c}`);
  if (whole !== undefined) return Math.round(whole);
  const marks = options.map((_, k) => values.get(`x${c}_${k}`) ?? 0);
  return marks.indexOf(Math.max(...marks));
}
