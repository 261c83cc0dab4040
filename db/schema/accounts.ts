import { boolean, index, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { changed, made, moment } from "./columns";
import type { MessageKind } from "~/core/mail/messages";

/** Who made it, as long as they have an account. */
export const madeBy = () => text("made_by").references(() => coach.id, { onDelete: "set null" });

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
