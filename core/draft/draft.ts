import { servedSeconds } from "~/core/arc/arcs";
import { ordered, sessionOf, unrest, type Chosen } from "./assemble";
import { differences } from "./compare";
import { stated, type Stated } from "./explain";
import { greedy } from "./greedy";
import { candidatesOf, CLOSING, type Candidate, type Limit } from "./candidates";
import { besides, fitColumn, MOVING, programOf, type ModelOptions } from "./model";
import { undominated } from "./prune";
import { apartFrom, lastApart, type Apart, type DraftRequest } from "./request";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf, weightOf } from "~/core/sport-profiles/fit";
import { MOTIONS } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import type { Solution, Solve } from "~/core/fit/program";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Seconds, Share } from "~/core/units";

/** A draft ends at most this long before its target. */
export const SHORT_AT_MOST: Seconds = 15;

/** From here on a session holds so many drills that choosing is easy, and there is time to look again. */
const LONG: Seconds = 700;
/** The search in a small choice is content this near to the best in it, and gives up after so many nodes: the same on every machine. */
const near = (request: DraftRequest, later: boolean) => ({
  gap: later ? 0.03 : request.target < LONG ? 0.015 : 0.004,
  nodes: later ? 5 : 20,
});
/** The search that only sharpens a bound is content earlier. */
const SHARPER = { gap: 0.04, nodes: 10 };
/** A small choice is enough when what comes of it is this near to the bound. */
const CONTENT: Share = 0.05;
/** Further than this from the bound it is made again among more. */
const WIDE: Share = 0.055;
const SMALL_WIDE = 90;
/** How many candidates a small choice has, besides those to end with. */
const SMALL = 40;
/** Later drafts only need good ones, and are chosen among fewer. */
const SMALL_LATER: Share = 0.6;
/** And in a short session, which holds few. */
const SMALL_SHORT = 36;
const VERY_SHORT: Seconds = 500;
/** The solver keeps rows and proves values to about this. */
const SOLVER_TOLERANCE = 1e-6;
/** Later drafts reach at least this much of the first one's fit. */
const WORTH_RUNNING: Share = 0.85;

export type Draft = Stated & {
  /** What no session for this request can be better than, as the solver proved, and how far this one is from it. */
  bound: Share;
  gap: Share;
  /** What tells it apart from the others, in a line. */
  differs: string;
};

export type DraftAnswer =
  | { kind: "drafts"; drafts: Draft[]; kept: { limit: Limit; drills: number }[] }
  | { kind: "impossible"; why: string; relax: Relaxed[] }
  | { kind: "failed"; why: string };

/** A limit that stands in the way and could be let go of, as what a session is for could not, and the fit there would be without it. */
export type Relaxed = { limit: Exclude<Limit, "purpose"> | "must" | "differ" | "target"; fit: Share };

/** Says how far the work is, 0 to 1, and in words. */
export type Progress = (share: Share, words: string) => void;

/**
 * Up to three sessions for a request, the best first. Hard limits are never broken; each lasts at most its target and at
 * most 15 s less. The same request gives the same drafts.
 */
export function draft(
  request: DraftRequest,
  offered: readonly Drill[],
  solve: Solve,
  progress: Progress = () => undefined,
): DraftAnswer {
  progress(0, "looking at the drills");
  const { candidates, kept } = candidatesOf(request, offered);
  const counts = [...kept].map(([limit, ids]) => ({ limit, drills: ids.length }));
  const byId = new Map(offered.map((drill) => [drill.id, drill]));
  const drills = (id: string) => byId.get(id);
  const drafts: Omit<Draft, "differs">[] = [];
  const apart: Apart[] = [];
  let bound = 1;
  let plain = false;
  const chapters = request.target < LONG;
  for (let k = 0; k < request.drafts; k++) {
    progress((k + 0.2) / request.drafts, k === 0 ? "choosing drills" : "choosing others");
    let made = makeOne(request, candidates, drills, solve, { apart, plain, chapters });
    // Rather a session that is less of one than none.
    if (made.kind === "infeasible" && k === 0) {
      plain = true;
      made = makeOne(request, candidates, drills, solve, { apart, plain, chapters });
    }
    if (made.kind === "failed" && k === 0) return made;
    if (made.kind !== "made") break;
    if (k === 0) {
      bound = Math.min(1, provenBound(request, candidates, made, solve, plain) + SOLVER_TOLERANCE);
      if (made.fit < (1 - WIDE) * bound) {
        const wider = makeOne(request, candidates, drills, solve, { apart, plain, chapters, wide: true });
        if (wider.kind === "made" && wider.fit > made.fit) made = wider;
      }
    } else if (made.fit < WORTH_RUNNING * drafts[0]!.fit) break;
    drafts.push({
      ...stated(made.session, request, offered, candidates, kept),
      bound,
      gap: bound > 0 ? Math.max(0, (bound - made.fit) / bound) : 0,
    });
    apart.push(
      apartFrom(
        made.session.blocks.flatMap((block) => block.items.map((item) => item.drill)),
        request.must,
      ),
    );
  }
  if (drafts.length > 0) {
    progress(1, "done");
    drafts.sort((a, b) => b.fit - a.fit);
    const differs = differences(drafts, drills);
    return { kind: "drafts", drafts: drafts.map((one, k) => ({ ...one, differs: differs[k]! })), kept: counts };
  }
  return {
    kind: "impossible",
    why: "No session meets the whole request.",
    relax: relaxed(request, offered, drills, solve, kept, progress),
  };
}

type Made =
  | { kind: "made"; session: SessionPlan; fit: Share; chosen: ReadonlySet<Candidate> }
  | { kind: "infeasible" }
  | { kind: "failed"; why: string };
type Drills = (id: string) => Drill | undefined;
/** `wide` looks once more among more. */
type Options = ModelOptions & { wide?: boolean };

/** The candidates that no other replaces at no loss. One that may not come again replaces only what may not either. */
function openTo(request: DraftRequest, all: readonly Candidate[], apart: readonly Apart[]): Candidate[] {
  const sets = [...lastApart(request), ...apart];
  const stands = (better: Candidate, here: Candidate) =>
    sets.every(({ drills }) => !drills.has(better.drill.id) || drills.has(here.drill.id));
  return undominated(all, (c) => request.must.includes(c.drill.id), stands).map((i) => all[i]!);
}

/** A session for the request, chosen among the candidates that promise most. */
function makeOne(
  request: DraftRequest,
  all: readonly Candidate[],
  drills: Drills,
  solve: Solve,
  options: Options & { apart: readonly Apart[] },
): Made {
  if (request.must.some((id) => !all.some((c) => c.drill.id === id))) return { kind: "infeasible" };
  const later = options.apart.length > 0;
  const candidates = openTo(request, all, options.apart);
  const loose = solve(programOf(request, candidates, { ...options, chapters: false }), { relaxed: true });
  if (loose.kind !== "optimal") return loose;
  const few = request.target < VERY_SHORT ? SMALL_SHORT : SMALL;
  if (later) {
    const small = promising(candidates, loose, request, few * SMALL_LATER, []);
    return tryWith(request, small, drills, solve, options, greedy(request, small, options.apart)?.chosen);
  }
  // What taking the best for its time again and again comes to is the least there should be.
  const simple = greedy(request, candidates);
  const best = tryWith(
    request,
    promising(candidates, loose, request, options.wide ? SMALL_WIDE : few, simple?.chosen ?? []),
    drills,
    solve,
    options,
    simple?.chosen,
  );
  if (!simple || (best.kind === "made" && simple.fit <= best.fit + 1e-9)) return best;
  const settled = settle(request, candidates, simple.chosen, drills, solve);
  return settled.kind === "settled" && (best.kind !== "made" || settled.fit > best.fit)
    ? { ...settled, kind: "made" }
    : best;
}

/**
 * What no session for the request can be better than, near to what was found if that can be shown. Calm is a wish, so it
 * holds for sessions without it, too. Drills that would cost so much, by the program without wholeness, that no session with
 * them comes above the least bound wanted, are left out of the whole program; what that proves holds for all.
 */
function provenBound(
  request: DraftRequest,
  all: readonly Candidate[],
  { fit: found, chosen }: { fit: Share; chosen: ReadonlySet<Candidate> },
  solve: Solve,
  plain: boolean,
): Share {
  const candidates = openTo(request, all, []);
  const options: ModelOptions = { plain, proof: true };
  const loose = solve(programOf(request, candidates, options), { relaxed: true });
  if (loose.kind !== "optimal") return 1;
  const wanted = found / (1 - CONTENT);
  if (loose.bound <= wanted) return loose.bound;
  const left = candidates.filter(
    (c, i) => loose.bound + costOf(loose, i) > wanted || request.must.includes(c.drill.id),
  );
  const tight = solve(programOf(request, left, options), { ...SHARPER, proof: true, start: startOf(left, chosen) });
  if (tight.kind === "infeasible") return wanted;
  return tight.kind === "optimal" ? Math.min(loose.bound, Math.max(wanted, tight.bound)) : loose.bound;
}

type Loose = Extract<Solution, { kind: "optimal" }>;

/** At least what the program without wholeness loses when a candidate is in the session: 0 or less. */
function costOf({ costs }: Loose, i: number): Share {
  const cost = (column: string) => Math.min(0, costs!.get(column) ?? 0);
  let dose = -Infinity;
  for (let k = 0; costs!.has(`l${i}_${k}`); k++) dose = Math.max(dose, cost(`l${i}_${k}`));
  return cost(`y${i}`) + (dose === -Infinity ? 0 : dose);
}

/** The candidates that the program without wholeness takes, and those that would cost it least. */
function promising(
  candidates: readonly Candidate[],
  loose: Loose,
  request: DraftRequest,
  few: number,
  also: readonly Chosen[],
): Candidate[] {
  const worth = candidates.map((_, i) => costOf(loose, i));
  const used = (i: number) => (loose.values.get(`y${i}`) ?? 0) > 1e-6 || request.must.includes(candidates[i]!.drill.id);
  const order = candidates
    .map((_, i) => i)
    .sort((a, b) => Number(used(b)) - Number(used(a)) || worth[b]! - worth[a]! || a - b);
  const closers = order.filter((i) => candidates[i]!.step === CLOSING).slice(0, 5);
  const chosen = new Set([
    ...order.filter((i) => candidates[i]!.step !== CLOSING).slice(0, Math.max(few, order.filter(used).length)),
    ...closers,
    ...also.map((c) => c.index),
  ]);
  return candidates.filter((_, i) => chosen.has(i));
}

/** How often the choice is made anew when the order asks for more than the program reckoned. */
const ROUNDS = 6;
/** A change of position more than is meant, or one that does not fit into the rest of a clock, outweighs this much fit. */
const UNREST_COSTS: Share = 0.03;

type Settled =
  | {
      kind: "settled";
      session: SessionPlan;
      fit: Share;
      chosen: ReadonlySet<Candidate>;
      over: { changes: number; ups: number; waits: number };
      worth: number;
      moving: Seconds;
    }
  | { kind: "too-long" | "too-short"; moving: Seconds }
  | { kind: "failed"; why: string };

/** Drills that were chosen, in their best order, with the doses anew now that what lies between them is known to the second. */
function settle(
  request: DraftRequest,
  candidates: readonly Candidate[],
  chosen: readonly Chosen[],
  drills: Drills,
  solve: Solve,
): Settled {
  const { steps, moving, waits } = ordered(chosen, request);
  const short = request.target - SHORT_AT_MOST;
  const dosed = solve(
    programOf(request, candidates, { chosen: { which: chosen.map((c) => c.index), moving }, least: short }),
    {},
  );
  if (dosed.kind === "failed") return dosed;
  if (dosed.kind === "infeasible") {
    const most = chosen.reduce((sum, { candidate: c }) => sum + c.seconds + c.each * (c.doses.length - 1), moving);
    return { kind: most < short ? "too-short" : "too-long", moving };
  }
  const doses = new Map(
    chosenIn(
      dosed,
      candidates,
      chosen.map((c) => c.index),
    ).map((c) => [c.index, c.dose]),
  );
  const session = sessionOf(
    steps.map(({ step, chosen: list }) => ({ step, chosen: list.map((c) => ({ ...c, dose: doses.get(c.index)! })) })),
    request,
  );
  const fit = fitOf(
    coverageOf(session, compile(session, drills), drills),
    request.demand,
    servedSeconds(request.purpose, request.target),
  );
  const over = {
    ...unrest(
      steps.flatMap((one) => one.chosen),
      request.target,
    ),
    waits,
  };
  return {
    kind: "settled",
    session,
    fit,
    chosen: new Set(chosen.map((c) => c.candidate)),
    over,
    worth: fit - UNREST_COSTS * (Math.max(0, over.changes) + Math.max(0, over.ups) + waits),
    moving,
  };
}

/** The best that comes of a choice among these, begun from a rough one where there is one, looked for again where the order takes more than the program reckoned or is not calm. */
function tryWith(
  request: DraftRequest,
  candidates: readonly Candidate[],
  drills: Drills,
  solve: Solve,
  options: Options,
  rough?: readonly Chosen[],
): Made {
  const later = (options.apart?.length ?? 0) > 0;
  const tried: number[][] = [];
  let reserve = 0;
  let least: Seconds | undefined;
  let calmer = { changes: 0, ups: 0 };
  let best: Extract<Settled, { kind: "settled" }> | undefined;
  let chapters = options.chapters ?? false;
  let again = 0;
  const found = (): Made => (best ? { ...best, kind: "made" } : { kind: "infeasible" });
  const start = rough && startOf(candidates, new Set(rough.map((c) => c.candidate)));
  for (let round = 0; round < ROUNDS; round++) {
    const answer = solve(
      programOf(request, candidates, {
        ...options,
        reserve,
        calmer,
        chapters,
        tried,
        ...(least !== undefined && { least }),
      }),
      { ...near(request, later), ...(round === 0 && start && { start }) },
    );
    if (answer.kind !== "optimal") return answer.kind === "failed" && !best && round === 0 ? answer : found();
    const chosen = chosenIn(answer, candidates);
    const one = settle(request, candidates, chosen, drills, solve);
    if (one.kind === "failed") return one;
    const reckoned = request.interval ? besides(request) : (answer.values.get(MOVING) ?? 0);
    if (one.kind !== "settled") {
      if (one.kind === "too-short") least = request.target - 8;
      else if (!chapters) chapters = true;
      else reserve = Math.max(reserve + 4, one.moving - reckoned);
      continue;
    }
    // Another look that gave nothing will give nothing again.
    const idle = best !== undefined && one.worth < best.worth + 0.001;
    if (!best || one.worth > best.worth) best = one;
    const slack = later ? 1 : 0;
    const calm = options.plain === true || (one.over.changes <= slack && one.over.ups <= 0 && one.over.waits === 0);
    // As good as was promised, as far as the school's order goes.
    const kept = one.fit >= promised(answer, request) - 0.002;
    if (
      options.wide ||
      idle ||
      (calm && (kept || later || request.target < LONG)) ||
      ++again > (later || request.target < LONG ? 1 : 3)
    )
      break;
    tried.push(chosen.map((c) => c.index));
    if (chapters && !calm) calmer = { changes: Math.max(0, one.over.changes), ups: Math.max(0, one.over.ups) };
    reserve = Math.max(reserve, (one.moving - reckoned) * 0.5);
    chapters = true;
  }
  return found();
}

/** The whole columns of a choice, for a search to begin from. */
const startOf = (candidates: readonly Candidate[], chosen: ReadonlySet<Candidate>) =>
  new Map(candidates.map((c, i) => [`y${i}`, chosen.has(c) ? 1 : 0]));

/** The fit the program has found. */
const promised = (answer: Loose, { demand }: DraftRequest): Share => {
  const all = MOTIONS.reduce((sum, row) => sum + weightOf(demand, row), 0);
  return MOTIONS.reduce(
    (sum, row) => sum + (weightOf(demand, row) / all) * (answer.values.get(fitColumn(row)) ?? 0),
    0,
  );
};

function chosenIn(
  answer: Extract<Solution, { kind: "optimal" }>,
  candidates: readonly Candidate[],
  which: readonly number[] = candidates.map((_, i) => i),
): Chosen[] {
  return which.flatMap((index) => {
    const candidate = candidates[index]!;
    if ((answer.values.get(`y${index}`) ?? 0) < 0.5) return [];
    const k = Math.round(answer.values.get(`n${index}`) ?? 0);
    return [{ candidate, index, dose: candidate.doses[Math.min(k, candidate.doses.length - 1)]! }];
  });
}

/** Which single limit, taken away, makes drafts possible, and how good they would be; the best first. */
function relaxed(
  request: DraftRequest,
  offered: readonly Drill[],
  drills: Drills,
  solve: Solve,
  kept: ReadonlyMap<Limit, readonly string[]>,
  progress: Progress,
): Relaxed[] {
  const one: DraftRequest = { ...request, drafts: 1 };
  const longer: DraftRequest = { ...one, target: one.target * 1.5 };
  const ways: { limit: Relaxed["limit"]; changed: DraftRequest; without?: Limit }[] = [
    ...[...kept.keys()]
      .filter((limit) => limit !== "interval" && limit !== "purpose")
      .map((limit) => ({ limit, changed: one, without: limit })),
    ...(one.must.length > 0 ? [{ limit: "must" as const, changed: { ...one, must: [], locked: [] } }] : []),
    ...(one.interval ? [{ limit: "interval" as const, changed: { ...one, interval: undefined } }] : []),
    ...(lastApart(one).length > 0 ? [{ limit: "differ" as const, changed: { ...one, differ: 0 } }] : []),
    { limit: "target", changed: longer },
  ];
  const found = ways.flatMap(({ limit, changed, without }, k): Relaxed[] => {
    progress(0.4 + (0.6 * k) / ways.length, "finding out what is in the way");
    const made = makeOne(changed, candidatesOf(changed, offered, without).candidates, drills, solve, {
      apart: [],
      chapters: changed.target < LONG,
    });
    return made.kind === "made" ? [{ limit, fit: made.fit }] : [];
  });
  progress(1, "done");
  return found.sort((a, b) => b.fit - a.fit);
}
