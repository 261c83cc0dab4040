import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { clubsOf } from "~/db/clubs";
import { invite } from "~/db/members";
import { messagesTo } from "~/db/messages";
import { coach } from "~/db/schema";
import { TEST_SECRET } from "~/db/testing";
import {
  ANA,
  BEN,
  DEMO,
  fillInSignIn,
  ready,
  signIn,
  signOut,
  startWorld,
  toSessions,
  violations,
  type World,
} from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** The address in the newest message to somebody. */
const addressTo = async (email: string): Promise<string> =>
  /\/password\/[\w-]+/.exec((await messagesTo(world.db, email, 0)).messages[0]!.body)![0];

async function askForAccount(page: Page, name: string, email: string): Promise<string> {
  await page.goto("/sign-up");
  await ready(page);
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("E-mail address").fill(email);
  await page.getByRole("button", { name: "Make account" }).click();
  return (await page.getByRole("status").innerText()).replace(email, "ADDRESS");
}

describe("a new coach", () => {
  it("asks for an account, chooses a password by the message, and is in", async () => {
    const { page } = await world.visitor();
    const said = await askForAccount(page, "Robin", "robin@club.example");
    expect(said).toContain("Look in your mail");
    expect(await violations(page)).toEqual([]);
    await page.goto(await addressTo("robin@club.example"));
    await ready(page);
    await page.getByRole("heading", { name: "Welcome, Robin" }).waitFor();
    await page.getByLabel("Choose a password").fill("robinclub12");
    await page.getByRole("button", { name: "Start coaching" }).click();
    await page.getByText("That is your own name or address").waitFor();
    expect(await violations(page)).toEqual([]);
    await page.getByLabel("Choose a password").fill("tide boot ladder");
    await page.getByRole("button", { name: "Start coaching" }).click();
    await page.waitForURL(/\/today$/);
    // The message is spent, and says so.
    const spent = await page.request.get(await addressTo("robin@club.example"));
    expect(spent.status()).toBe(410);
    expect(await spent.text()).toContain("opens nothing any more");
  });
  it("who was asked into a club comes back to the invitation once there is an account, and to nothing else", async () => {
    const [owner] = await world.db.select({ id: coach.id }).from(coach).where(eq(coach.email, DEMO.email));
    const token = (await invite(world.db, (await clubsOf(world.db, owner!.id))[0]!.club, "assistant", TEST_SECRET))!;
    const { page } = await world.visitor();
    await page.goto(`/join/${token}`);
    await page.waitForURL(/\/sign-in\?back=/);
    await askForAccount(page, "Kim", "kim@club.example");
    await page.goto(await addressTo("kim@club.example"));
    await ready(page);
    await page.getByLabel("Choose a password").fill("tide boot ladder");
    await page.getByRole("button", { name: "Start coaching" }).click();
    await page.getByRole("heading", { name: "Kestrel Sound asks you in" }).waitFor();
    await ready(page);
    await page.getByRole("button", { name: "Join Kestrel Sound" }).click();
    await page.waitForURL(/\/club$/);
    await page.goto("/groups");
    await page.getByRole("link", { name: "Kestrel Sound junior rowers", exact: true }).click();
    await page.getByRole("button", { name: /^What Tern protects/ }).waitFor();
    await ready(page);
    expect(await page.getByRole("button", { name: /^(Add|Rename|Delete|Take|Kit)/ }).count()).toBe(0);
    // A cookie that says another way is not followed.
    const elsewhere = await world.visitor();
    await elsewhere.context.addCookies([
      {
        name: "mapset-asked-in",
        value: encodeURIComponent(Buffer.from(JSON.stringify("//evil.example/join/x")).toString("base64")),
        url: world.base,
      },
    ]);
    await askForAccount(elsewhere.page, "Lou", "lou@club.example");
    await elsewhere.page.goto(await addressTo("lou@club.example"));
    await ready(elsewhere.page);
    await elsewhere.page.getByLabel("Choose a password").fill("tide boot ladder");
    await elsewhere.page.getByRole("button", { name: "Start coaching" }).click();
    await elsewhere.page.waitForURL(/\/today$/);
  });
  it("is answered the same where there is an account already", async () => {
    const { page } = await world.visitor();
    const taken = await askForAccount(page, "Somebody", ANA.email);
    const fresh = await askForAccount(page, "Somebody", "fresh@club.example");
    expect(taken).toBe(fresh);
    // Signing in to what nobody has opened is answered like a wrong password.
    const tried = await Promise.all(
      [ANA.email, "fresh@club.example", "nobody@club.example"].map(async (email) => {
        const answer = await page.request.post("/sign-in", { form: { email, password: "not the password" } });
        return [answer.status(), (await answer.text()).includes("do not go together")];
      }),
    );
    expect(tried).toEqual([
      [400, true],
      [400, true],
      [400, true],
    ]);
  });
});

describe("a forgotten password", () => {
  it("is chosen anew by the message", async () => {
    const { page } = await world.visitor();
    await page.goto("/sign-in");
    await ready(page);
    await page.getByRole("link", { name: "Forgotten your password?" }).click();
    await page.getByRole("heading", { name: "Forgotten your password?" }).waitFor();
    await page.getByLabel("E-mail address").fill(BEN.email);
    await page.getByRole("button", { name: "Send the message" }).click();
    await page.getByText("Look in your mail").waitFor();
    await page.goto(await addressTo(BEN.email));
    await ready(page);
    await page.getByLabel("New password").fill("another ladder boot");
    await page.getByRole("button", { name: "Save and sign in" }).click();
    await page.waitForURL(/\/today$/);
  });
  it("by an address that opens nothing says what to do, and guessing ends", async () => {
    const { page } = await world.visitor();
    await page.goto("/password/0123456789abcdef0123");
    await page.getByRole("link", { name: "Send a new one" }).waitFor();
    for (const token of ["x", "..", "%20", "a".repeat(200)])
      expect((await page.request.get(`/password/${token}`)).status()).toBeLessThan(500);
    let status = 0;
    for (let i = 0; i < 25 && status !== 429; i++)
      status = (await page.request.get(`/password/guess-guess-guess-${i}`)).status();
    expect(status).toBe(429);
    // A good one is opened all the same.
    await page.request.post("/forgotten", { form: { email: ANA.email } });
    expect((await page.request.get(await addressTo(ANA.email))).status()).toBe(200);
  });
});

describe("an account", () => {
  it("has its name, password and sign-ins changed on one page", async () => {
    const [{ page }, { page: elsewhere }] = [await world.visitor(), await world.visitor()];
    for (const one of [page, elsewhere]) await fillInSignIn(one, ANA);
    await page.getByRole("button", { name: /your account and club$/ }).click();
    await page.getByRole("menuitem", { name: "Your account" }).click();
    const part = (name: string) => page.getByRole("region", { name });
    await part("You").getByLabel("Name").fill("");
    await part("You").getByRole("button", { name: "Save name" }).click();
    await part("You").getByText("Write the name your athletes know you by.").waitFor();
    await part("You").getByLabel("Name").fill("Ana of the boats");
    await part("You").getByRole("button", { name: "Save name" }).click();
    await part("You").getByText("Name saved.").waitFor();
    await page.getByRole("banner").getByText("Ana of the boats").waitFor();

    await part("Password").getByLabel("Current password").fill("wrong wrong wrong");
    await part("Password").getByLabel("New password").fill("tide boot ladder");
    await part("Password").getByRole("button", { name: "Change password" }).click();
    await part("Password").getByText("That is not your current password.").waitFor();
    await part("Password").getByLabel("Current password").fill(ANA.password);
    await part("Password").getByLabel("New password").fill("password12");
    await part("Password").getByRole("button", { name: "Change password" }).click();
    await part("Password").getByText("That is easily guessed").waitFor();
    expect(await violations(page)).toEqual([]);
    await part("Password").getByLabel("New password").fill("tide boot ladder");
    await part("Password").getByRole("button", { name: "Change password" }).click();
    await part("Password").getByText("Everywhere else you have been signed out.").waitFor();
    expect(await part("Password").getByLabel("Current password").inputValue()).toBe("");
    await part("Signed in").getByText("Nowhere else.").waitFor();
    await elsewhere.goto("/sessions");
    expect(elsewhere.url()).toContain("/sign-in");

    await page.getByRole("link", { name: "Open your mail tray" }).click();
    await page.getByRole("heading", { name: "Your Mapset password was changed" }).waitFor();
    expect(await violations(page)).toEqual([]);
    // Only what was written to this coach.
    expect(await page.getByRole("main").innerText()).not.toContain("robin");
    expect((await messagesTo(world.db, "robin@club.example", 0)).messages).not.toHaveLength(0);
  });
  it("is not shut out of a device it was in before by somebody who tries passwords", async () => {
    const { page: own } = await world.visitor();
    await signIn(own);
    await toSessions(own);
    await signOut(own);
    await own.waitForURL(/\/sign-in/);
    const { page: stranger } = await world.visitor();
    const attempt = async (page: Page, password: string) =>
      (await page.request.post("/sign-in", { form: { email: DEMO.email, password }, maxRedirects: 0 })).status();
    for (let i = 0; i < 8; i++) expect(await attempt(stranger, `guess ${i} guess`)).toBe(400);
    expect(await attempt(stranger, DEMO.password)).toBe(429);
    expect(await attempt(own, DEMO.password)).toBe(302);
    await own.request.post("/sign-out");
    // Nor does what makes a device known for one account make it known for another.
    for (let i = 0; i < 8; i++)
      await own.request.post("/sign-in", { form: { email: "fresh@club.example", password: `guess ${i} guess` } });
    expect(
      (await own.request.post("/sign-in", { form: { email: "fresh@club.example", password: "guess" } })).status(),
    ).toBe(429);
  });
  it("is only changed by whoever is signed in", async () => {
    const { page } = await world.visitor();
    const answer = await page.request.post("/account", { form: { do: "rename", name: "Not me" }, maxRedirects: 0 });
    expect(answer.status()).toBe(302);
    await signIn(page, { email: BEN.email, password: "another ladder boot" });
    for (const form of [{ do: "erase" }, { do: "rename" }, { do: "password" }, {}])
      expect((await page.request.post("/account", { form: form as Record<string, string> })).status()).toBeLessThan(
        500,
      );
  });
});
