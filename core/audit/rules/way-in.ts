import { courseOf, scalesAt, type Piece } from "../course";
import { itemsOf, samePlace } from "../look";
import type { AuditInput, RuleFinding, Rule } from "../types";
import { coldSafe } from "~/core/stress/scales";
import { moveItem } from "~/core/session/edits";
import { asksEffort } from "~/core/dose/dose";
import type { Motion } from "~/core/vocabulary/motions";
import type { Seconds } from "~/core/units";

/** Up to this effort anything is a way in. */
export const EASY_EFFORT = 5;
/** What is strong waits for so long at less of the same motions; what is hard or fast for so long of a warm pulse, and so long of the same motions slower. */
export const WAY_IN: Seconds = 60;
export const SLOWER: Seconds = 20;
const WARM_PULSE = 2;

/** Whether work moves one of these motions. */
const moves = ({ here }: Piece, rows: readonly Motion[]): boolean =>
  rows.some((row) => here.level.main.includes(row) || here.level.also.includes(row));

const seconds = (list: readonly Piece[]): Seconds => list.reduce((sum, { segment }) => sum + segment.seconds, 0);

/** What a drill at this point still lacks of a way in, as the end of a sentence; undefined where nothing. */
function lacks(before: readonly Piece[], here: Piece): string | undefined {
  const { effort, speed, impact } = here.scales;
  const rows = here.here.level.main;
  const easy = () => seconds(before.filter((one) => one.scales.effort <= EASY_EFFORT && moves(one, rows))) >= WAY_IN;
  const warm = () =>
    seconds(before.filter((one) => one.scales.pulse >= WARM_PULSE)) >= WAY_IN &&
    seconds(before.filter((one) => one.scales.speed < speed && moves(one, rows))) >= SLOWER;
  if (effort > EASY_EFFORT && !easy()) return `before a minute of anything easier for the same joints`;
  if ((impact >= 2 || speed >= 3) && !warm()) return `before everyone is warm, with the same motions slower`;
  if (speed >= 2 && effort >= 5 && !easy() && !warm()) return "before a minute of anything easier";
  return undefined;
}

/** Something strong, fast or hard before there was anything easier for the same joints; and a start that nobody should make cold. */
export const wayIn: Rule = {
  id: "way-in",
  find: (input) => {
    const course = courseOf(input);
    const { works, grave, arc, phased } = course;
    const looked = itemsOf(input);
    const first = looked[0];
    const found: RuleFinding[] = [];
    if (first && !coldSafe(first.drill, first.item.level)) found.push(coldStart(input));
    const free = arc.phases.find(({ reaches }) => reaches);
    for (const here of looked) {
      const at = works.findIndex(({ segment }) => samePlace(segment, here.place));
      // What is dosed by effort has its own rule.
      if (at < 0 || asksEffort(here.item.dose)) continue;
      const piece = works[at]!;
      if (
        phased
          ? piece.phase === free && free !== undefined
          : piece.scales.effort < EASY_EFFORT && piece.scales.impact < 2 && piece.scales.speed < 3
      )
        continue;
      const why = lacks(works.slice(0, at), piece);
      if (!why || (found.length > 0 && here === first)) continue;
      const easier = looked.find(
        (later) =>
          later.place.block === here.place.block &&
          later.place.item > here.place.item &&
          scalesAt(later).effort <= EASY_EFFORT &&
          later.level.main.some((row) => here.level.main.includes(row)),
      );
      found.push({
        severity: grave,
        place: here.place,
        at: piece.segment.start,
        message: `${here.drill.name} comes ${why}.`,
        why: "Easy first: the same joints, slower or lighter, before anything strong or fast.",
        ...(easier && {
          fix: {
            words: `Do ${easier.drill.name} before it`,
            apply: (s) => moveItem(s, easier.place, here.place),
          },
        }),
      });
    }
    return found;
  },
};

/** The first drill is nothing to begin cold with. */
function coldStart(input: AuditInput): RuleFinding {
  const { grave } = courseOf(input);
  const looked = itemsOf(input);
  const first = looked[0]!;
  const gentle = looked.find(
    ({ drill, item, place }) =>
      place.block === first.place.block && coldSafe(drill, item.level) && place !== first.place,
  );
  return {
    severity: grave,
    place: first.place,
    at: 0,
    about: "cold",
    message: `${first.drill.name} is nothing to begin cold with.`,
    why: `It goes near the end of a joint’s range, or asks for more than people have when they come in${scalesAt(first).effort > 4 ? ` (effort ${scalesAt(first).effort} of 10)` : ""}.`,
    ...(gentle && {
      fix: {
        words: `Begin with ${gentle.drill.name}`,
        apply: (s) => moveItem(s, gentle.place, first.place),
      },
    }),
  };
}
