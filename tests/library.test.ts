import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  freshSession,
  ANA,
  BEN,
  newestAddress,
  openDesk,
  PHONE,
  ready,
  rows,
  saved,
  signIn,
  startWorld,
  toSessions,
  violations,
  type World,
} from "./harness";
import { DRILLS } from "~/library";
import type { Page } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const cards = (page: Page) => page.getByRole("region", { name: "Drills" }).getByRole("listitem");
/** Adds a drill once it stands first in the list. */
async function addSeen(page: Page, words: string, name: string): Promise<void> {
  await page.getByPlaceholder(/Add a drill/).fill(words);
  await page.getByRole("option", { name, selected: true }).waitFor();
  await page.keyboard.press("Enter");
}
/** The lines the figure is drawn with, as one text. */
const drawn = (page: Page) =>
  page
    .getByTestId("figure")
    .locator("path.fig-limb")
    .evaluateAll((all) => all.map((path) => path.getAttribute("d")).join(" "));

/** Whoever did not ask for less motion. */
const MOVING = { reducedMotion: "no-preference" } as const;

describe("the library", () => {
  it("finds drills as they are looked for, keeps the search in the address, and opens a drill's page", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await toSessions(page);
    await page.getByRole("link", { name: "Library", exact: true }).click();
    await page.getByText(`${DRILLS.length} drills`, { exact: true }).waitFor();
    await page.getByLabel("Joint").selectOption({ label: "ankle" });
    await page.getByText(new RegExp(`^\\d+ of ${DRILLS.length} drills$`)).waitFor();
    await page.getByLabel("Kit").selectOption({ label: "no kit" });
    await page.waitForURL(/kit=none/);
    await page.getByPlaceholder("Name, joint, kit, posture").fill("circles");
    await page.waitForURL(/q=circles/);
    await cards(page).filter({ hasText: "Ankle circles" }).waitFor();
    expect(await cards(page).count()).toBeLessThan(4);
    await page.getByRole("link", { name: "Ankle circles, leg held still" }).click();
    await page.getByRole("heading", { level: 1, name: "Ankle circles, leg held still" }).waitFor();
    await page.goBack();
    await cards(page).filter({ hasText: "Ankle circles" }).waitFor();
    await page.getByPlaceholder("Name, joint, kit, posture").fill("anvil");
    await page.getByText("No drill matches all of that").waitFor();
    await page.getByRole("link", { name: "Clear all" }).first().click();
    await page.getByText(`${DRILLS.length} drills`, { exact: true }).waitFor();
  });

  it("shows drills of one idea as one, and opens them", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto("/library?q=bridge");
    await ready(page);
    await page.getByText(`4 of ${DRILLS.length} drills`).waitFor();
    const single = page.getByRole("link", { name: "Single-leg hip bridge" });
    expect(await single.count()).toBe(0);
    const alike = page.getByRole("button", { name: "1 more like it" });
    await alike.press("Enter");
    await single.waitFor();
    await alike.press("Enter");
    await single.waitFor({ state: "detached" });
    // At another level the page says what that level says.
    await page.goto("/library/pigeon-upright");
    await ready(page);
    await page.getByText("From hands and knees bring the working shin across").waitFor();
    await page.getByRole("button", { name: "easier", exact: true }).click();
    await page.getByText("Lie on the back, cross the working ankle over the other thigh.").waitFor();
    await page.getByText("Not on wet grass, on hard ground or on a dock or deck.").first().waitFor();
  });
  it("keeps what is typed while a choice before it is still on its way, leaves the field chosen, and goes back", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto("/library");
    await ready(page);
    let answer = () => {};
    const slow = new Promise<void>((resolve) => {
      answer = resolve;
    });
    await page.route(/library\.data.*kit=none/, async (route) => {
      await slow;
      await route.continue().catch(() => undefined);
    });
    const kit = page.getByLabel("Kit");
    const typed = page.getByPlaceholder("Name, joint, kit, posture");
    await kit.selectOption({ label: "no kit" });
    await typed.pressSequentially("circ");
    answer();
    await page.waitForURL(/kit=none/);
    await typed.pressSequentially("les");
    await page.waitForURL((url) => url.searchParams.get("q") === "circles" && url.searchParams.get("kit") === "none");
    expect(await typed.inputValue()).toBe("circles");
    // The chosen field keeps the keyboard.
    await page.getByLabel("Joint").focus();
    await page.getByLabel("Joint").selectOption({ label: "ankle" });
    await page.waitForURL(/joint=ankle/);
    expect(await page.getByLabel("Joint").evaluate((field) => field === document.activeElement)).toBe(true);
    // A motion of another joint goes with its joint.
    await page.getByLabel("Motion").selectOption({ index: 1 });
    await page.waitForURL(/row=an\./);
    await page.getByLabel("Joint").selectOption({ label: "hip" });
    await page.waitForURL((url) => url.searchParams.get("joint") === "hip" && url.searchParams.get("row") === "");
    await page.getByRole("search").getByRole("link", { name: "Clear all" }).click();
    await page.waitForURL(/library$/);
    await expect.poll(() => typed.inputValue()).toBe("");
    expect(await kit.inputValue()).toBe("");
    await page.goBack();
    await expect.poll(() => typed.inputValue()).toBe("circles");
    expect(await page.getByLabel("Joint").inputValue()).toBe("hip");
  });

  it("moves a picture only while it is looked at", async () => {
    const { page } = await world.visitor(MOVING);
    await signIn(page);
    await page.goto("/library?q=leg+swing");
    await ready(page);
    const card = cards(page).first();
    expect(await card.locator("svg.figure").count()).toBe(0);
    await card.hover();
    const limb = card.locator("svg.figure path.fig-limb").first();
    await limb.waitFor();
    const first = await card
      .locator("svg.figure path.fig-limb")
      .evaluateAll((all) => all.map((p) => p.getAttribute("d")).join());
    await page.waitForTimeout(300);
    expect(
      await card.locator("svg.figure path.fig-limb").evaluateAll((all) => all.map((p) => p.getAttribute("d")).join()),
    ).not.toBe(first);
    await page.mouse.move(2, 2);
    await card.locator("svg.figure").waitFor({ state: "detached" });
  });

  it("shows a drill from any side, at any level, with its angles and the sessions that use it", async () => {
    const { page } = await world.visitor(MOVING);
    await signIn(page);
    await page.goto("/library/hip-flexor-turn");
    await ready(page);
    await page.getByRole("link", { name: "Rowers before the boat" }).waitFor();
    await page
      .getByRole("img", { name: /^Angles through a repetition: arm lifted, right/ })
      .locator("svg")
      .waitFor();
    const figure = page.getByRole("region", { name: "Figure" });
    await figure.getByRole("button", { name: "Stop" }).click();
    const now = () => figure.locator("svg.figure path.fig-wear").first().getAttribute("d");
    const before = await now();
    await figure.getByRole("button", { name: "Above" }).click();
    await expect.poll(now).not.toBe(before);
    await figure.getByRole("slider", { name: "Turn" }).focus();
    const above = await now();
    await page.keyboard.press("ArrowRight");
    await expect.poll(now).not.toBe(above);
    await figure.getByRole("button", { name: "easier" }).click();
    await figure.getByRole("img", { name: "Half-kneeling reach and turn, easier" }).waitFor();
    await page.getByRole("heading", { name: "Joint angles through a repetition, easier" }).waitFor();
  });

  it("shows key positions side by side instead of moving, for people who asked for less motion", async () => {
    const { page } = await world.visitor({ reducedMotion: "reduce" });
    await signIn(page);
    await page.goto("/library/hip-flexor-turn");
    await ready(page);
    const row = page.getByRole("img", { name: /key positions$/ });
    await row.waitFor();
    expect(await row.locator("svg").count()).toBe(3);
    const read = () => row.locator("path").evaluateAll((all) => all.map((p) => p.getAttribute("d")).join());
    const first = await read();
    await page.waitForTimeout(400);
    expect(await read()).toBe(first);
  });
});

describe("the figure in follow-along", () => {
  it("moves in step with the work, on the athlete's side, and stands still while paused", async () => {
    const { page: coach } = await world.visitor();
    await signIn(coach);
    await openDesk(coach, "Rowers before the boat");
    await coach.getByRole("link", { name: "Hand out" }).click();
    const { page } = await world.visitor({ ...PHONE, ...MOVING });
    await page.clock.install();
    await page.goto(await newestAddress(coach));
    await ready(page);
    await page.getByText("Pip", { exact: true }).click();
    await page.getByRole("button", { name: "Start" }).click();
    await page.getByTestId("figure").locator("svg.figure path").first().waitFor();
    await page.clock.runFor(30_300);
    const first = await drawn(page);
    await page.clock.runFor(1500);
    await expect.poll(() => drawn(page)).not.toBe(first);
    await page.getByRole("button", { name: "Pause" }).click();
    await page.clock.runFor(300);
    const paused = await drawn(page);
    await page.clock.runFor(2000);
    expect(await drawn(page)).toBe(paused);
  });
});

describe("a coach's own drill", () => {
  it("is copied, posed by slider, handle and key, undone, kept as a revision, used in a session, and offered when newer", async () => {
    const { page } = await world.visitor({ bypassCSP: true });
    await signIn(page, ANA);
    await page.goto("/library/bridge");
    await ready(page);
    await page.getByRole("button", { name: "Copy as my own" }).click();
    await page.waitForURL(/\/library\/own-[0-9a-f-]+-1\/edit$/);
    await ready(page);
    await page.getByText("Above the floor, on its contacts, within joint range.").waitFor();
    await page.getByLabel("Name", { exact: true }).fill("Bridge with a long reach");

    // A slider far enough takes the hip past its limit, and undo takes it back.
    await page.getByRole("button", { name: "2 beat 1" }).click();
    const tilt = page.getByRole("slider", { name: /tip forward/i });
    await tilt.focus();
    for (let i = 0; i < 40; i++) await page.keyboard.press("ArrowLeft");
    await page
      .getByRole("status")
      .filter({ hasText: /past what a joint does|off the place|through the floor/ })
      .first()
      .waitFor();
    await page.getByRole("button", { name: /^Undo: pelvis: tip forward/ }).click();
    await page.getByText("Above the floor, on its contacts, within joint range.").waitFor();

    // A handle moves with the pointer, and with the arrow keys.
    const handle = page.getByRole("button", { name: /^Right hand: drag/ });
    const before = await handle.getAttribute("cx");
    const box = (await handle.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x - 60, box.y - 80, { steps: 5 });
    await page.mouse.up();
    await expect.poll(() => handle.getAttribute("cx")).not.toBe(before);
    const dragged = await handle.getAttribute("cy");
    await handle.focus();
    await page.keyboard.press("ArrowUp");
    await expect.poll(() => handle.getAttribute("cy")).not.toBe(dragged);

    // A level has a set-up of its own, which begins as the drill's; undo takes it away again.
    const own = page.getByRole("checkbox", { name: "Has set-up of its own" });
    expect(await own.count()).toBe(0);
    await page
      .getByRole("group", { name: "Level to describe" })
      .getByRole("button", { name: "easier", exact: true })
      .click();
    await own.check();
    await page.getByRole("textbox", { name: "Its set-up, line 1" }).fill("Lie on the back, feet on a box.");
    await page.getByRole("button", { name: /^Undo: easier: its set-up/ }).click();
    await page.getByRole("button", { name: /^Undo: easier: its set-up/ }).click();
    expect(await own.isChecked()).toBe(false);

    // A fault that is taken out takes its reason with it; the next keeps its own.
    const why = page.getByRole("textbox", { name: "See and say 1: why (optional)" });
    const next = await page.getByRole("textbox", { name: "See and say 2: why (optional)" }).inputValue();
    expect(next).not.toBe(await why.inputValue());
    await page.getByRole("button", { name: "Remove See and say 1" }).click();
    expect(await why.inputValue()).toBe(next);
    await page.getByRole("button", { name: /^Undo: faults/ }).click();
    await page.getByLabel("Of two different legs, the called side is").or(page.getByLabel("Left and right")).waitFor();

    // A level goes round both ways where the drill doesn't, under names of its own.
    await page.getByLabel("Its directions").selectOption("two");
    await page.getByLabel("First direction of this level is called").fill("outwards");

    // It takes its place beside other drills; a link without a drill or a why can't be saved, and says so.
    const beside = page.getByRole("region", { name: "Beside other drills" });
    await beside.getByLabel("The same idea as").selectOption("no other drill");
    await beside.getByRole("button", { name: "A drill", exact: true }).click();
    await page.getByRole("button", { name: "Save as revision 2" }).click();
    await page
      .getByText(/links\.insteadOf\[0\]\.drill/)
      .first()
      .waitFor();
    await beside.getByLabel("Instead of it 1: which drill").selectOption("Reverse lunge");
    await beside.getByLabel("Instead of it 1: why").fill("The same push, one leg at a time.");
    expect(await violations(page)).toEqual([]);

    await page.getByRole("button", { name: "Save as revision 2" }).click();
    await page.getByText(/Revision 2 · Saved/).waitFor();
    await page.getByRole("link", { name: "To its page" }).click();
    await page.getByText("The same push, one leg at a time.").waitFor();

    // In a session: the newest revision is found, and stays when the drill changes.
    await page.goto("/sessions");
    await ready(page);
    await freshSession(page, "With my own", "floor-to-standing");
    await ready(page);
    await addSeen(page, "long reach", "Bridge with a long reach");
    await page.locator("[data-row]").filter({ hasText: "Bridge with a long reach" }).waitFor();
    await saved(page);
    const desk = page.url();
    await page.goto("/library?own=own");
    await ready(page);
    await page.getByRole("link", { name: "Bridge with a long reach" }).click();
    await page.getByRole("link", { name: "Change it" }).click();
    await page.waitForURL(/edit$/);
    await ready(page);
    await page.getByLabel("In one line").fill("Changed since.");
    await page.keyboard.press("Control+s");
    await page.getByText(/Revision 3 · Saved/).waitFor();
    await page.goto(desk);
    await ready(page);
    await page.locator("[data-row]").filter({ hasText: "Bridge with a long reach" }).click();
    await page.getByRole("button", { name: "You have changed this drill since. Use revision 3" }).click();
    await page.getByText("Changed since.").waitFor();
    await saved(page);

    // Handed out with it, an athlete sees it drawn.
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    const link = await newestAddress(page);
    const { page: athlete } = await world.visitor(PHONE);
    await athlete.goto(link);
    await ready(athlete);
    expect(await athlete.content()).toContain("Bridge with a long reach");
    await athlete.clock.install();
    await athlete.reload();
    await ready(athlete);
    await athlete.getByRole("button", { name: "Start" }).click();
    await athlete.getByTestId("figure").getByRole("img").first().waitFor();
    await athlete.getByTestId("figure").locator("svg.figure path").first().waitFor();
  });

  it("asks before changes are left behind, keeps nothing twice, and is found again when put aside", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/library/stick-pass");
    await ready(page);
    await page.getByRole("button", { name: "Copy as my own" }).click();
    await page.waitForURL(/edit$/);
    await ready(page);
    const name = page.getByLabel("Name", { exact: true });
    // Nothing changed: there is nothing to keep, by key either.
    await page.keyboard.press("Control+s");
    await page.getByText("Revision 1 · No changes yet").waitFor();
    await name.fill("Stick pass for two");
    await page.getByRole("link", { name: "Groups" }).click();
    const ask = page.getByRole("alertdialog", { name: "Leave without saving?" });
    await ask.getByRole("button", { name: "Stay here" }).click();
    await ask.waitFor({ state: "detached" });
    expect(await name.inputValue()).toBe("Stick pass for two");
    await page.keyboard.press("Control+s");
    await page.getByText("Revision 2 · Saved").waitFor();
    await name.fill("Never kept");
    await page.getByRole("link", { name: "To its page" }).click();
    await ask.getByRole("button", { name: "Leave without saving" }).click();
    await page.getByRole("heading", { level: 1, name: "Stick pass for two" }).waitFor();

    await page.getByRole("button", { name: "Archive" }).click();
    await page.getByText(/^Archived: it is no longer offered/).waitFor();
    await page.getByRole("link", { name: "Library" }).last().click();
    await ready(page);
    expect(await page.getByRole("link", { name: "Stick pass for two" }).count()).toBe(0);
    await page.getByLabel("Whose").selectOption({ label: "mine, archived (1)" });
    await page.getByRole("link", { name: "Stick pass for two" }).click();
    await page.getByRole("button", { name: "Restore" }).click();
    await page.getByRole("button", { name: "Archive" }).waitFor();
  });

  it("is not handed out before somebody has written its cautions", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/library");
    await ready(page);
    await page.getByRole("button", { name: "New drill" }).click();
    await page.getByLabel("Name").fill("Wall lean with a step");
    await page.getByLabel("Start from").selectOption({ label: "standing" });
    await page.getByRole("button", { name: "Start posing" }).click();
    await page.waitForURL(/edit$/);
    await ready(page);
    await page.getByText("Still to be written: what to watch out for").waitFor();
    const drill = page.url();

    await page.goto("/sessions");
    await ready(page);
    await freshSession(page, "Not ready yet", "floor-to-standing");
    await ready(page);
    const desk = page.url();
    // Enter before their own drills are there waits, and adds nothing that was not seen; alone in the list, it is added.
    const before = await rows(page);
    let release = () => {};
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    await page.route("**/own-drills", async (route) => {
      await held;
      await route.continue();
    });
    await page.reload();
    await ready(page);
    await page.getByPlaceholder(/Add a drill/).fill("wall lean with");
    await page.getByRole("option", { name: /Wall-lean knee drives/, selected: true }).waitFor();
    await page.keyboard.press("Enter");
    await page.getByRole("status").filter({ hasText: "Fetching your own drills" }).waitFor();
    release();
    await page.getByRole("status").filter({ hasText: "Enter adds Wall lean with a step." }).waitFor();
    expect(await rows(page)).toEqual(before);
    await page.getByRole("option", { name: /Wall lean with a step/, selected: true }).waitFor();
    await page.keyboard.press("Enter");
    await expect.poll(() => rows(page)).toHaveLength(before.length + 1);
    await page.locator("[data-row]").filter({ hasText: "Wall lean with a step" }).waitFor();
    await saved(page);
    await page.getByRole("link", { name: "Hand out" }).click();
    const alert = page.getByRole("alert").filter({ hasText: "No cautions written yet for" });
    await alert.getByRole("link", { name: "Wall lean with a step" }).waitFor();
    expect(await page.getByRole("button", { name: "Make edition and link" }).isDisabled()).toBe(true);
    expect(await violations(page)).toEqual([]);
    // A page that was open before is refused as well.
    const answer = await page.request.post(`${desk}/hand-out`, {
      form: { group: "" },
      headers: { origin: new URL(desk).origin },
      maxRedirects: 0,
    });
    expect(answer.status()).toBe(422);
    await page.reload();
    await page.getByText("Nothing handed out yet. Look it over, then make the first link.").waitFor();

    await page.goto(drill);
    await ready(page);
    await page.getByLabel("Watch out, line 1").fill("Not on a slippery floor. Stop when the back complains.");
    await page.keyboard.press("Control+s");
    await page.getByText(/Revision 2 · Saved/).waitFor();
    await page.goto(desk);
    await ready(page);
    await page.locator("[data-row]").filter({ hasText: "Wall lean with a step" }).click();
    await page.getByRole("button", { name: "You have changed this drill since. Use revision 2" }).click();
    await saved(page);
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    expect(await newestAddress(page)).toContain("/f/");
  });

  it("starts from a posture, goes out as a file and comes back, and a hostile file is refused by path", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/library");
    await ready(page);
    await page.getByRole("button", { name: "New drill" }).click();
    await page.getByLabel("Name").fill("Standing knee lift");
    await page.getByLabel("Start from").selectOption({ label: "standing" });
    await page.getByRole("button", { name: "Start posing" }).click();
    await page.waitForURL(/edit$/);
    await ready(page);
    const address = page.url().replace(/\/edit$/, "");
    const file = await (await page.request.get(`${address}/export`)).text();
    await page.goto("/library");
    await ready(page);
    const input = page.locator("input[type=file]");
    const bad = file.replace('"kind": "repeat"', '"kind": "explode"').replace('"region": "whole-body"', '"region": 7');
    await input.setInputFiles({ name: "bad.json", mimeType: "application/json", buffer: Buffer.from(bad) });
    const alert = page.getByRole("alert");
    await alert.getByText("drawing, standard level, kind").waitFor();
    await alert.getByText("body region").waitFor();
    await input.setInputFiles({ name: "good.json", mimeType: "application/json", buffer: Buffer.from(file) });
    await page.waitForURL(/\/library\/own-/);
    await page.getByRole("heading", { level: 1, name: "Standing knee lift" }).waitFor();
  });

  it("is not seen, drawn, exported or changed by another coach, by any address", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await page.goto("/library/cat-camel");
    await ready(page);
    await page.getByRole("button", { name: "Copy as my own" }).click();
    await page.waitForURL(/edit$/);
    const id = /own-[0-9a-f-]+-1/.exec(page.url())![0];
    const { page: other } = await world.visitor();
    await signIn(other, BEN);
    for (const address of [
      `/library/${id}`,
      `/library/${id}/edit`,
      `/library/${id}/export`,
      `/figure/${id}`,
      `/figure/${id}/standard/end.svg`,
    ])
      expect((await other.request.get(address)).status(), address).toBe(404);
    const kept = await other.request.post(`/library/${id}/keep`, {
      data: {
        basedOn: 1,
        doc: ((await (await page.request.get(`/library/${id}/export`)).json()) as { drill: unknown }).drill,
      },
    });
    expect(kept.status()).toBe(404);
    expect(
      (
        await other.request.post(`/library/${id}`, { form: {}, maxRedirects: 0, headers: { origin: world.base } })
      ).status(),
    ).toBe(404);
    expect(await (await other.request.get("/library?own=own")).text()).not.toContain(id);
    const { context } = await world.visitor();
    expect((await context.request.get(`/figure/${id}/standard/end.svg`)).status()).toBe(401);
  });
});
