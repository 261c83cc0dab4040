import { afterAll, beforeAll, expect, it } from "vitest";
import { newestAddress, openDesk, PHONE, ready, signIn, startWorld, type World } from "./harness";
import { checkScreen, EACH_LOOK, looks, tooFaint } from "./screen-checks";

let world: World;
let link: string;
beforeAll(async () => {
  world = await startWorld();
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Rowers before the boat");
  await page.getByRole("link", { name: "Hand out" }).click();
  link = await newestAddress(page);
});
afterAll(() => world.end());

it.each(EACH_LOOK)(
  "begun %s and %s, no screen of the athlete’s has an accessibility violation",
  async (look, _, options) => {
    const { page, context } = await world.visitor({ ...options, bypassCSP: true });
    await context.addCookies(looks(look, world.base));
    await page.clock.install();
    await page.goto(link);
    await ready(page);
    expect(await page.locator("html").getAttribute("data-theme")).toBe(look);
    await checkScreen(page, "ready check");
    await page.getByText("Someone else").click();
    await checkScreen(page, "ready check, someone else");
    await page.getByRole("button", { name: "Start" }).click();
    for (const [seconds, where] of [
      [1, "fetching"],
      [10, "watching first"],
      [25, "repetitions"],
      [180, "left"],
      [60, "breath"],
    ] as const) {
      await page.clock.runFor(seconds * 1000 + 200);
      await checkScreen(page, where);
    }
    await page.clock.fastForward(20_000);
    await page.clock.runFor(200);
    await page.getByText("You were away").waitFor();
    await checkScreen(page, "back from being away");
    await page.getByRole("button", { name: "Go on from here" }).click();
    await page.getByRole("button", { name: "Pause" }).click();
    await page.getByRole("button", { name: "More", exact: true }).click();
    await checkScreen(page, "paused, more");
    await page.getByRole("button", { name: "End here" }).click();
    await page.getByRole("heading", { name: /Ended early/ }).waitFor();
    await page.getByLabel("Yes").check({ force: true });
    await checkScreen(page, "check-in");
    await page.getByRole("button", { name: /^Later/ }).click();
    await page.getByText("Waiting on this device").waitFor();
    await checkScreen(page, "ready check, with a check-in that waits");
    await page.goto(link.replace(/.{4}$/, "AAAA"));
    await checkScreen(page, "a link that does not open");
  },
);

it("the player's words and figures have a contrast of 7 to 1 or more", async () => {
  const { page } = await world.visitor(PHONE);
  await page.clock.install();
  await page.goto(link);
  await ready(page);
  await page.getByText("Pip", { exact: true }).click();
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.fastForward(30_000);
  await page.clock.runFor(200);
  expect(await tooFaint(page)).toEqual([]);
});

it("touch targets of the player are at least 44 px high", async () => {
  const { page } = await world.visitor(PHONE);
  await page.goto(link);
  await ready(page);
  await page.getByText("Pip", { exact: true }).click();
  await page.getByRole("button", { name: "Start" }).click();
  const small = await page
    .getByRole("button")
    .evaluateAll((all) =>
      all.map((b) => [b.textContent, b.getBoundingClientRect().height] as const).filter(([, h]) => h < 44),
    );
  expect(small).toEqual([]);
});
