import { withAmount } from "~/core/dose/amount";
import type { Drill } from "~/core/drills/schema";
import type { Dose } from "~/core/dose/kinds";
import type { Item, SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Segment } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";
import type { LevelName } from "~/core/vocabulary/levels";

/** What is changed in a session while it is run, by its places as they were handed out. */
export type Cut =
  /** A block goes through so many rounds. */
  | { do: "rounds"; block: number; rounds: number }
  | { do: "showing"; block: number; item: number; seconds: Seconds }
  | { do: "out"; block: number; item: number }
  | { do: "dose"; block: number; item: number; amount: number }
  /** A drill comes after the one that follows it. */
  | { do: "later"; block: number; item: number }
  /** Another drill in its place, in the same time. */
  | { do: "swap"; block: number; item: number; drill: string; level: LevelName; dose: Dose };

/** A session with changes, and for each of its blocks and items which they were as it was handed out. */
export type CutSession = { session: SessionPlan; blocks: number[]; items: number[][] };

/** A session with changes made to it, in their order. What would leave nothing of it is left as it is. */
export function withCuts(session: SessionPlan, cuts: readonly Cut[]): CutSession {
  const blocks = session.blocks.map((block, b) => ({
    b,
    rounds: block.rounds,
    items: block.items.map((item, i) => ({ i, item })),
  }));
  for (const cut of cuts) {
    const block = blocks[cut.block];
    if (!block) continue;
    if (cut.do === "rounds") block.rounds = cut.rounds;
    else if (cut.do === "out") block.items = block.items.filter(({ i }) => i !== cut.item);
    else if (cut.do === "later") {
      const at = block.items.findIndex(({ i }) => i === cut.item);
      const [one, next] = [block.items[at], block.items[at + 1]];
      if (one && next) block.items.splice(at, 2, next, one);
    } else if (cut.do === "swap")
      block.items = block.items.map(({ i, item }) => ({ i, item: i === cut.item ? swapped(item, cut) : item }));
    else
      block.items = block.items.map(({ i, item }) => ({
        i,
        item:
          i !== cut.item
            ? item
            : cut.do === "showing"
              ? { ...item, demo: cut.seconds }
              : { ...item, dose: withAmount(item.dose, cut.amount) },
      }));
  }
  const left = blocks.filter(({ items }) => items.length > 0);
  if (left.length === 0) return withCuts(session, []);
  return {
    session: {
      ...session,
      blocks: left.map(({ b, rounds, items }) => {
        const [first, ...others] = items.map(({ item }) => item);
        return { ...session.blocks[b]!, rounds, items: [first!, ...others] };
      }),
    },
    blocks: left.map(({ b }) => b),
    items: left.map(({ items }) => items.map(({ i }) => i)),
  };
}

/** An item with another drill in its place: what was set for the one before goes with it. */
export function swapped(
  { cues: _, without: __, firstSide: ___, ...item }: Item,
  { drill, level, dose }: Pick<Extract<Cut, { do: "swap" }>, "drill" | "level" | "dose">,
): Item {
  return { ...item, drill, level, dose };
}

/** Where a class is, as far as it is not changed any more: a drill in a round, or the round where sides are changed in it. */
export type Here = { block: number; round: number; item: number };

/** Whether a segment belongs to what is being done here: nothing of it is changed any more, least of all a second side. */
export function isHere(session: SessionPlan, here: Here, segment: Pick<Segment, "block" | "round" | "item">): boolean {
  const whole = session.blocks[here.block]?.sideOrder === "whole-block";
  return segment.block === here.block && segment.round === here.round && (whole || segment.item === here.item);
}

/** What comes after the drill that is being done, with changes: its places are those of the session as it was handed out. */
export function restAfter(
  session: SessionPlan,
  cuts: readonly Cut[],
  here: Here,
  drills: (id: string) => Drill | undefined,
): Segment[] {
  const cut = withCuts(session, cuts);
  const segments = compile(cut.session, drills).segments.map((segment) => ({
    ...segment,
    block: cut.blocks[segment.block]!,
    item: cut.items[segment.block]![segment.item]!,
  }));
  return segments.slice(segments.findLastIndex((segment) => isHere(session, here, segment)) + 1);
}
