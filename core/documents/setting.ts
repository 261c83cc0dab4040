import { z } from "zod";
import { acceptedSchema } from "~/core/audit/accepted";
import { choicesSchema } from "~/core/group/choices";
import { locksSchema } from "~/core/session/locks";

/** What stands beside a session's document: who it is for, what is asked of it, the findings that are accepted, the drills that fitting leaves as they are, and what is chosen for single people. */
export const settingSchema = z.strictObject({
  groupId: z.uuid().nullable(),
  demandId: z.string().min(1).max(80).nullable(),
  accepted: z.array(acceptedSchema).max(200),
  locks: locksSchema,
  choices: choicesSchema,
});

export type Setting = z.infer<typeof settingSchema>;
export type SettingField = keyof Setting;

export const SETTING_FIELDS = Object.keys(settingSchema.shape) as readonly SettingField[];

/** Of these whatever comes later counts: they go with the document, which has a revision of its own. */
export const LATER_COUNTS = ["locks"] as const satisfies readonly SettingField[];
