import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { coach } from "./accounts";
import { clubId } from "./clubs";
import { changed, moment, now } from "./columns";
import { liveClass } from "./live";
import { person } from "./people";
import { link } from "./sessions";
import type { PainPlace } from "~/core/checkin/pain-place";
import type { Tightness } from "~/core/checkin/schema";

/** One person following an edition once. `clientKey` is made on their device, so that a message sent twice counts once. */
export const run = pgTable(
  "run",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    linkId: uuid("link_id").notNull(),
    clientKey: uuid("client_key").notNull(),
    personId: uuid("person_id"),
    /** The class it was done in, where it was in one. */
    classId: uuid("class_id"),
    name: text("name").notNull(),
    /** When it was begun, as well as that is known: worked out from the moments below (core/checkin/moments). */
    startedAt: now("started_at"),
    /** When the device said it was begun, by its own clock; null where it did not say. */
    deviceAt: moment("device_at"),
    /** When the first of it arrived. */
    arrivedAt: now("arrived_at"),
    updatedAt: changed(),
    finishedAt: moment("finished_at"),
    shareDone: doublePrecision("share_done").notNull().default(0),
    /** Beyond what its link usually gets in an hour: kept, and listed under its link instead of among the others. */
    folded: boolean("folded").notNull().default(false),
    /** Taken off the list by the coach. */
    removedAt: moment("removed_at"),
    /** Marked by the coach as somebody else's, who chose this name. */
    notTheirs: boolean("not_theirs").notNull().default(false),
  },
  (t) => [
    primaryKey({ name: "run_pk", columns: [t.clubId, t.id] }),
    unique("run_client_key").on(t.clubId, t.linkId, t.clientKey),
    foreignKey({ name: "run_link", columns: [t.clubId, t.linkId], foreignColumns: [link.clubId, link.id] }).onDelete(
      "cascade",
    ),
    foreignKey({
      name: "run_person",
      columns: [t.clubId, t.personId],
      foreignColumns: [person.clubId, person.id],
    }).onDelete("set null"),
    foreignKey({
      name: "run_class",
      columns: [t.clubId, t.classId],
      foreignColumns: [liveClass.clubId, liveClass.id],
    }).onDelete("set null"),
    index("run_of_class")
      .on(t.clubId, t.classId)
      .where(sql`class_id is not null`),
    index("run_of_person").on(t.clubId, t.personId, t.startedAt),
    check("run_name", sql`length(${t.name}) between 1 and 40`),
    check("run_share", sql`${t.shareDone} between 0 and 1`),
    index("run_recent").on(t.clubId, t.startedAt),
    index("run_of_link").on(t.clubId, t.linkId, t.arrivedAt),
    index("run_folded")
      .on(t.clubId, t.linkId)
      .where(sql`folded`),
    index("run_arrived").on(t.clubId, t.arrivedAt),
  ],
);

/** What someone said afterwards; one for each run. */
export const checkIn = pgTable(
  "check_in",
  {
    clubId: clubId(),
    runId: uuid("run_id").notNull(),
    effort: smallint("effort"),
    tightness: jsonb("tightness").$type<Tightness[]>().notNull().default([]),
    /** Whether anything hurt: each thing that did is a report of its own. */
    pain: boolean("pain").notNull(),
    note: text("note"),
    /** When it was given, as well as that is known; by the device's own clock, where it said; and when it arrived. */
    sentAt: now("sent_at"),
    deviceAt: moment("device_at"),
    arrivedAt: now("arrived_at"),
    /** When all that hurt was spoken of; empty again as soon as more is told. */
    seenAt: moment("seen_at"),
  },
  (t) => [
    primaryKey({ name: "check_in_pk", columns: [t.clubId, t.runId] }),
    foreignKey({ name: "check_in_run", columns: [t.clubId, t.runId], foreignColumns: [run.clubId, run.id] }).onDelete(
      "cascade",
    ),
    // Few are among them, and every page of a coach asks for them.
    index("check_in_unseen_pain")
      .on(t.clubId)
      .where(sql`pain and seen_at is null`),
    index("check_in_arrived").on(t.clubId, t.arrivedAt),
    index("check_in_pain")
      .on(t.clubId, t.runId)
      .where(sql`pain`),
    check("check_in_effort", sql`${t.effort} between 0 and 10`),
    check("check_in_note", sql`length(${t.note}) <= 500`),
  ],
);

/** One thing that hurt somebody in a run. The id is the key it was made with on the device: told again it is the same report. */
export const painReport = pgTable(
  "pain_report",
  {
    clubId: clubId(),
    runId: uuid("run_id").notNull(),
    id: uuid("id").notNull(),
    /** The drill it hurt in, and when in the session, where they said. */
    place: jsonb("place").$type<PainPlace>(),
    where: text("where"),
    /** When it was told, as well as that is known; by the device’s own clock, where it said; and when it arrived. */
    saidAt: now("said_at"),
    deviceAt: moment("device_at"),
    arrivedAt: now("arrived_at"),
    /** When somebody who led the class saw it there, and who; for all who lead it. */
    noticedAt: moment("noticed_at"),
    noticedBy: text("noticed_by").references(() => coach.id, { onDelete: "set null" }),
    /** When somebody had spoken to them, and who. */
    seenAt: moment("seen_at"),
    seenBy: text("seen_by").references(() => coach.id, { onDelete: "set null" }),
  },
  (t) => [
    primaryKey({ name: "pain_report_pk", columns: [t.clubId, t.runId, t.id] }),
    foreignKey({
      name: "pain_report_check_in",
      columns: [t.clubId, t.runId],
      foreignColumns: [checkIn.clubId, checkIn.runId],
    }).onDelete("cascade"),
    index("pain_report_arrived").on(t.clubId, t.arrivedAt),
    check("pain_report_where", sql`length(${t.where}) <= 120`),
  ],
);
