import { betterAuth } from "better-auth";
import { lt } from "drizzle-orm";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import type { Db } from "./client";
import { hashSessionTokens } from "./hashed-tokens";
import { coach, credential, signIn, verification } from "./schema";

export type AccountSettings = {
  /** Signs cookies and works out link tokens; at least 32 characters, never in the tree. */
  secret: string;
  /** The address people reach Mapset at; `https` makes the cookies secure-only. */
  baseUrl: string;
};

const WEEK_SECONDS = 7 * 24 * 3600;

export const SHORTEST_PASSWORD = 10;

/** Coaches' accounts and who is signed in. Passwords are hashed by the library (scrypt), session tokens before they are stored. */
export function openAccounts(db: Db, settings: AccountSettings) {
  return betterAuth({
    secret: settings.secret,
    baseURL: settings.baseUrl,
    telemetry: { enabled: false },
    database: hashSessionTokens(drizzleAdapter(db, { provider: "pg", schema: { user: coach, session: signIn, account: credential, verification } })),
    emailAndPassword: { enabled: true, minPasswordLength: SHORTEST_PASSWORD, maxPasswordLength: 128, autoSignIn: true },
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
            await db.delete(signIn).where(lt(signIn.expiresAt, new Date()));
            // What a browser calls itself says who someone is, and nothing here needs it.
            return { data: { ...session, userAgent: null, ipAddress: null } };
          },
        },
      },
    },
    // Sign-in is limited in app/server/limits.ts, for every way in.
    rateLimit: { enabled: false },
    logger: { level: "error" },
  });
}

export type Accounts = ReturnType<typeof openAccounts>;
