import { afterAll, beforeAll, expect, it } from "vitest";
import { openDesk, ready, saved, signIn, startWorld, type World } from "./harness";
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
  await page.getByTestId("save-state").getByText("Kept in this browser", { exact: false }).waitFor();
  return { page, context, address: page.url(), letThrough: () => (through = true) };
}

async function rename(page: Page, title: string) {
  await page.getByRole("textbox", { name: "Name of the session" }).fill(title);
  await page.keyboard.press("Tab");
}

/** What tells one keeping of the only edits in a browser from the next. */
const stampOf = (page: Page) =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const asked = indexedDB.open("mapset");
      asked.onsuccess = () => resolve(asked.result);
    });
    const [item] = await new Promise<{ stamp: string }[]>((resolve) => {
      const asked = db.transaction("items").objectStore("items").getAll() as IDBRequest<{ stamp: string }[]>;
      asked.onsuccess = () => resolve(asked.result);
    });
    db.close();
    return item?.stamp;
  });

const told = (page: Page) => page.getByRole("list", { name: "Changes that are not saved" });

it("edits that a desk could not save are saved from any page, once there is a connection", async () => {
  const { page, context, letThrough } = await cutOff("Rowers before the boat", "Before the boat, in the wind");
  page.on("dialog", (dialog) => void dialog.accept());
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.goto("/teams");
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
  await page.getByRole("button", { name: "Sign out" }).click();
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
  const before = await stampOf(again);
  await told(again).getByRole("link", { name: "Open it to choose" }).click();
  const question = again.getByRole("alertdialog");
  await question.getByText("Lunchtime, mine").waitFor();
  await expect.poll(() => stampOf(again)).not.toBe(before);
  // Left without choosing, it is still to be chosen: what is newer is not written over.
  await again.goto("/sessions");
  await told(again).getByText("was changed elsewhere, too", { exact: false }).waitFor();
  await again.getByRole("link", { name: "Lunchtime, theirs" }).waitFor();
  await told(again).getByRole("link", { name: "Open it to choose" }).click();
  const kept = again.waitForResponse((answer) => answer.url().endsWith("/save") && answer.ok());
  await question.getByRole("button", { name: "Keep mine instead" }).click();
  await kept;
  await again.goto("/sessions");
  await again.getByRole("link", { name: "Lunchtime, mine" }).waitFor();
  await told(again).waitFor({ state: "detached" });
});
