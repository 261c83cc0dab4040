import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { onTestFinished } from "vitest";
import {
  chromium,
  type APIRequestContext,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Page,
} from "playwright-core";
import type { Db } from "~/db/client";
import { freshDatabase, TEST_SECRET, type Beginning } from "~/db/testing";
import { startServer } from "~/scripts/setup/server-process";
import { BROWSER, BROWSER_ARGS } from "~/scripts/setup/browser";

export const DEMO = { email: "coach@kestrelsound.example", password: "for these tests only" };
/** The two coaches of `freshDatabase`, who have nothing yet. */
export const ANA = { email: "ana@club.example", password: "ana has a long password" };
export const BEN = { email: "ben@club.example", password: "ben has a long password" };

export const PHONE: BrowserContextOptions = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true };

/** Kestrel Sound, as `./mapset start` loads it. */
export const WITH_DEMO: Beginning = {
  name: "demo",
  async fill(db) {
    // Only whoever makes what the others copy needs the whole library.
    const { openAccounts } = await import("~/db/accounts");
    const { loadDemo } = await import("~/db/demo/load");
    const { drawnDrillById } = await import("~/library/drawn");
    await loadDemo(db, openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" }), {
      secret: TEST_SECRET,
      password: DEMO.password,
      drills: drawnDrillById,
    });
  },
};

export type World = {
  base: string;
  db: Db;
  /** A new visitor with a browser of their own. Errors on the page fail the journey. */
  visitor: (options?: BrowserContextOptions) => Promise<{ page: Page; context: BrowserContext }>;
  /** Ends the server, and starts another at the same address: what is between has none. */
  stopServer: () => Promise<void>;
  startServerAgain: () => Promise<void>;
  end: () => Promise<void>;
};

/** Where each visitor is. */
const bases = new WeakMap<BrowserContext, string>();

let launched: Promise<Browser> | undefined;
/** One for all the files of a worker. */
const theBrowser = (): Promise<Browser> =>
  (launched ??= chromium.launch({ executablePath: BROWSER, args: BROWSER_ARGS }));

/**
 * What the router leaves unhandled when somebody goes on while a page's data is half read: it breaks the reading off,
 * which is right, and nobody listens to the end of it. What Mapset itself breaks off says why, so that it isn't this.
 */
const LEFT_WHILE_READING = "signal is aborted without reason";

/** The production build on a database of its own, with the demo data, and a browser. */
export async function startWorld(): Promise<World> {
  const { db, url, end } = await freshDatabase(WITH_DEMO);
  const settings = { DATABASE_URL: url, MAPSET_SECRET: TEST_SECRET };
  let server = await startServer(settings);
  const { base } = server;
  const browser = await theBrowser();
  const errors: string[] = [];
  return {
    base,
    db,
    visitor: async (options = {}) => {
      // Figures that go on moving cost more than all the rest of a journey; those that are about them ask for it.
      const context = await browser.newContext({
        reducedMotion: "reduce",
        viewport: { width: 1280, height: 800 },
        baseURL: base,
        timezoneId: "America/New_York",
        serviceWorkers: "block",
        ...options,
      });
      context.setDefaultTimeout(15_000);
      bases.set(context, base);
      const page = await context.newPage();
      closeAfterTest(context);
      page.on("pageerror", ({ message }) => {
        if (message !== LEFT_WHILE_READING) errors.push(`${page.url()}: ${message}`);
      });
      return { page, context };
    },
    stopServer: async () => {
      server.stop();
      for (;;)
        if (
          await fetch(`${base}/up`).then(
            () => false,
            () => true,
          )
        )
          return;
    },
    startServerAgain: async () => {
      server = await startServer(settings, false, Number(new URL(base).port));
    },
    end: async () => {
      await Promise.all(browser.contexts().map((context) => context.close()));
      server.stop();
      await end();
      if (errors.length > 0) throw new Error(`Errors on the pages:\n${errors.join("\n")}`);
    },
  };
}

/** A phone that is switched off and on again: what its browser keeps stays. */
export async function phoneIn(folder: string, base: string): Promise<BrowserContext> {
  const context = await chromium.launchPersistentContext(folder, {
    executablePath: BROWSER,
    args: BROWSER_ARGS,
    baseURL: base,
    ...PHONE,
  });
  context.setDefaultTimeout(15_000);
  return context;
}

/** A visitor of one test goes when it is over, so that their pages do not go on moving; one of a whole file stays. */
function closeAfterTest(context: BrowserContext): void {
  try {
    onTestFinished(() => context.close());
  } catch {
    // Asked for outside of a test: for all of the file's.
  }
}

/** Waits until the page's scripts have taken over from the server's picture of it: its last element is theirs, and what follows from that is done. */
export async function ready(page: Page): Promise<void> {
  await page.waitForFunction(
    (seen) => Object.keys(document.body).some((key) => key.startsWith("__reactProps")) && (seen.frames += 1) > 2,
    { frames: 0 },
  );
}

/** Cookies of those who signed in before, by their world and address, so that only the first of them fills in the form. */
const signedIn = new Map<string, Awaited<ReturnType<BrowserContext["cookies"]>>>();

/** Signs in without a page, where somebody did before; otherwise by the form, which leads to the day. */
export async function signIn(page: Page, who: { email: string; password: string } = DEMO): Promise<void> {
  const context = page.context();
  const known = `${bases.get(context)} ${who.email}`;
  const before = signedIn.get(known);
  if (before) {
    await context.addCookies(before);
    // Signed out since, they open nothing.
    if ((await context.request.get("/account", { maxRedirects: 0 })).ok()) return;
  }
  await fillInSignIn(page, who);
  signedIn.set(
    known,
    (await context.cookies()).filter(({ httpOnly }) => httpOnly),
  );
  await ready(page);
}

/** Signs in by the form, whoever did before: a sign-in of its own. */
export async function fillInSignIn(page: Page, who: { email: string; password: string }): Promise<void> {
  await page.goto("/sign-in");
  await ready(page);
  await page.getByLabel("E-mail address").fill(who.email);
  await page.getByLabel("Password").fill(who.password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/\/today$/);
}

/** Signs out by the menu behind the name. */
export async function signOut(page: Page): Promise<void> {
  await page.getByRole("button", { name: /your account and club$/ }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
}

/** Goes to the list of sessions, where that is not what the page shows just now. */
export async function toSessions(page: Page): Promise<void> {
  if (page.url().endsWith("/sessions")) return;
  await page.goto("/sessions");
  await ready(page);
}

export async function openDesk(page: Page, title: string): Promise<void> {
  await toSessions(page);
  await page.getByRole("link", { name: title, exact: true }).click();
  await page.getByTestId("save-state").waitFor();
  await ready(page);
}

export const saved = (page: Page) => page.getByTestId("save-state").getByText("Saved", { exact: true }).waitFor();

/** The length on the desk in seconds. */
export async function total(page: Page): Promise<number> {
  return clockSeconds(await page.getByTestId("total").innerText());
}

export function clockSeconds(text: string): number {
  return text
    .trim()
    .split(":")
    .reduce((sum, part) => sum * 60 + Number(part), 0);
}

/** What stands for what is shown of a session before it is handed out, from that page; for a group, or anyone, where that is said. */
export async function seenOf(request: APIRequestContext, session: string, whom?: string): Promise<string> {
  return /name="seen" value="([0-9a-f]{64})"/.exec(
    await (await request.get(`${session}/hand-out${whom ? `?for=${whom}` : ""}`)).text(),
  )![1]!;
}

/** The address of the newest link of a session, from its hand-out page. */
export async function newestAddress(page: Page): Promise<string> {
  return (await page.getByTestId("address").first().innerText()).trim();
}

const axeSource = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/** What the accessibility checker finds wrong on the page, or in a part of it, in short. Nothing is left out of the check unless only some rules are asked for. */
export async function violations(page: Page, rules?: readonly string[], within?: string): Promise<string[]> {
  // Run in the page's own world, past its content security policy, which keeps strangers' scripts out.
  return page.evaluate(
    async ({ source, rules, within }) => {
      // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call -- the checker comes as source
      if (!("axe" in window)) new Function(source)();
      const axe = (
        window as unknown as {
          axe: {
            run: (
              context: Document | string,
              options: object,
            ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary?: string }[] }[] }>;
          };
        }
      ).axe;
      const result = await axe.run(within ?? document, {
        resultTypes: ["violations"],
        ...(rules ? { runOnly: rules } : { rules: { "target-size": { enabled: true } } }),
      });
      return result.violations.flatMap((v) =>
        v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary?.slice(0, 200) ?? ""}`),
      );
    },
    { source: axeSource, rules, within },
  );
}

/** The names of the drills in the desk's list, in order. */
export const rows = (page: Page) =>
  page
    .locator("[data-row]")
    .evaluateAll((all) => all.map((row) => row.querySelectorAll("span > span")[0]?.textContent ?? ""));
export const row = (page: Page, name: string) => page.locator("[data-row]").filter({ hasText: name }).first();

/** Makes a session from a beginning and opens it at the desk; one that begins with nothing gets Cat–camel as its first drill. */
export async function freshSession(page: Page, title: string, beginning: string): Promise<void> {
  await toSessions(page);
  await page.getByRole("button", { name: "New session" }).first().click();
  await page.getByLabel("Name").fill(title);
  await page.getByLabel("Start from").selectOption(beginning);
  await page.getByRole("button", { name: "Make session" }).click();
  if (beginning === "empty") await addFirst(page, "cat camel");
  await page.waitForURL(/\/sessions\/[0-9a-f-]{36}/);
  await page.locator("[data-row]").first().waitFor();
  if (beginning !== "empty") return;
  await page.waitForFunction(() => document.activeElement?.hasAttribute("data-add-drill"));
  await page.keyboard.press("Escape");
  await page.locator("body").click({ position: { x: 2, y: 2 } });
}

/** The first drill of a session that begins with nothing. */
export async function addFirst(page: Page, words: string): Promise<void> {
  const search = page.getByPlaceholder("Add the first drill");
  await search.fill(words);
  await page.getByRole("option").first().waitFor();
  await search.press("Enter");
}
