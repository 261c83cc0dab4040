import { withAmount } from "~/core/dose/amount";
import { inWholeUnits } from "~/core/dose/dose";
import type { Drill } from "~/core/drills/schema";
import { newSession } from "~/core/session/start";
import type { Block, Item, SessionPlan } from "~/core/session/schema";

type Drills = (id: string) => Drill | undefined;

/** An item with the drill's own dose, changed as given. */
function item(drills: Drills, drill: string, change: Partial<Item> = {}): Item {
  const level = change.level ?? "standard";
  const own = drills(drill)?.levels[level].dose;
  if (!own) throw new Error(`The demo data names a drill that is not in the library: ${drill}`);
  return { drill, level, dose: own, sets: 1, restBetweenSets: 0, restAfter: 0, ...change };
}

function block(title: string, items: Item[], change: Partial<Block> = {}): Block {
  return { title, rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items, ...change };
}

const reps = (drills: Drills, drill: string, count: number): Pick<Item, "dose"> => {
  const own = item(drills, drill).dose;
  return { dose: inWholeUnits(own) ? withAmount(own, count) : own };
};

const time = (seconds: number): Pick<Item, "dose"> => ({ dose: { kind: "time", seconds } });

export function rowersBeforeTheBoat(drills: Drills): SessionPlan {
  const i = (drill: string, change?: Partial<Item>) => item(drills, drill, change);
  return {
    ...newSession({ title: "Rowers before the boat", purpose: "before-training", target: 10 * 60 }, [
      block("From the floor", [
        i("cat-camel"),
        i("prone-press-up", {
          level: "easier",
          ...{
            dose: {
              kind: "reps",
              count: 6,
              tempo: [
                { do: "rise", seconds: 2.5, breath: "in" },
                { do: "lower", seconds: 2.5, breath: "out" },
              ],
            },
          },
        }),
        i("open-book", { ...reps(drills, "open-book", 4), demo: 15 }),
      ]),
      block(
        "One knee, one run",
        [
          i("hip-flexor-turn", { ...reps(drills, "hip-flexor-turn", 5) }),
          i("hamstring-hold", { ...time(20), cues: [{ at: 2, say: "Tail back, breastbone forward." }] }),
          i("ankle-rock", { ...time(25), demo: 10 }),
        ],
        { sideOrder: "whole-block" },
      ),
      block("Ready for the boat", [
        i("squat-reach", { ...reps(drills, "squat-reach", 4) }),
        i("stick-pass", { ...reps(drills, "stick-pass", 6), demo: 15 }),
        i("leg-swing-front", { ...reps(drills, "leg-swing-front", 10), demo: 10 }),
      ]),
    ]),
    notes: "Boats are waiting: no long holds. Lay the sticks out before.",
  };
}

export function handballBeforeAGame(drills: Drills): SessionPlan {
  const i = (drill: string, change?: Partial<Item>) => item(drills, drill, change);
  return newSession({ title: "Handball before a game", purpose: "before-game", target: 11 * 60 }, [
    block("Wake the hips", [
      i("leg-swing-front", { ...reps(drills, "leg-swing-front", 10) }),
      i("leg-swing-side", { ...reps(drills, "leg-swing-side", 10), demo: 10 }),
    ]),
    block("Turn and reach", [
      i("lunge-elbow-turn", { ...reps(drills, "lunge-elbow-turn", 4) }),
      i("bird-dog-long", { ...reps(drills, "bird-dog-long", 4) }),
      i("hip-circle-kneel", { ...reps(drills, "hip-circle-kneel", 3) }),
    ]),
    block("Shoulders and ankles", [
      i("stick-pass", { demo: 15 }),
      i("calf-raise", { ...reps(drills, "calf-raise", 10), demo: 10 }),
      i("single-leg-reach", { ...reps(drills, "single-leg-reach", 4) }),
    ]),
    block("Into the hall", [i("toe-touch-walk", { ...reps(drills, "toe-touch-walk", 5), demo: 10 })]),
  ]);
}

export function staffLunchtime(drills: Drills): SessionPlan {
  const i = (drill: string, change?: Partial<Item>) => item(drills, drill, change);
  return {
    ...newSession({ title: "Staff lunchtime", purpose: "desk-break", target: 10 * 60 }, [
      block("Stand up", [
        i("rib-shift", { ...reps(drills, "rib-shift", 8) }),
        i("calf-wall-straight", { ...time(25) }),
      ]),
      block("Open the front", [
        i("hip-flexor-hold", { level: "easier", ...time(30) }),
        i("toe-sit", { level: "easier", ...time(20) }),
        i("cat-camel"),
      ]),
      block("Turn, and slow down", [
        i("ninety-switch", { level: "easier", ...reps(drills, "ninety-switch", 8) }),
        i("open-book", { level: "easier", ...reps(drills, "open-book", 5) }),
        i("long-exhale", { ...reps(drills, "long-exhale", 6) }),
      ]),
    ]),
    notes: "Shoes off, jackets off. Chairs along the wall for support.",
  };
}
