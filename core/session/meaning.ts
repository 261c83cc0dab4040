import type { Dose } from "~/core/dose/kinds";
import type { SessionPlan, SideMode } from "./schema";
import type { ValidationError } from "~/core/faults";
import { sideModeOf } from "./passes";
import type { DrillLookup } from "~/core/drills/lookup";
import { hasOwnTimes, isCounted } from "~/core/dose/dose";

export const NOT_BY_TURNS = "alternating takes counted doses; use together";
export const OWN_RHYTHM =
  "has its own timing, which a block on a shared clock can't use; give it a time, repetitions or breaths, or move it to another block";

/** Whether repetitions are to change sides where there are none to count. */
export const turnsWithoutCount = (sides: SideMode, dose: Dose): boolean => sides === "alternating" && !isCounted(dose);

/** What is well formed and can't be done: rules of version 2 between the parts of a session. Older ones had none. */
export function meaningFaults(session: SessionPlan, drills: DrillLookup): ValidationError[] {
  if (session.version === 1) return [];
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i): ValidationError[] => {
      const path = `blocks[${b}].items[${i}]`;
      return [
        ...(turnsWithoutCount(sideModeOf(item, drills), item.dose)
          ? [{ path: `${path}.sides`, message: NOT_BY_TURNS }]
          : []),
        ...(block.interval && hasOwnTimes(item.dose) ? [{ path: `${path}.dose`, message: OWN_RHYTHM }] : []),
      ];
    }),
  );
}
