import { servedSeconds } from "~/core/arc/arcs";
import { canComeTo } from "./reach";
import { leversOf, type Allowed, type Lever } from "./levers";
import type { Program, Solution, Solve, Term } from "./program";
import { roundsBetween, withRounds } from "./rounds";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf, targetsOf, weightOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { editSession, type Place } from "~/core/session/edits";
import { sameJson } from "~/core/same-json";
import type { Dose } from "~/core/dose/kinds";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Timeline } from "~/core/timeline/types";
import type { Seconds, Share } from "~/core/units";

/** How far under its target a session may end where its beats do not come out even. */
export const UNDER_AT_MOST: Seconds = 5;

export type FitRequest = {
  session: SessionPlan;
  target: Seconds;
  demand?: SportProfile | undefined;
  /** Places that stay as they are, as `placeKey` writes them. */
  locked: ReadonlySet<string>;
};

/** What the dose of one drill was and becomes. */
export type DoseChange = { place: Place; drill: string; before: Dose; after: Dose };

export type FitAnswer =
  | {
      kind: "fitted";
      session: SessionPlan;
      changes: DoseChange[];
      seconds: Seconds;
      fit: { before: Share; after: Share } | undefined;
    }
  /** Nothing that may be set another way comes to the target: the nearest lengths there are. */
  | { kind: "impossible"; least: Seconds; most: Seconds }
  | { kind: "failed"; why: string };

type Drills = (id: string) => Drill | undefined;

/** One thing to try: what may change which way, beside how many rounds. */
type Stage = Allowed & { rounds: "same" | "fewer" | "more" };

/**
 * To shorten: rests and time to watch, then rounds, and only then doses. No drill is made longer so that another is shorter,
 * unless nothing else comes out.
 */
const SHORTER: readonly Stage[] = [
  { doses: "no", breaks: "down", rounds: "same", doseSteps: "usual", breakSteps: "usual" },
  { doses: "no", breaks: "down", rounds: "same", doseSteps: "usual", breakSteps: "fine" },
  { doses: "no", breaks: "down", rounds: "fewer", doseSteps: "usual", breakSteps: "usual" },
  { doses: "no", breaks: "down", rounds: "fewer", doseSteps: "usual", breakSteps: "fine" },
  { doses: "down", breaks: "down", rounds: "fewer", doseSteps: "usual", breakSteps: "fine" },
  { doses: "down", breaks: "down", rounds: "fewer", doseSteps: "fine", breakSteps: "fine" },
];

/** To lengthen: work first, by sensible steps, then rests and time to watch, then rounds. */
const LONGER: readonly Stage[] = [
  { doses: "up", breaks: "no", rounds: "same", doseSteps: "usual", breakSteps: "usual" },
  { doses: "up", breaks: "up", rounds: "same", doseSteps: "usual", breakSteps: "fine" },
  { doses: "up", breaks: "no", rounds: "same", doseSteps: "fine", breakSteps: "usual" },
  { doses: "up", breaks: "up", rounds: "same", doseSteps: "fine", breakSteps: "fine" },
  { doses: "up", breaks: "up", rounds: "more", doseSteps: "usual", breakSteps: "fine" },
  { doses: "up", breaks: "up", rounds: "more", doseSteps: "fine", breakSteps: "fine" },
];

/** What is left where that does not come out: everything any way. */
const ANY: readonly Stage[] = [
  { doses: "any", breaks: "any", rounds: "same", doseSteps: "usual", breakSteps: "fine" },
  { doses: "any", breaks: "any", rounds: "same", doseSteps: "fine", breakSteps: "fine" },
];

/** Nodes of the search in one stage: a few seconds at most. Sessions of a coach take some hundred; what is found by then is taken. */
const MOST_NODES = 2000;

/**
 * Sets a session another way so that it lasts the target: to the second where it can be, else under it by at most 5 s. Doses
 * stay inside their drill's bounds; what is locked stays as it is; what was equal stays equal. In each stage the loss of fit to
 * the demand is the least there is, and among equals the change. Solved as a mixed-integer program by the solver handed in,
 * exactly but for sessions so large that the search is cut short.
 */
export function fitToTime(request: FitRequest, drills: Drills, solve: Solve): FitAnswer {
  const { session, target, locked } = request;
  const now = compile(session, drills).totalSeconds;
  if (Math.abs(now - target) < 1e-6) return fittedTo(request, session, drills);
  const stages = [...(now > target ? SHORTER : LONGER), ...ANY];
  const tries = stages.flatMap((stage) =>
    roundsBetween(session, stage.rounds, locked).map((rounds) => ({ stage, rounds })),
  );
  let undecided: FitAnswer | undefined;
  for (const under of [0, UNDER_AT_MOST])
    for (const { stage, rounds } of tries) {
      const solution = attempt({ ...request, session: withRounds(session, rounds) }, stage, under, drills, solve);
      if (solution.kind === "set") return fittedTo(request, solution.session, drills);
      // A stage that takes too long to search is gone past; what fits is found in one of the others, or it is said.
      if (solution.kind === "failed") undecided ??= solution;
    }
  return undecided ?? { kind: "impossible", ...endsOf(session, locked, drills) };
}

/** The shortest and the longest a session can be set to last. */
export function endsOf(
  session: SessionPlan,
  locked: ReadonlySet<string>,
  drills: Drills,
): { least: Seconds; most: Seconds } {
  const at = (rounds: readonly number[], end: (adds: Seconds[]) => Seconds) => {
    const so = withRounds(session, rounds);
    const timeline = compile(so, drills);
    return lengthAt(
      timeline,
      leversOf(
        { session: so, timeline, drills, locked },
        { doses: "any", breaks: "any", doseSteps: "fine", breakSteps: "fine" },
      ),
      end,
    );
  };
  const fewest = roundsBetween(session, "fewer", locked)[0]!;
  const most = roundsBetween(session, "more", locked).at(-1)!;
  return { least: at(fewest, (adds) => Math.min(...adds)), most: at(most, (adds) => Math.max(...adds)) };
}

const lengthAt = (timeline: Timeline, levers: readonly Lever[], end: (adds: Seconds[]) => Seconds): Seconds =>
  timeline.totalSeconds + levers.reduce((sum, lever) => sum + end(lever.options.map((o) => o.adds)), 0);

/** One stage at one number of rounds: the session so set, or that nothing of it comes to the target. */
function attempt(
  { session, target, demand, locked }: FitRequest,
  stage: Stage,
  under: Seconds,
  drills: Drills,
  solve: Solve,
): { kind: "set"; session: SessionPlan } | Exclude<Solution, { kind: "optimal" }> {
  const timeline = compile(session, drills);
  const levers = leversOf({ session, timeline, drills, locked }, stage).filter((lever) => lever.options.length > 1);
  const [least, most] = [
    lengthAt(timeline, levers, (adds) => Math.min(...adds)),
    lengthAt(timeline, levers, (adds) => Math.max(...adds)),
  ];
  if (least > target + 1e-6 || most < target - under - 1e-6) return { kind: "infeasible" };
  if (levers.length === 0) return { kind: "set", session };
  const asked = target - timeline.totalSeconds;
  const adds = levers.map((lever) => lever.options.map((option) => option.adds));
  if (!canComeTo(adds, asked - under, asked)) return { kind: "infeasible" };
  const program = programOf({ session, timeline, levers, demand, target }, stage, drills, under);
  const solution = solve(program, { nodes: MOST_NODES });
  if (solution.kind !== "optimal") return solution;
  return {
    kind: "set",
    session: levers.reduce(
      (s, lever, c) =>
        pickOf(lever, c, solution.values) === lever.now ? s : lever.options[pickOf(lever, c, solution.values)]!.set(s),
      session,
    ),
  };
}

function fittedTo({ session, target, demand }: FitRequest, set: SessionPlan, drills: Drills): FitAnswer {
  const fitted = editSession(set, { target });
  const after = compile(fitted, drills);
  const changes = session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i): DoseChange[] => {
      const dose = fitted.blocks[b]!.items[i]!.dose;
      return sameJson(item.dose, dose)
        ? []
        : [{ place: { block: b, item: i }, drill: item.drill, before: item.dose, after: dose }];
    }),
  );
  return {
    kind: "fitted",
    session: fitted,
    changes,
    seconds: after.totalSeconds,
    fit: demand && {
      before: fitOf(
        coverageOf(session, compile(session, drills), drills),
        demand,
        servedSeconds(session.purpose, target),
      ),
      after: fitOf(coverageOf(fitted, after, drills), demand, servedSeconds(session.purpose, target)),
    },
  };
}

/** What a second of change counts against fit: little enough never to be worth a point of fit, enough to decide among equals. */
const CHANGE = 1e-5;
/** A second less of rest or showing counts less than one of work, and one more of it far more: work is what a session is for. */
const SHORTER_BREAK = 1e-6;
const LONGER_BREAK = 1e-4;

type Base = {
  session: SessionPlan;
  timeline: Timeline;
  levers: Lever[];
  demand: SportProfile | undefined;
  target: Seconds;
};

function programOf(
  { session, timeline, levers, demand, target }: Base,
  { breaks }: Stage,
  drills: Drills,
  under: Seconds,
): Program {
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const adds: Term[] = [];
  const seconds: Term[][] = levers.map(() => []);
  levers.forEach(({ kind, options, now }, c) => {
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
      rows.push({
        name: `one${c}`,
        terms: options.map((_, k) => ({ column: `x${c}_${k}`, times: 1 })),
        least: 1,
        most: 1,
      });
    }
    adds.push(...seconds[c]!);
    const moved = options[now]!.adds - options[0]!.adds;
    columns.push({ name: `d${c}`, least: 0, most: 1e6, whole: false });
    rows.push({ name: `up${c}`, terms: [...seconds[c]!, { column: `d${c}`, times: -1 }], most: moved });
    rows.push({ name: `dn${c}`, terms: [...seconds[c]!, { column: `d${c}`, times: 1 }], least: moved });
    objective.push({
      column: `d${c}`,
      times: -(kind === "dose" ? CHANGE : breaks === "down" ? SHORTER_BREAK : LONGER_BREAK),
    });
  });
  const from = timeline.totalSeconds + levers.reduce((sum, { options }) => sum + options[0]!.adds, 0);
  rows.push({ name: "length", terms: adds, least: target - under - from, most: target - from });
  if (demand) addFit({ session, timeline, levers, demand, target }, drills, seconds, { columns, rows, objective });
  return { objective, rows, columns };
}

/** For each row with a weight a share z ≤ 1, ≤ C(left)/T and ≤ C(right)/T; Σ w·z / Σ w is the fit. */
function addFit(
  { session, timeline, levers, demand, target }: Base & { demand: SportProfile },
  drills: Drills,
  seconds: readonly Term[][],
  { columns, rows, objective }: Program,
): void {
  const targets = targetsOf(demand, servedSeconds(session.purpose, target));
  const coverage = coverageOf(session, timeline, drills);
  const all = MOTIONS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  for (const row of MOTIONS) {
    const weight = weightOf(demand, row);
    if (weight === 0) continue;
    const z = `z_${row.replace(".", "_")}`;
    columns.push({ name: z, least: 0, most: 1, whole: false });
    objective.push({ column: z, times: weight / all });
    for (const side of ["left", "right"] as const) {
      let least = coverage[row][side];
      const terms: Term[] = [];
      levers.forEach(({ gives, options }, c) => {
        const share = gives.find((g) => g.row === row)?.[side];
        if (share === undefined) return;
        least += share * options[0]!.adds;
        terms.push(...seconds[c]!.map(({ column, times }) => ({ column, times: times * share })));
      });
      rows.push({ name: `${z}_${side}`, terms: [...terms, { column: z, times: -targets[row] }], least: -least });
      if (!MOTION_FACTS[row].sided) break;
    }
  }
}

/** The step between values that lie evenly, else undefined. One value lies evenly by nothing. */
function evenSteps(values: readonly number[]): number | undefined {
  if (values.length === 1) return 0;
  const step = values[1]! - values[0]!;
  return values.every((v, i) => i === 0 || Math.abs(v - values[i - 1]! - step) < 1e-9) ? step : undefined;
}

function pickOf({ options }: Lever, c: number, values: ReadonlyMap<string, number>): number {
  const whole = values.get(`n${c}`);
  if (whole !== undefined) return Math.round(whole);
  const marks = options.map((_, k) => values.get(`x${c}_${k}`) ?? 0);
  return marks.indexOf(Math.max(...marks));
}
