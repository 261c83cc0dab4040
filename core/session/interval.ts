import { formIn } from "~/core/drills/form";
import { unitMicros, inWholeUnits } from "~/core/dose/dose";
import { sideModeOf } from "./passes";
import type { DrillLookup } from "~/core/drills/lookup";
import type { Block, Interval, Item, SideMode } from "./schema";
import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import { toMicros, toSeconds, type Micros, type Seconds } from "~/core/units";
import { withAmount } from "~/core/dose/amount";

/** A piece of work of a fixed length: as many whole repetitions or breaths as fit, and what is left. */
export type Filled = { units: number; left: Micros };

/** How a dose fills a piece of work by the clock. A time takes all of it; a repetition that is longer than it is begun, and counts as none. */
export function filled(dose: Dose, pace: Pick<Pace, "breath">, micros: Micros): Filled {
  if (!inWholeUnits(dose)) return { units: 1, left: 0 };
  const unit = unitMicros(dose, pace);
  const units = unit > 0 ? Math.floor(micros / unit) : 0;
  return { units, left: micros - units * unit };
}

/** The length of each piece of work in a pass: two directions change at half time. */
export const pieceMicros = ({ work }: Interval, directions: 1 | 2): Micros[] => {
  const all = toMicros(work);
  if (directions === 1) return [all];
  const half = Math.floor(all / 2);
  return [half, all - half];
};

/**
 * The dose that is really done, for one side and one direction: in a block by the clock what fits into its work, elsewhere the
 * item's own. Where sides change rep by rep within one pass, each has half of what fits.
 */
export function doseDone(
  block: Pick<Block, "interval">,
  item: Pick<Item, "dose" | "directions">,
  sides: SideMode,
  directions: 1 | 2,
  pace: Pick<Pace, "breath">,
): Dose {
  const { interval } = block;
  const { dose } = item;
  if (!interval) return dose;
  const micros = pieceMicros(interval, directions)[0]!;
  if (inWholeUnits(dose)) {
    const { units } = filled(dose, pace, micros);
    return withAmount(dose, Math.max(1, sides === "alternating" ? Math.floor(units / 2) : units));
  }
  return { kind: "time", seconds: toSeconds(micros) };
}

/** An item with the dose that is really done; the item itself where that is its own. */
export function itemDone(
  block: Pick<Block, "interval">,
  item: Item,
  drills: DrillLookup,
  pace: Pick<Pace, "breath">,
): Item {
  if (!block.interval) return item;
  return {
    ...item,
    dose: doseDone(
      block,
      item,
      sideModeOf(item, drills),
      item.directions ?? formIn(item, drills)?.directions ?? 1,
      pace,
    ),
  };
}

/** How long people have from one pass to the next: the interval's rest, or a longer one that is planned there. */
export const restOf = ({ rest }: Interval, ...planned: Seconds[]): Seconds => Math.max(rest, ...planned);
