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
import { made, moment } from "./columns";
import { group, person } from "./people";
import { edition } from "./sessions";
import type { Command } from "~/core/live/commands";

/** A class: an edition that is run for a group, on many screens. Its state is worked out from its commands. */
export const liveClass = pgTable(
  "live_class",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    editionId: uuid("edition_id").notNull(),
    groupId: uuid("group_id"),
    /** The way its commands are folded: the one it began with. */
    fold: integer("fold").notNull(),
    /** The newest command’s number, and when it takes effect, in milliseconds since 1970. */
    lastN: integer("last_n").notNull().default(0),
    lastFrom: doublePrecision("last_from").notNull().default(0),
    /** Which of its codes for the wall counts; raised for each new one. */
    wallCode: integer("wall_code").notNull().default(1),
    createdAt: made(),
    endedAt: moment("ended_at"),
  },
  (t) => [
    primaryKey({ name: "live_class_pk", columns: [t.clubId, t.id] }),
    foreignKey({
      name: "live_class_edition",
      columns: [t.clubId, t.editionId],
      foreignColumns: [edition.clubId, edition.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "live_class_group",
      columns: [t.clubId, t.groupId],
      foreignColumns: [group.clubId, group.id],
    }).onDelete("set null"),
    index("live_class_of_edition").on(t.clubId, t.editionId),
    index("live_class_of_group").on(t.clubId, t.groupId, t.createdAt),
    index("live_class_open")
      .on(t.clubId, t.createdAt)
      .where(sql`ended_at is null`),
    index("live_class_to_end")
      .on(t.createdAt)
      .where(sql`ended_at is null`),
  ],
);

/** What was done to a class, in order. Numbers are given under the lock of the class’s row, so that their order is that of the commits. */
export const liveCommand = pgTable(
  "live_command",
  {
    clubId: clubId(),
    classId: uuid("class_id").notNull(),
    n: integer("n").notNull(),
    /** Made on the device, so that what is sent twice counts once. */
    key: uuid("key").notNull(),
    madeBy: madeBy(),
    seen: integer("seen").notNull(),
    on: text("on"),
    /** When it takes effect, in milliseconds since 1970. */
    from: doublePrecision("from").notNull(),
    /** Pressed without a connection, and sent afterwards. */
    apart: boolean("apart").notNull().default(false),
    command: jsonb("command").$type<Command>().notNull(),
    arrivedAt: moment("arrived_at").notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ name: "live_command_pk", columns: [t.clubId, t.classId, t.n] }),
    unique("live_command_key").on(t.clubId, t.classId, t.key),
    foreignKey({
      name: "live_command_class",
      columns: [t.clubId, t.classId],
      foreignColumns: [liveClass.clubId, liveClass.id],
    }).onDelete("cascade"),
    check("live_command_on", sql`length(${t.on}) <= 24`),
    check("live_command_size", sql`pg_column_size(${t.command}) <= 200000`),
  ],
);

/** A device that may see a class: the coach’s remote, a wall, or one person’s own. It is found by the hash of its token, which is in its entry. */
export const livePass = pgTable(
  "live_pass",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    classId: uuid("class_id").notNull(),
    kind: text("kind").$type<"remote" | "wall" | "athlete">().notNull(),
    personId: uuid("person_id"),
    /** A wall’s: the code it was opened with. A new code shuts it. */
    wallCode: integer("wall_code"),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "live_pass_pk", columns: [t.clubId, t.id] }),
    foreignKey({
      name: "live_pass_class",
      columns: [t.clubId, t.classId],
      foreignColumns: [liveClass.clubId, liveClass.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "live_pass_person",
      columns: [t.clubId, t.personId],
      foreignColumns: [person.clubId, person.id],
    }).onDelete("cascade"),
    index("live_pass_of_class").on(t.clubId, t.classId),
    index("live_pass_of_person").on(t.clubId, t.personId),
    check("live_pass_kind", sql`${t.kind} in ('remote', 'wall', 'athlete')`),
  ],
);
