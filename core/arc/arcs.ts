import { arcSchema, type Arc, type Phase } from "./schema";
import type { z } from "zod";
import type { Seconds, Share } from "~/core/units";
import type { Purpose } from "~/core/session/schema";

type Written = z.input<typeof arcSchema>;
type WrittenPhase = Written["phases"][number];

const NO_STILL = { least: 0, most: 3, still: 3600 } as const;

const raise = (share: WrittenPhase["share"], speed = 2): WrittenPhase => ({
  id: "raise",
  title: "Raise",
  why: "everyone gets warm and their pulse comes up",
  share,
  seconds: 45,
  pulse: { least: 1, most: 3, still: 60 },
  reaches: { pulse: 2, within: 60, share: 50 },
  speed: { most: speed },
  impact: 1,
  effort: 4,
  takes: [
    { onFeet: true, methods: ["travel"] },
    { onFeet: true, gait: true },
    { onFeet: true, pulse: 2, methods: ["dynamic", "flow", "spring"] },
  ],
  prefers: ["travel"],
  needed: true,
});

const MOVING = ["circles", "dynamic", "flow", "activation", "travel", "release", "strength", "balance"] as const;

const beforeSport: WrittenPhase[] = [
  raise({ least: 15, most: 25 }),
  {
    id: "move",
    title: "Move",
    why: "the joints the sport asks for are taken through their range",
    share: { least: 35, most: 50 },
    seconds: 100,
    pulse: { least: 1, most: 3, still: 60 },
    speed: { most: 2 },
    impact: 1,
    effort: 5,
    holds: { least: 10, usual: 20, most: 20, once: 30 },
    takes: [{ methods: [...MOVING, "hold"] }],
    prefers: ["dynamic", "flow", "travel", "circles"],
    ordered: true,
    serves: true,
    row: { of: "joint", most: 2 },
  },
  {
    id: "build",
    title: "Build",
    why: "landings and speed come up step by step, once everyone is warm",
    share: { least: 12, most: 25 },
    seconds: 30,
    pulse: { least: 2, most: 3, still: 60 },
    speed: { most: 3, ends: 2 },
    course: "rising",
    impact: 2,
    landsMore: 3,
    effort: 7,
    takes: [
      { onFeet: true, methods: ["spring"] },
      { onFeet: true, speed: 3 },
      { onFeet: true, speed: 2, pulse: 3 },
    ],
    serves: true,
    needed: true,
    again: true,
  },
  {
    id: "rehearse",
    title: "Rehearse",
    why: "it ends with what the sport begins with, from easy to nearly full speed",
    share: { least: 10, most: 20 },
    seconds: 45,
    work: 45,
    pulse: { least: 2, most: 3, still: 60 },
    speed: { most: 3, ends: 2 },
    impact: 2,
    effort: 8,
    takes: [
      { onFeet: true, rehearses: "sport", speed: 2, pulse: 2 },
      { onFeet: true, rehearses: "sport", pulse: 2, methods: ["strength", "dynamic"] },
    ],
    needed: true,
    again: true,
  },
];

const beforeSportGround = {
  groundSport: {
    low: 60,
    lowWhere: "soft",
    middle: 100,
    feetLast: 20,
  },
} as const;

const WRITTEN: Readonly<Record<Purpose, Written>> = {
  "before-training": {
    id: "before-training",
    name: "Before training",
    purpose: "before-training",
    phases: beforeSport,
    warm: 20,
    standing: 60,
    ground: { low: 40, lowWhere: "anywhere", middle: 40, feetLast: 0, feetFrom: "build" },
    ...beforeSportGround,
  },
  "before-game": {
    id: "before-game",
    name: "Before a game",
    purpose: "before-game",
    phases: beforeSport,
    warm: 25,
    standing: 60,
    ground: { low: 20, lowWhere: "soft", middle: 20, feetLast: 40, feetFrom: "build" },
    ...beforeSportGround,
  },
  "before-lifting": {
    id: "before-lifting",
    name: "Before lifting",
    purpose: "before-lifting",
    phases: [
      raise({ least: 10, most: 20 }, 1),
      {
        id: "move",
        title: "Move",
        why: "the joints of the lift are taken through their range",
        share: { least: 35, most: 50 },
        seconds: 100,
        pulse: { least: 1, most: 3, still: 60 },
        speed: { most: 1 },
        impact: 0,
        effort: 5,
        holds: { least: 10, usual: 20, most: 20, once: 30 },
        takes: [{ methods: [...MOVING, "hold"] }],
        prefers: ["dynamic", "circles", "flow"],
        ordered: true,
        serves: true,
        row: { of: "joint", most: 3 },
      },
      {
        id: "switch-on",
        title: "Switch on",
        why: "the muscles that hold the position wake up before the weight comes",
        share: { least: 8, most: 20 },
        seconds: 40,
        pulse: { least: 1, most: 2, still: 60 },
        speed: { most: 1 },
        impact: 0,
        effort: 6,
        takes: [{ methods: ["activation", "balance", "strength", "resisted"] }],
        serves: true,
        needed: true,
        again: true,
      },
      {
        id: "rehearse",
        title: "Rehearse the lift",
        why: "the lift itself, lighter to heavier, with fewer repetitions each time",
        share: { least: 20, most: 30 },
        seconds: 90,
        pulse: { least: 1, most: 2, still: 60 },
        speed: { most: 2 },
        impact: 0,
        effort: 8,
        takes: [{ onFeet: true, rehearses: "lift", methods: ["strength"] }],
        needed: true,
        again: true,
      },
    ],
    warm: 15,
    ground: { low: 40, lowWhere: "anywhere", middle: 100, feetLast: 0, feetFrom: "switch-on" },
  },
  "after-training": {
    id: "after-training",
    name: "After training",
    purpose: "after-training",
    phases: [
      {
        id: "ease",
        title: "Ease",
        why: "pulse and breath come down while everyone keeps moving",
        share: { least: 15, most: 25 },
        seconds: 60,
        pulse: { least: 1, most: 2, still: 60 },
        speed: { most: 1 },
        course: "falling",
        impact: 0,
        effort: 3,
        takes: [
          { onFeet: true, methods: ["travel"] },
          { onFeet: true, gait: true },
        ],
        prefers: ["travel"],
        needed: true,
      },
      {
        id: "hold",
        title: "Hold",
        why: "what worked is held long enough to let go",
        share: { least: 50, most: 70 },
        seconds: 120,
        pulse: { least: 0, most: 1, still: 3600 },
        speed: { most: 1 },
        impact: 0,
        effort: 5,
        holds: { least: 30, usual: 40, most: 60, asked: 120 },
        takes: [{ methods: ["hold", "release", "breath"] }, { methods: ["dynamic", "circles", "flow"], effortMost: 4 }],
        prefers: ["hold"],
        ordered: true,
        serves: true,
        row: { of: "motion", most: 2 },
      },
      {
        id: "settle",
        title: "Settle",
        why: "a minute of slow breath sends everyone home calmer",
        share: { least: 10, most: 20 },
        seconds: 60,
        pulse: { ...NO_STILL, most: 0 },
        speed: { most: 0 },
        impact: 0,
        effort: 1,
        takes: [{ breath: true, methods: ["breath"] }],
        needed: true,
        again: true,
      },
    ],
    warm: 0,
    ground: { low: 100, lowWhere: "anywhere", middle: 100, feetLast: 0, ups: true },
  },
  "off-day": {
    id: "off-day",
    name: "On a day off",
    purpose: "off-day",
    phases: [
      {
        id: "settle-in",
        title: "Settle in",
        why: "a breath or an easy circle, to leave the day outside",
        share: { least: 4, most: 10 },
        seconds: 30,
        from: 600,
        pulse: { ...NO_STILL, most: 1 },
        speed: { most: 1 },
        impact: 0,
        effort: 2,
        takes: [{ methods: ["breath", "circles"] }],
        needed: true,
        again: true,
      },
      {
        id: "move",
        title: "Move",
        why: "every joint is moved before anything is held",
        share: { least: 25, most: 40 },
        seconds: 90,
        pulse: { least: 1, most: 2, still: 90 },
        speed: { most: 2 },
        impact: 0,
        effort: 5,
        holds: { least: 10, usual: 20, most: 30 },
        takes: [{ methods: [...MOVING, "hold", "breath", "resisted"] }],
        prefers: ["dynamic", "circles", "flow"],
        ordered: true,
        serves: true,
        row: { of: "joint", most: 2 },
      },
      {
        id: "lengthen",
        title: "Lengthen",
        why: "warm joints are held at the end of their range, or pushed there",
        share: { least: 30, most: 45 },
        seconds: 90,
        pulse: { ...NO_STILL, most: 1 },
        speed: { most: 1 },
        impact: 0,
        effort: 6,
        ramps: true,
        holds: { least: 30, usual: 40, most: 60, asked: 120 },
        takes: [{ methods: ["hold", "effort", "resisted"] }],
        prefers: ["hold"],
        ordered: true,
        serves: true,
        row: { of: "motion", most: 2 },
      },
      {
        id: "use-it",
        title: "Use it",
        why: "new range stays where it is used",
        share: { least: 10, most: 20 },
        seconds: 40,
        from: 420,
        pulse: { least: 1, most: 2, still: 60 },
        speed: { most: 2 },
        impact: 1,
        effort: 6,
        takes: [{ methods: ["strength", "balance", "flow", "travel", "activation", "dynamic"], pulse: 1 }],
        prefers: ["strength", "balance", "flow"],
        serves: true,
        uses: true,
        again: true,
      },
      {
        id: "breathe",
        title: "Breathe",
        why: "a minute of slow breath to finish",
        share: { least: 6, most: 12 },
        seconds: 60,
        pulse: { ...NO_STILL, most: 0 },
        speed: { most: 0 },
        impact: 0,
        effort: 1,
        takes: [{ breath: true, methods: ["breath"] }],
        needed: true,
        again: true,
      },
    ],
    warm: 0,
    ground: { low: 100, lowWhere: "anywhere", middle: 100, feetLast: 0, ups: true },
  },
  "desk-break": {
    id: "desk-break",
    name: "Desk break",
    purpose: "desk-break",
    phases: [
      {
        id: "undo",
        title: "Undo",
        why: "first the opposite of how everyone has been sitting",
        share: { least: 25, most: 45 },
        seconds: 45,
        pulse: { ...NO_STILL, most: 1 },
        speed: { most: 1 },
        impact: 0,
        effort: 4,
        holds: { least: 15, usual: 30, most: 40 },
        takes: [{ opposes: true, methods: ["hold", "dynamic", "circles", "activation", "flow"] }],
        serves: true,
      },
      {
        id: "move",
        title: "Move",
        why: "then the directions a desk leaves out: turning, leaning, neck, wrists and ankles",
        share: { least: 20, most: 40 },
        seconds: 45,
        pulse: { least: 1, most: 1, still: 90 },
        speed: { most: 1 },
        impact: 0,
        effort: 4,
        holds: { least: 10, usual: 20, most: 30 },
        takes: [
          {
            joints: ["upper-back", "lower-back", "neck", "wrist", "ankle", "toes", "shoulder", "shoulder-blade"],
            methods: ["dynamic", "circles", "flow", "activation", "hold"],
          },
        ],
        ordered: true,
        serves: true,
        row: { of: "joint", most: 2 },
      },
      {
        id: "brisk-end",
        title: "Brisk end",
        why: "everyone goes back to work awake",
        share: { least: 20, most: 40 },
        seconds: 60,
        pulse: { least: 1, most: 2, still: 0, ends: 2 },
        speed: { most: 2 },
        impact: 0,
        effort: 5,
        takes: [
          { standsUp: true, gait: true, methods: ["dynamic"] },
          { standsUp: true, pulse: 1, methods: ["strength", "dynamic", "flow"] },
        ],
        needed: true,
      },
    ],
    warm: 0,
    ground: { low: 0, lowWhere: "anywhere", middle: 0, feetLast: 0, seat: true },
  },
};

/**
 * The arcs that ship with Mapset: working rules from practice, not norms. Shares are of the target; a share may be missed by
 * 3 points, under ten minutes by 5; a least time wins over a share.
 */
export const ARCS = Object.fromEntries(
  Object.entries(WRITTEN).map(([purpose, arc]) => [purpose, arcSchema.parse(arc)]),
) as Readonly<Record<Purpose, Arc>>;

/** The phases a session of this length has. */
export const phasesAt = (arc: Arc, target: number): Phase[] => arc.phases.filter(({ from = 0 }) => target >= from);

/** How many points a share may be missed by: under ten minutes one drill more or less is much. */
export const sharePoints = (target: number): number => (target < 600 ? 5 : 3);

/** By so many points more a share may give way, where nothing fits without. */
export const MAY_GIVE = 5;

/** Where a least time wins over a share, there is so much more for showing and moving. */
const TO_GET_THERE = 20;

/** The least and most seconds a phase may take in a session of this length. */
export function phaseSeconds(phase: Phase, target: number): { least: number; most: number } {
  const points = sharePoints(target);
  return {
    least: Math.max(phase.seconds, ((phase.share.least - points) / 100) * target),
    most: Math.max(phase.seconds + TO_GET_THERE, ((phase.share.most + points) / 100) * target),
  };
}

/** The part of a session in which motions are served: the middle shares of the phases that serve them. */
const servedShare = (arc: Arc): Share =>
  arc.phases.reduce((sum, { serves, share }) => sum + (serves ? (share.least + share.most) / 2 / 100 : 0), 0);

/** The seconds of a session of this length in which motions are served: by its purpose, or by an arc of one's own. */
export const servedSeconds = (arc: Arc | Purpose, target: Seconds): Seconds =>
  servedShare(typeof arc === "string" ? ARCS[arc] : arc) * target;
