import type { PainAt } from "./pain-place";
import type { CheckIn } from "./schema";
import { JOINT_WORDS } from "~/core/vocabulary/motions";

/** Each thing that hurt: of pages of before the one they told of. */
export const painsOf = ({
  painWhere,
  painAt,
  pains,
}: Pick<CheckIn, "painWhere" | "painAt" | "pains">): { where: string; at: PainAt | null }[] =>
  pains && pains.length > 0 ? pains : [{ where: painWhere, at: painAt ?? null }];

/** A check-in in words, to be handed over in another way where Mapset cannot take it: pain first. */
export function checkInText(
  { run, hard, tightness, pain, painWhere, painAt, pains, note }: CheckIn,
  nameOf: (drill: string) => string | undefined = () => undefined,
): string {
  const sides = (left: number | null, right: number | null) =>
    [left !== null && `left ${left}`, right !== null && `right ${right}`].filter(Boolean).join(", ");
  return [
    `${run.person.name}: ${Math.round(run.shareDone * 100)} % of the work done`,
    ...(pain
      ? painsOf({ painWhere, painAt, pains }).flatMap(({ where, at }) => [
          `Something hurt: ${where || "didn’t say where"}`,
          at && `In the drill: ${nameOf(at.drill) ?? at.drill}`,
        ])
      : ["Nothing hurt"]),
    hard !== null && `Effort: ${hard} of 10`,
    ...tightness.map(({ joint, left, right }) => `Tightness, ${JOINT_WORDS[joint]}: ${sides(left, right)}`),
    note,
  ]
    .filter(Boolean)
    .join("\n");
}
