import { afterAll, beforeAll, expect, it } from "vitest";
import {
  BEN,
  DEMO,
  fillInSignIn,
  freshSession,
  openDesk,
  ready,
  saved,
  signIn,
  signOut,
  startWorld,
  type World,
} from "./harness";
import type { SessionPlan } from "~/core/session/schema";
import { person } from "~/db/schema";
import type { MarkedSetting } from "~/db/session-setting";
import type { Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** A coach at the desk of a session whose saving does not get through, who renames it. */
async function cutOff(title: string, renamed: string) {
  const { page, context } = await world.visitor();
  await signIn(page);
  await openDesk(page, title);
  await saved(page);
  let through = false;
  await context.route(/\/sessions\/[^/]+\/save$/, (route) => (through ? route.continue() : route.abort()));
  await rename(page, renamed);
  await page.getByTestId("save-state").getByText("Held in this browser", { exact: false }).waitFor();
  return { page, context, address: page.url(), letThrough: () => (through = true) };
}

async function rename(page: Page, title: string) {
  await page.getByRole("textbox", { name: "Name of the session" }).fill(title);
  await page.keyboard.press("Tab");
}

const told = (page: Page) => page.getByRole("list", { name: "Unsaved changes" });

it("edits that a desk could not save are saved from any page, once there is a connection", async () => {
  const { page, context, letThrough } = await cutOff("Rowers before the boat", "Before the boat, in the wind");
  page.on("dialog", (dialog) => void dialog.accept());
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.goto("/groups");
  await told(again).getByText("Before the boat, in the wind", { exact: false }).waitFor();
  letThrough();
  await again.evaluate(() => window.dispatchEvent(new Event("online")));
  await told(again).waitFor({ state: "detached" });
  await again.goto("/sessions");
  await again.getByRole("link", { name: "Before the boat, in the wind" }).waitFor();
});

it("going on from the desk to another page takes along what was not saved, and signing out asks", async () => {
  const { page, letThrough } = await cutOff("Handball before a game", "Before a game, cut off");
  await page.getByRole("link", { name: "Library" }).click();
  await page.waitForURL(/library/);
  await told(page).waitFor();
  await signOut(page);
  const question = page.getByRole("alertdialog");
  await question.getByText("“Before a game, cut off”", { exact: false }).waitFor();
  await question.getByRole("button", { name: "Stay signed in" }).click();
  letThrough();
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
  await told(page).waitFor({ state: "detached" });
});

it("what was changed elsewhere meanwhile is the coach's to choose, and nothing is written over", async () => {
  const { page, context, address, letThrough } = await cutOff("Staff lunchtime", "Lunchtime, mine");
  const { page: elsewhere } = await world.visitor();
  await signIn(elsewhere);
  await elsewhere.goto(address);
  await ready(elsewhere);
  const theirs = elsewhere.waitForResponse((answer) => answer.url().endsWith("/save") && answer.ok());
  await rename(elsewhere, "Lunchtime, theirs");
  await theirs;
  await page.close();
  const again = await context.newPage();
  await again.goto("/sessions");
  letThrough();
  await again.evaluate(() => window.dispatchEvent(new Event("online")));
  await told(again).getByText("was changed elsewhere, too", { exact: false }).waitFor();
  await again.getByRole("link", { name: "Lunchtime, theirs" }).waitFor();
  await told(again).getByRole("link", { name: "Open it to choose" }).click();
  const question = again.getByRole("alertdialog");
  await question.getByText("Lunchtime, mine").waitFor();
  // Left without choosing, it is still to be chosen: what is newer is not written over.
  await again.goto("/sessions");
  await told(again).getByText("was changed elsewhere, too", { exact: false }).waitFor();
  await again.getByRole("link", { name: "Lunchtime, theirs" }).waitFor();
  await told(again).getByRole("link", { name: "Open it to choose" }).click();
  const kept = again.waitForResponse((answer) => answer.url().endsWith("/save") && answer.ok());
  await question.getByRole("button", { name: "Save mine over it" }).click();
  await kept;
  await again.goto("/sessions");
  await again.getByRole("link", { name: "Lunchtime, mine" }).waitFor();
  await told(again).waitFor({ state: "detached" });
});

it("whom a session is for, chosen on two devices, is the coach's to choose and nothing is written over", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "For two", "floor-to-standing");
  const { page: elsewhere } = await world.visitor();
  await signIn(elsewhere);
  await elsewhere.goto(page.url());
  await ready(elsewhere);
  const asked = (at: Page) => at.getByLabel("Sport profile");
  await context.setOffline(true);
  await asked(page).selectOption({ label: "Rowing" });
  await page.getByText("No connection. Held in this browser").waitFor();
  await asked(elsewhere).selectOption({ label: "Handball" });
  await elsewhere.getByLabel("Group").selectOption({ index: 1 });
  await saved(elsewhere);
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
  const question = page.getByRole("alert").filter({ hasText: "Its sport profile (now Handball)" });
  await question.waitFor();
  // Left without choosing, it is told everywhere, and there again when it is opened.
  await page.goto("/sessions");
  await told(page).getByText("What you chose beside “For two” was changed elsewhere, too", { exact: false }).waitFor();
  await told(page).getByRole("link", { name: "Open it to choose" }).click();
  await question.getByRole("button", { name: "Use mine" }).click();
  await question.waitFor({ state: "detached" });
  await saved(page);
  await elsewhere.reload();
  await ready(elsewhere);
  expect(await asked(elsewhere).inputValue()).toBe("rowing");
  expect(await elsewhere.getByLabel("Group").inputValue()).not.toBe("");

  // The other way round, the other's stays.
  await context.setOffline(true);
  await asked(page).selectOption({ label: "Handball" });
  await page.getByText("No connection. Held in this browser").waitFor();
  await asked(elsewhere).selectOption({ label: "Desk work" });
  await saved(elsewhere);
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
  const again = page.getByRole("alert").filter({ hasText: "now Desk work" });
  await again.getByRole("button", { name: "Use the other" }).click();
  await again.waitFor({ state: "detached" });
  await saved(page);
  expect(await asked(page).locator("option:checked").innerText()).toBe("Desk work");
});

it("what was locked and chosen for somebody before anything could be saved is so when the desk is opened again, whatever gets there first", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "Locked, cut off", "floor-to-standing");
  await saved(page);
  const address = page.url();
  const setting = async () =>
    ((await (await context.request.get(`${address}/setting`)).json()) as MarkedSetting).setting;
  const [somebody] = await world.db.select({ id: person.id }).from(person).limit(1);
  const doc = ((await (await context.request.get(`${address}/save`)).json()) as { doc: SessionPlan }).doc;
  const at = doc.blocks[0]!.items[1]!.drill;
  const choice = { athleteId: somebody!.id, block: 0, item: 1, at, does: "rest" as const };
  expect((await context.request.post(`${address}/setting`, { data: { choices: [choice] } })).ok()).toBe(true);
  await page.reload();
  await ready(page);
  let through = false;
  await context.route(/\/sessions\/[^/]+\/(save|setting)$/, (route) =>
    through || route.request().method() === "GET" ? route.continue() : route.abort(),
  );
  const rows = (at: Page) => at.locator("[data-row]");
  const locks = (at: Page) => at.getByLabel("locked when fitting");
  const drills = await rows(page).count();
  // A drill that the server does not know of, which moves all that come after it, and one that it knows.
  await rows(page).first().click();
  await page.keyboard.press("d");
  await page.keyboard.press("l");
  await rows(page).last().click();
  await page.keyboard.press("l");
  await expect.poll(() => locks(page).count()).toBe(2);
  await page.getByTestId("save-state").getByText("Held in this browser", { exact: false }).waitFor();
  await page.close();
  const again = await context.newPage();
  await again.goto(address);
  await ready(again);
  await expect.poll(() => rows(again).count()).toBe(drills + 1);
  await expect.poll(() => locks(again).count()).toBe(2);
  through = true;
  await again.evaluate(() => window.dispatchEvent(new Event("online")));
  await saved(again);
  expect((await setting()).choices).toEqual([{ ...choice, item: 2 }]);
  await again.reload();
  await ready(again);
  await expect.poll(() => locks(again).count()).toBe(2);
  // Another tab follows what is locked, and takes nothing from it when it follows a drill more.
  const other = await context.newPage();
  await other.goto(address);
  await ready(other);
  await rows(again).nth(2).click();
  await again.keyboard.press("l");
  await expect.poll(() => locks(other).count()).toBe(3);
  await rows(again).first().click();
  await again.keyboard.press("d");
  await expect.poll(() => rows(other).count()).toBe(drills + 2);
  await saved(again);
  await saved(other);
  expect([await locks(other).count(), (await setting()).locks.length]).toEqual([3, 3]);
  expect((await setting()).choices).toEqual([{ ...choice, item: 3 }]);
});

it("what is chosen while signed out waits for whoever chose it, and is neither told nor sent as anybody else", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await freshSession(page, "Signed out", "floor-to-standing");
  await saved(page);
  const address = page.url();
  await context.clearCookies();
  await page.getByLabel("Sport profile").selectOption({ label: "Rowing" });
  await page.getByText("You are signed out", { exact: false }).waitFor();
  await page.goto("/sign-in");
  await page.getByText("Unsaved changes are held in this browser", { exact: false }).waitFor();
  // What is wrong with the form is gone to, and what was written stays.
  await page.getByLabel("E-mail address").fill("nobody");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByText("Write an e-mail address, like robin@club.example.").waitFor();
  const active = () => page.evaluate(() => document.activeElement?.getAttribute("name"));
  await expect.poll(active).toBe("email");
  expect(await page.getByLabel("E-mail address").inputValue()).toBe("nobody");
  const sent: string[] = [];
  context.on("request", (request) => void (/setting$/.test(request.url()) && sent.push(request.method())));
  await fillInSignIn(page, BEN);
  await page.waitForURL(/today$/);
  await ready(page);
  expect([await page.getByText("Signed out").count(), sent]).toEqual([0, []]);
  await signOut(page);
  await page.waitForURL(/sign-in/);
  await fillInSignIn(page, DEMO);
  await page.waitForURL(/today$/);
  await expect.poll(() => sent).toEqual(["POST"]);
  await told(page).waitFor({ state: "detached" });
  await page.goto(address);
  await ready(page);
  expect(await page.getByLabel("Sport profile").inputValue()).toBe("rowing");
});

it("a revision told to be kept without a connection goes by itself, and of two both can be had", async () => {
  const { page, context } = await world.visitor();
  await signIn(page);
  await page.goto("/library/stick-pass");
  await ready(page);
  await page.getByRole("button", { name: "Copy as my own" }).click();
  await page.waitForURL(/edit$/);
  await ready(page);
  const address = page.url();
  const name = (at: Page) => at.getByLabel("Name", { exact: true });
  await context.setOffline(true);
  await name(page).fill("Stick pass, cut off");
  await page.keyboard.press("Control+s");
  await page.getByText("It is held in this browser").waitFor();
  // It needs no more asking: it goes by itself, once there is a connection.
  let asks = 0;
  page.on("dialog", (dialog) => {
    asks += 1;
    void dialog.accept();
  });
  const gone = page.waitForEvent("close");
  const next = await context.newPage();
  await page.close({ runBeforeUnload: true });
  await gone;
  expect(asks).toBe(0);
  // It arrives and its answer is lost, as when a page is left meanwhile: the next page does not take it for somebody else's.
  let lost = 0;
  await context.route(/\/keep$/, async (route) => {
    await route.fetch();
    await route.abort();
    lost += 1;
  });
  await context.setOffline(false);
  await next.goto("/groups");
  await expect.poll(() => lost).toBeGreaterThan(0);
  await context.unroute(/\/keep$/);
  await next.goto(address);
  await told(next).waitFor({ state: "detached" });
  await next.getByText("Revision 2 · No changes yet").waitFor();
  expect(await name(next).inputValue()).toBe("Stick pass, cut off");

  const { page: elsewhere } = await world.visitor();
  await signIn(elsewhere);
  await elsewhere.goto(address);
  await ready(elsewhere);
  await name(elsewhere).fill("Stick pass, theirs");
  await elsewhere.keyboard.press("Control+s");
  await elsewhere.getByText("Revision 3 · Saved").waitFor();
  // What is newer elsewhere and left without keeping is left for good.
  await name(next).fill("Stick pass, not wanted");
  await next.keyboard.press("Control+s");
  await next.getByRole("alert").filter({ hasText: "Revision 3 was saved" }).waitFor();
  await next.getByRole("link", { name: "Groups" }).click();
  await next.getByRole("button", { name: "Leave without saving" }).click();
  await next.waitForURL(/groups$/);
  await ready(next);
  expect(await told(next).count()).toBe(0);
  await next.goto(address);
  await next.getByText("Revision 3 · No changes yet").waitFor();
  expect(await name(next).inputValue()).toBe("Stick pass, theirs");
  await name(elsewhere).fill("Stick pass, theirs again");
  await elsewhere.keyboard.press("Control+s");
  await elsewhere.getByText("Revision 4 · Saved").waitFor();
  await name(next).fill("Stick pass, mine");
  await next.keyboard.press("Control+s");
  const question = next.getByRole("alert").filter({ hasText: "Revision 4 was saved" });
  await question.getByRole("button", { name: "Use revision 4" }).click();
  await next.getByText("Revision 4 · Saved").waitFor();
  expect(await name(next).inputValue()).toBe("Stick pass, theirs again");
  await next.keyboard.press("Tab");
  await next.getByRole("button", { name: "Undo", exact: false }).click();
  expect(await name(next).inputValue()).toBe("Stick pass, mine");
  await next.keyboard.press("Control+s");
  await next.getByText("Revision 5 · Saved").waitFor();
});
