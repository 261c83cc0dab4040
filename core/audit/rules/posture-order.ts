import { kitUsed } from "~/core/drills/form";
import { itemsOf, type Looked } from "../look";
import type { RuleFinding, Rule } from "../types";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import {
  bestOrder,
  betterOrder,
  MOST_ORDERED,
  moveCost,
  type Ordered,
  type Standing,
  type MovingPace,
} from "~/core/order/posture-order";
import type { SessionPlan } from "~/core/session/schema";
import { secondsText } from "~/core/lengths";
import { compile } from "~/core/timeline/compile";
import { postureChanges } from "~/core/timeline/totals";
import { asksEffort } from "~/core/dose/dose";

/** Less saved than this is not worth another order. */
const WORTH = 5;

/** Drills that stand together and need nothing in between; they stay together. */
type Run = Ordered & { items: Looked[] };

/** More changes of posture than the same drills need, block by block; exactly up to ten runs of drills in a block. The last drill of the session stays last. */
export const postureOrder: Rule = {
  id: "posture-order",
  find: (input) => {
    const { session, drills, timeline } = input;
    const looked = itemsOf(input);
    const { pace } = session;
    let standing: Standing;
    const orders: { block: number; order: number[] }[] = [];
    session.blocks.forEach((block, b) => {
      const items = looked.filter(({ place }) => place.block === b);
      // With rounds or whole sides the block is gone through more than once; its own order is looked at like any other.
      const runs = withNeeds(runsOf(items, pace));
      const isLast = b === session.blocks.length - 1;
      const by = { last: isLast ? runs.length - 1 : undefined };
      const whole = runs.length > 2 && items.length === block.items.length;
      const found = !whole
        ? undefined
        : runs.length <= MOST_ORDERED
          ? bestOrder(runs, standing, pace, by)
          : betterOrder(runs, standing, pace, by);
      if (found && found.order.some((run, i) => run !== i))
        orders.push({ block: b, order: found.order.flatMap((run) => runs[run]!.items.map(({ place }) => place.item)) });
      const end = found ? runs[found.order.at(-1)!]! : runs.at(-1);
      if (end) standing = { posture: end.to, kit: end.kit };
    });
    if (orders.length === 0) return [];
    const apply = (s: SessionPlan): SessionPlan => ({
      ...s,
      blocks: s.blocks.map((block, b) => {
        const own = orders.find((o) => o.block === b);
        return own && own.order.length === block.items.length
          ? { ...block, items: own.order.map((i) => block.items[i]!) }
          : block;
      }),
    });
    const after = compile(apply(session), drills);
    const saved = timeline.totalSeconds - after.totalSeconds;
    const [now, then] = [postureChanges(timeline.segments), postureChanges(after.segments)];
    if (saved < WORTH || then >= now) return [];
    const first = orders[0]!;
    const moved = first.order.findIndex((item, i) => item !== i);
    const finding: RuleFinding = {
      severity: "hint",
      place: { block: first.block, item: Math.max(0, moved) },
      message: `People change posture ${now} times; the same drills need only ${then}. That saves ${secondsText(saved)} in moving.`,
      why: "Getting up and down costs time and attention; staying where you are costs nothing.",
      fix: { words: `Reorder them: ${then} ${then === 1 ? "change" : "changes"}`, apply },
    };
    return [finding];
  },
};

/** Neighbours that need no move between them, as one. */
function runsOf(items: readonly Looked[], pace: MovingPace): Run[] {
  const runs: Run[] = [];
  for (const one of items) {
    const { posture, endPosture } = one.level;
    const kit = kitUsed(one.level, one.item);
    const last = runs.at(-1);
    if (last && moveCost({ posture: last.to, kit: last.kit }, { from: posture, kit }, pace) === 0) {
      last.items.push(one);
      last.to = endPosture;
      last.kit = kit;
    } else runs.push({ from: posture, to: endPosture, kit, items: [one] });
  }
  return runs;
}

/** Strong effort stays behind whatever made its joint warm before it. */
function withNeeds(runs: Run[]): Run[] {
  const joints = (run: Run) =>
    new Set(run.items.flatMap(({ level }) => [...level.main, ...level.also].map((row) => MOTION_FACTS[row].joint)));
  return runs.map((run, i) => {
    if (!run.items.some(({ item }) => asksEffort(item.dose))) return run;
    const own = joints(run);
    return {
      ...run,
      after: runs.slice(0, i).flatMap((other, k) => ([...joints(other)].some((joint) => own.has(joint)) ? [k] : [])),
    };
  });
}
