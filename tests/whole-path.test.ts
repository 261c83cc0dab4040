import { afterAll, beforeAll, expect, it } from "vitest";
import {
  addFirst,
  ANA,
  clockSeconds,
  newestAddress,
  PHONE,
  ready,
  saved,
  signIn,
  startWorld,
  toSessions,
  total,
  type World,
} from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

it("from sign-in to the check-in seen by the coach", async () => {
  const { page } = await world.visitor();
  await signIn(page, ANA);
  await toSessions(page);
  await page.getByText("No sessions yet").waitFor();

  // A new session from nothing, with a promise of 3:30.
  await page.getByRole("button", { name: "New session" }).first().click();
  await page.getByLabel("Name").fill("Before the lake");
  await page.getByLabel("Target length").fill("3:30");
  await page.getByRole("button", { name: "Make session" }).click();
  await addFirst(page, "cat camel");
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
  await page.locator("[data-row]").first().waitFor();
  // Cat–camel: fetch the pad 4, watch 20, eight repetitions of 5 s.
  await expect.poll(() => total(page)).toBe(4 + 20 + 40);

  // Add two drills; each shows in the length at once.
  const search = page.getByPlaceholder(/Add a drill/);
  await search.fill("hip flexor hold");
  await search.press("Enter");
  // Up from hands and knees to half-kneeling 5 (the pad is there already), watch 20, 30 left, change 6, 30 right.
  await expect.poll(() => total(page)).toBe(64 + 5 + 20 + 30 + 6 + 30);
  await search.fill("long-exhale");
  await search.press("Enter");
  await search.press("Escape");
  // Down to lying 9, watch 20, six breaths of 12 s.
  await expect.poll(() => total(page)).toBe(155 + 9 + 20 + 72);
  await page.getByText("46 s over").waitFor();

  // The hold to 20 s a side, five breaths, an effort a coach would make to land on the promise.
  await page.locator('[data-row="drill 0.1"]').click();
  await page.getByRole("textbox", { name: "Seconds a side" }).fill("20");
  await expect.poll(() => total(page)).toBe(236);
  await page.locator('[data-row="drill 0.2"]').click();
  await page.getByRole("textbox", { name: "Breaths a side" }).fill("4");
  await expect.poll(() => total(page)).toBe(212);
  await page.locator('[data-row="drill 0.0"]').click();
  await page.getByRole("textbox", { name: "Watch first" }).fill("18");
  await expect.poll(() => total(page)).toBe(210);
  await page.getByText("on target").waitFor();

  // Undo and do again.
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect.poll(() => total(page)).toBe(212);
  await page.getByRole("button", { name: /^Redo/ }).click();
  await expect.poll(() => total(page)).toBe(210);
  await saved(page);
  await page.reload();
  await ready(page);
  await expect.poll(() => total(page)).toBe(210);

  // Hand it out.
  await page.getByRole("link", { name: "Hand out" }).click();
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("heading", { name: "Edition 1" }).waitFor();
  const address = await newestAddress(page);

  // An athlete on a phone, with a clock the test can turn.
  const { page: phone } = await world.visitor(PHONE);
  await phone.clock.install({ time: new Date("2026-05-04T17:00:00Z") });
  await phone.goto(address);
  await ready(phone);
  await phone.getByRole("heading", { name: "Before you start" }).waitFor();
  await phone.getByText("kneeling pad").waitFor();
  await phone.getByText("3:30").first().waitFor();
  await phone.getByLabel(/initials or nickname/).fill("Tern");
  await phone.clock.pauseAt(new Date("2026-05-04T17:01:00Z"));
  await phone.getByRole("button", { name: "Start" }).click();
  await phone.getByTestId("heading").getByText("Get your kit").waitFor();
  await phone.clock.runFor(4_100);
  expect(await phone.getByTestId("heading").innerText()).toBe("Watch first");
  await phone.clock.runFor(18_000);
  expect(await phone.getByTestId("drill").innerText()).toContain("Cat–camel");
  expect(await phone.getByTestId("big").innerText()).toBe("1");
  await phone.clock.runFor(70_300);
  expect(await phone.getByTestId("drill").innerText()).toContain("hip flexor hold");
  expect(await phone.getByTestId("side").innerText()).toBe("LEFT");
  // 92.4 s have gone; 117.6 are left, shown rounded up.
  expect(clockSeconds(await phone.getByTestId("session-left").innerText())).toBe(118);
  // Left alone it ends at the second promised: 210 s after the tap, not before.
  await phone.clock.runFor(117_400);
  await phone.getByTestId("session-left").waitFor();
  await phone.clock.runFor(400);
  await phone.getByRole("heading", { name: /Done/ }).waitFor();
  await phone.getByText("100 % of the work").waitFor();

  // The check-in.
  await phone.getByLabel("6", { exact: true }).check({ force: true });
  await phone.getByLabel("left upper back, tightness 0 to 10").fill("3");
  await phone.getByLabel("right upper back, tightness 0 to 10").fill("8");
  await phone.getByLabel("Yes").check({ force: true });
  await phone.getByText("see a licensed practitioner").waitFor();
  await phone.getByLabel("Where in the body?").fill("front of the right hip");
  await phone.getByRole("button", { name: "Send" }).click();
  await phone.getByText("Sent. Thank you.").waitFor();

  // The coach sees it, pain first.
  await page.goto("/feedback");
  await ready(page);
  await page.getByText("report of pain").first().waitFor({ state: "attached" });
  const pain = page.getByRole("article");
  expect(await pain.innerText()).toContain("front of the right hip");
  const row = await page.getByRole("listitem").filter({ hasText: "Tern" }).innerText();
  expect(row).toContain("100 %");
  expect(row).toContain("effort 6");
  expect(row.replace(/\s+/g, " ")).toContain("upper back 3 8");
  await page.getByRole("button", { name: "I have spoken to them" }).click();
  await page.getByRole("listitem").filter({ hasText: "Tern" }).getByLabel("spoken to").waitFor();
  expect(await page.getByRole("article").count()).toBe(0);
});
