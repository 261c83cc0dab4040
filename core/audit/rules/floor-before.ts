import { amongOf, courseOf } from "../course";
import { beforePower } from "../look";
import { replaceFix } from "../replace";
import type { AuditInput, Fix, RuleFinding, Rule } from "../types";
import { outOfPhase } from "~/core/arc/fits";
import { groundOf, lowAtMost, placeOf, surfaceOf } from "~/core/arc/ground";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { moveItem, type Place } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";

/** More lying, sitting, kneeling or squatting deep than what follows or the ground allows; not on the feet at the end; back down once up; up and down again. */
export const floorBefore: Rule = {
  id: "floor-before",
  find: (input) => {
    const { arc, works, spans, phased, grave } = courseOf(input);
    const { purpose } = input.session;
    const ground = groundOf(arc, input.demand);
    const surface = surfaceOf(input.group?.setting, purpose);
    const found: RuleFinding[] = [];
    const all = works.reduce((sum, { segment }) => sum + segment.seconds, 0);
    if (all === 0) return [];
    const down = works.filter(({ segment }) => placeOf(segment.posture) === "low");
    const middle = works.filter(({ segment }) => placeOf(segment.posture) === "middle");
    const seconds = (list: typeof works) => list.reduce((sum, { segment }) => sum + segment.seconds, 0);
    const most = lowAtMost(ground, surface);
    const words = PURPOSE_WORDS[purpose];
    const first = (list: typeof works) => ({
      place: list[0]!.here.place,
      at: list[0]!.segment.start,
      offer: () => onFeet(input, list[0]!.here.place),
    });
    if (ground.seat && down.length + middle.length > 0) {
      const at = [...down, ...middle].sort((a, b) => a.segment.start - b.segment.start);
      found.push({
        severity: grave,
        ...first(at),
        message: `${at[0]!.here.drill.name} goes down, or deep, in a desk break.`,
        why: "People are in their work clothes: on the feet or on a chair.",
      });
    } else if (down.length > 0 && seconds(down) > (most / 100) * all + 1e-6)
      found.push({
        severity: grave,
        ...first(down),
        about: "low",
        message: `${secondsText(Math.round(seconds(down)))} of it ${most === 0 ? "are" : `of ${secondsText(Math.round(all))} are`} on the floor ${words}, ${SURFACE_FACTS[surface].on}.`,
        why:
          most === 0
            ? "Nobody lies down on that before they go: it is cold and hard, and they cool down."
            : "People cool down on the floor; get them on their feet sooner.",
      });
    else if (middle.length > 0 && seconds(middle) > (ground.middle / 100) * all + 1e-6)
      found.push({
        severity: grave,
        ...first(middle),
        about: "middle",
        message: `${secondsText(Math.round(seconds(middle)))} of ${secondsText(Math.round(all))} are kneeling or in the deep squat ${words}.`,
        why: "Most of it should be done standing, walking and running.",
      });
    const from = spans.find(({ phase }) => phase.id === ground.feetFrom)?.start;
    const last = Math.min(from ?? Infinity, (1 - ground.feetLast / 100) * input.timeline.totalSeconds);
    const late = works.find(
      ({ segment, here }) =>
        segment.start >= last - 1e-6 &&
        placeOf(segment.posture) !== "feet" &&
        !(from !== undefined && segment.start >= from - 1e-6 && here.drill.rehearses?.length),
    );
    if (late && (phased || ground.feetLast > 0) && beforePower(purpose))
      found.push({
        severity: grave,
        place: late.here.place,
        at: late.segment.start,
        about: "late",
        message: `${late.here.drill.name} goes back down when everyone should be up and moving.`,
        why: "Up once, and stay up: what follows is done on the feet.",
        ...earlier(input, late.here.place),
        offer: () => onFeet(input, late.here.place),
      });
    if (ground.ups) {
      const rises = risesOf(input);
      const allowed = Math.ceil(input.timeline.totalSeconds / 600 - 1e-9);
      if (rises.length > allowed)
        found.push({
          severity: grave,
          place: rises[allowed]!.place,
          at: rises[allowed]!.at,
          about: "ups",
          message: `Everyone gets up from the floor ${rises.length} times.`,
          why: `Going down once is enough: ${allowed === 1 ? "once" : `${allowed} times`} at most in this length.`,
        });
    }
    return found;
  },
};

/** Where everybody comes up from the floor, in order. */
function risesOf({ timeline }: AuditInput): { place: Place; at: number }[] {
  const floor = (posture: Parameters<typeof placeOf>[0]) =>
    placeOf(posture) === "low" || (placeOf(posture) === "middle" && posture !== "squat");
  return timeline.segments.flatMap((s) =>
    s.kind === "move" && s.from !== undefined && floor(s.from) && !floor(s.to)
      ? [{ place: { block: s.block, item: s.item }, at: s.start }]
      : [],
  );
}

/** Puts a drill that is low where the last low one before it stands. */
function earlier(input: AuditInput, place: Place): { fix?: Fix } {
  const { works, phaseOf, phased } = courseOf(input);
  const to = works.findLast(
    ({ here, segment }) =>
      (here.place.block < place.block || (here.place.block === place.block && here.place.item < place.item)) &&
      placeOf(segment.posture) !== "feet" &&
      (!phased || phaseOf(here.place.block)?.ordered === true),
  )?.here;
  if (!to) return {};
  return {
    fix: {
      words: `Do it earlier, after ${to.drill.name}`,
      apply: (s) => moveItem(s, place, { block: to.place.block, item: to.place.item + 1 }),
    },
  };
}

/** Something for the same on the feet. */
function onFeet(input: AuditInput, place: Place): Fix | undefined {
  const { phaseOf } = courseOf(input);
  const phase = phaseOf(place.block);
  const among = amongOf(input);
  return replaceFix(input, place, (drill) => {
    const { posture, endPosture, dose } = drill.levels.standard;
    return (
      [posture, endPosture].every((one) => placeOf(one) === "feet") &&
      (!phase || !outOfPhase(phase, drill, "standard", dose, among))
    );
  });
}
