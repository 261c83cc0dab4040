import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  addFirst,
  ANA,
  BEN,
  freshSession,
  newestAddress,
  openDesk,
  ready,
  row,
  rows,
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

describe("building quickly", () => {
  it("chooses several, makes them longer, copies, pastes and takes them out, and goes back through everything done", async () => {
    const { page, context } = await world.visitor();
    await context.grantPermissions(["clipboard-read", "clipboard-write"]);
    await signIn(page, ANA);
    await freshSession(page, "Several", "floor-to-standing");
    const all = await rows(page);
    await row(page, all[0]!).click();
    await row(page, all[1]!).click({ modifiers: ["Shift"] });
    await page.getByRole("tab", { name: "2 drills" }).waitFor();
    const before = await total(page);
    await page.keyboard.press(".");
    await expect.poll(() => total(page)).toBeGreaterThan(before);
    await page.keyboard.press(",");
    await expect.poll(() => total(page)).toBe(before);
    await page.keyboard.press("Control+c");
    await page.keyboard.press("Control+v");
    await expect.poll(() => rows(page)).toEqual([all[0], all[1], all[0], all[1], ...all.slice(2)]);
    await page.keyboard.press("Delete");
    await expect.poll(() => rows(page)).toEqual(all);

    // Into another session, through the browser's clipboard.
    await page.keyboard.press("a");
    await page.keyboard.press("Control+c");
    await saved(page);
    await freshSession(page, "Another", "empty");
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await rows(page)).length).toBe(1 + all.length);

    // Everything done, by name; and everything there is to do.
    await page.getByRole("button", { name: "Everything done here" }).click();
    await page.getByRole("button", { name: "as it was opened" }).click();
    await expect.poll(async () => (await rows(page)).length).toBe(1);
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => document.activeElement?.getAttribute("aria-label") === "Everything done here");
    await page.keyboard.press("g");
    await page.getByRole("dialog", { name: "Find anything" }).waitFor();
    await page.keyboard.type("redo");
    await page.keyboard.press("Enter");
    await expect.poll(async () => (await rows(page)).length).toBe(1 + all.length);
    await page.getByRole("dialog").waitFor({ state: "detached" });
    await page.keyboard.press("?");
    await page.getByRole("dialog", { name: "Keys of the desk" }).getByText("a step longer", { exact: false }).waitFor();
    expect(await violations(page)).toEqual([]);
  });

  it("adds drills one after the other with the list in sight, into a new block by one key, and gives all chosen one value", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await freshSession(page, "Added", "empty");
    await page.keyboard.press("/");
    await page.keyboard.type("glutes no kneeling");
    await page.keyboard.press("Enter");
    const status = page.getByRole("status").filter({ hasText: "added" });
    await status.getByText(/ added after /).waitFor();
    // The drills below stay in sight, and the next is looked for at once.
    await page.locator("[data-row]").first().waitFor();
    await page.keyboard.type("squats");
    await page.keyboard.press("Shift+Enter");
    await status.getByText(/ added in a new block\.$/).waitFor();
    await page.getByLabel("Name of block 2").waitFor();
    expect(await rows(page)).toHaveLength(3);
    expect(await violations(page)).toEqual([]);
    // Sixty is the most a block takes, and it is said.
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Undo: new block/ }).click();
    await page.keyboard.press("Escape");
    for (let n = 2; n < 64; n *= 2) {
      await page.locator("body").click({ position: { x: 2, y: 2 } });
      await page.keyboard.press("a");
      await page.keyboard.press("Control+c");
      await page.keyboard.press("Control+v");
    }
    // A paste that would be too much is refused whole, in words, and what fits is taken.
    expect(await rows(page)).toHaveLength(32);
    await page
      .getByRole("alert")
      .getByText("Nothing was pasted: 32 drills more would make 64 in this block, and 60 is the most.")
      .waitFor();
    await page.keyboard.press("Escape");
    await page.locator("[data-row]").nth(0).click();
    await page
      .locator("[data-row]")
      .nth(27)
      .click({ modifiers: ["Shift"] });
    await page.keyboard.press("Control+c");
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await rows(page)).length).toBe(60);
    await page.keyboard.press("/");
    await page.keyboard.type("bridge");
    await page.keyboard.press("Enter");
    await page
      .getByRole("status")
      .getByText(/has 60 drills, which is the most/)
      .waitFor();
    await page.keyboard.press("Escape");

    // One value for all that are counted so.
    await page.locator("body").click({ position: { x: 2, y: 2 } });
    await page.keyboard.press("a");
    const panel = page.getByRole("tabpanel", { name: /drills$/ });
    await panel.getByLabel("One value").fill("12");
    await panel.getByRole("button", { name: "Set", exact: true }).click();
    await expect.poll(async () => /\b12 (s|×)/.test(await panel.locator("ol").innerText())).toBe(true);

    // A copy of what is on the desk, opened.
    await saved(page);
    const here = page.url();
    await page.keyboard.press("Escape");
    await page.locator("body").click({ position: { x: 2, y: 2 } });
    await page.keyboard.press("g");
    await page.getByRole("dialog", { name: "Find anything" }).waitFor();
    await page.keyboard.type("duplicate this");
    await page.keyboard.press("Enter");
    await page.waitForURL((url) => /\/sessions\/[0-9a-f-]{36}$/.test(url.href) && url.href !== here);
    await page.getByRole("heading", { name: "Desk: Added, copy" }).waitFor({ state: "attached" });
  });

  it("says kit where it is missed, mends all of a kind, and undoes what was done before leaving", async () => {
    const { page } = await world.visitor();
    await signIn(page, BEN);
    await page.goto("/groups");
    await ready(page);
    await page.getByLabel("New group").fill("No kit yet");
    await page.keyboard.press("Enter");
    await page.getByRole("heading", { level: 1, name: "No kit yet" }).waitFor();
    await page.getByRole("button", { name: /^Kit, floor and caps/ }).click();
    await page.getByLabel("We know what kit there is").check();
    await page.getByLabel("Type what there is").fill("2 sticks, a trampoline");
    await page.keyboard.press("Enter");
    await page.getByText("Mapset has no kit called “a trampoline”.").waitFor();
    expect(await page.getByRole("spinbutton", { name: "stick" }).inputValue()).toBe("2");
    expect(await violations(page)).toEqual([]);
    await page.getByRole("button", { name: "Save" }).click();
    await page.getByRole("dialog").waitFor({ state: "detached" });
    await page.getByRole("link", { name: "Build a session" }).click();
    await page.getByRole("dialog").getByLabel("Name").fill("Holds");
    await page.getByRole("button", { name: "Make session" }).click();
    await addFirst(page, "band over and back");
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-add-drill"));
    await page.keyboard.press("Escape");
    await page.locator("[data-row]").first().click();
    await page.keyboard.press(".");
    const before = await total(page);
    await saved(page);

    // From the finding to the kit and back, the desk as it was.
    await page.keyboard.press("2");
    const finding = page.getByRole("article").filter({ hasText: "There is no light band" });
    await finding.getByRole("button", { name: "The group’s kit…" }).click();
    await page.getByLabel("Type what there is").fill("24 bands");
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Save" }).click();
    await finding.waitFor({ state: "detached" });
    expect(await total(page)).toBe(before);

    // What was done before leaving is undone after coming back, in another page of this tab and after loading anew.
    await page.getByRole("link", { name: "Library" }).click();
    await page.getByRole("heading", { name: "Library" }).waitFor();
    await page.goBack();
    await page.locator("[data-row]").first().waitFor();
    await page.reload();
    await ready(page);
    await page.getByRole("button", { name: /^Undo: / }).click();
    expect(await total(page)).toBeLessThan(before);
    await page.getByRole("button", { name: /^Redo: / }).click();
    expect(await total(page)).toBe(before);
    await saved(page);

    // A drill of the library goes into a session from its own page.
    await page.goto("/library/cat-camel");
    await ready(page);
    await page.getByRole("button", { name: "Add to a session" }).click();
    await page.getByRole("menuitem", { name: "Holds" }).click();
    await page.getByRole("status").getByText("Added at the end of").waitFor();
    expect(await violations(page)).toEqual([]);
    await page.getByRole("status").getByRole("link", { name: "Holds" }).click();
    await expect.poll(() => rows(page)).toHaveLength(2);
    // It was changed elsewhere: what could be undone was of another state, and is not offered.
    expect(await page.getByRole("button", { name: "Nothing to undo" }).isDisabled()).toBe(true);
  });

  it("begins with a session that is worked out, and with one of the coach's own", async () => {
    const { page } = await world.visitor();
    await signIn(page, BEN);
    await page.goto("/sessions");
    await ready(page);
    await page.getByRole("button", { name: "New session" }).first().click();
    await page.getByLabel("Name").fill("Before lifting on Monday");
    await page.getByLabel("Start from").selectOption("template:squat-primer");
    expect(await page.getByLabel("Target length").inputValue()).toBe("10:00");
    expect(await page.getByLabel("Purpose").inputValue()).toBe("before-lifting");
    await page.getByRole("button", { name: "Make session" }).click();
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
    await ready(page);
    expect(await total(page)).toBe(597);
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("lifting");

    await page.goto("/sessions");
    await ready(page);
    await page
      .getByRole("button", { name: /^More for / })
      .first()
      .click();
    await page.getByRole("menuitem", { name: "Use as a template" }).click();
    await page.getByRole("button", { name: "New session" }).first().click();
    await page.getByLabel("Name").fill("Before lifting on Friday");
    await page.getByLabel("Start from").selectOption({ label: "Before lifting on Monday, 9:57" });
    await page.getByRole("button", { name: "Make session" }).click();
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
    await ready(page);
    expect(await total(page)).toBe(597);
    expect(await page.getByLabel("Sport profile").inputValue()).toBe("lifting");
  });

  it("says in words what changed between editions", async () => {
    const { page } = await world.visitor();
    await signIn(page, BEN);
    await freshSession(page, "Twice handed out", "floor-to-standing");
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    await newestAddress(page);
    await page.getByRole("link", { name: "Desk" }).click();
    await ready(page);
    await row(page, "Half-kneeling ankle rock").click();
    await page.keyboard.press(".");
    await saved(page);
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByText(/^Half-kneeling ankle rock: \d+ → \d+ s$/).waitFor();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    await page.getByText("One change from edition 1").click();
    expect(await page.getByText(/^Half-kneeling ankle rock: \d+ → \d+ s$/).count()).toBe(1);
  });
});

describe("what is asked", () => {
  it("is copied, changed with its effect on a session seen at once, kept, and used at the desk", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto("/library/profiles");
    await ready(page);
    expect(await violations(page)).toEqual([]);
    await page.getByRole("button", { name: /^Copy as my own ?: Rowing$/ }).click();
    await page.waitForURL(/\/library\/profiles\/own-/);
    await ready(page);
    await page.getByLabel("Name", { exact: true }).fill("Our sweep crew");
    const fit = page.getByRole("status", { name: "Needs met" });
    await page.getByLabel("How far this session meets it").selectOption({ label: "Rowers before the boat" });
    const before = await fit.innerText();
    await page.getByRole("group", { name: "Weight of wrist flexion", exact: true }).getByText("3").click();
    await expect.poll(() => fit.innerText()).not.toBe(before);
    await page.getByLabel("Why wrist flexion", { exact: true }).fill("feathering all morning");
    expect(await violations(page)).toEqual([]);
    await page.getByRole("link", { name: "Groups" }).click();
    await page
      .getByRole("alertdialog", { name: "Leave without saving?" })
      .getByRole("button", { name: "Stay here" })
      .click();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await page.getByText("Saved", { exact: true }).waitFor();
    await openDesk(page, "Rowers before the boat");
    await page.getByLabel("Sport profile").selectOption({ label: "Our sweep crew" });
    await saved(page);
    await page.keyboard.press("3");
    await page.getByText("feathering all morning").waitFor();
    await page.reload();
    await ready(page);
    expect(await page.getByLabel("Sport profile").inputValue()).toMatch(/^own-/);
  });

  it("of one coach is nobody else's, and a setting takes only what makes sense", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await page.goto("/library/profiles");
    await ready(page);
    await page.getByRole("button", { name: /^Copy as my own ?: Handball$/ }).click();
    await page.waitForURL(/\/library\/profiles\/own-/);
    const theirs = new URL(page.url()).pathname;
    await openDesk(page, "Handball before a game");
    const session = new URL(page.url()).pathname;
    const groups = await (await page.request.get("/groups")).text();
    const group = /href="\/groups\/([0-9a-f-]{36})"/.exec(groups)![1]!;
    const other = await world.visitor();
    await signIn(other.page, ANA);
    const ask = other.page.request;
    const form = (fields: Record<string, string>) => ({
      form: fields,
      maxRedirects: 0,
      headers: { origin: world.base },
    });
    expect((await ask.get(theirs)).status()).toBe(404);
    expect(await (await ask.get("/library/profiles")).text()).not.toContain("Handball, mine");
    expect((await ask.post(theirs, form({ doc: "{}" }))).status()).not.toBe(200);
    expect((await ask.post(theirs, form({ do: "delete" }))).status()).toBe(404);
    expect((await ask.post("/library/profiles", form({ demand: theirs.split("/").at(-1)! }))).status()).toBe(404);
    expect(
      (
        await ask.post(
          "/sessions",
          form({
            do: "new",
            title: "Spy",
            purpose: "off-day",
            target: "",
            outline: `own:${session.split("/").at(-1)}`,
          }),
        )
      ).status(),
    ).toBe(404);
    expect((await ask.post("/sessions", form({ do: "template", id: session.split("/").at(-1)! }))).status()).toBe(404);
    expect((await ask.post("/groups", form({ do: "setting", group, setting: "{}" }))).status()).toBe(404);
    const set = (data: unknown, from = ask) =>
      from.post(`${session}/setting`, { data, headers: { origin: world.base } });
    expect((await set({ groupId: null, demandId: null, accepted: [] })).status()).toBe(404);
    const own = page.request;
    for (const bad of [
      {},
      { groupId: "x", demandId: null, accepted: [] },
      { groupId: null, demandId: "a".repeat(99), accepted: [] },
      { groupId: null, demandId: null, accepted: [{ key: "title", says: "x", reason: "" }] },
      { fields: {} },
      { fields: { groupId: null } },
      { fields: { nothing: { value: 1, basedOn: 0, by: "a page", seq: 1 } } },
      { fields: { groupId: { value: "x", basedOn: 0, by: "a page", seq: 1 } } },
      { fields: { groupId: { value: null, basedOn: -1, by: "a page", seq: 1 } } },
      { fields: { groupId: { value: null, basedOn: 0, by: "", seq: 1e99 } } },
    ])
      expect((await set(bad, own)).status()).toBe(422);
    // Part by part, each over the revision it was made from; to another club's there is nothing to be had or changed.
    const marked = (value: string | null, by: string, basedOn = 0) => ({
      fields: { demandId: { value, basedOn, by, seq: 1 } },
    });
    expect((await set(marked("rowing", "a page"))).status()).toBe(404);
    expect((await ask.get(`${session}/setting`)).status()).toBe(404);
    const there = async () =>
      (await (await own.get(`${session}/setting`)).json()) as { marks: { demandId?: { revision: number } } };
    const basedOn = (await there()).marks.demandId?.revision ?? 0;
    expect((await set(marked("rowing", "a page", basedOn), own)).status()).toBe(200);
    expect((await set(marked("rowing", "a page", basedOn), own)).status()).toBe(200);
    const unseen = await set(marked("handball", "another", basedOn), own);
    expect([unseen.status(), await unseen.json()]).toEqual([409, { kind: "newer", fields: ["demandId"] }]);
    expect((await there()).marks.demandId?.revision).toBe(basedOn + 1);
    // As earlier pages named a part.
    expect((await set({ teamId: null }, own)).status()).toBe(200);
    expect((await set({ fields: { teamId: { value: "x", basedOn: 0, by: "a page", seq: 1 } } }, own)).status()).toBe(
      422,
    );
    expect((await own.post("/groups", form({ do: "setting", group, setting: '{"floor":-1}' }))).status()).toBe(400);
    expect((await own.post(theirs, form({ doc: '{"id":"own","name":"x"}' }))).status()).toBe(422);
  });
});

describe("going on without a connection", () => {
  it("says that there is none, and where the page is loaded anew it is there", async () => {
    const { page, context } = await world.visitor();
    await signIn(page, BEN);
    await toSessions(page);
    await page.getByRole("link", { name: "Groups" }).click();
    await page.getByRole("heading", { name: "Groups" }).waitFor();
    await page.getByRole("link", { name: "Sessions" }).click();
    await page.getByRole("heading", { name: "Sessions", exact: true }).waitFor();
    await context.setOffline(true);
    await page.goBack();
    await page.getByRole("heading", { name: "There is no connection" }).waitFor();
    expect(await violations(page)).toEqual([]);
    await context.setOffline(false);
    await page.getByRole("button", { name: "Try again" }).click();
    await page.getByRole("heading", { name: "Groups" }).waitFor();
  });
});
