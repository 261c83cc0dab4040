import { Agent, request } from "node:http";
import type { Readable } from "node:stream";
import { buffer, text } from "node:stream/consumers";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { fromBufferPromise } from "yauzl";
import { ZipFile as ZipWriter } from "yazl";
import { ANA, BEN, DEMO, fillInSignIn, ready, signIn, signOut, startWorld, violations, type World } from "./harness";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

/** The files of a zip, by name. */
async function unzip(bytes: Buffer): Promise<Record<string, string>> {
  const zip = await fromBufferPromise(bytes, { lazyEntries: true });
  const files: Record<string, string> = {};
  for await (const entry of zip.eachEntry()) files[entry.fileName] = await text(await zip.openReadStreamPromise(entry));
  return files;
}

const zipped = (files: Record<string, string | Buffer>): Promise<Buffer> => {
  const zip = new ZipWriter();
  for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name);
  zip.end();
  return buffer(zip.outputStream as Readable);
};

const open = async (page: Page, path: string) => {
  await page.goto(path);
  await ready(page);
};

describe("everything of a club as one file", () => {
  it("is downloaded, and read back into an empty club, equal", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await open(page, "/club");
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name: "Download everything" }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^kestrel-sound-\d{4}-\d{2}-\d{2}\.mapset\.zip$/);
    const sent = await buffer(await download.createReadStream());
    const files = await unzip(sent);
    expect(files["README.txt"]).toContain("Keep it where nobody else can read it");
    expect(files["people.jsonl"]).toContain("Tern");

    // Where there is something already nothing can be read in.
    expect(await page.getByRole("button", { name: "Read an archive into this club" }).count()).toBe(0);
    expect(await (await context.request.post("/club/archive", { data: sent })).json()).toEqual({
      fault: "This club has something in it already. An archive is read into one that is empty.",
    });

    await page.getByLabel("Name of a new club").fill("Kestrel Sound again");
    await page.getByRole("button", { name: "Start another club" }).click();
    await page.getByRole("heading", { level: 1, name: "Kestrel Sound again" }).waitFor();
    await ready(page);
    expect(await violations(page)).toEqual([]);
    const choosing = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Read an archive into this club" }).click();
    await (await choosing).setFiles({ name: "club.mapset.zip", mimeType: "application/zip", buffer: sent });
    await page.getByText("Read: 3 sessions, 20 people,").waitFor();
    await open(page, "/feedback");
    await page.getByText("inside of the right hip").first().waitFor();
    await open(page, "/sessions");
    await page.getByRole("link", { name: "Rowers before the boat", exact: true }).click();
    await page.locator("[data-row]").first().waitFor();

    const again = await unzip(await (await context.request.get("/club/archive")).body());
    for (const [name, content] of Object.entries(files))
      if (name !== "about.json") expect([name, again[name] === content]).toEqual([name, true]);

    // Its old links have no address here, and say so; new ones have.
    await open(page, `${new URL(page.url()).pathname}/hand-out`);
    await page
      .getByText("It came with the club’s archive, without its address, so nobody can open it. Make another link.")
      .first()
      .waitFor();
    expect(await page.getByTestId("address").count()).toBe(0);

    // Back to the club it came from, which has lost nothing.
    await open(page, "/club");
    await page
      .getByRole("listitem")
      .filter({ hasText: "Kestrel Sound" })
      .getByRole("button", { name: "Switch to it" })
      .first()
      .click();
    await open(page, "/groups/people");
    await page.getByRole("link", { name: "Tern", exact: true }).waitFor();
  });

  it(
    "that is none, or a hostile one, is refused in words, and nothing of it is kept",
    { timeout: 60_000 },
    async () => {
      const { page, context } = await world.visitor();
      await signIn(page, ANA);
      const send = async (data: Buffer) => {
        const answer = await context.request.post("/club/archive", {
          data,
          headers: { "content-type": "application/zip" },
        });
        return [answer.status(), ((await answer.json()) as { fault: string }).fault] as const;
      };
      const { page: coach, context: owner } = await world.visitor();
      await signIn(coach);
      const good = await (await owner.request.get("/club/archive")).body();
      const files = await unzip(good);
      expect(await send(Buffer.from("not a zip at all"))).toEqual([
        422,
        "This is no zip file, or not all of one. Choose the file as it was downloaded.",
      ]);
      expect(await send(Buffer.alloc(0))).toEqual([
        422,
        "This is no zip file, or not all of one. Choose the file as it was downloaded.",
      ]);
      expect((await send(good.subarray(0, good.length - 200)))[0]).toBe(422);
      // A file damaged in the middle: the packer’s own check finds it.
      const damaged = Buffer.from(good);
      for (let i = 0; i < 40; i++) damaged[Math.floor(good.length / 3) + i]! ^= 0xff;
      expect((await send(damaged))[0]).toBe(422);
      // A line without end, which packs to next to nothing.
      const [status, fault] = await send(await zipped({ ...files, "people.jsonl": Buffer.alloc(40_000_000, 97) }));
      expect([status, fault]).toEqual([422, "people.jsonl has a line that is longer than it can be."]);
      expect(
        await send(await zipped(Object.fromEntries(Array.from({ length: 101 }, (_, i) => [`${i}.txt`, "x"])))),
      ).toEqual([422, "The zip file has more files in it than a club’s archive has."]);
      expect((await send(await zipped({ "about.json": "{}" })))[1]).toMatch(/^about\.json: /);
      // Longer than an archive can be: refused before it is sent.
      const large = await fetch(`${world.base}/club/archive`, {
        method: "POST",
        headers: {
          cookie: (await context.cookies()).map((one) => `${one.name}=${one.value}`).join("; "),
          "content-type": "application/zip",
        },
        body: Buffer.alloc(50_000_001),
      }).catch(() => undefined);
      expect(large?.status).toBe(413);
      await open(page, "/groups/people");
      await page.getByText("Nobody yet.").waitFor();
      expect((await context.request.get("/sessions")).status()).toBe(200);
    },
  );
});

it("one that is refused leaves the connection as it was", async () => {
  const { page, context } = await world.visitor();
  await signIn(page, { email: "assistant@kestrelsound.example", password: DEMO.password });
  const cookie = (await context.cookies()).map((one) => `${one.name}=${one.value}`).join("; ");
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const sockets = new Set<unknown>();
  const ask = (path: string, method: string, headers: Record<string, string>, body?: Buffer) =>
    new Promise<number>((resolve, reject) => {
      const asked = request(`${world.base}${path}`, { agent, method, headers }, (answer) => {
        answer.resume();
        answer.once("end", () => resolve(answer.statusCode ?? 0));
      });
      asked.once("socket", (socket) => sockets.add(socket));
      asked.once("error", reject);
      asked.end(body);
    });
  const zip = { "content-type": "application/zip" };
  const sends = (headers: Record<string, string>) =>
    ask("/club/archive", "POST", { ...zip, ...headers }, Buffer.alloc(3_000_000));
  expect(await sends({ cookie })).toBe(403);
  expect(await ask("/up", "GET", {})).toBe(200);
  // Signed out since: it was a sign-in once, and is none any more.
  await signOut(page);
  await page.waitForURL(/\/sign-in/);
  expect(await sends({ cookie })).toBe(401);
  expect(await ask("/up", "GET", {})).toBe(200);
  expect(sockets.size).toBe(1);
  // One that nobody was given takes no more than anybody may send.
  expect(await sends({ cookie: "mapset.session_token=nobody" })).toBe(413);
  expect(await ask("/up", "GET", {})).toBe(200);
  agent.destroy();
});

describe("time", () => {
  it("is the club's, whatever the server and the browser are set to; a group that is elsewhere has its own", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await open(page, "/feedback");
    const first = page.locator("article time, li time");
    // The demo's sessions were at five by the club's clock, in winter.
    expect(await first.first().innerText()).toMatch(/, 17:\d\d$/);
    await open(page, "/club");
    await page.getByLabel("The club’s clock").selectOption("Asia/Dubai");
    await page.getByRole("button", { name: "Save time zone" }).click();
    await page.getByText("Days and hours are shown by the clock of Dubai.").waitFor();
    await open(page, "/feedback");
    expect(await first.first().innerText()).toMatch(/, 21:\d\d$/);
    await open(page, "/groups");
    await page.getByRole("link", { name: "Kestrel Sound junior rowers", exact: true }).click();
    await page.getByRole("button", { name: "Kit, floor and caps" }).click();
    await page.getByLabel("Their time zone").selectOption("Pacific/Auckland");
    await page.getByRole("button", { name: "Save" }).click();
    await page.getByText("Auckland time").waitFor();
    await open(page, "/feedback");
    expect(await first.first().innerText()).toMatch(/, 06:\d\d \(Auckland\)$/);
    await open(page, "/club");
    await page.getByLabel("The club’s clock").selectOption("Europe/London");
    await page.getByRole("button", { name: "Save time zone" }).click();
    await page.getByText("by the clock of London").waitFor();
  });
});

describe("a person", () => {
  it("is in two groups, and is forgotten once their pain has been seen to", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await open(page, "/groups/people");
    expect(await violations(page)).toEqual([]);
    await page.getByLabel("Find somebody").fill("ter");
    await expect.poll(() => page.getByRole("main").getByRole("listitem").count()).toBe(1);
    await page.getByRole("link", { name: "Tern", exact: true }).click();
    await page.getByText("One report of pain that nobody has spoken to them about.").waitFor();
    await ready(page);
    expect(await violations(page)).toEqual([]);
    await page.getByLabel("Add to another group").selectOption({ label: "Staff lunchtime class" });
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await page.getByText("Tern is in it now.").waitFor();
    await page.getByRole("button", { name: "Remove from Kestrel Sound junior rowers" }).click();
    await page.getByRole("button", { name: "Put back into Kestrel Sound junior rowers" }).click();
    await page.getByRole("button", { name: "Remove from Kestrel Sound junior rowers" }).waitFor();

    await page.getByRole("button", { name: "Forget Tern…" }).click();
    await page.getByRole("link", { name: "See what they said" }).click();
    await page.getByRole("heading", { name: "Feedback from Tern" }).waitFor();
    await ready(page);
    expect(await page.getByText("Moss").count()).toBe(0);
    await page.getByRole("button", { name: "I have spoken to them" }).click();
    await expect.poll(() => page.getByRole("button", { name: "I have spoken to them" }).count()).toBe(0);
    await page.getByRole("link", { name: "Tern’s page" }).click();
    await page.getByRole("button", { name: "Forget Tern…" }).click();
    await page.getByRole("button", { name: "Forget for good" }).click();
    await page.getByText("To forget them, write their name as it stands here: Tern").waitFor();
    await page.getByLabel("Write “Tern” to forget them").fill("Tern");
    expect(await violations(page)).toEqual([]);
    await page.getByRole("button", { name: "Forget for good" }).click();
    await page.waitForURL(/\/groups\/people$/);
    await expect.poll(() => page.getByRole("link", { name: "Tern", exact: true }).count()).toBe(0);
    await open(page, "/feedback");
    expect(await page.getByText("Tern").count()).toBe(0);
    expect(await page.getByText("Someone").count()).toBe(2);
  });
});

describe("keeping and erasing", () => {
  it("fewer months are asked about where reports would go", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    await open(page, "/club");
    const months = page.getByLabel("Months");
    expect(await months.inputValue()).toBe("24");
    await months.fill("0");
    await page.getByRole("button", { name: "Save months" }).click();
    await page.getByText("Write whole months, from 1 to 120.").waitFor();
    await months.fill("12");
    await page.getByRole("button", { name: "Save months" }).click();
    await page.getByText("Reports are kept for 12 months.").waitFor();
    await world.db.execute("update run set arrived_at = arrived_at - interval '70 days' where name = 'Noor'");
    await months.fill("1");
    await page.getByRole("button", { name: "Save months" }).click();
    await page.getByText("One report is older, and would be deleted within the hour.").waitFor();
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.reload();
    expect(await months.inputValue()).toBe("12");
    await ready(page);
    await months.fill("1");
    await page.getByRole("button", { name: "Save months" }).click();
    await page.getByRole("button", { name: "Delete what is older" }).click();
    await page.getByText("Reports are kept for a month.").waitFor();
  });

  it("a club is erased once its name is written; an account goes with the club that nobody else is in", async () => {
    const { page, context } = await world.visitor();
    await fillInSignIn(page, BEN);
    await open(page, "/club");
    await page.getByLabel("Name of a new club").fill("Spit");
    await page.getByRole("button", { name: "Start another club" }).click();
    await page.getByRole("heading", { level: 1, name: "Spit" }).waitFor();
    await page.getByRole("button", { name: "Erase Spit…" }).click();
    await page.getByLabel("Write “Spit” to erase it").fill("spit");
    await page.getByRole("button", { name: "Erase for good" }).click();
    await page.getByText("To erase it, write the club’s name as it stands here: Spit").waitFor();
    expect(await violations(page)).toEqual([]);
    await page.getByLabel("Write “Spit” to erase it").fill("Spit");
    await page.getByRole("button", { name: "Erase for good" }).click();
    await page.getByRole("heading", { level: 1, name: "ben" }).waitFor();

    await open(page, "/account");
    await page.getByRole("button", { name: "Delete your account…" }).click();
    await page.getByText("ben is erased").waitFor();
    expect(await violations(page)).toEqual([]);
    expect(await page.getByRole("button", { name: "Delete for good" }).isDisabled()).toBe(true);
    await page.getByLabel("Erase ben with everything in it").check();
    await page.getByLabel("Your password").fill("not that one at all");
    await page.getByRole("button", { name: "Delete for good" }).click();
    await page.getByText("That is not your password.").waitFor();
    await page.getByLabel("Your password").fill(BEN.password);
    await page.getByRole("button", { name: "Delete for good" }).click();
    await page.waitForURL(/\/sign-in$/);
    expect((await context.request.get("/sessions", { maxRedirects: 0 })).status()).toBe(302);
    await ready(page);
    await page.getByLabel("E-mail address").fill(BEN.email);
    await page.getByLabel("Password").fill(BEN.password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("alert").first().waitFor();
  });

  it("the only owner of a club with others in it is told to see to that first", async () => {
    const { page, context } = await world.visitor();
    await signIn(page);
    await open(page, "/account");
    await page.getByText("You are the only owner of Kestrel Sound.").waitFor();
    const answer = await context.request.post("/account", { form: { do: "delete", old: DEMO.password, clubs: "" } });
    expect([answer.status(), (await context.request.get("/sessions")).status()]).toEqual([422, 200]);
  });
});
