import type { Fault } from "~/core/faults";
import type { Session } from "~/core/session/schema";
import { clockText } from "~/core/text/clock";
import { LONGEST_SECONDS } from "~/core/session/schema";
import { toSeconds } from "~/core/units";
import { beatCount, unitCount, unitMicros } from "./dose";
import { sideModeOf } from "./passes";
import type { DrillLookup } from "./types";

/** More beats than this make a document no device should be asked to play. A 30-minute class has about a thousand. */
export const MOST_BEATS = 200_000;

/**
 * Faults of size: a session whose work alone comes to more than a day, or to more than 200 000 beats.
 * Cheap, so that a hostile document is refused before it is laid out.
 */
export function sizeFaults(session: Session, drills: DrillLookup): Fault[] {
  let micros = 0;
  let beats = 0;
  for (const block of session.blocks)
    for (const item of block.items) {
      const sides = sideModeOf(item, drills);
      const directions = item.directions ?? drills(item.drill)?.directions ?? 1;
      const times = block.rounds * item.sets * directions * (sides === "each" || sides === "alternating" ? 2 : 1);
      micros += times * unitCount(item.dose) * unitMicros(item.dose, session.pace);
      beats += times * beatCount(item.dose);
    }
  const faults: Fault[] = [];
  if (toSeconds(micros) > LONGEST_SECONDS)
    faults.push({ path: "blocks", message: `come to ${clockText(toSeconds(micros))} of work; a session holds at most 24:00:00` });
  if (beats > MOST_BEATS)
    faults.push({ path: "blocks", message: `come to ${beats} counted beats; a session holds at most ${MOST_BEATS}` });
  return faults;
}
