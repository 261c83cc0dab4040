import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  ANA,
  BEN,
  clockSeconds,
  openDesk,
  ready,
  signIn,
  startWorld,
  toSessions,
  total,
  violations,
  type World,
} from "./harness";
import { FOLD } from "~/core/live/commands";
import type { SessionPlan } from "~/core/session/schema";
import { edition, group, liveClass, trainingSession } from "~/db/schema";
import type { Locator, Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const card = (page: Page, n = 1): Locator => page.getByRole("article", { name: `Draft ${n}` });
const drillsOf = (one: Locator): Promise<string[]> =>
  one.locator("li button[aria-expanded] > span:first-child").allInnerTexts();
const clockOf = async (one: Locator): Promise<number> =>
  clockSeconds(await one.locator(".clock-type").first().innerText());

async function drafted(page: Page, button: string | RegExp = "Draft"): Promise<void> {
  await page.getByRole("button", { name: button, exact: typeof button === "string" }).click();
  await page.getByRole("status").filter({ hasText: "…" }).waitFor({ state: "detached", timeout: 60_000 });
  await card(page).waitFor();
}

describe("a draft", () => {
  it("is asked for in a sentence, comes with reasons, is swapped, locked, drafted again and opened on the desk", async () => {
    const { page } = await world.visitor({ bypassCSP: true });
    await signIn(page);
    await toSessions(page);
    await page.getByRole("link", { name: "Draft a session" }).click();
    await page.waitForURL(/\/sessions\/draft$/);
    await ready(page);
    // The group brings its own defaults: what was last done with it, its kit, what is protected.
    await page.getByLabel("Group").selectOption({ label: "Kestrel Sound junior rowers" });
    await page.getByRole("button", { name: /^Kit and floor: 4 kinds of kit/ }).waitFor();
    await page.getByLabel("Sport profile").selectOption("rowing");
    await page.getByLabel("Length in minutes").fill("1");
    await page.getByText("2 to 120 minutes, like 12 or 12:30.").waitFor();
    expect(await page.getByRole("button", { name: "Draft", exact: true }).isDisabled()).toBe(true);
    await page.getByLabel("Length in minutes").fill("12");
    await drafted(page);
    const count = await page.getByRole("article").count();
    expect(count).toBeGreaterThan(1);
    for (let n = 1; n <= count; n++) {
      const seconds = await clockOf(card(page, n));
      expect(seconds).toBeLessThanOrEqual(720);
      expect(seconds).toBeGreaterThanOrEqual(705);
    }
    expect(await violations(page)).toEqual([]);

    // Every drill says why it is here and why at this place.
    const first = card(page);
    const before = await drillsOf(first);
    await first.locator("li button[aria-expanded]").nth(1).click();
    await first.getByText(/^(For |You |It )/).waitFor();
    await first.getByRole("button", { name: "Swap it" }).click();
    const other = first.getByRole("button", { name: /^Use .* instead$/ }).first();
    const name = /^Use (.*) instead$/.exec((await other.getAttribute("aria-label", { timeout: 20_000 }))!)![1]!;
    expect(before).not.toContain(name);
    await other.click();
    await expect.poll(() => drillsOf(first)).toEqual(before.with(1, name));
    expect(await clockOf(first)).toBeLessThanOrEqual(720);
    await first.getByRole("button", { name: "Undo the swap" }).click();
    await expect.poll(() => drillsOf(first)).toEqual(before);

    // Locked, and drafted again.
    await first.getByRole("button", { name: `Lock ${before[0]!}` }).click();
    await drafted(page, "Draft again with 1 locked");
    for (let n = 1; n <= (await page.getByRole("article").count()); n++)
      expect(await drillsOf(card(page, n))).toContain(before[0]);

    // On the desk it is a session like any other: same drills, same second, for the same group.
    const seconds = await clockOf(card(page));
    const drills = await drillsOf(card(page));
    await card(page).getByRole("button", { name: "Open on the desk" }).click();
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
    await ready(page);
    expect(Math.round(await total(page))).toBe(seconds);
    for (const drill of drills) await page.locator("[data-row]").filter({ hasText: drill }).first().waitFor();
    expect(await page.getByLabel("Group").locator("option:checked").innerText()).toContain("junior rowers");
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("rowing");

    // Back from the desk, everything stands as it was left; another way here begins anew and offers it.
    await page.goBack();
    await card(page).waitFor();
    expect(await drillsOf(card(page))).toEqual(drills);
    expect(await page.getByLabel("Length in minutes").inputValue()).toBe("12");
    await page.getByRole("button", { name: "Draft again with 1 locked" }).waitFor();
    await page.getByRole("link", { name: "Sessions", exact: true }).click();
    await page.waitForURL(/\/sessions$/);
    await page.getByRole("link", { name: "Draft a session" }).click();
    await page.waitForURL(/\/sessions\/draft$/);
    expect(await page.getByRole("article").count()).toBe(0);
    await page.getByRole("button", { name: "Back to your last drafts" }).click();
    await card(page).waitFor();
    expect(await drillsOf(card(page))).toEqual(drills);
  });

  it("begins for a group with what was last done with it, also when the group is chosen in the sentence", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto("/groups");
    await ready(page);
    const said = async () =>
      Promise.all([
        page.getByLabel("Purpose").inputValue(),
        page.getByLabel("Sport profile").inputValue(),
        page.getByLabel("Length in minutes").inputValue(),
      ]);
    const names = await page
      .getByRole("link", { name: /^Draft a session for / })
      .evaluateAll((links) =>
        links.map((link) => link.getAttribute("aria-label")!.slice("Draft a session for ".length)),
      );
    expect(names.length).toBeGreaterThan(1);
    const usual = new Map<string, string[]>();
    for (const name of names) {
      await page.goto("/groups");
      await ready(page);
      await page.getByRole("link", { name: `Draft a session for ${name}` }).click();
      await page.waitForURL(/\/sessions\/draft\?group=/);
      await ready(page);
      expect(await page.getByLabel("Group").locator("option:checked").innerText()).toBe(name);
      usual.set(name, await said());
    }
    expect(new Set([...usual.values()].map(String)).size).toBeGreaterThan(1);
    for (const name of names) {
      await page.getByLabel("Group").selectOption({ label: name });
      await expect.poll(said).toEqual(usual.get(name));
    }
    // What they did last can be asked to change, where there is something.
    await page.getByLabel("Group").selectOption({ label: "Kestrel Sound handball" });
    await page.getByLabel("Variety").selectOption({ label: "changing half of last time" });
    await page.getByText("At most half of the drills of “Handball before a game” come again.").waitFor();
    await page.getByRole("button", { name: "Draft", exact: true }).click();
    await expect
      .poll(() => page.getByRole("article", { name: /^Draft / }).count(), { timeout: 60_000 })
      .toBeGreaterThan(0);
    for (const card of await page.getByRole("article", { name: /^Draft / }).all())
      await card.getByText(/^(\d+ of \d+ drills different|all drills different)$/).waitFor();
    await page.getByLabel("Group").selectOption({ label: "anyone" });
    await page.getByLabel("Variety").waitFor({ state: "detached" });
    await page.getByLabel("Group").selectOption({ label: names[0]! });
    // What was changed by hand stays.
    await page.getByLabel("Length in minutes").fill("17");
    await page.getByLabel("Group").selectOption({ label: names[0]! });
    await expect.poll(said).toEqual(usual.get(names[0]!)!.with(2, "17"));
  });

  it("is planned with the pace that a group’s classes taught, if that is asked for, and the desk offers it, too", async () => {
    const { db } = world;
    const [rowers] = await db.select().from(group).where(eq(group.name, "Kestrel Sound junior rowers"));
    const [handed] = await db.select().from(edition).where(eq(edition.clubId, rowers!.clubId));
    const moves = { planned: Array<number>(8).fill(8), real: Array<number>(8).fill(12), byHand: true };
    for (let i = 0; i < 4; i++)
      await db.insert(liveClass).values({
        ...{ clubId: rowers!.clubId, id: crypto.randomUUID(), editionId: handed!.id, groupId: rowers!.id, fold: FOLD },
        ...{ createdAt: new Date(), endedAt: new Date(), paces: { left: 0, kinds: { moves } } },
      });
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto(`/sessions/draft?group=${rowers!.id}`);
    await ready(page);
    const pace = page.getByRole("group", { name: "Their pace" });
    await pace.getByText(/takes 1\.\d\d × the usual time for moving \(4 classes, likely /).waitFor();
    expect(await violations(page)).toEqual([]);
    const plan = pace.getByRole("button", { name: "Plan with that" });
    await plan.click();
    await expect.poll(() => plan.getAttribute("aria-pressed")).toBe("true");
    // It is theirs, and nobody else’s.
    await page.getByLabel("Group").selectOption({ label: "Kestrel Sound handball" });
    await pace.waitFor({ state: "detached" });
    await page.getByLabel("Group").selectOption({ label: rowers!.name });
    await expect.poll(() => plan.getAttribute("aria-pressed")).toBe("false");
    await plan.click();
    await drafted(page);
    await card(page).getByRole("button", { name: /^Open/ }).click();
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
    await ready(page);
    const id = new URL(page.url()).pathname.split("/")[2]!;
    const [made] = await db.select().from(trainingSession).where(eq(trainingSession.id, id));
    expect((made!.doc as SessionPlan).pace.moveBase).toBeGreaterThan(3);
    // What is planned with it already is offered nothing; another of theirs is, in one step.
    await openDesk(page, "Rowers before the boat");
    await page.keyboard.press("1");
    const offer = page.getByRole("region", { name: "The pace of this group" });
    const before = await total(page);
    await offer.getByText(/s of moves in this session become/).waitFor();
    await offer.getByRole("button", { name: "Use it" }).click();
    await offer.waitFor({ state: "detached" });
    expect(await total(page)).toBeGreaterThan(before);
    await page.keyboard.press("Control+z");
    await offer.waitFor();
  });

  it("can be stopped, and says what stands in the way when nothing fits, and what giving way would give", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/sessions/draft");
    await ready(page);
    await page.getByLabel("Length in minutes").fill("5");
    await page.keyboard.press("Control+Enter");
    await page.getByRole("button", { name: "Stop" }).click();
    await expect.poll(() => page.getByRole("button", { name: "Draft", exact: true }).isEnabled()).toBe(true);
    expect(await page.getByRole("article").count()).toBe(0);

    // A bar overhead must be used, and there is no kit.
    await page.getByRole("button", { name: /^Drills: / }).click();
    await page.getByLabel("Find a drill").fill("bar hang");
    await page.getByRole("button", { name: "Relaxed bar hang: put in" }).click();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Kit and floor: / }).click();
    await page.getByLabel("We know what kit there is").check();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Kit and floor: no kit at all" }).waitFor();
    await page.getByLabel("Length in minutes").fill("10");
    await page.keyboard.press("Control+Enter");
    await page.getByText("No session meets the whole request.").waitFor({ timeout: 60_000 });
    await page.getByText(/Without the drills you put in you’d get one that meets \d+ %/).waitFor();
    await page
      .locator("li")
      .filter({ hasText: "Without the kit limits" })
      .getByRole("button", { name: "Draft it that way" })
      .click();
    await card(page).waitFor({ timeout: 60_000 });
    expect(await drillsOf(card(page))).toContain("Relaxed bar hang");
    await page.getByRole("button", { name: "Kit and floor: whatever kit there is" }).waitFor();
  });
});

describe("a request", () => {
  it("is kept, used again, changed and forgotten, and is nobody else's", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/sessions/draft?profile=climbing");
    await ready(page);
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("climbing");
    await page.getByLabel("Name", { exact: true }).fill("Tuesday wall");
    await page.getByLabel("Sequencing", { exact: true }).selectOption("up-from-the-floor");
    await page.getByRole("button", { name: "Save this request" }).click();
    const link = page.getByRole("navigation", { name: "Saved requests" }).getByRole("link", { name: "Tuesday wall" });
    await link.waitFor();
    const address = (await link.getAttribute("href"))!;
    await page.goto(address);
    await ready(page);
    expect(await page.getByLabel("Sequencing", { exact: true }).inputValue()).toBe("up-from-the-floor");
    await page.getByLabel("Length in minutes").fill("8");
    await page.getByRole("button", { name: "Save changes" }).click();
    await expect
      .poll(async () =>
        (await page.request.get(`${address.replace("/sessions/draft?", "/sessions/draft.data?")}`)).text(),
      )
      .toContain("480");

    const stranger = await world.visitor();
    await signIn(stranger.page, BEN);
    const { request } = stranger.page;
    expect((await request.get(address)).status()).toBe(404);
    const id = address.split("=")[1]!;
    const form = (fields: Record<string, string>) => ({
      form: fields,
      headers: { origin: world.base },
      maxRedirects: 0,
    });
    expect((await request.post("/sessions/draft", form({ do: "forget", id }))).status()).toBe(404);
    const doc = JSON.stringify({ target: 600, purpose: "off-day", demand: "rowing" });
    expect((await request.post("/sessions/draft", form({ do: "keep", id, request: doc }))).status()).toBe(404);
    // What is no request is refused with its place; someone else's group is nobody's.
    const bad = await request.post(
      "/sessions/draft",
      form({ do: "keep", request: JSON.stringify({ target: 5, purpose: "party", demand: {} }) }),
    );
    expect(bad.status()).toBe(422);
    expect((await request.post("/sessions/draft", form({ do: "keep", request: "{" }))).status()).toBe(422);
    expect(
      (
        await request.post(
          "/sessions/draft",
          form({ do: "keep", request: doc, group: "00000000-0000-4000-8000-000000000000" }),
        )
      ).status(),
    ).toBe(422);
    expect((await request.post("/sessions/draft", form({ do: "open", session: "{}" }))).status()).toBe(422);
    expect(await (await request.get("/sessions/draft")).text()).not.toContain("Tuesday wall");

    await page.getByRole("button", { name: "Delete" }).click();
    await page.getByRole("alertdialog").getByRole("button", { name: "Delete" }).click();
    await page.waitForURL(/\/sessions\/draft$/);
    await expect.poll(() => page.getByRole("link", { name: "Tuesday wall" }).count()).toBe(0);
    expect((await page.request.get(address)).status()).toBe(404);
  });

  it("is asked for in one click from a group’s page, with its arc drawn, and changed where the club has it otherwise", async () => {
    const { page } = await world.visitor({ bypassCSP: true });
    await signIn(page);
    await page.goto("/groups");
    await ready(page);
    await page.getByRole("link", { name: "Kestrel Sound junior rowers", exact: true }).first().click();
    await page
      .getByRole("navigation", { name: "Draft for them" })
      .getByRole("link", { name: "After training" })
      .click();
    await page.waitForURL(/\/sessions\/draft\?group=.*&purpose=after-training$/);
    await ready(page);
    expect(await page.getByLabel("Purpose").inputValue()).toBe("after-training");
    expect(await page.getByLabel("Variety").inputValue()).toBe("1");
    const arc = page.getByRole("list", { name: "How it goes" });
    expect(await arc.getByRole("listitem").count()).toBe(3);
    await page.getByLabel("Purpose").selectOption("off-day");
    await expect.poll(() => arc.getByRole("listitem").count()).toBe(5);
    await page.getByLabel("Purpose").selectOption("after-training");
    // What the group does not have is not offered.
    const click = page.getByRole("group", { name: "In one click" });
    expect(await click.getByRole("button", { name: "a band" }).count()).toBe(0);
    await click.getByRole("button", { name: "kneeling" }).click();
    await click.getByRole("button", { name: "hips" }).click();
    await page.getByText("more for the hips").waitFor();
    await page.getByRole("button", { name: /^Protected areas and caps: kneeling/ }).waitFor();
    expect(await violations(page)).toEqual([]);
    await drafted(page);
    for (const name of await drillsOf(card(page))) expect(name).not.toMatch(/kneel/i);
    await click.getByRole("button", { name: "kneeling" }).click();
    await expect.poll(() => page.getByRole("button", { name: /^Protected areas and caps: kneeling/ }).count()).toBe(0);

    // The club eases for longer: its arc says so, and so does what is drafted.
    await page.getByRole("link", { name: "Change this arc" }).click();
    await page.waitForURL(/\/library\/arcs\/after-training$/);
    await ready(page);
    const number = async (label: string, value: string) => {
      await page.getByLabel(label).fill(value);
      await page.getByLabel(label).press("Enter");
    };
    await number("Ease: share at least", "90");
    await page.getByText("at least 90 % is more than at most 25 %").waitFor();
    expect(await page.getByRole("button", { name: "Save" }).isDisabled()).toBe(true);
    await page.getByRole("button", { name: "Undo" }).click();
    await number("Ease: share at most", "45");
    await number("Ease: share at least", "35");
    await number("Hold: share at least", "35");
    await page.getByRole("button", { name: "Save" }).click();
    await page.getByText("Saved", { exact: true }).waitFor();
    expect(await violations(page)).toEqual([]);
    await page.goto("/sessions/draft");
    await ready(page);
    await page.getByLabel("Purpose").selectOption("after-training");
    await page.getByLabel("Length in minutes").fill("10");
    await page.getByText("3:30–4:30").waitFor();
    const { request } = page;
    const form = (fields: Record<string, string>) => ({ form: fields, maxRedirects: 0 });
    const send = async (doc: unknown) =>
      (await request.post("/library/arcs/after-training", form({ doc: JSON.stringify(doc) }))).status();
    expect(await send({ phases: { hold: { share: { least: 90, most: 10 } } } })).toBe(422);
    expect(await send({ phases: "none" })).toBe(422);
    await page.goto("/library/arcs/after-training");
    await ready(page);
    expect(await page.getByLabel("Ease: share at most").inputValue()).toBe("45");
    await page.getByRole("button", { name: "Back to Mapset’s own" }).click();
    await page.getByRole("alertdialog").getByRole("button", { name: "Back to Mapset’s own" }).click();
    await page.getByText("Saved", { exact: true }).waitFor();
    await page.reload();
    await ready(page);
    expect(await page.getByLabel("Ease: share at most").inputValue()).toBe("25");
  });

  it("begins from a session, from a motion it lacks, and from what someone felt", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await openDesk(page, "Rowers before the boat");
    const session = page.url().split("/").at(-1)!;
    await page.keyboard.press("3");
    await page.getByRole("heading", { name: "Not enough of" }).waitFor();
    await page.getByRole("heading", { name: "Not enough of" }).locator("xpath=..").getByRole("button").first().click();
    await page.getByRole("link", { name: "Draft for it" }).click();
    await page.waitForURL(/\/sessions\/draft\?session=.*&row=/);
    await ready(page);
    await page.getByText("from “Rowers before the boat”").waitFor();
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("picked");
    expect(await page.getByLabel("Length in minutes").inputValue()).toBe("5");

    // The same but twelve minutes, and without kneeling.
    await page.goto(`/sessions/draft?session=${session}&minutes=12&without=kneeling`);
    await ready(page);
    expect(await page.getByLabel("Length in minutes").inputValue()).toBe("12");
    await page.getByRole("button", { name: /^Protected areas and caps: kneeling/ }).waitFor();
    await page.getByRole("button", { name: /^Drills: .* drills again where they fit/ }).waitFor();
    await drafted(page);
    for (const name of await drillsOf(card(page))) expect(name).not.toMatch(/kneel/i);

    await page.goto("/feedback");
    await ready(page);
    const joint = page.getByTitle(/^Draft a few minutes for the /).first();
    await joint.click();
    await page.waitForURL(/\/sessions\/draft\?joint=/);
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("picked");
  });

  it("asks by no profile that is gone, though a session still names it", async () => {
    await world.db.update(trainingSession).set({ demandId: "own-gone" });
    const { page } = await world.visitor();
    await signIn(page);
    const draftLike = async (address: string) => {
      await page.goto(address);
      await ready(page);
      return page.getByLabel("Sport profile").inputValue();
    };
    expect(await draftLike("/sessions/draft")).toBe("general");
    const [one] = await world.db.select({ id: trainingSession.id }).from(trainingSession).limit(1);
    expect(await draftLike(`/sessions/draft?session=${one!.id}`)).toBe("picked");
  });
});
