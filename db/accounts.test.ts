import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  askForAccount,
  askForPassword,
  changePassword,
  dropWhatRanOut,
  openAccounts,
  passwordAskedFor,
  signedInElsewhere,
  signOutElsewhere,
  type Accounts,
} from "./accounts";
import type { Db } from "./client";
import { allMessages, dropOldMessages, MESSAGES_AN_HOUR, messagesTo } from "./messages";
import { club, coach, member, message, signIn, verification } from "./schema";
import { freshDatabase, TEST_SECRET } from "./testing";

const base = { baseUrl: "http://127.0.0.1:1" };
const HOUR_MS = 3_600_000;
let db: Db;
let ana: string;
let end: () => Promise<void>;
let accounts: Accounts;

beforeAll(async () => {
  const fresh = await freshDatabase();
  ({ db, end } = fresh);
  ana = fresh.ana.by!;
  accounts = openAccounts(db, { secret: TEST_SECRET, ...base });
});
afterAll(() => end());

/** What the newest message to somebody opens. */
async function tokenTo(email: string): Promise<string> {
  const [newest] = (await messagesTo(db, email, 0)).messages;
  return /\/password\/([\w-]+)/.exec(newest!.body)![1]!;
}
const choose = (token: string, password: string) =>
  accounts.api.resetPassword({ body: { newPassword: password, token }, asResponse: true });
/** The headers of a browser that has signed in. */
async function signedIn(email: string, password: string): Promise<Headers> {
  const answer = await accounts.api.signInEmail({ body: { email, password }, asResponse: true });
  expect(answer.status).toBe(200);
  return new Headers({
    cookie: answer.headers
      .getSetCookie()
      .map((one) => one.split(";")[0])
      .join("; "),
  });
}
const hereOf = async (headers: Headers) => (await accounts.api.getSession({ headers }))!.session.id;

describe("an account that is asked for", () => {
  it("is nobody's until its message is opened and a password chosen", async () => {
    await askForAccount(db, accounts, base, { name: "Robin", email: "Robin@club.example" });
    const token = await tokenTo("robin@club.example");
    expect(await passwordAskedFor(db, accounts, token)).toEqual({
      name: "Robin",
      email: "robin@club.example",
      first: true,
    });
    expect(
      (
        await accounts.api.signInEmail({
          body: { email: "robin@club.example", password: "tide boot ladder" },
          asResponse: true,
        })
      ).status,
    ).toBe(401);
    expect((await choose(token, "tide boot ladder")).status).toBe(200);
    await signedIn("robin@club.example", "tide boot ladder");
  });
  it("is opened once", async () => {
    await askForAccount(db, accounts, base, { name: "Once", email: "once@club.example" });
    const token = await tokenTo("once@club.example");
    await choose(token, "tide boot ladder");
    expect((await choose(token, "another ladder boot")).status).toBe(400);
    expect(await passwordAskedFor(db, accounts, token)).toBeUndefined();
  });
  it("by somebody else before is theirs who opens it: no password waits, and the name is the last that was said", async () => {
    await askForAccount(db, accounts, base, { name: "Stranger", email: "victim@club.example" });
    const first = await tokenTo("victim@club.example");
    await askForAccount(db, accounts, base, { name: "Victim", email: "victim@club.example" });
    const second = await tokenTo("victim@club.example");
    expect((await passwordAskedFor(db, accounts, second))?.name).toBe("Victim");
    await choose(second, "tide boot ladder");
    // The other address opens nothing any more.
    expect((await choose(first, "another ladder boot")).status).toBe(400);
  });
  it("that there is already changes nothing, and only its address is told", async () => {
    await askForAccount(db, accounts, base, { name: "Stranger", email: "ana@club.example" });
    const { body, kind } = (await messagesTo(db, "ana@club.example", 0)).messages[0]!;
    expect(kind).toBe("already-here");
    expect(body).not.toContain("/password/");
    expect(body).not.toContain("Stranger");
    expect((await db.select().from(coach).where(eq(coach.id, ana)))[0]!.name).toBe("ana");
    await signedIn("ana@club.example", "ana has a long password");
  });
  it("by many at the same moment is one", async () => {
    await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        askForAccount(db, accounts, base, { name: `N${i}`, email: "many@club.example" }),
      ),
    );
    expect(await db.select().from(coach).where(eq(coach.email, "many@club.example"))).toHaveLength(1);
  });
});

describe("a forgotten password", () => {
  it("is chosen anew, and whoever was signed in is signed out", async () => {
    const before = await signedIn("ben@club.example", "ben has a long password");
    await askForPassword(db, accounts, "ben@club.example");
    expect((await choose(await tokenTo("ben@club.example"), "another ladder boot")).status).toBe(200);
    expect(await accounts.api.getSession({ headers: before })).toBeNull();
    await signedIn("ben@club.example", "another ladder boot");
    expect((await messagesTo(db, "ben@club.example", 0)).messages.map((one) => one.kind)).toContain("password-changed");
  });
  it("of nobody writes to nobody", async () => {
    await askForPassword(db, accounts, "nobody@club.example");
    expect(await allMessages(db, "nobody@club.example")).toEqual([]);
  });
  it(`is written about ${MESSAGES_AN_HOUR} times an hour, and again after it`, async () => {
    const count = async () => (await allMessages(db, "once@club.example")).length;
    for (let i = 0; i < MESSAGES_AN_HOUR + 3; i++) await askForPassword(db, accounts, "once@club.example");
    expect(await count()).toBe(MESSAGES_AN_HOUR);
    await db
      .update(message)
      .set({ createdAt: new Date(Date.now() - HOUR_MS - 1_000) })
      .where(eq(message.recipient, "once@club.example"));
    await askForPassword(db, accounts, "once@club.example");
    expect(await count()).toBe(MESSAGES_AN_HOUR + 1);
  });
  it("leaves nothing in the database that would open the account", async () => {
    await askForPassword(db, accounts, "victim@club.example");
    const token = await tokenTo("victim@club.example");
    expect(JSON.stringify(await db.select().from(verification))).not.toContain(token);
  });
});

describe("a password that is changed", () => {
  it("signs out everywhere but here, and is written about", async () => {
    const [here, there] = [
      await signedIn("ana@club.example", "ana has a long password"),
      await signedIn("ana@club.example", "ana has a long password"),
    ];
    expect(await changePassword(db, accounts, base, here, { old: "wrong", new: "another ladder boot" })).toBe(false);
    expect(await accounts.api.getSession({ headers: there })).not.toBeNull();
    expect(
      await changePassword(db, accounts, base, here, { old: "ana has a long password", new: "another ladder boot" }),
    ).toBe(true);
    expect(await accounts.api.getSession({ headers: there })).toBeNull();
    expect(await accounts.api.getSession({ headers: here })).not.toBeNull();
    expect((await messagesTo(db, "ana@club.example", 0)).messages[0]!.kind).toBe("password-changed");
  });
  it("can be signed out elsewhere without changing it, and nobody else is", async () => {
    const [here, there, other] = [
      await signedIn("ana@club.example", "another ladder boot"),
      await signedIn("ana@club.example", "another ladder boot"),
      await signedIn("ben@club.example", "another ladder boot"),
    ];
    const id = await hereOf(here);
    expect(await signedInElsewhere(db, ana, id)).not.toHaveLength(0);
    await signOutElsewhere(db, ana, id);
    expect(await signedInElsewhere(db, ana, id)).toEqual([]);
    expect(await accounts.api.getSession({ headers: there })).toBeNull();
    expect(await accounts.api.getSession({ headers: other })).not.toBeNull();
  });
});

describe("sweeping out", () => {
  const age = (email: string, hours: number) =>
    db
      .update(coach)
      .set({ createdAt: new Date(Date.now() - hours * HOUR_MS) })
      .where(eq(coach.email, email));
  const there = async (email: string) => (await db.select().from(coach).where(eq(coach.email, email))).length === 1;
  it("takes accounts that nobody opened after two days, and no others", async () => {
    for (const email of ["fresh@club.example", "stale@club.example"])
      await askForAccount(db, accounts, base, { name: "X", email });
    await age("fresh@club.example", 47);
    for (const email of ["stale@club.example", "ana@club.example"]) await age(email, 49);
    await db.update(verification).set({ expiresAt: new Date(Date.now() - 1_000) });
    const clubs = async () =>
      new Map(
        (
          await db
            .select({ email: coach.email, name: club.name })
            .from(member)
            .innerJoin(coach, eq(coach.id, member.coachId))
            .innerJoin(club, eq(club.id, member.clubId))
        ).map((one) => [one.email, one.name]),
      );
    const [before, had] = [await db.$count(club), await clubs()];
    expect([had.has("stale@club.example"), had.has("fresh@club.example")]).toEqual([true, true]);
    await dropWhatRanOut(db);
    // With it goes the club that was made for it, and no other.
    expect([
      await db.$count(club),
      (await clubs()).has("fresh@club.example"),
      (await clubs()).has("ana@club.example"),
    ]).toEqual([before - 1, true, true]);
    expect([
      await there("fresh@club.example"),
      await there("stale@club.example"),
      await there("ana@club.example"),
    ]).toEqual([true, false, true]);
    expect(await db.select().from(verification)).toEqual([]);
  });
  it("takes sign-ins that ran out", async () => {
    await db.insert(signIn).values({ id: "old", token: "x", userId: ana, expiresAt: new Date(Date.now() - 1_000) });
    await dropWhatRanOut(db);
    expect((await db.select().from(signIn)).map((one) => one.id)).not.toContain("old");
  });
  it("takes messages after 60 days", async () => {
    const days = (n: number) => new Date(Date.now() - n * 24 * HOUR_MS);
    await db.delete(message);
    for (const n of [59, 61])
      await db.insert(message).values({
        key: String(n),
        kind: "welcome",
        recipient: "x@club.example",
        subject: String(n),
        body: "",
        createdAt: days(n),
      });
    await dropOldMessages(db);
    expect((await allMessages(db)).map((one) => one.subject)).toEqual(["59"]);
  });
});
