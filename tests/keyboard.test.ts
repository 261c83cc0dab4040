import { afterAll, beforeAll, expect, it } from "vitest";
import { ANA, openDesk, ready, signIn, startWorld, toSessions, total, type World } from "./harness";
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

it("the whole path, by keyboard alone", { timeout: 240_000 }, async () => {
  const { page } = await world.visitor();
  const keys = page.keyboard;
  await page.goto("/sign-in");
  await ready(page);
  await tabTo(page, /^E-mail/);
  await keys.type(ANA.email);
  await tabTo(page, /^Password/);
  await keys.type(ANA.password);
  await keys.press("Enter");
  await page.waitForURL(/\/today$/);
  await ready(page);

  await tabTo(page, /^Sessions$/);
  await keys.press("Enter");
  await page.waitForURL(/\/sessions$/);
  await tabTo(page, /New session/);
  await keys.press("Enter");
  await page.getByRole("dialog").waitFor();
  await keys.type("By keyboard");
  await keys.press("Tab");
  await keys.type("From the floor");
  await tabTo(page, /^Make session/);
  await keys.press("Enter");
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
  await page.locator("[data-row]").first().waitFor();

  // Add with /, choose with the arrows, move with Alt, change the dose with the arrow keys.
  const before = await total(page);
  await keys.press("/");
  await keys.type("bar hang");
  await keys.press("Enter");
  // It may wait for the coach's own drills; Escape before that would call it off.
  await expect.poll(() => total(page)).toBeGreaterThan(before);
  await keys.press("Escape");
  await tabTo(page, /Cat–camel/, "button");
  await tabTo(page, /^1Cat–camel/, "button");
  // From a row to its dose by one key, and back by one.
  await keys.press("Enter");
  await page.waitForFunction(
    () => (document.activeElement as HTMLInputElement | null)?.labels?.[0]?.textContent === "Repetitions a side",
  );
  await keys.press("Escape");
  await page.waitForFunction(() => document.activeElement?.hasAttribute("data-row"));
  await keys.press("ArrowDown");
  await expect
    .poll(() => page.getByRole("complementary").getByRole("heading", { level: 2 }).innerText())
    .toBe("Side-lying open book");
  await keys.press("Alt+ArrowUp");
  await expect.poll(() => page.locator("[data-row]").first().innerText()).toContain("open book");
  await tabTo(page, /^Repetitions a side/, "input");
  const reps = await total(page);
  await keys.press("ArrowDown");
  // One repetition of 6 s less on each side.
  expect(await total(page)).toBe(reps - 12);
  // Rows can be picked up and put down as well.
  await tabTo(page, /^Skip to content/, "a");
  await tabTo(page, /^Drag Side-lying/, "button");
  for (const key of ["Space", "ArrowDown", "Space"]) {
    await keys.press(key);
    // The drag measures the rows before it takes the next key.
    await page.waitForTimeout(250);
  }
  await expect.poll(() => page.locator("[data-row]").first().innerText()).toContain("Cat–camel");

  await tabTo(page, /^Skip to content/, "a");
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
  await page.getByTestId("heading").getByText("Paused").waitFor();
  await keys.press("Enter");
  await page.clock.runFor(600_000);
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

  await page.goto("/feedback");
  await page.getByRole("listitem").filter({ hasText: "Key" }).waitFor();
});

it("findings are mended and let stand, ranges give drills, and a length is fitted, by keyboard alone", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Staff lunchtime");
  const before = await total(page);

  // A finding is mended in one step, from the keyboard, and undone.
  await page.keyboard.press("2");
  await page.getByRole("article").filter({ hasText: "over its target of 10:00" }).waitFor();
  await page.getByRole("button", { name: /^Make the target 11:00/ }).waitFor();
  await page.getByRole("tab", { name: /^Findings/ }).focus();
  await tabTo(page, /^Make the target 11:00/);
  await page.keyboard.press("Enter");
  await page.getByRole("dialog", { name: "Make the target 11:00" }).waitFor();
  await tabTo(page, /^Apply$/);
  await page.keyboard.press("Enter");
  await page.getByText("of 11:00").first().waitFor();
  await page.keyboard.press("Control+z");
  await page.getByText("of 10:00").first().waitFor();

  // And let stand.
  await page.getByRole("button", { name: /^Make the target 11:00/ }).waitFor();
  await page.getByRole("tab", { name: /^Findings/ }).focus();
  await tabTo(page, /^Make the target 11:00/);
  await tabTo(page, /^Accept…/);
  await page.keyboard.press("Enter");
  await page.getByRole("dialog", { name: "Accept" }).waitFor();
  await page.keyboard.type("The room is free until half past.");
  await page.keyboard.press("Enter");
  await page.getByText("One finding accepted").waitFor();

  // Ranges: one stop for the petals, the arrows from one to the next, Enter for drills, and one of them added.
  await page.keyboard.press("3");
  await page.getByRole("tab", { name: "Ranges" }).focus();
  await tabTo(page, /^[a-z, ]+: \d/);
  for (
    let i = 0;
    i < 60 &&
    !(await page.evaluate(() => document.activeElement?.getAttribute("aria-label") ?? "")).startsWith(
      "upper back rotation",
    );
    i++
  )
    await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await page.getByRole("region", { name: "Drills for upper back rotation" }).waitFor();
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
  await page.getByRole("button", { name: "Apply" }).waitFor();
  await tabTo(page, /^Apply$/);
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
  await page.goto("/library/profiles/rowing");
  await ready(page);
  await tabTo(page, /^Copy as my own/);
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/library\/profiles\/own-/);
  await ready(page);
  await page
    .getByRole("group", { name: "Weight of wrist flexion", exact: true })
    .getByRole("radio", { checked: true })
    .focus();
  await page.keyboard.press("ArrowRight");
  await tabTo(page, /^Save$/);
  await page.keyboard.press("Enter");
  await page.getByText("Saved", { exact: true }).waitFor();
});

it("the coach's side follows a dark system, until somebody chooses otherwise", async () => {
  const { page } = await world.visitor();
  await page.emulateMedia({ colorScheme: "dark" });
  await signIn(page, ANA);
  await toSessions(page);
  const look = () => page.evaluate(() => document.documentElement.dataset["theme"]);
  await expect.poll(look).toBe("dark");
  await page.emulateMedia({ colorScheme: "light" });
  await expect.poll(look).toBe("light");
  // Coming from an athlete's page without loading anew.
  await page.emulateMedia({ colorScheme: "dark" });
  await page.goto("/f/nobody-has-this");
  await ready(page);
  await expect.poll(look).toBe("dark");
  await page.evaluate(() =>
    (
      window as unknown as { __reactRouterDataRouter: { navigate: (to: string) => void } }
    ).__reactRouterDataRouter.navigate("/sessions"),
  );
  await page.getByRole("heading", { level: 1, name: "Sessions" }).waitFor();
  await expect.poll(look).toBe("dark");
  await page.getByRole("button", { name: /your account and club$/ }).click();
  await page.getByRole("menuitem", { name: "Light or dark" }).click();
  await expect.poll(look).toBe("light");
  await page.reload();
  await ready(page);
  expect(await look()).toBe("light");
});
