import { LEVELS } from "~/core/vocabulary/levels";
import { nearOf } from "~/core/stress/near";
import { DRAWN_DRILLS } from "~/library/drawn";

/** Levels whose drawing stands within 5° under a number of an area, for a look, a line each. Takes some seconds. */
export function* nearLines(): Generator<string> {
  for (const drill of DRAWN_DRILLS)
    for (const level of LEVELS) {
      const near = nearOf(drill, level);
      if (near.length > 0) yield `${drill.id} ${level}: ${near.join(", ")}\n`;
    }
}
