import { rehearsesIt, type Among } from "./fits";
import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { amountOf, withAmount } from "~/core/dose/amount";
import type { Dose } from "~/core/dose/kinds";
import { choicesOf, repOf, tempoOf } from "~/core/dose/dose";
import type { Method } from "~/core/vocabulary/methods";

/** Repetitions by how long one takes, as coaches say them aloud. */
const FAST_REPS = [8, 10, 12, 16, 20];
const USUAL_REPS = [4, 5, 6, 8, 10, 12];
const LONG_REPS = [2, 3, 4, 5];
/** What goes by steps of effort or weight: runs, throws, sets under a bar. */
const BUILDS = [3, 4, 5, 6, 8];
const FAST = 2;
const LONG = 8;
const HOLDS = [10, 15, 20, 30, 40, 45, 60, 90, 120];
const TIMED = [20, 30, 40, 45, 60, 90];
const ROLLED = [...TIMED, 120, 180];
const BREATHS = [3, 4, 5, 6, 8, 10, 12];
/** Rests, between sets, drills and rounds. */
export const RESTS = [10, 15, 20, 30, 45, 60, 75, 90] as const;

/** What a dose belongs to, as far as it decides how it is said. */
export type Said = { method: Method; gait?: boolean | undefined; builds?: boolean };

/** What a drill's dose at a level belongs to, in a session: sets under a bar, runs and throws go by steps of weight or speed. */
export function saidOf(drill: Drill, name: LevelName, among: Among): Said {
  const form = inForm(drill, name);
  const { gait, kit, speed = 0, impact = 0 } = form.levels[name];
  return {
    method: form.method,
    gait,
    builds:
      speed >= 3 ||
      impact >= 2 ||
      kit.includes("barbell") ||
      (speed >= 2 && rehearsesIt(form, "sport", among)) ||
      (among.purpose === "before-lifting" && rehearsesIt(form, "lift", among)),
  };
}

/** The amounts a coach says aloud for a dose of this kind; undefined for what has times or a ladder of its own. */
export function spokenAmounts(dose: Dose, { method, gait, builds = false }: Said): readonly number[] | undefined {
  if (choicesOf(dose)) return undefined;
  switch (dose.kind) {
    case "reps": {
      if (tempoOf(dose).length === 0) return USUAL_REPS;
      const rep = repOf(dose);
      if (builds) return [...new Set([...BUILDS, ...(rep >= LONG ? LONG_REPS : [])])].sort((a, b) => a - b);
      return rep < FAST ? FAST_REPS : rep < LONG ? USUAL_REPS : LONG_REPS;
    }
    case "breaths":
      return BREATHS;
    case "time":
      return method === "hold" || method === "balance"
        ? HOLDS
        : method === "release" || (gait && method === "travel")
          ? ROLLED
          : TIMED;
    case "effort":
    case "ladder":
      return undefined;
  }
}

/** Whether a dose is one a coach says aloud. */
export const isSpoken = (dose: Dose, said: Said): boolean =>
  spokenAmounts(dose, said)?.includes(amountOf(dose).value) ?? true;

/** The dose a coach would say nearest to this one, of two the larger; the dose itself where it has none. */
export function nearestSpoken(dose: Dose, said: Said): Dose {
  const { value } = amountOf(dose);
  const all = spokenAmounts(dose, said);
  if (!all) return dose;
  const best = all.reduce((a, b) => (Math.abs(b - value) <= Math.abs(a - value) ? b : a));
  return withAmount(dose, best);
}
