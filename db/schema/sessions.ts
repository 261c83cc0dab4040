import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { madeBy } from "./accounts";
import { clubId } from "./clubs";
import { changed, made, moment } from "./columns";
import { group } from "./people";
import type { Accepted } from "~/core/audit/accepted";
import type { Setting } from "~/core/documents/setting";
import type { Choice } from "~/core/group/choices";
import type { Summary } from "~/core/profile/summary";
import type { Marks } from "~/core/saving/fields";
import type { Lock } from "~/core/session/locks";
import type { Purpose } from "~/core/session/schema";

/** A session as the coach is working on it. What is beside the document is taken from it, for lists. */
export const trainingSession = pgTable(
  "training_session",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    revision: integer("revision").notNull().default(1),
    title: text("title").notNull(),
    purpose: text("purpose").$type<Purpose>().notNull(),
    totalSeconds: doublePrecision("total_seconds").notNull(),
    /** Who it is for and what is asked of it; findings the coach accepts. Beside the document, which has no place for them. */
    groupId: uuid("group_id"),
    demandId: text("demand_id"),
    accepted: jsonb("accepted").$type<Accepted[]>().notNull().default([]),
    /** Drills that fitting to a time leaves as they are. */
    locks: jsonb("locks").$type<Lock[]>().notNull().default([]),
    /** What the coach chose for single people in place of a drill. */
    choices: jsonb("choices").$type<Choice[]>().notNull().default([]),
    /** How each of these came to be as it is: see core/saving/fields. */
    settingMarks: jsonb("setting_marks").$type<Marks<Setting>>().notNull().default({}),
    /** Offered as a beginning for new sessions. */
    template: boolean("template").notNull().default(false),
    /** What lists show of it, and of which revision that is: no list reads the document itself. */
    summary: jsonb("summary").$type<Summary>(),
    summaryOf: integer("summary_of"),
    archivedAt: moment("archived_at"),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [
    primaryKey({ name: "training_session_pk", columns: [t.clubId, t.id] }),
    foreignKey({
      name: "training_session_group",
      columns: [t.clubId, t.groupId],
      foreignColumns: [group.clubId, group.id],
    }).onDelete("set null"),
    index("training_session_of_group").on(t.clubId, t.groupId, t.updatedAt),
    index("training_session_list").on(t.clubId, t.updatedAt),
    check("training_session_total", sql`${t.totalSeconds} >= 0`),
    check("training_session_demand", sql`length(${t.demandId}) <= 80`),
  ],
);

/** A session as it was handed out. Rows never change; a trigger in the migrations sees to it. */
export const edition = pgTable(
  "edition",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    sessionId: uuid("session_id").notNull(),
    number: integer("number").notNull(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    totalSeconds: doublePrecision("total_seconds").notNull(),
    /** What the coach had accepted when it was handed out, and why. */
    accepted: jsonb("accepted").$type<Accepted[]>().notNull().default([]),
    /** What was chosen for single people when it was handed out. */
    choices: jsonb("choices").$type<Choice[]>().notNull().default([]),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "edition_pk", columns: [t.clubId, t.id] }),
    unique("edition_number").on(t.clubId, t.sessionId, t.number),
    foreignKey({
      name: "edition_session",
      columns: [t.clubId, t.sessionId],
      foreignColumns: [trainingSession.clubId, trainingSession.id],
    }).onDelete("cascade"),
  ],
);

/** Which drills an edition has: who has been shown what, without opening what was handed out. */
export const editionDrill = pgTable(
  "edition_drill",
  {
    clubId: clubId(),
    editionId: uuid("edition_id").notNull(),
    drill: text("drill").notNull(),
  },
  (t) => [
    primaryKey({ name: "edition_drill_pk", columns: [t.clubId, t.editionId, t.drill] }),
    foreignKey({
      name: "edition_drill_edition",
      columns: [t.clubId, t.editionId],
      foreignColumns: [edition.clubId, edition.id],
    }).onDelete("cascade"),
    index("edition_drill_of").on(t.clubId, t.drill),
  ],
);

/** An address that opens an edition. It is found by the hash of its token, which is in its entry. */
export const link = pgTable(
  "link",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    editionId: uuid("edition_id").notNull(),
    groupId: uuid("group_id"),
    createdAt: made(),
    withdrawnAt: moment("withdrawn_at"),
    openings: integer("openings").notNull().default(0),
    openedAt: moment("opened_at"),
    /** Runs beyond all that are kept of one link, of which nothing is known but that they were. */
    uncounted: integer("uncounted").notNull().default(0),
  },
  (t) => [
    primaryKey({ name: "link_pk", columns: [t.clubId, t.id] }),
    foreignKey({
      name: "link_edition",
      columns: [t.clubId, t.editionId],
      foreignColumns: [edition.clubId, edition.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "link_group",
      columns: [t.clubId, t.groupId],
      foreignColumns: [group.clubId, group.id],
    }).onDelete("set null"),
    index("link_by_edition").on(t.clubId, t.editionId),
    index("link_of_group").on(t.clubId, t.groupId, t.createdAt),
  ],
);

/** A request for drafts, kept to be used again. Who it is for is kept beside it. */
export const draftRequest = pgTable(
  "draft_request",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    title: text("title").notNull(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    groupId: uuid("group_id"),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [
    primaryKey({ name: "draft_request_pk", columns: [t.clubId, t.id] }),
    foreignKey({
      name: "draft_request_group",
      columns: [t.clubId, t.groupId],
      foreignColumns: [group.clubId, group.id],
    }).onDelete("set null"),
    index("draft_request_of_group").on(t.clubId, t.groupId),
    index("draft_request_list").on(t.clubId, t.updatedAt),
    check("draft_request_title", sql`length(${t.title}) between 1 and 120`),
  ],
);
