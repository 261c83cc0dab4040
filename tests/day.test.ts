import type { BrowserContext, Page } from "playwright-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import {
  BEN,
  newestAddress,
  openDesk,
  PHONE,
  ready,
  saved,
  seenOf,
  signIn,
  startWorld,
  violations,
  type World,
} from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** Signed in and at the beginning of the day. */
async function atToday(page: Page, who?: { email: string; password: string }): Promise<void> {
  await signIn(page, who);
  await page.goto("/today");
  await ready(page);
}

it("a coach who has never been here is led from nothing to a session that is handed out, by the screens themselves", async () => {
  const { page, context } = await world.visitor();
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await atToday(page, BEN);
  const steps = page.getByRole("region", { name: "First steps" });
  await steps.getByText("Three steps to your first session").waitFor();
  expect(await violations(page)).toEqual([]);

  // To look around first there is an example, and it goes whole.
  await steps.getByRole("button", { name: "Look around with an example" }).click();
  await page.getByText("An example is in your club", { exact: false }).waitFor();
  await page.getByRole("article", { name: "Example: rowers before the boat" }).waitFor();
  await page.getByRole("heading", { name: "Pain reported" }).waitFor();
  expect(await steps.locator('[aria-current="step"]').innerText()).toContain("Your group");
  expect(await violations(page)).toEqual([]);
  await page.getByRole("button", { name: "Remove the example" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Remove the example" }).click();
  await page.getByText("An example is in your club", { exact: false }).waitFor({ state: "detached" });
  expect(await page.getByRole("article").count()).toBe(0);

  // 1. The group.
  await steps.getByRole("link", { name: "Add a group" }).click();
  await page.getByText("Start here: name your squad or class", { exact: false }).waitFor();
  await page.waitForFunction(() => document.activeElement?.getAttribute("name") === "name");
  await page.keyboard.type("Harbour juniors");
  await page.keyboard.press("Enter");
  await page.getByRole("heading", { level: 1, name: "Harbour juniors" }).waitFor();
  await page.getByLabel("Add people").fill("Kit, Lark, J. K.");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "What Kit protects" }).waitFor();
  expect(await violations(page)).toEqual([]);

  // 2. A session, from the group.
  await page.getByRole("link", { name: "Draft a session" }).click();
  await page.waitForURL(/\/sessions\/draft\?group=/);
  await ready(page);
  await page.getByRole("heading", { name: "Up to three sessions worth running" }).waitFor();
  await page.getByText("What Harbour juniors did lately").waitFor();
  expect(await violations(page)).toEqual([]);
  await page.getByLabel("Length in minutes").fill("6");
  await page.getByRole("button", { name: "Draft", exact: true }).click();
  const draft = page.getByRole("article", { name: "Draft 1" });
  await draft.waitFor({ timeout: 60_000 });
  await draft.getByRole("button", { name: "What is “needs met”?" }).click();
  await page.getByText("A sport profile says how much of each motion", { exact: false }).waitFor();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await draft.getByRole("button", { name: "Open on the desk" }).click();
  await page.getByTestId("save-state").waitFor();
  await ready(page);

  // 3. Handed out, and the day says so.
  await page.getByRole("link", { name: "Mapset" }).click();
  expect(await steps.locator('[aria-current="step"]').innerText()).toContain("Hand it out");
  await steps.getByRole("link", { name: /^Hand out “/ }).click();
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("button", { name: "Copy link" }).click();
  await page.getByRole("button", { name: "Copied" }).waitFor();
  await page.getByRole("link", { name: "Today" }).click();
  await page.getByRole("heading", { name: "Handed out today" }).waitFor();
  expect(await steps.count()).toBe(0);
  const card = page.getByRole("article");
  await card.getByText("0 of 3 done").waitFor();
  await card.getByText("Nobody has opened the link yet.").waitFor();

  // Everything is found by its name, from anywhere.
  await page.keyboard.press("g");
  await page.getByPlaceholder(/a person, a drill/).fill("lark");
  await page.getByRole("option", { name: /^Lark/ }).click();
  await page.getByRole("heading", { level: 1, name: "Lark" }).waitFor();
  await page.keyboard.press("g");
  await page.getByPlaceholder(/a person, a drill/).fill("cat camel");
  await page.getByRole("option", { name: /^Cat–camel/ }).waitFor();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press("Enter");
  await page.getByRole("heading", { level: 1, name: "Cat–camel" }).waitFor();
});

/** Does a session at once and says how it was; the drill something hurt in, where that is said. */
async function checkIn(phone: Page, who: string, hurts?: { drill: string; where: string }): Promise<void> {
  await phone.getByRole("radio", { name: who, exact: true }).check({ force: true });
  await phone.getByRole("button", { name: "Start", exact: true }).click();
  await phone.getByTestId("heading").waitFor();
  await phone.getByRole("button", { name: "More", exact: true }).click();
  await phone.getByRole("button", { name: "End here" }).click();
  await phone.getByLabel("6", { exact: true }).check({ force: true });
  await phone.getByLabel(hurts ? "Yes" : "No", { exact: true }).check({ force: true });
  if (hurts) {
    await phone.getByLabel("In which drill?").selectOption({ label: hurts.drill });
    await phone.getByLabel("Where in the body?").fill(hurts.where);
    expect(await violations(phone)).toEqual([]);
  }
  await phone.getByRole("button", { name: "Send" }).click();
  await phone.getByText("Sent. Thank you.").waitFor();
}

it("a coach's evening: pain first with its drill, who has not yet, one person, a table, and the next edition", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Handball before a game");
  const desk = new URL(page.url()).pathname;
  await page.goto(`${desk}/hand-out`);
  await ready(page);
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("heading", { name: "Edition 2" }).waitFor();
  const address = await newestAddress(page);

  const { page: phone } = await world.visitor(PHONE);
  await phone.goto(address);
  await ready(phone);
  const drill = await phone.evaluate(() => document.body.innerText.includes("Drill by drill"));
  expect(drill).toBe(true);
  await checkIn(phone, "Bex");
  await phone.getByRole("button", { name: "Back to the start" }).click();
  await phone.getByRole("radio", { name: "Noor", exact: true }).check({ force: true });
  await phone.getByRole("button", { name: "Start", exact: true }).click();
  await phone.getByTestId("heading").waitFor();
  await phone.getByRole("button", { name: "More", exact: true }).click();
  await phone.getByRole("button", { name: "End here" }).click();
  await phone.getByLabel("Yes", { exact: true }).check({ force: true });
  const offered = phone.getByLabel("In which drill?").locator("option");
  const second = (await offered.nth(2).innerText()).trim();
  expect(second).toMatch(/^2\. /);
  await phone.getByLabel("In which drill?").selectOption({ index: 2 });
  await phone.getByLabel("Where in the body?").fill("=left calf");
  expect(await violations(phone)).toEqual([]);
  await phone.getByRole("button", { name: "Send" }).click();
  await phone.getByText("Sent. Thank you.").waitFor();

  // The evening begins with pain, tied to its drill.
  await page.goto("/today");
  await ready(page);
  const pain = page.getByRole("region", { name: "Pain reported" }).getByRole("article").filter({ hasText: "Noor" });
  const said = await pain.innerText();
  expect(said).toContain("left calf");
  expect(said).toContain(`${second.slice(3)}, drill 2, `);
  const card = page.getByRole("article", { name: "Handball before a game" });
  await card.getByText(/^\d of 7 done/).waitFor();
  expect(await violations(page)).toEqual([]);
  await pain.getByRole("button", { name: "I have spoken to them" }).click();
  await pain.waitFor({ state: "detached" });

  // Who has not yet, by session and group; one person's own; a table that begins no formula.
  await card.getByRole("link", { name: "Feedback" }).click();
  await page.getByRole("region", { name: "Who has done it" }).getByText("Ada").waitFor();
  await ready(page);
  expect(await violations(page)).toEqual([]);
  await page.getByLabel("Group").selectOption({ label: "Kestrel Sound handball" });
  await page.waitForURL(/session=.*group=/);
  const table = await page.request.get(
    (await page.getByRole("link", { name: "Download as a table" }).getAttribute("href"))!,
  );
  expect(table.headers()["content-type"]).toContain("text/csv");
  const lines = (await table.text()).trim().split("\r\n");
  expect(lines[0]).toContain("Name,Session,Edition");
  const noors = lines.filter((line) => line.startsWith("Noor,"));
  expect(noors[0]).toContain(`'=left calf,"${second.slice(3)}`.replace('"', second.includes(",") ? '"' : ""));
  expect(lines.some((line) => /^Tern,/.test(line))).toBe(false);
  await page.getByLabel("Group").selectOption({ label: "Kestrel Sound junior rowers" });
  await page.waitForURL(/group=/);

  // The next edition in three: to the desk, a longer hold, handed out.
  await page.goto("/today");
  await ready(page);
  await card.getByRole("link", { name: "Handball before a game" }).click();
  await page.getByTestId("save-state").waitFor();
  await ready(page);
  await page.locator("[data-row]").nth(1).click();
  await page.keyboard.press(".");
  await saved(page);
  await page.getByRole("link", { name: "Hand out" }).click();
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("heading", { name: "Edition 3" }).waitFor();
  expect(await seenOf(page.request, desk)).toMatch(/^[0-9a-f]{64}$/);
});

it("an assistant reads tonight's session on a phone, and has nothing to change by mistake", async () => {
  const assistant = { email: "assistant@kestrelsound.example", password: "for these tests only" };
  const { page, context } = await world.visitor(PHONE);
  await atToday(page, assistant);
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  const bar = page.getByRole("navigation", { name: "Main" });
  // The four places are under the thumb.
  const box = (await bar.boundingBox())!;
  expect(box.y + box.height).toBeGreaterThan(840);
  expect(await bar.getByRole("link").allInnerTexts()).toEqual([
    expect.stringMatching(/^Today/),
    "Sessions",
    "Library",
    "Groups",
  ]);
  for (const one of await bar.getByRole("link").all()) expect((await one.boundingBox())!.height).toBeGreaterThan(43);
  const card = page.getByRole("article", { name: "Handball before a game" });
  await card.waitFor();
  expect(await wide()).toBe(0);
  expect(await page.getByRole("button", { name: "I have spoken to them" }).count()).toBe(0);
  expect(await page.getByRole("link", { name: /^Draft/ }).count()).toBe(0);
  expect(await violations(page)).toEqual([]);

  await card.getByRole("link", { name: "Read it" }).click();
  await page.getByRole("heading", { name: "Watch out" }).waitFor();
  await ready(page);
  expect(await wide()).toBe(0);
  expect(await violations(page)).toEqual([]);
  await bar.getByRole("link", { name: "Today" }).click();
  const player = await follow(context, () => card.getByRole("link", { name: "Follow along" }).click());
  await player.getByRole("heading", { name: "Handball before a game" }).waitFor();
  for (const place of ["Sessions", "Library", "Groups"]) {
    await bar.getByRole("link", { name: place }).click();
    await page.getByRole("heading", { level: 1, name: place }).waitFor();
    expect([place, await wide()]).toEqual([place, 0]);
  }
});

/** The page that a press opens beside this one. */
async function follow(context: BrowserContext, press: () => Promise<void>): Promise<Page> {
  const [opened] = await Promise.all([context.waitForEvent("page"), press()]);
  return opened;
}

it("addresses of before lead on, with what they asked for", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  const to = async (old: string) =>
    (await page.request.get(old, { maxRedirects: 0 })).headers()["location"]?.replace(world.base, "");
  expect(await to("/draft?team=abc&demand=rowing")).toBe("/sessions/draft?group=abc&profile=rowing");
  expect(await to("/heard?session=x")).toBe("/feedback?session=x");
  expect(await to("/teams")).toBe("/groups");
  expect(await to("/people/abc")).toBe("/groups/people/abc");
  expect(await to("/demands/rowing")).toBe("/library/profiles/rowing");
  expect(await to("/sessions/abc/paper")).toBe("/sessions/abc/print");
  expect(await to("/")).toBe("/today");
});
