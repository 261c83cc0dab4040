import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import * as steps from "./class-steps";
import { button, codeOf, drillOf, endClass } from "./class-steps";
import { DEMO, PHONE, ready, signIn, startWorld, violations, type World } from "./harness";
import { tooFaint } from "./screen-checks";

/* The people of a class: who is there, what they do instead, what hurts them, and what is known of it afterwards. */

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const lead = (title: string) => steps.lead(world, title);
const join = (link: string, name: string) => steps.join(world, link, name);
const wallOf = async (page: Page) => steps.wallWith(world, await codeOf(page));

/** A drill as reports have it: by its name, at whichever level. */
const named = (drill: string) => drill.replace(/ \((?:easier|harder)\)$/, "");

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
      // Seen by one who leads it is put away for all who do; it stays in feedback.
      const other = await page.context().newPage();
      await other.goto(page.url());
      await other.getByText(/Moss: something hurts in/).waitFor();
      await button(page, `I have seen that Moss hurts in ${named(drill)}`).click();
      for (const one of [page, other]) await expect.poll(() => one.getByText(/Moss: something hurts/).count()).toBe(0);
      // What hurts next is told again, of its own drill.
      await button(page, "Skip this drill").click();
      await expect.poll(() => drillOf(moss)).not.toBe("Rest here");
      const second = await drillOf(moss);
      await button(moss, "Something hurts").click();
      await button(moss, "Yes, tell my coach").click();
      for (const one of [page, other]) await one.getByText(`Moss: something hurts in ${named(second)}.`).waitFor();
      await other.close();
      await endClass(page);
      await moss.getByText("How was it?").waitFor();
      // Each is asked about by itself.
      await moss.getByRole("group", { name: "What hurt, 1" }).getByLabel("Where in the body?").fill("left wrist");
      await moss.getByRole("group", { name: "What hurt, 2" }).getByLabel("Where in the body?").fill("right hip");
      await button(moss, "Something else hurt, too").click();
      await moss.getByRole("group", { name: "What hurt, 3" }).getByLabel("Where in the body?").fill("neck");
      expect(await violations(moss)).toEqual([]);
      await button(moss, "Send").click();
      await moss.getByText("Sent. Thank you.").waitFor();
      await page.goto("/feedback");
      await ready(page);
      await page.getByRole("heading", { name: "Pain reported" }).waitFor();
      const card = page.locator("article").filter({ hasText: "Moss" }).first();
      const words = await card.innerText();
      expect(words).toMatch(new RegExp(`left wrist\\s+In ${named(drill)}, drill \\d+, \\d+:\\d\\d into the session`));
      expect(words).toMatch(new RegExp(`right hip\\s+In ${named(second)}, drill \\d+, \\d+:\\d\\d into the session`));
      expect(words).toContain("neck");
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
    await endClass(page);
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
    await page.getByText("Hamish").first().waitFor();
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
    // Held, so that nothing goes on by itself while it is looked at.
    await button(page, "Hold").click();
    await button(page, "Go").waitFor();
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

  it("are asked after being away how they go on, also when the page was lost", { timeout: 120_000 }, async () => {
    const { page, link } = await lead("Rowers before the boat");
    const wren = await join(link, "Wren");
    await button(page, "Start").click();
    await wren.getByTestId("drill").waitFor();
    for (const said of ["Next", "Next"]) await button(page, said).click();
    const left = async () => {
      const [, minutes, seconds] = /(\d+):(\d\d) to go/.exec(await page.locator("main").innerText())!;
      return Number(minutes) * 60 + Number(seconds);
    };
    /** Until the class has gone on for so long. */
    const goesOn = async (seconds: number) => {
      const before = await left();
      await expect.poll(async () => before - (await left()), { timeout: 30_000 }).toBeGreaterThanOrEqual(seconds);
    };
    const hide = (hidden: boolean) =>
      wren.evaluate(
        (value) => {
          Object.defineProperty(document, "visibilityState", { configurable: true, get: () => value });
          document.dispatchEvent(new Event("visibilitychange"));
        },
        hidden ? "hidden" : "visible",
      );
    const done = async () => {
      const kept = await wren.evaluate(() =>
        Object.entries(localStorage).flatMap(([key, value]) =>
          key.startsWith("mapset-follow") ? [String(value)] : [],
        ),
      );
      return (JSON.parse(kept[0]!) as { classes: { done: number }[] }).classes[0]!.done;
    };
    // At work: it counts here.
    await expect.poll(done, { timeout: 40_000 }).toBeGreaterThan(0);
    // A glance elsewhere is not asked about.
    await hide(true);
    await goesOn(3);
    await hide(false);
    await goesOn(1);
    expect(await wren.getByText(/You were away/).count()).toBe(0);
    await hide(true);
    await goesOn(12);
    await hide(false);
    await wren.getByText(/You were away 1\d s/).waitFor();
    expect(await violations(wren)).toEqual([]);
    const before = await done();
    await button(wren, "I kept up without the phone").click();
    await expect.poll(done, { timeout: 4000 }).toBeGreaterThan(before + 5);
    // Back to where they were: the same class, later than for the others.
    const then = await drillOf(wren);
    await wren.goto("about:blank");
    await button(page, "Skip this drill").click();
    await page.getByText("Drill skipped").waitFor();
    await goesOn(12);
    await wren.goto(link);
    await ready(wren);
    await button(wren, "Join in step").click();
    await wren.getByText(/You were away/).waitFor();
    await expect.poll(() => drillOf(wren)).not.toBe(then);
    await button(wren, "Go back to where you were").click();
    await wren.getByText(/\d:\d\d behind the class/).waitFor();
    await expect.poll(() => drillOf(wren)).toBe(then);
    await button(wren, "Join where the class is").click();
    await expect.poll(() => drillOf(wren)).not.toBe(then);
    await expect.poll(() => wren.getByText(/behind the class/).count()).toBe(0);
    await endClass(page);
    await wren.getByText("How was it?").waitFor();
  });
});
