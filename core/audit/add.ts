import { isInMeasure } from "~/core/arc/most";
import { needsOf } from "~/core/drills/form";
import { itemsOf } from "./look";
import type { AuditInput, Fix } from "./types";
import type { Drill } from "~/core/drills/schema";
import { piecesThere } from "~/core/group/kit";
import { protectionsOf, spares } from "~/core/group/protect";
import { amountOf, withAmount } from "~/core/dose/amount";
import { insertItem, type Place } from "~/core/session/edits";
import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import { itemOf } from "~/core/session/start";
import { doseWords, unitMicros, isCounted } from "~/core/dose/dose";
import { moveSeconds } from "~/core/vocabulary/postures";
import { toSeconds, type Seconds } from "~/core/units";

/** Drills that may be added for a group: they are not too much for what the session is for, the kit is there, nothing anybody protects is loaded, and they are not in it yet. */
export function addable(input: AuditInput): Drill[] {
  const { group, offered, session } = input;
  const protections = protectionsOf([
    ...(group?.setting.areas ?? []),
    ...(group?.people.flatMap((p) => p.areas) ?? []),
  ]);
  const used = new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill)));
  return offered.filter(
    (drill) =>
      !used.has(drill.id) &&
      isInMeasure(session.purpose, "standard", drill, "standard") &&
      spares(drill, "standard", protections) &&
      (!group || piecesThere(needsOf(drill.levels.standard), Math.max(1, group.people.length), group.setting)),
  );
}

/**
 * Adds the drill that answers for a block, where people are nearest to its posture, and as early as that is, dosed so that a side is
 * worked at least as long as wanted where its bounds allow; nothing where no drill answers.
 */
export function addFix(
  input: AuditInput,
  answers: (drill: Drill, block: number) => boolean,
  wants: Seconds = 0,
): Fix | undefined {
  const looked = itemsOf(input);
  let best: { drill: Drill; place: Place; cost: number } | undefined;
  for (const drill of addable(input)) {
    const { posture, endPosture, kit } = drill.levels.standard;
    const inBlocks = new Map<number, boolean>();
    looked.forEach(({ place, level }, i) => {
      const next = looked[i + 1];
      // The last drill closes the session; nothing is put behind it.
      if (!next) return;
      const fits = inBlocks.get(place.block) ?? answers(drill, place.block);
      inBlocks.set(place.block, fits);
      if (!fits) return;
      const cost =
        moveSeconds(level.endPosture, posture) +
        moveSeconds(endPosture, next.level.posture) -
        moveSeconds(level.endPosture, next.level.posture) +
        kit.filter((k) => !level.kit.includes(k)).length * input.session.pace.kitChange;
      if (!best || cost < best.cost) best = { drill, place: { block: place.block, item: place.item + 1 }, cost };
    });
  }
  if (!best) return undefined;
  const { drill, place } = best;
  const item = { ...itemOf(drill), dose: doseFor(drill, wants, input.session.pace) };
  return { words: `Add ${drill.name}, ${doseWords(item.dose)}`, apply: (s) => insertItem(s, place, item) };
}

/** Puts the drill that answers, the one most of whose work the session has prepared, at the very end. */
export function closeFix(input: AuditInput, answers: (drill: Drill) => boolean): Fix | undefined {
  const drill = addable(input)
    .filter(answers)
    .map((one) => ({ one, uses: one.levels.standard.main.reduce((sum, row) => sum + input.coverage[row].counts, 0) }))
    .sort((a, b) => b.uses - a.uses)[0]?.one;
  const block = input.session.blocks.length - 1;
  return (
    drill && {
      words: `Close with ${drill.name}`,
      apply: (s) => insertItem(s, { block, item: s.blocks[block]?.items.length ?? 0 }, itemOf(drill)),
    }
  );
}

/** The drill's usual dose, or as much more of it as a side needs for so many seconds, within its bounds. */
function doseFor(drill: Drill, wants: Seconds, pace: Pace): Dose {
  const { dose, bounds } = drill.levels.standard;
  const unit = isCounted(dose) ? toSeconds(unitMicros(dose, pace)) : 1;
  const steps = Math.ceil((wants / (unit * drill.directions) - amountOf(dose).value) / bounds.step);
  return steps <= 0 ? dose : withAmount(dose, Math.min(bounds.most, amountOf(dose).value + steps * bounds.step));
}
