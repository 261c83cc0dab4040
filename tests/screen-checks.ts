import { expect } from "vitest";
import type { BrowserContextOptions, Page } from "playwright-core";
import { PHONE, violations } from "./harness";

type Look = "light" | "dark";

/** The looks and widths that screens are gone through in. */
export const EACH_LOOK: [Look, string, BrowserContextOptions][] = [
  ["light", "wide", {}],
  ["dark", "narrow", PHONE],
];

/** What a browser keeps of the look somebody chose. */
export const looks = (look: Look, url: string) =>
  ["mapset-desk-look", "mapset-player-look"].map((name) => ({ name, value: look, url }));

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

/** All rules in the look the page has, and, on a wide screen, what hangs on colours in the other one. */
export async function checkScreen(page: Page, where: string): Promise<void> {
  expect(await violations(page), where).toEqual([]);
  expect(await overflow(page), `${where} scrolls sideways`).toBeLessThanOrEqual(0);
  if (page.viewportSize()!.width < 500) return;
  const other = await turn(page);
  expect(await violations(page, ["color-contrast", "link-in-text-block"]), `${where}, ${other}`).toEqual([]);
  await turn(page);
}
