import { z } from "zod";
import { hardness } from "~/core/drills/hardness";
import { JOINTS, MOTION_FACTS, type Joint } from "~/core/vocabulary/motions";
import { METHODS } from "~/core/vocabulary/methods";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { HEIGHT } from "~/core/vocabulary/postures";
import { capital } from "~/core/wording/words";
import type { Seconds } from "~/core/units";

const PLANES = ["forward-back", "side", "rotation"] as const;

/** Which drills a stage takes: all that is said must hold; what is left out does not matter. */
const takesSchema = z.strictObject({
  methods: z.array(z.enum(METHODS)).min(1).optional(),
  joints: z.array(z.enum(JOINTS)).min(1).optional().describe("Joints of the first main row"),
  planes: z.array(z.enum(PLANES)).min(1).optional().describe("Planes of the first main row"),
});

/** How the drills of a stage follow one another; positions are grouped inside each step of it in any case. */
export const FOLLOWS = ["down the body", "up from the floor", "down to the floor", "easy to hard"] as const;

const stageSchema = z.strictObject({
  title: z.string().min(3).max(60),
  why: z.string().min(3).max(200).describe("Why a drill stands here, as the end of a sentence"),
  takes: z.array(takesSchema).min(1).describe("Any of these"),
  follows: z.enum(FOLLOWS).optional(),
  begins: z
    .array(z.number().int().min(0).max(9))
    .min(1)
    .optional()
    .describe("Parts of it of which at least one has a drill, as places in the way its drills follow one another"),
  least: z
    .number()
    .gt(0)
    .max(6)
    .optional()
    .describe("At least so many drills for each ten minutes, rounded down, and at most four"),
});

/** An order school as data: its stages in order, each taking drills; a drill belongs to the first stage of `asks` that takes it. */
export const sequencingSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(60),
  name: z.string().min(3).max(80),
  about: z.string().min(3).max(300),
  stages: z.array(stageSchema).min(1).max(8),
  asks: z
    .array(z.number().int().min(0))
    .optional()
    .describe("In which order the stages are asked whether they take a drill; without it, from first to last"),
});

export type Sequencing = z.infer<typeof sequencingSchema>;
export type Stage = z.infer<typeof stageSchema>;

/** One step of a session's order: everything in it comes before everything in the next. */
export type Step = { stage: number; part: number };

const DOWN_THE_BODY: Readonly<Record<Joint, number>> = {
  neck: 0,
  ribs: 0,
  "upper-back": 0,
  "lower-back": 0,
  trunk: 0,
  "shoulder-blade": 1,
  shoulder: 1,
  wrist: 1,
  hip: 2,
  knee: 3,
  ankle: 4,
  toes: 4,
};
const PART_WORDS: Readonly<Record<(typeof FOLLOWS)[number], readonly string[]>> = {
  "down the body": ["spine", "shoulders and wrists", "hips", "knees", "ankles and feet"],
  "up from the floor": ["lying", "sitting", "on all fours", "kneeling", "on the feet", "hanging"],
  "down to the floor": ["hanging", "on the feet", "kneeling", "on all fours", "sitting", "lying"],
  "easy to hard": ["easy", "working", "hard"],
};

type Form = { drill: Pick<Drill, "method">; level: Pick<DrillLevel, "main" | "posture" | "dose">; name: LevelName };

const partOf = (follows: Stage["follows"], { drill, level, name }: Form): number => {
  const height = HEIGHT[level.posture];
  switch (follows) {
    case "down the body":
      return DOWN_THE_BODY[MOTION_FACTS[level.main[0]!].joint];
    case "up from the floor":
      return height;
    case "down to the floor":
      return 5 - height;
    case "easy to hard": {
      const hard = hardness(drill.method, name, level.dose);
      return hard < 0.35 ? 0 : hard < 0.6 ? 1 : 2;
    }
    case undefined:
      return 0;
  }
};

const takes = (stage: Stage, { drill, level }: Form): boolean => {
  const { joint, plane } = MOTION_FACTS[level.main[0]!];
  return stage.takes.some(
    ({ methods, joints, planes }) =>
      (!methods || methods.includes(drill.method)) &&
      (!joints || joints.includes(joint)) &&
      (!planes || planes.includes(plane)),
  );
};

/** A stage is not asked for more drills than this, however long the session. */
const MOST_ASKED = 4;

/** How many drills a stage has at least in a session of this length. */
export const leastIn = (stage: Stage, target: Seconds): number =>
  Math.min(MOST_ASKED, Math.floor(((stage.least ?? 0) * target) / 600 + 1e-9));

/** Where a drill's level belongs in a school; `undefined` when no stage takes it. */
export function stepOf(school: Sequencing, form: Form): Step | undefined {
  const asked = school.asks ?? school.stages.map((_, i) => i);
  const stage = asked.find((i) => school.stages[i] && takes(school.stages[i], form));
  return stage === undefined ? undefined : { stage, part: partOf(school.stages[stage]!.follows, form) };
}

/** Steps in order: by stage, then by the part of it. */
export const stepRank = ({ stage, part }: Step): number => stage * 10 + part;

/** What a step is called: the stage, or its part where a stage has several. */
export function stepTitle(school: Sequencing, { stage, part }: Step): string {
  const { title, follows } = school.stages[stage]!;
  return follows === undefined ? title : school.stages.length === 1 ? capital(PART_WORDS[follows][part]!) : title;
}
