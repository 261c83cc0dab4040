import { now } from "~/core/clock/clock";
import { and, count, desc, eq, gt, lt } from "drizzle-orm";
import type { MessageText } from "~/core/mail/messages";
import type { Db } from "./client";
import { message } from "./schema";

export type Message = {
  id: string;
  kind: MessageText["kind"];
  recipient: string;
  subject: string;
  body: string;
  createdAt: Date;
};

/** Messages that anybody can have sent to an address within an hour: more would be a nuisance to whoever it belongs to. */
export const MESSAGES_AN_HOUR = 4;
const HOUR_MS = 3_600_000;
/** How long a message is kept, in days. */
export const KEPT_DAYS = 60;
const PAGE = 20;

const columns = {
  id: message.id,
  kind: message.kind,
  recipient: message.recipient,
  subject: message.subject,
  body: message.body,
  createdAt: message.createdAt,
};

/** Writes to somebody. The same key is written once. Returns false where nothing was written. */
export async function writeTo(db: Db, recipient: string, key: string, text: MessageText): Promise<boolean> {
  const to = recipient.toLowerCase();
  const written = await db
    .insert(message)
    .values({ key, recipient: to, kind: text.kind, subject: text.subject, body: text.body })
    .onConflictDoNothing()
    .returning({ id: message.id });
  return written.length > 0;
}

/** Whether an address has had as many messages as anybody may have sent to it for now. */
export async function hasHadEnough(db: Db, recipient: string): Promise<boolean> {
  const [{ had }] = (await db
    .select({ had: count() })
    .from(message)
    .where(and(eq(message.recipient, recipient.toLowerCase()), gt(message.createdAt, new Date(now() - HOUR_MS))))) as [
    { had: number },
  ];
  return had >= MESSAGES_AN_HOUR;
}

/** What was written to an address, newest first, a page at a time, and whether there is more. */
export async function messagesTo(
  db: Db,
  recipient: string,
  page: number,
): Promise<{ messages: Message[]; more: boolean }> {
  const found = await db
    .select(columns)
    .from(message)
    .where(eq(message.recipient, recipient.toLowerCase()))
    .orderBy(desc(message.createdAt), desc(message.id))
    .limit(PAGE + 1)
    .offset(page * PAGE);
  return { messages: found.slice(0, PAGE), more: found.length > PAGE };
}

/** Everything in the tray, oldest first, for whoever runs this Mapset on the machine itself. */
export async function allMessages(db: Db, to?: string): Promise<Message[]> {
  return db
    .select(columns)
    .from(message)
    .where(to ? eq(message.recipient, to.toLowerCase()) : undefined)
    .orderBy(message.createdAt, message.id);
}

export async function dropOldMessages(db: Db): Promise<void> {
  await db.delete(message).where(lt(message.createdAt, new Date(now() - KEPT_DAYS * 24 * HOUR_MS)));
}
