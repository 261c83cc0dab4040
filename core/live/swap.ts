import type { Cut } from "./cuts";
import { nameOf, safety, standing, type By } from "./finish-by";
import type { Swap } from "./commands";
import type { Live } from "./fold";
import { withAmount } from "~/core/dose/amount";
import { doseSeconds } from "~/core/dose/dose";
import type { Dose } from "~/core/dose/kinds";
import type { Drill } from "~/core/drills/schema";
import { alikeIn } from "~/core/group/alike";
import { fallbacksFor } from "~/core/group/fallback";
import { allProtections } from "~/core/group/protect";
import type { Item } from "~/core/session/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Steps } from "~/core/steps";
import type { EpochMs } from "~/core/units";

/** What could be done in place of the drill that comes next. */
export type SwapWay = { drill: Drill; level: LevelName };

type Place = { block: number; item: number };

/** So many are offered. */
const OFFERED = 6;

/** The drill that comes next in a class: its place, and what is being done until then. */
function nextOf(live: Live, at: EpochMs, { session }: By) {
  const stands = standing(live, at, session);
  if (!stands) return undefined;
  const { here, kept } = stands;
  const next = live.run.segments[kept + 1];
  if (!next || (next.block === here.block && next.item === here.item)) return undefined;
  const item = session.blocks[next.block]?.items[next.item];
  const swap = live.swaps[`${next.block}.${next.item}`];
  return item && { kept, here, place: { block: next.block, item: next.item }, item, swapped: swap !== undefined };
}

/**
 * What could be done in place of what comes next, the nearest first: no harder than it, in the same time, with the kit of the
 * place, and right for everybody of the group, whatever they protect.
 */
export function* swapWays(
  live: Live,
  at: EpochMs,
  by: By & { offered: readonly Drill[] },
): Steps<{ of: string; place: Place; ways: SwapWay[] } | undefined> {
  const next = nextOf(live, at, by);
  if (!next || next.swapped || next.item.test) return undefined;
  const { session, drills, known = drills, group, offered } = by;
  const everybody = group
    ? alikeIn({ ...group, people: group.people.map(({ choices: _, ...one }) => one) }).flatMap(
        ({ protections }) => protections,
      )
    : [];
  const own = allProtections({ areas: [] }, group?.setting ?? {});
  const { rounds } = session.blocks[next.place.block]!;
  const ways: SwapWay[] = [];
  yield;
  for (const way of fallbacksFor(next.item, [...own, ...everybody], {
    drills: known,
    offered,
    pace: session.pace,
    group,
    rounds,
  })) {
    if (ways.length >= OFFERED) break;
    if (yield* made(live, next, way, by)) ways.push(way);
  }
  return { of: nameOf({ session, drills }, next.place), place: next.place, ways };
}

/** The command that does it; undefined where what comes next is another drill by now, or it would not be safe. */
export function* swapTo(
  live: Live,
  at: EpochMs,
  way: SwapWay,
  by: By & { offered: readonly Drill[] },
): Steps<Swap | undefined> {
  const next = nextOf(live, at, by);
  const found = yield* swapWays(live, at, by);
  const known = found?.ways.some(({ drill, level }) => drill.id === way.drill.id && level === way.level);
  return next && known ? yield* made(live, next, way, by) : undefined;
}

function* made(
  live: Live,
  next: NonNullable<ReturnType<typeof nextOf>>,
  { drill, level }: SwapWay,
  by: By,
): Steps<Swap | undefined> {
  const dose = doseFor(next.item, drill, level, by);
  if (!dose) return undefined;
  const cut: Cut = { do: "swap", ...next.place, drill: drill.id, level, dose };
  const cuts = [...live.cuts, cut];
  const known = (id: string) => (by.known ?? by.drills)(id) ?? (id === drill.id ? drill : undefined);
  const safe = yield* safety({ ...by, known }, live.cuts);
  if (!(yield* safe([cut]))) return undefined;
  return {
    do: "swap",
    after: live.ids[next.kept]!,
    words: `${drill.name} in place of ${nameOf(by, next.place)}`,
    cuts,
    at: next.place,
    drill,
    level,
    dose,
  };
}

/** As much of another drill as fits into the time of an item; an easier level of the same keeps what was set. */
function doseFor(item: Item, drill: Drill, level: LevelName, { session }: By): Dose | undefined {
  if (item.drill === drill.id) return item.dose;
  const form = drill.levels[level];
  const { pace } = session;
  const unit = doseSeconds(withAmount(form.dose, 1), pace);
  const { step, least, most } = form.bounds;
  const wanted = doseSeconds(item.dose, pace) / Math.max(1e-9, unit);
  const amount = Math.floor(wanted / step + 1e-9) * step;
  if (amount < least - 1e-9) return undefined;
  return withAmount(form.dose, Math.min(most, amount));
}
