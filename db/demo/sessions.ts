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
  return {
    ...newSession({ title: "Handball before a game", purpose: "before-game", target: 11 * 60 }, [
      block("Round the hall", [i("jog-lanes", { ...time(90), demo: 0 }), i("side-shuffle", { ...time(20), demo: 5 })], {
        phase: "raise",
      }),
      block(
        "Hips and ankles",
        [
          i("hip-circle-standing", { ...reps(drills, "hip-circle-standing", 2), demo: 20 }),
          i("ankle-roll-out-in", { ...reps(drills, "ankle-roll-out-in", 6), demo: 5 }),
        ],
        { phase: "move" },
      ),
      block(
        "Chest and shoulders, twice",
        [
          i("hands-on-table-chest-drop", { ...reps(drills, "hands-on-table-chest-drop", 6), demo: 10 }),
          i("arms-cross-and-open", { ...reps(drills, "arms-cross-and-open", 8), demo: 5 }),
        ],
        { phase: "move", rounds: 2 },
      ),
      block(
        "Turn, and turn out",
        [
          i("loose-arm-swings", { ...time(30), demo: 5 }),
          i("forearm-turn-outs", { ...reps(drills, "forearm-turn-outs", 10), demo: 10 }),
        ],
        { phase: "move" },
      ),
      block(
        "Up and land",
        [i("jump-and-stick", { ...reps(drills, "jump-and-stick", 6), sets: 2, restBetweenSets: 15, demo: 20 })],
        { phase: "build" },
      ),
      block("Into throwing", [i("shadow-throws", { ...reps(drills, "shadow-throws", 8), demo: 20 })], {
        phase: "rehearse",
      }),
    ]),
    notes: "Chest drops: hands on the bench or a partner’s shoulders where there is no table.",
  };
}

export function staffLunchtime(drills: Drills): SessionPlan {
  const i = (drill: string, change?: Partial<Item>) => item(drills, drill, change);
  return {
    ...newSession({ title: "Staff lunchtime", purpose: "off-day", target: 10 * 60 }, [
      block("Settle in", [i("neck-half-circles", { ...reps(drills, "neck-half-circles", 4), demo: 5 })], {
        phase: "settle-in",
      }),
      block(
        "Stand, then the mat",
        [
          i("rib-shift", { ...reps(drills, "rib-shift", 10), demo: 10 }),
          i("step-reach-back", { ...reps(drills, "step-reach-back", 8), demo: 10 }),
          i("cat-camel", { ...reps(drills, "cat-camel", 8), demo: 10 }),
        ],
        { phase: "move" },
      ),
      block(
        "Open the front",
        [
          i("hip-flexor-hold", { level: "easier", ...time(45), demo: 10 }),
          i("calf-wall-straight", { ...time(60), demo: 10 }),
        ],
        { phase: "lengthen" },
      ),
      block("Use it", [i("wall-push-up", { ...reps(drills, "wall-push-up", 12), demo: 10 })], { phase: "use-it" }),
      block("Breathe", [i("long-breath-hands-on-ribs", { ...reps(drills, "long-breath-hands-on-ribs", 8), demo: 5 })], {
        phase: "breathe",
      }),
    ]),
    notes: "Shoes off, jackets off. Chairs along the wall for support.",
  };
}
