import { type Option, type Candidate, arcOf, amongOf, clockOf } from "./candidate";
import { phasesAt, phaseSeconds } from "~/core/arc/arcs";
import { spokenAmounts, type Said } from "~/core/arc/doses";
import { isLift, holdRange, outOfPhase, speedOf, type Among } from "~/core/arc/fits";
import { placeOf, surfaceOf } from "~/core/arc/ground";
import { isInMeasure } from "~/core/arc/most";
import type { Phase } from "~/core/arc/schema";
import { isTaught, showingFor, showingOfLift } from "~/core/arc/showing";
import { inForm, kitUsed, needsOf } from "~/core/drills/form";
import { AT_HAND, type DraftRequest } from "./request";
import { STAYS } from "./stays";
import { stepOf, stepRank } from "./sequencing";
import { balanceSupport } from "~/core/audit/rules/balance-support";
import { caps } from "~/core/audit/rules/caps";
import { floor } from "~/core/audit/rules/floor";
import { forWhom } from "~/core/audit/rules/for-whom";
import { ground } from "~/core/audit/rules/ground";
import { kit as kitRule } from "~/core/audit/rules/kit";
import { mixedGroup } from "~/core/audit/rules/mixed-group";
import { protectedAreas } from "~/core/audit/rules/protected-areas";
import { familiarTo } from "~/core/audit/rules/showing";
import { beforePower } from "~/core/audit/look";
import type { AuditInput, Rule } from "~/core/audit/types";
import { forGroup } from "~/core/arc/people";
import { inLines, LEAST_IN_LINES, shareInLines } from "~/core/group/lines";
import { coverageOf, eachGift } from "~/core/coverage/coverage";
import { piecesThere } from "~/core/group/kit";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import type { Kit } from "~/core/vocabulary/kit";
import type { Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { weightOf } from "~/core/sport-profiles/fit";
import { amountOf, withAmount } from "~/core/dose/amount";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { Dose } from "~/core/dose/kinds";
import type { Interval, Item, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { coldSafe, scalesOf } from "~/core/stress/scales";
import { doseSeconds, hasOwnTimes, isCounted } from "~/core/dose/dose";
import { compile } from "~/core/timeline/compile";
import { doseDone } from "~/core/session/interval";
import { isForeign, isSkill, type Rehearsal } from "~/core/vocabulary/rehearses";
import { moveSeconds, postureFacts } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** Limits that keep drills out, each a rule of the audit or a wish of the request. */
export type Limit =
  | "kit"
  | "ground"
  | "protected-areas"
  | "balance-support"
  | "mixed-group"
  | "for-whom"
  | "caps"
  | "floor"
  | "lanes"
  | "methods"
  | "effort"
  | "never"
  | "interval"
  | "purpose";

/** Doses are so far from the usual one at most; breaths may be more times as many. */
const ROUGH = { least: 0.6, most: 2, breaths: 2.5 } as const;
/** A drill is worth showing when its work lasts at least this long, all sides together. */
const WORTH_SHOWING: Seconds = 20;
/** No more ways to give a drill than these, the ones nearest to usual. */
const MOST_AMOUNTS = 7;
/** A rest between two sets of what is built up or rehearsed. */
const SET_REST: Seconds = 15;
/** Going twice through a block is for doses up to this, a side. */
const LONGEST_TWICE: Seconds = 60;

const RULES: readonly [Limit, Rule][] = [
  ["kit", kitRule],
  ["ground", ground],
  ["protected-areas", protectedAreas],
  ["balance-support", balanceSupport],
  ["mixed-group", mixedGroup],
  ["for-whom", forWhom],
];
const DOSE_RULES: readonly [Limit, Rule][] = [
  ["caps", caps],
  ["floor", floor],
  ["protected-areas", protectedAreas],
  ["for-whom", forWhom],
];

/** Everything that may be in a draft, and the drills each limit keeps out. `without` leaves a limit out, to see what it costs. */
export function candidatesOf(
  request: DraftRequest,
  offered: readonly Drill[],
  without?: Limit,
): { candidates: Candidate[]; kept: ReadonlyMap<Limit, readonly string[]> } {
  const kept = new Map<Limit, string[]>();
  const keep = (limit: Limit, { id }: Drill) => void kept.set(limit, [...(kept.get(limit) ?? []), id]);
  const phases = phasesAt(arcOf(request), request.target);
  const candidates = offered.flatMap((drill): Candidate[] => {
    if (without !== "never" && request.never.includes(drill.id)) return (keep("never", drill), []);
    const must = request.must.includes(drill.id);
    const locked = request.locked.find((one) => one.drill === drill.id);
    const why = new Set<Limit>();
    const levels = locked ? [locked.level] : downFrom(request.level);
    const forms = new Map<LevelName, Form | undefined>();
    const found = phases.flatMap((phase, at): Candidate[] => {
      for (const level of levels) {
        if (!inPlace(request, drill, level, phase, locked?.dose)) continue;
        if (!forms.has(level))
          forms.set(level, formOf(request, drill, level, offered, without, why, must, locked?.dose));
        const form = forms.get(level);
        if (!form) continue;
        const one = inPhase(request, form, phase, at, offered, why, {
          just: locked?.dose,
          anyMethod: must || without === "methods",
          limitless: without,
        });
        if (one) return [one];
      }
      return [];
    });
    if (found.length > 0) return found;
    if (must) {
      // What has to be in it is, where it does least harm.
      const at = Math.max(
        0,
        phases.findIndex(({ ordered }) => ordered),
      );
      for (const level of levels) {
        const form = formOf(request, drill, level, offered, without, why, true, locked?.dose);
        const one =
          form &&
          inPhase(request, form, phases[at]!, at, offered, why, {
            just: locked?.dose,
            anyway: true,
            limitless: without,
          });
        if (one) return [one];
      }
    }
    if (why.size === 0) keep("purpose", drill);
    for (const limit of why) keep(limit, drill);
    return [];
  });
  return { candidates: keptForTheEnd(candidates, request), kept };
}

/**
 * What is rehearsed is rehearsed as fast as these people can here, each action by the drills that come nearest to it; and what
 * the sport is named for is kept until then.
 */
function keptForTheEnd(candidates: Candidate[], request: DraftRequest): Candidate[] {
  const { demand, group, must, purpose } = request;
  const rehearsing = ({ phase }: Candidate) => phase.takes.some(({ rehearses }) => rehearses === "sport");
  const last = candidates.filter(rehearsing);
  // By the clock there is little to choose from as it is; older people's speed is their own.
  if (last.length === 0 || clockOf(request, last[0]!.phase) || forGroup(group).raise === 1) return candidates;
  const first = demand.rehearses?.[0];
  const actions = ({ drill }: Candidate) =>
    (drill.rehearses ?? []).filter((one) => demand.rehearses?.includes(one) ?? true);
  const best = new Map<Rehearsal, number>();
  for (const c of last) for (const one of actions(c)) best.set(one, Math.max(best.get(one) ?? 0, c.speed));
  const early = (c: Candidate) =>
    beforePower(purpose) &&
    c.drill.method === "flow" &&
    first !== undefined &&
    isSkill(first) &&
    c.drill.rehearses?.includes(first) === true;
  return candidates.filter(
    (c) =>
      must.includes(c.drill.id) || (rehearsing(c) ? actions(c).some((one) => c.speed >= best.get(one)!) : !early(c)),
  );
}

/** Whether a drill is an action, or a skill, of another sport. */
const isOfAnotherSport = (drill: Drill, level: LevelName, { demand, purpose }: DraftRequest): boolean =>
  demand.rehearses !== undefined &&
  (drill.method === "flow" ||
    scalesOf(drill, level).speed >= 3 ||
    drill.rehearses?.some((one) => one === "level" || one === "cut") === true) &&
  (isForeign(drill.rehearses ?? [], demand.rehearses) ||
    // Nobody throws or kicks on a day off, or to cool down.
    (!beforePower(purpose) && drill.method === "flow" && drill.rehearses?.some(isSkill) === true));

/** Effort ramps come only where the group has a cap for them, or the coach asks for the method. */
const effortAllowed = ({ group, methods, preferred }: DraftRequest): boolean =>
  group?.setting.effortCap !== undefined || methods?.includes("effort") === true || preferred.includes("effort");

/** The level asked for, then the easier ones. */
const downFrom = (level: LevelName): LevelName[] => LEVELS.slice(0, LEVELS.indexOf(level) + 1).reverse();

/** Whether a level is for a phase at the dose it would have there. */
function inPlace(request: DraftRequest, drill: Drill, level: LevelName, phase: Phase, just?: Dose): boolean {
  const among = amongOf(request);
  const form = inForm(drill, level);
  const { dose } = form.levels[level];
  const range = holdRange(phase, among);
  const held = form.method === "hold" && range && !just ? heldFor(dose, range.usual, request) : (just ?? dose);
  return outOfPhase(phase, form, level, held, among) === undefined;
}

/** A hold of so many seconds, by whatever it is dosed. */
function heldFor(dose: Dose, seconds: Seconds, { pace }: DraftRequest): Dose {
  const unit = doseSeconds(withAmount(dose, 1), pace);
  return unit > 0 && !hasOwnTimes(dose) ? withAmount(dose, Math.max(1, Math.round(seconds / unit))) : dose;
}

/** A level of a drill that no limit keeps out, with what does not depend on the phase. */
type Form = { drill: Drill; level: LevelName; kit: readonly Kit[]; without: readonly Kit[] };

function formOf(
  request: DraftRequest,
  whole: Drill,
  level: LevelName,
  offered: readonly Drill[],
  without: Limit | undefined,
  why: Set<Limit>,
  must: boolean,
  just?: Dose,
): Form | undefined {
  const drill = inForm(whole, level);
  const form = drill.levels[level];
  const out = (limit: Limit): undefined => void (limit !== without && why.add(limit));
  const asked = just !== undefined || must;
  if (!asked && !isInMeasure(request.purpose, request.level, drill, level)) return out("purpose");
  if (!asked && isOfAnotherSport(drill, level, request)) return out("purpose");
  // A chair is for desks, and for those who need one.
  if (
    !asked &&
    request.purpose !== "desk-break" &&
    !request.using.includes("chair") &&
    placeOf(form.posture) === "seat" &&
    request.group?.setting.who !== "older"
  )
    return out("purpose");
  if (!asked && drill.method === "effort" && without !== "effort" && !effortAllowed(request)) return out("effort");
  const atHand = request.group?.setting.kit === undefined ? AT_HAND[request.purpose] : undefined;
  if (atHand && without !== "kit" && !must && !needsOf(form).every((piece) => atHand.includes(piece)))
    return out("kit");
  const { group } = request;
  const people = Math.max(1, group?.people.length ?? 1);
  if (!asked && without !== "lanes" && shareInLines(drill, level, group) < LEAST_IN_LINES) return out("lanes");
  const soft = SURFACE_FACTS[surfaceOf(group?.setting, request.purpose)].kneel === "yes";
  const left = (form.helps ?? []).filter(
    (piece) => (piece === "pad" && soft) || !piecesThere([piece], people, group?.setting ?? {}),
  );
  const kit = kitUsed(form, { without: left });
  // Held for as short as it can be: what is too long for these people is a shorter hold, not another drill.
  const shortest =
    drill.method === "hold" && !hasOwnTimes(form.dose) ? withAmount(form.dose, form.bounds.least) : form.dose;
  const item = { ...itemOf(drill, level), dose: just ?? shortest, ...(left.length > 0 && { without: left }) };
  const look = lookAt(request, item, drill, offered);
  const stops = RULES.filter(
    ([limit, rule]) => limit !== without && rule.find(look).some((f) => f.severity !== "hint"),
  );
  if (stops.length > 0) return (stops.forEach(([limit]) => why.add(limit)), undefined);
  return { drill, level, kit, without: left };
}

/** A form in a phase, with the ways it may be given there. */
function inPhase(
  request: DraftRequest,
  { drill, level, kit, without }: Form,
  phase: Phase,
  at: number,
  offered: readonly Drill[],
  why: Set<Limit>,
  {
    just,
    anyway = false,
    anyMethod = false,
    limitless,
  }: { just?: Dose | undefined; anyway?: boolean; anyMethod?: boolean; limitless?: Limit | undefined } = {},
): Candidate | undefined {
  const among = amongOf(request);
  const form = drill.levels[level];
  // Nobody lifts in pairs.
  if (isLift(phase) && drill.partner !== undefined && drill.partner !== "alone" && !anyway) return undefined;
  // A bar is for its lift.
  if (kit.includes("barbell") && !isLift(phase) && !anyway) return undefined;
  const step = phase.ordered ? stepOf(request.school, { drill, level: form, name: level }) : undefined;
  if (phase.ordered && !step && !anyway) return undefined;
  // Only what serves motions is asked to be of a method: what warms, and what it ends with, is as it is.
  if (request.methods && !anyMethod && !anyway && phase.serves && !request.methods.includes(drill.method))
    return void why.add("methods");
  // What serves motions serves one that is asked for; beside a desk it undoes the desk, whatever the sport.
  if (
    phase.serves &&
    !phase.needed &&
    !anyway &&
    request.purpose !== "desk-break" &&
    !form.main.some((row) => weightOf(request.demand, row) > 0)
  )
    return undefined;
  const clock = clockOf(request, phase);
  const familiar = familiarTo({ group: request.group }, drill.id);
  const scales = scalesOf(drill, level);
  const rate = ratesOf(request, drill, level, without, offered, just);
  const options = clock
    ? byClock(request, drill, level, clock).filter(({ dose }) => inHold(request, drill, phase, dose))
    : isLift(phase)
      ? liftOptions(rate, drill, level, phase, request)
      : optionsOf(request, drill, level, phase, rate, among, just);
  const isFine = (dose: Dose): boolean => {
    const item = { ...itemOf(drill, level), dose, ...(without.length > 0 && { without: [...without] }) };
    if (!request.group) return true;
    const { effortCap, holdCap, floor: length } = request.group.setting;
    const plain = effortCap === undefined && holdCap === undefined && length === undefined && among.who === "adults";
    if (plain && !protects(request)) return true;
    const look = lookAt(request, item, drill, offered);
    return DOSE_RULES.every(([limit, rule]) => {
      const ok = limit === limitless || !rule.find(look).some((f) => f.severity !== "hint");
      if (!ok) why.add(limit);
      return ok;
    });
  };
  // Each set of a lift, not the first alone: what somebody does instead has to fit into the shortest, too.
  const fine = options.filter(({ dose, lift }) =>
    (lift ? lift.counts.map((n) => withAmount(dose, n)) : [dose]).every(isFine),
  );
  if (fine.length === 0) return void (options.length === 0 && clock && why.add("interval"));
  const showing = isLift(phase) ? showingOfLift(among.who) : showingFor(drill, level, familiar, among.who);
  const candidate = {
    drill,
    level,
    phase,
    at,
    step,
    rank: step ? stepRank(step) : 0,
    from: form.posture,
    to: form.endPosture,
    kit,
    without,
    show: clock ? 0 : showing,
    showing,
    options: fine,
    gives: rate.gives,
    scales,
    speed: speedOf(drill, level),
    place: placeOf(form.posture) === "feet" ? placeOf(form.endPosture) : placeOf(form.posture),
    taught: !isLift(phase) && isTaught(drill, level),
    familiar,
    cold: coldSafe(drill, level),
  };
  if (anyway || just) return candidate;
  // Nobody stays in one position for too long by one drill alone.
  const short = fine.filter(({ work, twice }) =>
    STAYS.every(({ is, most }) => is(candidate) === undefined || work / (twice ? 2 : 1) <= most(request) + 1e-9),
  );
  return short.length > 0 ? { ...candidate, options: short } : undefined;
}

const protects = ({ group }: DraftRequest): boolean =>
  (group?.setting.areas?.length ?? 0) > 0 || (group?.people.some(({ areas }) => areas.length > 0) ?? false);

/** What a second of work of a level gives, and what each time through it takes besides: changes of side and direction. */
type Rate = { perAmount: Seconds; fixed: Seconds; gives: Candidate["gives"] };

function ratesOf(
  request: DraftRequest,
  drill: Drill,
  level: LevelName,
  without: readonly Kit[],
  offered: readonly Drill[],
  just?: Dose,
): Rate {
  const item = {
    ...itemOf(drill, level),
    ...(just && { dose: just }),
    demo: 0,
    ...(without.length > 0 && { without: [...without] }),
  };
  const { session, timeline, drills } = lookAt(request, item, drill, offered);
  const of = (kinds: (kind: string) => boolean) =>
    timeline.segments.reduce((sum, s) => (kinds(s.kind) ? sum + s.seconds : sum), 0);
  const work = of((kind) => kind === "work");
  const sums = new Map<string, [Seconds, Seconds]>();
  eachGift(
    session,
    timeline,
    drills,
    ({ row, main, left, right }) => {
      if (weightOf(request.demand, row) === 0) return;
      const key = `${row} ${main ? 1 : 0}`;
      const [a, b] = sums.get(key) ?? [0, 0];
      sums.set(key, [a + left, b + right]);
    },
    inLines(request.group),
  );
  const gives = [...sums].flatMap(([key, [left, right]]) => {
    const [row, main] = key.split(" ") as [Motion, string];
    const share = Math.min(left, right) / Math.max(1e-9, work);
    return share > 0 ? [{ row, main: main === "1", share }] : [];
  });
  return {
    perAmount: work / Math.max(1e-9, amountOf(item.dose).value),
    fixed: of((kind) => kind === "switch" || kind === "turn"),
    gives,
  };
}

const saidIn = (drill: Drill, level: LevelName, phase: Phase): Said => ({
  method: drill.method,
  gait: drill.levels[level].gait,
  builds: phase.id === "build" || isLift(phase),
});

/** The amounts a coach would say of a drill in a phase: inside its bounds, near its usual ones, as long as is right to hold. */
function amountsOf(
  request: DraftRequest,
  drill: Drill,
  level: LevelName,
  phase: Phase,
  { perAmount }: Rate,
  among: Among,
): number[] {
  const { dose, bounds } = drill.levels[level];
  const usual = amountOf(dose).value;
  const unit = doseSeconds(withAmount(dose, 1), request.pace);
  const range = drill.method === "hold" ? holdRange(phase, among) : undefined;
  const [least, most] = range
    ? [range.least / unit, range.most / unit]
    : [usual * ROUGH.least, usual * (drill.method === "breath" ? ROUGH.breaths : ROUGH.most)];
  const calm = phase.takes.every(({ breath }) => breath);
  const long = phaseSeconds(phase, request.target).most;
  const all = (spokenAmounts(dose, saidIn(drill, level, phase)) ?? [usual]).filter(
    (n) =>
      n >= bounds.least - 1e-9 &&
      n <= bounds.most + 1e-9 &&
      n >= least - 1e-9 &&
      n <= most + 1e-9 &&
      n * perAmount >= Math.min(WORTH_SHOWING, usual * perAmount) - 1e-9 &&
      n * perAmount <= long + 1e-9 &&
      (!calm || phase.id === "settle-in" || n * perAmount >= phase.seconds - 1e-9),
  );
  const wanted = range ? range.usual / unit : usual;
  return all
    .sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))
    .slice(0, calm ? 20 : MOST_AMOUNTS)
    .sort((a, b) => a - b);
}

/** The ways to give a drill in a phase. */
function optionsOf(
  request: DraftRequest,
  drill: Drill,
  level: LevelName,
  phase: Phase,
  rate: Rate,
  among: Among,
  just?: Dose,
): Option[] {
  const { dose: usual } = drill.levels[level];
  const amounts = just ? [amountOf(just).value] : amountsOf(request, drill, level, phase, rate, among);
  const doses = just
    ? [just]
    : hasOwnTimes(usual) && amounts.length === 0
      ? [usual]
      : amounts.map((n) => withAmount(usual, n));
  const built = phase.id === "build" || (phase.id === "rehearse" && !isLift(phase));
  const rounds =
    (phase.ordered || phase.id === "undo") &&
    drill.method !== "release" &&
    drill.method !== "effort" &&
    !hasOwnTimes(usual) &&
    !(drill.method === "hold" && beforePower(request.purpose));
  const options = doses.flatMap((dose): Option[] => {
    const work = rate.perAmount * amountOf(dose).value;
    const once = { dose, twice: false, sets: 1, rest: 0, work, planned: 0, seconds: work + rate.fixed };
    const side = doseSeconds(dose, request.pace) * drill.directions;
    return [
      once,
      ...(rounds && side <= LONGEST_TWICE
        ? [{ ...once, twice: true, work: 2 * work, seconds: 2 * (work + rate.fixed) }]
        : []),
      ...(built && isCounted(dose)
        ? [
            {
              ...once,
              sets: 2,
              rest: SET_REST,
              work: 2 * work,
              planned: SET_REST,
              seconds: 2 * (work + rate.fixed) + SET_REST,
            },
          ]
        : []),
    ];
  });
  return options.sort((a, b) => a.seconds - b.seconds);
}

/** Sets of a lift: fewer repetitions each time, longer rests as the weight goes up. */
const LIFT_SETS: readonly { counts: readonly number[]; rests: readonly Seconds[] }[] = [
  { counts: [6, 4], rests: [30] },
  { counts: [6, 4], rests: [45] },
  { counts: [6, 5], rests: [45] },
  { counts: [6, 4], rests: [60] },
  { counts: [6, 4, 3], rests: [30, 45] },
  { counts: [6, 4, 3], rests: [45, 60] },
  { counts: [6, 4, 3], rests: [45, 75] },
  { counts: [6, 4, 3], rests: [60, 90] },
  { counts: [6, 5, 4, 3], rests: [30, 45, 60] },
  { counts: [6, 5, 4, 3], rests: [45, 60, 75] },
  { counts: [6, 5, 4, 3], rests: [60, 75, 90] },
  { counts: [8, 6, 5, 4], rests: [60, 75, 90] },
];

function liftOptions(
  { perAmount, fixed }: Rate,
  drill: Drill,
  level: LevelName,
  phase: Phase,
  { target }: DraftRequest,
): Option[] {
  const { dose, bounds } = drill.levels[level];
  if (!isCounted(dose) || dose.kind !== "reps") return [];
  const most = phaseSeconds(phase, target).most;
  return LIFT_SETS.filter(({ counts }) => counts.every((n) => n >= Math.min(3, bounds.least) && n <= bounds.most))
    .map((lift): Option => {
      const work = lift.counts.reduce((sum, n) => sum + n * perAmount, 0);
      const planned = lift.rests.reduce((sum, n) => sum + n, 0);
      return {
        dose: withAmount(dose, lift.counts[0]!),
        twice: false,
        sets: 1,
        rest: 0,
        lift,
        work,
        planned,
        seconds: work + planned + fixed * lift.counts.length,
      };
    })
    .filter(({ seconds }) => seconds <= most)
    .sort((a, b) => a.seconds - b.seconds);
}

/** Whether what the clock makes of a hold is no longer than is right in a phase. */
function inHold(request: DraftRequest, drill: Drill, phase: Phase, dose: Dose): boolean {
  const range = drill.method === "hold" ? holdRange(phase, amongOf(request)) : undefined;
  return !range || doseSeconds(dose, request.pace) <= range.asked;
}

/**
 * A form as it is done by the clock: one dose, as much as fits into the work, and the rest after each of its passes. None for
 * what has times of its own, what does not come to an amount inside its bounds in that time, and a seat that is not
 * sat down on in the rest.
 */
function byClock(request: DraftRequest, drill: Drill, level: LevelName, interval: Interval): Option[] {
  const form = drill.levels[level];
  const { pace } = request;
  if (hasOwnTimes(form.dose)) return [];
  const change = moveSeconds("standing", form.posture, pace) + (form.kit.length > 0 ? pace.kitChange : 0);
  if (postureFacts(form.posture).seated && change > interval.rest) return [];
  const dose = doseDone({ interval }, { dose: form.dose }, drill.sides, drill.directions, pace);
  const { least, most } = form.bounds;
  const { value } = amountOf(dose);
  const unit = doseSeconds(withAmount(dose, 1), pace);
  if (value < least || value > most || (isCounted(dose) && unit * drill.directions > interval.work)) return [];
  const passes = drill.sides === "each" ? 2 : 1;
  return [1, 2].map((times) => ({
    dose,
    twice: times === 2,
    sets: 1,
    rest: 0,
    work: passes * times * interval.work,
    planned: passes * times * interval.rest,
    seconds: passes * times * (interval.work + interval.rest),
  }));
}

/** One drill on its own, as the audit is told of it; what it covers is worked out when a rule or a sum asks for it. */
export function lookAt(request: DraftRequest, item: Item, drill: Drill, offered: readonly Drill[]): AuditInput {
  const session: SessionPlan = {
    ...newSession({ title: "x", purpose: request.purpose, target: request.target }, [
      { title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [item] },
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
      return coverageOf(session, timeline, drills, inLines(request.group));
    },
    demand: request.demand,
    group: request.group,
    offered,
  };
}
