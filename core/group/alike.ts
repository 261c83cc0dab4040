import { allProtections, type Protection } from "./protect";
import type { Group, PersonChoice } from "./schema";

/** People who protect the same and for whom the same is chosen, and so do the same: by their places in the group's list. */
export type Alike = { people: number[]; protections: Protection[]; choices: readonly PersonChoice[] };

/** Those of a group who protect anything, with what the whole group does, or for whom anything is chosen; put together where it is the same. */
export function alikeIn(group: Group): Alike[] {
  const found = new Map<string, Alike>();
  group.people.forEach((person, at) => {
    const protections = allProtections(person, group.setting);
    const { choices = [] } = person;
    if (protections.length === 0 && choices.length === 0) return;
    const key = JSON.stringify([protections, choices]);
    const before = found.get(key);
    if (before) before.people.push(at);
    else found.set(key, { people: [at], protections, choices });
  });
  return [...found.values()];
}

/** What was found for people who are alike, by person, in the order of the group's list. */
export const byPerson = <T>(
  group: Group,
  found: readonly { people: readonly number[]; value: T }[],
): { name: string; value: T }[] =>
  found
    .flatMap(({ people, value }) => people.map((at) => ({ at, value })))
    .sort((a, b) => a.at - b.at)
    .map(({ at, value }) => ({ name: group.people[at]!.name, value }));
