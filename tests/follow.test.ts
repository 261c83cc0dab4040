import { afterAll, beforeAll, expect, it } from "vitest";
import {
  clockSeconds,
  newestAddress,
  openDesk,
  PHONE,
  ready,
  saved,
  signIn,
  startWorld,
  violations,
  type World,
} from "./harness";
import type { Page } from "playwright-core";

let world: World;
let address: string;
let coach: Page;

beforeAll(async () => {
  world = await startWorld();
  ({ page: coach } = await world.visitor());
  await signIn(coach);
  await openDesk(coach, "Rowers before the boat");
  await coach.getByRole("link", { name: "Hand out" }).click();
  address = await newestAddress(coach);
});
afterAll(() => world.end());

const START = new Date("2026-05-04T17:00:00Z");

/** A phone on the link, its clock standing still until it is turned. */
async function phoneOnLink(name = "Moss") {
  const { page, context } = await world.visitor(PHONE);
  await page.clock.install({ time: new Date(START.getTime() - 60_000) });
  await page.goto(address);
  await ready(page);
  await page.getByText(name, { exact: true }).click();
  await page.clock.pauseAt(START);
  return { page, context };
}

const left = async (page: Page) => clockSeconds(await page.getByTestId("session-left").innerText());
const TOTAL = 599;

it("pauses, goes on, goes back, skips, repeats a side and takes 15 seconds more", async () => {
  const { page } = await phoneOnLink();
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(10_000);
  expect(await left(page)).toBe(TOTAL - 10);

  await page.getByRole("button", { name: "Pause" }).click();
  await page.clock.fastForward(300_000);
  await page.clock.runFor(200);
  expect(await left(page)).toBe(TOTAL - 10);
  await page.getByRole("button", { name: "Resume" }).click();

  // Fetch the pad to 4 s, watch to 24 s, cat–camel to 64 s.
  await page.getByRole("button", { name: "Skip", exact: true }).click();
  await page.clock.runFor(100);
  expect(await left(page)).toBe(TOTAL - 24);
  await page.clock.runFor(20_000);
  await page.getByRole("button", { name: "Back", exact: true }).click();
  await page.clock.runFor(100);
  expect(await left(page)).toBe(TOTAL - 24);

  await page.getByRole("button", { name: "15 seconds more", exact: false }).click();
  await page.clock.runFor(100);
  expect(await left(page)).toBe(TOTAL - 24 + 15);
  await page.getByRole("button", { name: "Repeat this side" }).click();
  await page.clock.runFor(100);
  // Once more is as long as the drill is set, whatever was added to it before.
  expect(await left(page)).toBe(TOTAL - 24 + 15 + 40);

  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "Skip this drill" }).click();
  await page.clock.runFor(100);
  expect(await page.getByTestId("drill").innerText()).toContain("Prone press-up");
});

it("waits for whoever was away, says nothing of what it slept through, and asks how to go on", async () => {
  const { page } = await phoneOnLink();
  await page.evaluate(() => {
    const spoken: string[] = [];
    Object.assign(window, { spoken });
    window.speechSynthesis.speak = (words) => void spoken.push(words.text);
  });
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(1_000);
  await page.clock.fastForward(120_000);
  await page.clock.runFor(200);
  await page.getByText("You were away 2 min").waitFor();
  expect(await left(page)).toBe(TOTAL - 1);
  expect(await page.getByRole("button", { name: "Go on from here" }).count()).toBe(1);
  await page.getByRole("button", { name: /Catch up/ }).click();
  await page.clock.runFor(200);
  expect(await left(page)).toBe(TOTAL - 121);
  const spoken = await page.evaluate(() => (window as unknown as { spoken: string[] }).spoken);
  expect(spoken.filter((words) => words.startsWith("Next:"))).toHaveLength(1);
  // What was caught up on is not done: 2 of 569 seconds of work and less.
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByText(/^0 % of the work/).waitFor();
});

it("counts nothing of the time a page was closed, and asks when it is opened again", async () => {
  const { page, context } = await phoneOnLink("Wren");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(30_000);
  await page.close();
  const again = await context.newPage();
  await again.clock.install({ time: new Date(START.getTime() + 40 * 60_000) });
  await again.goto(address);
  await ready(again);
  await again.getByRole("button", { name: /^Carry on: 9:2\d to go/ }).click();
  await again.getByText("You were away 40 min").waitFor();
  await again.getByText("The others have finished by now.").waitFor();
  await again.getByRole("button", { name: "End here" }).click();
  await again.getByRole("heading", { name: /Ended early/ }).waitFor();
  await again.getByText(/^[0-3] % of the work, Wren/).waitFor();
});

it("goes on evenly when the device's clock is set in the middle of it", async () => {
  const { page } = await phoneOnLink("Tern");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(10_000);
  const before = await left(page);
  // Put on by three hours, as by a network that knows better.
  await page.clock.setSystemTime(new Date(START.getTime() + 3 * 3_600_000));
  await page.clock.runFor(5_000);
  expect(before - (await left(page))).toBe(5);
  expect(await page.getByText(/You were away/).count()).toBe(0);
});

it("asks whose run it is on a device that several people use", async () => {
  const { page } = await phoneOnLink("Tern");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(40_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "Leave it for later" }).click();
  await page.clock.runFor(100);
  await page.getByText("Moss", { exact: true }).click();
  // Tern's run is Tern's; Moss starts their own.
  await page.getByText("Tern’s session is waiting").waitFor();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await page.clock.runFor(30_000);
  expect(await left(page)).toBe(TOTAL - 30);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByText(/% of the work, Moss/).waitFor();
  await page.getByRole("button", { name: /^Later/ }).click();
  await page.getByRole("button", { name: "Carry on as Tern" }).click();
  await page.getByRole("button", { name: "Resume" }).waitFor();
  expect(await left(page)).toBe(TOTAL - 40);
});

it("keeps the check-in of a finished run until it is sent, with what was filled in", async () => {
  const { page } = await phoneOnLink("Skua");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(30_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByLabel("Yes", { exact: true }).check({ force: true });
  await page.getByLabel("Where in the body?").fill("left shin, on the turn");
  await page.reload();
  await ready(page);
  await page.getByText("Skua: how was it?").waitFor();
  // Leaving it out asks first, and whoever meant something else keeps it.
  const drop = page.getByRole("button", { name: "Discard Skua’s check-in" });
  const question = page.getByRole("alertdialog", { name: "Discard Skua’s check-in?" });
  await drop.click();
  await question.getByText(/If anything hurt, tell them in person/).waitFor();
  await page.keyboard.press("Escape");
  await question.waitFor({ state: "detached" });
  await drop.click();
  await page.keyboard.press("Enter");
  await question.waitFor({ state: "detached" });
  await page.getByRole("button", { name: "Check in", exact: true }).click();
  expect(await page.getByLabel("Where in the body?").inputValue()).toBe("left shin, on the turn");
  await page.getByRole("button", { name: "Send" }).click();
  await page.getByText("Sent. Thank you.").waitFor();
  await page.getByRole("button", { name: "Back to the start" }).click();
  await page.getByRole("button", { name: "Start", exact: true }).waitFor();
  expect(await page.getByText("Waiting on this device").count()).toBe(0);
});

it("leaves a check-in out where somebody says so twice", async () => {
  const { page } = await phoneOnLink();
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(30_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByRole("button", { name: /^Later/ }).click();
  await page.getByRole("button", { name: "Discard Moss’s check-in" }).click();
  await page.getByRole("button", { name: "Discard it" }).click();
  await page.getByText("Waiting on this device").waitFor({ state: "detached" });
  await page.reload();
  await ready(page);
  expect(await page.getByText("Moss: how was it?").count()).toBe(0);
});

it("says what is so when Mapset cannot take a check-in, and sends it later", async () => {
  const { page, context } = await phoneOnLink("Pip");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(30_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByLabel("No", { exact: true }).check({ force: true });
  let asked = 0;
  await context.route("**/check-in*", async (route) =>
    ++asked === 1 ? route.fulfill({ status: 429, json: { kind: "wait" } }) : route.continue(),
  );
  await page.getByRole("button", { name: "Send" }).click();
  await page.getByText("Your connection is fine, but Mapset is busy just now.").waitFor();
  await page.clock.runFor(4_500);
  await page.getByText("Sent. Thank you.").waitFor();
});

it("tells someone what they do instead, before and during, and never what they protect", async () => {
  await world.db.execute(`update person set areas = '[{"area": "wrist-weight", "side": "left"}]' where name = 'Olli'`);
  const { page } = await phoneOnLink("Olli");
  const answer = page.waitForResponse((one) => one.url().includes("/mine?athlete="));
  await page.getByText("Moss", { exact: true }).click();
  await page.getByText("Olli", { exact: true }).click();
  const section = page.getByRole("status").filter({ hasText: "For you, Olli" });
  await section.waitFor();
  const lines = await section.getByRole("listitem").allInnerTexts();
  expect(lines.length).toBeGreaterThan(0);
  const body = await (await answer).text();
  expect(body).not.toMatch(/wrist-weight|"areas"|"stress"/);
  // At its turn the first of them is shown in place of what the others do.
  const others = /^\d+\s+(.*?):/s.exec(lines[0]!)![1]!.trim();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  for (let i = 0; i < 60; i++) {
    await page.clock.runFor(200);
    const drill = await page.getByTestId("drill").innerText();
    expect(drill).not.toBe(others);
    if (/Rest here|\((easier|standard)\)/.test(drill)) return;
    await page.getByRole("button", { name: "Skip", exact: true }).click();
  }
  throw new Error("What is done instead never came");
});

it("has an easier form for today of every drill", async () => {
  const { page } = await phoneOnLink("Moss");
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await page.clock.runFor(26_000);
  const easier = page.getByRole("button", { name: "Easier today" });
  await easier.click();
  await page.clock.runFor(200);
  expect(await page.getByTestId("drill").innerText()).toMatch(/\((easier|smaller) today\)/);
  await easier.click();
  await page.clock.runFor(200);
  expect(await page.getByTestId("drill").innerText()).not.toContain("today");
});

it("shows the countdown on phones lying on their side", async () => {
  const { page } = await phoneOnLink("Moss");
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await page.clock.runFor(26_000);
  for (const [width, height] of [
    [844, 390],
    [812, 375],
    [915, 412],
    [667, 375],
    [640, 360],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const part of ["big", "session-left", "drill", "next"]) {
      const box = (await page.getByTestId(part).boundingBox())!;
      expect(box.y, `${part} at ${width}×${height}`).toBeGreaterThanOrEqual(-1);
      expect(box.y + box.height, `${part} at ${width}×${height}`).toBeLessThanOrEqual(height + 1);
      expect(box.x + box.width, `${part} at ${width}×${height}`).toBeLessThanOrEqual(width + 1);
    }
    const pause = (await page.getByRole("button", { name: "Pause" }).boundingBox())!;
    const big = (await page.getByTestId("big").boundingBox())!;
    expect(big.y + big.height).toBeLessThanOrEqual(pause.y + 1);
  }
});

it("calls drill, side and the end, and each kind of sound can be switched off", async () => {
  const { page } = await phoneOnLink();
  await page.evaluate(() => {
    const spoken: string[] = [];
    const tones: number[] = [];
    Object.assign(window, { spoken, tones });
    window.speechSynthesis.speak = (words) => void spoken.push(words.text);
    // eslint-disable-next-line @typescript-eslint/unbound-method -- it is called on the node it belongs to
    const start = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (when) {
      tones.push(this.frequency.value);
      start.call(this, when);
    };
  });
  const heard = () =>
    page
      .evaluate(() => window as unknown as { spoken: string[]; tones: number[] })
      .then(() =>
        page.evaluate(() => {
          const w = window as unknown as { spoken: string[]; tones: number[] };
          return { spoken: [...w.spoken], tones: w.tones.length };
        }),
      );
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(26_000);
  const first = await heard();
  expect(first.spoken[0]).toBe("Next: Cat–camel. Hands and knees.");
  expect(first.spoken).toContain("Go.");
  await expect.poll(async () => (await heard()).tones).toBeGreaterThan(0);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByLabel("Spoken calls").uncheck();
  await page.getByLabel("Tones").uncheck();
  const before = await heard();
  await page.clock.runFor(30_000);
  const after = await heard();
  expect(after.spoken).toHaveLength(before.spoken.length);
  expect(after.tones).toBe(before.tones);
});

it("lays its tones ahead on the audio clock, and takes back at a pause what has not sounded yet", async () => {
  const { page } = await phoneOnLink();
  await page.evaluate(() => {
    const laid = new Map<OscillatorNode, number>();
    let context: BaseAudioContext;
    Object.assign(window, {
      ahead: () => [...laid.values()].map((when) => when - context.currentTime).sort((a, b) => a - b),
    });
    /* eslint-disable @typescript-eslint/unbound-method -- they are called on the node they belong to */
    const { start, stop } = OscillatorNode.prototype;
    OscillatorNode.prototype.start = function (when = 0) {
      laid.set(this, when);
      context = this.context;
      start.call(this, when);
    };
    OscillatorNode.prototype.stop = function (when = 0) {
      // Taken back: ended before it begins.
      if (when === 0) laid.delete(this);
      stop.call(this, when);
    };
  });
  const ahead = () => page.evaluate(() => (window as unknown as { ahead: () => number[] }).ahead());
  await page.getByRole("button", { name: "Start" }).click();
  await expect.poll(async () => (await ahead()).at(-1) ?? 0).toBeGreaterThanOrEqual(90);
  // The count down to the first work: a second apart, to a hundredth, with no timer in it.
  const [three, two, one] = await ahead();
  expect(Math.abs(two! - three! - 1)).toBeLessThan(0.01);
  expect(Math.abs(one! - two! - 1)).toBeLessThan(0.01);
  await page.getByRole("button", { name: "Pause" }).click();
  await expect.poll(async () => (await ahead()).length).toBe(0);
  await page.getByRole("button", { name: "Resume" }).click();
  await expect.poll(async () => (await ahead()).at(-1) ?? 0).toBeGreaterThanOrEqual(90);
});

it("can be taken up again after the page was lost", async () => {
  const { page } = await phoneOnLink("Wren");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(40_000);
  await page.getByRole("button", { name: "Pause" }).click();
  await page.reload();
  await ready(page);
  await page.getByRole("button", { name: /Carry on: 9:19 to go/ }).click();
  await page.getByRole("button", { name: "Resume" }).waitFor();
  expect(await left(page)).toBe(TOTAL - 40);
});

it("sends a check-in once: tapped twice, and with the connection dropped in between", async () => {
  const { page, context } = await phoneOnLink("A. D.");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(30_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByRole("heading", { name: /Ended early/ }).waitFor();
  await page.getByRole("button", { name: "Send" }).click();
  await page.getByText("Please say yes or no").waitFor();
  await page.getByLabel("No", { exact: true }).check({ force: true });
  await page.getByLabel("2", { exact: true }).check({ force: true });

  // The message arrives, its answer is lost: the phone cannot know and sends again.
  let sent = 0;
  await context.route("**/check-in*", async (route) => {
    sent++;
    if (sent === 1) {
      await route.fetch();
      await route.abort("connectionreset");
    } else await route.continue();
  });
  await page.getByRole("button", { name: "Send" }).dblclick();
  await page.getByText("Saved on this device").waitFor();
  await page.clock.runFor(4_500);
  await page.getByText("Sent. Thank you.").waitFor();
  expect(sent).toBe(2);

  await coach.goto("/feedback");
  await ready(coach);
  expect(await coach.getByRole("listitem").filter({ hasText: "A. D." }).count()).toBe(1);
});

it("keeps a check-in through a closed page and sends it when the link is opened again", async () => {
  const { page, context } = await phoneOnLink("Olli");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(5_000);
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByLabel("No", { exact: true }).check({ force: true });
  await page.getByLabel(/Anything else/).fill("in the tunnel");
  await context.setOffline(true);
  await page.getByRole("button", { name: "Send" }).click();
  await page.getByText("Saved on this device").waitFor();
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(address);
  await ready(again);
  await expect
    .poll(
      async () => {
        await coach.goto("/feedback");
        return coach.getByText("in the tunnel").count();
      },
      { timeout: 10_000 },
    )
    .toBe(1);
});

it("takes a name that is chosen before the page's script has arrived", async () => {
  await world.db.execute(`update person set areas = '["wrist-weight"]' where name = 'Olli'`);
  const { page, context } = await world.visitor(PHONE);
  let arrive = () => {};
  const held = new Promise<void>((resolve) => (arrive = resolve));
  await context.route("**/assets/*.js", async (route) => held.then(() => route.continue()));
  await page.goto(address, { waitUntil: "commit" });
  const choice = page.getByRole("radio", { name: "Olli" });
  await page.getByText("Olli", { exact: true }).click();
  expect(await choice.isChecked()).toBe(true);
  arrive();
  await page.getByRole("status").filter({ hasText: "For you, Olli" }).waitFor();
  expect(await choice.isChecked()).toBe(true);
});

it("gives one person what the coach chose for them, with the link handed out after it", async () => {
  const { page: other } = await world.visitor();
  await signIn(other);
  await openDesk(other, "Rowers before the boat");
  await other.locator("[data-row]").first().click();
  const part = other.getByRole("complementary").locator("details").filter({ hasText: "For one person" });
  await part.locator("summary").click();
  await other.getByLabel("Who", { exact: true }).selectOption({ label: "Skua" });
  const does = other.getByLabel("Does", { exact: true });
  expect(await does.locator("option").first().innerText()).toBe("as the others");
  await does.selectOption({ index: 1 });
  const named = (await does.locator("option").nth(1).innerText()).replace(/, easier$/, "");
  await part.getByRole("listitem").filter({ hasText: "Skua" }).waitFor();
  expect(await violations(other)).toEqual([]);
  await saved(other);
  // It goes where its drill goes, and comes back with it.
  await other.keyboard.press("Escape");
  await other.locator("[data-row]").first().click();
  await other.keyboard.press("Delete");
  await other.keyboard.press("Control+z");
  await other.locator("[data-row]").first().click();
  await other.getByText("For one person (1)").waitFor();
  await saved(other);
  await other.getByRole("link", { name: "Hand out" }).click();
  await other.getByText("What was chosen for single people").waitFor();
  await other.getByRole("button", { name: "Make edition and link" }).click();
  await other.waitForURL(/#editions$/);
  const { page } = await world.visitor(PHONE);
  await page.goto(await newestAddress(other));
  await ready(page);
  await page.getByText("Skua", { exact: true }).click();
  const lines = page.getByRole("status").filter({ hasText: "For you, Skua" });
  await lines.waitFor();
  expect((await lines.getByRole("listitem").first().innerText()).replace(/^the easier level$/, "")).toContain(
    named.replace(/^the easier level$/, "easier"),
  );
  // Whoever opens the link from before does as the others: it is as it was handed out.
  const { page: before } = await phoneOnLink("Skua");
  await before.clock.runFor(2_000);
  expect(await before.getByText("For you, Skua").count()).toBe(0);
});

it("opens nothing once withdrawn", async () => {
  const { page: other } = await world.visitor();
  await signIn(other);
  await openDesk(other, "Staff lunchtime");
  await other.getByRole("link", { name: "Hand out" }).click();
  const link = await newestAddress(other);
  const { page } = await world.visitor(PHONE);
  await page.goto(link);
  await page.getByRole("heading", { name: "Staff lunchtime" }).waitFor();
  const run = await world.visitor(PHONE);
  await run.page.goto(link);
  await ready(run.page);
  await run.page.getByRole("button", { name: "Start", exact: true }).click();
  await run.page.getByRole("button", { name: "Pause" }).waitFor();
  await other.getByRole("button", { name: "Withdraw" }).click();
  await other.getByRole("alertdialog").getByRole("button", { name: "Withdraw" }).click();
  await other.getByText("withdrawn").first().waitFor();
  // Who was under way can still tell: it is kept under the link.
  await run.page.getByRole("button", { name: "More", exact: true }).click();
  await run.page.getByRole("button", { name: "End here" }).click();
  await run.page.getByLabel("Yes", { exact: true }).check({ force: true });
  await run.page.getByLabel("Where in the body?").fill("neck, at the very end");
  await run.page.getByRole("button", { name: "Send" }).click();
  await run.page.getByText("Sent. Thank you.").waitFor();
  await other.goto("/feedback");
  await ready(other);
  await other.getByText("neck, at the very end").first().waitFor();

  const answer = await page.goto(link);
  expect(answer?.status()).toBe(410);
  await page.getByText("This link has been withdrawn. Ask your coach for a new one.").waitFor();
});
