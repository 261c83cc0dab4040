import { readFileSync } from "node:fs";
import { afterAll, beforeAll, expect, it } from "vitest";
import {
  freshSession,
  newestAddress,
  PHONE,
  ready,
  row,
  saved,
  signIn,
  startWorld,
  toSessions,
  total,
  violations,
  type World,
} from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const START = new Date("2026-05-04T17:00:00Z");

it("work and rest by the clock: set for a block, told where a change is too long, fitted, undone, printed, followed", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await freshSession(page, "On the call", "empty");
  const search = page.getByPlaceholder(/Add a drill/);
  await search.fill("hip flexor hold");
  await search.press("Enter");
  // Cat–camel with its pad 4, shown 20, 40; up 5, shown 20, 30, change 6, 30.
  await expect.poll(() => total(page)).toBe(155);
  await search.press("Escape");
  await page.getByRole("button", { name: "Work and rest of Block 1: each drill its own times" }).click();
  const choice = page.getByRole("dialog", { name: "Work and rest of Block 1" });
  await choice.getByLabel("30 s work, 15 s rest").check();
  // The first as before; then the change takes 25 s of a rest of 15; left to right 6 of 15.
  expect(await total(page)).toBe(4 + 20 + 30 + 25 + 30 + 15 + 30);
  await choice.getByLabel("Your own").check();
  await choice.getByRole("textbox", { name: "Work" }).fill("40");
  await choice.getByRole("textbox", { name: "Rest" }).fill("20");
  await choice.getByLabel("40 s work, 20 s rest").waitFor();
  expect(await total(page)).toBe(4 + 20 + 40 + 25 + 40 + 20 + 40);
  await choice.getByRole("button", { name: "Done" }).click();
  expect(await row(page, "Cat–camel").innerText()).toContain("8 × 5 s");
  await saved(page);

  // What does not fit is told, and mended by less of the showing.
  await page.getByRole("tab", { name: /Findings/ }).click();
  await page.getByText("takes 25 s, 5 s more than the rest.").filter({ visible: true }).waitFor();
  await page.getByRole("button", { name: "Watch first 15 s only…" }).click();
  await page.getByRole("button", { name: "Apply" }).click();
  expect(await total(page)).toBe(4 + 20 + 40 + 20 + 40 + 20 + 40);
  await page.getByText("more than the rest.").filter({ visible: true }).waitFor({ state: "detached" });

  // A ramp of effort has times of its own, and is refused in words.
  await search.fill("ankle-effort");
  await search.press("Enter");
  await page
    .getByRole("alert")
    .filter({ hasText: "has its own timing, which a block on a shared clock can’t use." })
    .waitFor();
  await search.press("Escape");
  expect(await total(page)).toBe(184);
  await page.getByRole("alert").getByRole("button", { name: "Close" }).click();
  await saved(page);

  // Print sheet, and as a link.
  const desk = new URL(page.url()).pathname;
  expect(await (await page.request.get(`${desk}/print`)).text()).toContain("40 s work, 20 s rest");
  await page.getByRole("link", { name: "Hand out" }).click();
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("heading", { name: "Edition 1" }).waitFor();
  const address = await newestAddress(page);
  const { page: phone } = await world.visitor(PHONE);
  await phone.clock.install({ time: new Date(START.getTime() - 60_000) });
  await phone.goto(address);
  await ready(phone);
  await phone.getByLabel(/initials or nickname/).fill("Tern");
  await phone.clock.pauseAt(START);
  await phone.getByRole("button", { name: "Start" }).click();
  // In the rest after cat–camel, 64 to 84: up, shown, one count for all of it.
  await phone.clock.runFor(70_000);
  expect(await phone.getByTestId("drill").innerText()).toContain("Half-kneeling hip flexor hold");
  await phone.getByText("0:14", { exact: true }).first().waitFor();
  await phone.clock.runFor(16_000);
  await phone.getByText("0:38", { exact: true }).first().waitFor();
  // And in the rest between the sides, 124 to 144.
  await phone.clock.runFor(44_000);
  await phone.getByText("0:14", { exact: true }).first().waitFor();
  await phone.getByText("Rest", { exact: true }).first().waitFor();
});

it("a session of an earlier Mapset is as it was until it is changed, says by how much it then is shorter, and comes back by undoing", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await toSessions(page);
  const old = JSON.parse(readFileSync("fixtures/samples/session-1.json", "utf8")) as { title: string };
  const answer = await page.request.post("/sessions", {
    multipart: {
      do: "import",
      file: {
        name: "old.json",
        mimeType: "application/json",
        buffer: Buffer.from(JSON.stringify({ ...old, title: "From before" })),
      },
    },
    maxRedirects: 0,
  });
  await page.goto(answer.headers()["location"]!);
  await ready(page);
  expect(await total(page)).toBe(1594);
  await row(page, "Cat–camel").click();
  await page.getByRole("textbox", { name: "Rest after" }).fill("10");
  const told = page
    .getByRole("status")
    .filter({ hasText: "This session was built before times were worked out this way" });
  await told.waitFor();
  const now = await total(page);
  expect(now).toBeLessThan(1594 + 10);
  await expect.poll(() => told.innerText()).toContain(`${1594 + 10 - now} s shorter`);
  await page.getByRole("button", { name: /^Undo/ }).click();
  expect(await total(page)).toBe(1594);
  await told.waitFor({ state: "detached" });
  await page.getByRole("button", { name: /^Work and rest of Ready for the boat/ }).click();
  await page.getByLabel("40 s work, 20 s rest").check();
  expect(await violations(page)).toEqual([]);
});

it("a draft is timed by the clock where that is asked for", async () => {
  const { page } = await world.visitor();
  await signIn(page);
  await page.goto("/sessions/draft");
  await ready(page);
  await page.getByRole("button", { name: "Work and rest: each drill’s own dose" }).click();
  await page.getByLabel("30 s work, 15 s rest").check();
  await page.getByRole("button", { name: "Done", exact: true }).click();
  await page.getByRole("button", { name: "Draft", exact: true }).click();
  await page.getByRole("article").first().getByRole("button", { name: "Open on the desk" }).click({ timeout: 60_000 });
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
  await page.getByRole("button", { name: "Work and rest of Raise: 30/15" }).waitFor();
});
