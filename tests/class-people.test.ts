import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { DEMO, PHONE, ready, signIn, startWorld, violations, type World } from "./harness";
import { tooFaint } from "./screen-checks";

/* The people of a class: who is there, what they do instead, what hurts them, and what is known of it afterwards. */

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const drillOf = (page: Page) => page.getByTestId("drill").innerText();

/** Starts a class of a session of the demo, and is on its remote. */
async function lead(title: string): Promise<{ page: Page; id: string; link: string; session: string }> {
  const { page } = await world.visitor(PHONE);
  await signIn(page);
  await page.goto("/sessions");
  const session = (await page
    .locator("a[href^='/sessions/']")
    .filter({ hasText: title })
    .first()
    .getAttribute("href"))!;
  await page.goto(`${session}/hand-out`);
  await ready(page);
  const link = new URL(await page.getByTestId("address").first().innerText()).pathname;
  await button(page, "Run it now").click();
  await page.waitForURL(/\/live\/[0-9a-f-]{36}$/);
  await page.getByText(/in step within/).waitFor();
  return { page, id: page.url().split("/").at(-1)!, link, session };
}

/** A phone that joins the class of a link as somebody of its list. */
async function join(link: string, name: string): Promise<Page> {
  const { page } = await world.visitor(PHONE);
  await page.goto(link);
  await ready(page);
  await page.locator("fieldset label").filter({ hasText: name }).first().click();
  await page.getByText("The class is running.").waitFor();
  await button(page, "Join in step").click();
  await page.getByText("It begins in a moment.").or(page.getByTestId("drill")).first().waitFor();
  return page;
}

/** The wall of a class, opened with the code that its remote shows. */
async function wallOf(page: Page): Promise<Page> {
  const { page: wall } = await world.visitor({ viewport: { width: 1366, height: 768 } });
  await button(page, "The wall").click();
  const code = (await page.getByTestId("wall-code").innerText()).replaceAll(/\s/g, "");
  await page.keyboard.press("Escape");
  await wall.goto("/wall");
  await wall.getByLabel("Code").fill(code);
  await button(wall, "Show the class").click();
  return wall;
}

async function end(page: Page): Promise<void> {
  await button(page, "End the class").click();
  await button(page, "Press again to end the class").click();
  await page.getByText("The class is over.").waitFor();
}

describe("the people of a class", () => {
  it(
    "tell quietly what hurts: they rest from it, whoever leads sees it at once, and feedback has it first",
    { timeout: 120_000 },
    async () => {
      const { page, link } = await lead("Rowers before the boat");
      const [moss, pip] = [await join(link, "Moss"), await join(link, "Pip")];
      await button(page, "Start").click();
      for (const phone of [moss, pip]) await phone.getByTestId("drill").waitFor();
      await button(page, "Skip this drill").click();
      await page.getByText("Drill skipped").waitFor();
      await expect.poll(() => drillOf(moss)).toBe(await drillOf(page));
      const drill = await drillOf(page);
      // A slip of the thumb is no report.
      await button(moss, "Something hurts").click();
      expect(await violations(moss)).toEqual([]);
      await button(moss, "No, go on").click();
      expect(await drillOf(moss)).toBe(drill);
      await button(moss, "Something hurts").click();
      await button(moss, "Yes, tell my coach").click();
      await expect.poll(() => drillOf(moss)).toBe("Rest here");
      await moss.getByText("Your coach has been told.").waitFor();
      await page.getByText(/Moss: something hurts in/).waitFor();
      expect(await violations(page)).toEqual([]);
      // Nobody else’s phone knows.
      expect(await pip.locator("main").innerText()).not.toContain("Moss");
      expect(await drillOf(pip)).toBe(drill);
      // Whoever comes back is not asked to do it again.
      await moss.reload();
      await ready(moss);
      await button(moss, "Join in step").click();
      await expect.poll(() => drillOf(moss)).toBe("Rest here");
      // Seen on the remote is put away there, and nowhere else.
      await button(page, "I have seen that Moss hurts").click();
      await expect.poll(() => page.getByText(/Moss: something hurts/).count()).toBe(0);
      await end(page);
      await moss.getByText("How was it?").waitFor();
      await page.goto("/feedback");
      await ready(page);
      await page.getByRole("heading", { name: "Pain reported" }).waitFor();
      expect(await page.locator("main").innerText()).toMatch(/Pain reported[\s\S]*Moss/);
    },
  );

  it("are ticked as there, with a phone or without, and counted where they are on no list", async () => {
    const { page, id, link } = await lead("Rowers before the boat");
    await join(link, "Tern");
    await button(page, "Who is here").click();
    const dialog = page.getByRole("dialog");
    await dialog.getByText("1 of 8 on the list").waitFor();
    expect(await violations(page)).toEqual([]);
    await dialog.getByLabel("Wren").check();
    await dialog.getByText("2 of 8 on the list").waitFor();
    await button(page, "One more").click();
    await expect.poll(() => dialog.getByTestId("others").innerText()).toBe("1");
    // Another remote has it, too.
    await page.reload();
    await button(page, "Who is here").click();
    await page.getByRole("dialog").getByText("2 of 8 on the list").waitFor();
    await page.keyboard.press("Escape");
    await button(page, "Start").click();
    await button(page, "Skip this drill").click();
    await page.getByText("Drill skipped").waitFor();
    await end(page);
    await page.getByRole("link", { name: /What was run, who was there/ }).click();
    await page.waitForURL(`/classes/${id}`);
    await ready(page);
    await page.getByText("3 there, 1 of them on no list.").waitFor();
    await page.getByText(/Ticked: .*Wren/).waitFor();
    await page.getByText("left early").first().waitFor();
    expect(await violations(page)).toEqual([]);
    // It stands with the group’s classes.
    await page.goto("/groups");
    await page
      .getByRole("link", { name: /junior rowers/i })
      .first()
      .click();
    await page.getByRole("region", { name: "Classes" }).getByText("Rowers before the boat").first().waitFor();
  });

  it("do something else where they need to: on one page before it begins, changed for one of them", async () => {
    const { page, id, link } = await lead("Staff lunchtime");
    await button(page, "Who is here").click();
    await page.getByRole("link", { name: "Who does what instead" }).click();
    await page.waitForURL(`/live/${id}/instead`);
    await ready(page);
    await page
      .getByText(/better a session of their own/)
      .first()
      .waitFor();
    expect(await violations(page)).toEqual([]);
    const change = page.getByRole("button", { name: /^Change what Leila does at/ }).first();
    const drill = (await change.getAttribute("aria-label"))!.replace("Change what Leila does at ", "");
    await change.click();
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("Rest", { exact: true }).check();
    await dialog.getByRole("button", { name: "Keep it" }).click();
    await page.getByText("(chosen)").first().waitFor();
    // Nothing that is not offered is taken.
    const wrong = await page.request.post(`/live/${id}/instead`, {
      form: { person: crypto.randomUUID(), at: "0.0", does: "rest" },
      headers: { origin: world.base },
    });
    expect(wrong.status()).toBe(422);
    const phone = await join(link, "Leila");
    await page.goto(`/live/${id}`);
    await page.getByText(/in step within/).waitFor();
    await button(page, "Start").click();
    await button(page, "Hold").click();
    await button(page, "Go").waitFor();
    for (let i = 0; i < 9; i++) {
      await phone.getByTestId("drill").waitFor();
      if ((await page.getByTestId("drill").innerText()).startsWith(drill)) break;
      const before = await drillOf(page);
      await button(page, "Skip this drill").click();
      await expect.poll(() => drillOf(page)).not.toBe(before);
    }
    await expect.poll(() => drillOf(phone)).toBe("Rest here");
  });

  it("get another drill in place of the next, on every screen, and get it back", async () => {
    const { page } = await lead("Rowers before the boat");
    await button(page, "Start").click();
    await page.getByTestId("drill").waitFor();
    const wall = await wallOf(page);
    const swap = async (): Promise<string> => {
      await button(page, "Swap what comes next for another drill").click();
      const way = page
        .getByRole("dialog")
        .getByRole("button", { name: / in place of / })
        .first();
      const name = (await way.getAttribute("aria-label"))!.split(/, | in place of /)[0]!;
      await way.click();
      await page.getByText(`${name} in place of`).waitFor();
      return name;
    };
    // Held, so that nothing goes on by itself while it is looked at.
    await button(page, "Hold").click();
    await button(page, "Go").waitFor();
    await swap();
    expect(await violations(page)).toEqual([]);
    await button(page, "Undo").click();
    await page.getByText(/ in place of /).waitFor({ state: "detached" });
    const name = await swap();
    await button(page, "Skip this drill").click();
    for (const screen of [page, wall]) await expect.poll(() => drillOf(screen)).toContain(name);
    // What is worked out from then on goes by it.
    await button(page, "Finish by a time").click();
    await page
      .getByRole("dialog")
      .getByText(/ends at \d\d:\d\d:\d\d/)
      .waitFor();
  });

  it("can read the wall across the hall, with what is done instead beside the drill", async () => {
    const { page } = await lead("Staff lunchtime");
    const wall = await wallOf(page);
    await button(page, "Start").click();
    await wall.getByTestId("drill").waitFor();
    await button(page, "Hold").click();
    await wall.getByText("Hold on").waitFor();
    // To a drill that some can’t do.
    const heads = wall.locator("footer p").filter({ hasText: ":" });
    for (let i = 0; i < 9 && (await heads.count()) < 2; i++) {
      const before = await drillOf(wall);
      await button(page, "Skip this drill").click();
      await expect.poll(() => drillOf(wall)).not.toBe(before);
    }
    expect(await heads.count()).toBeGreaterThan(1);
    expect(await tooFaint(wall)).toEqual([]);
    const small = await wall.locator("main p:visible, main h2:visible").evaluateAll((all) =>
      all.flatMap((one) => {
        const size = parseFloat(getComputedStyle(one).fontSize);
        return one.textContent?.trim() && size < innerHeight / 30 - 0.5 ? [`${one.textContent}: ${size}`] : [];
      }),
    );
    expect(small).toEqual([]);
    const figures = () => wall.locator("main svg[role='img'], main canvas, main [data-figure]").count();
    const one = await figures();
    await wall.mouse.move(300, 300);
    await button(wall, "Alternatives beside it").click();
    await expect.poll(figures).toBeGreaterThan(one);
    expect(await tooFaint(wall)).toEqual([]);
    await button(wall, "Only the drill").click();
    await expect.poll(figures).toBe(one);
  });

  it("are led by somebody who has rehearsed it alone, by a fast clock", async () => {
    const { page, session } = await lead("Rowers before the boat");
    await page.goto(`${session}/hand-out`);
    await ready(page);
    await page.getByRole("link", { name: "Rehearse" }).first().click();
    await page.waitForURL(/\/rehearsal\//);
    await page.getByText("nobody else sees this").waitFor();
    expect(await violations(page)).toEqual([]);
    // Whoever stands in for the coach starts a class from what was handed out.
    const { page: other } = await world.visitor(PHONE);
    await signIn(other, { email: "assistant@kestrelsound.example", password: DEMO.password });
    await other.goto(`${session}/hand-out`);
    await ready(other);
    await button(other, "Run this").first().click();
    await other.getByText(/in step within/).waitFor();
    await button(page, "30×").click();
    await button(page, "Start").click();
    const first = await drillOf(page);
    // By itself, in seconds.
    await expect.poll(() => drillOf(page)).not.toBe(first);
    await button(page, "Finish by a time").click();
    await page
      .getByRole("dialog")
      .getByText(/ends at \d\d:\d\d:\d\d/)
      .waitFor();
    await page.keyboard.press("Escape");
    await page.getByText("That was it").waitFor({ timeout: 40_000 });
  });

  it("hear it from one device: tones at the same moment wherever they are switched on, laid minutes ahead", async () => {
    const heard = `(() => {
      const tones = (window.tones = []);
      const start = OscillatorNode.prototype.start;
      OscillatorNode.prototype.start = function (when) {
        const { currentTime } = this.context;
        tones.push({ at: Date.now() + (when - currentTime) * 1000, ahead: when - currentTime });
        return start.call(this, when);
      };
    })()`;
    const { page, link } = await lead("Rowers before the boat");
    await page.addInitScript(heard);
    await page.reload();
    await page.getByText(/in step within/).waitFor();
    const phone = await join(link, "Moss");
    await phone.evaluate(heard);
    const none = await page.evaluate(() => (window as unknown as { tones: unknown[] }).tones.length);
    expect(none).toBe(0);
    await button(page, "Start").click();
    await phone.getByTestId("drill").waitFor();
    await button(page, "Sound from this device").click();
    await button(phone, "Sound from this phone").click();
    type Tone = { at: number; ahead: number };
    const tones = (of: Page) => of.evaluate(() => (window as unknown as { tones: Tone[] }).tones);
    for (const device of [page, phone]) await expect.poll(async () => (await tones(device)).length).toBeGreaterThan(10);
    const [mine, theirs] = [await tones(page), await tones(phone)];
    expect(Math.max(...mine.map(({ ahead }) => ahead))).toBeGreaterThan(90);
    // Each tone of the one is one of the other, within what two clocks in step may part by.
    const off = mine
      .slice(0, 10)
      .map(({ at }) => Math.min(...theirs.map((one) => Math.abs(one.at - at))))
      .sort((a, b) => a - b);
    expect(off[5]).toBeLessThan(60);
    // At a command they are laid anew.
    const before = (await tones(page)).length;
    await button(page, "Skip this drill").click();
    await expect.poll(async () => (await tones(page)).length).toBeGreaterThan(before);
  });
});
