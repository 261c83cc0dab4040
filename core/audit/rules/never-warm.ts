import { addable } from "../add";
import { amongOf, courseOf } from "../course";
import { beforePower } from "../look";
import type { AuditInput, Fix, RuleFinding, Rule } from "../types";
import { takesIt } from "~/core/arc/fits";
import { FOR } from "~/core/arc/people";
import { insertItem } from "~/core/session/edits";
import { itemOf } from "~/core/session/start";
import { doseWords } from "~/core/dose/dose";
import { secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** A pulse at which people get warm. */
const WARM = 2;
/** Before sport the first of it comes this early. */
const SOON: Seconds = 180;

/** Before training, lifting or a game: too little at a pulse that warms, none of it at the start, or standing about once warm. */
export const neverWarm: Rule = {
  id: "never-warm",
  find: (input) => {
    if (!beforePower(input.session.purpose)) return [];
    const { arc, works, spans, phased, grave, target } = courseOf(input);
    if (works.length === 0) return [];
    const wanted = FOR[amongOf(input).who].raise;
    const at = (pulse: number) => works.filter(({ scales }) => scales.pulse >= pulse);
    const warm = at(wanted).reduce((sum, { segment }) => sum + segment.seconds, 0);
    const least = (arc.warm / 100) * target;
    const found: RuleFinding[] = [];
    const fix = () => warmFirst(input);
    const raise = spans[0]?.phase.reaches ? spans[0] : undefined;
    const start = raise ? works.filter(({ segment }) => segment.start < raise.end) : [];
    const reached = start.filter(({ scales }) => scales.pulse >= wanted);
    const seconds = (list: typeof works) => list.reduce((sum, { segment }) => sum + segment.seconds, 0);
    if (warm < least - 1e-6)
      found.push({
        severity: grave,
        at: 0,
        message:
          warm === 0
            ? "Nobody gets warm: nothing in it brings the pulse up."
            : `Nobody gets warm: ${secondsText(Math.round(warm))} of it bring the pulse up; it takes ${secondsText(Math.ceil(least))}.`,
        why: "Warm people move better and are hurt less. Walk, march, jog or shuffle first.",
        offer: fix,
      });
    else if (
      raise &&
      (!reached.some(({ segment }) => segment.start - raise.start < raise.phase.reaches!.within) ||
        seconds(reached) < (raise.phase.reaches!.share / 100) * seconds(start) - 1e-6)
    )
      found.push({
        severity: grave,
        at: 0,
        about: "start",
        message: `“${raise.phase.title}” hardly brings the pulse up.`,
        why: "Half of it should be brisk enough to be warm by its end, and some of it within the first minute.",
        offer: fix,
      });
    else if (!phased && (at(wanted)[0]?.segment.start ?? 0) > SOON)
      found.push({
        severity: grave,
        at: 0,
        about: "start",
        message: `It takes ${secondsText(Math.round(at(wanted)[0]!.segment.start))} until anything brings the pulse up.`,
        why: "Come in moving: what is warm moves farther.",
        offer: fix,
      });
    if (phased && arc.standing !== undefined) {
      const after = raise?.end ?? 0;
      let since: Seconds | undefined;
      for (const segment of input.timeline.segments) {
        if (segment.start < after - 1e-6 || segment.kind === "work") {
          since = undefined;
          continue;
        }
        since ??= segment.start;
        if (segment.start + segment.seconds - since <= arc.standing + 1e-6) continue;
        found.push({
          severity: grave,
          at: since,
          about: "standing",
          place: { block: segment.block, item: segment.item },
          message: `Everyone stands about for more than ${secondsText(arc.standing)} once they are warm.`,
          why: "They cool down again.",
        });
        break;
      }
    }
    return found;
  },
};

/** Something brisk at the very beginning, where there is something for this group. */
function warmFirst(input: AuditInput): Fix | undefined {
  const { arc } = courseOf(input);
  const among = amongOf(input);
  const raise = arc.phases.find(({ reaches }) => reaches);
  const drill = addable(input)
    .filter(
      (one) =>
        raise?.takes.some((takes) => takesIt(takes, one, "standard", among)) &&
        (one.levels.standard.pulse ?? 0) >= WARM &&
        (one.levels.standard.skill ?? 1) === 0 &&
        one.levels.standard.gait === true,
    )
    .sort((a, b) => (a.id < b.id ? -1 : 1))[0];
  if (!drill) return undefined;
  const item = { ...itemOf(drill), demo: 0 };
  return {
    words: `Begin with ${drill.name}, ${doseWords(item.dose)}`,
    apply: (s) => insertItem(s, { block: 0, item: 0 }, item),
  };
}
