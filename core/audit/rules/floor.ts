import { itemsOf } from "../look";
import type { Finding, Rule } from "../types";
import { editItem } from "~/core/session/edits";
import type { Metres } from "~/core/units";

/** A step of a travelling drill, without hurry: about the length of a thigh and a shin less what is bent. Our own measure of the drawn drills. */
const STEP: Metres = 0.6;
/** Room for the body at both ends. */
const ENDS: Metres = 1;

/** Metres a travelling drill covers one way, each repetition being one step, or two where it has two stepping beats. */
export const travelMetres = (reps: number, tempo: readonly { do: string }[]): Metres => ENDS + reps * STEP * Math.max(1, tempo.filter((beat) => /step|hop|walk/.test(beat.do)).length);

/** Drills that travel farther than the floor is long. */
export const floor: Rule = {
  id: "floor",
  find: (input) => {
    const length = input.group?.setting.floor;
    if (length === undefined) return [];
    return itemsOf(input).flatMap(({ place, item, drill, level }): Finding[] => {
      const { dose } = item;
      if (drill.method !== "travel" || dose.kind !== "reps") return [];
      const needs = travelMetres(dose.count, dose.tempo);
      if (needs <= length) return [];
      const fits = Array.from({ length: dose.count }, (_, i) => dose.count - i).find((n) => n >= level.bounds.least && travelMetres(n, dose.tempo) <= length);
      return [{
        severity: "warn", place, says: `${drill.name} travels about ${Math.ceil(needs)} m; the floor is ${length} m.`, why: "People at the end have nowhere to go.",
        ...(fits !== undefined && { fix: { words: `${fits} repetitions each way`, apply: (s) => editItem(s, place, { dose: { ...dose, count: fits } }) } }),
      }];
    });
  },
};
