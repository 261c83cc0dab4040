import { z } from "zod";
import { ARCS } from "~/core/arc/arcs";
import { mayBeClocked } from "~/core/arc/fits";
import type { Arc } from "~/core/arc/schema";
import { forLift } from "~/core/arc/lift";
import { forGroup } from "~/core/arc/people";
import { schoolInstead, usualSchool } from "~/core/arc/schools";
import { CHANGE_BASE, CHANGE_PER_STEP } from "~/core/vocabulary/postures";
import type { Sequencing } from "./sequencing";
import { sportProfileSchema, type SportProfile } from "~/core/sport-profiles/schema";
import { JOINTS, JOINT_WORDS, MOTION_FACTS, MOTIONS, type Joint } from "~/core/vocabulary/motions";
import { KIT, type Kit } from "~/core/vocabulary/kit";
import { METHODS, type Method } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import { groupSchema, groupSettingSchema, MOST_LATELY, type Group } from "~/core/group/schema";
import { parseWith, type ValidationError, type Read } from "~/core/faults";
import { doseSchema } from "~/core/dose/schema";
import { intervalSchema, PURPOSES, type Interval, type Purpose } from "~/core/session/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { LIFTS, type Lift } from "~/core/vocabulary/lifts";
import { paceSchema, type Pace } from "~/core/dose/pace";
import type { Dose } from "~/core/dose/kinds";
import type { Seconds, Share } from "~/core/units";

/** So many pieces of kit, and joints, are asked for at most. */
export const MOST_ASKED = 4;
/** A joint that gets more weighs so many times as much; a motion of it that weighed nothing, this. */
const TIGHT = { times: 2, least: 1 } as const;

const drillIds = z.array(z.string().min(1).max(80)).max(60).default([]);

/** A request for drafts as it is written in a file or kept. */
export const draftRequestSchema = z.strictObject({
  title: z.string().trim().min(1).max(120).default("Draft").describe("What the session will be called"),
  target: z.number().min(120).max(7200).describe("The target length, in seconds"),
  purpose: z.enum(PURPOSES).describe("The purpose"),
  demand: z
    .union([
      z.string().min(1).max(80),
      sportProfileSchema,
      z.strictObject({ rows: z.partialRecord(z.enum(MOTIONS), z.number().gt(0).max(3)) }),
    ])
    .describe("A sport profile's id, a whole profile, or rows picked by hand with weights of up to 3"),
  school: z
    .string()
    .min(1)
    .max(60)
    .optional()
    .describe("The id of the sequencing; left out, the one that is usual for the purpose"),
  lift: z.enum(["squat", "hinge", "press"]).optional().describe("The lift that is warmed up for; left out, the squat"),
  group: groupSchema.optional().describe("Who it is for: people, what they protect, kit, floor, caps"),
  level: z
    .enum(LEVELS)
    .default("standard")
    .describe("The level to give where the group can take it; otherwise the nearest easier one"),
  methods: z.array(z.enum(METHODS)).min(1).optional().describe("Only these methods"),
  preferred: z
    .array(z.enum(METHODS))
    .optional()
    .describe("Rather these, where it costs next to nothing; without it, what suits the purpose"),
  must: drillIds.describe("Drills that must be in it, by id"),
  like: drillIds.describe("Rather these drills, as in a session that is to be much the same"),
  locked: z
    .array(z.strictObject({ drill: z.string().min(1).max(80), level: z.enum(LEVELS), dose: doseSchema }))
    .max(40)
    .default([])
    .describe("Drills that must be in it just so"),
  never: drillIds.describe("Drills that must not be in it, by id"),
  using: z.array(z.enum(KIT)).max(MOST_ASKED).default([]).describe("Kit that something in it is done with"),
  tight: z.array(z.enum(JOINTS)).max(MOST_ASKED).default([]).describe("Joints that get more of it"),
  familiar: z
    .enum(["new", "known"])
    .optional()
    .describe("Something the group has not done lately, or rather what it knows"),
  differ: z
    .number()
    .int()
    .min(0)
    .max(MOST_LATELY)
    .default(0)
    .describe(
      "Of so many sessions last handed to the group, at most half of each one's drills may come again; must-haves do not count",
    ),
  drafts: z.number().int().min(1).max(3).default(3).describe("How many drafts at most"),
  firstSide: z.enum(["left", "right"]).default("left"),
  pace: paceSchema().prefault({}),
  interval: intervalSchema
    .optional()
    .describe("Everything but the closing goes by this clock; changes and showing happen in the rest"),
  clockIn: z
    .array(z.string().min(1).max(40))
    .min(1)
    .max(8)
    .optional()
    .describe("Only these parts of the arc go by the clock, by their ids"),
});

export type WrittenRequest = z.infer<typeof draftRequestSchema>;

/** A request as it is kept: who it is for is kept beside it; a setting here stands in for the one of the group. */
export const keptRequestSchema = draftRequestSchema
  .omit({ group: true })
  .extend({ setting: groupSettingSchema.optional() });

export type KeptRequest = z.infer<typeof keptRequestSchema>;

/** What a kept request asks for a group, or for nobody in particular. */
export function requestOf({ setting, ...rest }: KeptRequest, group: Group | undefined): WrittenRequest {
  const whole = group
    ? { ...group, setting: setting ?? group.setting }
    : setting && Object.keys(setting).length > 0
      ? { name: "Anyone", people: [], setting }
      : undefined;
  return { ...rest, ...(whole && { group: whole }) };
}

/** A request with its demand and school looked up. */
export type DraftRequest = {
  title: string;
  target: Seconds;
  purpose: Purpose;
  arc: Arc;
  demand: SportProfile;
  school: Sequencing;
  /** Whether it was asked for; the usual one gives way to what takes less moving. */
  schoolAsked: boolean;
  /** What was asked for and is done otherwise, and why, a sentence each. */
  notes: readonly string[];
  lift: Lift | undefined;
  /** Whether a lift was asked for; the usual one gives way to one that these people can do. */
  liftAsked: boolean;
  /** The profile as it was asked for, before the lift and the joints that are to get more. */
  plain: SportProfile;
  group: Group | undefined;
  level: LevelName;
  methods: readonly Method[] | undefined;
  preferred: readonly Method[];
  must: readonly string[];
  like: readonly string[];
  locked: readonly { drill: string; level: LevelName; dose: Dose }[];
  never: readonly string[];
  using: readonly Kit[];
  tight: readonly Joint[];
  familiar: "new" | "known" | undefined;
  differ: number;
  drafts: number;
  firstSide: "left" | "right";
  pace: Pace;
  interval: Interval | undefined;
  /** The phases that go by the clock, where not all do that can. */
  clockIn: readonly string[] | undefined;
};

/** Ways of working that suit a purpose: moving and short holds before power, long holds and lengthening work when nothing follows. */
export const SUITS: Readonly<Record<Purpose, readonly Method[]>> = {
  "before-training": ["circles", "dynamic", "flow", "activation"],
  "before-lifting": ["circles", "dynamic", "activation", "strength"],
  "before-game": ["circles", "dynamic", "flow", "activation"],
  "after-training": ["hold", "breath", "release"],
  "off-day": ["hold", "resisted", "release", "breath"],
  "desk-break": ["circles", "dynamic", "breath"],
};

/** Where a purpose usually happens there is this much in any room; with no kit said, nothing else is asked for. */
export const AT_HAND: Readonly<Partial<Record<Purpose, readonly Kit[]>>> = {
  "desk-break": ["wall", "chair", "support", "cushion"],
};

/** Drills, and how many of them a session may have again. */
export type Apart = { drills: ReadonlySet<string>; most: number };

/** Of a session to differ from, this much may come again. */
const AGAIN_AT_MOST: Share = 0.5;

/** What a session that differs from another may have of it again: at most half of its drills, besides those that must be in it. */
export function apartFrom(drills: readonly string[], must: readonly string[]): Apart {
  const others = new Set(drills.filter((id) => !must.includes(id)));
  return { drills: others, most: Math.floor(others.size * AGAIN_AT_MOST) };
}

/** The sessions last handed to the group that a request is to differ from. */
export const lastApart = ({ differ, group, must }: Pick<DraftRequest, "differ" | "group" | "must">): Apart[] =>
  (group?.lately ?? []).slice(0, differ).map(({ drills }) => apartFrom(drills, must));

type Known = {
  demands: (id: string) => SportProfile | undefined;
  /** The arcs of a club; without them, those that ship. */
  arcs?: Readonly<Record<Purpose, Arc>>;
  schools: (id: string) => Sequencing | undefined;
  drills: (id: string) => Drill | undefined;
};

/** Reads a request; every fault with its path, names that nobody knows among them. */
export function readRequest(value: unknown, { demands, schools, drills, arcs = ARCS }: Known): Read<DraftRequest> {
  const read = parseWith(draftRequestSchema, value);
  if (!read.ok) return read;
  const { demand: asked, school: schoolId, ...rest } = read.value;
  const faults: ValidationError[] = [];
  const demand = demandOf(asked, demands);
  if (!demand)
    faults.push({ path: "demand", message: `there is no sport profile “${typeof asked === "string" ? asked : ""}”` });
  else if (!MOTIONS.some((row) => (demand.rows[row]?.weight ?? 0) > 0))
    faults.push({ path: "demand", message: "must name at least one motion" });
  const school = schools(schoolId ?? usualSchool(rest.purpose));
  if (!school) faults.push({ path: "school", message: `there is no sequencing “${schoolId}”` });
  for (const list of ["must", "never"] as const)
    rest[list].forEach((id, i) => {
      if (!drills(id)) faults.push({ path: `${list}[${i}]`, message: `there is no drill “${id}”` });
    });
  rest.locked.forEach(({ drill }, i) => {
    if (!drills(drill)) faults.push({ path: `locked[${i}].drill`, message: `there is no drill “${drill}”` });
    else if (rest.never.includes(drill))
      faults.push({
        path: `locked[${i}].drill`,
        message: `“${drill}” is among the drills that must not be in it, too`,
      });
  });
  rest.must.forEach((id, i) => {
    if (rest.never.includes(id))
      faults.push({ path: `must[${i}]`, message: `“${id}” is among the drills that must not be in it, too` });
  });
  rest.clockIn?.forEach((id, i) => {
    if (!arcs[rest.purpose].phases.some((phase) => phase.id === id && mayBeClocked(phase)))
      faults.push({ path: `clockIn[${i}]`, message: `there is no part “${id}” that can go by the clock` });
  });
  if (faults.length > 0 || !demand || !school) return { ok: false, faults };
  const instead = schoolInstead(rest.purpose, school.id);
  const other = instead && schools(instead.to);
  const moves = forGroup(rest.group).moves;
  const lift = rest.purpose === "before-lifting" ? (rest.lift ?? "squat") : undefined;
  return {
    ok: true,
    value: {
      ...rest,
      arc: arcs[rest.purpose],
      // Changing position takes these people longer, until it has been measured.
      pace:
        moves === 1 || rest.pace.moveBase !== undefined || rest.pace.moveStep !== undefined
          ? rest.pace
          : { ...rest.pace, moveBase: CHANGE_BASE * moves, moveStep: CHANGE_PER_STEP * moves },
      lift,
      liftAsked: rest.lift !== undefined,
      plain: demand,
      notes: other && instead ? [`“${school.name}” gives way to “${other.name}”: ${instead.why}.`] : [],
      must: [...new Set([...rest.must, ...rest.locked.map(({ drill }) => drill)])],
      demand: withTight(lift ? forLift(demand, lift) : demand, rest.tight),
      familiar: rest.familiar,
      school: other ?? school,
      schoolAsked: schoolId !== undefined,
      group: rest.group,
      methods: rest.methods,
      interval: rest.interval,
      clockIn: rest.interval && rest.clockIn,
      preferred: rest.preferred ?? SUITS[rest.purpose],
    },
  };
}

/** The lifts that a request could have in place of its own. */
export const otherLifts = ({ lift }: Pick<DraftRequest, "lift">): Lift[] =>
  lift ? (Object.keys(LIFTS) as Lift[]).filter((one) => one !== lift) : [];

/** A request for another lift, as it would be read if that had been asked for. */
export const withLift = (request: DraftRequest, lift: Lift): DraftRequest => ({
  ...request,
  lift,
  liftAsked: true,
  demand: withTight(forLift(request.plain, lift), request.tight),
});

/** A profile with more for some joints: what they weigh counts double, and no motion of theirs weighs nothing. */
function withTight(demand: SportProfile, joints: readonly Joint[]): SportProfile {
  if (joints.length === 0) return demand;
  const rows: SportProfile["rows"] = { ...demand.rows };
  for (const row of MOTIONS.filter((one) => joints.includes(MOTION_FACTS[one].joint))) {
    const now = demand.rows[row];
    rows[row] = {
      weight: Math.max(TIGHT.least, (now?.weight ?? 0) * TIGHT.times),
      why: now?.why ?? `you asked for more for the ${JOINT_WORDS[MOTION_FACTS[row].joint]}`,
    };
  }
  return { ...demand, rows };
}

/** The profile a request asks by: one that is known, one that comes whole, or motions picked by hand. */
export const demandOf = (asked: WrittenRequest["demand"], demands: Known["demands"]): SportProfile | undefined =>
  typeof asked === "string" ? demands(asked) : "id" in asked ? asked : byHand(asked.rows);

function byHand(rows: Partial<Record<(typeof MOTIONS)[number], number>>): SportProfile {
  const picked = MOTIONS.filter((row) => rows[row] !== undefined);
  return {
    id: "picked",
    name: "Picked by hand",
    about: "Motions picked by hand.",
    held: [],
    rows: Object.fromEntries(
      picked.map((row) => [row, { weight: rows[row]!, why: `${MOTION_FACTS[row].words} was picked by hand` }]),
    ),
  };
}
