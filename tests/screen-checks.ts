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

/**
 * All rules in the look the page has, and, on a wide screen, what hangs on colours in the other one. `within` is the part that is
 * new, where the rest of the page has been looked at.
 */
export async function checkScreen(page: Page, where: string, within?: string): Promise<void> {
  expect(await violations(page, undefined, within), where).toEqual([]);
  expect(await overflow(page), `${where} scrolls sideways`).toBeLessThanOrEqual(0);
  if (page.viewportSize()!.width < 500) return;
  const other = await turn(page);
  expect(await violations(page, ["color-contrast", "link-in-text-block"], within), `${where}, ${other}`).toEqual([]);
  await turn(page);
}

/** What on a screen has less than 7 to 1 of contrast with what it stands on. */
export const tooFaint = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
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
