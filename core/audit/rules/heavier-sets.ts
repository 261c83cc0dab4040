import { courseOf, isOfLift } from "../course";
import { itemsOf, type Looked } from "../look";
import type { AuditInput, Rule } from "../types";
import { amountOf, withAmount } from "~/core/dose/amount";
import { editItem } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";

const repsOf = ({ item }: Looked): number => amountOf(item.dose).value;

/** The sets of each lift that is warmed up for, one drill’s after the other. */
function setsOf(input: AuditInput): Looked[][] {
  const runs: Looked[][] = [];
  let open: Looked[] | undefined;
  for (const here of itemsOf(input)) {
    if (here.item.dose.kind !== "reps" || !isOfLift(input, here)) open = undefined;
    else if (open?.[0]!.drill.id === here.drill.id) open.push(here);
    else runs.push((open = [here]));
  }
  return runs;
}

/** The session with no set of more repetitions than the one before it. */
function falling(session: SessionPlan, run: readonly Looked[]): SessionPlan {
  let most = Infinity;
  return run.reduce((s, one) => {
    most = Math.min(most, repsOf(one));
    return repsOf(one) > most ? editItem(s, one.place, { dose: withAmount(one.item.dose, most) }) : s;
  }, session);
}

/** Sets of a lift, each heavier than the last, in which the repetitions go up: they fall as the weight rises. */
export const heavierSets: Rule = {
  id: "heavier-sets",
  find: (input) =>
    input.session.purpose !== "before-lifting"
      ? []
      : setsOf(input).flatMap((run) => {
          const at = run.findIndex((one, i) => i > 0 && repsOf(one) > repsOf(run[i - 1]!));
          if (at < 0) return [];
          const [before, here] = [run[at - 1]!, run[at]!];
          return [
            {
              severity: courseOf(input).grave,
              place: here.place,
              message: `${here.drill.name} goes from ${repsOf(before)} up to ${repsOf(here)} repetitions as the weight rises.`,
              why: "Each set is heavier than the one before, so it has fewer repetitions: six, four, three.",
              fix: { words: "No set longer than the one before", apply: (session) => falling(session, run) },
            },
          ];
        }),
};
