import type { CheckIn } from "./schema";
import { JOINT_WORDS } from "~/core/vocabulary/motions";

/** A check-in in words, to be handed over in another way where Mapset cannot take it: pain first. */
export function checkInText(
  { run, hard, tightness, pain, painWhere, painAt, note }: CheckIn,
  nameOf: (drill: string) => string | undefined = () => undefined,
): string {
  const sides = (left: number | null, right: number | null) =>
    [left !== null && `left ${left}`, right !== null && `right ${right}`].filter(Boolean).join(", ");
  return [
    `${run.person.name}: ${Math.round(run.shareDone * 100)} % of the work done`,
    pain ? `Something hurt: ${painWhere || "didn’t say where"}` : "Nothing hurt",
    pain && painAt && `In the drill: ${nameOf(painAt.drill) ?? painAt.drill}`,
    hard !== null && `Effort: ${hard} of 10`,
    ...tightness.map(({ joint, left, right }) => `Tightness, ${JOINT_WORDS[joint]}: ${sides(left, right)}`),
    note,
  ]
    .filter(Boolean)
    .join("\n");
}
