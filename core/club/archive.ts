import { z } from "zod";
import { zoneSchema } from "~/core/clock/zone";
import { keepMonthsSchema } from "./keeping";
import { ROLES } from "./role";

/** The version of a club's archive that is written. */
export const ARCHIVE_VERSION = 1;

/** What an archive says of itself: of which club, when it was made, who worked there, and how many lines each of its files has. */
export const archiveAboutSchema = z.strictObject({
  format: z.literal("mapset/club"),
  version: z.literal(ARCHIVE_VERSION),
  made: z.iso.datetime(),
  club: z.strictObject({ name: z.string().min(1).max(80), zone: zoneSchema.nullable(), keepMonths: keepMonthsSchema }),
  /** To be read by people: accounts are their own, and do not come along. */
  members: z.array(z.strictObject({ name: z.string().max(200), role: z.enum(ROLES) })).max(10_000),
  counts: z.record(z.string().max(40), z.number().int().min(0)),
});

export type ArchiveAbout = z.infer<typeof archiveAboutSchema>;
