import { afterAll, beforeAll, expect, it } from "vitest";
import { clockSeconds, newestAddress, openDesk, PHONE, ready, signIn, startWorld, type World } from "./harness";
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
const TOTAL = 593;

it("pauses, goes on, goes back, skips, repeats a side and takes 15 seconds more", async () => {
  const { page } = await phoneOnLink();
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(10_000);
  expect(await left(page)).toBe(TOTAL - 10);

  await page.getByRole("button", { name: "Pause" }).click();
  await page.clock.fastForward(300_000);
  await page.clock.runFor(200);
  expect(await left(page)).toBe(TOTAL - 10);
  await page.getByRole("button", { name: "Go on" }).click();

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
  expect(await left(page)).toBe(TOTAL - 24 + 15 + 55);

  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "Skip this drill" }).click();
  await page.clock.runFor(100);
  expect(await page.getByTestId("drill").innerText()).toContain("Prone press-up");
});

it("is at the right second after sleep, and says nothing of what it slept through", async () => {
  const { page } = await phoneOnLink();
  await page.evaluate(() => {
    const spoken: string[] = [];
    Object.assign(window, { spoken });
    window.speechSynthesis.speak = (words) => void spoken.push(words.text);
  });
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(1_000);
  await page.clock.fastForward(200_000);
  await page.clock.runFor(200);
  expect(await left(page)).toBe(TOTAL - 201);
  const spoken = await page.evaluate(() => (window as unknown as { spoken: string[] }).spoken);
  expect(spoken.filter((words) => words.startsWith("Next:"))).toHaveLength(1);
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
  const heard = () => page.evaluate(() => window as unknown as { spoken: string[]; tones: number[] }).then(() => page.evaluate(() => {
    const w = window as unknown as { spoken: string[]; tones: number[] };
    return { spoken: [...w.spoken], tones: w.tones.length };
  }));
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

it("can be taken up again after the page was lost", async () => {
  const { page } = await phoneOnLink("Wren");
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.runFor(40_000);
  await page.getByRole("button", { name: "Pause" }).click();
  await page.reload();
  await ready(page);
  await page.getByRole("button", { name: /Carry on at 0:40/ }).click();
  await page.getByRole("button", { name: "Go on" }).waitFor();
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
  await page.getByText("Kept on this device").waitFor();
  await page.clock.runFor(4_500);
  await page.getByText("Sent. Thank you.").waitFor();
  expect(sent).toBe(2);

  await coach.goto("/heard");
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
  await page.getByText("Kept on this device").waitFor();
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(address);
  await ready(again);
  await expect.poll(async () => {
    await coach.goto("/heard");
    return coach.getByText("in the tunnel").count();
  }, { timeout: 10_000 }).toBe(1);
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
  await other.getByRole("button", { name: "Withdraw" }).click();
  await other.getByRole("alertdialog").getByRole("button", { name: "Withdraw" }).click();
  await other.getByText("withdrawn").first().waitFor();
  const answer = await page.goto(link);
  expect(answer?.status()).toBe(410);
  await page.getByText("This link has been withdrawn. Ask your coach for a new one.").waitFor();
});
