import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  ANA,
  clockSeconds,
  freshSession,
  newestAddress,
  openDesk,
  ready,
  row,
  rows,
  saved,
  signIn,
  startWorld,
  total,
  violations,
  type World,
} from "./harness";
import type { Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

describe("what to look at", () => {
  it("is found, shown before and after, mended in one step, undone, and let stand with a reason that goes on record", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await openDesk(page, "Staff lunchtime");
    await page.getByRole("button", { name: /^Findings/ }).click();
    const findings = page.getByRole("tabpanel", { name: /Findings/ });
    const over = findings.getByRole("article").filter({ hasText: "over its target of 10:00" });
    await over.waitFor();
    expect(await violations(page)).toEqual([]);
    const open = await findings.getByRole("article").count();

    // A fix, before and after; one step of undo.
    await over.getByRole("button", { name: /^Make the target 11:00/ }).click();
    const fix = page.getByRole("dialog", { name: "Make the target 11:00" });
    await fix.getByText("Target length: 10:00 → 11:00").waitFor();
    expect(await violations(page)).toEqual([]);
    await fix.getByRole("button", { name: "Apply" }).click();
    await over.waitFor({ state: "detached" });
    await page.keyboard.press("Control+z");
    await over.waitFor();

    // The place of a finding is shown in the list.
    const kneel = findings.getByRole("article").filter({ hasText: "Hamish" }).first();
    await kneel.getByRole("button", { name: /^Show / }).click();
    await page.locator('[data-row][aria-pressed="true"]').waitFor();
    await findings.waitFor();
    // The other way round: from the row's mark to its finding.
    await page.keyboard.press("Escape");
    await page.keyboard.press("1");
    await page
      .getByRole("button", { name: /^Found here: .*Hamish/ })
      .first()
      .click();
    await page.waitForFunction(() => document.activeElement?.textContent?.includes("Hamish"));
    // What no single step mends leads on to where it is mended.
    await over.getByRole("button", { name: "Fit to time" }).click();
    await page.getByRole("heading", { name: "Fit to time" }).waitFor();
    await page.keyboard.press("2");

    await over.getByRole("button", { name: "Accept…" }).click();
    const why = page.getByRole("dialog", { name: "Accept" });
    expect(await why.getByRole("button", { name: "Accept" }).isDisabled()).toBe(true);
    await why.getByLabel("Why is it right here?").fill("The room is free until half past.");
    await why.getByRole("button", { name: "Accept" }).click();
    await over.waitFor({ state: "detached" });
    await expect.poll(() => findings.getByRole("article").count()).toBe(open - 1);
    await saved(page);
    await page.reload();
    await ready(page);
    await page.keyboard.press("2");
    await findings.getByText("One finding accepted").click();
    await findings.getByText("“The room is free until half past.”").waitFor();

    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByText("One finding is accepted, and goes on record").waitFor();
    await page.getByRole("button", { name: /^Make/ }).click();
    await newestAddress(page);
    await page.getByText("One finding accepted").first().click();
    await page.getByText("“The room is free until half past.”").last().waitFor();
    expect(await violations(page)).toEqual([]);
  });

  it("offers something else to do for someone who protects an area, and stops where there is nothing", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/groups");
    await ready(page);
    await page.getByLabel("New group").fill("Two of us");
    await page.getByRole("button", { name: "Add group" }).click();
    await page.getByRole("heading", { level: 1, name: "Two of us" }).waitFor();
    const card = page.getByRole("main");
    await card.getByLabel("Add people").fill("Moss, Tern");
    await card.getByRole("button", { name: "Add", exact: true }).click();
    await card.getByRole("button", { name: "What Moss protects" }).click();
    const areas = page.getByRole("dialog", { name: "What Moss protects" });
    await areas.getByLabel("deep bend of the knee").check();
    expect(await violations(page)).toEqual([]);
    await areas.getByRole("button", { name: "Save" }).click();
    await card.getByRole("button", { name: "What Moss protects: 1 area" }).waitFor();
    await card.getByRole("button", { name: "Kit, floor and caps" }).click();
    const setting = page.getByRole("dialog", { name: "Two of us" });
    await setting.getByLabel("We know what kit there is").check();
    await setting.getByLabel("kneeling pad").fill("1");
    await setting.getByLabel("They stand on").selectOption({ label: "Hall floor" });
    expect(await violations(page)).toEqual([]);
    await setting.getByRole("button", { name: "Save" }).click();
    await card.getByText("Kit: 1 × kneeling pad").waitFor();
    // Two of one name are refused in words; taking off is undone, with what was protected.
    await card.getByLabel("Add people").fill("tern");
    await card.getByRole("button", { name: "Add", exact: true }).click();
    await card.getByText(/^Tern is on the list already\./).waitFor();
    await card.getByLabel("Add people").fill("");
    await card.getByRole("button", { name: "Take Moss off the list" }).click();
    await card.getByText("Off the list (1)").click();
    await card.getByRole("button", { name: "Put Moss back on the list" }).click();
    await card.getByRole("button", { name: "What Moss protects: 1 area" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Rename" }).click();
    await page.getByRole("dialog", { name: "Rename Moss" }).getByLabel("Name").fill("Tern");
    await page.getByRole("dialog").getByRole("button", { name: "Rename" }).click();
    await page
      .getByRole("dialog")
      .getByText(/is on the list already/)
      .waitFor();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press("Escape");

    await freshSession(page, "For two", "template:squat-primer");
    await page.getByLabel("Group").selectOption({ label: "Two of us (2)" });
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Findings/ }).click();
    const findings = page.getByRole("tabpanel", { name: /Findings/ });
    // One pad for two knees on a hall floor: on mats it would only help.
    await findings.getByText("kneels on a hall floor without a pad.").first().waitFor();
    await findings
      .getByText(/which Moss protects\. In the same time, Moss: /)
      .first()
      .waitFor();
  });
});

describe("ranges", () => {
  it("show minutes against what is asked, by pointer and by key; a petal gives drills to add; another session is compared", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await openDesk(page, "Rowers before the boat");
    await page.keyboard.press("3");
    const panel = page.getByRole("tabpanel", { name: "Ranges" });
    const petal = panel.getByRole("button", { name: /^left hip extension: / });
    await petal.hover();
    await panel.getByText(/Left hip extension: .+ of .+/).waitFor();
    // One stop for the tab key, then the arrows.
    await panel
      .getByRole("group", { name: /Minutes of each motion/ })
      .locator('[tabindex="0"]')
      .focus();
    await page.keyboard.press("ArrowRight");
    const now = await page.evaluate(() => document.activeElement?.getAttribute("aria-label") ?? "");
    expect(now).toMatch(/: /);
    const before = (await rows(page)).length;
    await petal.focus();
    await page.keyboard.press("Enter");
    const drills = panel.getByRole("region", { name: /^Drills for / });
    await drills.getByRole("button", { name: /^Add / }).first().click();
    await expect.poll(async () => (await rows(page)).length).toBe(before + 1);
    await page.keyboard.press("Control+z");
    await page.keyboard.press("3");
    await panel.getByLabel("Compare with").selectOption({ label: "Handball before a game" });
    await panel.getByText("Dashed: the other session.").waitFor();
    expect(await violations(page)).toEqual([]);
    await panel.getByLabel("Sport profile").selectOption("");
    await page.getByRole("button", { name: /^meets/ }).waitFor({ state: "detached" });
    await panel.getByLabel("Sport profile").selectOption({ label: "Rowing" });
    await page.getByRole("button", { name: /^meets/ }).waitFor();
    await saved(page);
  });
});

describe("fit to time", () => {
  it("works out doses for a length, leaves what is locked, shows what changes, and does it in one step", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await freshSession(page, "To the minute", "template:lunchtime-backs");
    const before = await total(page);
    await page.keyboard.press("4");
    const panel = page.getByRole("tabpanel", { name: "Fit" });
    await panel.getByText("What is locked").click();
    await panel.getByRole("button", { name: /^Hands clasped behind, lift/ }).click();
    // Locked by key in the list, moved, and still locked where it then stands; let go again.
    await row(page, "Hands clasped behind, lift").getByLabel("locked when fitting").waitFor();
    const second = (await rows(page))[1]!;
    await row(page, second).click();
    await page.keyboard.press("l");
    await row(page, second).getByLabel("locked when fitting").waitFor();
    await page.keyboard.press("Alt+ArrowUp");
    await expect.poll(async () => (await rows(page))[1]).not.toBe(second);
    await row(page, second).getByLabel("locked when fitting").waitFor();
    await page.keyboard.press("Control+z");
    await page.keyboard.press("l");
    await row(page, second).getByLabel("locked when fitting").waitFor({ state: "detached" });
    await page.keyboard.press("Escape");
    await page.keyboard.press("4");
    await panel.getByRole("textbox", { name: "Length" }).fill("11:30");
    await panel.getByRole("button", { name: "Work it out" }).click();
    await panel.getByRole("button", { name: "Apply" }).waitFor();
    await panel.getByText("Target length: 10:00 → 11:30").waitFor();
    expect(await panel.getByText(/^Hands clasped behind, lift: /).count()).toBe(0);
    expect(await violations(page)).toEqual([]);
    await panel.getByRole("button", { name: "Apply" }).click();
    await expect.poll(() => total(page)).toBeGreaterThan(before + 80);
    const after = await total(page);
    expect(after).toBeLessThanOrEqual(690);
    expect(690 - after).toBeLessThanOrEqual(5);
    await page.keyboard.press("Control+z");
    await expect.poll(() => total(page)).toBe(before);

    // Out of reach: how short and how long these can be; allowed to take drills out, it can.
    await panel.getByRole("textbox", { name: "Length" }).fill("3");
    await panel.getByRole("button", { name: "Work it out" }).click();
    const alert = panel.getByRole("alert");
    await alert.getByText(/^At its shortest this lasts \d+:\d\d: .+ too long\.$/).waitFor();
    await alert.getByText("allow drills to be removed,").waitFor();
    await panel.getByLabel("may remove drills if nothing else will do").check();
    await panel.getByRole("button", { name: "Work it out" }).click();
    await panel
      .getByText(/ removed$/)
      .first()
      .waitFor();
    // What would be new is said before it is done.
    await panel.getByText(/would be new/).waitFor();
    await panel.getByRole("button", { name: "Apply" }).click();
    await expect.poll(() => total(page)).toBeLessThanOrEqual(180);

    // What is locked is still locked when the desk is opened again.
    await saved(page);
    await page.reload();
    await ready(page);
    await row(page, "Hands clasped behind, lift").getByLabel("locked when fitting").waitFor();
    await page.keyboard.press("4");

    // A finishing time is as good as a length.
    await panel.getByText("a finishing time").click();
    await panel.getByLabel("Starts at").fill("17:35");
    await panel.getByLabel("Finishes at").fill("17:40");
    await panel.getByText("5:00 long").waitFor();
  });
});

describe("the profile", () => {
  const chart = (page: Page) => page.getByRole("region", { name: "Profile" }).getByRole("img").first();

  it("is pointed at, gone closer to, dragged to another order, another dose, and boxed", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await freshSession(page, "Drawn", "floor-to-standing");
    const box = (await chart(page).boundingBox())!;
    const span = box.width - 74 - 36;
    const length = await total(page);
    const x = (t: number) => box.x + 74 + (t / length) * span;
    const y = box.y + 90;
    await page.mouse.move(x(40), y);
    await page.getByText(/at 0:40 · /).waitFor();
    // The first drill, taken by its middle, is let go behind the second.
    const seconds = await page
      .locator("[data-row]")
      .evaluateAll((all) => all.map((r) => r.querySelector(":scope > span:last-child > span")?.textContent ?? ""));
    const [first, second] = [clockSeconds(seconds[0]!), clockSeconds(seconds[1]!)];
    await page.mouse.move(x(first / 2), y);
    await page.mouse.down();
    await page.mouse.move(x(first + second - 4), y, { steps: 8 });
    await page.mouse.up();
    await expect.poll(async () => (await rows(page)).slice(0, 2)).toEqual(["Side-lying open book", "Cat–camel"]);
    await page.keyboard.press("Control+z");

    // The right edge of its work, drawn out: more repetitions.
    await page.keyboard.press("Escape");
    await page.mouse.move(x(first) - 1, y);
    await page.mouse.down();
    await page.mouse.move(x(first + 12), y, { steps: 6 });
    await page.mouse.up();
    await expect.poll(() => total(page)).toBeGreaterThan(length);
    await page.getByRole("button", { name: /^Undo: Cat–camel \d+ → \d+ repetitions$/ }).click();
    await expect.poll(() => total(page)).toBe(length);

    // Pressed twice in its work: a call at that moment, ready to be written over.
    await page.mouse.dblclick(x(first - 6), y);
    await page.getByLabel("What to call 1").waitFor();
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement | null)?.value === "Breathe.");
    await page.keyboard.type("Longer on the way out.");
    await page.keyboard.press("Tab");
    await page.getByRole("button", { name: "Undo: Cat–camel: calls" }).waitFor();
    expect(await page.getByLabel("What to call 1").inputValue()).toBe("Longer on the way out.");
    // It stands on the profile, also when the page is opened anew.
    await saved(page);
    await page.reload();
    await ready(page);
    await page.locator("title", { hasText: "Longer on the way out." }).first().waitFor({ state: "attached" });

    // A box over the headings chooses several.
    await page.mouse.move(x(5), box.y + 10);
    await page.mouse.down();
    await page.mouse.move(x(first + second - 5), box.y + 12, { steps: 5 });
    await page.mouse.up();
    await page.getByRole("tab", { name: "2 drills" }).waitFor();
    expect(await violations(page)).toEqual([]);

    // Closer by the wheel and by keys, and back.
    await page.mouse.move(x(60), y);
    for (let i = 0; i < 5; i++) await page.mouse.wheel(0, -240);
    await page.getByRole("button", { name: "The whole session (0)" }).and(page.locator(":enabled")).waitFor();
    await page.keyboard.press("0");
    await expect.poll(() => page.getByRole("button", { name: "The whole session (0)" }).isDisabled()).toBe(true);
    await page.keyboard.press("+");
    await expect.poll(() => page.getByRole("button", { name: "The whole session (0)" }).isDisabled()).toBe(false);
    await saved(page);
  });
});

describe("a wide screen and paper", () => {
  it("keeps the ranges in sight beside the findings", async () => {
    const { page } = await world.visitor({ viewport: { width: 1920, height: 1080 } });
    await signIn(page);
    await openDesk(page, "Rowers before the boat");
    await page.getByRole("region", { name: "Ranges" }).waitFor();
    expect(await page.getByRole("tab", { name: "Ranges" }).count()).toBe(0);
    await page.keyboard.press("2");
    await page.getByRole("tabpanel", { name: /Findings/ }).waitFor();
    await page
      .getByRole("region", { name: "Ranges" })
      .getByRole("button", { name: /^left hip extension: / })
      .hover();
    await page.getByText(/Left hip extension: .+ of .+/).waitFor();
    expect(await violations(page)).toEqual([]);
  });

  it("prints what a coach needs beside the mat, and nothing of why someone does something else", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await openDesk(page, "Staff lunchtime");
    await page.keyboard.press("g");
    await page.getByPlaceholder(/./).last().fill("print sheet");
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Print" }).waitFor();
    const sheet = page.getByRole("article");
    await sheet.getByText("Kit:").waitFor();
    await sheet.getByRole("heading", { name: "Watch out" }).waitFor();
    await sheet
      .getByText(/^Hamish/)
      .first()
      .waitFor();
    expect(await sheet.getByText(/protects/).count()).toBe(0);
    await page.emulateMedia({ media: "print" });
    expect(await page.getByRole("navigation", { name: "Main" }).isVisible()).toBe(false);
    expect(await page.getByRole("button", { name: "Print" }).isVisible()).toBe(false);
    await page.emulateMedia({ media: "screen" });
    expect(await violations(page)).toEqual([]);
  });
});
