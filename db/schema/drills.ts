import { sql } from "drizzle-orm";
import { check, foreignKey, index, integer, jsonb, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { madeBy } from "./accounts";
import { clubId } from "./clubs";
import { changed, made, moment } from "./columns";
import type { Purpose } from "~/core/session/schema";
import type { LevelLines } from "~/core/stress/attach";

/** A drill a coach has made. What it says is in its revisions; `revision` is the newest. */
export const ownDrill = pgTable(
  "own_drill",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    name: text("name").notNull(),
    revision: integer("revision").notNull().default(1),
    archivedAt: moment("archived_at"),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [
    primaryKey({ name: "own_drill_pk", columns: [t.clubId, t.id] }),
    index("own_drill_list").on(t.clubId, t.updatedAt),
    check("own_drill_name", sql`length(${t.name}) between 3 and 80`),
  ],
);

/** One state of an own drill, as sessions and editions use it. Rows never change; a trigger in the migrations sees to it. */
export const ownDrillRevision = pgTable(
  "own_drill_revision",
  {
    clubId: clubId(),
    drillId: uuid("drill_id").notNull(),
    number: integer("number").notNull(),
    madeBy: madeBy(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    /** Of what it says, whatever the id it is used by: by this a drill that is brought a second time is known. */
    contentHash: text("content_hash").generatedAlwaysAs(sql`md5((doc - 'id')::text)`),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "own_drill_revision_pk", columns: [t.clubId, t.drillId, t.number] }),
    foreignKey({
      name: "own_drill_revision_drill",
      columns: [t.clubId, t.drillId],
      foreignColumns: [ownDrill.clubId, ownDrill.id],
    }).onDelete("cascade"),
    index("own_drill_revision_content").on(t.clubId, t.contentHash),
    check("own_drill_revision_number", sql`${t.number} >= 1`),
  ],
);

/** What the levels of a revision stress, worked out from its drawing; made anew when the way it is worked out changes. */
export const ownDrillStress = pgTable(
  "own_drill_stress",
  {
    clubId: clubId(),
    drillId: uuid("drill_id").notNull(),
    number: integer("number").notNull(),
    /** The way it was worked out. */
    rules: text("rules").notNull(),
    levels: jsonb("levels").$type<Partial<LevelLines>>().notNull(),
  },
  (t) => [
    primaryKey({ name: "own_drill_stress_pk", columns: [t.clubId, t.drillId, t.number] }),
    foreignKey({
      name: "own_drill_stress_drill",
      columns: [t.clubId, t.drillId],
      foreignColumns: [ownDrill.clubId, ownDrill.id],
    }).onDelete("cascade"),
  ],
);

/** A sport profile a club has made or changed. */
export const sportProfile = pgTable(
  "sport_profile",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    name: text("name").notNull(),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [
    primaryKey({ name: "sport_profile_pk", columns: [t.clubId, t.id] }),
    index("sport_profile_list").on(t.clubId, t.name),
    check("sport_profile_name", sql`length(${t.name}) between 3 and 80`),
  ],
);

/** What a club does otherwise in the arc of a purpose; without a line it is as Mapset has it. */
export const ownArc = pgTable(
  "own_arc",
  {
    clubId: clubId(),
    purpose: text("purpose").$type<Purpose>().notNull(),
    doc: jsonb("doc").$type<unknown>().notNull(),
    updatedAt: changed(),
  },
  (t) => [primaryKey({ name: "own_arc_pk", columns: [t.clubId, t.purpose] })],
);
