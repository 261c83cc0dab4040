import { courseOf, inTurn, scalesAt } from "../course";
import { beforePower, samePlace, type Looked } from "../look";
import type { RuleFinding, Rule } from "../types";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { moveItem } from "~/core/session/edits";

const JOINT_WORDS = (here: Looked): string => MOTION_FACTS[here.level.main[0]!].joint.replaceAll("-", " ");

/** Three drills in a row for one joint; while things are held, three with the same first motion. Before lifting four, as a lift takes what it takes. */
export const sameJoint: Rule = {
  id: "same-joint",
  find: (input) => {
    const { phased, phaseOf, grave } = courseOf(input);
    const { purpose } = input.session;
    const usual = {
      of: beforePower(purpose) || purpose === "desk-break" ? ("joint" as const) : ("motion" as const),
      most: purpose === "before-lifting" ? 3 : 2,
    };
    const found: RuleFinding[] = [];
    let run: Looked[] = [];
    let told = new Set<Looked>();
    const order = inTurn(input);
    order.forEach((here, i) => {
      const row = phased ? phaseOf(here.place.block)?.row : scalesAt(here).pulse < 2 ? usual : undefined;
      const key = (one: Looked) => (row?.of === "joint" ? MOTION_FACTS[one.level.main[0]!].joint : one.level.main[0]!);
      const last = run.at(-1);
      // The same drill again, as the sets of a lift or a test, is no other drill.
      if (last?.drill.id === here.drill.id) return;
      run =
        row && last && key(last) === key(here) && (!phased || phaseOf(last.place.block) === phaseOf(here.place.block))
          ? [...run, here]
          : [here];
      if (!row || run.length <= row.most || run.some((one) => told.has(one))) return;
      told = new Set(run);
      const next = order
        .slice(i + 1)
        .find(
          (one) => one.place.block === here.place.block && one.place.item > here.place.item && key(one) !== key(here),
        );
      found.push({
        severity: grave,
        place: here.place,
        message:
          row.of === "joint"
            ? `${here.drill.name} is the ${count(run.length)} drill in a row for the ${JOINT_WORDS(here)}.`
            : `${here.drill.name} is the ${count(run.length)} drill in a row for ${MOTION_FACTS[here.level.main[0]!].words}.`,
        why: "It tires and bores; put something else between them.",
        ...(next &&
          !samePlace(next.place, here.place) && {
            fix: { words: `Do ${next.drill.name} before it`, apply: (s) => moveItem(s, next.place, here.place) },
          }),
      });
    });
    return found;
  },
};

const count = (n: number): string => ["", "first", "second", "third", "fourth", "fifth"][n] ?? `${n}th`;
