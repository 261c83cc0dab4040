import { itemsOf, type Looked } from "../look";
import type { AuditInput, RuleFinding, Fix, Rule } from "../types";
import type { DrillLevel } from "~/core/drills/schema";
import { alikeIn, byPerson, type Alike } from "~/core/group/alike";
import { answerFor, choiceAt, type Answer } from "~/core/group/choices";
import { fallbackFor } from "~/core/group/fallback";
import type { Group } from "~/core/group/schema";
import { allAtOnce, type Steps } from "~/core/steps";
import { against, itemAsWorked, protectionsOf, type Protection } from "~/core/group/protect";
import { amountOf } from "~/core/dose/amount";
import { editItem } from "~/core/session/edits";
import type { Dose } from "~/core/dose/kinds";
import { knownStress } from "~/core/stress/at";
import { protectionWords } from "~/core/wording/areas";
import { formWords, listWords } from "~/core/wording/words";
import { asksEffort, choicesOf, isCounted } from "~/core/dose/dose";

const unique = (all: readonly Protection[]): string[] => [...new Set(all.map(protectionWords))];

/**
 * An area somebody protects, stressed by a drill. Where there is something else for them to do in the same time, it says
 * what; where there is not, they rest, and the session is not run like this without the coach's word.
 */
export const protectedAreas: Rule = {
  id: "protected-areas",
  find: (input) => allAtOnce(findInSteps(input)),
  inSteps: findInSteps,
};

function* findInSteps(input: AuditInput): Steps<RuleFinding[]> {
  const { group } = input;
  if (!group) return [];
  const alike = alikeIn(group);
  const found: RuleFinding[] = [];
  for (const looked of itemsOf(input)) {
    found.push(...(yield* findAt(input, group, alike, looked)));
    yield;
  }
  return found;
}

/** Whether an item goes against what anybody protects, and what they do instead. */
function* findAt(
  { offered, drills, session }: AuditInput,
  group: Group,
  alike: readonly Alike[],
  { place, item, drill, level }: Looked,
): Steps<RuleFinding[]> {
  const rounds = session.blocks[place.block]?.rounds ?? 1;
  const worked = itemAsWorked(drill, item, session.pace, rounds);
  const everyone = protectionsOf(group.setting.areas ?? []);
  const everywhere = against(level, worked, everyone);
  const by = { drills, offered, pace: session.pace, group, rounds };
  const met = alike
    .map((one) => ({ ...one, hit: against(level, worked, one.protections) }))
    .filter((one) => one.hit.length > 0);
  if (everywhere.length === 0 && met.length === 0) return [];
  const found: { people: number[]; value: Answer }[] = [];
  for (const one of met) {
    found.push({ people: one.people, value: answerFor(item, one.protections, choiceAt(one.choices, place, item), by) });
    yield;
  }
  const answers = byPerson(group, found);
  const hit = byPerson(
    group,
    met.map(({ people, hit: value }) => ({ people, value })),
  ).flatMap((one) => one.value);
  const areas = unique([...hit, ...everywhere]);
  const who =
    everywhere.length > 0
      ? "the whole group protects"
      : `${manyNames(answers.map((one) => one.name))} protect${answers.length === 1 ? "s" : ""}`;
  const loads = knownStress(level).drawn
    ? `${drill.name} loads ${listWords(areas)}, which ${who}`
    : `${drill.name} is not drawn, so nobody knows what it loads; ${who} ${listWords(areas)}`;
  // A rest that the coach chose is no surprise.
  const none = answers
    .filter(({ value }) => value.does !== "other" && !(value.does === "rest" && value.chosen))
    .map((one) => one.name);
  const lead = { lead: { to: "person" as const, place } };
  // One thing that everybody can do, and that loads nothing anyone protects.
  const swap = (): Fix | undefined => {
    const forAll = fallbackFor(item, [...everyone, ...group.people.flatMap((p) => protectionsOf(p.areas))], by);
    return (
      forAll && {
        words:
          forAll.drill.id === drill.id
            ? `Take the ${forAll.level} level for everyone`
            : `Take ${forAll.drill.name} for everyone`,
        apply: (s) =>
          editItem(s, place, {
            drill: forAll.drill.id,
            level: forAll.level,
            ...((forAll.drill.id !== drill.id || asksEffort(item.dose)) && {
              dose: doseFor(forAll.drill.levels[forAll.level], item.dose),
            }),
          }),
      }
    );
  };
  if (everywhere.length > 0 || none.length > 0)
    return [
      {
        severity: "stop",
        place,
        message: `${loads}${none.length > 0 ? `, and there is nothing else in that time for ${manyNames(none)}: they would rest here.` : "."}`,
        why: "Don’t load what someone protects. Not medical advice: ask them, and whoever treats them.",
        offer: swap,
        areas: [...new Set([...hit, ...everywhere].map((one) => one.area))],
        ...(answers.length > 0 && lead),
      },
    ];
  const words = answers.map(
    ({ name, value }) => `${name}: ${value.does === "other" ? formWords(value, drill.id) : "a rest"}`,
  );
  return [
    {
      severity: "hint",
      place,
      message: `${loads}. In the same time, ${listUpTo(words, "; ")}.`,
      why: "Say it before the drill begins, so nobody has to ask.",
      offer: swap,
      areas: [...new Set(hit.map(({ area }) => area))],
      ...lead,
    },
  ];
}

/** More names than a class has are counted instead of said. */
const MOST_NAMES = 40;
const manyNames = (names: readonly string[]): string =>
  names.length <= MOST_NAMES
    ? listWords(names)
    : `${names.slice(0, MOST_NAMES).join(", ")} and ${names.length - MOST_NAMES} more`;
const listUpTo = (words: readonly string[], between: string): string =>
  words.length <= MOST_NAMES
    ? words.join(between)
    : `${words.slice(0, MOST_NAMES).join(between)}${between}and ${words.length - MOST_NAMES} more`;

/** The dose of another drill in place of one: the same where it is of the same kind and within bounds, else its own. */
function doseFor(level: DrillLevel, dose: Dose): Dose {
  const { value } = amountOf(dose);
  return dose.kind === level.dose.kind &&
    !isCounted(dose) &&
    choicesOf(dose) === undefined &&
    value >= level.bounds.least &&
    value <= level.bounds.most
    ? dose
    : level.dose;
}
