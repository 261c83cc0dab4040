import type { Drill, DrillLevel } from "~/core/drills/schema";
import { inForm } from "~/core/drills/form";
import { kitFacts } from "~/core/vocabulary/kit";
import { SURFACES, type Surface } from "~/core/vocabulary/surfaces";
import { knownStress } from "~/core/stress/at";
import type { LevelName } from "~/core/vocabulary/levels";
import { isDown, type Posture } from "~/core/vocabulary/postures";

/**
 * What is done on a surface: whether people go down on it (lying, sitting, on hands), whether they kneel on it (always, with a
 * pad, never), whether they stay on the spot, both feet down, as where there is an edge to fall over, and whether shoes slip.
 */
type Ground = {
  words: string;
  on: string;
  down: boolean;
  kneel: "yes" | "pad" | "no";
  onTheSpot: boolean;
  slips?: true;
};

export const SURFACE_FACTS: Readonly<Record<Surface, Ground>> = {
  mat: { words: "Mats", on: "on mats", down: true, kneel: "yes", onTheSpot: false },
  "hall floor": { words: "Hall floor", on: "on a hall floor", down: true, kneel: "pad", onTheSpot: false },
  "dry grass": { words: "Dry grass", on: "on dry grass", down: true, kneel: "yes", onTheSpot: false },
  "wet grass": { words: "Wet grass", on: "on wet grass", down: false, kneel: "no", onTheSpot: false, slips: true },
  "hard ground": {
    words: "Hard ground: street, dry track",
    on: "on hard ground",
    down: false,
    kneel: "pad",
    onTheSpot: false,
  },
  "dock or deck": { words: "Dock or deck", on: "on a dock or deck", down: false, kneel: "no", onTheSpot: true },
  carpet: { words: "Carpet", on: "on carpet", down: true, kneel: "yes", onTheSpot: false },
};

const KNEELING: ReadonlySet<Posture> = new Set([
  "half-kneeling",
  "tall-kneeling",
  "side-kneel",
  "kneel-sit",
  "hands-and-knees",
  "forearms-and-knees",
]);
const kneels = (posture: Posture): boolean => KNEELING.has(posture);

/** Pushes off sideways, or brakes from a run: where the ground is wet the foot goes on. A walk through it does not. */
const cutsOrBrakes = ({ rehearses = [] }: Pick<Drill, "rehearses">, { speed = 0, impact = 0 }: DrillLevel): boolean =>
  speed >= 2 && impact >= 1 && (rehearses.includes("cut") || (rehearses.includes("run") && rehearses.includes("land")));

/** Balance with no hand on anything; eyes closed, hops and swings take much with a hand, too. */
export const isFreeBalance = (level: DrillLevel): boolean =>
  knownStress(level).always.some(
    (s) => s.area === "balance" && (s.grade === 2 || !level.kit.some((kit) => kitFacts(kit).steadies)),
  );

/** On one leg for longer than a step, with no hand on anything. Both feet down, however narrow, is not. */
export const isOnOneLeg = (level: DrillLevel): boolean =>
  knownStress(level).always.some((s) => s.area === "balance" && s.grade === 2);

/** Why a level of a drill is not for a surface, as the end of a sentence that begins with its name; undefined where it is; the drill is in the form of that level. A kneeling hall floor or street wants a pad under the knee; `pads` is whether there are any. */
export function groundAgainst(
  drill: Pick<Drill, "method" | "rehearses">,
  level: DrillLevel,
  surface: Surface,
  pads = true,
): string | undefined {
  const { on, down, kneel, onTheSpot, slips } = SURFACE_FACTS[surface];
  const postures = [level.posture, level.endPosture];
  if (!down && postures.some(isDown)) return `goes down ${on}`;
  if (postures.some(kneels) && (kneel === "no" || (kneel === "pad" && !(pads && level.kit.includes("pad")))))
    return `kneels ${on}${kneel === "pad" ? " without a pad" : ""}`;
  if (onTheSpot && drill.method === "travel") return `travels ${on}`;
  if (onTheSpot && (level.impact ?? 0) >= 2) return `lands from a jump ${on}`;
  if (onTheSpot && isOnOneLeg(level)) return `is done on one leg ${on} with nothing to hold on to`;
  if (slips && cutsOrBrakes(drill, level)) return `cuts or brakes ${on}`;
  return undefined;
}

/** What a level of a drill can be done on, with a pad wherever it says one helps. */
export const surfacesFor = (drill: Drill, level: LevelName): Surface[] =>
  SURFACES.filter((surface) => groundAgainst(inForm(drill, level), drill.levels[level], surface) === undefined);
