import { formIn } from "~/core/drills/form";
import type { ValidationError } from "~/core/faults";
import type { Block, Item, SessionPlan } from "./schema";
import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import { clockText } from "~/core/lengths";
import { LONGEST_SECONDS } from "~/core/dose/bounds";
import { toMicros, toSeconds, type Micros } from "~/core/units";
import { beatCount, unitCount, unitMicros } from "~/core/dose/dose";
import { sideModeOf } from "./passes";
import type { DrillLookup } from "~/core/drills/lookup";

/** More beats than this make a document no device should be asked to play. A 30-minute class has about a thousand. */
export const MOST_BEATS = 50_000;

/** More pieces of work, rests, moves and changes than this are no session: two hours of the fullest class have about a thousand. */
export const MOST_SEGMENTS = 5_000;
/** Calls in a whole session. */
export const MOST_CUES = 2_000;
/** Longest session as text, in characters; the fullest class comes to a tenth of it. */
export const LONGEST_SESSION = 500_000;

/**
 * Pieces of work, rests, moves and changes of an item, at most: each piece of work may be followed by a change, a turn or a
 * rest; each time the item comes up there may be a move, a demonstration and a rest after it.
 */
const segmentsOf = (times: number, { rounds, interval }: Pick<Block, "rounds" | "interval">): number =>
  (interval ? 3 : 2) * times + 3 * rounds;

const timesOf = (rounds: number, item: Item, drills: DrillLookup): number => {
  const sides = sideModeOf(item, drills);
  return (
    rounds *
    item.sets *
    (item.directions ?? formIn(item, drills)?.directions ?? 1) *
    (sides === "each" || sides === "alternating" ? 2 : 1)
  );
};

/** Beats of a piece of work of a fixed length, at most. */
const beatsWithin = (dose: Dose, micros: Micros, pace: Pick<Pace, "breath">): number =>
  (Math.floor(micros / unitMicros(dose, pace)) + 1) * (beatCount(dose) / unitCount(dose));

/** About how many segments a session comes to, never fewer than it does. Cheap. */
export const segmentsAtMost = (session: SessionPlan, drills: DrillLookup): number =>
  session.blocks.reduce(
    (sum, block) =>
      sum + block.items.reduce((inner, item) => inner + segmentsOf(timesOf(block.rounds, item, drills), block), 0),
    0,
  );

/**
 * Faults of size: a session whose work alone comes to more than a day, more than 50 000 beats or 5 000 segments, or that has
 * more calls or text than a document may.
 * Cheap, so that a hostile document is refused before it is laid out.
 */
export function sizeFaults(session: SessionPlan, drills: DrillLookup): ValidationError[] {
  let micros = 0;
  let beats = 0;
  let segments = 0;
  let cues = 0;
  for (const block of session.blocks)
    for (const item of block.items) {
      const times = timesOf(block.rounds, item, drills);
      const work = block.interval && toMicros(block.interval.work);
      micros += times * (work ?? unitCount(item.dose) * unitMicros(item.dose, session.pace));
      beats += times * (work === undefined ? beatCount(item.dose) : beatsWithin(item.dose, work, session.pace));
      cues += item.cues?.length ?? 0;
      segments += segmentsOf(times, block);
    }
  const faults: ValidationError[] = [];
  if (toSeconds(micros) > LONGEST_SECONDS)
    faults.push({
      path: "blocks",
      message: `come to ${clockText(toSeconds(micros))} of work; a session holds at most 24:00:00`,
    });
  if (beats > MOST_BEATS)
    faults.push({ path: "blocks", message: `come to ${beats} counted beats; a session holds at most ${MOST_BEATS}` });
  if (segments > MOST_SEGMENTS)
    faults.push({
      path: "blocks",
      message: `come to ${segments} pieces of work, rests and moves; a session holds at most ${MOST_SEGMENTS}. Remove rounds, sets or drills`,
    });
  if (cues > MOST_CUES)
    faults.push({ path: "blocks", message: `hold ${cues} calls; a session holds at most ${MOST_CUES}` });
  if (faults.length === 0 && JSON.stringify(session).length > LONGEST_SESSION)
    faults.push({ path: "(document)", message: `is longer than ${LONGEST_SESSION} characters` });
  return faults;
}
