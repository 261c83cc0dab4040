import { needsOf } from "~/core/drills/form";
import MiniSearch, { type Query, type SearchOptions } from "minisearch";
import { stemmer } from "stemmer";
import { allAtOnce, type Steps } from "~/core/steps";
import { METHOD_WORDS } from "~/core/wording/words";
import { POSTURE_WORDS, type Posture } from "~/core/vocabulary/postures";
import type { Area } from "~/core/vocabulary/areas";
import { coachWords } from "./coach-words";
import { KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import { LEVELS } from "~/core/vocabulary/levels";
import { REHEARSAL_WORDS } from "~/core/vocabulary/rehearses";
import { JOINT_WORDS, MOTION_FACTS } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { knownStress, stressesWith } from "~/core/stress/at";
import { levelAsWorked } from "~/core/group/protect";

/** Drills made ready to be searched, once. */
export type Findable = { drills: readonly Drill[]; names: readonly string[]; index: MiniSearch };

/** A word without its ending, so that “lunges” is “lunge” and “rolling” is “roll”. */
function root(word: string): string {
  const before = roots.get(word);
  if (before !== undefined) return before;
  const fresh = stemmer(
    word
      .normalize("NFKD")
      .replace(/[^\p{L}\p{N}]/gu, "")
      .toLowerCase(),
  );
  if (roots.size > MOST_ROOTS) roots.clear();
  roots.set(word, fresh);
  return fresh;
}

/** Drills say the same words over and over. */
const roots = new Map<string, string>();
const MOST_ROOTS = 5_000;

const wordsOf = (text: string): string[] =>
  text
    .normalize("NFKD")
    .toLowerCase()
    .replace(/['’]/g, "")
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** Words that say nothing of which drill. */
const EMPTY = new Set(
  [
    "a",
    "an",
    "the",
    "with",
    "for",
    "of",
    "and",
    "to",
    "on",
    "in",
    "my",
    "your",
    "some",
    "drill",
    "drills",
    "exercise",
    "exercises",
  ].map(root),
);

export const makeFindable = (drills: readonly Drill[]): Findable => allAtOnce(makeFindableInSteps(drills));

/** The same in steps, a drill each: a third of a millisecond. */
export function* makeFindableInSteps(drills: readonly Drill[]): Steps<Findable> {
  // Whole words are found, too, while they are being typed; what is asked for is looked up by its root.
  const index = new MiniSearch({
    fields: ["name", "words", "first", "besides"],
    tokenize: wordsOf,
    processTerm: (word) => (EMPTY.has(root(word)) ? null : root(word) === word ? word : [root(word), word]),
    searchOptions: { processTerm: root },
  });
  for (const [id, drill] of drills.entries()) {
    const { main, also, posture, kit } = drill.levels.standard;
    const rows = [...main, ...also].flatMap((row) => [
      MOTION_FACTS[row].words,
      MOTION_FACTS[row].plain,
      JOINT_WORDS[MOTION_FACTS[row].joint],
    ]);
    index.add({
      id,
      name: drill.name,
      ...coachWords(drill, drill.levels.standard),
      words: [
        drill.brief,
        METHOD_WORDS[drill.method],
        POSTURE_WORDS[posture],
        posture,
        ...kit.flatMap((k) => [KIT_FACTS[k].words, k]),
        ...rows,
        ...(drill.searchWords ?? []),
        ...(drill.rehearses ?? []).flatMap((one) => [one, REHEARSAL_WORDS[one]]),
        ...LEVELS.flatMap((level) => drill.levels[level].name ?? []),
      ].join(" "),
    });
    yield;
  }
  return { drills, names: drills.map((drill) => wordsOf(drill.name).join(" ")), index };
}

/** How words count: in a drill's name most, then in what it says of itself or coaches call it, and least in what it works besides. */
const BOOST = { name: 8, words: 2, first: 2, besides: 0.2 };

/**
 * Drills that have every word of the query, or one that begins with it; those whose name begins with the query come first,
 * then those that have it in the name as it was typed, then those that have its words in it, then the rest by how well they answer. Where nothing has them, a slip of the finger is
 * looked over. “No kneeling” or “without a stick” leaves out what has it. An empty query finds all.
 */
export function findDrills({ drills, names, index }: Findable, query: string): Drill[] {
  const { wanted, excluded } = readQuery(query);
  const words = wordsOf(wanted).filter((word) => !EMPTY.has(root(word)));
  const kept = (found: Drill[]) =>
    excluded.length === 0 ? found : found.filter((drill) => excluded.every((has) => !has(drill)));
  if (words.length === 0) return kept([...drills]);
  const options = { prefix: (term: string) => term.length > 1, combineWith: "AND", boost: BOOST } as const;
  const exact = index.search(words.join(" "), options);
  const found =
    exact.length > 0
      ? exact
      : index.search({ combineWith: "AND", queries: words.map((word) => meant(index, word, options)) });
  const [typed, begin] = [wordsOf(wanted).join(" "), words.join(" ")];
  const asked = words.map(root);
  const rank = (at: number) => {
    const name = names[at]!;
    if (name.startsWith(typed)) return 0;
    if (name.startsWith(begin)) return 1;
    if (` ${name}`.includes(` ${typed}`)) return 2;
    const own = name.split(" ");
    return asked.every((word, i) => own.some((one) => root(one).startsWith(word) || one.startsWith(words[i]!))) ? 3 : 4;
  };
  return kept(
    found
      .map(({ id, score }) => ({ at: id as number, score, rank: rank(id as number) }))
      // Of several names with what was typed the plainest is meant: “hip bridge” before “single-leg hip bridge”.
      .sort(
        (a, b) =>
          a.rank - b.rank ||
          (a.rank <= 2 ? names[a.at]!.length - names[b.at]!.length : 0) ||
          b.score - a.score ||
          a.at - b.at,
      )
      .map(({ at }) => drills[at]!),
  );
}

/**
 * A word as it was meant: as it stands where anything has it, else with two neighbours in their right order, which is the
 * commonest slip of the finger, else whatever is nearest to it.
 */
function meant(index: MiniSearch, word: string, options: Pick<SearchOptions, "prefix" | "boost">): Query {
  const known = (term: string) => index.search(term, options).length > 0;
  if (known(word)) return { ...options, queries: [word] };
  const swapped = Array.from(
    { length: Math.min(word.length, LONGEST_SLIP) - 1 },
    (_, i) => word.slice(0, i) + word[i + 1]! + word[i]! + word.slice(i + 2),
  ).filter((term) => term !== word && known(term));
  if (swapped.length > 0) return { ...options, combineWith: "OR", queries: swapped };
  return {
    ...options,
    queries: [word],
    processTerm: (term) => term,
    fuzzy: (term) => (term.length > 6 ? 2 : term.length > 3 ? 1 : false),
  };
}

/** Letters of a word in which neighbours are tried the other way round. */
const LONGEST_SLIP = 20;

type Has = (drill: Drill) => boolean;

/** What may be left out, by the roots of the words for it. */
const LEAVES_OUT: ReadonlyMap<string, Has> = new Map(
  [
    [["kneeling", "kneel", "knees"], onArea("kneeling")],
    [["floor", "ground", "mat"], onArea("floor")],
    [["wrists", "wrist", "hands"], onArea("wrist-weight")],
    [["balance", "balancing"], onArea("balance")],
    [["overhead"], onArea("shoulder-overhead")],
    [["jumping", "jump", "impact"], onArea("impact")],
    [["kit", "equipment", "gear"], (drill: Drill) => needsOf(drill.levels.standard).length > 0],
    [["lying"], inPosture("supine", "prone", "side-lying")],
    [
      ["sitting", "seated"],
      inPosture("long-sit", "straddle-sit", "crossed-sit", "ninety-sit", "kneel-sit", "chair-sit", "bench-sit"),
    ],
    [["standing"], inPosture("standing", "split-stance", "walking")],
    [["running", "run"], (drill: Drill) => drill.rehearses?.includes("run") === true],
    [["partner", "partners", "pairs"], (drill: Drill) => drill.partner === "pairs"],
    [["squatting", "squat"], inPosture("squat")],
    ...(Object.keys(KIT_FACTS) as Kit[]).map(
      (kit) =>
        [
          wordsOf(`${kit} ${KIT_FACTS[kit].words}`).filter(
            (word) =>
              ![
                "light",
                "something",
                "hold",
                "overhead",
                "kneeling",
                "knee",
                "high",
                "heel",
                "firm",
                "to",
                "on",
              ].includes(word),
          ),
          (drill: Drill) => drill.levels.standard.kit.includes(kit),
        ] as const,
    ),
  ].flatMap(([words, has]) => (words as readonly string[]).map((word) => [root(word), has as Has] as const)),
);

/** A drill whose usual level loads an area, or is not known not to. */
function onArea(area: Area): Has {
  return (drill) => {
    const level = drill.levels.standard;
    const { dose, seconds } = levelAsWorked(drill, "standard");
    return !knownStress(level).drawn || stressesWith(level, dose, seconds).some((one) => one.area === area);
  };
}

function inPosture(...postures: readonly Posture[]): Has {
  return (drill) => postures.includes(drill.levels.standard.posture);
}

/** What a query wants, and what it leaves out: “hips no kneeling”, “shoulders without a stick”. */
function readQuery(query: string): { wanted: string; excluded: Has[] } {
  const excluded: Has[] = [];
  const wanted = query.replace(
    /\b(?:no|not|without)\s+(?:an?\s+|any\s+|the\s+|on\s+)*([\p{L}-]+)/giu,
    (all: string, word: string) => {
      const has = wordsOf(word)
        .map((one) => LEAVES_OUT.get(root(one)))
        .find((one) => one !== undefined);
      if (!has) return all;
      excluded.push(has);
      return " ";
    },
  );
  return { wanted, excluded };
}
