import { sql } from "drizzle-orm";
import { check, foreignKey, index, jsonb, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { madeBy } from "./accounts";
import { clubId } from "./clubs";
import { made, moment, now } from "./columns";
import type { Protects } from "~/core/group/protect";
import type { GroupSetting } from "~/core/group/schema";

/** A squad or class. */
export const group = pgTable(
  "group",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    name: text("name").notNull(),
    /** Kit, floor and caps of the group, and what all of it protects. */
    setting: jsonb("setting").$type<GroupSetting>().notNull().default({}),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "group_pk", columns: [t.clubId, t.id] }),
    check("group_name", sql`length(${t.name}) between 1 and 80`),
  ],
);

/** Somebody a club works with: initials or a nickname, no more. */
export const person = pgTable(
  "person",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    name: text("name").notNull(),
    /** What they protect; no other health detail. */
    areas: jsonb("areas").$type<Protects[]>().notNull().default([]),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "person_pk", columns: [t.clubId, t.id] }),
    check("person_name", sql`length(${t.name}) between 1 and 40`),
  ],
);

/** Somebody is in a group, from a day on and, where they were taken off it, until one. */
export const membership = pgTable(
  "membership",
  {
    clubId: clubId(),
    groupId: uuid("group_id").notNull(),
    personId: uuid("person_id").notNull(),
    from: now("from"),
    until: moment("until"),
  },
  (t) => [
    primaryKey({ name: "membership_pk", columns: [t.clubId, t.groupId, t.personId] }),
    foreignKey({
      name: "membership_group",
      columns: [t.clubId, t.groupId],
      foreignColumns: [group.clubId, group.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "membership_person",
      columns: [t.clubId, t.personId],
      foreignColumns: [person.clubId, person.id],
    }).onDelete("cascade"),
    index("membership_of_person").on(t.clubId, t.personId),
  ],
);
