import { servedSeconds } from "~/core/arc/arcs";
// Trying everything one by one, for tests and measurements only: what the solver's answers are held against.

import { coverageOf } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { UNDER_AT_MOST } from "~/core/fit/fit-to-time";
import { amountOf, withAmount } from "~/core/dose/amount";
import { editItem } from "~/core/session/edits";
import type { Item, SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Seconds, Share } from "~/core/units";
import { drillById } from "~/library";

/** Every dose inside bounds by the drill's step from what it is, found without the code under test. */
export function amounts(item: Item): number[] {
  const { bounds, dose } = drillById(item.drill)!.levels[item.level];
  if (dose.kind !== item.dose.kind) return [amountOf(item.dose).value];
  const now = amountOf(item.dose).value;
  const list = [now];
  for (let i = 1; i < 400; i++)
    for (const value of [now - i * bounds.step, now + i * bounds.step])
      if (value >= bounds.least && value <= bounds.most) list.push(value);
  return list;
}

/** How many ways the doses of a session's first block can be set. */
export const waysOf = (session: SessionPlan): number =>
  session.blocks[0]!.items.reduce((n, item) => n * amounts(item).length, 1);

/**
 * The best fit of all ways to set the doses of a session's first block, tried one by one: at the very second, and within what
 * may be missing. No dose goes the other way than the session. −1 where there is none.
 */
export function bestOfEveryWay(
  session: SessionPlan,
  target: Seconds,
  demand: SportProfile,
): { exact: Share; near: Share } {
  const longer = target >= compile(session, drillById).totalSeconds;
  const ways = session.blocks[0]!.items.map((item) =>
    amounts(item).filter((value) => (longer ? value >= amountOf(item.dose).value : value <= amountOf(item.dose).value)),
  );
  let best = { exact: -1, near: -1 };
  const walk = (i: number, doc: SessionPlan): void => {
    if (i === ways.length) {
      const timeline = compile(doc, drillById);
      const under = target - timeline.totalSeconds;
      if (under < -1e-6 || under > UNDER_AT_MOST + 1e-6) return;
      const fit = fitOf(coverageOf(doc, timeline, drillById), demand, servedSeconds(session.purpose, target));
      best = { exact: Math.abs(under) < 1e-6 ? Math.max(best.exact, fit) : best.exact, near: Math.max(best.near, fit) };
      return;
    }
    for (const value of ways[i]!)
      walk(i + 1, editItem(doc, { block: 0, item: i }, { dose: withAmount(doc.blocks[0]!.items[i]!.dose, value) }));
  };
  walk(0, session);
  return best;
}
