import { nowDate } from "~/core/clock/clock";
import { and, eq, lt, ne, sql } from "drizzle-orm";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { hashPassword, verifyPassword } from "better-auth/crypto";
import pLimit from "p-limit";
import {
  alreadyHereMessage,
  LINK_HOURS,
  newPasswordMessage,
  passwordChangedMessage,
  welcomeMessage,
} from "~/core/mail/messages";
import type { Role } from "~/core/club/role";
import type { Db } from "./client";
import { addClub, clubsOf, dropEmptyClubs, type Club } from "./clubs";
import { hashSessionTokens } from "./hashed-tokens";
import { hasHadEnough, KEPT_DAYS, writeTo } from "./messages";
import { coach, credential, invitation, member, signIn, verification } from "./schema";
import { tokenHash } from "./tokens";

export type AccountSettings = {
  /** Signs cookies and works out link tokens; at least 32 characters, never in the tree. */
  secret: string;
  /** The address people reach Mapset at; `https` makes the cookies secure-only. */
  baseUrl: string;
  /** What is told of the library's own troubles: never who it was about. */
  onTrouble?: () => void;
};

const WEEK_SECONDS = 7 * 24 * 3600;
const HOUR_MS = 3_600_000;

const hashing = pLimit(1);

export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 128;

/**
 * Coaches' accounts and who is signed in. Passwords are hashed by the library (scrypt); session tokens, and what an address
 * in a message carries, before they are stored.
 */
export function openAccounts(db: Db, settings: AccountSettings) {
  return betterAuth({
    secret: settings.secret,
    baseURL: settings.baseUrl,
    telemetry: { enabled: false },
    database: hashSessionTokens(
      drizzleAdapter(db, {
        provider: "pg",
        schema: { user: coach, session: signIn, account: credential, verification },
      }),
    ),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: SHORTEST_PASSWORD,
      maxPasswordLength: LONGEST_PASSWORD,
      // Hashing takes a core and 16 MB for a tenth of a second: one after the other, so that who only wants an answer isn’t kept waiting.
      password: {
        hash: (password) => hashing(() => hashPassword(password)),
        verify: ({ hash, password }) => hashing(() => verifyPassword({ hash, password })),
      },
      autoSignIn: true,
      resetPasswordTokenExpiresIn: LINK_HOURS * 3600,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user, token }) => {
        const address = `${settings.baseUrl}/password/${token}`;
        const message = user.emailVerified
          ? newPasswordMessage({ name: user.name, address })
          : welcomeMessage({ name: user.name, address });
        await writeTo(db, user.email, `${message.kind}:${tokenHash(token)}`, message);
      },
      onPasswordReset: async ({ user }) => {
        // Whoever opened the message has shown that the address is theirs; other messages about it open nothing any more.
        await db.update(coach).set({ emailVerified: true }).where(eq(coach.id, user.id));
        await db.delete(verification).where(eq(verification.value, user.id));
        if (user.emailVerified) await tellOfNewPassword(db, settings.baseUrl, user);
      },
    },
    verification: { storeIdentifier: "hashed" },
    session: { expiresIn: 4 * WEEK_SECONDS, updateAge: 24 * 3600, cookieCache: { enabled: false } },
    advanced: {
      cookiePrefix: "mapset",
      useSecureCookies: settings.baseUrl.startsWith("https:"),
      defaultCookieAttributes: { httpOnly: true, sameSite: "lax", path: "/" },
      ipAddress: { disableIpTracking: true },
    },
    databaseHooks: {
      session: {
        create: {
          before: async (session) => {
            // Whoever signs in sweeps out what nobody can be signed in with any more.
            await db.delete(signIn).where(lt(signIn.expiresAt, nowDate()));
            // What a browser calls itself says who someone is, and nothing here needs it.
            return { data: { ...session, userAgent: null, ipAddress: null } };
          },
        },
      },
    },
    // Sign-in is limited in app/server/limits.ts, for every way in.
    rateLimit: { enabled: false },
    // Its own words may hold addresses and what a query was asked with.
    logger: { level: "error", log: () => settings.onTrouble?.() },
  });
}

export type Accounts = ReturnType<typeof openAccounts>;

/** Makes an account that needs no message, with a club of its own, or in one there is: for the demo and for tests. */
export async function makeAccount(
  db: Db,
  accounts: Accounts,
  {
    clubName,
    joins,
    ...who
  }: { name: string; email: string; password: string; clubName?: string; joins?: { club: Club; role: Role } },
): Promise<{ id: string; club: Club }> {
  const { user } = await accounts.api.signUpEmail({ body: who });
  await db.update(coach).set({ emailVerified: true }).where(eq(coach.id, user.id));
  if (joins) {
    await db.insert(member).values({ clubId: joins.club.id, coachId: user.id, role: joins.role });
    return { id: user.id, club: joins.club };
  }
  return { id: user.id, club: await addClub(db, user.id, clubName ?? who.name) };
}

/**
 * Somebody asks for an account with an address. Whether there is one already is told to the address only. There is no
 * password yet: whoever opens the message chooses it, so that nobody can have one waiting for an address that is not theirs.
 */
export async function askForAccount(
  db: Db,
  accounts: Accounts,
  settings: Pick<AccountSettings, "baseUrl">,
  who: { name: string; email: string },
): Promise<void> {
  const email = who.email.toLowerCase();
  if (await hasHadEnough(db, email)) return;
  await db.transaction(async (tx) => {
    const [made] = await tx
      .insert(coach)
      .values({ id: crypto.randomUUID(), name: who.name, email })
      .onConflictDoNothing()
      .returning({ id: coach.id });
    if (made) await addClub(tx, made.id, who.name);
  });
  // Nobody's account until it is opened: it has the name it was asked for with last.
  await db
    .update(coach)
    .set({ name: who.name })
    .where(and(eq(coach.email, email), eq(coach.emailVerified, false)));
  const [found] = await db.select().from(coach).where(eq(coach.email, email));
  if (found?.emailVerified) {
    const message = alreadyHereMessage({
      name: found.name,
      signIn: `${settings.baseUrl}/sign-in`,
      forgotten: `${settings.baseUrl}/forgotten`,
    });
    await writeTo(db, email, `already-here:${crypto.randomUUID()}`, message);
  } else await accounts.api.requestPasswordReset({ body: { email } });
}

/** Somebody says they have forgotten the password of an address. What comes of it is told to the address only. */
export async function askForPassword(db: Db, accounts: Accounts, email: string): Promise<void> {
  if (await hasHadEnough(db, email)) return;
  await accounts.api.requestPasswordReset({ body: { email: email.toLowerCase() } });
}

/** Whose password an address in a message lets one choose, and whether it is the first; undefined where it opens nothing any more. */
export async function passwordAskedFor(
  db: Db,
  accounts: Accounts,
  token: string,
): Promise<{ name: string; email: string; first: boolean } | undefined> {
  const { internalAdapter } = await accounts.$context;
  const asked = await internalAdapter.findVerificationValue(`reset-password:${token}`);
  if (!asked || asked.expiresAt < nowDate()) return undefined;
  const [found] = await db.select().from(coach).where(eq(coach.id, asked.value));
  return found && { name: found.name, email: found.email, first: !found.emailVerified };
}

/** Changes the password of whoever is signed in, and signs out everybody else who was with the old one. Returns false where the old one is not right. */
export async function changePassword(
  db: Db,
  accounts: Accounts,
  settings: Pick<AccountSettings, "baseUrl">,
  headers: Headers,
  asked: { old: string; new: string },
): Promise<boolean> {
  const answer = await accounts.api.changePassword({
    body: { currentPassword: asked.old, newPassword: asked.new, revokeOtherSessions: false },
    headers,
    asResponse: true,
  });
  if (!answer.ok) return false;
  const here = await accounts.api.getSession({ headers });
  if (here) {
    await signOutElsewhere(db, here.user.id, here.session.id);
    // A message that was on its way to choose another one opens nothing any more.
    await db.delete(verification).where(eq(verification.value, here.user.id));
    await tellOfNewPassword(db, settings.baseUrl, here.user);
  }
  return true;
}

async function tellOfNewPassword(db: Db, baseUrl: string, who: { name: string; email: string }): Promise<void> {
  await writeTo(
    db,
    who.email,
    `password-changed:${crypto.randomUUID()}`,
    passwordChangedMessage({ name: who.name, forgotten: `${baseUrl}/forgotten` }),
  );
}

/** Where else somebody is signed in: since when, and when they were last there (to the day). Newest first. */
export async function signedInElsewhere(
  db: Db,
  coachId: string,
  here: string,
): Promise<{ since: Date; lastSeen: Date }[]> {
  return db
    .select({ since: signIn.createdAt, lastSeen: signIn.updatedAt })
    .from(signIn)
    .where(
      and(
        eq(signIn.userId, coachId),
        ne(signIn.id, here),
        sql`${signIn.expiresAt} > ${nowDate().toISOString()}::timestamptz`,
      ),
    )
    .orderBy(sql`${signIn.updatedAt} desc`)
    .limit(50);
}

/** Signs somebody out everywhere but here. Returns from how many places. */
export async function signOutElsewhere(db: Db, coachId: string, here: string): Promise<number> {
  return (
    await db
      .delete(signIn)
      .where(and(eq(signIn.userId, coachId), ne(signIn.id, here)))
      .returning({ id: signIn.id })
  ).length;
}

export async function renameCoach(db: Db, coachId: string, name: string): Promise<void> {
  await db.update(coach).set({ name, updatedAt: nowDate() }).where(eq(coach.id, coachId));
}

/** Sweeps out what has run out: sign-ins, what messages opened, invitations, accounts that were asked for and never opened. */
export async function dropWhatRanOut(db: Db): Promise<void> {
  const now = nowDate();
  await db.delete(signIn).where(lt(signIn.expiresAt, now));
  await db.delete(verification).where(lt(verification.expiresAt, now));
  await db.delete(invitation).where(lt(invitation.until, new Date(now.getTime() - KEPT_DAYS * 24 * HOUR_MS)));
  const never = await db
    .select({ id: coach.id })
    .from(coach)
    .where(
      and(
        eq(coach.emailVerified, false),
        lt(coach.createdAt, new Date(now.getTime() - 2 * LINK_HOURS * HOUR_MS)),
        sql`not exists (select 1 from ${verification} where ${verification.value} = ${coach.id})`,
        sql`not exists (select 1 from ${credential} where ${credential.userId} = ${coach.id})`,
      ),
    );
  for (const { id } of never)
    await db.transaction(async (tx) => {
      const clubs = (await clubsOf(tx, id)).map((one) => one.club);
      // One that is opened in this very moment stays, with its club.
      const gone = await tx
        .delete(coach)
        .where(and(eq(coach.id, id), eq(coach.emailVerified, false)))
        .returning({ id: coach.id });
      if (gone.length > 0) await dropEmptyClubs(tx, clubs);
    });
}
