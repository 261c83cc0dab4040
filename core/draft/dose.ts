import { between, type Chosen } from "./arrange";
import { STAYS } from "./stays";
import { allClocked, arcOf, clockOf, rowsOf, servedIn, type Candidate, type Option } from "./candidate";
import type { DraftRequest } from "./request";
import { phaseSeconds, phasesAt } from "~/core/arc/arcs";
import { RESTS } from "~/core/arc/doses";
import { isForHolding } from "~/core/arc/fits";
import { groundOf, lowAtMost, surfaceOf } from "~/core/arc/ground";
import { forGroup } from "~/core/arc/people";
import { beforePower } from "~/core/audit/look";
import { isStrong, WARM_SECONDS } from "~/core/audit/rules/cold-effort";
import { deadAtMost } from "~/core/audit/rules/dead-time";
import { LONGEST_HOLD } from "~/core/audit/rules/long-holds";
import { EASY_EFFORT, SLOWER, WAY_IN } from "~/core/audit/rules/way-in";
import { amountOf } from "~/core/dose/amount";
import { asksEffort, doseSeconds, unitCount } from "~/core/dose/dose";
import type { Program, Solve, Term } from "~/core/fit/program";
import { targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import { setUpsOf } from "~/core/vocabulary/kit";
import type { Seconds } from "~/core/units";

/** A run of drills that is gone through twice, by their places in the order, with the rest between. */
export type Twice = { from: number; to: number; rest: Seconds };

export type Dosed = {
  chosen: Chosen[];
  twice: Twice[];
  /** Rests after a phase, by the clock, so that it ends on the minute. */
  after: Map<number, Seconds>;
  /** What does not fit: by phase how many seconds too short (more than 0) or too long, too much that nobody works in, and drills that stay in one position for too long together. */
  off: { phases: Map<number, Seconds>; dead: Seconds; stays: Candidate[][] };
};

/** A session ends at most this long before its target. */
export const ON_THE_MINUTE: Seconds = 5;
/** Going back to the first drill of a block takes at most this. */
const GO_BACK: Seconds = 5;
/** Drills in a block that is gone through twice. */
const IN_A_BLOCK = { least: 2, most: 4 } as const;
/** By the clock everything lasts as long as it lasts: what is left over is rest between two phases. */
const PHASE_RESTS: readonly Seconds[] = [0, 10, 15, 20, 30, 45];
const ROUND_RESTS: readonly Seconds[] = [0, ...RESTS.filter((rest) => rest <= 30)];
/** What a second that does not fit costs. */
const SECOND_OFF = 0.02;
/** The search is content this near to the best, and gives up after so many nodes: the same on every machine. */
const NEAR = { gap: 0.01, nodes: 60 };

/** By the clock, what a phase needs may be done once more by itself: it is as long as the clock says. */
export const mayRepeat = ({ phase }: Candidate, request: DraftRequest): boolean =>
  clockOf(request, phase) !== undefined && phase.needed === true;

/** Runs of drills that could be gone through twice: of one phase, near to one another, and with no three in a row for a joint. */
function blocksIn(order: readonly Candidate[], request: DraftRequest): { from: number; to: number; extra: Seconds }[] {
  const key = (c: Candidate) => {
    const first = c.drill.levels[c.level].main[0]!;
    return c.phase.row?.of === "motion" ? first : MOTION_FACTS[first].joint;
  };
  const found: { from: number; to: number; extra: Seconds }[] = [];
  for (let from = 0; from < order.length; from++)
    for (
      let to =
        from +
        (mayRepeat(order[from]!, request) && order.filter(({ at }) => at === order[from]!.at).length === 1
          ? 1
          : IN_A_BLOCK.least) -
        1;
      to < Math.min(order.length, from + IN_A_BLOCK.most);
      to++
    ) {
      const run = order.slice(from, to + 1);
      if (run.some((c) => c.at !== run[0]!.at || !c.options.some(({ twice }) => twice))) break;
      const back = between(run.at(-1), run[0]!, request.pace);
      if (back > GO_BACK) continue;
      const inner = run.slice(1).reduce((sum, c, k) => sum + between(run[k], c, request.pace), 0);
      const phase = run[0]!.phase;
      if (phase.row) {
        const all = [...order.slice(0, to + 1), ...run, ...order.slice(to + 1)].filter((c) => c.at === run[0]!.at);
        let length = 0;
        if (all.some((c, k) => (length = k > 0 && key(all[k - 1]!) === key(c) ? length + 1 : 1) > phase.row!.most))
          continue;
      }
      found.push({ from, to, extra: inner + back });
    }
  return found;
}

/**
 * The doses of drills in their order, and which runs of them are gone through twice, so that the session ends on the minute and
 * each phase has its share, as a whole-number program. Undefined where that can't be.
 */
export function dose(
  request: DraftRequest,
  order: readonly Candidate[],
  solve: Solve,
  { correction, short, points }: { correction: Seconds; short: Seconds; points: number },
): Dosed | undefined {
  const { target, demand, group } = request;
  const arc = arcOf(request);
  const phases = phasesAt(arc, target);
  const who = forGroup(group);
  const columns: Program["columns"] = [];
  const rows: Program["rows"] = [];
  const objective: Term[] = [];
  const whole = (name: string) => void columns.push({ name, least: 0, most: 1, whole: true });
  const row = (name: string, terms: Term[], bounds: { least?: number; most?: number }) =>
    void rows.push({ name, terms: terms.filter(({ times }) => times !== 0), ...bounds });
  /** A row that is kept if it can be; a second of it costs much. */
  const soft = (name: string, terms: Term[], { least, most }: { least?: number; most?: number }) => {
    if (least !== undefined) columns.push({ name: `under_${name}`, least: 0, most: 600, whole: false });
    if (most !== undefined) columns.push({ name: `over_${name}`, least: 0, most: 600, whole: false });
    row(
      name,
      [
        ...terms,
        ...(least !== undefined ? [{ column: `under_${name}`, times: 1 }] : []),
        ...(most !== undefined ? [{ column: `over_${name}`, times: -1 }] : []),
      ],
      { ...(least !== undefined && { least }), ...(most !== undefined && { most }) },
    );
    if (least !== undefined) objective.push({ column: `under_${name}`, times: -SECOND_OFF });
    if (most !== undefined) objective.push({ column: `over_${name}`, times: -SECOND_OFF });
  };
  const x = (j: number, o: number) => `x${j}_${o}`;
  const blocks = blocksIn(order, request);
  const moves = order.map((c, j) => between(order[j - 1], c, request.pace));
  const setUps = setUpsOf(order.map(({ kit }) => kit)) * request.pace.kitChange;
  const options = order.map((c) => (blocks.length > 0 ? c.options : c.options.filter(({ twice }) => !twice)));
  if (options.some((list) => list.length === 0)) return undefined;
  order.forEach((_, j) => {
    options[j]!.forEach((_o, o) => whole(x(j, o)));
    row(
      `one${j}`,
      options[j]!.map((_o, o) => ({ column: x(j, o), times: 1 })),
      { least: 1, most: 1 },
    );
    const inBlocks = blocks.flatMap((block, b) =>
      block.from <= j && j <= block.to ? [{ column: `r${b}`, times: -1 }] : [],
    );
    row(
      `twice${j}`,
      [...options[j]!.flatMap(({ twice }, o) => (twice ? [{ column: x(j, o), times: 1 }] : [])), ...inBlocks],
      { least: 0, most: 0 },
    );
  });
  blocks.forEach((_, b) => {
    whole(`r${b}`);
    ROUND_RESTS.forEach((_r, k) => whole(`q${b}_${k}`));
    row(
      `rest${b}`,
      [...ROUND_RESTS.map((_r, k) => ({ column: `q${b}_${k}`, times: 1 })), { column: `r${b}`, times: -1 }],
      {
        least: 0,
        most: 0,
      },
    );
  });
  const resting = allClocked(request) ? phases.slice(0, -1).map((_, p) => p) : [];
  for (const p of resting) {
    PHASE_RESTS.forEach((_, k) => whole(`e${p}_${k}`));
    row(
      `pause${p}`,
      PHASE_RESTS.map((_, k) => ({ column: `e${p}_${k}`, times: 1 })),
      { least: 1, most: 1 },
    );
    PHASE_RESTS.forEach((rest, k) => objective.push({ column: `e${p}_${k}`, times: -rest / 2000 }));
  }
  const pauses = (within: (p: number) => boolean): Term[] =>
    resting.filter(within).flatMap((p) => PHASE_RESTS.map((rest, k) => ({ column: `e${p}_${k}`, times: rest })));
  /** A sum over the chosen ways of the drills at these places. */
  const sum = (places: readonly number[], of: (option: Option, j: number) => number): Term[] =>
    places.flatMap((j) => options[j]!.map((option, o) => ({ column: x(j, o), times: of(option, j) })));
  const all = order.map((_, j) => j);
  const where = (of: (c: Candidate) => boolean) => all.filter((j) => of(order[j]!));
  const rests = (within: (at: number) => boolean): Term[] =>
    blocks.flatMap(({ from, extra }, b) =>
      within(order[from]!.at)
        ? [{ column: `r${b}`, times: extra }, ...ROUND_RESTS.map((rest, k) => ({ column: `q${b}_${k}`, times: rest }))]
        : [],
    );
  const clocked = (c: Candidate) => clockOf(request, c.phase) !== undefined;
  const fixed =
    all.reduce((total, j) => total + (clocked(order[j]!) ? 0 : moves[j]!) + order[j]!.show, 0) + setUps + correction;
  row("time", [...sum(all, ({ seconds }) => seconds), ...rests(() => true), ...pauses(() => true)], {
    least: target - short - fixed,
    most: target - fixed,
  });
  phases.forEach((phase, p) => {
    const here = where((c) => c.at === p);
    if (here.length === 0) return;
    const own = here.reduce((total, j) => total + (clocked(order[j]!) ? 0 : moves[j]!) + order[j]!.show, 0);
    const { least, most } = phaseSeconds(phase, target);
    const more = (points / 100) * target;
    soft(
      `phase${p}`,
      [...sum(here, ({ seconds }) => seconds), ...rests((at) => at === p), ...pauses((at) => at === p)],
      {
        least: Math.max(phase.seconds, least - more) - own + 1,
        most: most + more - own - 1,
      },
    );
    if (phase.work)
      row(
        `work${p}`,
        sum(here, ({ work }) => work),
        { least: phase.work },
      );
    if (phase.reaches)
      row(
        `warm${p}`,
        sum(here, ({ work }, j) => work * ((order[j]!.scales.pulse >= who.raise ? 1 : 0) - phase.reaches!.share / 100)),
        { least: 0 },
      );
  });
  if (arc.warm > 0)
    row(
      "warm",
      sum(
        where((c) => c.scales.pulse >= who.raise),
        ({ work }) => work,
      ),
      { least: (arc.warm / 100) * target },
    );
  const ground = groundOf(arc, demand);
  for (const [name, place, most] of [
    ["low", "low", lowAtMost(ground, surfaceOf(group?.setting, request.purpose))],
    ["middle", "middle", ground.middle],
  ] as const) {
    if (most >= 100 || !order.some((c) => c.place === place)) continue;
    row(
      name,
      sum(all, ({ work }, j) => work * ((order[j]!.place === place ? 1 : 0) - most / 100)),
      { most: 0 },
    );
  }
  if (!allClocked(request))
    soft(
      "dead",
      [
        ...sum(all, ({ seconds, work, planned }) => seconds - work - planned),
        ...blocks.map(({ extra }, b) => ({ column: `r${b}`, times: extra })),
      ],
      { most: deadAtMost(target) * (target - short) - fixed },
    );
  // A way in: the work of one time through of what comes before.
  const once = ({ work, twice, sets }: Option) => work / (twice ? 2 : sets);
  order.forEach((here, j) => {
    if (here.phase.reaches) return;
    const mains = rowsOf(here, false);
    const earlier = (of: (c: Candidate) => boolean) => all.filter((k) => k < j && of(order[k]!));
    const meets = (c: Candidate) => [...rowsOf(c, true)].some((motion) => mains.has(motion));
    const wants = (name: string, which: number[], least: Seconds) => soft(`${name}${j}`, sum(which, once), { least });
    if (asksEffort(here.options[0]!.dose)) {
      if (isStrong(here.options[0]!.dose))
        for (const motion of mains)
          wants(
            `ramp_${motion.replace(".", "_")}_`,
            earlier((c) => !asksEffort(c.options[0]!.dose) && rowsOf(c, true).has(motion)),
            WARM_SECONDS,
          );
      return;
    }
    if (here.scales.effort > EASY_EFFORT || (here.scales.speed >= 2 && here.scales.effort >= EASY_EFFORT))
      wants(
        "easy",
        earlier((c) => c.scales.effort <= EASY_EFFORT && meets(c)),
        WAY_IN,
      );
    if (here.scales.impact >= 2 || here.scales.speed >= 3) {
      wants(
        "pulse",
        earlier((c) => c.scales.pulse >= 2),
        WAY_IN,
      );
      wants(
        "slow",
        earlier((c) => c.scales.speed < here.scales.speed && meets(c)),
        SLOWER,
      );
    }
  });
  if (beforePower(request.purpose))
    for (const motion of MOTIONS) {
      const held = where((c) => c.drill.method === "hold" && rowsOf(c, false).has(motion));
      if (held.length === 0) continue;
      const side = ({ dose: d }: Option, j: number) => doseSeconds(d, request.pace) * order[j]!.drill.directions;
      row(`held_${motion.replace(".", "_")}`, sum(held, side), { most: LONGEST_HOLD });
      row(
        `long_${motion.replace(".", "_")}`,
        sum(held, (option, j) => (side(option, j) > (order[j]!.phase.holds?.most ?? Infinity) ? 1 : 0)),
        { most: 1 },
      );
    }
  // Nobody stays in one position for too long.
  const stays: number[][] = [];
  for (const { most, is } of STAYS) {
    let run: number[] = [];
    let name: string | undefined;
    const close = () => {
      if (run.length > 0) {
        soft(
          `stay${stays.length}`,
          sum(run, ({ work }) => work),
          { most: most(request) },
        );
        stays.push(run);
      }
      run = [];
    };
    order.forEach((c, j) => {
      const now = is(c);
      if (now === undefined || now !== name) close();
      if (now !== undefined) run.push(j);
      name = now;
    });
    close();
  }
  const jumps = where((c) => c.scales.impact >= 2);
  if (jumps.length > 0)
    row(
      "landings",
      sum(jumps, ({ dose: d, sets, twice }, j) => {
        const { sides, directions } = order[j]!.drill;
        return unitCount(d) * sets * (twice ? 2 : 1) * (sides === "together" ? 1 : 2) * directions;
      }),
      { most: who.landings },
    );

  // How far the demand is met, and doses near to the usual ones.
  const targets = targetsOf(demand, servedIn(request));
  const weights = MOTIONS.reduce((total, motion) => total + weightOf(demand, motion), 0);
  for (const motion of MOTIONS) {
    const weight = weightOf(demand, motion);
    const gives = all.filter((j) => order[j]!.gives.some((g) => g.row === motion));
    if (weight === 0 || gives.length === 0) continue;
    const name = `z_${motion.replace(".", "_")}`;
    columns.push({ name, least: 0, most: 1, whole: false });
    row(
      `fit_${name}`,
      [
        { column: name, times: 1 },
        ...sum(
          gives,
          ({ work }, j) =>
            -order[j]!.gives.reduce((total, g) => total + (g.row === motion ? g.share * work : 0), 0) / targets[motion],
        ),
      ],
      { most: 0 },
    );
    objective.push({ column: name, times: weight / weights });
  }
  order.forEach((c, j) => {
    const usual = amountOf(c.drill.levels[c.level].dose).value;
    options[j]!.forEach(({ dose: d, sets, lift }, o) =>
      objective.push({
        column: x(j, o),
        times:
          -0.004 * Math.abs(Math.log(Math.max(1e-6, amountOf(d).value) / usual)) -
          (sets > 1 ? 0.001 : 0) +
          (lift?.counts.length === 3 ? 0.01 : 0),
      }),
    );
  });
  blocks.forEach(({ from, to }, b) => {
    // What is held once for long is better than twice for short.
    const held = isForHolding(order[from]!.phase);
    objective.push({ column: `r${b}`, times: held ? -0.015 : target >= 420 ? 0.008 * (to - from) : 0 });
    ROUND_RESTS.forEach((rest, k) => objective.push({ column: `q${b}_${k}`, times: -rest / 10_000 }));
  });
  const answer = solve({ objective, rows, columns }, NEAR);
  if (answer.kind !== "optimal") return undefined;
  const value = (name: string) => answer.values.get(name) ?? 0;
  const on = (name: string) => (answer.values.get(name) ?? 0) > 0.5;
  return {
    chosen: order.map((candidate, j) => ({
      candidate,
      option: options[j]![options[j]!.findIndex((_, o) => on(x(j, o)))] ?? options[j]![0]!,
    })),
    after: new Map(
      resting.flatMap((p) =>
        PHASE_RESTS.flatMap((rest, k) => (rest > 0 && on(`e${p}_${k}`) ? [[p, rest] as const] : [])),
      ),
    ),
    off: {
      phases: new Map(
        phases.flatMap((_, p): [number, Seconds][] => {
          const by = value(`under_phase${p}`) - value(`over_phase${p}`);
          return Math.abs(by) > 0.5 ? [[p, by]] : [];
        }),
      ),
      dead: value("over_dead"),
      stays: stays.flatMap((run, k) => (value(`over_stay${k}`) > 0.5 ? [run.map((j) => order[j]!)] : [])),
    },
    twice: blocks.flatMap(({ from, to }, b) =>
      on(`r${b}`) ? [{ from, to, rest: ROUND_RESTS[ROUND_RESTS.findIndex((_, k) => on(`q${b}_${k}`))] ?? 0 }] : [],
    ),
  };
}
