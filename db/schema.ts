import { sql } from "drizzle-orm";
import {
  boolean, check, doublePrecision, foreignKey, index, integer, jsonb, pgTable, primaryKey, smallint, text, timestamp, unique, uuid,
} from "drizzle-orm/pg-core";
import type { Edition } from "~/core/edition/edition";
import type { Tightness } from "~/core/checkin/schema";
import type { Choice } from "~/core/group/choices";
import type { Lock } from "~/core/session/locks";
import type { Accepted } from "~/core/audit/accepted";
import type { Demand } from "~/core/demands/schema";
import type { Protects } from "~/core/group/protect";
import type { Drill } from "~/core/drills/schema";
import type { KeptRequest } from "~/core/draft/request";
import type { GroupSetting } from "~/core/group/schema";
import type { Purpose, Session } from "~/core/session/schema";
import type { MessageKind } from "~/core/mail/messages";
import type { LevelLines } from "~/core/stress/attach";

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const made = () => moment("created_at").notNull().defaultNow();
const changed = () => moment("updated_at").notNull().defaultNow();
const ownerId = () => text("owner_id").notNull().references(() => coach.id, { onDelete: "cascade" });

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
export const signIn = pgTable("sign_in", {
  id: text("id").primaryKey(),
  expiresAt: moment("expires_at").notNull(),
  token: text("token_hash").notNull().unique(),
  createdAt: made(),
  updatedAt: changed(),
  ipAddress: text("ip_address"),
  userAgent: text("user_agent"),
  userId: text("coach_id").notNull().references(() => coach.id, { onDelete: "cascade" }),
}, (t) => [index("sign_in_coach").on(t.userId)]);

/** Hashed passwords. */
export const credential = pgTable("credential", {
  id: text("id").primaryKey(),
  accountId: text("account_id").notNull(),
  providerId: text("provider_id").notNull(),
  userId: text("coach_id").notNull().references(() => coach.id, { onDelete: "cascade" }),
  accessToken: text("access_token"),
  refreshToken: text("refresh_token"),
  idToken: text("id_token"),
  accessTokenExpiresAt: moment("access_token_expires_at"),
  refreshTokenExpiresAt: moment("refresh_token_expires_at"),
  scope: text("scope"),
  password: text("password"),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [index("credential_coach").on(t.userId)]);

/** What an address in a message opens, by the hash of it, and for whom. */
export const verification = pgTable("verification", {
  id: text("id").primaryKey(),
  identifier: text("identifier").notNull(),
  value: text("value").notNull(),
  expiresAt: moment("expires_at").notNull(),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [index("verification_of").on(t.identifier)]);

/** A squad or class. */
export const team = pgTable("team", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  name: text("name").notNull(),
  /** Kit, floor and caps of the group, and what all of it protects. */
  setting: jsonb("setting").$type<GroupSetting>().notNull().default({}),
  createdAt: made(),
}, (t) => [
  unique("team_owner").on(t.id, t.ownerId),
  check("team_name", sql`length(${t.name}) between 1 and 80`),
]);

/** Someone in a team: initials or a nickname, no more. */
export const athlete = pgTable("athlete", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  teamId: uuid("team_id").notNull(),
  name: text("name").notNull(),
  /** What they protect; no other health detail. */
  areas: jsonb("areas").$type<Protects[]>().notNull().default([]),
  archivedAt: moment("archived_at"),
  createdAt: made(),
}, (t) => [
  unique("athlete_owner").on(t.id, t.ownerId),
  foreignKey({ name: "athlete_team", columns: [t.teamId, t.ownerId], foreignColumns: [team.id, team.ownerId] }).onDelete("cascade"),
  check("athlete_name", sql`length(${t.name}) between 1 and 40`),
]);

/** A session as the coach is working on it. What is beside the document is taken from it, for lists. */
export const trainingSession = pgTable("training_session", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  doc: jsonb("doc").$type<Session>().notNull(),
  revision: integer("revision").notNull().default(1),
  title: text("title").notNull(),
  purpose: text("purpose").$type<Purpose>().notNull(),
  totalSeconds: doublePrecision("total_seconds").notNull(),
  /** Who it is for and what is asked of it; findings of the audit the coach lets stand. Beside the document, which has no place for them. */
  teamId: uuid("team_id").references(() => team.id, { onDelete: "set null" }),
  demandId: text("demand_id"),
  accepted: jsonb("accepted").$type<Accepted[]>().notNull().default([]),
  /** Drills that fitting to a time leaves as they are. */
  locks: jsonb("locks").$type<Lock[]>().notNull().default([]),
  /** What the coach chose for single people in place of a drill. */
  choices: jsonb("choices").$type<Choice[]>().notNull().default([]),
  /** Offered as a beginning for new sessions. */
  template: boolean("template").notNull().default(false),
  archivedAt: moment("archived_at"),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [
  unique("training_session_owner").on(t.id, t.ownerId),
  index("training_session_list").on(t.ownerId, t.updatedAt),
  check("training_session_total", sql`${t.totalSeconds} >= 0`),
  check("training_session_demand", sql`length(${t.demandId}) <= 80`),
]);

/** A session as it was handed out. Rows never change; a trigger in the migrations sees to it. */
export const edition = pgTable("edition", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  sessionId: uuid("session_id").notNull(),
  number: integer("number").notNull(),
  doc: jsonb("doc").$type<Edition>().notNull(),
  totalSeconds: doublePrecision("total_seconds").notNull(),
  /** What the coach let stand when it was handed out, and why. */
  accepted: jsonb("accepted").$type<Accepted[]>().notNull().default([]),
  /** What was chosen for single people when it was handed out. */
  choices: jsonb("choices").$type<Choice[]>().notNull().default([]),
  createdAt: made(),
}, (t) => [
  unique("edition_number").on(t.sessionId, t.number),
  unique("edition_owner").on(t.id, t.ownerId),
  foreignKey({ name: "edition_session", columns: [t.sessionId, t.ownerId], foreignColumns: [trainingSession.id, trainingSession.ownerId] }).onDelete("cascade"),
]);

/** An address that opens an edition. Only the hash of its token is stored. */
export const link = pgTable("link", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  editionId: uuid("edition_id").notNull(),
  teamId: uuid("team_id"),
  tokenHash: text("token_hash").notNull().unique(),
  createdAt: made(),
  withdrawnAt: moment("withdrawn_at"),
  openings: integer("openings").notNull().default(0),
  openedAt: moment("opened_at"),
  /** Runs beyond all that are kept of one link, of which nothing is known but that they were. */
  uncounted: integer("uncounted").notNull().default(0),
}, (t) => [
  unique("link_owner").on(t.id, t.ownerId),
  foreignKey({ name: "link_edition", columns: [t.editionId, t.ownerId], foreignColumns: [edition.id, edition.ownerId] }).onDelete("cascade"),
  foreignKey({ name: "link_team", columns: [t.teamId], foreignColumns: [team.id] }).onDelete("set null"),
  index("link_by_edition").on(t.editionId),
]);

/** One person following an edition once. `clientKey` is made on their device, so that a message sent twice counts once. */
export const run = pgTable("run", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  linkId: uuid("link_id").notNull(),
  clientKey: uuid("client_key").notNull(),
  athleteId: uuid("athlete_id"),
  name: text("name").notNull(),
  startedAt: moment("started_at").notNull().defaultNow(),
  updatedAt: changed(),
  finishedAt: moment("finished_at"),
  shareDone: doublePrecision("share_done").notNull().default(0),
  /** Beyond what its link usually gets in an hour: kept, and listed under its link instead of among the others. */
  folded: boolean("folded").notNull().default(false),
  /** Taken off the list by the coach. */
  removedAt: moment("removed_at"),
  /** Marked by the coach as somebody else's, who chose this name. */
  notTheirs: boolean("not_theirs").notNull().default(false),
}, (t) => [
  unique("run_client_key").on(t.linkId, t.clientKey),
  unique("run_owner").on(t.id, t.ownerId),
  foreignKey({ name: "run_link", columns: [t.linkId, t.ownerId], foreignColumns: [link.id, link.ownerId] }).onDelete("cascade"),
  foreignKey({ name: "run_athlete", columns: [t.athleteId], foreignColumns: [athlete.id] }).onDelete("set null"),
  check("run_name", sql`length(${t.name}) between 1 and 40`),
  check("run_share", sql`${t.shareDone} between 0 and 1`),
  index("run_recent").on(t.ownerId, t.startedAt),
  index("run_of_link").on(t.linkId, t.startedAt),
]);

/** What someone said afterwards; one for each run. */
export const checkIn = pgTable("check_in", {
  runId: uuid("run_id").primaryKey(),
  ownerId: ownerId(),
  hard: smallint("hard"),
  tightness: jsonb("tightness").$type<Tightness[]>().notNull().default([]),
  pain: boolean("pain").notNull(),
  painWhere: text("pain_where"),
  note: text("note"),
  sentAt: moment("sent_at").notNull().defaultNow(),
  seenAt: moment("seen_at"),
}, (t) => [
  foreignKey({ name: "check_in_run", columns: [t.runId, t.ownerId], foreignColumns: [run.id, run.ownerId] }).onDelete("cascade"),
  check("check_in_hard", sql`${t.hard} between 0 and 10`),
  check("check_in_note", sql`length(${t.note}) <= 500`),
  check("check_in_pain_where", sql`length(${t.painWhere}) <= 120`),
]);

/** A drill a coach has made. What it says is in its revisions; `revision` is the newest. */
export const ownDrill = pgTable("own_drill", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  name: text("name").notNull(),
  revision: integer("revision").notNull().default(1),
  archivedAt: moment("archived_at"),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [
  unique("own_drill_owner").on(t.id, t.ownerId),
  index("own_drill_list").on(t.ownerId, t.updatedAt),
  check("own_drill_name", sql`length(${t.name}) between 3 and 80`),
]);

/** One state of an own drill, as sessions and editions use it. Rows never change; a trigger in the migrations sees to it. */
export const ownDrillRevision = pgTable("own_drill_revision", {
  drillId: uuid("drill_id").notNull(),
  number: integer("number").notNull(),
  ownerId: ownerId(),
  doc: jsonb("doc").$type<Drill>().notNull(),
  /** Of what it says, whatever the id it is used by: by this a drill that is brought a second time is known. */
  contentHash: text("content_hash").generatedAlwaysAs(sql`md5((doc - 'id')::text)`),
  createdAt: made(),
}, (t) => [
  primaryKey({ name: "own_drill_revision_pk", columns: [t.drillId, t.number] }),
  foreignKey({ name: "own_drill_revision_drill", columns: [t.drillId, t.ownerId], foreignColumns: [ownDrill.id, ownDrill.ownerId] }).onDelete("cascade"),
  index("own_drill_revision_content").on(t.ownerId, t.contentHash),
  check("own_drill_revision_number", sql`${t.number} >= 1`),
]);

/** What the levels of a revision stress, worked out from its drawing; made anew when the way it is worked out changes. */
export const ownDrillStress = pgTable("own_drill_stress", {
  drillId: uuid("drill_id").notNull(),
  number: integer("number").notNull(),
  ownerId: ownerId(),
  /** The way it was worked out. */
  rules: text("rules").notNull(),
  levels: jsonb("levels").$type<Partial<LevelLines>>().notNull(),
}, (t) => [
  primaryKey({ name: "own_drill_stress_pk", columns: [t.drillId, t.number] }),
  foreignKey({ name: "own_drill_stress_drill", columns: [t.drillId, t.ownerId], foreignColumns: [ownDrill.id, ownDrill.ownerId] }).onDelete("cascade"),
  index("own_drill_stress_owner").on(t.ownerId),
]);

/** A demand profile a coach has made or changed. */
export const ownDemand = pgTable("own_demand", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  doc: jsonb("doc").$type<Demand>().notNull(),
  name: text("name").notNull(),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [
  unique("own_demand_owner").on(t.id, t.ownerId),
  index("own_demand_list").on(t.ownerId, t.name),
  check("own_demand_name", sql`length(${t.name}) between 3 and 80`),
]);

/** Facts about this database, such as that the demo data has been loaded. */
export const about = pgTable("about", { key: text("key").primaryKey(), value: text("value").notNull() });

/** What was written to somebody. Without a mail server it stays here, in the tray that ships with Mapset, and is read there. */
export const message = pgTable("message", {
  id: uuid("id").primaryKey().defaultRandom(),
  /** What it is about: the same thing is written once. */
  key: text("key").notNull().unique(),
  kind: text("kind").$type<MessageKind>().notNull(),
  /** An e-mail address, in lower case. */
  recipient: text("recipient").notNull(),
  subject: text("subject").notNull(),
  body: text("body").notNull(),
  createdAt: made(),
}, (t) => [index("message_to").on(t.recipient, t.createdAt)]);

/** A request for drafts, kept to be used again. Who it is for is kept beside it. */
export const draftRequest = pgTable("draft_request", {
  id: uuid("id").primaryKey().defaultRandom(),
  ownerId: ownerId(),
  title: text("title").notNull(),
  doc: jsonb("doc").$type<KeptRequest>().notNull(),
  teamId: uuid("team_id").references(() => team.id, { onDelete: "set null" }),
  createdAt: made(),
  updatedAt: changed(),
}, (t) => [
  index("draft_request_list").on(t.ownerId, t.updatedAt),
  check("draft_request_title", sql`length(${t.title}) between 1 and 120`),
]);
