import { afterAll, beforeAll, expect, it } from "vitest";
import { ANA, ready, startWorld, total, type World } from "./harness";
import type { Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** Presses Tab until what has the focus is called this. Fails when it cannot be reached. */
async function tabTo(page: Page, name: RegExp, role?: string): Promise<void> {
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press("Tab");
    const here = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      if (!e || e === document.body) return { name: "", role: "" };
      const labels = (e as HTMLInputElement).labels;
      const label = labels?.[0]?.textContent ?? "";
      const own = e.getAttribute("aria-label") ?? (label || e.textContent || e.getAttribute("placeholder") || "");
      return { name: `${own} ${e.getAttribute("placeholder") ?? ""}`.trim(), role: e.tagName.toLowerCase() };
    });
    if (name.test(here.name) && (!role || role === here.role)) return;
  }
  throw new Error(`No way to ${String(name)} by keyboard on ${page.url()}`);
}

it("the whole path, by keyboard alone", async () => {
  const { page } = await world.visitor();
  const keys = page.keyboard;
  await page.goto("/sign-in");
  await ready(page);
  await tabTo(page, /^E-mail/);
  await keys.type(ANA.email);
  await tabTo(page, /^Password/);
  await keys.type(ANA.password);
  await keys.press("Enter");
  await page.waitForURL(/\/sessions$/);
  await ready(page);

  await tabTo(page, /New session/);
  await keys.press("Enter");
  await page.getByRole("dialog").waitFor();
  await keys.type("By keyboard");
  await keys.press("Enter");
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
  await page.locator("[data-row]").first().waitFor();

  // Add with /, choose with the arrows, move with Alt, change the dose with the arrow keys.
  const before = await total(page);
  await keys.press("/");
  await keys.type("bar hang");
  await keys.press("Enter");
  await keys.press("Escape");
  expect(await total(page)).toBeGreaterThan(before);
  await tabTo(page, /Cat–camel/, "button");
  await tabTo(page, /^1Cat–camel/, "button");
  await keys.press("Enter");
  await keys.press("ArrowDown");
  await expect.poll(() => page.getByRole("complementary").getByRole("heading", { level: 2 }).innerText()).toBe("Side-lying open book");
  await keys.press("Alt+ArrowUp");
  await expect.poll(() => page.locator("[data-row]").first().innerText()).toContain("open book");
  await tabTo(page, /^Repetitions a side/, "input");
  const reps = await total(page);
  await keys.press("ArrowDown");
  // One repetition of 6 s less on each side.
  expect(await total(page)).toBe(reps - 12);
  // Rows can be picked up and put down as well.
  await tabTo(page, /^Go to the main part/, "a");
  await tabTo(page, /^Drag Side-lying/, "button");
  for (const key of ["Space", "ArrowDown", "Space"]) {
    await keys.press(key);
    // The drag measures the rows before it takes the next key.
    await page.waitForTimeout(250);
  }
  await expect.poll(() => page.locator("[data-row]").first().innerText()).toContain("Cat–camel");

  await tabTo(page, /^Go to the main part/, "a");
  await tabTo(page, /^Hand out$/, "a");
  await keys.press("Enter");
  await page.getByRole("heading", { name: /^Hand out:/ }).waitFor();
  await tabTo(page, /Make edition and link/);
  await keys.press("Enter");
  const address = await page.getByTestId("address").innerText();

  // The athlete's side.
  await page.clock.install();
  await page.goto(address);
  await ready(page);
  await tabTo(page, /initials or nickname/);
  await keys.type("Key");
  await tabTo(page, /^Start$/);
  await keys.press("Enter");
  await page.getByTestId("drill").waitFor();
  await tabTo(page, /^Pause/);
  await keys.press("Enter");
  await page.getByText("Paused").waitFor();
  await keys.press("Enter");
  await page.clock.fastForward(3_600_000);
  await page.clock.runFor(300);
  await page.getByRole("heading", { name: /Done/ }).waitFor();
  await tabTo(page, /^0/);
  await keys.press("ArrowRight");
  await keys.press("ArrowRight");
  await tabTo(page, /left/);
  await keys.press("ArrowRight");
  await tabTo(page, /^(No|Yes)$/);
  await keys.press("Space");
  await tabTo(page, /^\s*Send/);
  await keys.press("Enter");
  await page.getByText("Sent. Thank you.").waitFor();

  await page.goto("/heard");
  await page.getByRole("listitem").filter({ hasText: "Key" }).waitFor();
});
