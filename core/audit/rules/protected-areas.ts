import { itemsOf } from "../look";
import type { Finding, Fix, Rule } from "../types";
import type { Area } from "~/core/drills/areas";
import type { DrillLevel } from "~/core/drills/schema";
import { fallbackFor, loaded } from "~/core/group/fallback";
import { amountOf } from "~/core/session/dose-edits";
import { editItem } from "~/core/session/edits";
import type { Dose } from "~/core/session/schema";
import { AREA_WORDS } from "~/core/text/areas";
import { listWords } from "~/core/text/words";

/**
 * An area somebody protects, loaded by a drill. Where there is something else for them to do in the same time, it says
 * what; where there is not, the session is not run like this.
 */
export const protectedAreas: Rule = {
  id: "protected-areas",
  find: (input) => {
    const { group, offered, drills, session } = input;
    if (!group) return [];
    const everyone = group.setting.areas ?? [];
    return itemsOf(input).flatMap(({ place, item, drill, level }): Finding[] => {
      const everywhere = loaded(level, everyone);
      const people = group.people.map(({ name, areas }) => ({ name, areas: [...new Set<Area>([...areas, ...everyone])] })).filter(({ areas }) => loaded(level, areas).length > 0);
      if (everywhere.length === 0 && people.length === 0) return [];
      const by = { drills, offered, pace: session.pace, group };
      const areas = [...new Set(people.flatMap((one) => loaded(level, one.areas)).concat(everywhere))];
      const who = everywhere.length > 0 ? "the whole group protects" : `${listWords(people.map((p) => p.name))} protect${people.length === 1 ? "s" : ""}`;
      const loads = `${drill.name} loads ${listWords(areas.map((a) => AREA_WORDS[a]))}, which ${who}`;
      const answers = people.map((one) => ({ name: one.name, fallback: fallbackFor(item, one.areas, by) }));
      const none = answers.filter((a) => !a.fallback).map((a) => a.name);
      // One thing that everybody can do, and that loads nothing anyone protects.
      const all = [...new Set<Area>([...everyone, ...group.people.flatMap((p) => p.areas)])];
      const swap = (): Fix | undefined => {
        const forAll = fallbackFor(item, all, by);
        return forAll && {
          words: forAll.drill.id === drill.id ? `Take the ${forAll.level} level for everyone` : `Take ${forAll.drill.name} for everyone`,
          apply: (s) => editItem(s, place, { drill: forAll.drill.id, level: forAll.level, ...(forAll.drill.id !== drill.id && { dose: doseFor(forAll.drill.levels[forAll.level], item.dose) }) }),
        };
      };
      if (everywhere.length > 0 || none.length > 0)
        return [{
          severity: "stop", place, says: `${loads}${everywhere.length > 0 ? "." : `, and there is nothing else for ${listWords(none)} to do in that time.`}`,
          why: "What someone protects is not loaded. Not medical advice: ask them, and whoever treats them.", offer: swap,
        }];
      const words = answers.map(({ name, fallback }) => `${name}: ${fallback!.drill.id === drill.id ? `the ${fallback!.level} level` : fallback!.drill.name}`);
      return [{
        severity: "hint", place, says: `${loads}. In the same time, ${words.join("; ")}.`, why: "Say it before the drill begins, so that nobody has to ask.", offer: swap,
      }];
    });
  },
};

/** The dose of another drill in place of one: the same where it is of the same kind and within bounds, else its own. */
function doseFor(level: DrillLevel, dose: Dose): Dose {
  const { value } = amountOf(dose);
  return dose.kind === level.dose.kind && dose.kind === "time" && value >= level.bounds.least && value <= level.bounds.most ? dose : level.dose;
}
