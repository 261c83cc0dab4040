import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, expect, it, onTestFinished } from "vitest";
import { isNull } from "drizzle-orm";
import { newestAddress, openDesk, PHONE, phoneIn, ready, signIn, startWorld, violations, type World } from "./harness";
import type { BrowserContext, Page } from "playwright-core";
import { link, painReport } from "~/db/schema";

let world: World;
let coach: Page;
let address: string;

beforeAll(async () => {
  world = await startWorld();
  ({ page: coach } = await world.visitor());
  await signIn(coach);
  await openDesk(coach, "Rowers before the boat");
  await coach.getByRole("link", { name: "Hand out" }).click();
  address = await newestAddress(coach);
});
afterAll(() => world.end());

/** A phone with a memory of its own. */
function phone() {
  const folder = mkdtempSync(join(tmpdir(), "mapset-phone-"));
  let now: BrowserContext | undefined;
  onTestFinished(async () => {
    await now?.close();
    rmSync(folder, { recursive: true, force: true });
  });
  return {
    on: async () => {
      now = await phoneIn(folder, world.base);
      return now.pages()[0] ?? (await now.newPage());
    },
    off: () => now!.close(),
  };
}

const worksOffline = (page: Page) => page.getByText("Works without a connection on this device.").waitFor();

/** Ends a session that was begun, and tells of pain. */
async function tellOfPain(page: Page, where: string) {
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: "End here" }).click();
  await page.getByLabel("Yes", { exact: true }).check({ force: true });
  await page.getByLabel("Where in the body?").fill(where);
  await page.getByRole("button", { name: "Send" }).click();
}

const toldOf = async (where: string) =>
  (await world.db.select().from(painReport)).filter((one) => one.where === where).length;

it("opens from a cold start with no server there, is followed with its figure, and tells of pain once there is one again", async () => {
  const device = phone();
  const before = await device.on();
  await before.goto(address);
  await worksOffline(before);
  expect(await violations(before)).toEqual([]);
  await device.off();

  await world.stopServer();
  const page = await device.on();
  const start = performance.now();
  await page.goto(address);
  await page.getByRole("heading", { name: "Rowers before the boat" }).waitFor();
  await page.getByRole("button", { name: "Start", exact: true }).waitFor();
  const shown = performance.now() - start;
  await ready(page);
  await page.getByText("Olli", { exact: true }).click();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await page.locator('[data-testid="figure"] path, svg.figure path').first().waitFor();
  await tellOfPain(page, "right hip, in flight");
  await page.getByText("Saved on this device").waitFor();
  expect(shown).toBeLessThan(2_000);
  await device.off();

  await world.startServerAgain();
  expect(await toldOf("right hip, in flight")).toBe(0);
  const again = await device.on();
  await again.goto(address);
  await expect.poll(() => toldOf("right hip, in flight"), { timeout: 15_000 }).toBe(1);
  await again.getByText("Waiting on this device").waitFor({ state: "detached" });
});

it("of several people on one phone, each is told of once, from whichever tab", async () => {
  const { context, page } = await world.visitor(PHONE);
  const other = await context.newPage();
  await Promise.all(
    [page, other].map(async (one) => {
      await one.goto(address);
      await ready(one);
    }),
  );
  await context.setOffline(true);
  for (const [one, name] of [
    [page, "Tern"],
    [other, "Pip"],
  ] as const) {
    await one.bringToFront();
    await one.getByText(name, { exact: true }).click();
    await one.getByRole("button", { name: "Start", exact: true }).click();
    await tellOfPain(one, `left foot of ${name}`);
    await one.getByText("Saved on this device").waitFor();
  }
  await other.getByRole("button", { name: "Back to the start" }).click();
  await other.getByText("Tern’s check-in is waiting to be sent").waitFor();
  await context.setOffline(false);
  for (const name of ["Tern", "Pip"])
    await expect.poll(() => toldOf(`left foot of ${name}`), { timeout: 20_000 }).toBe(1);
  await page.getByText("Sent. Thank you.").waitFor();
});

it("on a phone that keeps nothing says so, asks before it is closed, and sends once it can", async () => {
  const { context, page } = await world.visitor(PHONE);
  await context.addInitScript(() => {
    const refuse = () => {
      throw new DOMException("The operation is insecure.", "SecurityError");
    };
    Object.defineProperty(window, "localStorage", { get: refuse });
    IDBFactory.prototype.open = refuse;
  });
  await page.goto(address);
  await ready(page);
  await page.getByText("This browser can’t store anything", { exact: false }).waitFor();
  await page.getByText("Skua", { exact: true }).click();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await context.setOffline(true);
  await tellOfPain(page, "back of the left thigh");
  await page.getByText("It will be lost if you close this page", { exact: false }).waitFor();
  const asked = page.waitForEvent("dialog");
  await page.close({ runBeforeUnload: true });
  await (await asked).dismiss();
  await context.setOffline(false);
  await page.getByText("Sent. Thank you.").waitFor();
  expect(await toldOf("back of the left thigh")).toBe(1);
});

it("that cannot take out what has arrived does not send it again and again", async () => {
  const { context, page } = await world.visitor(PHONE);
  let sent = 0;
  page.on("request", (request) => request.url().endsWith("/check-in") && sent++);
  await context.addInitScript(() => {
    IDBObjectStore.prototype.delete = () => {
      throw new DOMException("The disk is full.", "QuotaExceededError");
    };
  });
  await page.goto(address);
  await ready(page);
  await page.getByText("J. K.", { exact: true }).click();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await tellOfPain(page, "arch of the right foot");
  await page.getByText("Sent. Thank you.").waitFor();
  await page.getByRole("button", { name: "Back to the start" }).click();
  await page.getByRole("button", { name: "Start", exact: true }).waitFor();
  expect([await toldOf("arch of the right foot"), sent]).toEqual([1, 1]);
});

it("forgets what is on a device, after it was asked twice and said what is lost", async () => {
  const device = phone();
  const page = await device.on();
  await page.goto(address);
  await worksOffline(page);
  await page.getByText("Wren", { exact: true }).click();
  await page.context().route("**/check-in*", (route) => route.abort());
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await tellOfPain(page, "never told");
  await page.getByText("Saved on this device").waitFor();
  await page.getByRole("button", { name: "Back to the start" }).click();
  await page.getByRole("button", { name: "Clear this device" }).click();
  await page.getByText("One check-in that your coach hasn’t seen goes with it.", { exact: false }).waitFor();
  await page.keyboard.press("Escape");
  expect(await page.getByText("Wren’s check-in is waiting to be sent").count()).toBe(1);
  await page.getByRole("button", { name: "Clear this device" }).click();
  await page.getByRole("button", { name: "Clear it" }).click();
  await page.getByText("Nothing is left on this device.", { exact: false }).waitFor();
  expect(await page.getByText("Waiting on this device").count()).toBe(0);
  // Nor is anything written down again by a page that stays open.
  await page.getByText("Pip", { exact: true }).click();
  await page.getByRole("status").filter({ hasText: "Nothing is left" }).waitFor();
  const left = await page.evaluate(async () => ({
    storage: Object.keys(localStorage),
    pages: (
      await Promise.all(
        (await caches.keys())
          .filter((name) => name.startsWith("mapset-pages"))
          .map(async (name) => (await (await caches.open(name)).keys()).length),
      )
    ).reduce((a, b) => a + b, 0),
  }));
  expect(left).toEqual({ storage: [], pages: 0 });
});

it("takes the page of a withdrawn link along", async () => {
  const device = phone();
  const page = await device.on();
  await page.goto(address);
  await worksOffline(page);
  await world.db.update(link).set({ withdrawnAt: new Date() }).where(isNull(link.withdrawnAt));
  await page.reload();
  await page.getByText("This link has been withdrawn.", { exact: false }).waitFor();
  await world.stopServer();
  expect(
    await page.goto(address).then(
      () => "shown",
      () => "not shown",
    ),
  ).toBe("not shown");
  await world.startServerAgain();
});

it("says what it can be put on a phone as, and asks nothing of a link that does not open", async () => {
  const manifest = await (await fetch(`${address}/app.webmanifest`)).text();
  // Withdrawn in the test before.
  expect(manifest).toContain("withdrawn");
  const worker = await fetch(`${world.base}/sw.js`);
  expect([worker.status, worker.headers.get("cache-control")]).toEqual([200, "no-cache"]);
  expect((await fetch(`${world.base}/assets/none.js`)).status).toBe(404);
});
