import { afterAll, beforeAll, expect, it } from "vitest";
import { ANA, openDesk, ready, signIn, startWorld, total, type World } from "./harness";
import type { Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const focused = (page: Page) => page.evaluate(() => {
  const now = document.activeElement;
  return `${now?.getAttribute("aria-label") ?? ""} ${now?.textContent ?? ""}`.trim();
});

/** Presses Tab until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp, most = 60): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    if (name.test(await focused(page))) return;
  }
  throw new Error(`Tab does not come to ${String(name)}; it is at “${await focused(page)}”.`);
}

it("findings are mended and let stand, ranges give drills, and a length is fitted, by keyboard alone", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Staff lunchtime");
  const before = await total(page);

  // A finding is mended in one step, from the keyboard, and undone.
  await page.keyboard.press("2");
  await page.getByRole("article").filter({ hasText: "over the 10:00 promised" }).waitFor();
  await page.getByRole("button", { name: /^Promise 11:00 instead/ }).waitFor();
  await page.getByRole("tab", { name: /^Look at/ }).focus();
  await tabTo(page, /^Promise 11:00 instead/);
  await page.keyboard.press("Enter");
  await page.getByRole("dialog", { name: "Promise 11:00 instead" }).waitFor();
  await tabTo(page, /^Do it$/);
  await page.keyboard.press("Enter");
  await page.getByText("of 11:00").first().waitFor();
  await page.keyboard.press("Control+z");
  await page.getByText("of 10:00").first().waitFor();

  // And let stand.
  await page.getByRole("button", { name: /^Promise 11:00 instead/ }).waitFor();
  await page.getByRole("tab", { name: /^Look at/ }).focus();
  await tabTo(page, /^Promise 11:00 instead/);
  await tabTo(page, /^Let it stand…/);
  await page.keyboard.press("Enter");
  await page.getByRole("dialog", { name: "Let it stand" }).waitFor();
  await page.keyboard.type("The room is free until half past.");
  await page.keyboard.press("Enter");
  await page.getByText("One finding is let stand").waitFor();

  // Ranges: one stop for the petals, the arrows from one to the next, Enter for drills, and one of them added.
  await page.keyboard.press("3");
  await page.getByRole("tab", { name: "Ranges" }).focus();
  await tabTo(page, /^[a-z, ]+: \d/);
  for (let i = 0; i < 60 && !(await focused(page)).startsWith("upper back turning"); i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await page.getByRole("region", { name: "Drills for upper back turning" }).waitFor();
  const rows = await page.locator("[data-row]").count();
  await tabTo(page, /^Add /);
  await page.keyboard.press("Enter");
  await expect.poll(() => page.locator("[data-row]").count()).toBe(rows + 1);
  await page.keyboard.press("Control+z");
  await expect.poll(() => total(page)).toBe(before);

  // Fit to time.
  await page.keyboard.press("Escape");
  await page.keyboard.press("4");
  await page.getByRole("tab", { name: "Fit" }).focus();
  await page.getByRole("textbox", { name: "Length" }).focus();
  await page.keyboard.press("Control+a");
  await page.keyboard.type("10");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Do it" }).waitFor();
  await tabTo(page, /^Do it$/);
  await page.keyboard.press("Enter");
  await expect.poll(() => total(page)).toBeLessThanOrEqual(600);
  expect(await total(page)).toBeGreaterThanOrEqual(595);

  // The profile goes closer and back.
  await page.getByRole("tab", { name: "Fit" }).focus();
  await page.keyboard.press("+");
  await page.getByRole("button", { name: "The whole session (0)" }).and(page.locator(":enabled")).waitFor();
  await page.keyboard.press("0");
});

it("a demand profile is copied and changed by keyboard alone", async () => {
  const { page } = await world.visitor();
  await signIn(page, ANA);
  await page.goto("/demands/rowing");
  await ready(page);
  await tabTo(page, /^Copy as my own/);
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/demands\/own-/);
  await ready(page);
  await page.getByRole("group", { name: "Weight of wrist bending", exact: true }).getByRole("radio", { checked: true }).focus();
  await page.keyboard.press("ArrowRight");
  await tabTo(page, /^Keep$/, 200);
  await page.keyboard.press("Enter");
  await page.getByText("Kept", { exact: true }).waitFor();
});
