import { isInMeasure } from "~/core/arc/most";
import { inForm, needsOf } from "~/core/drills/form";
import { AT_HAND, type DraftRequest } from "./request";
import { stepOf, type Step } from "./sequencing";
import { balanceSupport } from "~/core/audit/rules/balance-support";
import { ground } from "~/core/audit/rules/ground";
import { caps } from "~/core/audit/rules/caps";
import { isBreath, isPattern } from "~/core/audit/rules/closing";
import { floor } from "~/core/audit/rules/floor";
import { kit as kitRule } from "~/core/audit/rules/kit";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { mixedGroup } from "~/core/audit/rules/mixed-group";
import { protectedAreas } from "~/core/audit/rules/protected-areas";
import { beforePower } from "~/core/audit/look";
import type { AuditInput, Rule } from "~/core/audit/types";
import { coverageOf } from "~/core/coverage/coverage";
import type { Kit } from "~/core/vocabulary/kit";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { weightOf } from "~/core/sport-profiles/fit";
import { amountOf, withAmount } from "~/core/dose/amount";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { Dose } from "~/core/dose/kinds";
import type { Interval, Item, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { knownStress } from "~/core/stress/at";
import { doseSeconds, hasOwnTimes, isCounted, isPiece, choicesOf } from "~/core/dose/dose";
import { compile } from "~/core/timeline/compile";
import { doseDone } from "~/core/session/interval";
import { moveSeconds, postureFacts, type Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** A step after all others: what the session ends with. */
export const CLOSING: Step = { stage: 99, part: 0 };

/** One drill at one level in one step of the order, with its possible doses, evenly apart. */
export type Candidate = {
  drill: Drill;
  level: LevelName;
  step: Step;
  from: Posture;
  to: Posture;
  kit: readonly Kit[];
  doses: readonly Dose[];
  /** Seconds of everything but moving and fetching kit: at the smallest dose, and for each step more. */
  seconds: Seconds;
  each: Seconds;
  /** Seconds that count for each row of the demand, the same way. */
  gives: readonly { row: Motion; seconds: Seconds; each: Seconds }[];
  /** Work seconds of all sides together, the same way: what warms a joint. */
  work: { seconds: Seconds; each: Seconds };
};

/** Motions a drill works, with those it also works: a motion is readied by the same motion only. */
export const rowsOf = (c: Candidate, also: boolean): ReadonlySet<Motion> => {
  const { main, also: more } = c.drill.levels[c.level];
  return new Set([...main, ...(also ? more : [])]);
};

/** Limits that keep drills out, each a rule of the audit or a wish of the request. */
export type Limit =
  | "kit"
  | "ground"
  | "protected-areas"
  | "balance-support"
  | "mixed-group"
  | "caps"
  | "floor"
  | "methods"
  | "effort"
  | "never"
  | "interval"
  | "purpose";

/** Doses are so far from the usual one at most. */
const ROUGH = { least: 0.75, most: 1.75 } as const;
/** From so many repetitions on, they go by twos. */
const BY_TWOS_FROM = 8;
/** A drill is worth showing when its work lasts at least this long, all sides together. */
const WORTH_SHOWING: Seconds = 20;
/** Breaths may be more times as many: a few at the beginning, a minute or two at the end. */
const LONG_BREATHS = 2.5;
/** Slow breathing to finish lasts at least this long. */
const LAST_BREATHS: Seconds = 60;
/** The longest hold of one side in a session before power, where the usual advice is short ones. */
const HOLD_BEFORE_POWER: Seconds = 30;
/** No drill takes more than this share of the session. */
const MOST_SHARE = 0.3;

const RULES: readonly [Limit, Rule][] = [
  ["kit", kitRule],
  ["ground", ground],
  ["protected-areas", protectedAreas],
  ["balance-support", balanceSupport],
  ["mixed-group", mixedGroup],
];
const DOSE_RULES: readonly [Limit, Rule][] = [
  ["caps", caps],
  ["floor", floor],
];

/** Everything that may be in a draft, and the drills each limit keeps out. `without` leaves a limit out, to see what it costs. */
export function candidatesOf(
  request: DraftRequest,
  offered: readonly Drill[],
  without?: Limit,
): { candidates: Candidate[]; kept: ReadonlyMap<Limit, readonly string[]> } {
  const { school, purpose } = request;
  const kept = new Map<Limit, string[]>();
  const keep = (limit: Limit, { id }: Drill) => void kept.set(limit, [...(kept.get(limit) ?? []), id]);
  const closer = purpose === "after-training" || purpose === "off-day" ? isBreath : undefined;
  const lastBreaths = (form: Omit<Candidate, "step">): Omit<Candidate, "step"> => {
    const from = form.doses.findIndex((dose) => doseSeconds(dose, request.pace) >= LAST_BREATHS);
    const skip = !closer ? 0 : from < 0 ? form.doses.length - 1 : from;
    const later = <T extends { seconds: Seconds; each: Seconds }>(sum: T): T => ({
      ...sum,
      seconds: sum.seconds + sum.each * skip,
    });
    return { ...later(form), doses: form.doses.slice(skip), gives: form.gives.map(later), work: later(form.work) };
  };
  const candidates = offered.flatMap((drill): Candidate[] => {
    if (without !== "never" && request.never.includes(drill.id)) return (keep("never", drill), []);
    if (
      without !== "methods" &&
      request.methods &&
      !request.methods.includes(drill.method) &&
      !request.must.includes(drill.id)
    )
      return (keep("methods", drill), []);
    if (
      without !== "effort" &&
      drill.method === "effort" &&
      !effortAllowed(request) &&
      !request.must.includes(drill.id)
    )
      return (keep("effort", drill), []);
    const why = new Set<Limit>();
    const locked = request.locked.find((one) => one.drill === drill.id);
    for (const level of locked ? [locked.level] : downFrom(request.level)) {
      const form = formOf(request, drill, level, offered, without, why, locked?.dose);
      if (!form) continue;
      const clocked = byClock(request, form, offered);
      const step = stepOf(school, { drill, level: drill.levels[level], name: level });
      if (step && !clocked) keep("interval", drill);
      const closes = closer ? closer(drill) : isWhole(drill, drill.levels[level]);
      return [
        ...(step && clocked ? [{ ...clocked, step }] : []),
        ...(closes ? [{ ...lastBreaths(form), step: CLOSING }] : []),
      ];
    }
    for (const limit of why) keep(limit, drill);
    return [];
  });
  return { candidates, kept };
}

/** Effort ramps come only where the group has a cap for them, or the coach asks for the method. */
const effortAllowed = ({ group, methods, preferred }: DraftRequest): boolean =>
  group?.setting.effortCap !== undefined || methods?.includes("effort") === true || preferred.includes("effort");

/** A pattern on the feet that a warm-up can end with: hips and two more joints at once, not leaning on the hands unless it flows. */
const isWhole = (drill: Drill, level: Drill["levels"]["standard"]): boolean =>
  isPattern(drill, level) &&
  level.main.some((row) => MOTION_FACTS[row].joint === "hip") &&
  new Set([...level.main, ...level.also].map((row) => MOTION_FACTS[row].joint)).size >= 3 &&
  (drill.method === "flow" || !knownStress(level).always.some((s) => s.area === "wrist-weight"));

/** The level asked for, then the easier ones. */
const downFrom = (level: LevelName): LevelName[] => LEVELS.slice(0, LEVELS.indexOf(level) + 1).reverse();

function formOf(
  request: DraftRequest,
  whole: Drill,
  level: LevelName,
  offered: readonly Drill[],
  without: Limit | undefined,
  why: Set<Limit>,
  just?: Dose,
): Omit<Candidate, "step"> | undefined {
  const drill = inForm(whole, level);
  const form = drill.levels[level];
  const asked = just !== undefined || request.must.includes(drill.id);
  if (!asked && !isInMeasure(request.purpose, request.level, drill, level)) return void why.add("purpose");
  const atHand = request.group?.setting.kit === undefined ? AT_HAND[request.purpose] : undefined;
  if (
    atHand &&
    without !== "kit" &&
    !request.must.includes(drill.id) &&
    !needsOf(form).every((piece) => atHand.includes(piece))
  )
    return void why.add("kit");
  const usual = { ...itemOf(drill, level), ...(just && { dose: just }) };
  const at = (dose: Dose): AuditInput => lookAt(request, { ...usual, dose }, drill, offered);
  const breaks = (rules: readonly [Limit, Rule][], look: AuditInput) =>
    rules
      .filter(([limit, rule]) => limit !== without && rule.find(look).some((f) => f.severity !== "hint"))
      .map(([limit]) => limit);
  const first = at(usual.dose);
  const stops = breaks(RULES, first);
  if (stops.length > 0) return (stops.forEach((limit) => why.add(limit)), undefined);
  let doses = just ? [just] : dosesOf(request, drill, level);
  const { effortCap, holdCap, floor: length } = request.group?.setting ?? {};
  // What someone does instead has to last as long, so it hangs on the dose, too.
  const someone = protectedAreas.find(first).length > 0;
  if (effortCap !== undefined || holdCap !== undefined || length !== undefined || someone) {
    const broken = new Set<Limit>();
    doses = doses.filter((dose) => {
      const found = breaks(someone ? [...DOSE_RULES, ["protected-areas", protectedAreas]] : DOSE_RULES, at(dose));
      found.forEach((limit) => broken.add(limit));
      return found.length === 0;
    });
    if (doses.length === 0) return (broken.forEach((limit) => why.add(limit)), undefined);
  }
  const ends = [doses[0]!, doses.at(-1)!].map((dose) => sumsOf(at(dose))) as [Sums, Sums];
  const n = doses.length - 1;
  const slope = (from: number, to: number) => (n === 0 ? 0 : (to - from) / n);
  return {
    drill,
    level,
    from: form.posture,
    to: form.endPosture,
    kit: form.kit,
    doses,
    seconds: ends[0].seconds,
    each: slope(ends[0].seconds, ends[1].seconds),
    gives: MOTIONS.filter((row) => weightOf(request.demand, row) > 0 && ends[1].counts[row] > 0).map((row) => ({
      row,
      seconds: ends[0].counts[row],
      each: slope(ends[0].counts[row], ends[1].counts[row]),
    })),
    work: { seconds: ends[0].work, each: slope(ends[0].work, ends[1].work) },
  };
}

/**
 * A form as it is done by the clock of a request: one dose, as much as fits into the work, and the rest after each of its
 * passes; the form itself where nothing is asked. Undefined for what has times of its own, what does not come to an amount
 * inside its bounds in that time, and where a rule of the audit finds something in it.
 */
function byClock(
  request: DraftRequest,
  form: Omit<Candidate, "step">,
  offered: readonly Drill[],
): Omit<Candidate, "step"> | undefined {
  const { interval, pace } = request;
  if (!interval) return form;
  const { drill, level } = form;
  const usual = form.doses[0]!;
  if (hasOwnTimes(usual)) return undefined;
  // A seat stands alone among what is done on the feet: it is sat down on and got up from in a rest, or not offered.
  const { posture, kit } = drill.levels[level];
  const change = moveSeconds("standing", posture, pace) + (kit.length > 0 ? pace.kitChange : 0);
  if (postureFacts(posture).seated && change > interval.rest) return undefined;
  const dose = doseDone({ interval }, { dose: usual }, drill.sides, drill.directions, pace);
  const { least, most } = drill.levels[level].bounds;
  const { value } = amountOf(dose);
  const unit = doseSeconds(withAmount(dose, 1), pace);
  if (value < least || value > most || (isCounted(dose) && unit * drill.directions > interval.work)) return undefined;
  if (isPiece(dose) && drill.method === "hold" && beforePower(request.purpose) && value > HOLD_BEFORE_POWER)
    return undefined;
  const look = lookAt(request, { ...itemOf(drill, level), dose, demo: 0 }, drill, offered, interval);
  const found = [...RULES, ...DOSE_RULES].some(([, rule]) => rule.find(look).some((f) => f.severity !== "hint"));
  if (found) return undefined;
  const { seconds, work, counts } = sumsOf(look);
  return {
    ...form,
    doses: [dose],
    seconds: seconds + interval.rest,
    each: 0,
    work: { seconds: work, each: 0 },
    gives: MOTIONS.filter((row) => weightOf(request.demand, row) > 0 && counts[row] > 0).map((row) => ({
      row,
      seconds: counts[row],
      each: 0,
    })),
  };
}

/** One drill on its own, as the audit is told of it; what it covers is worked out when a rule or a sum asks for it. */
function lookAt(
  request: DraftRequest,
  item: Item,
  drill: Drill,
  offered: readonly Drill[],
  interval?: Interval,
): AuditInput {
  const session: SessionPlan = {
    ...newSession({ title: "x", purpose: request.purpose, target: request.target }, [
      {
        title: "",
        rounds: 1,
        restBetweenRounds: 0,
        sideOrder: "drill-by-drill",
        ...(interval && { interval }),
        items: [item],
      },
    ]),
    pace: request.pace,
    firstSide: request.firstSide,
  };
  const drills = (id: string) => (id === drill.id ? drill : undefined);
  const timeline = compile(session, drills);
  return {
    session,
    timeline,
    drills,
    get coverage() {
      return coverageOf(session, timeline, drills);
    },
    demand: request.demand,
    group: request.group,
    offered,
  };
}

type Sums = { seconds: Seconds; work: Seconds; counts: Record<Motion, Seconds> };

/** What one drill takes, moving and fetching left out, and gives. */
function sumsOf({ timeline, coverage }: AuditInput): Sums {
  const of = (kinds: (kind: string) => boolean) =>
    timeline.segments.reduce((sum, s) => (kinds(s.kind) ? sum + s.seconds : sum), 0);
  return {
    seconds: of((kind) => kind !== "move"),
    work: of((kind) => kind === "work"),
    counts: Object.fromEntries(MOTIONS.map((row) => [row, coverage[row].counts])) as Record<Motion, Seconds>,
  };
}

/** Doses a coach would give: inside the drill's bounds, not far from the usual, short holds before power; by the drill's own step. */
function dosesOf(request: DraftRequest, drill: Drill, level: LevelName): Dose[] {
  const { dose, bounds } = drill.levels[level];
  const now = amountOf(dose).value;
  if (choicesOf(dose)) return [dose];
  const { pace } = request;
  const takes = (one: Dose): Seconds =>
    pace.demo + doseSeconds(one, pace) * drill.directions * (drill.sides === "each" ? 2 : 1);
  const longHold = drill.method === "hold" && isPiece(dose) && beforePower(request.purpose);
  const most = Math.min(
    bounds.most,
    Math.max(
      now,
      now * (drill.method === "breath" ? LONG_BREATHS : ROUGH.most),
      now * (WORTH_SHOWING / Math.max(1, takes(dose) - pace.demo)),
    ),
    longHold ? Math.max(bounds.least, Math.min(HOLD_BEFORE_POWER, LONGEST_HOLD / drill.directions)) : Infinity,
  );
  const least = Math.max(bounds.least, Math.min(now, now * ROUGH.least));
  const values: number[] = [];
  const step = dose.kind === "reps" && now >= BY_TWOS_FROM ? Math.max(2, bounds.step) : bounds.step;
  for (let k = Math.ceil((least - now) / step - 1e-9); now + k * step <= most + 1e-9; k++)
    values.push(Math.round((now + k * step) * 1e6) / 1e6);
  if (values.length === 0) values.push(Math.min(most, Math.max(bounds.least, Math.min(now, most))));
  // Whole repetitions, breaths and rounds only, so that the steps stay even.
  const whole = !isCounted(dose) ? values : [...new Set(values.map((v) => Math.max(1, Math.round(v))))];
  const doses = whole.map((value) => withAmount(dose, value));
  const enough = doses.filter((one) => takes(one) - pace.demo >= WORTH_SHOWING);
  const small = (enough.length > 0 ? enough : doses.slice(-1)).filter(
    (one) => takes(one) <= request.target * MOST_SHARE,
  );
  return small.length > 0 ? small : doses.slice(0, 1);
}
