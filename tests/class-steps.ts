import type { BrowserContext, BrowserContextOptions, Page } from "playwright-core";
import { PHONE, ready, signIn, type World } from "./harness";

/* What journeys of classes have in common: starting one, joining it on a phone, opening its wall, ending it. */

export const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
export const drillOf = (page: Page) => page.getByTestId("drill").innerText();
export const inStep = (page: Page) => page.getByText(/in step within/).waitFor();

/** A class, and the remote that leads it. */
export type Led = { page: Page; context: BrowserContext; id: string; link: string; session: string };

/** Starts a class of a session of the demo, and is on its remote. */
export async function lead(
  world: World,
  title = "Rowers before the boat",
  options: BrowserContextOptions = {},
): Promise<Led> {
  const { page, context } = await world.visitor({ ...PHONE, ...options });
  await signIn(page);
  await page.goto("/sessions");
  const session = (await page
    .locator("a[href^='/sessions/']")
    .filter({ hasText: title })
    .first()
    .getAttribute("href"))!;
  await page.goto(`${session}/hand-out`);
  await ready(page);
  const link = new URL(await page.getByTestId("address").first().innerText()).pathname;
  await button(page, "Run it now").click();
  await page.waitForURL(/\/live\/[0-9a-f-]{36}$/);
  await inStep(page);
  return { page, context, id: page.url().split("/").at(-1)!, link, session };
}

/** A phone that joins the class of a link as somebody of its list. */
export async function join(
  world: World,
  link: string,
  name: string,
  options: BrowserContextOptions = {},
): Promise<Page> {
  const { page } = await world.visitor({ ...PHONE, ...options });
  await page.goto(link);
  await ready(page);
  await page.locator("fieldset label").filter({ hasText: name }).first().click();
  await page.getByText("The class is running.").waitFor();
  await button(page, "Join in step").click();
  await page.getByText("It begins in a moment.").or(page.getByTestId("drill")).first().waitFor();
  return page;
}

/** The code that a remote shows for the wall. */
export async function codeOf(page: Page): Promise<string> {
  await button(page, "The wall").click();
  const code = (await page.getByTestId("wall-code").innerText()).replaceAll(/\s/g, "");
  await page.keyboard.press("Escape");
  return code;
}

/** A wall, opened with a code. */
export async function wallWith(world: World, code: string): Promise<Page> {
  const { page } = await world.visitor({ viewport: { width: 1366, height: 768 } });
  await page.goto("/wall");
  await page.getByLabel("Code").fill(code);
  await button(page, "Show the class").click();
  await page.getByRole("heading", { name: "The class" }).waitFor();
  return page;
}

export async function endClass(page: Page): Promise<void> {
  await button(page, "End the class").click();
  await button(page, "Press again to end the class").click();
  await page.getByText("The class is over.").waitFor();
}
