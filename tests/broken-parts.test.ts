import type { BrowserContext, Page } from "playwright-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { button, codeOf, endClass, join, lead } from "./class-steps";
import { newestAddress, openDesk, PHONE, ready, signIn, startWorld, type World } from "./harness";

/*
 * No drawing, count or call may end a run. Each part of what is followed is broken on purpose, on every screen at once: the
 * class goes on, with at least the drill's name and a clock.
 */

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const PARTS = [
  "figure",
  "progress",
  "heading",
  "side",
  "count",
  "guide",
  "words",
  "what to do",
  "what now",
  "wall",
  "stage",
];

/** Breaks parts on all pages of a visitor from now on, also those that are loaded anew. */
async function breaks(context: BrowserContext, parts: readonly string[]): Promise<void> {
  await context.addInitScript((names) => void (globalThis.mapsetBreaks = names), parts);
  for (const page of context.pages())
    await page.evaluate((names) => void (globalThis.mapsetBreaks = names), [...parts]).catch(() => undefined);
}

const alive = async (page: Page, what: string) => {
  // A clock that goes on, and a drill by its name.
  const clock = () => page.getByTestId("big").innerText();
  const before = await clock();
  await expect.poll(clock, { message: what }).not.toBe(before);
  expect((await page.getByTestId("drill").innerText()).length, what).toBeGreaterThan(3);
  expect(await page.getByText("Something went wrong").count(), what).toBe(0);
};

it(
  "with any of its parts broken a class goes on, on the remote, the wall and a phone",
  { timeout: 180_000 },
  async () => {
    const leader = await lead(world);
    const code = await codeOf(leader.page);
    const { page: wall, context: hall } = await world.visitor({ viewport: { width: 1366, height: 768 } });
    await wall.goto("/wall");
    await wall.getByLabel("Code").fill(code);
    await button(wall, "Show the class").click();
    const phone = await join(world, leader.link, "Pip");
    await button(leader.page, "Start").click();
    await wall.getByTestId("drill").waitFor();
    const screens: [string, Page, BrowserContext][] = [
      ["remote", leader.page, leader.context],
      ["wall", wall, hall],
      ["phone", phone, phone.context()],
    ];
    for (const part of PARTS.filter((one) => one !== "stage")) {
      await Promise.all(screens.map(([, , context]) => breaks(context, [part])));
      for (const [name, page] of screens) await alive(page, `${part} broken on the ${name}`);
    }
    // All of it at once, and loaded anew in the hall.
    await Promise.all(screens.map(([, , context]) => breaks(context, PARTS)));
    await wall.reload();
    for (const [name, page] of screens) await alive(page, `everything broken on the ${name}`);
    // What is done to it still reaches everybody, and more time does, too.
    const first = await leader.page.getByTestId("drill").innerText();
    await button(leader.page, "+30 s: 30 seconds more").click();
    await button(leader.page, "Skip this drill").click();
    for (const [name, page] of screens)
      await expect.poll(() => page.getByTestId("drill").innerText(), { message: name }).not.toBe(first);
    await endClass(leader.page);
    await wall.getByText("That was it.").waitFor();
  },
);

it("with any of its parts broken a run of one's own goes on, and comes to its end", { timeout: 120_000 }, async () => {
  const { page: coach } = await world.visitor();
  await signIn(coach);
  await openDesk(coach, "Handball before a game");
  await coach.getByRole("link", { name: "Hand out" }).click();
  const link = await newestAddress(coach);
  const { page, context } = await world.visitor(PHONE);
  await page.clock.install();
  await page.goto(link);
  await ready(page);
  await page.getByText("Someone else").click();
  await button(page, "Start").click();
  for (const part of [...PARTS, undefined]) {
    await breaks(context, part ? [part] : PARTS);
    await page.clock.runFor(2100);
    expect((await page.getByTestId("drill").innerText()).length, part).toBeGreaterThan(3);
    const before = await page.getByTestId("big").innerText();
    // A count of slow repetitions stays for a few seconds.
    let after = before;
    for (let second = 0; second < 12 && after === before; second++) {
      await page.clock.runFor(1000);
      after = await page.getByTestId("big").innerText();
    }
    expect(after, part).not.toBe(before);
  }
  await button(page, "Skip").click();
  await button(page, "End here").click();
  await page.getByRole("heading", { name: /Ended early/ }).waitFor();
});
