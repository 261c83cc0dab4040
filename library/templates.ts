import { ARCS } from "~/core/arc/arcs";
import { isLift } from "~/core/arc/fits";
import { showingFor, showingOfLift } from "~/core/arc/showing";
import { itemOf, newSession } from "~/core/session/start";
import type { Block, Item, Purpose, SessionPlan } from "~/core/session/schema";
import { withAmount } from "~/core/dose/amount";
import type { Seconds } from "~/core/units";
import type { Who } from "~/core/vocabulary/who";
import type { LevelName } from "~/core/vocabulary/levels";
import { drillById } from "./index";

/** A session to begin from, worked out: what it is for, how long it lasts, and what is asked of it. */
export type Template = {
  id: string;
  name: string;
  about: string;
  purpose: Purpose;
  target: Seconds;
  demand: string;
  /** For whom it is, where that is not adults: they are shown longer. */
  who?: Who;
  blocks: readonly TemplateBlock[];
};

/** A drill and how much of it: seconds, repetitions, breaths or rounds a side; and what of it is otherwise than usual. */
type Line = readonly [
  drill: string,
  amount: number,
  more?: Partial<Pick<Item, "sides" | "firstSide" | "sets" | "restBetweenSets" | "restAfter" | "without" | "cues">> & {
    level?: LevelName;
  },
];

/** The drills of a phase, or of a part of one; the title of the phase where it has none of its own. */
type TemplateBlock = { phase: string; title?: string; rounds?: number; wholeSide?: true; lines: readonly Line[] };

/**
 * Sessions a coach would run as they are, by the arc of what they are for. Each keeps its length, works both sides alike, shows
 * its drills as long as people need who have not done them, and passes the audit's stops and warnings.
 */
export const TEMPLATES: readonly Template[] = [
  {
    id: "squat-primer",
    name: "Squat primer",
    about: "Warm, ankles and hips open, and three lighter sets before the bar is heavy.",
    purpose: "before-lifting",
    target: 600,
    demand: "lifting",
    blocks: [
      {
        phase: "raise",
        lines: [
          ["marching-knee-drives", 60],
          ["step-out-jacks", 30],
        ],
      },
      {
        phase: "move",
        title: "Ankles and hips, twice through",
        rounds: 2,
        lines: [
          ["ankle-rock", 20],
          ["hip-flexor-turn", 4],
        ],
      },
      { phase: "move", title: "In the squat", lines: [["squat-reach", 4]] },
      { phase: "switch-on", lines: [["lunge-reverse", 5]] },
      {
        phase: "rehearse",
        lines: [
          ["barbell-squat-build-up", 6, { restAfter: 30 }],
          ["barbell-squat-build-up", 5, { restAfter: 60 }],
          ["barbell-squat-build-up", 3],
        ],
      },
    ],
  },
  {
    id: "before-sprints",
    name: "Before sprints",
    about: "On the feet throughout: ankles, hips and hamstrings, then strides that build.",
    purpose: "before-training",
    target: 600,
    demand: "running",
    blocks: [
      {
        phase: "raise",
        lines: [
          ["jog-lanes", 60],
          ["side-shuffle", 20],
        ],
      },
      {
        phase: "move",
        title: "On the way, twice through",
        rounds: 2,
        lines: [
          ["walking-lunge-and-turn", 5],
          ["heel-walk-toe-walk", 30],
          ["straight-leg-kicks", 10],
        ],
      },
      {
        phase: "build",
        lines: [
          ["quick-feet", 20],
          ["wall-lean-knee-drives", 10],
        ],
      },
      { phase: "rehearse", lines: [["build-up-runs", 4, { sets: 2, restBetweenSets: 15 }]] },
    ],
  },
  {
    id: "before-throwing",
    name: "Before throwing",
    about: "Trunk, shoulder blades and shoulders, ending with throws from easy to nearly full.",
    purpose: "before-training",
    target: 600,
    demand: "throwing",
    blocks: [
      {
        phase: "raise",
        lines: [
          ["jog-lanes", 60],
          ["side-shuffle", 20],
        ],
      },
      {
        phase: "move",
        title: "Turn and reach, twice through",
        rounds: 2,
        lines: [
          ["lunge-turn-hands", 5],
          ["growing-arm-circles", 8],
        ],
      },
      { phase: "move", title: "Shoulder blades", lines: [["elbow-high-turn-out", 10]] },
      {
        phase: "build",
        lines: [
          ["quick-feet", 20],
          ["side-bound", 5],
        ],
      },
      { phase: "rehearse", lines: [["shadow-throws", 12]] },
    ],
  },
  {
    id: "before-a-ball-game",
    name: "Before a ball game",
    about: "Eight minutes in a hall, nothing to lay out, everyone on their feet.",
    purpose: "before-game",
    target: 480,
    demand: "handball",
    blocks: [
      {
        phase: "raise",
        lines: [
          ["jog-lanes", 60],
          ["side-shuffle", 20],
        ],
      },
      {
        phase: "move",
        title: "Hips and shoulders, twice through",
        rounds: 2,
        lines: [
          ["walking-lunge-and-turn", 5],
          ["growing-arm-circles", 8],
        ],
      },
      {
        phase: "build",
        lines: [
          ["side-bound", 4],
          ["build-up-runs", 3],
        ],
      },
      { phase: "rehearse", lines: [["shadow-throws", 8]] },
    ],
  },
  {
    id: "before-the-boat",
    name: "Before the boat",
    about: "On a dock: standing in place, nobody's hands on the boards.",
    purpose: "before-training",
    target: 600,
    demand: "rowing",
    blocks: [
      {
        phase: "raise",
        lines: [
          ["marching-knee-drives", 45],
          ["step-out-jacks", 40],
        ],
      },
      {
        phase: "move",
        title: "Hips and back, twice through",
        rounds: 2,
        lines: [
          ["hip-hinge-arms-sweep", 8],
          ["lunge-turn-hands", 4],
          ["squat-free", 5],
        ],
      },
      { phase: "move", title: "Shoulders", lines: [["growing-arm-circles", 8]] },
      {
        phase: "build",
        lines: [
          ["rise-drop-freeze", 6, { sets: 2, restBetweenSets: 15 }],
          ["quick-feet", 30],
        ],
      },
      { phase: "rehearse", lines: [["standing-stroke", 10, { sets: 2, restBetweenSets: 15 }]] },
    ],
  },
  {
    id: "after-a-match",
    name: "After a match",
    about: "Walk, hold what worked, down once, and a long breath lying down.",
    purpose: "after-training",
    target: 900,
    demand: "football",
    blocks: [
      {
        phase: "ease",
        lines: [
          ["easy-walk", 180],
          ["shake-out", 30],
        ],
      },
      {
        phase: "hold",
        lines: [
          ["calf-wall-straight", 40],
          ["hip-flexor-hold", 40],
          ["hamstring-hold", 40],
          ["butterfly-hold", 40],
          ["figure-four", 40],
          ["knee-across", 30, { firstSide: "current" }],
        ],
      },
      { phase: "settle", lines: [["long-exhale", 10]] },
    ],
  },
  {
    id: "evening",
    name: "Evening wind-down",
    about: "A short walk, the floor, and longer breaths at the end.",
    purpose: "after-training",
    target: 600,
    demand: "general",
    blocks: [
      { phase: "ease", lines: [["easy-walk", 120]] },
      {
        phase: "hold",
        lines: [
          ["hip-flexor-hold", 40],
          ["butterfly-hold", 60],
          ["figure-four", 40],
          ["knee-across", 30, { firstSide: "current" }],
        ],
      },
      { phase: "settle", lines: [["long-exhale", 8]] },
    ],
  },
  {
    id: "off-day-hips",
    name: "Off-day hips",
    about: "Longer holds for hips, hamstrings and calves, then a bridge and a long breath.",
    purpose: "off-day",
    target: 900,
    demand: "general",
    blocks: [
      { phase: "settle-in", lines: [["long-breath-hands-on-ribs", 5]] },
      {
        phase: "move",
        title: "On the feet, twice through",
        rounds: 2,
        lines: [
          ["lunge-side", 6],
          ["growing-arm-circles", 10],
          ["hip-hinge-arms-sweep", 8],
        ],
      },
      {
        phase: "lengthen",
        lines: [
          ["calf-wall-straight", 40],
          ["hip-flexor-hold", 40],
          ["hamstring-hold", 40],
          ["ninety-lean-front", 40],
        ],
      },
      { phase: "use-it", lines: [["bridge", 10]] },
      { phase: "breathe", lines: [["lying-long-breath", 8]] },
    ],
  },
  {
    id: "after-flight",
    name: "After a long flight",
    about: "Ankles, hips and back, standing first, then down once and a long breath.",
    purpose: "off-day",
    target: 720,
    demand: "desk-work",
    blocks: [
      { phase: "settle-in", lines: [["long-breath-hands-on-ribs", 5]] },
      {
        phase: "move",
        lines: [
          ["loose-arm-swings", 60],
          ["heel-walk-toe-walk", 30],
          ["hands-clasped-behind-lift", 8],
          ["standing-lean-back", 6],
        ],
      },
      {
        phase: "lengthen",
        lines: [
          ["calf-wall-straight", 45],
          ["hip-flexor-hold", 45],
          ["butterfly-hold", 60],
        ],
      },
      { phase: "use-it", lines: [["bridge", 12]] },
      { phase: "breathe", lines: [["lying-long-breath", 10]] },
    ],
  },
  {
    id: "long-sitting",
    name: "Long-sitting undo",
    about: "The opposites of a day in a chair: a back that leans, turns and straightens, and hips that open.",
    purpose: "off-day",
    target: 720,
    demand: "desk-work",
    blocks: [
      { phase: "settle-in", lines: [["long-breath-hands-on-ribs", 5]] },
      {
        phase: "move",
        lines: [
          ["standing-side-reach", 5],
          ["loose-arm-swings", 40],
          ["step-reach-back", 10],
        ],
      },
      {
        phase: "lengthen",
        lines: [
          ["long-step-front-of-hip", 40],
          ["calf-wall-straight", 40],
          ["quad-prone", 40],
        ],
      },
      { phase: "use-it", lines: [["bridge", 12]] },
      { phase: "breathe", lines: [["lying-long-breath", 8]] },
    ],
  },
  {
    id: "on-chairs",
    name: "A day off, on chairs",
    about: "Twenty minutes for older people: a chair each, nothing on the floor.",
    purpose: "off-day",
    target: 1200,
    demand: "general",
    who: "older",
    blocks: [
      { phase: "settle-in", lines: [["long-breath-hands-on-ribs", 8, { level: "easier" }]] },
      {
        phase: "move",
        title: "On the chair, twice through",
        rounds: 2,
        lines: [
          ["chair-march-toe-lifts", 30, { level: "easier" }],
          ["chair-turn-arms-folded", 5, { level: "easier" }],
          ["growing-arm-circles", 8, { level: "easier" }],
        ],
      },
      {
        phase: "move",
        title: "Behind the chair",
        lines: [["calf-raise", 10, { level: "easier" }]],
      },
      {
        phase: "lengthen",
        lines: [
          ["calf-wall-straight", 40, { level: "easier" }],
          ["long-step-front-of-hip", 40, { level: "easier" }],
          ["chair-hamstring-one-leg-long", 40, { level: "easier" }],
          ["chair-ankle-over-thigh", 40, { level: "easier", firstSide: "current" }],
          ["chair-side-reach", 30, { level: "easier" }],
        ],
      },
      {
        phase: "use-it",
        lines: [
          ["sit-to-stand", 8, { level: "easier", sets: 2, restBetweenSets: 30 }],
          ["one-foot-clock-taps", 20, { level: "easier" }],
        ],
      },
      { phase: "breathe", lines: [["long-breath-hands-on-ribs", 10, { level: "easier" }]] },
    ],
  },
  {
    id: "desk-break",
    name: "Desk break",
    about: "Five minutes beside the desk: a chair, and the edge of a table.",
    purpose: "desk-break",
    target: 300,
    demand: "desk-work",
    blocks: [
      {
        phase: "undo",
        lines: [
          ["hands-clasped-behind-lift", 8],
          ["long-step-front-of-hip", 30],
        ],
      },
      { phase: "move", lines: [["chair-turn-hand-on-backrest", 5]] },
      {
        phase: "brisk-end",
        lines: [
          ["sit-to-stand", 12],
          ["marching-knee-drives", 45],
        ],
      },
    ],
  },
  {
    id: "lunchtime-backs",
    name: "Lunchtime backs",
    about: "Ten minutes in work clothes for a back that turns, leans and straightens.",
    purpose: "desk-break",
    target: 600,
    demand: "desk-work",
    blocks: [
      {
        phase: "undo",
        title: "Undo, twice through",
        rounds: 2,
        lines: [
          ["hands-clasped-behind-lift", 10],
          ["step-reach-back", 8],
        ],
      },
      {
        phase: "move",
        lines: [
          ["chair-turn-hand-on-backrest", 8],
          ["chair-march-toe-lifts", 40],
          ["chair-side-reach", 20],
        ],
      },
      {
        phase: "brisk-end",
        lines: [
          ["sit-to-stand", 12],
          ["step-out-jacks", 40],
          ["marching-knee-drives", 60],
        ],
      },
    ],
  },
];

/** The blocks of a template as a session has them: a drill is shown where it first comes. */
export function templateBlocks({
  blocks,
  purpose,
  who = "adults",
}: Pick<Template, "blocks" | "purpose" | "who">): Block[] {
  const shown = new Set<string>();
  const phaseOf = (id: string) => ARCS[purpose].phases.find((one) => one.id === id);
  return blocks.map(({ phase, title, lines, wholeSide, rounds = 1 }) => ({
    title: title ?? phaseOf(phase)?.title ?? phase,
    phase,
    rounds,
    restBetweenRounds: 0,
    sideOrder: wholeSide ? "whole-block" : "drill-by-drill",
    items: lines.map(([id, amount, more = {}]) => {
      const level = more.level ?? "standard";
      const drill = drillById(id);
      if (!drill) throw new Error(`A template names a drill that is not in the library: ${id}`);
      const item = itemOf(drill, level);
      const part = phaseOf(phase);
      const first = part && isLift(part) ? showingOfLift(who) : showingFor(drill, level, "new", who);
      const demo = shown.has(id) ? 0 : first;
      shown.add(id);
      return { ...item, dose: withAmount(item.dose, amount), demo, ...more };
    }),
  }));
}

/** A template as a session of its own. */
export const templateSession = (template: Template): SessionPlan =>
  newSession({ title: template.name, purpose: template.purpose, target: template.target }, templateBlocks(template));
