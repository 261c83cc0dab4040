import { z } from "zod";
import { MIDDLE_POINTS, POINT_NAMES, type PointName } from "./points";

const metres = z.number().min(-6).max(6);
const degrees = z.number().min(-360).max(360);
const place = z.tuple([metres, metres, metres]);
const direction = z
  .tuple([z.number().min(-1).max(1), z.number().min(-1).max(1), z.number().min(-1).max(1)])
  .refine(([x, y, w]) => x * x + y * y + w * w > 1e-4, "must point somewhere");
const bodyPoint = z.enum(POINT_NAMES as [PointName, ...PointName[]]);

/** Flexion, side-bend to the right, rotation to the right. */
const spinePart = z.tuple([degrees, degrees, degrees]);

const girdle = z.tuple([degrees, degrees]).optional().describe("Shoulder blade: lifted, and drawn forward");

const armByAngles = z.strictObject({
  by: z.literal("angles"),
  girdle,
  plane: degrees.default(90).describe("Plane the arm is lifted in: 0 to the side, 90 ahead"),
  elevation: degrees.describe("How far it is lifted; below zero behind the body"),
  rotation: degrees.default(0).describe("Turned in above zero"),
  elbow: degrees.default(0),
  pronation: degrees.default(0),
  wrist: degrees.default(0).describe("Bent back above zero"),
});

const armByAim = z.strictObject({
  by: z.literal("aim"),
  girdle,
  upper: direction.describe("Where the upper arm points: forward, up, right"),
  fore: direction.describe("Where the forearm points"),
  within: z.enum(["chest", "world"]).default("chest").describe("Whether the directions turn with the chest"),
  wrist: degrees.default(0),
  pronation: degrees.default(0),
});

const armByHand = z.strictObject({
  by: z.literal("hand"),
  girdle,
  at: place.describe("Where the hand is; with `of`, how far from that point of the body"),
  of: bodyPoint.optional(),
  rest: z
    .enum(["flat", "grip"])
    .default("grip")
    .describe("Flat: the heel of the hand is there; grip: the middle of the palm is"),
  normal: direction.optional().describe("Which way the thing a flat hand rests on faces; up unless said"),
  fingers: direction.optional().describe("Where the fingers point"),
  pole: direction.optional().describe("Where the elbow points"),
});

const legByAngles = z.strictObject({
  by: z.literal("angles"),
  hip: z.tuple([degrees, degrees, degrees]).describe("Flexion, abduction, inward rotation"),
  knee: degrees.default(0),
  kneeRotation: degrees.default(0),
  ankle: degrees.default(0),
  inversion: degrees.default(0),
  toes: degrees.default(0),
});

const legByFoot = z.strictObject({
  by: z.literal("foot"),
  at: place.describe("The point of the sole under the ankle when the foot is flat"),
  out: degrees.default(0).describe("Toes turned out"),
  heel: degrees.default(0).describe("Heel lifted over the ball; below zero the toes over the heel"),
  tilt: degrees.default(0).describe("Rolled to its outer edge above zero"),
  pole: direction.optional().describe("Where the knee points"),
});

const legByKnee = z.strictObject({
  by: z.literal("knee"),
  at: place.describe("What the knee rests on, under its middle"),
  splay: degrees.default(0).describe("Foot out from straight behind the knee"),
  toes: z.enum(["flat", "tucked"]).default("flat"),
});

const legByAim = z.strictObject({
  by: z.literal("aim"),
  thigh: direction.describe("Where the thigh points, in the room"),
  shank: direction.describe("Where the shank points"),
  ankle: degrees.default(0),
  inversion: degrees.default(0),
  toes: degrees.default(0),
  kneeRotation: degrees.default(0),
});

const armByElbow = z.strictObject({
  by: z.literal("elbow"),
  girdle,
  at: place.describe("What the elbow rests on, under its middle"),
  fore: direction.describe("Where the forearm points, in the room"),
  wrist: degrees.default(0),
  pronation: degrees.default(0),
});

export const armSchema = z.discriminatedUnion("by", [armByAngles, armByAim, armByHand, armByElbow]);
export const legSchema = z.discriminatedUnion("by", [legByAngles, legByFoot, legByKnee, legByAim]);
const limbs = z.strictObject({ arm: armSchema, leg: legSchema });

/** One position of the body: how the pelvis stands in the room, the spine, and each limb by angles or by where its end is. */
export const poseSchema = z.strictObject({
  pelvis: z.strictObject({
    at: z
      .tuple([metres, metres.nullable(), metres])
      .describe("Middle of the hips; without a height the lowest part meets the floor"),
    of: z.enum(MIDDLE_POINTS).optional().describe("The point that is there instead of the middle of the hips"),
    tilt: degrees.default(0).describe("Tipped forward"),
    side: degrees.default(0).describe("Tipped to the right"),
    turn: degrees.default(0).describe("Turned to the right"),
  }),
  lumbar: spinePart,
  thoracic: spinePart,
  neck: spinePart,
  left: limbs,
  right: limbs,
});

export type Pose = z.infer<typeof poseSchema>;
export type SpinePart = z.infer<typeof spinePart>;
export type Arm = z.infer<typeof armSchema>;
export type Leg = z.infer<typeof legSchema>;
export type FootLeg = Extract<Leg, { by: "foot" }>;
export type KneeLeg = Extract<Leg, { by: "knee" }>;
export type HandArm = Extract<Arm, { by: "hand" }>;
export type ElbowArm = Extract<Arm, { by: "elbow" }>;
