import { arcOf, rowsOf, type Candidate, type Option } from "./candidate";
import { STAYS } from "./stays";
import type { DraftRequest } from "./request";
import { groundOf } from "~/core/arc/ground";
import { forGroup } from "~/core/arc/people";
import { beforePower } from "~/core/audit/look";
import { EASY_EFFORT } from "~/core/audit/rules/way-in";
import { moveCost, type MovingPace } from "~/core/order/posture-order";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import type { Seconds } from "~/core/units";

/** A drill that was chosen, and the way it is given. */
export type Chosen = { candidate: Candidate; option: Option };

/** So many orders are carried on at each step: phases hold few drills, so nothing good is lost. */
const WIDTH = 160;

/** What an order costs besides seconds of moving, in seconds: what must not be outweighs any moving. */
const COSTS = {
  /** A step of the school out of its place. */
  school: { asked: 30, usual: 3 },
  /** More in a row for one joint, or one motion, than is meant; two in a row. */
  run: 120,
  pair: 2,
  /** Released and not moved next. */
  release: 90,
  /** On the floor after the feet, before sport. */
  down: 25,
  /** Getting up from the floor, where once is enough. */
  rise: 30,
  /** Speed that does not rise where it should, or does where it should fall. */
  speed: 60,
  /** Warmer before what is less warm, to begin with. */
  easier: 12,
  /** Strong before anything easier for the same motions. */
  strong: 40,
  /** Nothing to begin cold with. */
  cold: 500,
} as const;

type State = {
  order: number[];
  left: number[];
  cost: number;
  /** How many in a row for the last one's joint or motion. */
  run: number;
  /** How long, at least, people have been in each position they should not stay in for long. */
  stays: readonly Seconds[];
};

/**
 * The drills of one phase in the order that takes least moving, as the school has it, without three in a row for a joint, what
 * is released followed by what moves it, floor before feet before sport, easier before stronger, speed rising or falling.
 */
export function arrangePhase(
  drills: readonly Candidate[],
  before: Candidate | undefined,
  request: DraftRequest,
  pace: MovingPace,
): Candidate[] {
  const { phase } = drills[0]!;
  const { raise } = forGroup(request.group);
  const sport = beforePower(request.purpose);
  const ground = groundOf(arcOf(request), request.demand);
  const upOnce = sport && (ground.feetLast > 0 || ground.feetFrom !== undefined);
  const key = (c: Candidate) => {
    const first = c.drill.levels[c.level].main[0]!;
    return phase.row?.of === "motion" ? first : MOTION_FACTS[first].joint;
  };
  const step = (state: State, i: number): State => {
    const here = drills[i]!;
    const last = state.order.length > 0 ? drills[state.order.at(-1)!]! : before;
    const inPhase = state.order.length > 0;
    let cost = moveCost(last && { posture: last.to, kit: last.kit }, { from: here.from, kit: here.kit }, pace);
    if (phase.ordered)
      cost +=
        COSTS.school[request.schoolAsked ? "asked" : "usual"] *
        state.left.filter((j) => j !== i && drills[j]!.rank < here.rank).length;
    const same = inPhase && last !== undefined && key(last) === key(here);
    const run = same ? state.run + 1 : 1;
    if (phase.row && run > phase.row.most) cost += COSTS.run;
    else if (same && phase.row) cost += COSTS.pair;
    if (inPhase && last?.drill.method === "release" && here.drill.method !== "release") {
      const mains = rowsOf(last, false);
      if (![...rowsOf(here, false)].some((motion) => mains.has(motion))) cost += COSTS.release;
    }
    if (here.drill.method === "release" && state.left.length === 1) cost += COSTS.release;
    if (upOnce && here.place !== "feet")
      cost += COSTS.down * state.order.filter((j) => drills[j]!.place === "feet").length;
    if (!sport && here.place === "feet" && ground.ups)
      cost += COSTS.down * state.order.filter((j) => drills[j]!.place === "low").length;
    if (ground.ups && last && last.place !== "feet" && last.place !== "seat" && here.place === "feet")
      cost += COSTS.rise;
    if (phase.course === "rising" || phase.speed.ends !== undefined)
      cost += COSTS.speed * state.left.filter((j) => j !== i && drills[j]!.speed < here.speed).length;
    // Easier things first, once it is warm enough for the first of them.
    if (phase.reaches) cost += COSTS.easier * state.left.filter((j) => j !== i && gentler(drills[j]!, here)).length;
    if (phase.pulse.ends !== undefined)
      cost += COSTS.speed * state.left.filter((j) => j !== i && drills[j]!.scales.pulse < here.scales.pulse).length;
    if (phase.course === "falling")
      cost +=
        COSTS.speed *
        state.left.filter(
          (j) => j !== i && (drills[j]!.speed > here.speed || drills[j]!.scales.pulse > here.scales.pulse),
        ).length;
    if (here.scales.effort > EASY_EFFORT) {
      const mains = rowsOf(here, false);
      cost +=
        COSTS.strong *
        state.left.filter(
          (j) =>
            j !== i &&
            drills[j]!.scales.effort <= EASY_EFFORT &&
            [...rowsOf(drills[j]!, true)].some((motion) => mains.has(motion)),
        ).length;
    }
    if (!before && !inPhase && !here.cold) cost += COSTS.cold;
    // What reaches a pulse does so within the first minute.
    if (!before && phase.reaches && !inPhase && here.scales.pulse < Math.min(phase.reaches.pulse, raise))
      cost += here.showing + here.options.at(-1)!.work >= phase.reaches.within ? COSTS.speed : 3;
    const stays = STAYS.map(({ is, most }, k) => {
      const name = is(here);
      if (name === undefined) return 0;
      const sum = (last && inPhase && is(last) === name ? state.stays[k]! : 0) + here.options[0]!.work;
      if (sum > most(request)) cost += COSTS.run;
      return sum;
    });
    return { order: [...state.order, i], left: state.left.filter((j) => j !== i), cost: state.cost + cost, run, stays };
  };
  let states: State[] = [{ order: [], left: drills.map((_, i) => i), cost: 0, run: 0, stays: STAYS.map(() => 0) }];
  for (let n = 0; n < drills.length; n++) {
    // Of orders of the same drills that end alike, the cheapest goes on.
    const best = new Map<string, State>();
    for (const state of states)
      for (const i of state.left) {
        const next = step(state, i);
        const name = `${[...next.order].sort((a, b) => a - b).join()} ${i} ${next.run} ${next.stays.join()}`;
        const other = best.get(name);
        if (!other || next.cost < other.cost - 1e-9) best.set(name, next);
      }
    states = [...best.values()].sort((a, b) => a.cost - b.cost).slice(0, WIDTH);
  }
  return states[0]!.order.map((i) => drills[i]!);
}

/** Less warm, or as warm and walking. */
const gentler = (a: Candidate, b: Candidate): boolean =>
  a.scales.pulse < b.scales.pulse ||
  (a.scales.pulse === b.scales.pulse && a.from === "walking" && b.from !== "walking");

/** All that was chosen, phase by phase, each in its best order after the one before. */
export function arrange(chosen: readonly Candidate[], request: DraftRequest, pace: MovingPace): Candidate[] {
  const phases = [...new Set(chosen.map(({ at }) => at))].sort((a, b) => a - b);
  const order: Candidate[] = [];
  for (const at of phases)
    order.push(
      ...arrangePhase(
        chosen.filter((c) => c.at === at),
        order.at(-1),
        request,
        pace,
      ),
    );
  return order;
}

/** Seconds from one drill to the next, with the kit that is carried. */
export const between = (a: Candidate | undefined, b: Candidate, pace: MovingPace): Seconds =>
  moveCost(a && { posture: a.to, kit: a.kit }, { from: b.from, kit: b.kit }, pace);
