import { itemsOf } from "../look";
import type { Finding, Fix, Rule } from "../types";
import type { DrillLevel } from "~/core/drills/schema";
import { fallbackFor } from "~/core/group/fallback";
import { against, allProtections, itemAsWorked, protectionsOf, type Protection } from "~/core/group/protect";
import { amountOf } from "~/core/session/dose-edits";
import { editItem } from "~/core/session/edits";
import type { Dose } from "~/core/session/schema";
import { knownStress } from "~/core/stress/at";
import { protectionWords } from "~/core/text/areas";
import { listWords } from "~/core/text/words";

const unique = (all: readonly Protection[]): string[] => [...new Set(all.map(protectionWords))];

/**
 * An area somebody protects, stressed by a drill. Where there is something else for them to do in the same time, it says
 * what; where there is not, they rest, and the session is not run like this without the coach's word.
 */
export const protectedAreas: Rule = {
  id: "protected-areas",
  find: (input) => {
    const { group, offered, drills, session } = input;
    if (!group) return [];
    const everyone = protectionsOf(group.setting.areas ?? []);
    return itemsOf(input).flatMap(({ place, item, drill, level }): Finding[] => {
      const rounds = session.blocks[place.block]?.rounds ?? 1;
      const worked = itemAsWorked(drill, item, session.pace, rounds);
      const everywhere = against(level, worked, everyone);
      const people = group.people.flatMap((person) => {
        const protections = allProtections(person, group.setting);
        const hit = against(level, worked, protections);
        return hit.length > 0 ? [{ name: person.name, protections, hit }] : [];
      });
      if (everywhere.length === 0 && people.length === 0) return [];
      const by = { drills, offered, pace: session.pace, group, rounds };
      const areas = unique([...people.flatMap((one) => one.hit), ...everywhere]);
      const who = everywhere.length > 0 ? "the whole group protects" : `${listWords(people.map((p) => p.name))} protect${people.length === 1 ? "s" : ""}`;
      const loads = knownStress(level).drawn
        ? `${drill.name} loads ${listWords(areas)}, which ${who}`
        : `${drill.name} is not drawn, so nobody knows what it loads; ${who} ${listWords(areas)}`;
      const answers = people.map((one) => ({ name: one.name, fallback: fallbackFor(item, one.protections, by) }));
      const none = answers.filter((a) => !a.fallback).map((a) => a.name);
      // One thing that everybody can do, and that loads nothing anyone protects.
      const all = [...everyone, ...group.people.flatMap((p) => protectionsOf(p.areas))];
      const swap = (): Fix | undefined => {
        const forAll = fallbackFor(item, all, by);
        return forAll && {
          words: forAll.drill.id === drill.id ? `Take the ${forAll.level} level for everyone` : `Take ${forAll.drill.name} for everyone`,
          apply: (s) => editItem(s, place, { drill: forAll.drill.id, level: forAll.level, ...((forAll.drill.id !== drill.id || item.dose.kind === "effort") && { dose: doseFor(forAll.drill.levels[forAll.level], item.dose) }) }),
        };
      };
      if (everywhere.length > 0 || none.length > 0)
        return [{
          severity: "stop", place, says: `${loads}${none.length > 0 ? `, and there is nothing else in that time for ${listWords(none)}: they would rest here.` : "."}`,
          why: "What someone protects is not loaded. Not medical advice: ask them, and whoever treats them.", offer: swap, areas: [...new Set([...people.flatMap((one) => one.hit), ...everywhere].map((one) => one.area))],
        }];
      const words = answers.map(({ name, fallback }) => `${name}: ${fallback!.drill.id === drill.id ? `the ${fallback!.level} level` : fallback!.drill.name}`);
      return [{
        severity: "hint", place, says: `${loads}. In the same time, ${words.join("; ")}.`, why: "Say it before the drill begins, so that nobody has to ask.", offer: swap, areas: [...new Set(people.flatMap((one) => one.hit.map(({ area }) => area)))],
      }];
    });
  },
};

/** The dose of another drill in place of one: the same where it is of the same kind and within bounds, else its own. */
function doseFor(level: DrillLevel, dose: Dose): Dose {
  const { value } = amountOf(dose);
  return dose.kind === level.dose.kind && dose.kind === "time" && value >= level.bounds.least && value <= level.bounds.most ? dose : level.dose;
}
