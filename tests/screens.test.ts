import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { messagesTo } from "~/db/messages";
import { openDesk, ready, signIn, startWorld, toSessions, type World } from "./harness";
import { checkScreen, EACH_LOOK, looks } from "./screen-checks";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

describe.each(EACH_LOOK)(
  "begun %s and %s, no screen of the coach’s has an accessibility violation:",
  (look, _, options) => {
    const visitor = async () => {
      const one = await world.visitor({ ...options, bypassCSP: true });
      await one.context.addCookies(looks(look, world.base));
      return one;
    };
    const coach = async () => {
      const { page } = await visitor();
      await signIn(page);
      return page;
    };

    it("the ways in and the sessions", async () => {
      const { page } = await visitor();
      await page.goto("/sign-in");
      await ready(page);
      await checkScreen(page, "sign-in");
      await page.getByRole("button", { name: "Sign in" }).click();
      await page.getByText("Write your password.").waitFor();
      await checkScreen(page, "sign-in with faults");
      await page.goto("/sign-up");
      await ready(page);
      await checkScreen(page, "sign-up");
      await page.getByLabel("Your name").fill("Robin");
      await page.getByLabel("E-mail address").fill(`robin-${look}@club.example`);
      await page.getByRole("button", { name: "Make account" }).click();
      await page.getByText("Look in your mail").waitFor();
      await checkScreen(page, "sign-up, written");
      await page.goto(
        /\/password\/[\w-]+/.exec((await messagesTo(world.db, `robin-${look}@club.example`, 0)).messages[0]!.body)![0],
      );
      await ready(page);
      await checkScreen(page, "a password to choose");
      await page.goto("/forgotten");
      await ready(page);
      await checkScreen(page, "forgotten");
      await signIn(page);
      await toSessions(page);
      expect(await page.locator("html").getAttribute("data-theme")).toBe(look);
      await checkScreen(page, "sessions");
      await page.getByRole("button", { name: "New session" }).first().click();
      await checkScreen(page, "new session");
      await page.keyboard.press("Escape");
      await page.goto("/sessions/new?title=Squat%20primer&purpose=before-lifting&target=12:00");
      await ready(page);
      await checkScreen(page, "a session without drills");
      for (const path of ["/account", "/mail"]) {
        await page.goto(path);
        await ready(page);
        await checkScreen(page, path);
      }
      await page.goto("/sessions?archived");
      await checkScreen(page, "archived, empty");
    });

    it("the desk and what is handed out", async () => {
      const page = await coach();
      await toSessions(page);
      await openDesk(page, "Handball before a game");
      await checkScreen(page, "desk, session");
      for (const drill of ["Jog lanes", "Standing hip circles", "Shadow throws"]) {
        await page.locator("[data-row]").filter({ hasText: drill }).click();
        await checkScreen(page, `desk, ${drill}`, "aside, [role='complementary']");
      }
      await page.getByPlaceholder(/Add a drill/).fill("kneeling");
      await checkScreen(page, "desk, adding");
      await page.keyboard.press("Escape");
      await page.getByRole("link", { name: "Hand out" }).click();
      await page.getByRole("heading", { name: /^Hand out:/ }).waitFor();
      await checkScreen(page, "hand out");
      await page.getByRole("link", { name: "Print sheet" }).click();
      await page.getByRole("heading", { name: "Watch out" }).waitFor();
      await checkScreen(page, "on paper");
    });

    it("the day, the groups and the library", async () => {
      const page = await coach();
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
        await checkScreen(page, place);
      }
    });

    it("drafts", async () => {
      const page = await coach();
      await page.goto("/sessions/draft?profile=desk-work");
      await ready(page);
      await checkScreen(page, "draft");
      await page.getByLabel("Length in minutes").fill("25");
      await page.getByRole("button", { name: "Draft", exact: true }).click();
      await page.getByRole("article", { name: "Draft 1" }).waitFor({ timeout: 60_000 });
      await page.getByRole("article", { name: "Draft 1" }).locator("button[aria-expanded]").first().click();
      await checkScreen(page, "drafts");
      for (const part of options.isMobile
        ? ["Drills"]
        : ["Methods", "Work and rest", "Kit and floor", "Protected areas", "Drills"]) {
        await page.getByRole("button", { name: new RegExp(`^${part}`) }).click();
        await page.getByRole("dialog").waitFor();
        await checkScreen(page, `draft, ${part}`, "[role='dialog']");
        await page.keyboard.press("Escape");
      }
    });
  },
);
