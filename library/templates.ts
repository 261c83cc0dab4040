import { itemOf, newSession } from "~/core/session/start";
import type { Block, Purpose, SessionPlan } from "~/core/session/schema";
import { withAmount } from "~/core/dose/amount";
import type { Seconds } from "~/core/units";
import { drillById } from "./index";

/** A session to begin from, worked out: what it is for, how long it lasts, and what is asked of it. */
export type Template = {
  id: string;
  name: string;
  about: string;
  purpose: Purpose;
  target: Seconds;
  demand: string;
  blocks: readonly TemplateBlock[];
};

/** A drill and how much of it: seconds, repetitions, breaths or rounds a side; left out, the drill's own. */
type Line = string | readonly [drill: string, amount: number];
type TemplateBlock = { title: string; lines: readonly Line[]; wholeSide?: true; rounds?: number };

/** Sessions a coach would run as they are. Each keeps its length, works both sides alike, and passes the audit's stops and warnings. */
export const TEMPLATES: readonly Template[] = [
  {
    id: "squat-primer",
    name: "Squat primer",
    about: "Hips, ankles and an upright back before a bar goes on it.",
    purpose: "before-lifting",
    target: 600,
    demand: "lifting",
    blocks: [
      {
        title: "On hands and knees",
        lines: [
          ["cat-camel", 9],
          ["kneel-rock-neutral", 10],
        ],
      },
      {
        title: "Half-kneeling",
        lines: [
          ["hip-flexor-turn", 10],
          ["ankle-rock", 40],
        ],
        wholeSide: true,
      },
      {
        title: "In the squat",
        lines: [
          ["squat-reach", 5],
          ["squat-knee-drops", 10],
          ["squat-free", 8],
        ],
      },
    ],
  },
  {
    id: "after-flight",
    name: "After a long flight",
    about: "Ankles, hips and back, from the floor up, without hurry.",
    purpose: "off-day",
    target: 720,
    demand: "desk-work",
    blocks: [
      {
        title: "Down and breathe",
        lines: [
          ["back-breathing-90", 5],
          ["tabletop-rotation", 9],
        ],
      },
      { title: "On hands and knees", lines: [["spine-wave", 4]] },
      {
        title: "Half-kneeling",
        lines: [
          ["hip-flexor-breath", 8],
          ["ankle-rock", 50],
        ],
        wholeSide: true,
      },
      {
        title: "On the feet",
        lines: [
          ["rib-shift", 14],
          ["calf-raise", 17],
        ],
      },
    ],
  },
  {
    id: "desk-break",
    name: "Desk break",
    about: "Five minutes beside the desk, on the feet, nothing but a chair back.",
    purpose: "desk-break",
    target: 300,
    demand: "desk-work",
    blocks: [
      {
        title: "Beside the desk",
        lines: [
          ["neck-glides", 3],
          ["rib-shift", 10],
          ["hinge-arm-open", 10],
          ["step-reach-back", 8],
        ],
      },
    ],
  },
  {
    id: "before-throwing",
    name: "Before throwing",
    about: "Upper back, shoulder blades and shoulders, ending on the feet and turning.",
    purpose: "before-training",
    target: 600,
    demand: "throwing",
    blocks: [
      {
        title: "On the floor",
        lines: [
          ["open-book", 10],
          ["prone-ytlw", 11],
        ],
      },
      {
        title: "On the feet",
        lines: [
          ["stick-pass", 8],
          ["stick-pocket-circle", 5],
          ["step-close-turn", 14],
          ["stick-windmill", 5],
        ],
      },
    ],
  },
  {
    id: "off-day-hips",
    name: "Off-day hips",
    about: "Longer holds for every side of the hip, then breathing.",
    purpose: "off-day",
    target: 900,
    demand: "general",
    blocks: [
      {
        title: "Warm",
        lines: [
          ["cat-camel", 10],
          ["knees-side-to-side", 15],
        ],
      },
      {
        title: "Half-kneeling",
        lines: [
          ["hip-flexor-hold", 40],
          ["hamstring-hold", 30],
          ["adductor-hold", 50],
        ],
        wholeSide: true,
      },
      {
        title: "Sitting",
        lines: [
          ["ninety-lean-front", 40],
          ["mermaid-bend", 6],
        ],
        wholeSide: true,
      },
      { title: "Slow down", lines: [["long-exhale", 12]] },
    ],
  },
  {
    id: "lunchtime-backs",
    name: "Lunchtime backs",
    about: "A back that turns, bends and straightens, in ten minutes.",
    purpose: "desk-break",
    target: 600,
    demand: "desk-work",
    blocks: [
      {
        title: "On hands and knees",
        lines: [
          ["cat-camel", 9],
          ["kneel-rock-neutral", 11],
        ],
      },
      {
        title: "On the side and back",
        lines: [
          ["side-opener-knee-lift", 9],
          ["tabletop-rotation", 8],
          ["bridge", 10],
        ],
      },
      {
        title: "On the feet",
        lines: [
          ["rib-shift", 10],
          ["hinge-arm-open", 12],
        ],
      },
    ],
  },
  {
    id: "long-sitting",
    name: "Long-sitting undo",
    about: "The opposites of a day in a chair: hips open, back straight, arms behind.",
    purpose: "off-day",
    target: 720,
    demand: "desk-work",
    blocks: [
      {
        title: "On the front",
        lines: [
          ["prone-press-up", 5],
          ["heel-across-prone", 4],
        ],
      },
      { title: "On hands and knees", lines: [["arm-angel-reverse", 4]] },
      {
        title: "Half-kneeling",
        lines: [
          ["hip-flexor-reach", 50],
          ["kneel-bend-turn", 3],
        ],
        wholeSide: true,
      },
      {
        title: "On the feet",
        lines: [
          ["stick-behind-lift", 5],
          ["step-reach-back", 12],
        ],
      },
    ],
  },
  {
    id: "before-sprints",
    name: "Before sprints",
    about: "Moving only, on the feet for the second half, hips that open behind.",
    purpose: "before-training",
    target: 600,
    demand: "running",
    blocks: [
      {
        title: "Floor",
        lines: [
          ["bridge", 8],
          ["straight-leg-switch", 8],
        ],
      },
      {
        title: "Half-kneeling",
        lines: [
          ["hip-flexor-turn", 4],
          ["ankle-rock", 55],
        ],
        wholeSide: true,
      },
      {
        title: "On the feet",
        lines: [
          ["leg-swing-front", 12],
          ["leg-swing-side", 8],
          ["lunge-reverse", 5],
        ],
      },
    ],
  },
  {
    id: "evening",
    name: "Evening wind-down",
    about: "Quiet, on the floor, longer breaths at the end.",
    purpose: "after-training",
    target: 600,
    demand: "general",
    blocks: [
      { title: "Kneeling", lines: [["folded-kneel-reach", 10]] },
      {
        title: "On the back",
        lines: [
          ["figure-four", 50],
          ["knee-across", 35],
          ["tabletop-rotation", 10],
        ],
      },
      { title: "Breathe", lines: [["long-exhale", 13]] },
    ],
  },
];

/** The blocks of a template as a session has them. */
export function templateBlocks({ blocks }: Pick<Template, "blocks">): Block[] {
  return blocks.map(({ title, lines, wholeSide, rounds = 1 }) => ({
    title,
    rounds,
    restBetweenRounds: 0,
    sideOrder: wholeSide ? "whole-block" : "drill-by-drill",
    items: lines.map((line) => {
      const [id, amount] = typeof line === "string" ? [line, undefined] : line;
      const drill = drillById(id);
      if (!drill) throw new Error(`A template names a drill that is not in the library: ${id}`);
      const item = itemOf(drill);
      return amount === undefined ? item : { ...item, dose: withAmount(item.dose, amount) };
    }),
  }));
}

/** A template as a session of its own. */
export const templateSession = (template: Template): SessionPlan =>
  newSession({ title: template.name, purpose: template.purpose, target: template.target }, templateBlocks(template));
