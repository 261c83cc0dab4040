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
  smallint,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import type { Tightness } from "~/core/checkin/schema";
import type { Choice } from "~/core/group/choices";
import type { Setting } from "~/core/documents/setting";
import type { Marks } from "~/core/saving/fields";
import type { Summary } from "~/core/profile/summary";
import type { Lock } from "~/core/session/locks";
import type { Accepted } from "~/core/audit/accepted";
import type { Protects } from "~/core/group/protect";
import type { GroupSetting } from "~/core/group/schema";
import type { Purpose } from "~/core/session/schema";
import type { MessageKind } from "~/core/mail/messages";
import type { LevelLines } from "~/core/stress/attach";
import type { Role } from "~/core/club/role";
import { KEPT_MONTHS } from "~/core/club/keeping";
import { nowDate } from "~/core/clock/clock";

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
/** This moment by Mapset's clock; by the database's for what is written past it. */
const now = (name: string) => moment(name).notNull().defaultNow().$defaultFn(nowDate);
const made = () => now("created_at");
const changed = () => now("updated_at");
/** Everything a club has belongs to it by this, and by nothing else. */
const clubId = () =>
  uuid("club_id")
    .notNull()
    .references(() => club.id, { onDelete: "cascade" });
/** Who made it, as long as they have an account. */
const madeBy = () => text("made_by").references(() => coach.id, { onDelete: "set null" });

/** Accounts, kept by the accounts library. */
export const coach = pgTable("coach", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  email: text("email").notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  createdAt: made(),
  updatedAt: changed(),
});

/** Who is signed in. The token is stored hashed. */
export const signIn = pgTable(
  "sign_in",
  {
    id: text("id").primaryKey(),
    expiresAt: moment("expires_at").notNull(),
    token: text("token_hash").notNull().unique(),
    createdAt: made(),
    updatedAt: changed(),
    ipAddress: text("ip_address"),
    userAgent: text("user_agent"),
    userId: text("coach_id")
      .notNull()
      .references(() => coach.id, { onDelete: "cascade" }),
  },
  (t) => [index("sign_in_coach").on(t.userId)],
);

/** Hashed passwords. */
export const credential = pgTable(
  "credential",
  {
    id: text("id").primaryKey(),
    accountId: text("account_id").notNull(),
    providerId: text("provider_id").notNull(),
    userId: text("coach_id")
      .notNull()
      .references(() => coach.id, { onDelete: "cascade" }),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: moment("access_token_expires_at"),
    refreshTokenExpiresAt: moment("refresh_token_expires_at"),
    scope: text("scope"),
    password: text("password"),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [index("credential_coach").on(t.userId)],
);

/** What an address in a message opens, by the hash of it, and for whom. */
export const verification = pgTable(
  "verification",
  {
    id: text("id").primaryKey(),
    identifier: text("identifier").notNull(),
    value: text("value").notNull(),
    expiresAt: moment("expires_at").notNull(),
    createdAt: made(),
    updatedAt: changed(),
  },
  (t) => [index("verification_of").on(t.identifier)],
);

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
    kind: text("kind").$type<"link" | "invitation">().notNull(),
    clubId: clubId(),
    target: uuid("target").notNull(),
  },
  (t) => [index("entry_target").on(t.clubId, t.target), check("entry_kind", sql`${t.kind} in ('link', 'invitation')`)],
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
    /** Who it is for and what is asked of it; findings of the audit the coach lets stand. Beside the document, which has no place for them. */
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
    /** What the coach let stand when it was handed out, and why. */
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

/** One person following an edition once. `clientKey` is made on their device, so that a message sent twice counts once. */
export const run = pgTable(
  "run",
  {
    clubId: clubId(),
    id: uuid("id").notNull().defaultRandom(),
    linkId: uuid("link_id").notNull(),
    clientKey: uuid("client_key").notNull(),
    personId: uuid("person_id"),
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
    pain: boolean("pain").notNull(),
    painWhere: text("pain_where"),
    note: text("note"),
    /** When it was given, as well as that is known; by the device's own clock, where it said; and when it arrived. */
    sentAt: now("sent_at"),
    deviceAt: moment("device_at"),
    arrivedAt: now("arrived_at"),
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
    check("check_in_pain_where", sql`length(${t.painWhere}) <= 120`),
  ],
);

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

/** Facts about this database, such as that the demo data has been loaded. */
export const about = pgTable("about", { key: text("key").primaryKey(), value: text("value").notNull() });

/** What was written to somebody. Without a mail server it stays here, in the tray that ships with Mapset, and is read there. */
export const message = pgTable(
  "message",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    /** What it is about: the same thing is written once. */
    key: text("key").notNull().unique(),
    kind: text("kind").$type<MessageKind>().notNull(),
    /** An e-mail address, in lower case. */
    recipient: text("recipient").notNull(),
    subject: text("subject").notNull(),
    body: text("body").notNull(),
    createdAt: made(),
  },
  (t) => [index("message_to").on(t.recipient, t.createdAt)],
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
