import { inLines } from "~/core/group/lines";
import { arrange, between, type Chosen } from "./arrange";
import { sessionOf } from "./assemble";
import { clockOf, servedIn, type Candidate } from "./candidate";
import { candidatesOf, type Limit } from "./candidates";
import { asksForPlanes, choiceOf, column, drillsAtMost, place, wishesOf, type Yield } from "./choose";
import { differences } from "./compare";
import { dose, ON_THE_MINUTE, type Dosed } from "./dose";
import { stated, type Stated } from "./explain";
import { ideasAfter, MOST_NEEDS, type Idea } from "./ideas";
import { apartFrom, lastApart, otherLifts, withLift, type Apart, type DraftRequest } from "./request";
import { MAY_GIVE, phaseSeconds, phasesAt } from "~/core/arc/arcs";
import { LIFTS, type Lift } from "~/core/vocabulary/lifts";
import type { Phase } from "~/core/arc/schema";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { Drill } from "~/core/drills/schema";
import type { Solution, Solve } from "~/core/fit/program";
import type { SessionPlan } from "~/core/session/schema";
import { KIT_FACTS, setUpsOf } from "~/core/vocabulary/kit";
import { compile } from "~/core/timeline/compile";
import type { Seconds, Share } from "~/core/units";

/** A draft ends at most this long before its target; where nothing ends on the minute, a little sooner. */
export const SHORT_AT_MOST: Seconds = 15;

/** The search in a choice is content this near to the best in it, and gives up after so many nodes: the same on every machine. */
const NEAR = { first: { gap: 0.02, nodes: 6 }, later: { gap: 0.03, nodes: 4 } } as const;
/** How many candidates a choice has: the best of all, and of each phase. */
const SMALL = 44;
const EACH_PHASE = 6;
/** How often a choice is made anew when it comes out no good, by how much has given way. */
const TRIES = [7, 3, 3, 3, 3] as const;
/** So often where only little is found that may give way. */
const ENOUGH_TRIES = 2;
/** And by the clock, where each takes longer. */
const FEW_TRIES = 3;
/** The solver keeps rows and proves values to about this. */
const SOLVER_TOLERANCE = 1e-6;
/** Later drafts reach at least this much of the first one's fit. */
const WORTH_RUNNING: Share = 0.85;
/** Changing position, and taking kit in hand, before a drill: about this long at most. */
const TO_BEGIN: Seconds = 20;
/** What is grave counts for more, what may give way for little. */
const FOUND_COSTS = { stop: 5, warn: 1, hint: 0.2 } as const;
/** Anything found when a session is looked over costs this much of its fit. */
const FOUND: Share = 0.08;

export type Draft = Stated & {
  /** What no session for this request can be better than, as the solver proved, and how far this one is from it. */
  bound: Share;
  gap: Share;
  /** What tells it apart from the others, in a line. */
  differs: string;
};

export type DraftAnswer =
  | { kind: "drafts"; drafts: Draft[]; kept: { limit: Limit; drills: number }[]; notes: string[] }
  | { kind: "impossible"; why: string; relax: Relaxed[] }
  | { kind: "failed"; why: string };

/** A limit that stands in the way and could be let go of, as what a session is for could not, and the fit there would be without it. */
export type Relaxed = { limit: Exclude<Limit, "purpose"> | "must" | "differ" | "target" | "lift"; fit: Share };

/** Says how far the work is, 0 to 1, and in words. */
export type Progress = (share: Share, words: string) => void;

type Drills = (id: string) => Drill | undefined;

/**
 * Up to three sessions for a request, each another idea, the plain answer first. Hard limits are never broken; each ends on the minute,
 * at most some seconds before its target. The same request gives the same drafts.
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
  const maker = new Maker(request, candidates, drills, offered, solve);
  progress(0.1, "choosing drills");
  const ending = endingWithout(request, candidates);
  const other = ending && possibleLift(request, offered);
  if (other && !request.liftAsked) {
    const note = `There is no ${request.lift} here that this group can do with the kit it has: the ${other} is the lift instead.`;
    return draft({ ...withLift(request, other), notes: [...request.notes, note] }, offered, solve, progress);
  }
  const first = maker.best(MOST_NEEDS, []);
  if (first.kind === "failed") return first;
  if (first.kind !== "made")
    return {
      kind: "impossible",
      why: ending
        ? `Nothing is left that fills the last part, “${ending.title}”, and it does not go without.`
        : "No session meets the whole request.",
      relax: relaxed(request, offered, drills, solve, kept, progress),
    };
  const bound = Math.min(1, maker.bound(first) + SOLVER_TOLERANCE);
  const made: { one: Made & { kind: "made" }; idea: Idea }[] = [{ one: first, idea: MOST_NEEDS }];
  const ideas = ideasAfter(first.chosen, request);
  const notes = [...request.notes, ...notThere(request, candidates)];
  let failed: Idea | undefined;
  for (const [k, idea] of ideas.entries()) {
    if (made.length >= request.drafts) break;
    // Asked for once more with nothing new to differ from, the answer is the same.
    if (idea === failed) continue;
    progress((k + 1.5) / (ideas.length + 2), "choosing others");
    const apart = [
      ...made.map(({ one }) => apartOf(one.chosen, request)),
      ...inAll(
        made.map(({ one }) => one.chosen),
        request,
      ),
    ];
    const next = maker.best(idea, apart);
    if (next.kind !== "made" || next.fit < WORTH_RUNNING * first.fit || next.found > first.found) {
      failed = idea;
      continue;
    }
    made.push({ one: next, idea });
  }
  if (made.length < request.drafts)
    notes.push(
      made.length === 1
        ? "There is no second idea that meets nearly as much of what is needed."
        : "There is no third idea that meets nearly as much of what is needed.",
    );
  progress(1, "done");
  const told = made.map(({ one }) => stated(one.session, request, offered, candidates, kept));
  const differs = differences(told, drills);
  return {
    kind: "drafts",
    drafts: told.map((one, k) => ({
      ...one,
      bound,
      gap: bound > 0 ? Math.max(0, (bound - one.fit) / bound) : 0,
      differs: made[k]!.idea.words ?? differs[k]!,
    })),
    kept: counts,
    notes,
  };
}

/** The last part of a session, where nothing is there that fills it: what a session ends with never gives way. */
function endingWithout({ arc, target }: DraftRequest, candidates: readonly Candidate[]): Phase | undefined {
  const last = phasesAt(arc, target).at(-1);
  if (!last) return undefined;
  const longest = candidates
    .filter(({ phase }) => phase.id === last.id)
    .map(({ options, show }) => options.at(-1)!.seconds + show + TO_BEGIN)
    .sort((a, b) => b - a)
    .slice(0, drillsAtMost(last, target));
  const least = phaseSeconds(last, target).least - (MAY_GIVE / 100) * target;
  return longest.length > 0 && longest.reduce((sum, seconds) => sum + seconds, 0) >= least ? undefined : last;
}

/** The first lift, besides the one it is for, that a session for this request could end with. */
function possibleLift(request: DraftRequest, offered: readonly Drill[]): Lift | undefined {
  return otherLifts(request).find((lift) => {
    const other = withLift(request, lift);
    const does = offered.filter(({ rehearses }) => rehearses?.includes(LIFTS[lift]));
    return !endingWithout(other, candidatesOf(other, does).candidates);
  });
}

/** What was asked for in a word and nothing is there for, a sentence each. */
function notThere({ using, familiar, group }: DraftRequest, candidates: readonly Candidate[]): string[] {
  const fresh = candidates.some((c) => c.taught && c.familiar === "new" && !c.phase.needed);
  return [
    ...using
      .filter((piece) => !candidates.some((c) => c.kit.includes(piece)))
      .map((piece) => `No drill with a ${KIT_FACTS[piece].words} fits this.`),
    ...(familiar === "new" && group?.shown && !fresh ? ["There is no drill that fits this and is new to them."] : []),
  ];
}

/** Of what is moved, held and lengthened in a draft, at most half may come again; what warms and ends it may. */
function apartOf(chosen: readonly Chosen[], request: DraftRequest): Apart {
  return apartFrom(servedOf(chosen), request.must);
}

/** What is in all drafts so far is in none that follows. */
function inAll(made: readonly (readonly Chosen[])[], request: DraftRequest): Apart[] {
  if (made.length < 2) return [];
  const [first, ...others] = made.map((chosen) => apartFrom(servedOf(chosen), request.must).drills);
  return [{ drills: new Set([...first!].filter((id) => others.every((drills) => drills.has(id)))), most: 0 }];
}

/** The drills that move, hold and lengthen. */
const servedOf = (chosen: readonly Chosen[]): string[] =>
  chosen
    .filter(({ candidate }) => candidate.phase.serves && !candidate.phase.needed)
    .map(({ candidate }) => candidate.drill.id);

type Made =
  | {
      kind: "made";
      session: SessionPlan;
      fit: Share;
      chosen: readonly Chosen[];
      /** How much was found when it was looked over, the drills it was found at, and what did not fit. */
      found: number;
      /** How many of its drills add next to nothing, where that is no more than a hint. */
      idle: number;
      blamed: readonly Candidate[];
      off: Dosed["off"];
    }
  | { kind: "infeasible" }
  | { kind: "failed"; why: string };

type Loose = Extract<Solution, { kind: "optimal" }>;

/** At least what the program without wholeness loses when a candidate is in the session: 0 or less. */
function costOf({ costs }: Loose, i: number): Share {
  const cost = (name: string) => Math.min(0, costs!.get(name) ?? 0);
  let dose = -Infinity;
  for (let k = 0; costs!.has(place(i, k)); k++) dose = Math.max(dose, cost(place(i, k)));
  return cost(column(i)) + (dose === -Infinity ? 0 : dose);
}

const YIELDS: readonly Yield[] = [0, 1, 2, 3, 4];
/** Where it is only asked whether there would be a session: as it should be, or with all that may give way. */
const ROUGHLY: readonly Yield[] = [0, 4];

/** Better: nothing serious found before something serious, then by fit, less what was found. */
const isBetter = (a: Made & { kind: "made" }, b: Made & { kind: "made" }): boolean => {
  const [seriousA, seriousB] = [a, b].map(({ found }) => found >= FOUND_COSTS.warn);
  return seriousA === seriousB ? worthOf(a) > worthOf(b) : seriousB === true;
};

const worthOf = ({ fit, found, idle }: Made & { kind: "made" }): Share =>
  fit - FOUND * (found + FOUND_COSTS.hint * idle);

/** Whether what gives way at a step is asked for at all: where it isn't, the program is the one before. */
const givesWay = ({ school, target, purpose }: DraftRequest, yields: Yield): boolean =>
  yields === 1
    ? school.stages.some(({ least }) => least !== undefined)
    : yields === 2
      ? asksForPlanes(purpose, target)
      : true;

/** Makes sessions for one request. What is worked out once is kept. */
class Maker {
  private readonly wishes: readonly number[];

  constructor(
    private readonly request: DraftRequest,
    private readonly candidates: readonly Candidate[],
    private readonly drills: Drills,
    private readonly offered: readonly Drill[],
    private readonly solve: Solve,
  ) {
    this.wishes = wishesOf(request, candidates);
  }

  /** The best session for an idea. What gives way gives way in its order, and only where nothing is right without. */
  best(idea: Idea, apart: readonly Apart[], { roughly = false } = {}): Made {
    if (endingWithout(this.request, this.candidates)) return { kind: "infeasible" };
    const { request, candidates } = this;
    if (request.must.some((id) => !candidates.some((c) => c.drill.id === id))) return { kind: "infeasible" };
    const within = new Set(candidates.filter(idea.takes).map(({ at }) => at));
    // A phase that an idea has nothing for is as it is without.
    const open = candidates.flatMap((c, i) =>
      idea.takes(c) || !within.has(c.at) || request.must.includes(c.drill.id) ? [i] : [],
    );
    const later = apart.length > 0;
    let best: (Made & { kind: "made" }) | undefined;
    let failed: (Made & { kind: "failed" }) | undefined;
    const last: Yield = later && request.interval ? 2 : 4;
    for (const yields of roughly ? ROUGHLY : YIELDS.filter((y) => y <= last && givesWay(request, y))) {
      const made = this.atYield(idea, open, apart, yields, { later, roughly });
      if (made.kind === "failed") failed = made;
      if (made.kind !== "made") continue;
      if (!best || made.found < best.found) best = made;
      if (roughly || best.found < FOUND_COSTS.warn) break;
    }
    return best ?? failed ?? { kind: "infeasible" };
  }

  private atYield(
    idea: Idea,
    open: readonly number[],
    apart: readonly Apart[],
    yields: Yield,
    { later, roughly }: { later: boolean; roughly: boolean },
  ): Made {
    const { request, solve } = this;
    const mine = open.map((i) => this.candidates[i]!);
    const wishes = open.map((i) => this.wishes[i]! + (idea.wish?.(this.candidates[i]!) ?? 0));
    const loose = solve(choiceOf(request, mine, { yields, apart, wishes }), { relaxed: true });
    if (loose.kind !== "optimal") return loose;
    const few = this.promising(mine, loose, later);
    const candidates = few.map((i) => mine[i]!);
    const some = few.map((i) => wishes[i]!);
    const tried: number[][] = [];
    const out = new Set<number>();
    const shifts = new Map<number, Seconds>();
    let [reserve, dead]: [Seconds, Seconds] = [0, 0];
    let best: (Made & { kind: "made" }) | undefined;
    const tries = request.interval ? Math.min(FEW_TRIES, TRIES[yields]) : TRIES[yields];
    for (let round = 0; round < tries; round++) {
      const answer = solve(
        choiceOf(request, candidates, { yields, apart, wishes: some, tried, reserve, dead, shifts, out }),
        later ? NEAR.later : NEAR.first,
      );
      if (answer.kind !== "optimal") {
        if (answer.kind === "failed" && !best) return answer;
        break;
      }
      const chosen = candidates.flatMap((_, i) => ((answer.values.get(column(i)) ?? 0) > 0.5 ? [i] : []));
      const made = this.settle(
        chosen.map((i) => candidates[i]!),
        yields,
      );
      if (made.kind === "made") {
        if (!best || isBetter(made, best)) best = made;
        if (
          roughly ||
          best.found + best.idle === 0 ||
          (best.found < FOUND_COSTS.warn && best.idle === 0 && round + 1 >= ENOUGH_TRIES)
        )
          break;
        // What was found says what the next choice has to be other in.
        for (const [phase, by] of made.off.phases)
          shifts.set(phase, Math.max(-60, Math.min(60, (shifts.get(phase) ?? 0) + by + Math.sign(by) * 3)));
        dead += made.off.dead;
        for (const run of made.off.stays) tried.push(run.map((c) => candidates.indexOf(c)));
        for (const c of made.blamed) if (!request.must.includes(c.drill.id)) out.add(candidates.indexOf(c));
      } else reserve = Math.min(30, reserve + 6);
      tried.push(chosen);
    }
    return best ?? { kind: "infeasible" };
  }

  /** The candidates that the program without wholeness takes, and those that would cost it least, some of each phase. */
  private promising(candidates: readonly Candidate[], loose: Loose, later: boolean): number[] {
    const worth = candidates.map((_, i) => costOf(loose, i));
    const used = (i: number) =>
      (loose.values.get(column(i)) ?? 0) > 1e-6 || this.request.must.includes(candidates[i]!.drill.id);
    const order = candidates
      .map((_, i) => i)
      .sort((a, b) => Number(used(b)) - Number(used(a)) || worth[b]! - worth[a]! || a - b);
    const few = new Set([...order.filter(used), ...order.slice(0, later ? SMALL * 0.75 : SMALL)]);
    const phases = new Map<number, number>();
    for (const i of order) {
      const at = candidates[i]!.at;
      const n = phases.get(at) ?? 0;
      if (n >= EACH_PHASE) continue;
      phases.set(at, n + 1);
      few.add(i);
    }
    return [...few].sort((a, b) => a - b);
  }

  /** Drills that were chosen, in their best order, with doses that end on the minute, looked over. */
  private settle(chosen: readonly Candidate[], yields: Yield): Made {
    const { request, drills, offered, solve } = this;
    const order = arrange(chosen, request, request.pace);
    const points = yields >= 4 ? MAY_GIVE : 0;
    for (const short of [ON_THE_MINUTE, SHORT_AT_MOST]) {
      let correction: Seconds = 0;
      for (let round = 0; round < 4; round++) {
        const dosed = dose(request, order, solve, { correction, short, points });
        if (!dosed) break;
        const session = sessionOf(dosed, request);
        const timeline = compile(session, drills);
        const reckoned = reckonedOf(dosed, request, correction, order);
        const off = timeline.totalSeconds - reckoned;
        const fits =
          timeline.totalSeconds <= request.target + 1e-6 && timeline.totalSeconds >= request.target - short - 1e-6;
        if (!fits) {
          correction += off;
          if (Math.abs(off) < 1e-6) break;
          continue;
        }
        const all = audit(
          auditInput(session, drills, { demand: request.demand, group: request.group, offered, arc: request.arc }),
        );
        const found = all.filter(
          ({ severity, rule }) =>
            (severity !== "hint" || rule === "phases" || rule === "too-many") && rule !== "new-drill",
        );
        const idle = all.filter(({ severity, rule }) => severity === "hint" && rule === "filler");
        const fit = fitOf(
          coverageOf(session, timeline, drills, inLines(request.group)),
          request.demand,
          servedIn(request),
        );
        const cost = found.reduce((sum, { severity }) => sum + FOUND_COSTS[severity], 0);
        const at = [...found, ...idle].flatMap(({ place }) =>
          place ? [session.blocks[place.block]!.items[place.item]!.drill] : [],
        );
        return {
          kind: "made",
          session,
          fit,
          chosen: dosed.chosen,
          found: cost,
          idle: idle.length,
          blamed: order.filter((c) => at.includes(c.drill.id)),
          off: dosed.off,
        };
      }
    }
    return { kind: "infeasible" };
  }

  /** What no session for the request can be better than: wishes, moves, and that drills come whole, aside, every session that keeps the rules is one of the program’s. */
  bound(first: Made & { kind: "made" }): Share {
    const { request, candidates, solve } = this;
    const loose = solve(choiceOf(request, candidates, { proof: true, yields: 4 }), { relaxed: true });
    return loose.kind === "optimal" ? Math.max(loose.bound, first.fit) : 1;
  }
}

/** How long a session was reckoned to be. */
function reckonedOf(
  { chosen, twice, after }: Dosed,
  request: DraftRequest,
  correction: Seconds,
  order: readonly Candidate[],
): Seconds {
  const clocked = (c: Candidate) => clockOf(request, c.phase) !== undefined;
  const moves = order.reduce(
    (sum, c, j) => sum + (clocked(c) ? 0 : between(order[j - 1], c, request.pace)) + c.show,
    0,
  );
  const rounds = twice.reduce((sum, { from, to, rest }) => {
    const run = order.slice(from, to + 1);
    return (
      sum +
      rest +
      between(run.at(-1), run[0]!, request.pace) +
      run.slice(1).reduce((more, c, k) => more + between(run[k], c, request.pace), 0)
    );
  }, 0);
  return (
    moves +
    rounds +
    [...after.values()].reduce((sum, rest) => sum + rest, 0) +
    setUpsOf(order.map(({ kit }) => kit)) * request.pace.kitChange +
    chosen.reduce((sum, { option }) => sum + option.seconds, 0) +
    correction
  );
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
    ...[possibleLift(one, offered)].flatMap((lift) =>
      lift ? [{ limit: "lift" as const, changed: withLift(one, lift) }] : [],
    ),
    { limit: "target", changed: longer },
  ];
  const found = ways.flatMap(({ limit, changed, without }, k): Relaxed[] => {
    progress(0.4 + (0.6 * k) / ways.length, "finding out what is in the way");
    const maker = new Maker(changed, candidatesOf(changed, offered, without).candidates, drills, offered, solve);
    const made = maker.best(MOST_NEEDS, [], { roughly: true });
    return made.kind === "made" ? [{ limit, fit: made.fit }] : [];
  });
  progress(1, "done");
  return found.sort((a, b) => b.fit - a.fit);
}
