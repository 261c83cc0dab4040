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
import type { Choice } from "~/core/group/choices";
import type { Command } from "~/core/live/commands";
import type { ClassPaces } from "~/core/live/log";
import type { Mine } from "~/core/player/mine";

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
    /** People who were there and are on no list. */
    others: integer("others").notNull().default(0),
    createdAt: made(),
    endedAt: moment("ended_at"),
    /** When what was run was written down: after its end can no longer be taken back. */
    closedAt: moment("closed_at"),
    /** How often that could not be done. */
    closeTries: integer("close_tries").notNull().default(0),
    /** What was chosen for people of this class alone, in place of what is worked out for them. */
    choices: jsonb("choices").$type<Choice[]>().notNull().default([]),
    /** What it says of the pace of its group. */
    paces: jsonb("paces").$type<ClassPaces>(),
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
    index("live_class_to_close")
      .on(t.endedAt)
      .where(sql`closed_at is null`),
    check("live_class_others", sql`${t.others} between 0 and 200`),
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
    /** A remote’s: who leads with it. Out of the club, they see nothing of it any more. */
    madeBy: madeBy(),
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

/** Who was there, as whoever led ticked them: true, or false for somebody who only joined by mistake. */
export const liveHere = pgTable(
  "live_here",
  {
    clubId: clubId(),
    classId: uuid("class_id").notNull(),
    personId: uuid("person_id").notNull(),
    here: boolean("here").notNull(),
  },
  (t) => [
    primaryKey({ name: "live_here_pk", columns: [t.clubId, t.classId, t.personId] }),
    foreignKey({
      name: "live_here_class",
      columns: [t.clubId, t.classId],
      foreignColumns: [liveClass.clubId, liveClass.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "live_here_person",
      columns: [t.clubId, t.personId],
      foreignColumns: [person.clubId, person.id],
    }).onDelete("cascade"),
    index("live_here_of_person").on(t.clubId, t.personId),
  ],
);

/** What one person does instead in a class, worked out once. */
export const liveVersion = pgTable(
  "live_version",
  {
    clubId: clubId(),
    classId: uuid("class_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** What it was worked out from, as a hash: where that is otherwise now, it counts no longer. */
    of: text("of").notNull(),
    doc: jsonb("doc").$type<Mine>().notNull(),
  },
  (t) => [
    primaryKey({ name: "live_version_pk", columns: [t.clubId, t.classId, t.personId] }),
    foreignKey({
      name: "live_version_class",
      columns: [t.clubId, t.classId],
      foreignColumns: [liveClass.clubId, liveClass.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "live_version_person",
      columns: [t.clubId, t.personId],
      foreignColumns: [person.clubId, person.id],
    }).onDelete("cascade"),
    index("live_version_of_person").on(t.clubId, t.personId),
  ],
);
