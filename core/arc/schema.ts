import { z } from "zod";
import { METHODS } from "~/core/vocabulary/methods";
import { JOINTS } from "~/core/vocabulary/motions";
import { PURPOSES } from "~/core/session/schema";

const slug = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  .max(40);
const percent = z.number().min(0).max(100);
const seconds = z.number().min(0).max(3600);
const step03 = z.number().int().min(0).max(3);
const effort = z.number().int().min(0).max(10);

/** Which drills a phase takes: all that is said must hold; what is left out does not matter. */
const takesSchema = z.strictObject({
  methods: z.array(z.enum(METHODS)).min(1).optional(),
  joints: z.array(z.enum(JOINTS)).min(1).optional().describe("Joints of any main row"),
  onFeet: z.literal(true).optional().describe("Begins and ends on the feet"),
  standsUp: z.literal(true).optional().describe("Ends on the feet, wherever it begins"),
  gait: z.literal(true).optional().describe("Step by step, as in walking"),
  pulse: step03.optional().describe("At least"),
  speed: step03.optional().describe("At least"),
  effortMost: effort.optional().describe("At most"),
  breath: z.literal(true).optional().describe("The breath on the ribs is its main row"),
  opposes: z.literal(true).optional().describe("A main row is the opposite of a position people are held in"),
  rehearses: z.enum(["sport", "lift"]).optional().describe("Rehearses an action of the sport, or a lift"),
});

export const phaseSchema = z.strictObject({
  id: slug,
  title: z.string().min(3).max(60),
  why: z.string().min(3).max(200).describe("Why it is there, as a coach says it"),
  share: z.strictObject({ least: percent, most: percent }).describe("Of the target, in per cent"),
  seconds: seconds.describe("It lasts at least so long, whatever its share"),
  work: seconds.optional().describe("Of work in it there is at least so much"),
  from: seconds.optional().describe("Only in sessions from this length on"),
  pulse: z
    .strictObject({
      least: step03,
      most: step03,
      still: seconds.describe("Under the least for so long in one piece"),
      ends: step03.optional().describe("Its last drill has at least this"),
    })
    .describe("Between these"),
  reaches: z
    .strictObject({ pulse: step03, within: seconds, share: percent.describe("Of its work, in per cent") })
    .optional()
    .describe("Gets to a pulse soon, and stays there for a part of it"),
  speed: z
    .strictObject({ most: step03, ends: step03.optional().describe("Its last drill has at least this") })
    .describe("How fast at most"),
  course: z.enum(["rising", "falling"]).optional().describe("Speed rises through it, or pulse and speed fall"),
  impact: step03.describe("The hardest landing"),
  landsMore: step03.optional().describe("The hardest landing where the sport jumps or cuts"),
  effort: effort.describe("The most effort"),
  ramps: z.literal(true).optional().describe("Effort ramps up to the group's cap"),
  holds: z
    .strictObject({
      least: seconds,
      usual: seconds,
      most: seconds,
      once: seconds.optional().describe("So long once for each motion"),
      asked: seconds.optional().describe("So long where it is asked for"),
    })
    .optional()
    .describe("How long a hold lasts; without it nothing is held"),
  takes: z.array(takesSchema).min(1).describe("Any of these"),
  prefers: z.array(z.enum(METHODS)).min(1).optional().describe("Rather these methods, where others would do as well"),
  ordered: z.literal(true).optional().describe("The school orders its drills"),
  serves: z.literal(true).optional().describe("Its time is what motions are served in"),
  uses: z.literal(true).optional().describe("Uses what the phases before it opened: it opens little itself"),
  needed: z.literal(true).optional().describe("Its drills are there for the phase, whatever motions they add"),
  again: z.literal(true).optional().describe("A family, or a drill, may come again in it"),
  row: z
    .strictObject({ of: z.enum(["joint", "motion"]), most: z.number().int().min(1).max(9) })
    .optional()
    .describe("Drills in a row for one joint, or with the same first motion, at most"),
});

const groundSchema = z.strictObject({
  low: percent.describe("Of the work, at most so much below half-kneeling; chairs and benches are not low"),
  lowWhere: z
    .enum(["anywhere", "soft"])
    .describe("Soft: only on mats or dry grass; on anything else nothing of it is low"),
  middle: percent.describe("Of the work, at most so much kneeling or in the deep squat"),
  feetLast: percent.describe("The last of the time is on the feet"),
  feetFrom: slug.optional().describe("From the start of this phase on it is on the feet"),
  ups: z.literal(true).optional().describe("Going down only: getting up once at most in each ten minutes"),
  seat: z.literal(true).optional().describe("On the feet or on a chair: no kneeling, no deep squat"),
});

/** A purpose's arc: how a session for it rises and falls, as data that a coach can copy and change. */
export const arcSchema = z.strictObject({
  id: slug,
  name: z.string().min(3).max(80),
  purpose: z.enum(PURPOSES),
  phases: z.array(phaseSchema).min(1).max(8),
  warm: percent.describe("Of the session, at least so much of the work at a pulse of 2 or more"),
  standing: seconds.optional().describe("After the first phase nobody stands about longer than this in one piece"),
  ground: groundSchema,
  groundSport: groundSchema.optional().describe("The same for a sport that is fought on the ground"),
});

export type Arc = z.infer<typeof arcSchema>;
export type Phase = Arc["phases"][number];
export type Ground = Arc["ground"];
export type Takes = Phase["takes"][number];
