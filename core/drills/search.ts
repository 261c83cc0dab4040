import { METHOD_WORDS } from "~/core/text/words";
import { POSTURE_WORDS } from "~/core/timeline/postures";
import { KIT_FACTS } from "./kit";
import { JOINT_WORDS, ROW_FACTS } from "./rows";
import type { Drill } from "./schema";

/** A drill with the words it is found by, put together once. */
export type Findable = { drill: Drill; name: string; words: string };

export function makeFindable(drills: readonly Drill[]): Findable[] {
  return drills.map((drill) => {
    const { main, also, posture, kit } = drill.levels.standard;
    const rows = [...main, ...also].flatMap((row) => [ROW_FACTS[row].words, JOINT_WORDS[ROW_FACTS[row].joint]]);
    const words = [drill.name, drill.brief, METHOD_WORDS[drill.method], POSTURE_WORDS[posture], posture, ...kit.map((k) => KIT_FACTS[k].words), ...rows];
    return { drill, name: drill.name.toLowerCase(), words: words.join(" ").toLowerCase() };
  });
}

/**
 * Drills that have every word of the query, those whose name begins with it first, then those that have it in the name,
 * then the rest; within each in the order given. An empty query finds all.
 */
export function findDrills(findable: readonly Findable[], query: string): Drill[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = (f: Findable) =>
    f.name.startsWith(words.join(" ")) ? 0 : words.every((w) => f.name.includes(w)) ? 1 : words.every((w) => f.words.includes(w)) ? 2 : 3;
  return findable
    .map((f) => ({ f, at: rank(f) }))
    .filter(({ at }) => at < 3)
    .sort((a, b) => a.at - b.at)
    .map(({ f }) => f.drill);
}
