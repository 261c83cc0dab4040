import { itemAt } from "../look";
import type { AuditInput, RuleFinding, Fix, Rule } from "../types";
import { editBlock, editItem, moveItem, type Place } from "~/core/session/edits";
import { INTERVAL_BOUNDS } from "~/core/session/bounds";
import type { Interval, SessionPlan } from "~/core/session/schema";
import { secondsText } from "~/core/lengths";
import { compile } from "~/core/timeline/compile";
import { unitMicros, inWholeUnits } from "~/core/dose/dose";
import { gapsOf, type Gap } from "~/core/timeline/gaps";
import { placeKey } from "~/core/timeline/totals";
import type { Segment } from "~/core/timeline/types";
import { toMicros, toSeconds, type Seconds } from "~/core/units";
import { kindOf } from "~/core/dose/kinds";

/** Less showing than this is none. */
const LEAST_SHOWING: Seconds = 5;
const REST_STEP: Seconds = 5;
/** So little over is within what a class does anyway. */
const TELL: Seconds = 0.5;

const over = (gap: Gap): Seconds => gap.takes - gap.has;

/** A change that does not fit into the rest of its block: the clock waits, and the rhythm is gone. */
export const intervalRest: Rule = {
  id: "interval-rest",
  find: (input) => {
    const worst = new Map<string, Gap>();
    for (const gap of gapsOf(input.session, input.timeline.segments)) {
      const key = placeKey(gap.to.block, gap.to.item);
      if (over(gap) > TELL && over(gap) > over(worst.get(key) ?? { ...gap, takes: 0 })) worst.set(key, gap);
    }
    return [...worst.values()].map((gap): RuleFinding => {
      const place = { block: gap.to.block, item: gap.to.item };
      const name = itemAt(input, place)?.drill.name ?? "";
      return {
        severity: "warn",
        place,
        at: gap.to.start,
        message: `The change to ${name} takes ${secondsText(gap.takes)}, ${secondsText(over(gap))} more than the rest.`,
        why: "On a shared clock everyone has to be ready when the work begins.",
        offer: () => wayOut(input, place, gap),
      };
    });
  },
};

/** The nearest way out: less showing where that is enough, then another place in the block, then a longer rest. */
function wayOut(input: AuditInput, place: Place, gap: Gap): Fix | undefined {
  const block = input.session.blocks[place.block]!;
  const showing = Math.floor(gap.showing - over(gap));
  if (gap.showing > 0 && showing >= LEAST_SHOWING)
    return { words: `Watch first ${secondsText(showing)} only`, apply: (s) => editItem(s, place, { demo: showing }) };
  if (gap.showing > 0 && gap.takes - gap.showing <= gap.has)
    return { words: "Show it before the block", apply: (s) => editItem(s, place, { demo: 0 }) };
  const tooLong = (session: SessionPlan, segments: readonly Segment[]) =>
    gapsOf(session, segments).filter((one) => one.to.block === place.block && over(one) > TELL);
  const now = tooLong(input.session, input.timeline.segments);
  for (let to = 0; to < block.items.length; to++) {
    if (to === place.item) continue;
    const moved = moveItem(input.session, place, { block: place.block, item: to });
    const left = tooLong(moved, compile(moved, input.drills).segments);
    if (left.length < now.length && left.every((one) => over(one) <= over(gap)))
      return {
        words: `Do it as number ${to + 1} of the block`,
        apply: (s) => moveItem(s, place, { block: place.block, item: to }),
      };
  }
  const interval = block.interval!;
  const rest = Math.ceil((interval.rest + over(gap)) / REST_STEP) * REST_STEP;
  // A file may have longer moves than any rest there is.
  return rest > INTERVAL_BOUNDS.mostRest
    ? undefined
    : {
        words: `Rest ${secondsText(rest)} in this block`,
        apply: (s) => editBlock(s, place.block, { interval: { ...interval, rest } }),
      };
}

/** A repetition or a breath that is longer than the work of its block: nobody finishes one. */
export const intervalWork: Rule = {
  id: "interval-work",
  find: (input) =>
    input.session.blocks.flatMap((block, b) =>
      block.items.flatMap((item, i): RuleFinding[] => {
        const { interval } = block;
        const here = itemAt(input, { block: b, item: i });
        if (!interval || !here || !inWholeUnits(item.dose)) return [];
        const directions = item.directions ?? here.drill.directions;
        const unit = unitMicros(item.dose, input.session.pace);
        const piece = toMicros(interval.work) / directions;
        if (unit <= piece) return [];
        const work = Math.ceil(toSeconds(unit * directions) / REST_STEP) * REST_STEP;
        const one = kindOf(item.dose).one;
        const longer: Interval = { ...interval, work };
        return [
          {
            severity: "warn",
            place: { block: b, item: i },
            message: `One ${one} of ${here.drill.name} takes ${secondsText(toSeconds(unit))}, longer than the ${secondsText(toSeconds(piece))} there ${piece === 1e6 ? "is" : "are"} for it.`,
            why: "Nobody can finish one before the change.",
            ...(work <= INTERVAL_BOUNDS.mostWork && {
              fix: {
                words: `Work ${secondsText(work)} in this block`,
                apply: (s) => editBlock(s, b, { interval: longer }),
              },
            }),
          },
        ];
      }),
    ),
};
