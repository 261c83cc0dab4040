import { servedSeconds } from "~/core/arc/arcs";
import { LEFT_OUT_AT_A_DESK, undoing } from "~/core/arc/opposites";
import { courseOf, servedOf } from "../course";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { eachGift } from "~/core/coverage/coverage";
import { placeKey } from "~/core/timeline/totals";
import { fitOf, targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { MOTIONS, type Motion } from "~/core/vocabulary/motions";
import { removeItem } from "~/core/session/edits";
import type { Seconds, Share } from "~/core/units";

/** A drill adds at least this much of what the sport asks for. */
export const WORTH_ITS_TIME: Share = 0.01;
/** Where phases are known, a motion is worked enough by the others only from twice its share on: what is nearly enough is not too much. */
const ENOUGH = 2;
/** From this share of all that is asked for on, there is nothing better to spend the time on. */
const ALL_MET: Share = 0.95;
/** What drills give a motion besides what they are for counts to at most half of what it wants. */
const ALSO_AT_MOST: Share = 0.5;

type Sum = { main: [Seconds, Seconds]; also: [Seconds, Seconds] };

/** Drills that add next to nothing of what the sport asks for, though the phase doesn’t need them. */
export const filler: Rule = {
  id: "filler",
  find: (input) => {
    const { session, timeline, drills, demand } = input;
    if (!demand) return [];
    const { phased, phaseOf, grave, target, arc } = courseOf(input);
    const items = itemsOf(input);
    const all = MOTIONS.reduce((sum, row) => sum + weightOf(demand, row), 0);
    if (all === 0 || items.length < 2) return [];
    const empty = (): Sum => ({ main: [0, 0], also: [0, 0] });
    /** By phase: a motion that is strengthened later is no less worth opening now. */
    const whole = new Map<string, Map<Motion, Sum>>();
    const each = new Map<string, Map<Motion, Sum>>();
    eachGift(session, timeline, drills, ({ block, item, row, left, right, main }) => {
      // What gets people warm, and what is rehearsed, is no reason to leave out what opens a joint.
      if (weightOf(demand, row) === 0 || phaseOf(block)?.needed) return;
      const key = placeKey(block, item);
      const part = phaseOf(block)?.id ?? "";
      const own = each.get(key) ?? new Map<Motion, Sum>();
      const all = whole.get(part) ?? new Map<Motion, Sum>();
      each.set(key, own);
      whole.set(part, all);
      for (const map of [all, own]) {
        const sum = map.get(row) ?? empty();
        const to = main ? sum.main : sum.also;
        to[0] += left;
        to[1] += right;
        map.set(row, sum);
      }
    });
    const shares = targetsOf(demand, servedSeconds(arc, target));
    const wanted = (row: Motion) => shares[row] * (phased ? ENOUGH : 1);
    const met = (row: Motion, { main, also }: Sum): Share => {
      const side = (i: 0 | 1) => main[i] + Math.min(also[i], ALSO_AT_MOST * shares[row]);
      return Math.min(1, Math.min(side(0), side(1)) / wanted(row));
    };
    // Where all is met, time is there for what is pleasant.
    if (phased && fitOf(input.coverage, demand, servedOf(input)) >= ALL_MET) return [];
    const without = (sum: Sum, less: Sum): Sum => ({
      main: [sum.main[0] - less.main[0], sum.main[1] - less.main[1]],
      also: [sum.also[0] - less.also[0], sum.also[1] - less.also[1]],
    });
    const last = items.at(-1);
    const undone = undoing(demand);
    return items.flatMap((here): RuleFinding[] => {
      const { place, drill, item } = here;
      if (phased ? phaseOf(place.block)?.needed : here === last || (here.level.pulse ?? 0) >= 2) return [];
      if (item.locked || item.test) return [];
      // A desk break undoes the desk, and does what is left out there, before it serves a sport.
      if (
        session.purpose === "desk-break" &&
        here.level.main.some((row) => undone.has(row) || LEFT_OUT_AT_A_DESK.has(row))
      )
        return [];
      const own = each.get(placeKey(place.block, place.item));
      const adds = [...(own ?? [])].reduce((sum, [row, less]) => {
        const now = whole.get(phaseOf(place.block)?.id ?? "")!.get(row)!;
        return sum + (weightOf(demand, row) / all) * (met(row, now) - met(row, without(now, less)));
      }, 0);
      if (adds >= WORTH_ITS_TIME - 1e-9) return [];
      return [
        {
          severity: session.purpose === "desk-break" ? "hint" : grave,
          place,
          message: `${drill.name} adds next to nothing for ${demand.name.toLowerCase()}.`,
          why: "What it works is worked enough by the others; its time is better spent on them.",
          fix: { words: `Remove ${drill.name}`, apply: (s) => removeItem(s, place) },
        },
      ];
    });
  },
};
