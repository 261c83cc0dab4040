import { connect } from "node:net";
import type { APIResponse, BrowserContext, Page } from "playwright-core";
import { asc, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import * as steps from "./class-steps";
import { button, codeOf, drillOf, inStep } from "./class-steps";
import { liveCommand } from "~/db/schema";
import { DEMO, PHONE, ready, signIn, startWorld, violations, type World } from "./harness";

/* A class of the demo’s rowers: one who leads, a wall, and an assistant with a phone, each with a browser of their own. */

const ASSISTANT = { email: "assistant@kestrelsound.example", password: DEMO.password };

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

const lead = (title?: string) => steps.lead(world, title);
const wallWith = (code: string) => steps.wallWith(world, code);

/** The seconds to go on two screens, looked at in the same moment. */
const toGo = async (pages: readonly Page[]): Promise<number[]> =>
  Promise.all(
    pages.map(async (page) => {
      const [, minutes, seconds] = /(\d+):(\d\d) to go/.exec(await page.locator("main").innerText())!;
      return Number(minutes) * 60 + Number(seconds);
    }),
  );

describe("a class", () => {
  it("is led from a phone, shown on a wall by its code, and both are in step", { timeout: 120_000 }, async () => {
    const { page } = await lead();
    expect(await violations(page)).toEqual([]);
    const code = await codeOf(page);
    const wall = await wallWith(` ${code.slice(0, 3).toLowerCase()} ${code.slice(3)} `);
    await wall.getByText("In a moment").waitFor();
    // Nothing on the wall that a hall should not read: not the session’s name, and nobody’s.
    const shown = await wall.content();
    for (const told of ["Rowers before the boat", "Kestrel Sound", "junior"])
      expect([told, shown.includes(told)]).toEqual([told, false]);
    await button(page, "Start").click();
    await wall.getByTestId("drill").waitFor();
    const first = await drillOf(page);
    expect(await drillOf(wall)).toBe(first);
    // Next goes on for both, in half a second.
    await button(page, "Skip this drill").click();
    await page.getByText("Drill skipped").waitFor();
    await expect.poll(() => drillOf(page)).not.toBe(first);
    await expect.poll(() => drillOf(wall)).toBe(await drillOf(page));
    const [here, there] = await toGo([page, wall]);
    expect(Math.abs(here! - there!)).toBeLessThanOrEqual(1);
    // Taken back within ten seconds, for both.
    await button(page, "Undo").click();
    await expect.poll(() => drillOf(page)).toBe(first);
    await expect.poll(() => drillOf(wall)).toBe(first);
    // Finishing by a time says what has to go before it is done, and can be taken back.
    await button(page, "Finish by a time").click();
    const dialog = page.getByRole("dialog");
    await dialog.getByText(/ends at \d\d:\d\d:\d\d/).waitFor();
    expect(await violations(page)).toEqual([]);
    const clock = await dialog.getByLabel("The class is over by").inputValue();
    const [hours, minutes] = clock.split(":").map(Number) as [number, number];
    const earlier = (hours * 60 + minutes + 24 * 60 - 2) % (24 * 60);
    const text = [Math.floor(earlier / 60), earlier % 60].map((n) => String(n).padStart(2, "0")).join(":");
    await dialog.getByLabel("The class is over by").fill(text);
    await dialog.getByText(/^Cut: .* ends at /).waitFor();
    const before = (await toGo([page]))[0]!;
    await dialog.getByRole("button", { name: "Do it for everybody" }).click();
    await page.getByText(/^Cut: /).waitFor();
    await expect.poll(async () => (await toGo([page]))[0]!).toBeLessThan(before - 60);
    await expect.poll(async () => Math.abs((await toGo([page]))[0]! - (await toGo([wall]))[0]!)).toBeLessThanOrEqual(2);
    await button(page, "Undo").click();
    await expect.poll(async () => (await toGo([wall]))[0]!).toBeGreaterThan(before - 20);
    await button(page, "Hold").click();
    await wall.getByText("Hold on").waitFor();
    expect(await violations(wall)).toEqual([]);
    // The wall loads itself anew in the right place, and keys of a laptop do what the buttons do.
    await wall.reload();
    await wall.getByText("Hold on").waitFor();
    expect(await drillOf(wall)).toBe(first);
    await page.locator("main").press("PageDown");
    await page.getByText("On to the next").waitFor();
    // End asks once more.
    await button(page, "End the class").click();
    await button(page, "Press again to end the class").click();
    await page.getByText("The class is over.").waitFor();
    await wall.getByText("That was it.").waitFor();
  });

  it(
    "is followed on phones in step, each in their own version, and asked about at its end",
    { timeout: 120_000 },
    async () => {
      const { page, id, link } = await lead();
      const wall = await wallWith(await codeOf(page));
      const phones: Page[] = [];
      for (let i = 0; i < 3; i++) {
        const { page: phone } = await world.visitor({
          ...PHONE,
          timezoneId: ["Asia/Tokyo", "UTC", "America/Lima"][i]!,
        });
        await phone.goto(link);
        await ready(phone);
        await phone.locator("fieldset label").nth(i).click();
        await phone.getByText("The class is running.").waitFor();
        await button(phone, "Join in step").click();
        await phone.getByText("It begins in a moment.").waitFor();
        expect(await violations(phone)).toEqual([]);
        phones.push(phone);
      }
      await button(page, "Start").click();
      for (const phone of phones) await phone.getByTestId("drill").waitFor();
      await button(page, "Skip this drill").click();
      await page.getByText("Drill skipped").waitFor();
      const drill = await drillOf(page);
      await expect.poll(() => drillOf(wall)).toBe(drill);
      // On the same second as the wall, whatever each of them does.
      const left = (phone: Page) => phone.locator("header .clock-type").innerText();
      const [mine, theirs] = await Promise.all([left(phones[0]!), left(phones[1]!)]);
      expect(Math.abs(Number(mine.slice(-2)) - Number(theirs.slice(-2))) % 59).toBeLessThanOrEqual(1);
      // Somebody’s own choice changes nothing for others; nor does leaving, and coming back is to where the class is.
      await button(phones[1]!, "Easier today").click();
      await expect.poll(() => drillOf(phones[1]!)).toMatch(/easier today|smaller today/);
      expect(await drillOf(phones[2]!)).not.toContain("today");
      await button(phones[2]!, "Leave the class").click();
      await button(phones[2]!, "Join in step").click();
      await expect.poll(() => drillOf(phones[2]!)).toBe(await drillOf(phones[0]!));
      // No phone is told who does things, nor anything of anybody else.
      const stream = await phones[0]!.evaluate(async (path) => {
        const answer = await fetch(path);
        const { value } = await answer.body!.getReader().read();
        return new TextDecoder().decode(value);
      }, `/live/${id}/stream?as=athlete`);
      expect(stream).toContain('"do":"go"');
      expect(stream).not.toMatch(/"by"|"key"|"name"|areas/);
      await button(page, "End the class").click();
      await button(page, "Press again to end the class").click();
      for (const phone of phones) await phone.getByRole("button", { name: /Send/ }).waitFor();
    },
  );

  it("is led on by an assistant, who may change nothing else, and by nobody who is not in the club", async () => {
    const { page, id } = await lead();
    const { page: other, context } = await world.visitor(PHONE);
    await signIn(other, ASSISTANT);
    await other.goto(`/live/${id}`);
    await inStep(other);
    await button(page, "Start").click();
    await button(other, "Hold").click();
    await page.getByText("Paused").waitFor();
    // Both press next at the same moment: the class goes on by one.
    await button(page, "Go").click();
    await button(other, "Hold").waitFor();
    const before = await toGo([page]);
    await Promise.all([button(page, "Next").click(), button(other, "Next").click()]);
    await page.getByText(/On to the next|had gone on already/).waitFor();
    await other.getByText(/On to the next|had gone on already/).waitFor();
    const said = [await page.locator("footer").innerText(), await other.locator("footer").innerText()];
    expect(said.filter((text) => text.includes("On to the next"))).toHaveLength(1);
    expect(before[0]! - (await toGo([page]))[0]!).toBeLessThan(30);
    const send = (data: unknown, as: BrowserContext = context): Promise<APIResponse> =>
      as.request.post(`/live/${id}/command`, { data, headers: { origin: world.base } });
    for (const wrong of [
      {},
      { press: { key: "x", seen: 0, on: null, command: { do: "go" } } },
      {
        press: {
          key: crypto.randomUUID(),
          seen: 0,
          on: null,
          command: { do: "rest", after: "0", segments: [], words: "" },
        },
      },
      { press: { key: crypto.randomUUID(), seen: -1, on: null, command: { do: "go" } } },
      { apart: [] },
      "no message",
    ])
      expect((await send(wrong)).status()).toBe(422);
    const stranger = (await world.visitor()).context;
    const good = { press: { key: crypto.randomUUID(), seen: 0, on: null, command: { do: "hold" } } };
    expect((await send(good, stranger)).status()).toBe(401);
    expect((await stranger.request.get(`/live/${id}/stream?as=remote`)).status()).toBe(403);
    expect((await stranger.request.get(`/live/${id}/stream?as=athlete`)).status()).toBe(403);
    expect((await stranger.request.get(`/live/${crypto.randomUUID()}`, { maxRedirects: 0 })).status()).toBe(302);
    expect((await context.request.get(`/live/${crypto.randomUUID()}`)).status()).toBe(404);
  });

  it("is told in its turn on each connection, and to nobody who asks for no body", async () => {
    const { context, id } = await lead();
    const { host, port } = new URL(world.base);
    const cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
    const ask = (method: string, path: string) =>
      `${method} ${path} HTTP/1.1\r\nhost: ${host}\r\ncookie: ${cookie}\r\n\r\n`;
    /** What comes on one connection, until there is this in it. */
    const said = (asked: string, until: string) =>
      new Promise<string>((resolve, reject) => {
        const line = connect(Number(port), "127.0.0.1", () => line.write(asked));
        let text = "";
        line.setEncoding("utf8");
        line.on("data", (part: string) => {
          text += part;
          if (text.includes(until)) line.destroy();
        });
        line.on("close", () => resolve(text));
        line.on("error", reject);
      });
    const stream = `/live/${id}/stream?as=remote`;
    const none = await said(ask("HEAD", stream) + ask("GET", "/live/time"), '"replied"');
    expect(none).toMatch(/^HTTP\/1\.1 405[\s\S]*?\r\n\r\nHTTP\/1\.1 200/);
    expect(none).not.toContain("event:");
    const both = await said(ask("GET", "/account") + ask("GET", stream), "event: whole");
    expect(both.indexOf("</html>")).toBeGreaterThan(0);
    expect(both.indexOf("event: whole")).toBeGreaterThan(both.indexOf("</html>"));
  });

  it(
    "goes on by itself without a connection, and brings what was done to the others",
    { timeout: 60_000 },
    async () => {
      const { page, context } = await lead();
      const wall = await wallWith(await codeOf(page));
      await button(page, "Start").click();
      await wall.getByTestId("drill").waitFor();
      const first = await drillOf(wall);
      await context.setOffline(true);
      await button(page, "Skip this drill").click();
      await page.getByText("you lead alone").waitFor();
      await expect.poll(() => drillOf(page)).not.toBe(first);
      expect(await drillOf(wall)).toBe(first);
      await context.setOffline(false);
      await expect.poll(() => drillOf(wall), { timeout: 10_000 }).toBe(await drillOf(page));
      await inStep(page);
    },
  );

  it("asks which of two places it is to be where somebody else led on meanwhile", { timeout: 60_000 }, async () => {
    const { page, context, id } = await lead();
    const { page: other } = await world.visitor(PHONE);
    await signIn(other, ASSISTANT);
    await other.goto(`/live/${id}`);
    await inStep(other);
    await button(page, "Start").click();
    await button(other, "Hold").waitFor();
    await context.setOffline(true);
    await button(page, "Skip this drill").click();
    await page.getByText("you lead alone").waitFor();
    const mine = await drillOf(page);
    await button(other, "+30 s: 30 seconds more").click();
    await other.getByText("Time added").waitFor();
    await context.setOffline(false);
    await page.getByText("The class went on without you").waitFor({ timeout: 15_000 });
    await button(page, "The class comes to where I am").click();
    await expect.poll(() => drillOf(other)).toBe(mine);
    await expect.poll(() => drillOf(page)).toBe(mine);
  });

  it("goes on in a hall without any network, and is whole again when there is one", { timeout: 90_000 }, async () => {
    const { page, context, id, link } = await lead();
    const wall = await wallWith(await codeOf(page));
    const phone = await steps.join(world, link, "Wren");
    await button(page, "Start").click();
    for (const screen of [wall, phone]) await screen.getByTestId("drill").waitFor();
    await world.stopServer();
    const [before] = await toGo([wall]);
    await expect.poll(async () => (await toGo([wall]))[0]! < before!).toBe(true);
    const first = await drillOf(wall);
    await expect.poll(() => drillOf(phone)).toBe(first);
    // Who leads goes on alone; what hurts somebody is out for them, and waits to be told.
    await button(page, "Skip this drill").click();
    await page.getByText("you lead alone").waitFor();
    await button(phone, "Something hurts").click();
    await button(phone, "Yes, tell my coach").click();
    await phone.getByText("Not sent yet: tell your coach yourself.").waitFor();
    await expect.poll(() => drillOf(phone)).toBe("Rest here");
    await world.startServerAgain();
    const second = await drillOf(page);
    await expect.poll(() => drillOf(wall), { timeout: 15_000 }).toBe(second);
    await page.getByText(/Wren: something hurts/).waitFor({ timeout: 30_000 });
    // A laptop that was shut opens again where the class is.
    await button(page, "Hold").click();
    await wall.getByText("Hold on").waitFor({ timeout: 10_000 });
    await page.close();
    const again = await context.newPage();
    await again.goto(`/live/${id}`);
    await inStep(again);
    await button(again, "Go").waitFor();
    expect(await drillOf(again)).toBe(await drillOf(wall));
  });

  it("has a wall for whoever has its code: wrong ones are counted, a right one never, a new one shuts the old", async () => {
    const { page } = await lead();
    const code = await codeOf(page);
    const { page: hall, context } = await world.visitor();
    await hall.goto("/wall");
    expect(await violations(hall)).toEqual([]);
    const open = (text: string) =>
      context.request.post("/wall", {
        form: { do: "open", code: text },
        maxRedirects: 0,
        headers: { origin: world.base },
      });
    for (let i = 0; i < 20; i++) expect((await open("222222")).status()).toBe(404);
    expect((await open("222222")).status()).toBe(429);
    expect((await open(code)).status()).toBe(302);
    await hall.goto("/wall");
    await hall.getByText("In a moment").waitFor();
    // The code stands in no address, and its cookie is not for scripts.
    expect(hall.url()).not.toContain(code);
    expect(await hall.evaluate(() => document.cookie)).not.toContain("mapset");
    await button(page, "The wall").click();
    await page.getByRole("button", { name: /A new code/ }).click();
    await expect.poll(() => page.getByTestId("wall-code").innerText()).not.toBe(`${code.slice(0, 3)} ${code.slice(3)}`);
    // The screen that stands there is shut by itself.
    await hall.getByText("Which class?").waitFor();
    expect((await open(code)).status()).toBe(429);
  });

  it("takes what is pressed in its order, also where the first answer never comes", { timeout: 60_000 }, async () => {
    const { page, id } = await lead();
    await button(page, "Start").click();
    await button(page, "Hold").waitFor();
    const order = async () =>
      (
        await world.db
          .select({ command: liveCommand.command })
          .from(liveCommand)
          .where(eq(liveCommand.classId, id))
          .orderBy(asc(liveCommand.n))
      ).map(({ command }) => command.do);
    await expect.poll(order).toEqual(["go"]);
    let first = true;
    await page.route("**/command", async (route) => {
      if (!first) return route.continue();
      // On a bad line nothing comes of it, nor an answer.
      first = false;
      await new Promise((resolve) => setTimeout(resolve, 3000));
      await route.abort().catch(() => undefined);
    });
    await button(page, "+15 s: 15 seconds more").click();
    await button(page, "Hold").click();
    await button(page, "Go").waitFor();
    await expect.poll(order, { timeout: 15_000 }).toEqual(["go", "more", "hold"]);
    expect(await page.getByText(/go to mine|go to theirs/i).count()).toBe(0);
  });
});
