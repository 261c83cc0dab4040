import { allClocked, arcOf, rowsOf, servedIn, type Candidate } from "./candidate";
import { STAYS } from "./stays";
import { mayRepeat } from "./dose";
import { lastApart, type Apart, type DraftRequest } from "./request";
import { leastIn } from "./sequencing";
import { MAY_GIVE, phasesAt, phaseSeconds } from "~/core/arc/arcs";
import { groundOf, lowAtMost, surfaceOf } from "~/core/arc/ground";
import { isForHolding, onlyWarms } from "~/core/arc/fits";
import { forGroup } from "~/core/arc/people";
import type { Phase } from "~/core/arc/schema";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { mostNew, mostTaught } from "~/core/arc/showing";
import { PLANES } from "~/core/browse/browse";
import { beforePower } from "~/core/audit/look";
import { isStrong, WARM_SECONDS } from "~/core/audit/rules/cold-effort";
import { deadAtMost } from "~/core/audit/rules/dead-time";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { EASY_EFFORT, SLOWER, WAY_IN } from "~/core/audit/rules/way-in";
import type { Purpose } from "~/core/session/schema";
import { LIFT_JOINTS, LIFTS } from "~/core/vocabulary/lifts";
import type { Method } from "~/core/vocabulary/methods";
import type { Program, Term } from "~/core/fit/program";
import { targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { JOINTS, MOTION_FACTS, MOTIONS, type Joint, type Motion } from "~/core/vocabulary/motions";
import { FAST_ACTIONS } from "~/core/vocabulary/rehearses";
import { asksEffort, breathesOutLonger } from "~/core/dose/dose";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import type { Seconds, Share } from "~/core/units";

/** What drills give a motion besides what they are for counts to at most half of what it wants. */
const ALSO_AT_MOST: Share = 0.5;
/** And what only warms, or is rehearsed, so much: it takes no joint to the end of its range. */
const BESIDES_AT_MOST: Share = 0.25;
/** Going to where a drill is done takes about this long: on the feet, on a chair or kneeling, on the floor. */
const GETTING_THERE = { feet: 1.5, seat: 5, middle: 5, low: 7 } as const;
/** Seconds of a phase besides its drills that a bound may reckon with: moving into it and in it. */
const LOOSE: Seconds = 45;
/** Going through a block twice takes more moving than is reckoned, of the target at most this much. */
const ROUNDS_TAKE: Share = 0.012;
/** From here on each half of the body gets two drills. */
const LONG_ENOUGH: Seconds = 600;
const LEGS: ReadonlySet<Joint> = new Set(["hip", "knee", "ankle", "toes"]);
const HALVES: readonly [string, ReadonlySet<Joint>][] = [
  ["legs", LEGS],
  ["upper", new Set(JOINTS.filter((joint) => !LEGS.has(joint)))],
];
/** More than anything adds by being gone through twice. */
const ROOMY: Seconds = 400;
/** One drill of a stage for each of these at most. */
const STAGE_EACH: Seconds = 75;
/** From here on the raise is more than one thing. */
const LONG_RAISE: Seconds = 90;
/** The order of giving way: a school's stages, rounds (in the doses), planes, one drill to teach more, shares by five points more. */
export type Yield = 0 | 1 | 2 | 3 | 4;

export type ChoiceOptions = {
  /** Only what no session can do without, for a bound: no wishes, no reckoning with moves. */
  proof?: boolean;
  /** How much has given way. */
  yields?: Yield;
  /** Choices that came out no good, by index: not all of one of them again. */
  tried?: readonly (readonly number[])[];
  /** Drafts to differ from: at most so many of these drills again. */
  apart?: readonly Apart[];
  /** Seconds kept free besides what is reckoned, of all and of what nobody works in. */
  reserve?: Seconds;
  dead?: Seconds;
  /** By phase: so much longer, or shorter, its drills have to be than they were. */
  shifts?: ReadonlyMap<number, Seconds>;
  /** What each candidate is wished for besides, by index. */
  wishes?: readonly number[];
  /** Candidates that are not for this idea, by index. */
  out?: ReadonlySet<number>;
};

export const column = (i: number): string => `y${i}`;
export const place = (i: number, k: number): string => `l${i}_${k}`;
/** The column of how much of a row's target is reached. */
export const fitColumn = (row: Motion): string => `z_${row.replace(".", "_")}`;

/** Every direction is asked for from ten minutes on; a lift moves in its own. */
export const asksForPlanes = (purpose: Purpose, target: Seconds): boolean =>
  target >= 600 && purpose !== "before-lifting";

/** Whether a phase is slow breath and nothing else. */
const isCalm = ({ takes }: Phase): boolean => takes.every(({ breath }) => breath);

/** What works in a phase that is there for holding. */
const HELD_BY: ReadonlySet<Method> = new Set(["hold", "release", "effort", "resisted", "breath"]);

/** The middle of the seconds a phase is to take. */
const middleOf = ({ share }: Phase, target: Seconds): Seconds => ((share.least + share.most) / 200) * target;

/** How many drills a phase has at most. */
export function drillsAtMost(phase: Phase, target: Seconds): number {
  if (phase.takes.every(({ breath, rehearses }) => breath || rehearses === "lift")) return 1;
  if (phase.id === "settle-in") return 1;
  if (phase.takes.some(({ rehearses }) => rehearses)) return 2;
  const middle = middleOf(phase, target);
  return phase.serves && !phase.needed
    ? Math.max(2, Math.ceil(middle / 40))
    : Math.min(4, Math.max(2, Math.round(middle / 50)));
}

/** Seconds of each step of a candidate between its shortest and its longest way. */
export const spanOf = ({ options }: Candidate) => {
  const [first, last] = [options[0]!, options.at(-1)!];
  return {
    seconds: first.seconds,
    more: last.seconds - first.seconds,
    work: first.work,
    moreWork: last.work - first.work,
  };
};

/**
 * The choice of drills and roughly how long each lasts, as a mixed-integer program: how far the session meets the demand, made
 * most, inside the arc's windows and the rules a coach would name; docs/draft.md has it in formulas.
 */
export function choiceOf(
  request: DraftRequest,
  candidates: readonly Candidate[],
  options: ChoiceOptions = {},
): Program {
  const { proof = false, yields = 0, tried = [], apart = [], reserve = 0, dead = 0, shifts, wishes, out } = options;
  const { target, demand, group } = request;
  const arc = arcOf(request);
  const phases = phasesAt(arc, target);
  const who = forGroup(group);
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const free = (name: string, most = 1) => void columns.push({ name, least: 0, most, whole: false });
  const all = candidates.map((_, i) => i);
  const where = (of: (c: Candidate, i: number) => boolean) => all.filter((i) => of(candidates[i]!, i));
  const count = (which: readonly number[], times = 1): Term[] => which.map((i) => ({ column: column(i), times }));
  const row = (name: string, terms: Term[], bounds: { least?: number; most?: number }) =>
    void (terms.length > 0 && rows.push({ name, terms, ...bounds }));

  const targets = targetsOf(demand, servedIn(request));
  // A candidate is given between its shortest and its longest way; between two corners it gives evenly.
  const corners = candidates.map((c, i): number[] => {
    columns.push({ name: column(i), least: 0, most: out?.has(i) ? 0 : 1, whole: true });
    const { work, more, moreWork } = spanOf(c);
    // The longer way may have longer rests alone, as two sets of a lift have.
    if (more <= 1e-9 && moreWork <= 1e-9) return [];
    const full = c.gives
      .map(
        ({ row: motion, share, main }) =>
          ((targets[motion] * (main && (proof || c.phase.serves) ? 1 : ALSO_AT_MOST)) / share - work) / moreWork,
      )
      .filter((at) => at > 1e-6 && at < 1 - 1e-6);
    const list = [...new Set([0, ...full, 1])].sort((x, y) => x - y);
    list.forEach((_, k) => free(place(i, k)));
    rows.push({
      name: `dose${i}`,
      terms: [...list.map((_, k) => ({ column: place(i, k), times: 1 })), { column: column(i), times: -1 }],
      least: 0,
      most: 0,
    });
    return list;
  });
  /** What a candidate adds to a sum that is even in how long it is given; `most` is where what counts of it ends. */
  const terms = (i: number, first: number, more: number, most = Infinity): Term[] =>
    corners[i]!.length > 0
      ? corners[i]!.map((at, k) => ({ column: place(i, k), times: Math.min(most, first + more * at) })).filter(
          (t) => t.times !== 0,
        )
      : first === 0
        ? []
        : [{ column: column(i), times: Math.min(most, first) }];
  const seconds = (i: number): Term[] => {
    const { seconds: first, more } = spanOf(candidates[i]!);
    const { show, place: at, kit } = candidates[i]!;
    const moving = proof ? 0 : GETTING_THERE[at] * who.moves + (kit.length > 0 ? request.pace.kitChange : 0);
    return terms(i, first + show + moving, more);
  };
  const work = (i: number, times = 1): Term[] => {
    const { work: first, moreWork } = spanOf(candidates[i]!);
    return terms(i, first * times, moreWork * times);
  };
  const sum = (which: readonly number[], of: (i: number) => Term[]): Term[] => which.flatMap((i) => of(i));

  // How far the demand is met. What warms and is rehearsed moves, too, but opens nothing: like what is worked besides, it counts
  // to half of what is wanted.
  const served = (c: Candidate, main: boolean): boolean =>
    main &&
    (proof ||
      isCalm(c.phase) ||
      (c.phase.serves === true && !c.phase.uses && (!isForHolding(c.phase) || HELD_BY.has(c.drill.method))));
  const weights = MOTIONS.reduce((total, motion) => total + weightOf(demand, motion), 0);
  for (const motion of MOTIONS) {
    const weight = weightOf(demand, motion);
    if (weight === 0) continue;
    const given = (main: boolean) =>
      all.flatMap((i) =>
        candidates[i]!.gives.filter((g) => g.row === motion && served(candidates[i]!, g.main) === main).flatMap(
          ({ share }) => {
            const { work: first, moreWork } = spanOf(candidates[i]!);
            const by = share / targets[motion];
            const most = main
              ? 1
              : !proof && (candidates[i]!.phase.needed || candidates[i]!.phase.uses)
                ? BESIDES_AT_MOST
                : ALSO_AT_MOST;
            return terms(i, first * by, moreWork * by, most);
          },
        ),
      );
    const [main, also] = [given(true), given(false)];
    if (main.length + also.length === 0) continue;
    const name = fitColumn(motion);
    free(name);
    const minus = (list: Term[]) => list.map(({ column: c, times }) => ({ column: c, times: -times }));
    if (also.length > 0) {
      // Also's share counts whole in what is said of a session; what is chosen is chosen for what it is for.
      free(`a${name}`, proof ? 1 : ALSO_AT_MOST);
      row(`also_${name}`, [{ column: `a${name}`, times: 1 }, ...minus(also)], { most: 0 });
    }
    row(
      `fit_${name}`,
      [{ column: name, times: 1 }, ...minus(main), ...(also.length > 0 ? [{ column: `a${name}`, times: -1 }] : [])],
      { most: 0 },
    );
    objective.push({ column: name, times: weight / weights });
  }

  // Time: of all, and of each phase.
  const clocked = request.interval ? request.interval.rest : 0;
  row("time", sum(all, seconds), { most: target - reserve + clocked });
  if (!proof) row("enough", sum(all, seconds), { least: target - 20 - reserve });
  const points = yields >= 4 ? (MAY_GIVE / 100) * target : 0;
  phases.forEach((phase, p) => {
    const here = where((c) => c.at === p);
    const { least, most } = phaseSeconds(phase, target);
    const slack = proof ? LOOSE : 0;
    const shift = shifts?.get(p) ?? 0;
    row(`phase${p}`, sum(here, seconds), {
      least: Math.max(0, least - points - slack + (proof ? 0 : 3) + Math.max(0, shift)),
      most: most + points - (proof ? 0 : (phase.ordered ? ROUNDS_TAKE * target : 0) + 2) + Math.min(0, shift),
    });
    row(`some${p}`, count(here), { least: 1, most: drillsAtMost(phase, target) });
    if (!proof && yields < 3) {
      // Nobody warms up by one and the same thing for minutes.
      if ((phase.reaches || phase.pulse.ends) && middleOf(phase, target) >= LONG_RAISE)
        row(`two${p}`, count(here), { least: 2 });
    }
    if (phase.pulse.ends !== undefined)
      row(
        `awake${p}`,
        count(here.filter((i) => candidates[i]!.scales.pulse >= phase.pulse.ends! - (who.raise === 1 ? 1 : 0))),
        {
          least: 1,
        },
      );
    // Who says how strong efforts may be, wants one.
    if (!proof && yields < 2 && phase.ramps && group?.setting.effortCap !== undefined) {
      const efforts = here.filter((i) => candidates[i]!.drill.method === "effort");
      if (efforts.length > 0) row(`effort${p}`, count(efforts), { least: 1 });
    }
    if (phase.work) row(`work${p}`, sum(here, work), { least: phase.work });
    if (phase.reaches) {
      const brisk = new Set(where((c) => c.at === p && c.scales.pulse >= who.raise));
      row(
        `warm${p}`,
        here.flatMap((i) => work(i, brisk.has(i) ? 1 - phase.reaches!.share / 100 : -phase.reaches!.share / 100)),
        { least: 0 },
      );
    }
    // Only a block of two or more is gone through twice: one drill by itself lasts as long as once through.
    if (!here.some((i) => mayRepeat(candidates[i]!, request)))
      row(
        `alone${p}`,
        [
          ...here.flatMap((i) => {
            const { seconds: first, more } = spanOf(candidates[i]!);
            const single = Math.max(...candidates[i]!.options.filter(({ twice }) => !twice).map((one) => one.seconds));
            return corners[i]!.map((at, k) => ({
              column: place(i, k),
              times: Math.max(0, first + more * at - single),
            }));
          }),
          ...count(here, -ROOMY),
        ].filter(({ times }) => times !== 0),
        { most: -ROOMY },
      );
    // Before sport both halves of the body are moved.
    if (!proof && yields < 3 && phase.id === "move" && beforePower(request.purpose) && !request.lift)
      for (const [name, half] of HALVES) {
        const which = here.filter((i) =>
          half.has(MOTION_FACTS[candidates[i]!.drill.levels[candidates[i]!.level].main[0]!].joint),
        );
        if (which.length > 0) row(`${name}${p}`, count(which), { least: target >= LONG_ENOUGH ? 2 : 1 });
      }
    // No more than so many in a row for one joint: with n drills, of which k are for it, k ≤ most · (n − k + 1).
    if (phase.row) {
      const { of, most: run } = phase.row;
      const key = (c: Candidate) => {
        const first = c.drill.levels[c.level].main[0]!;
        return of === "joint" ? MOTION_FACTS[first].joint : first;
      };
      for (const one of new Set(here.map((i) => key(candidates[i]!)))) {
        const same = here.filter((i) => key(candidates[i]!) === one);
        const others = here.filter((i) => key(candidates[i]!) !== one);
        row(`row${p}_${one.replaceAll(/\W/g, "_")}`, [...count(same, 1), ...count(others, -run)], { most: run });
      }
    }
    const quick =
      phase.takes.some(({ rehearses }) => !rehearses) ||
      (demand.rehearses ?? []).some((one) => FAST_ACTIONS.includes(one));
    if (phase.speed.ends !== undefined && quick) {
      const fast = where((c) => c.at === p && c.scales.speed >= phase.speed.ends! - (who.raise === 1 ? 1 : 0));
      row(`ends${p}`, count(fast), { least: 1 });
    }
    // The stages of the school, where they have not given way.
    if (phase.ordered && yields < 1) {
      const most = Math.floor((((phase.share.least + phase.share.most) / 200) * target) / STAGE_EACH);
      let left = most;
      request.school.stages.forEach((stage, s) => {
        const which = where((c) => c.at === p && c.step?.stage === s);
        const asked = Math.min(leastIn(stage, most * STAGE_EACH), left, which.length);
        left -= Math.max(0, asked);
        if (asked > 0) row(`stage${p}_${s}`, count(which), { least: asked });
      });
    }
  });
  const cold = where((c) => c.at === 0 && c.cold);
  if (cold.length > 0) row("cold", count(cold), { least: 1 });

  // Each drill once; each idea once, but for what may come again.
  const groups = (key: (c: Candidate) => string | undefined, which = all) => {
    const map = new Map<string, number[]>();
    for (const i of which) {
      const k = key(candidates[i]!);
      if (k !== undefined) map.set(k, [...(map.get(k) ?? []), i]);
    }
    return [...map.values()];
  };
  groups((c) => c.drill.id).forEach((which, k) => {
    if (request.must.includes(candidates[which[0]!]!.drill.id)) row(`must${k}`, count(which), { least: 1, most: 1 });
    else if (which.length > 1) row(`once${k}`, count(which), { most: 1 });
  });
  groups(
    (c) => c.drill.family,
    where((c) => !c.phase.again),
  ).forEach((which, k) => {
    const wanted = new Set(which.map((i) => candidates[i]!.drill.id).filter((id) => request.must.includes(id))).size;
    if (which.length > 1) row(`family${k}`, count(which), { most: Math.max(1, wanted) });
  });
  // Within a phase that may have a family again, too.
  phases.forEach((phase, p) =>
    groups((c) => c.drill.family, phase.again ? where((c) => c.at === p) : []).forEach(
      (which, k) => which.length > 1 && row(`again${p}_${k}`, count(which), { most: 1 }),
    ),
  );

  // Few drills, well used.
  const teach = mostTaught(target) + (yields >= 3 ? 1 : 0);
  const musts = request.must.length;
  row("taught", count(where((c) => c.taught)), { most: Math.max(teach, musts) });
  row("drills", count(all), { most: Math.max(teach + phases.length, musts + phases.length) });
  if (group?.shown)
    row("new", count(where((c) => c.taught && c.familiar === "new")), { most: Math.max(mostNew(target), musts) });

  // What was asked for in a word: a piece of kit, something new.
  if (!proof && yields < 4) {
    for (const piece of request.using) {
      const which = where((c) => c.kit.includes(piece));
      if (which.length > 0) row(`using_${piece.replaceAll(/\W/g, "_")}`, count(which), { least: 1 });
    }
    const fresh = where((c) => c.taught && c.familiar === "new" && !c.phase.needed);
    if (request.familiar === "new" && group?.shown && fresh.length > 0) row("fresh", count(fresh), { least: 1 });
  }

  // Where people are.
  const ground = groundOf(arc, demand);
  const low = new Set(where((c) => c.place === "low"));
  const middle = new Set(where((c) => c.place === "middle"));
  const share = (name: string, set: ReadonlySet<number>, most: number) => {
    if (most >= 100 || set.size === 0) return;
    if (most === 0)
      row(name, count([...set].filter((i) => !request.must.includes(candidates[i]!.drill.id))), { most: 0 });
    else
      row(
        name,
        all.flatMap((i) => work(i, (set.has(i) ? 1 : 0) - most / 100)),
        { most: 0 },
      );
  };
  share("low", low, lowAtMost(ground, surfaceOf(group?.setting, request.purpose)));
  share("middle", middle, ground.middle);
  const from = phases.findIndex(({ id }) => id === ground.feetFrom);
  if (from >= 0) {
    const down = where(
      (c) => c.at >= from && c.place !== "feet" && !request.must.includes(c.drill.id) && !c.drill.rehearses?.length,
    );
    row("feet", count(down), { most: 0 });
  }
  if (ground.feetLast > 0 && !proof && from < 0) {
    const last = phases.length - 1;
    row("feet-last", count(where((c) => c.at === last && c.place !== "feet")), { most: 0 });
  }

  // Warm: so much of it at a pulse that warms.
  if (arc.warm > 0)
    row(
      "warm",
      sum(
        where((c) => c.scales.pulse >= who.raise),
        work,
      ),
      { least: (arc.warm / 100) * target },
    );

  // A way in before anything strong, hard or fast: easier, slower and warm work for the same motions, no later than its phase.
  const raise = phases.findIndex(({ reaches }) => reaches);
  for (const i of all) {
    const here = candidates[i]!;
    if (here.at === raise) continue;
    const { effort, impact, speed } = here.scales;
    const mains = rowsOf(here, false);
    const before = (of: (c: Candidate) => boolean) =>
      where((c, j) => j !== i && c.at <= here.at && c.drill.id !== here.drill.id && of(c));
    const meets = (c: Candidate) => [...rowsOf(c, true)].some((motion) => mains.has(motion));
    const wants = (name: string, which: number[], least: Seconds) =>
      row(`${name}${i}`, [...sum(which, work), { column: column(i), times: -least }], { least: 0 });
    if (asksEffort(here.options[0]!.dose)) {
      if (!isStrong(here.options[0]!.dose)) continue;
      for (const motion of mains)
        wants(
          `ramp${motion.replace(".", "_")}`,
          before((c) => !asksEffort(c.options[0]!.dose) && rowsOf(c, true).has(motion)),
          WARM_SECONDS,
        );
      continue;
    }
    if (effort > EASY_EFFORT || (speed >= 2 && effort >= EASY_EFFORT))
      wants(
        "easy",
        before((c) => c.scales.effort <= EASY_EFFORT && meets(c)),
        WAY_IN,
      );
    if (impact >= 2 || speed >= 3) {
      wants(
        "pulse",
        before((c) => c.scales.pulse >= 2),
        WAY_IN,
      );
      wants(
        "slow",
        before((c) => c.scales.speed < speed && meets(c)),
        SLOWER,
      );
    }
  }

  // What is let go is moved next.
  for (const i of where((c) => c.drill.method === "release")) {
    const mains = rowsOf(candidates[i]!, false);
    const next = where(
      (c) =>
        c.at === candidates[i]!.at && c.drill.method !== "release" && [...rowsOf(c, false)].some((m) => mains.has(m)),
    );
    row(`release${i}`, [...count(next), { column: column(i), times: -1 }], { least: 0 });
  }

  // Holds before power: each motion about a minute a side at most, and one long one.
  if (beforePower(request.purpose))
    for (const motion of MOTIONS) {
      const held = where((c) => c.drill.method === "hold" && rowsOf(c, false).has(motion));
      if (held.length < 2) continue;
      row(
        `held_${motion.replace(".", "_")}`,
        held.flatMap((i) => work(i, candidates[i]!.drill.sides === "each" ? 0.5 : 1)),
        { most: LONGEST_HOLD },
      );
    }

  // Nobody stays in one position for too long.
  for (const { most, is } of proof ? [] : STAYS)
    phases.forEach((_, p) => {
      const names = groups(
        is,
        where((c) => c.at === p),
      );
      for (const which of names)
        if (which.length > 1) row(`stay${rows.length}`, sum(which, work), { most: 2 * most(request) });
    });

  // Dead time.
  if (!proof && !allClocked(request))
    row(
      "dead",
      all.flatMap((i) => {
        const c = candidates[i]!;
        const { seconds: first, work: worked, more, moreWork } = spanOf(c);
        const rest = c.options[0]!.planned;
        const restMore = c.options.at(-1)!.planned - rest;
        return terms(
          i,
          first -
            worked -
            rest +
            c.show +
            GETTING_THERE[c.place] * who.moves +
            (c.kit.length > 0 ? request.pace.kitChange : 0),
          more - moreWork - restMore,
        );
      }),
      { most: deadAtMost(target) * target - dead },
    );

  // Every direction from ten minutes on, where it has not given way.
  if (asksForPlanes(request.purpose, target) && yields < 2)
    for (const plane of PLANES) {
      const which = where(
        (c) => c.phase.serves === true && [...rowsOf(c, false)].some((motion) => MOTION_FACTS[motion].plane === plane),
      );
      if (which.length > 0) row(`plane_${plane.replace("-", "_")}`, count(which), { least: 1 });
    }

  tried.forEach((which, k) => row(`tried${k}`, count(which), { most: which.length - 1 }));
  [...lastApart(request), ...apart].forEach(({ drills, most }, k) =>
    row(`apart${k}`, count(where((c) => drills.has(c.drill.id))), { most }),
  );
  if (!proof) all.forEach((i) => objective.push({ column: column(i), times: wishes?.[i] ?? 0 }));
  return { objective, rows, columns };
}

/** So much is a drill wished for that the group knows, where that is asked for. */
const KNOWN = 0.05;

/** What a candidate is wished for by what the group knows: what needs no teaching is as it is. */
export const knownWish = ({ taught, familiar }: Candidate): Share =>
  !taught ? 0 : familiar === "new" ? -KNOWN : KNOWN;
/** Drills that are to come again weigh this much together. */
const LIKE: Share = 0.06;

/** A little of nothing, the same each time: between 0 and this, by a name. */
const VARIETY: Share = 0.01;

function variety(name: string): Share {
  let hash = 7;
  for (const letter of name) hash = (hash * 31 + letter.codePointAt(0)!) % 9973;
  return (VARIETY * hash) / 9973;
}

const HELD_FIRST: readonly Joint[] = ["hip", "ankle", "shoulder", "upper-back"];
const HELD_LAST: readonly Joint[] = ["neck", "wrist"];

/** What each candidate is wished for besides what it gives: what decides among what is nearly as good. */
export function wishesOf(request: DraftRequest, candidates: readonly Candidate[]): number[] {
  const { demand, group, purpose } = request;
  const actions = demand.rehearses ?? [];
  const before = beforePower(purpose);
  const { raise } = forGroup(group);
  const { ups } = groundOf(arcOf(request), demand);
  const onDock = SURFACE_FACTS[surfaceOf(group?.setting, purpose)].onTheSpot === true;
  const soft = SURFACE_FACTS[surfaceOf(group?.setting, purpose)].kneel === "yes";
  // Before sport people stay up: going down costs, before a game and on hard ground most of all.
  const down = demand.groundSport
    ? 0
    : purpose === "before-game"
      ? 0.06
      : purpose === "before-lifting"
        ? 0.01
        : soft
          ? 0.012
          : 0.03;
  return candidates.map((c) => {
    const { drill, level, phase, scales } = c;
    const form = drill.levels[level];
    const { joint } = MOTION_FACTS[form.main[0]!];
    const mine = drill.rehearses ?? [];
    const first = actions.findIndex((one) => mine.includes(one));
    // Few drills, well used: one that has to be taught has to be worth it.
    let wish = c.taught ? -0.018 : -0.01;
    if (request.preferred.includes(drill.method)) wish += 0.004;
    // What is held, or lengthened, is held for long: other ways of working are the exception there.
    if (phase.prefers) wish += phase.prefers.includes(drill.method) ? 0.008 : isForHolding(phase) ? -0.02 : -0.006;
    if (phase.ramps && drill.method === "effort") wish += group?.setting.effortCap !== undefined ? 0.02 : 0;
    if (level === request.level) wish += 0.003;
    if (c.familiar === "known") wish += 0.006;
    if (c.familiar === "once") wish += 0.004;
    // What takes long to show costs that time.
    wish -= (c.familiar === "new" ? 0.012 : 0.006) * Math.max(0, scales.skill - 1);
    if (phase.reaches || phase.course === "falling") wish -= 0.006 * scales.skill;
    wish -= 0.003 * new Set(c.kit.filter((piece) => !KIT_FACTS[piece].words.includes("wall"))).size;
    if (drill.partner !== undefined && drill.partner !== "alone") wish -= 0.006;
    if (c.kit.includes("barbell")) wish += 0.06;
    if (phase.reaches) wish += (scales.pulse >= raise ? 0.008 : -0.02) + (first >= 0 ? 0.004 : 0);
    if (phase.id === "build") {
      wish +=
        (first >= 0 ? 0.014 : -0.008) + (drill.method === "spring" ? 0.006 : 0) - (onlyWarms(drill, level) ? 0.03 : 0);
    }
    if (phase.takes.some(({ rehearses }) => rehearses === "sport"))
      wish +=
        0.03 -
        0.012 * Math.max(0, first) +
        (raise === 2 ? 0.006 : 0) * scales.speed +
        (mine[0] === actions[0] ? 0.01 : 0);
    // Before sport everyone stays warm: what is done on the feet, and gets the pulse up, before what is not.
    if (before && phase.ordered) wish += 0.004 * Math.min(2, scales.pulse);
    if (before && phase.ordered) wish += c.place === "feet" ? 0.006 : -(c.place === "low" ? down : down / 2);
    // Down once and up once: what is on the floor comes together.
    if (ups && c.place !== "feet" && c.place !== "seat")
      wish -= phase.id === "use-it" ? 0.025 : phase.id === "settle-in" ? 0.015 : phase.id === "move" ? 0.008 : 0;
    if (before && phase.id === "move" && drill.method === "hold") wish -= 0.015;
    if (phase.id === "use-it")
      wish += (c.place === "feet" ? 0.01 : 0) - (phase.prefers!.includes(drill.method) ? 0 : 0.015);
    if (phase.id === "settle-in" && drill.method === "breath") wish += 0.012;
    if (isCalm(phase) && breathesOutLonger(c.options[0]!.dose)) wish += 0.03;
    // Who is down stays down to breathe.
    if (ups && isCalm(phase) && c.place === "low") wish += purpose === "after-training" ? 0.025 : 0.01;
    // What a lift loads is moved and switched on before it.
    if (request.lift && phase.serves)
      wish += LIFT_JOINTS[request.lift].includes(joint)
        ? phase.needed
          ? 0.015
          : 0.01
        : phase.needed
          ? -0.015
          : -0.018;
    // The lift itself comes last.
    if (request.lift && phase.serves && mine.includes(LIFTS[request.lift])) wish -= 0.02;
    // Big muscles are worth holding before small ones.
    if (isForHolding(phase)) wish += HELD_FIRST.includes(joint) ? 0.008 : HELD_LAST.includes(joint) ? -0.01 : 0;
    if (phase.reaches && raise === 2 && c.from === "walking") wish -= 0.012;
    if (phase.id === "brisk-end" && level === request.level && form.gait) wish += 0.012;
    if (request.using.some((piece) => c.kit.includes(piece))) wish += 0.02;
    if (request.familiar === "known") wish += knownWish(c);
    // Nobody jumps where there is no room to stumble.
    if (onDock && mine.includes("jump")) wish -= 0.03;
    // So that not every sport gets the same of what is equally good.
    wish += variety(`${drill.id} ${demand.id} ${purpose}`);
    if (request.like.includes(drill.id)) wish += LIKE / request.like.length;
    return wish;
  });
}
