import { askedOf } from "~/core/arc/lift";
import { phaseSeconds, servedSeconds } from "~/core/arc/arcs";
import type { Arc, Phase } from "~/core/arc/schema";
import { amongOf, phasesOf, suitedDoses } from "~/core/audit/course";
import { leastToShow } from "~/core/audit/rules/instructions";
import { formIn } from "~/core/drills/form";
import { inLines } from "~/core/group/lines";
import type { Group } from "~/core/group/schema";
import { canComeTo } from "./reach";
import { leversOf, type Allowed, type Lever } from "~/core/levers/levers";
import type { Program, Solution, Solve, Term } from "./program";
import { roundsBetween, withRounds } from "~/core/levers/rounds";
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
  /**
   * How a session for its purpose goes: its phases keep their windows, and doses are said aloud where that comes to within 5 s.
   * Without it only the second counts.
   */
  arc?: Arc | undefined;
  /** Who it is for, which decides how long a drill is shown. */
  group?: Group | undefined;
};

/** How much worse a session is than the one that is fitted: 0 where nothing serious is found in it that was not before. */
export type Judge = (session: SessionPlan) => number;

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
const BEFORE_DOSES: readonly Stage[] = [
  { doses: "no", breaks: "down", rounds: "same", doseSteps: "usual", breakSteps: "usual" },
  { doses: "no", breaks: "down", rounds: "same", doseSteps: "usual", breakSteps: "fine" },
  { doses: "no", breaks: "down", rounds: "fewer", doseSteps: "usual", breakSteps: "usual" },
  { doses: "no", breaks: "down", rounds: "fewer", doseSteps: "usual", breakSteps: "fine" },
];
const SHORTER_ALOUD: readonly Stage[] = [
  { doses: "no", breaks: "down", rounds: "same", doseSteps: "spoken", breakSteps: "spoken" },
  { doses: "no", breaks: "down", rounds: "fewer", doseSteps: "spoken", breakSteps: "spoken" },
  { doses: "down", breaks: "down", rounds: "fewer", doseSteps: "spoken", breakSteps: "spoken" },
];
const SHORTER: readonly Stage[] = [
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

const LONGER_ALOUD: readonly Stage[] = [
  { doses: "up", breaks: "no", rounds: "same", doseSteps: "spoken", breakSteps: "spoken" },
  { doses: "up", breaks: "up", rounds: "same", doseSteps: "spoken", breakSteps: "spoken" },
  { doses: "up", breaks: "up", rounds: "more", doseSteps: "spoken", breakSteps: "spoken" },
];

/** What is left where that does not come out: everything any way. */
const ANY: readonly Stage[] = [
  { doses: "any", breaks: "any", rounds: "same", doseSteps: "usual", breakSteps: "fine" },
  { doses: "any", breaks: "any", rounds: "same", doseSteps: "fine", breakSteps: "fine" },
];

/** What is tried, one after the other, and how far under the target it may end. */
function stagesFor(shorter: boolean, aloud: boolean): { stage: Stage; under: Seconds }[] {
  const both = (...stages: readonly Stage[]) =>
    [0, UNDER_AT_MOST].flatMap((under) => stages.map((stage) => ({ stage, under })));
  if (!aloud) return shorter ? both(...BEFORE_DOSES, ...SHORTER, ...ANY) : both(...LONGER, ...ANY);
  return shorter
    ? [...both(...SHORTER_ALOUD), ...both(...BEFORE_DOSES, ...SHORTER, ...ANY)]
    : [...both(...LONGER_ALOUD), ...both(...LONGER, ...ANY)];
}

/** So many ways that come to the target are looked over for what is found in them, where the first makes something worse. */
const MOST_JUDGED = 10;

/** Nodes of the search in one stage: a few seconds at most. Sessions of a coach take some hundred; what is found by then is taken. */
const MOST_NODES = 2000;

/**
 * Sets a session another way so that it lasts the target: to the second where it can be, else under it by at most 5 s. Doses
 * stay inside their drill's bounds; what is locked stays as it is; what was equal stays equal. In each stage the loss of fit to
 * the demand is the least there is, and among equals the change. Solved as a mixed-integer program by the solver handed in,
 * exactly but for sessions so large that the search is cut short. With an arc its phases are kept in their windows, or no further
 * outside than has to be; with a judge the first way is taken that makes nothing worse, else of some the least bad one.
 */
export function fitToTime(asked: FitRequest, drills: Drills, solve: Solve, judge?: Judge): FitAnswer {
  const request = { ...asked, demand: askedOf(asked.session, asked.demand, drills, asked.arc) };
  const { session, target, locked, arc } = request;
  const now = compile(session, drills).totalSeconds;
  if (Math.abs(now - target) < 1e-6) return fittedTo(request, session, drills);
  let undecided: FitAnswer | undefined;
  let best: { session: SessionPlan; worse: number } | undefined;
  let judged = 0;
  for (const { stage, under } of stagesFor(now > target, arc !== undefined))
    for (const rounds of roundsBetween(session, stage.rounds, locked)) {
      if (judged >= MOST_JUDGED) break;
      const solution = attempt({ ...request, session: withRounds(session, rounds) }, stage, under, drills, solve);
      // A stage that takes too long to search is gone past; what fits is found in one of the others, or it is said.
      if (solution.kind === "failed") undecided ??= solution;
      if (solution.kind !== "set") continue;
      const worse = judge?.(editSession(solution.session, { target })) ?? 0;
      if (worse === 0) return fittedTo(request, solution.session, drills);
      judged++;
      if (!best || worse < best.worse) best = { session: solution.session, worse };
    }
  if (best) return fittedTo(request, best.session, drills);
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
  { session, target, demand, locked, arc, group }: FitRequest,
  stage: Stage,
  under: Seconds,
  drills: Drills,
  solve: Solve,
): { kind: "set"; session: SessionPlan } | Exclude<Solution, { kind: "optimal" }> {
  const timeline = compile(session, drills);
  const among = amongOf({ group, demand, session });
  const suits = arc && suitedDoses(session, arc, drills, among);
  const shownFor = ({ block, item: i }: Place): Seconds => {
    const item = session.blocks[block]!.items[i]!;
    const drill = formIn(item, drills);
    return drill ? leastToShow(drill, item.level, { group }) : Infinity;
  };
  const levers = leversOf(
    {
      session,
      timeline,
      drills,
      locked,
      worked: inLines(group),
      ...(arc && { among, suits, shownFor }),
    },
    stage,
  ).filter((lever) => lever.options.length > 1);
  const [least, most] = [
    lengthAt(timeline, levers, (adds) => Math.min(...adds)),
    lengthAt(timeline, levers, (adds) => Math.max(...adds)),
  ];
  if (least > target + 1e-6 || most < target - under - 1e-6) return { kind: "infeasible" };
  if (levers.length === 0) return { kind: "set", session };
  const asked = target - timeline.totalSeconds;
  const adds = levers.map((lever) => lever.options.map((option) => option.adds));
  if (!canComeTo(adds, asked - under, asked)) return { kind: "infeasible" };
  const program = programOf({ session, timeline, levers, demand, target, arc, group }, stage, drills, under);
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

function fittedTo({ session, target, demand, arc, group }: FitRequest, set: SessionPlan, drills: Drills): FitAnswer {
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
        coverageOf(session, compile(session, drills), drills, inLines(group)),
        demand,
        servedSeconds(arc ?? session.purpose, target),
      ),
      after: fitOf(
        coverageOf(fitted, after, drills, inLines(group)),
        demand,
        servedSeconds(arc ?? session.purpose, target),
      ),
    },
  };
}

/** What a second of change counts against fit: little enough never to be worth a point of fit, enough to decide among equals. */
const CHANGE = 1e-5;
/** A second less of rest or showing counts less than one of work, and one more of it far more: work is what a session is for. */
const SHORTER_BREAK = 1e-6;
const LONGER_BREAK = 1e-4;
/** A second nearer to the target counts more than one of change. */
const NEARER = 2e-5;
/** A second that a phase is outside its window counts more than any it could give to fit. */
const OUTSIDE = 0.05;

type Base = {
  session: SessionPlan;
  timeline: Timeline;
  levers: Lever[];
  demand: SportProfile | undefined;
  target: Seconds;
  arc: Arc | undefined;
  group: Group | undefined;
};

function programOf(
  { session, timeline, levers, demand, target, arc, group }: Base,
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
  if (under > 0) objective.push(...adds.map(({ column, times }) => ({ column, times: times * NEARER })));
  if (arc) addWindows({ session, timeline, levers, target, arc }, seconds, { columns, rows, objective });
  if (demand)
    addFit({ session, timeline, levers, demand, target, arc, group }, drills, seconds, { columns, rows, objective });
  return { objective, rows, columns };
}

/** Each phase is as long as it may be in a session of this length, or no further outside than has to be. */
function addWindows(
  { session, timeline, levers, target, arc }: Omit<Base, "demand" | "group"> & { arc: Arc },
  seconds: readonly Term[][],
  { columns, rows, objective }: Program,
): void {
  const phases = phasesOf(session, arc);
  for (const phase of new Set(phases.filter((one): one is Phase => one !== undefined))) {
    const inIt = (block: number) => phases[block] === phase;
    let from = timeline.segments.reduce((sum, { block, seconds: s }) => sum + (inIt(block) ? s : 0), 0);
    const terms: Term[] = [];
    levers.forEach(({ inBlocks, options }, c) => {
      const share = [...inBlocks].reduce((sum, [block, part]) => sum + (inIt(block) ? part : 0), 0);
      if (share === 0) return;
      from += share * options[0]!.adds;
      terms.push(...seconds[c]!.map(({ column, times }) => ({ column, times: times * share })));
    });
    if (terms.length === 0) continue;
    const { least, most } = phaseSeconds(phase, target);
    for (const [end, times] of [
      ["short", 1],
      ["long", -1],
    ] as const) {
      const column = `${end}_${phase.id}`;
      columns.push({ name: column, least: 0, most: 1e6, whole: false });
      objective.push({ column, times: -OUTSIDE });
      rows.push({
        name: column,
        terms: [...terms, { column, times }],
        ...(end === "short" ? { least: least - from } : { most: most - from }),
      });
    }
  }
}

/** For each row with a weight a share z ≤ 1, ≤ C(left)/T and ≤ C(right)/T; Σ w·z / Σ w is the fit. */
function addFit(
  { session, timeline, levers, demand, target, arc, group }: Base & { demand: SportProfile },
  drills: Drills,
  seconds: readonly Term[][],
  { columns, rows, objective }: Program,
): void {
  const targets = targetsOf(demand, servedSeconds(arc ?? session.purpose, target));
  const coverage = coverageOf(session, timeline, drills, inLines(group));
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
