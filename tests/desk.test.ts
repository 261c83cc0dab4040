import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  ANA,
  newestAddress,
  openDesk,
  ready,
  saved,
  seenOf,
  signIn,
  startWorld,
  toSessions,
  total,
  violations,
  type World,
} from "./harness";
import type { Page, Request } from "playwright-core";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const rows = (page: Page) =>
  page
    .locator("[data-row]")
    .evaluateAll((all) => all.map((row) => row.querySelectorAll("span > span")[0]?.textContent ?? ""));
const row = (page: Page, name: string) => page.locator("[data-row]").filter({ hasText: name }).first();

async function freshSession(page: Page, title: string, outline = "floor-to-standing"): Promise<void> {
  await page.goto("/sessions");
  await ready(page);
  await page.getByRole("button", { name: "New session" }).first().click();
  await page.getByLabel("Name").fill(title);
  await page.getByLabel("Start from").selectOption(outline);
  await page.getByRole("button", { name: "Make session" }).click();
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
  await page.locator("[data-row]").first().waitFor();
}

describe("at the desk", () => {
  it("drills are reordered by dragging, over the edge of a block, and by keyboard", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Order");
    expect(await rows(page)).toEqual([
      "Cat–camel",
      "Side-lying open book",
      "Half-kneeling reach and turn",
      "Half-kneeling ankle rock",
      "Deep squat, one arm opens",
    ]);

    const handle = page.getByRole("button", { name: "Drag Deep squat, one arm opens" });
    const from = (await handle.boundingBox())!;
    const to = (await row(page, "Side-lying open book").boundingBox())!;
    await page.mouse.move(from.x + 5, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 5, from.y - 20, { steps: 4 });
    await page.mouse.move(from.x + 5, to.y + 8, { steps: 12 });
    await page.mouse.up();
    await expect
      .poll(() => rows(page))
      .toEqual([
        "Cat–camel",
        "Deep squat, one arm opens",
        "Side-lying open book",
        "Half-kneeling reach and turn",
        "Half-kneeling ankle rock",
      ]);
    // Its block had nothing else in it, and went.
    expect(await page.getByRole("textbox", { name: /^Name of block/ }).count()).toBe(2);

    await row(page, "Half-kneeling ankle rock").focus();
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.closest("[data-dose]"));
    await page.keyboard.press("Escape");
    await page.keyboard.press("Alt+ArrowUp");
    await expect
      .poll(() => rows(page))
      .toEqual([
        "Cat–camel",
        "Deep squat, one arm opens",
        "Side-lying open book",
        "Half-kneeling ankle rock",
        "Half-kneeling reach and turn",
      ]);
    await page.keyboard.press("Control+z");
    await page.keyboard.press("Control+z");
    await expect
      .poll(() => rows(page))
      .toEqual([
        "Cat–camel",
        "Side-lying open book",
        "Half-kneeling reach and turn",
        "Half-kneeling ankle rock",
        "Deep squat, one arm opens",
      ]);
    await saved(page);
  });

  it("a whole block goes on one side, then on the other, and saves no change where the legs change with each drill", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Sides");
    const before = await total(page);
    await page.getByRole("button", { name: "More for Half-kneeling", exact: true }).click();
    await page.getByRole("menuitem", { name: "Whole block on one side, then the other" }).click();
    // The left knee down and the left foot in front are opposite legs: two changes either way.
    expect(await total(page)).toBe(before);
    await page.getByText("whole block a side").waitFor();
  });

  it("says what is beyond a drill's bounds and takes only what the format allows", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Bounds", "slow-down");
    await row(page, "hip flexor hold").click();
    const seconds = page.getByRole("textbox", { name: "Seconds a side" });
    await seconds.fill("150");
    await page.getByText("More than this drill’s usual 15 to 60 s.").waitFor();
    const at150 = await total(page);
    await seconds.fill("-4");
    await page.getByText("From 0.5 to 3600 s.").waitFor();
    await seconds.blur();
    expect(await seconds.inputValue()).toBe("150");
    expect(await total(page)).toBe(at150);
  });

  it("keeps edits while there is no connection and saves them afterwards", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "On the train");
    await context.setOffline(true);
    await row(page, "Cat–camel").click();
    await page.getByRole("textbox", { name: "Repetitions a side" }).fill("5");
    await page.getByText("No connection. Held in this browser").waitFor();
    await context.setOffline(false);
    // Back on the network it saves by itself.
    await saved(page);
    await page.reload();
    await ready(page);
    await row(page, "Cat–camel").getByText("5 × 5 s").waitFor();
  });

  it("keeps whom it is for and what is asked through a lost connection, a slow one and a page left at once, and leaves the rest alone", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "For whom");
    const [who, asked] = [page.getByLabel("Group"), page.getByLabel("Sport profile")];
    await context.setOffline(true);
    await asked.selectOption({ label: "Handball" });
    await page.getByText("No connection. Held in this browser").waitFor();
    await who.selectOption({ index: 1 });
    const group = await who.inputValue();
    await context.setOffline(false);
    await saved(page);
    await page.reload();
    await ready(page);
    expect([await who.inputValue(), await asked.inputValue()]).toEqual([group, "handball"]);

    // Another tab has an older picture; it changes one thing and keeps the other as it is now.
    const other = await context.newPage();
    await other.goto(page.url());
    await ready(other);
    await who.selectOption({ index: 2 });
    await saved(page);
    await other.getByLabel("Sport profile").selectOption({ label: "Rowing" });
    await saved(other);

    // A change waits behind a slow one, and the page is left.
    let slow = 0;
    let through = 0;
    const isChange = (request: Request) => request.url().endsWith("/setting") && request.method() === "POST";
    context.on("requestfinished", (request) => void (isChange(request) && (through += 1)));
    await context.route("**/setting", async (route) => {
      slow += isChange(route.request()) ? 1 : 0;
      if (slow === 1) await new Promise((done) => setTimeout(done, 2500));
      await route.continue();
    });
    await page.getByLabel("Sport profile").selectOption({ label: "Desk work" });
    await page.getByLabel("Sport profile").selectOption({ label: "none" });
    await page.getByLabel("Group").selectOption({ index: 1 });
    await page.getByTestId("save-state").getByText("Saving…").waitFor();
    await page.getByRole("link", { name: "Sessions", exact: true }).click();
    await page.waitForURL(/\/sessions$/);
    // What counts is how it stands once all of it has arrived, in whatever order.
    await expect.poll(() => through).toBe(2);
    await expect
      .poll(async () => {
        await other.reload();
        await ready(other);
        return [await other.getByLabel("Group").inputValue(), await other.getByLabel("Sport profile").inputValue()];
      })
      .toEqual([group, ""]);
  });

  it("brings back edits that a closed page could not save", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Lost and found");
    const address = page.url();
    await context.setOffline(true);
    await row(page, "Cat–camel").click();
    await page.getByRole("textbox", { name: "Repetitions a side" }).fill("6");
    await page.getByText("No connection").waitFor();
    await page.close({ runBeforeUnload: false });
    await context.setOffline(false);
    const again = await context.newPage();
    await again.goto(address);
    await row(again, "Cat–camel").getByText("6 × 5 s").waitFor();
    await saved(again);
  });

  it("a second tab's older copy never overwrites a newer one unseen", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Two tabs");
    // Another device: the same coach in another browser, so that no message passes between the tabs.
    const { page: other } = await world.visitor();
    await context.storageState().then((state) => other.context().addCookies(state.cookies));
    await other.goto(page.url());
    await ready(other);

    await row(page, "Cat–camel").click();
    await page.getByRole("textbox", { name: "Repetitions a side" }).fill("4");
    await saved(page);
    await row(other, "Cat–camel").click();
    await other.getByRole("textbox", { name: "Repetitions a side" }).fill("9");
    await other.getByRole("alertdialog").getByText("There is a newer copy of this session").waitFor();

    await page.reload();
    await ready(page);
    await row(page, "Cat–camel").getByText("4 × 5 s").waitFor();

    await other.getByRole("button", { name: "Use the newer one" }).click();
    await row(other, "Cat–camel").getByText("4 × 5 s").waitFor();
    // Its own edit is one undo away, and now goes on top knowingly.
    await other.getByRole("button", { name: /^Undo/ }).click();
    await row(other, "Cat–camel").getByText("9 × 5 s").waitFor();
    await saved(other);
    await page.reload();
    await row(page, "Cat–camel").getByText("9 × 5 s").waitFor();
  });

  it("a tab without unsaved edits follows the one that saved", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Following");
    const second = await context.newPage();
    await second.goto(page.url());
    await ready(second);
    await row(page, "Cat–camel").click();
    await page.getByRole("textbox", { name: "Repetitions a side" }).fill("7");
    await saved(page);
    await row(second, "Cat–camel").getByText("7 × 5 s").waitFor();
  });

  it("shows that a session has changed since it was handed out", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await openDesk(page, "Handball before a game");
    await page.getByText("changed since").waitFor();
    await openDesk(page, "Staff lunchtime");
    await page.getByText(": same as here").waitFor();
    await row(page, "Cat–camel").click();
    await page.getByRole("textbox", { name: "Repetitions a side" }).fill("5");
    await page.getByText("changed since").waitFor();
    await page.getByRole("button", { name: /^Undo/ }).click();
    await page.getByText(": same as here").waitFor();
  });
});

describe("handing out", () => {
  it("takes the last edit along, and hands out only what was looked at", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Looked over", "floor-to-standing");
    const desk = page.url();
    const first = (await rows(page))[0]!;
    await row(page, first).click();
    await page.keyboard.press("Delete");
    // Gone to at once, with the edit not saved yet.
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("heading", { name: "Hand out: Looked over" }).waitFor();
    // For another group it is looked over anew, with its people, before it goes to them.
    await ready(page);
    await page.getByLabel("For", { exact: true }).selectOption({ label: "Kestrel Sound handball (7)" });
    await page.getByText("Looked over for this group: their people, what they protect, and their kit.").waitFor();
    await page
      .getByText(/which Runa protects/)
      .first()
      .waitFor();
    const group = await page.getByLabel("For", { exact: true }).inputValue();
    await page.getByLabel("For", { exact: true }).selectOption("");
    await page.getByText("Looked over for this group").waitFor({ state: "detached" });
    // A page without its script asks for them by sending the form: nothing is handed out, and it is looked over first.
    const asked = await page.request.post(`${new URL(desk).pathname}/hand-out`, {
      form: { group: group, whom: "", seen: await seenOf(context.request, new URL(desk).pathname) },
      maxRedirects: 0,
    });
    expect([asked.status(), asked.headers()["location"]]).toEqual([
      302,
      `${new URL(desk).pathname}/hand-out?for=${group}`,
    ]);
    expect(await page.getByLabel("Drills in order").innerText()).not.toContain(first);

    const path = new URL(desk).pathname;
    /** Takes out the first drill in another tab, until it is saved. */
    const elsewhere = async (): Promise<string> => {
      const before = await seenOf(context.request, path);
      // What follows a drill that was taken out is chosen already.
      const [gone] = await rows(second);
      if ((await row(second, gone!).getAttribute("aria-pressed")) !== "true") await row(second, gone!).click();
      await second.keyboard.press("Delete");
      await expect.poll(() => seenOf(context.request, path)).not.toBe(before);
      return gone!;
    };
    const second = await context.newPage();
    await second.goto(desk);
    await ready(second);
    const gone = await elsewhere();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    const alert = page.getByRole("alert").filter({ hasText: "This has changed since you opened the page." });
    await alert.getByText(gone).waitFor();
    await page.getByText("Nothing handed out yet. Look it over, then make the first link.").waitFor();
    expect(await violations(page)).toEqual([]);
    await alert.getByRole("button", { name: "I have looked it over" }).click();
    await page.getByRole("button", { name: "Make edition and link" }).click();
    expect(await newestAddress(page)).toContain("/f/");
    expect(await page.getByRole("alert").count()).toBe(0);

    // Sent by a page without its script, it is refused and said as well.
    const bare = await world.visitor({ javaScriptEnabled: false });
    await bare.context.addCookies(await context.cookies());
    await bare.page.goto(`${path}/hand-out`);
    await elsewhere();
    await bare.page.getByRole("button", { name: "Make another link" }).click();
    await bare.page.getByText("This has changed since you opened the page.").waitFor();
  });

  it("stays at the desk while its last edit cannot be saved", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await freshSession(page, "Without a net", "floor-to-standing");
    await context.setOffline(true);
    await row(page, (await rows(page))[0]!).click();
    await page.keyboard.press("Delete");
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("alert").filter({ hasText: "Your last edits are not saved yet" }).waitFor();
    await context.setOffline(false);
    await saved(page);
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("heading", { name: "Hand out: Without a net" }).waitFor();
  });
});

describe("the list of sessions", () => {
  it("copies, renames, archives, brings back and deletes", async () => {
    const { page } = await world.visitor();
    await signIn(page, ANA);
    await freshSession(page, "Original");
    await page.goto("/sessions");
    await ready(page);
    const menu = async (title: string, entry: string) => {
      await page.getByRole("button", { name: `More for ${title}` }).click();
      await page.getByRole("menuitem", { name: entry }).click();
    };
    await menu("Original", "Duplicate");
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
    await page.goto("/sessions");
    await ready(page);
    await menu("Original, copy", "Rename");
    await page.getByRole("textbox", { name: "Name" }).fill("");
    await page.getByRole("button", { name: "Rename", exact: true }).click();
    await page.getByText("Give it a name.").waitFor();
    await page.getByRole("textbox", { name: "Name" }).fill("Second");
    await page.getByRole("button", { name: "Rename", exact: true }).click();
    await page.getByRole("link", { name: "Second", exact: true }).waitFor();
    await menu("Second", "Archive");
    await page.getByRole("link", { name: "Second", exact: true }).waitFor({ state: "detached" });
    await page.getByRole("link", { name: "Archived" }).click();
    await menu("Second", "Restore");
    await page.getByText("Nothing is archived").waitFor();
    await page.getByRole("link", { name: "Back to current sessions" }).click();
    await menu("Second", "Archive");
    await page.getByRole("link", { name: "Archived" }).click();
    await menu("Second", "Delete for good");
    await page.getByRole("button", { name: "Cancel" }).click();
    await menu("Second", "Delete for good");
    await page.getByRole("button", { name: "Delete for good" }).click();
    await page.getByText("Nothing is archived").waitFor();
  });

  it("exports a file that comes back the same, and refuses a bad one with the place of every fault", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await toSessions(page);
    await page.getByRole("button", { name: "More for Rowers before the boat" }).click();
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("menuitem", { name: "Export file" }).click(),
    ]);
    expect(download.suggestedFilename()).toBe("rowers-before-the-boat.mapset.json");
    const file = JSON.parse(readFileSync(await download.path(), "utf8")) as {
      format: string;
      session: { title: string; blocks: unknown[] };
      drills: unknown[];
      profile: string;
    };
    expect([file.format, file.drills, file.profile]).toEqual(["mapset/session-file", [], "rowing"]);
    const document = file.session;
    const folder = mkdtempSync(`${tmpdir()}/mapset-journey-`);
    writeFileSync(`${folder}/good.json`, JSON.stringify({ ...file, session: { ...document, title: "Come back" } }));
    await page.locator("input[type=file]").setInputFiles(`${folder}/good.json`);
    await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
    await ready(page);
    expect(await total(page)).toBe(599);

    await page.goto("/sessions");
    await ready(page);
    const before = await page.getByRole("listitem").count();
    // The same once more is not kept twice, and a session alone is taken as well.
    await page.locator("input[type=file]").setInputFiles(`${folder}/good.json`);
    await page.getByRole("link", { name: "Open “Come back”" }).waitFor();
    const bad = {
      ...document,
      colour: "red",
      blocks: [
        {
          title: "x",
          items: [
            { drill: "cat-camel", dose: { kind: "time", seconds: -1 } },
            { drill: "nobody-knows", dose: { kind: "time", seconds: 5 } },
          ],
        },
      ],
    };
    writeFileSync(`${folder}/bad.json`, JSON.stringify(bad));
    await page.locator("input[type=file]").setInputFiles(`${folder}/bad.json`);
    const alert = page.getByRole("alert");
    await alert.getByText("block 1 “x”, drill 1 “Cat–camel”, dose, seconds").waitFor();
    await alert.getByText("there is no drill “nobody-knows” in the library").waitFor();
    await alert.getByText("must be above 0").waitFor();
    await alert.getByText("is not a known field").waitFor();
    writeFileSync(`${folder}/none.json`, "this is not JSON");
    await page.locator("input[type=file]").setInputFiles(`${folder}/none.json`);
    await alert.getByText("is not JSON").waitFor();
    await page.reload();
    expect(await page.getByRole("listitem").count()).toBe(before);
  });
});
