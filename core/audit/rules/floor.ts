import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { editItem } from "~/core/session/edits";
import type { Beat } from "~/core/dose/beat";
import type { Metres } from "~/core/units";

/** A step of a travelling drill, without hurry: about the length of a thigh and a shin less what is bent. Our own measure of the drawn drills. */
const STEP: Metres = 0.6;
/** Room for the body at both ends. */
const ENDS: Metres = 1;

type KindOnly = readonly Pick<Beat, "kind">[];

const steps = (tempo: KindOnly): number => tempo.filter(({ kind }) => kind === "step" || kind === "hop").length;

/**
 * Metres a travelling drill covers one way: a step for each beat of a repetition that is one, by what its beats say, or else
 * those of the drill's own tempo. Where neither says anything every beat may be a step, so that nobody runs out of floor.
 */
export const travelMetres = (reps: number, tempo: KindOnly, own: KindOnly = []): Metres =>
  ENDS + reps * STEP * (steps(tempo) || steps(own) || tempo.length);

/** Drills that travel farther than the floor is long. */
export const floor: Rule = {
  id: "floor",
  find: (input) => {
    const length = input.group?.setting.floor;
    if (length === undefined) return [];
    return itemsOf(input).flatMap(({ place, item, drill, level }): RuleFinding[] => {
      const { dose } = item;
      if (drill.method !== "travel" || dose.kind !== "reps") return [];
      const own = level.dose.kind === "reps" ? level.dose.tempo : [];
      const needs = travelMetres(dose.count, dose.tempo, own);
      if (needs <= length) return [];
      const fits = Array.from({ length: dose.count }, (_, i) => dose.count - i).find(
        (n) => n >= level.bounds.least && travelMetres(n, dose.tempo, own) <= length,
      );
      return [
        {
          severity: "warn",
          place,
          message: `${drill.name} travels about ${Math.ceil(needs)} m; the floor is ${length} m.`,
          why: "People run out of floor.",
          ...(fits !== undefined && {
            fix: {
              words: `${fits} repetitions each way`,
              apply: (s) => editItem(s, place, { dose: { ...dose, count: fits } }),
            },
          }),
        },
      ];
    });
  },
};
