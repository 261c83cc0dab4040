import { amongOf, courseOf, whoOf } from "./course";
import { shortenedFor } from "./doses";
import { familiarTo } from "./rules/showing";
import { phaseSeconds } from "~/core/arc/arcs";
import { outOfPhase } from "~/core/arc/fits";
import { isInMeasure } from "~/core/arc/most";
import type { Phase } from "~/core/arc/schema";
import { showingFor } from "~/core/arc/showing";
import { inForm, needsOf } from "~/core/drills/form";
import { scalesOf } from "~/core/stress/scales";
import { weightOf } from "~/core/sport-profiles/fit";
import { compile } from "~/core/timeline/compile";
import { itemsOf } from "./look";
import type { AuditInput, Fix } from "./types";
import type { Drill } from "~/core/drills/schema";
import { piecesThere } from "~/core/group/kit";
import { protectionsOf, spares } from "~/core/group/protect";
import { amountOf, withAmount } from "~/core/dose/amount";
import { editBlock, insertBlock, insertItem, type Place } from "~/core/session/edits";
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

/**
 * A part that is missing: a block for a phase, between those before and after it, with the drill that is most for it, for as
 * long as the phase wants where its bounds allow; the others give way where it would run over.
 */
export function partFix(input: AuditInput, phase: Phase): Fix | undefined {
  const { arc, phaseOf, target } = courseOf(input);
  const among = amongOf(input);
  const { session, demand } = input;
  const worth = (drill: Drill) => {
    const { main, kit } = drill.levels.standard;
    return (
      (phase.prefers?.includes(drill.method) ? 2 : 0) -
      scalesOf(drill, "standard").skill -
      kit.length +
      main.reduce((sum, row) => sum + (demand ? weightOf(demand, row) / 3 : 0), 0)
    );
  };
  const best = addable(input)
    .map((drill) => inForm(drill, "standard"))
    .filter((drill) => outOfPhase(phase, drill, "standard", drill.levels.standard.dose, among) === undefined)
    .map((drill) => ({ drill, worth: worth(drill) }))
    .sort((a, b) => b.worth - a.worth || (a.drill.id < b.drill.id ? -1 : 1))[0]?.drill;
  if (!best) return undefined;
  const wants = phaseSeconds(phase, target).least / (best.sides === "together" ? 1 : 2);
  const dose = doseFor(best, wants, session.pace);
  const order = (one: Phase | undefined) => (one ? arc.phases.indexOf(one) : -1);
  const after = session.blocks.findIndex((_, b) => order(phaseOf(b)) > arc.phases.indexOf(phase));
  const at = after < 0 ? session.blocks.length : after;
  const demo = showingFor(best, "standard", familiarTo(input, best.id), whoOf(input));
  return {
    words: `Add ${best.name}, ${doseWords(dose)}, as “${phase.title}”`,
    apply: (s) => {
      const whole = insertBlock(s, at, phase.title, [{ ...itemOf(best), dose, demo }]);
      const phased = editBlock(whole, at, { phase: phase.id });
      const shorter = shortenedFor({ ...input, session: phased, timeline: compile(phased, input.drills) }, phase);
      return shorter ? shorter(phased) : phased;
    },
  };
}

/** The drill's usual dose, or as much more of it as a side needs for so many seconds, within its bounds. */
function doseFor(drill: Drill, wants: Seconds, pace: Pace): Dose {
  const { dose, bounds } = drill.levels.standard;
  const unit = isCounted(dose) ? toSeconds(unitMicros(dose, pace)) : 1;
  const steps = Math.ceil((wants / (unit * drill.directions) - amountOf(dose).value) / bounds.step);
  return steps <= 0 ? dose : withAmount(dose, Math.min(bounds.most, amountOf(dose).value + steps * bounds.step));
}
