import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { messagesTo } from "~/db/messages";
import {
  newestAddress,
  openDesk,
  PHONE,
  ready,
  signIn,
  startWorld,
  toSessions,
  violations,
  type World,
} from "./harness";
import type { BrowserContextOptions, Page } from "playwright-core";

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

const looks = (look: "light" | "dark") =>
  ["mapset-desk-look", "mapset-player-look"].map((name) => ({ name, value: look, url: world.base }));

/** Nothing sticks out to the side: a page that scrolls sideways on a phone is broken. */
const overflow = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** Changes the look as its button does, and at once. */
const turn = (page: Page) =>
  page.evaluate(() => {
    const still = new CSSStyleSheet();
    still.replaceSync("* { transition: none !important }");
    document.adoptedStyleSheets = [still];
    const { dataset } = document.documentElement;
    return (dataset["theme"] = dataset["theme"] === "dark" ? "light" : "dark");
  });

/** All rules in the look the page has, and what hangs on colours in the other one. */
async function check(page: Page, where: string): Promise<void> {
  expect(await violations(page), where).toEqual([]);
  expect(await overflow(page), `${where} scrolls sideways`).toBeLessThanOrEqual(0);
  const other = await turn(page);
  expect(await violations(page, ["color-contrast", "link-in-text-block"]), `${where}, ${other}`).toEqual([]);
  await turn(page);
}

describe.each<["light" | "dark", string, BrowserContextOptions]>([
  ["light", "wide", {}],
  ["dark", "narrow", PHONE],
])("begun %s and %s, no screen has an accessibility violation in either look:", (look, _, options) => {
  it("the coach's", async () => {
    const { page, context } = await world.visitor({ ...options, bypassCSP: true });
    await context.addCookies(looks(look));
    await page.goto("/sign-in");
    await ready(page);
    await check(page, "sign-in");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByText("Write your password.").waitFor();
    await check(page, "sign-in with faults");
    await page.goto("/sign-up");
    await ready(page);
    await check(page, "sign-up");
    await page.getByLabel("Your name").fill("Robin");
    await page.getByLabel("E-mail address").fill(`robin-${look}@club.example`);
    await page.getByRole("button", { name: "Make account" }).click();
    await page.getByText("Look in your mail").waitFor();
    await check(page, "sign-up, written");
    await page.goto(
      /\/password\/[\w-]+/.exec((await messagesTo(world.db, `robin-${look}@club.example`, 0)).messages[0]!.body)![0],
    );
    await ready(page);
    await check(page, "a password to choose");
    await page.goto("/forgotten");
    await ready(page);
    await check(page, "forgotten");
    await signIn(page);
    await toSessions(page);
    expect(await page.locator("html").getAttribute("data-theme")).toBe(look);
    await check(page, "sessions");
    await page.getByRole("button", { name: "New session" }).first().click();
    await check(page, "new session");
    await page.keyboard.press("Escape");
    await page.goto("/sessions/new?title=Squat%20primer&purpose=before-lifting&target=12:00");
    await ready(page);
    await check(page, "a session without drills");
    for (const path of ["/account", "/mail"]) {
      await page.goto(path);
      await ready(page);
      await check(page, path);
    }
    await page.goto("/sessions?archived");
    await check(page, "archived, empty");
    await openDesk(page, "Handball before a game");
    await check(page, "desk, session");
    for (const drill of ["Supported leg swing, back and front", "Hands-and-knees hip circles", "Toe-touch walk"]) {
      await page.locator("[data-row]").filter({ hasText: drill }).click();
      await check(page, `desk, ${drill}`);
    }
    await page.getByPlaceholder(/Add a drill/).fill("kneeling");
    await check(page, "desk, adding");
    await page.keyboard.press("Escape");
    await page.getByRole("link", { name: "Hand out" }).click();
    await page.getByRole("heading", { name: /^Hand out:/ }).waitFor();
    await check(page, "hand out");
    await page.getByRole("link", { name: "Print sheet" }).click();
    await page.getByRole("heading", { name: "Watch out" }).waitFor();
    await check(page, "on paper");
    const [group] = /(?<=href="\/groups\/)[0-9a-f-]{36}/.exec(await (await page.request.get("/groups")).text())!;
    for (const place of [
      "/today",
      "/feedback",
      "/groups",
      `/groups/${group}`,
      "/nowhere",
      "/library",
      "/library?q=anvil",
      "/library/profiles",
      "/library/profiles/rowing",
      "/library/arcs",
      "/library/arcs/off-day",
      "/library/sheet",
      "/library/ankle-effort",
      "/library/roll-down",
    ]) {
      await page.goto(place);
      await ready(page);
      await check(page, place);
    }
    await page.goto("/sessions/draft?profile=desk-work");
    await ready(page);
    await check(page, "draft");
    await page.getByLabel("Length in minutes").fill("25");
    await page.getByRole("button", { name: "Draft", exact: true }).click();
    await page.getByRole("article", { name: "Draft 1" }).waitFor({ timeout: 60_000 });
    await page.getByRole("article", { name: "Draft 1" }).locator("button[aria-expanded]").first().click();
    await check(page, "drafts");
    for (const part of options.isMobile
      ? ["Drills"]
      : ["Methods", "Work and rest", "Kit and floor", "Protected areas", "Drills"]) {
      await page.getByRole("button", { name: new RegExp(`^${part}`) }).click();
      await page.getByRole("dialog").waitFor();
      await check(page, `draft, ${part}`);
      await page.keyboard.press("Escape");
    }
  });

  it("the athlete's", async () => {
    const { page, context } = await world.visitor({ ...options, bypassCSP: true });
    await context.addCookies(looks(look));
    await page.clock.install();
    await page.goto(link);
    await ready(page);
    expect(await page.locator("html").getAttribute("data-theme")).toBe(look);
    await check(page, "ready check");
    await page.getByText("Someone else").click();
    await check(page, "ready check, someone else");
    await page.getByRole("button", { name: "Start" }).click();
    for (const [seconds, where] of [
      [1, "fetching"],
      [10, "watching first"],
      [25, "repetitions"],
      [180, "left"],
      [60, "breath"],
    ] as const) {
      await page.clock.runFor(seconds * 1000 + 200);
      await check(page, where);
    }
    await page.clock.fastForward(20_000);
    await page.clock.runFor(200);
    await page.getByText("You were away").waitFor();
    await check(page, "back from being away");
    await page.getByRole("button", { name: "Go on from here" }).click();
    await page.getByRole("button", { name: "Pause" }).click();
    await page.getByRole("button", { name: "More", exact: true }).click();
    await check(page, "paused, more");
    await page.getByRole("button", { name: "End here" }).click();
    await page.getByRole("heading", { name: /Ended early/ }).waitFor();
    await page.getByLabel("Yes").check({ force: true });
    await check(page, "check-in");
    await page.getByRole("button", { name: /^Later/ }).click();
    await page.getByText("Waiting on this device").waitFor();
    await check(page, "ready check, with a check-in that waits");
    await page.goto(link.replace(/.{4}$/, "AAAA"));
    await check(page, "a link that does not open");
  });
});

it("the player's words and figures have a contrast of 7 to 1 or more", async () => {
  const { page } = await world.visitor(PHONE);
  await page.clock.install();
  await page.goto(link);
  await ready(page);
  await page.getByText("Pip", { exact: true }).click();
  await page.getByRole("button", { name: "Start" }).click();
  await page.clock.fastForward(30_000);
  await page.clock.runFor(200);
  const low = await page.evaluate(() => {
    const channel = (c: number) => (c / 255 <= 0.04045 ? c / 255 / 12.92 : ((c / 255 + 0.055) / 1.055) ** 2.4);
    const light = ([r = 0, g = 0, b = 0]: number[]) => 0.2126 * channel(r) + 0.7152 * channel(g) + 0.0722 * channel(b);
    const colour = (text: string) => (text.match(/[\d.]+/g) ?? []).map(Number);
    const ground = (element: Element | null): number[] => {
      for (let e = element; e; e = e.parentElement) {
        const c = colour(getComputedStyle(e).backgroundColor);
        if (c.length === 3 || (c[3] ?? 0) > 0.9) return c;
      }
      return [255, 255, 255];
    };
    return [...document.querySelectorAll("main *")].flatMap((element) => {
      const own = [...element.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.textContent?.trim());
      if (!own || (element as HTMLButtonElement).closest(":disabled") || element.classList.contains("sr-only"))
        return [];
      const [a, b] = [light(colour(getComputedStyle(element).color)), light(ground(element))];
      const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
      return ratio < 7 ? [`${element.textContent?.trim().slice(0, 40)}: ${ratio.toFixed(2)}`] : [];
    });
  });
  expect(low).toEqual([]);
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
