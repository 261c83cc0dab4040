import { inForm } from "./form";
import { motionAt } from "./motion";
import type { Drill, DrillLevel } from "./schema";
import { placed } from "~/core/figure/placed";
import { playerOf } from "~/core/figure/play";
import { POINT_NAMES } from "~/core/figure/points";
import type { Beat } from "~/core/dose/beat";
import type { Dose } from "~/core/dose/kinds";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Metres, MetresPerSecond, Seconds } from "~/core/units";

/** A step of a travelling drill, without hurry: about the length of a thigh and a shin less what is bent. Our own measure of the drawn drills. */
const STEP: Metres = 0.6;
/** Room for the body at both ends. */
const ENDS: Metres = 1;
/** How fast people get along, by the step of the speed scale: a stroll, a brisk walk to a jog, a run near the sport's. Everyday figures, rounded. */
const PACE: Readonly<Record<0 | 1 | 2 | 3, MetresPerSecond>> = { 0: 1, 1: 1.2, 2: 2.2, 3: 5 };
/** How long a lane is good for before people turn round, where they go on for a time. */
const UNTIL_THE_TURN: Seconds = 4;
/** Air round what the drawing takes up, so that nobody touches anybody. */
const AIR: Metres = 0.3;

type KindOnly = readonly Pick<Beat, "kind">[];

const steps = (tempo: KindOnly): number => tempo.filter(({ kind }) => kind === "step" || kind === "hop").length;

/**
 * Metres a travelling drill covers one way: a step for each beat of a repetition that is one, by what its beats say, or else
 * those of the drill's own tempo. Where neither says anything every beat may be a step, so that nobody runs out of floor.
 */
export const travelMetres = (reps: number, tempo: KindOnly, own: KindOnly = []): Metres =>
  ENDS + reps * STEP * (steps(tempo) || steps(own) || tempo.length);

/** Metres a level covers one way as it is dosed: by its steps; where it runs or goes on for a time, by how fast it is. */
export function metresOneWay(level: Pick<DrillLevel, "dose" | "gait" | "speed">, dose: Dose = level.dose): Metres {
  const pace = PACE[level.speed ?? 2];
  if (dose.kind !== "reps") return ENDS + UNTIL_THE_TURN * pace;
  const own = level.dose.kind === "reps" ? level.dose.tempo : [];
  // Out in the first beat, and back in what is left of the repetition.
  if (level.gait && steps(dose.tempo) === 0 && steps(own) === 0) return ENDS + (dose.tempo[0]?.seconds ?? 0) * pace;
  return travelMetres(dose.count, dose.tempo, own);
}

/** The floor that one person takes, or a pair: how long, in the direction they face or go in, and how wide, in half metres. */
export type Room = { length: Metres; width: Metres; travels: boolean; people: 1 | 2 };

const inHalves = (metres: Metres): Metres => Math.ceil(metres * 2 - 1e-6) / 2;

/** The floor that a level takes, from how it is drawn and, where it travels, from its steps; undefined where it is not drawn. */
export function roomOf(drill: Drill, level: LevelName): Room | undefined {
  const motion = motionAt(drill, level);
  if (!motion) return undefined;
  const form = inForm(drill, level);
  const player = playerOf(motion);
  const partner = player.second;
  const bodies = [
    ...player.keys.map(({ solved }) => solved),
    ...(partner ? partner.player.keys.map(({ solved }) => placed(solved, partner.at, partner.turn)) : []),
  ];
  const places = bodies.flatMap(({ points }) => POINT_NAMES.map((name) => points[name]));
  const across = (axis: 0 | 2) => {
    const all = places.map((place) => place[axis]);
    return Math.max(...all) - Math.min(...all);
  };
  const travels = form.method === "travel";
  const [length, width] = [across(0) + 2 * AIR, across(2) + 2 * AIR];
  const way = metresOneWay(drill.levels[level]);
  return {
    length: inHalves(travels ? Math.max(way, length) : length),
    width: inHalves(width),
    travels,
    people: partner ? 2 : 1,
  };
}
