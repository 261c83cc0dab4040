import { afterAll, beforeAll, expect, it } from "vitest";
import { BEN, rows, saved, signIn, startWorld, toSessions, total, type World } from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** Counts in the page itself: a press of the mouse, a key that is no letter of a text, a chord. Written as text, since the page knows nothing of this file. */
const COUNTER = `(function () {
  function add() { sessionStorage.setItem("presses", String(Number(sessionStorage.getItem("presses") || 0) + 1)); }
  window.addEventListener("pointerdown", function (event) { if (event.isTrusted) add(); }, true);
  window.addEventListener("keydown", function (event) {
    if (!event.isTrusted || ["Shift", "Control", "Alt", "Meta"].indexOf(event.key) >= 0) return;
    var text = event.key.length === 1 && !event.ctrlKey && !event.altKey && !event.metaKey && event.target.matches("input, textarea");
    if (!text) add();
  }, true);
})()`;

/** What a choice from the browser's own list costs, which no script in the page sees: opening it and pressing one. */
const CHOICE = 2;

it("a twelve-minute squat primer for 24 people, from nothing to a copied link, takes at most 35 presses", async () => {
  const { page, context } = await world.visitor();
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await context.addInitScript({ content: COUNTER });
  await signIn(page, BEN);
  await toSessions(page);
  await page.evaluate(() => sessionStorage.removeItem("presses"));
  let choices = 0;

  // The group and its people.
  await page.getByRole("link", { name: "Groups" }).click();
  await page.getByLabel("New group").click();
  await page.keyboard.type("Lunch lifters");
  await page.keyboard.press("Enter");
  await page.getByLabel("Add people").click();
  await page.keyboard.type(Array.from({ length: 24 }, (_, i) => `P${i + 1}`).join(", "));
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "What P24 protects" }).waitFor();

  // The session: what for, how long, for whom.
  await page.getByRole("link", { name: "Build a session" }).click();
  await page.waitForFunction(() => document.activeElement?.getAttribute("name") === "title");
  await page.keyboard.type("Squat primer");
  await page.getByLabel("Purpose").selectOption({ label: "before lifting" });
  choices++;
  await page.getByLabel("Target length").click();
  await page.keyboard.type("12 min");
  await page.keyboard.press("Enter");

  // Its drills, by what they are called.
  await page.waitForFunction(() => document.activeElement?.getAttribute("placeholder") === "Add the first drill");
  const add = async (words: string, key = "Enter") => {
    await page.keyboard.type(words);
    await page.waitForFunction(
      (text) =>
        (document.activeElement as HTMLInputElement).value === text &&
        document.querySelector('[role="option"]') !== null,
      words,
    );
    await page.keyboard.press(key);
  };
  await add("cat camel");
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
  await page.waitForFunction(
    () =>
      document.activeElement?.hasAttribute("data-add-drill") && document.querySelectorAll("[data-row]").length === 1,
  );
  const wanted: [string, string?][] = [
    ["ankle rock"],
    ["hip flexor"],
    ["adductor"],
    ["glute bridge", "Shift+Enter"],
    ["squat"],
    ["leg swing"],
  ];
  for (const [i, [words, key]] of wanted.entries()) {
    await add(words, key);
    await expect.poll(async () => (await rows(page)).length).toBe(i + 2);
  }

  // To twelve minutes.
  await page.getByRole("tab", { name: "Fit" }).click();
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.getByRole("button", { name: "Apply" }).click();
  expect(await total(page)).toBeGreaterThan(715);
  expect(await total(page)).toBeLessThanOrEqual(720);
  await saved(page);

  // Handed out to the group, and the link copied.
  await page.getByRole("link", { name: "Hand out" }).click();
  expect(await page.getByRole("combobox", { name: "For", exact: true }).locator("option:checked").innerText()).toBe(
    "Lunch lifters (24)",
  );
  await page.getByRole("button", { name: "Make edition and link" }).click();
  await page.getByRole("button", { name: "Copy link" }).click();
  await page.getByRole("button", { name: "Copied" }).waitFor();

  const presses = Number(await page.evaluate(() => sessionStorage.getItem("presses"))) + choices * CHOICE;
  expect(presses).toBeLessThanOrEqual(35);
  // It counts: there is no way to do all of this in less.
  expect(presses).toBeGreaterThan(20);

  // What was copied opens the session, for these people, with everything that was chosen.
  const address = await page.evaluate(() => navigator.clipboard.readText());
  const { page: athlete } = await world.visitor();
  await athlete.goto(address);
  await athlete.getByRole("heading", { name: "Squat primer" }).waitFor();
  await athlete.getByRole("radio", { name: "P24" }).waitFor({ state: "attached" });
});
