import { z } from "zod";
import { KIT } from "~/core/vocabulary/kit";
import { POINT_NAMES, type PointName } from "./points";
import { poseSchema } from "./pose";
import { VIEW_NAMES } from "./view-names";

const metres = z.number().min(-6).max(6);
const place = z.tuple([metres, metres, metres]);
const bodyPoint = z.enum(POINT_NAMES as [PointName, ...PointName[]]);

/** A place in the room, or on the body, some way off a point of it in the room's directions. */
const anchor = z.union([place, z.strictObject({ of: bodyPoint, off: place.default([0, 0, 0]) })]);

const boxProp = z.strictObject({
  shape: z.literal("box"),
  piece: z.enum(KIT),
  at: anchor.describe("Middle of its underside"),
  size: z
    .tuple([z.number().gt(0).max(4), z.number().gt(0).max(4), z.number().gt(0).max(4)])
    .describe("Length, height, width"),
});

const rodProp = z.strictObject({
  shape: z.literal("rod"),
  piece: z.enum(KIT),
  from: anchor,
  to: anchor,
  beyond: z.number().min(0).max(3).default(0).describe("How far it goes on past both ends"),
  radius: z.number().gt(0).max(0.5),
});

export const propSchema = z.discriminatedUnion("shape", [boxProp, rodProp]);

/** Looks at the figure from a direction: 0 from its right, 90 from the front, 180 from its left; and from how high up. */
export const viewSchema = z.strictObject({
  around: z.number().min(-360).max(360),
  above: z.number().min(-10).max(90),
});

const keySchema = z.strictObject({
  at: z.number().min(0).max(64).describe("The beat at whose end the body is here; 0 is the start"),
  pose: poseSchema,
  lift: z
    .number()
    .min(0)
    .max(1)
    .default(0)
    .describe("How high a hand or foot that moves to this key is carried on the way"),
});

const secondSchema = z.strictObject({
  at: z.tuple([metres, metres]).describe("Where they stand, forward and to the right of the middle"),
  turn: z.number().min(-360).max(360).describe("How far they are turned to the right; 180 faces the first"),
  poses: z.array(poseSchema).min(1).max(24).describe("Where they are at each key, from where they stand"),
});

/** How a drill moves over one repetition: key positions on the tempo's beats. Written for the right side. */
export const animationSchema = z
  .strictObject({
    kind: z.enum(["repeat", "hold"]).describe("Goes round and round, or goes into a position and stays"),
    ends: z
      .enum(["as it began", "mirrored"])
      .default("as it began")
      .describe("Where a repetition ends; mirrored where the sides change over"),
    flow: z
      .enum(["eased", "through"])
      .default("eased")
      .describe("Rests at each key, or passes through, as in a circle"),
    beats: z
      .number()
      .min(1)
      .max(64)
      .describe("Beats of one repetition; the body is back at the first key when they are over"),
    seconds: z.number().gt(0).max(600).describe("Length of one repetition where the dose has no beats of its own"),
    keys: z.array(keySchema).min(1).max(24),
    view: z.union([z.enum(VIEW_NAMES), viewSchema]),
    props: z.array(propSchema).max(12).default([]),
    second: secondSchema.optional().describe("A partner, who moves with the same keys"),
    focus: z
      .array(bodyPoint)
      .max(12)
      .optional()
      .describe("The parts the picture is cut to, where the whole body would be too small"),
  })
  .check((context) => {
    const { keys, beats, second, ends } = context.value;
    if (second && second.poses.length !== keys.length)
      context.issues.push({
        code: "custom",
        message: `needs a pose for each of the ${keys.length} keys`,
        path: ["second", "poses"],
        input: second.poses.length,
      });
    if (second && ends === "mirrored" && (second.at[1] !== 0 || second.turn % 180 !== 0))
      context.issues.push({
        code: "custom",
        message: "stands in line with the first where a repetition ends mirrored",
        path: ["second", "at"],
        input: second.at,
      });
    keys.forEach((key, i) => {
      const before = keys[i - 1];
      if (i === 0 && key.at !== 0)
        context.issues.push({
          code: "custom",
          message: "the first key is at 0",
          path: ["keys", 0, "at"],
          input: key.at,
        });
      if (before && key.at <= before.at)
        context.issues.push({ code: "custom", message: "keys go forward", path: ["keys", i, "at"], input: key.at });
      if (key.at > beats)
        context.issues.push({
          code: "custom",
          message: `must not be after the last beat, ${beats}`,
          path: ["keys", i, "at"],
          input: key.at,
        });
    });
  });

/** A drill's motion at its standard level, and at the others where the shape differs. */
export const animationsSchema = z.strictObject({
  standard: animationSchema,
  easier: animationSchema.optional(),
  harder: animationSchema.optional(),
});

export type DrillAnimations = { standard: Animation; easier?: Animation | undefined; harder?: Animation | undefined };
export type View = z.infer<typeof viewSchema>;
export type Prop = z.infer<typeof propSchema>;
export type Anchor = z.infer<typeof anchor>;
export type Animation = z.infer<typeof animationSchema>;
