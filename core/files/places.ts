import type { ValidationError } from "~/core/faults";

/*
 * Where a fault of a file is, as a coach would say it: “block 5 ‘Switch on’, drill 2, dose” for blocks[4].items[1].dose.
 */

/** A fault of a file, and where it is in words. */
export type PlacedFault = ValidationError & { place: string };

export const placedFaults = (
  faults: readonly ValidationError[],
  document: unknown,
  nameOf?: (drill: string) => string | undefined,
): PlacedFault[] => faults.map((fault) => ({ ...fault, place: placeWords(fault.path, document, nameOf) }));

/** What fields of documents are called. An empty word says nothing that its surroundings don't. */
const WORDS: Record<string, string> = {
  format: "format",
  version: "version",
  title: "title",
  purpose: "purpose",
  target: "target length",
  firstSide: "first side",
  pace: "pace",
  breath: "breath",
  switchSides: "changing sides",
  turn: "change of direction",
  demo: "showing time",
  kitChange: "picking up kit",
  notes: "notes",
  rounds: "rounds",
  restBetweenRounds: "rest between rounds",
  sideOrder: "order of sides",
  items: "drills",
  blocks: "blocks",
  drills: "own drills",
  drill: "",
  level: "level",
  sides: "sides",
  directions: "directions",
  directionWords: "names of the directions",
  dose: "dose",
  kind: "kind",
  seconds: "seconds",
  count: "how many",
  tempo: "tempo",
  pattern: "breathing pattern",
  ramp: "effort ramp",
  effort: "effort",
  opposite: "opposite effort",
  settle: "settling",
  rungs: "ladder",
  rung: "rung in use",
  interval: "work and rest by the clock",
  clockIn: "parts by the clock",
  work: "work",
  rest: "rest",
  phase: "phase",
  locked: "locked",
  rehearses: "what it rehearses",
  surfaces: "what it takes place on",
  lands: "jumps and cuts",
  groundSport: "fought on the ground",
  without: "kit left away",
  test: "test",
  moveBase: "change of position",
  moveStep: "each step of height",
  sets: "sets",
  restBetweenSets: "rest between sets",
  restAfter: "rest after",
  cues: "calls",
  at: "time",
  say: "words",
  do: "words",
  id: "id",
  name: "name",
  region: "body region",
  method: "method",
  brief: "line about it",
  setUp: "set-up",
  steps: "steps",
  feel: "what is felt",
  elsewhere: "felt elsewhere",
  felt: "what is felt",
  change: "what to change",
  faults: "faults to look for",
  see: "what is seen",
  cautions: "cautions",
  levels: "",
  easier: "easier level",
  standard: "standard level",
  harder: "harder level",
  how: "what makes it so",
  posture: "position",
  endPosture: "position at the end",
  kit: "kit",
  main: "main motions",
  also: "other motions",
  loads: "areas",
  area: "area",
  grade: "grade",
  because: "reason",
  bounds: "limits of the dose",
  least: "smallest",
  most: "largest",
  step: "step",
  leastRep: "shortest repetition",
  motions: "drawing",
  profile: "",
  about: "line about it",
  held: "held positions",
  rows: "motions",
  weight: "weight",
  why: "reason",
};

/** Whether a field of a document has a word of its own. */
export const hasWord = (field: string): boolean => Object.hasOwn(WORDS, field);

/** What one of a list is called; `of` is its place from 0. */
const ENTRIES: Record<string, (of: number, one: unknown) => string> = {
  blocks: (of, one) => `block ${of + 1}${quoted(one, "title")}`,
  items: (of) => `drill ${of + 1}`,
  drills: (of, one) => `own drill ${of + 1}${quoted(one, "name")}`,
  cues: (of) => `call ${of + 1}`,
  tempo: (of) => `beat ${of + 1}`,
  ramp: (of) => `step ${of + 1} of the effort ramp`,
  rungs: (of) => `rung ${of + 1}`,
  pattern: (of) => ["breathing in", "holding in", "breathing out", "holding out"][of] ?? `part ${of + 1}`,
};

const LONGEST_NAME = 40;

function quoted(one: unknown, field: string): string {
  const name = typeof one === "object" && one !== null ? (one as Record<string, unknown>)[field] : undefined;
  return typeof name === "string" && name.trim() ? ` “${name.trim().slice(0, LONGEST_NAME)}”` : "";
}

/** Words for a field that has none of its own: “restAfter” reads as “rest after”. */
const spelled = (field: string): string => field.replace(/([a-z])([A-Z])/g, "$1 $2").toLowerCase();

/** The place of a fault in words. `nameOf` gives a drill's name by its id. */
export function placeWords(
  path: string,
  document: unknown,
  nameOf: (drill: string) => string | undefined = () => undefined,
): string {
  if (path === "(document)" || path === "(file)") return "the file";
  const words: string[] = [];
  let here: unknown = document;
  let list = "";
  for (const [whole, field, place] of path.matchAll(/([^.[\]]+)|\[(\d+)\]/g)) {
    const key = place === undefined ? whole : Number(place);
    here = typeof here === "object" && here !== null ? (here as Record<string | number, unknown>)[key] : undefined;
    if (place !== undefined) {
      const said = ENTRIES[list]?.(Number(place), here) ?? `${words.pop() ?? "entry"} ${Number(place) + 1}`;
      // The list itself was named just before its entry.
      if (ENTRIES[list] && words.at(-1) === (WORDS[list] ?? spelled(list))) words.pop();
      const drill =
        list === "items" && typeof here === "object" && here !== null ? (here as { drill?: unknown }).drill : undefined;
      const name = typeof drill === "string" ? nameOf(drill) : undefined;
      words.push(name ? `${said} “${name}”` : said);
    } else if (field === "session" && words.length === 0) words.push("");
    else if (field === "profile" && words.length === 0) words.push("sport profile");
    else words.push(Object.hasOwn(WORDS, whole) ? WORDS[whole]! : spelled(whole));
    list = place === undefined ? whole : "";
  }
  return words.filter(Boolean).join(", ") || "the session";
}
