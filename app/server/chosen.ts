import { withChoices, type Choice } from "~/core/group/choices";
import type { Group } from "~/core/group/schema";

/** The group a session is for, with what was chosen for its people there; undefined where it is for nobody in particular. */
export function chosenFor(
  groups: readonly { id: string; people: readonly string[]; group: Group }[],
  setting: { groupId: string | null; choices: readonly Choice[] } | undefined,
): Group | undefined {
  const one = groups.find((g) => g.id === setting?.groupId);
  return one && setting && withChoices(one.group, one.people, setting.choices);
}
