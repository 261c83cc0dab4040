import { formIn } from "~/core/drills/form";
import { answerFor, choiceAt } from "./choices";
import { against, itemAsWorked, type Protection } from "./protect";
import type { Group, PersonChoice } from "./schema";
import { levelBelow, type LevelName } from "~/core/vocabulary/levels";
import { allAtOnce, type Steps } from "~/core/steps";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import { itemDone } from "~/core/session/interval";

/** What one person does in place of an item while the others do it: another level, another drill, or rest. */
export type Instead = { block: number; item: number } & (
  { does: "rest" } | { does: "other"; drill: Drill; level: LevelName }
);

type By = {
  drills: (id: string) => Drill | undefined;
  offered: readonly Drill[];
  group?: Group | undefined;
  choices?: readonly PersonChoice[];
};

/** Everything one person does differently in a session, by what they protect and what is chosen for them, in its order. Empty for someone who does it all. */
export const insteadOf = (session: SessionPlan, protections: readonly Protection[], by: By): Instead[] =>
  allAtOnce(insteadInSteps(session, protections, by));

/** The same in steps. */
export function* insteadInSteps(
  session: SessionPlan,
  protections: readonly Protection[],
  { drills, offered, group, choices = [] }: By,
): Steps<Instead[]> {
  const all: Instead[] = [];
  if (protections.length === 0 && choices.length === 0) return all;
  for (const [b, block] of session.blocks.entries())
    for (const [i, set] of block.items.entries()) {
      yield;
      const item = itemDone(block, set, drills, session.pace);
      const place = { block: b, item: i };
      const answer = answerFor(item, protections, choiceAt(choices, place, item), {
        drills,
        offered,
        pace: session.pace,
        group,
        rounds: block.rounds,
      });
      if (answer.does === "rest") all.push({ ...place, does: "rest" });
      else if (answer.does === "other") all.push({ ...place, does: "other", drill: answer.drill, level: answer.level });
    }
  return all;
}

/** Where the next level down goes against what someone protects, although the item itself does not: easier today is then no answer for them. */
export function notOneDown(
  session: SessionPlan,
  protections: readonly Protection[],
  drills: By["drills"],
): { block: number; item: number }[] {
  if (protections.length === 0) return [];
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => {
      const drill = formIn(item, drills);
      const below = levelBelow(item.level);
      if (!drill || !below) return [];
      return against(
        drill.levels[below],
        itemAsWorked(drill, itemDone(block, item, drills, session.pace), session.pace, block.rounds),
        protections,
      ).length > 0
        ? [{ block: b, item: i }]
        : [];
    }),
  );
}
