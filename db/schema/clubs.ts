import { sql } from "drizzle-orm";
import { check, index, jsonb, pgTable, primaryKey, smallint, text, uuid } from "drizzle-orm/pg-core";
import { coach, madeBy } from "./accounts";
import { made, moment } from "./columns";
import { KEPT_MONTHS } from "~/core/club/keeping";
import type { Role } from "~/core/club/role";

/** What an example brought, by its ids: it is taken away by them. */
export type ExampleIds = { groups: string[]; people: string[]; sessions: string[] };

/** Everything a club has belongs to it by this, and by nothing else. */
export const clubId = () =>
  uuid("club_id")
    .notNull()
    .references(() => club.id, { onDelete: "cascade" });
/** A club, a squad of one coach or a house with many: everything belongs to one. */
export const club = pgTable(
  "club",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    name: text("name").notNull(),
    /** The time zone its days and hours are in, by its IANA name; null until a browser of an owner's has said it. */
    zone: text("zone"),
    /** Reports are kept for so many months. */
    keepMonths: smallint("keep_months").notNull().default(KEPT_MONTHS),
    /** What came with the example that was loaded to look around; null where none is there. */
    example: jsonb("example").$type<ExampleIds>(),
    createdAt: made(),
  },
  (t) => [
    check("club_name", sql`length(${t.name}) between 1 and 80`),
    check("club_zone", sql`length(${t.zone}) between 2 and 60`),
    check("club_keep_months", sql`${t.keepMonths} between 1 and 120`),
  ],
);

/** Who works in a club, and as what. */
export const member = pgTable(
  "member",
  {
    clubId: clubId(),
    coachId: text("coach_id")
      .notNull()
      .references(() => coach.id, { onDelete: "cascade" }),
    role: text("role").$type<Role>().notNull(),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "member_pk", columns: [t.clubId, t.coachId] }),
    index("member_of").on(t.coachId),
    check("member_role", sql`${t.role} in ('owner', 'coach', 'assistant')`),
  ],
);

/** What is looked up without knowing whose it is, by the hash of a token: the club it belongs to, and what it opens there. */
export const entry = pgTable(
  "entry",
  {
    tokenHash: text("token_hash").primaryKey(),
    kind: text("kind").$type<"link" | "invitation" | "wall" | "pass">().notNull(),
    clubId: clubId(),
    target: uuid("target").notNull(),
  },
  (t) => [
    index("entry_target").on(t.clubId, t.target),
    check("entry_kind", sql`${t.kind} in ('link', 'invitation', 'wall', 'pass')`),
  ],
);

/** Somebody is asked into a club, by an address that opens once. It is found by the hash of its token, which is in its entry. */
export const invitation = pgTable(
  "invitation",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    madeBy: madeBy(),
    role: text("role").$type<Role>().notNull(),
    until: moment("until").notNull(),
    usedBy: text("used_by").references(() => coach.id, { onDelete: "set null" }),
    usedAt: moment("used_at"),
    createdAt: made(),
  },
  (t) => [
    primaryKey({ name: "invitation_pk", columns: [t.clubId, t.id] }),
    check("invitation_role", sql`${t.role} in ('owner', 'coach', 'assistant')`),
  ],
);

/** Facts about this database, such as that the demo data has been loaded. */
export const about = pgTable("about", { key: text("key").primaryKey(), value: text("value").notNull() });
