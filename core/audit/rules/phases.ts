import { courseOf, scalesAt, whoOf, type Span } from "../course";
import { partFix } from "../add";
import { longerIn, shorterIn } from "../doses";
import type { AuditInput, Fix, RuleFinding, Rule } from "../types";
import { speedOf } from "~/core/arc/fits";
import { FOR } from "~/core/arc/people";
import type { Phase } from "~/core/arc/schema";
import { FAST_ACTIONS } from "~/core/vocabulary/rehearses";
import type { Seconds } from "~/core/units";
import { MAY_GIVE, phasesAt, phaseSeconds } from "~/core/arc/arcs";
import { moveBlock, type Place } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import { listWords } from "~/core/wording/words";

/** Phases that are missing, that stand in another order than their arc’s, and that are too short or too long for the session. */
export const phases: Rule = {
  id: "phases",
  find: (input) => {
    const course = courseOf(input);
    const { arc, phased, spans, works, target } = course;
    if (!phased) return [];
    const found: RuleFinding[] = [];
    const there = new Set(spans.map(({ phase }) => phase.id));
    const missing = phasesAt(arc, target).filter(({ id }) => !there.has(id));
    if (missing.length > 0)
      found.push({
        severity: "warn",
        about: "missing",
        message: `There is no part for this: ${listWords(missing.map(({ title }) => title.toLowerCase()))}.`,
        why: `${missing.map(({ title, why }) => `${title}: ${why}`).join("; ")}.`,
        ...(missing.length === 1 && { offer: () => partFix(input, missing[0]!) }),
      });
    const late = spans.find(({ phase }, i) => spans.slice(i + 1).some((next) => before(arc.phases, next, phase)));
    if (late) {
      const next = spans.find((one) => one.start > late.start && before(arc.phases, one, late.phase))!;
      const block = input.session.blocks.findIndex((_, b) => course.phaseOf(b) === next.phase);
      const to = input.session.blocks.findIndex((_, b) => course.phaseOf(b) === late.phase);
      found.push({
        severity: "warn",
        about: "order",
        message: `“${late.phase.title}” comes before “${next.phase.title}”.`,
        why: `${next.phase.title} comes first: ${next.phase.why}.`,
        fix: { words: `Move “${next.phase.title}” up`, apply: (s) => moveBlock(s, block, to) },
      });
      return found;
    }
    for (const { phase, start, end } of spans) {
      const { least, most } = phaseSeconds(phase, target);
      const seconds = end - start;
      const work = works.reduce((sum, one) => sum + (one.phase === phase ? one.segment.seconds : 0), 0);
      // What may give way where nothing else fits is worth a word, not a warning.
      const little = (MAY_GIVE / 100) * target;
      if (seconds < least - 1e-6)
        found.push({
          severity: seconds < Math.max(phase.seconds, least - little) - 1e-6 ? "warn" : "hint",
          about: phase.id,
          at: start,
          message: `“${phase.title}” takes ${secondsText(Math.round(seconds))}; it wants at least ${secondsText(Math.ceil(least))}.`,
          why: `${phase.title}: ${phase.why}.`,
          offer: () => dosed(`Longer doses in “${phase.title}”`, longerIn(input, phase, least - seconds)),
        });
      else if (seconds > most + 1e-6)
        found.push({
          severity: seconds > most + little + 1e-6 ? "warn" : "hint",
          about: phase.id,
          at: start,
          message: `“${phase.title}” takes ${secondsText(Math.round(seconds))}; ${secondsText(Math.floor(most))} is enough.`,
          why: "The other parts need their time, too.",
          offer: () => dosed(`Shorter doses in “${phase.title}”`, shorterIn(input, phase, seconds - most)),
        });
      else if (phase.work !== undefined && work < phase.work - 1e-6)
        found.push({
          severity: "warn",
          about: phase.id,
          at: start,
          message: `“${phase.title}” has ${secondsText(work)} of work; it wants ${secondsText(phase.work)}.`,
          why: `${phase.title}: ${phase.why}.`,
          offer: () => dosed(`Longer doses in “${phase.title}”`, longerIn(input, phase, phase.work! - work)),
        });
      else found.push(...coursed(input, phase, start));
    }
    return found;
  },
};

const dosed = (words: string, apply: Fix["apply"] | undefined): Fix | undefined => apply && { words, apply };

/** How one phase goes: not at rest for too long, faster towards its end or slower, and fast enough at the end. */
function coursed(input: AuditInput, phase: Phase, at: Seconds): RuleFinding[] {
  const theirs = FOR[whoOf(input)].raise === 1 ? 1 : 0;
  const here = courseOf(input).works.filter((one) => one.phase === phase);
  const finding = (message: string, place?: Place): RuleFinding[] => [
    { severity: "warn", about: phase.id, at, ...(place && { place }), message, why: `${phase.title}: ${phase.why}.` },
  ];
  let flat: Seconds = 0;
  for (const { scales, segment, here: item } of here) {
    flat = scales.pulse < phase.pulse.least - theirs ? flat + segment.seconds : 0;
    if (flat > phase.pulse.still + 1e-6)
      return finding(
        `“${phase.title}” keeps people still for more than ${secondsText(phase.pulse.still)} in one piece.`,
        item.place,
      );
  }
  const order = [...new Map(here.map(({ here: item }) => [item, item])).keys()];
  const next = order.find((item, i) => {
    const last = order[i - 1];
    if (!last || !phase.course) return false;
    const [a, b] = [last, item].map((one) => ({ ...scalesAt(one), speed: speedOf(one.drill, one.item.level) }));
    return phase.course === "rising" ? b!.speed < a!.speed : b!.speed > a!.speed || b!.pulse > a!.pulse;
  });
  if (next)
    return finding(
      phase.course === "rising"
        ? `${next.drill.name} is slower than what comes before it in “${phase.title}”.`
        : `${next.drill.name} is brisker than what comes before it in “${phase.title}”.`,
      next.place,
    );
  const last = order.at(-1);
  const fast = phase.takes.some(({ rehearses }) => rehearses)
    ? (input.demand?.rehearses ?? []).some((one) => FAST_ACTIONS.includes(one))
    : true;
  if (last && phase.speed.ends !== undefined && fast && scalesAt(last).speed < phase.speed.ends - theirs)
    return finding(`“${phase.title}” ends slow, with ${last.drill.name}.`, last.place);
  if (last && scalesAt(last).pulse < (phase.pulse.ends ?? 0) - theirs)
    return finding(`“${phase.title}” ends with ${last.drill.name}, which wakes nobody up.`, last.place);
  return [];
}

const before = (order: readonly unknown[], a: Span, phase: unknown): boolean =>
  order.indexOf(a.phase) < order.indexOf(phase);
