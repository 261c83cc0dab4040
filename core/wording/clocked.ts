import { formIn } from "~/core/drills/form";
import { intervalText } from "./intervals";
import { doseWords } from "~/core/dose/dose";
import type { Block, Item } from "~/core/session/schema";
import type { Pace } from "~/core/dose/pace";
import { doseDone } from "~/core/session/interval";
import { sideModeOf } from "~/core/session/passes";
import type { DrillLookup } from "~/core/drills/lookup";

/** What a drill comes to in a block by the clock, “5 repetitions a side fit into 40/20”; undefined elsewhere. */
export function clockedWords(
  block: Pick<Block, "interval">,
  item: Item,
  drills: DrillLookup,
  pace: Pick<Pace, "breath">,
): string | undefined {
  const { interval } = block;
  if (!interval) return undefined;
  const sides = sideModeOf(item, drills);
  const directions = item.directions ?? formIn(item, drills)?.directions ?? 1;
  const done = doseDone(block, item, sides, directions, pace);
  const each = [...(sides === "together" ? [] : ["a side"]), ...(directions === 2 ? ["each way"] : [])].join(", ");
  return `${[doseWords(done), each].filter(Boolean).join(" ")} by the clock, ${intervalText(interval)}`;
}
