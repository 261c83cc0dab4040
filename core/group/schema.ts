import { z } from "zod";
import { zoneSchema } from "~/core/clock/zone";
import { SURFACES } from "~/core/vocabulary/surfaces";
import { KIT } from "~/core/vocabulary/kit";
import { WHO } from "~/core/vocabulary/who";
import { protectsListSchema } from "./protect";
import type { LevelName } from "~/core/vocabulary/levels";

/** What a coach says of a group once, and every session for it is looked over with. What is left out is not looked at. */
export const groupSettingSchema = z.strictObject({
  kit: z
    .partialRecord(z.enum(KIT), z.number().int().min(0).max(500))
    .optional()
    .describe("Pieces there are; with a list, kit that is not on it is not there"),
  surface: z.enum(SURFACES).optional().describe("What the group stands on"),
  who: z.enum(WHO).optional().describe("Who they are; left out, adults"),
  gettingUp: z.boolean().optional().describe("Older or returning people who get down to the floor and up again"),
  impact: z.boolean().optional().describe("Older or returning people for whom small landings are fine"),
  lanes: z
    .number()
    .int()
    .min(1)
    .max(50)
    .optional()
    .describe("Lanes for drills that travel; people wait in lines for them"),
  floor: z.number().min(1).max(200).optional().describe("Clear length of floor for drills that travel, in metres"),
  effortCap: z.number().min(10).max(100).optional().describe("The most effort asked for, in per cent"),
  holdCap: z.number().min(5).max(600).optional().describe("The longest hold, in seconds"),
  support: z.boolean().optional().describe("Needs something to hold on to in balance drills"),
  mixed: z.boolean().optional().describe("What people can do differs widely"),
  areas: protectsListSchema.optional().describe("What the whole group protects"),
  zone: zoneSchema.optional().describe("Its time zone by the IANA name; left out, the club’s"),
});

export type GroupSetting = z.infer<typeof groupSettingSchema>;

/** Someone of the group, by initials or a nickname, and what they protect. */
export const memberSchema = z.strictObject({
  name: z.string().trim().min(1).max(40),
  areas: protectsListSchema.default([]),
});

/** So many sessions back a group's drills are looked at. */
export const MOST_LATELY = 3;

/** A group is at most so many people. */
export const MOST_PEOPLE = 200;

/** A group as the audit and the draft look at it. */
export const groupSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  people: z.array(memberSchema).max(MOST_PEOPLE),
  setting: groupSettingSchema.prefault({}),
  shown: z
    .array(z.string().max(80))
    .optional()
    .describe("Drills the group has been handed before, by id; left out, nobody knows"),
  lately: z
    .array(z.strictObject({ title: z.string().max(120), drills: z.array(z.string().max(80)) }))
    .max(MOST_LATELY)
    .optional()
    .describe("The sessions last handed to the group, the newest first, with their drills by id"),
});

/** What is chosen for somebody in place of an item: a rest, or another level or drill in the same time. `at` is the item's drill when it was chosen. */
export type PersonChoice = {
  block: number;
  item: number;
  at: string;
  does: "rest" | { drill: string; level: LevelName };
};

export type Member = z.infer<typeof memberSchema> & { choices?: readonly PersonChoice[] };
export type Group = Omit<z.infer<typeof groupSchema>, "people"> & { people: Member[] };
