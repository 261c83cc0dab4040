import { chromium, type Page } from "playwright-core";
import type { Line } from "./bench-draft";
import { line } from "./bench-live";
import { BROWSER, BROWSER_ARGS } from "./setup/browser";
import { callsOfClass, offBy, RECORDING, recordOf } from "./setup/recorded-sound";
import { startServer } from "./setup/server-process";
import type { Db } from "~/db/client";

/** So many tones of each device are looked at. */
const TONES = 12;

const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

/** How exact the sound of a class is on two devices: tones are laid on the audio clock, calls are spoken as they fall due. */
export async function soundOfClass(
  db: Db,
  url: string,
  secret: string,
  who: { email: string; password: string },
): Promise<Line[]> {
  const server = await startServer({ DATABASE_URL: url, MAPSET_SECRET: secret, MAPSET_LIMITS: "off" });
  const browser = await chromium.launch({ executablePath: BROWSER, args: BROWSER_ARGS });
  try {
    const device = async (): Promise<Page> => {
      // The recorder comes as a script of its own, past the policy that keeps strangers’ scripts out.
      const context = await browser.newContext({ baseURL: server.base, bypassCSP: true, reducedMotion: "reduce" });
      await context.addInitScript(RECORDING);
      return context.newPage();
    };
    const open = async (page: Page, address: string) => {
      await page.goto(address);
      await page.waitForLoadState("networkidle");
    };
    const coach = await device();
    await open(coach, "/sign-in");
    await coach.getByLabel("E-mail address").fill(who.email);
    await coach.getByLabel("Password").fill(who.password);
    await button(coach, "Sign in").click();
    await coach.waitForURL(/\/today$/);
    await open(coach, "/sessions");
    const session = await coach.getByRole("link", { name: "Rowers before the boat" }).first().getAttribute("href");
    await open(coach, `${session}/hand-out`);
    const link = new URL(await coach.getByTestId("address").first().innerText()).pathname;
    await button(coach, "Run it now").click();
    await coach.waitForURL(/\/live\/[0-9a-f-]{36}$/);
    const id = coach.url().split("/").at(-1)!;
    await coach.getByText(/in step within/).waitFor();
    const phone = await device();
    await open(phone, link);
    await phone.locator("fieldset label").filter({ hasText: "Wren" }).first().click();
    await button(phone, "Join in step").click();
    await button(coach, "Start").click();
    await phone.getByTestId("drill").waitFor();
    await button(coach, "Sound from this device").click();
    await button(phone, "Sound from this phone").click();
    // On to the first work, whose beats are seconds apart.
    for (const said of ["Next", "Next"]) await button(coach, said).click();
    const found: Line[] = [];
    for (const [page, what] of [
      [coach, "the remote"],
      [phone, "a phone"],
    ] as const) {
      await page.waitForFunction((least) => (window as unknown as { heard: number[] }).heard.length >= least, TONES, {
        timeout: 90_000,
      });
      const { tones, spoken } = offBy(await recordOf(page), await callsOfClass(db, id));
      const [tone, call] = [Math.max(...tones), Math.max(...spoken)];
      found.push(
        line(`furthest of ${tones.length} tones from ${what}`, `${tone.toFixed(1)} ms`, "under 10 ms", tone < 10),
        line(`furthest of ${spoken.length} calls from ${what}`, `${call.toFixed(0)} ms`, "under 300 ms", call < 300),
      );
    }
    return found;
  } finally {
    await browser.close();
    server.stop();
  }
}
