import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { APIRequestContext } from "playwright-core";
import { newestAddress, openDesk, ready, seenOf, signIn, startWorld, type World } from "./harness";

let world: World;
let link: string;
let session: string;
let coach: APIRequestContext;

beforeAll(async () => {
  world = await startWorld();
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Rowers before the boat");
  session = new URL(page.url()).pathname;
  await page.getByRole("link", { name: "Hand out" }).click();
  link = new URL(await newestAddress(page)).pathname;
  coach = page.request;
});
afterAll(() => world.end());

const fresh = async () => (await world.visitor()).page.request;
const run = () => ({
  key: crypto.randomUUID(),
  person: { athleteId: null, name: "X" },
  shareDone: 0.5,
  finished: false,
});
const checkIn = () => ({ run: run(), hard: 3, tightness: [], pain: false, painWhere: "", note: "" });

describe("what is handed out", () => {
  it("has none of the coach's notes, in the page and in its data, of new and of stored editions", async () => {
    const { page } = await world.visitor();
    await world.db.execute(`alter table edition disable trigger user`);
    await world.db.execute(`update edition set doc = jsonb_set(doc, '{session,notes}', '"Private: knee of T."')`);
    await world.db.execute(`alter table edition enable trigger user`);
    for (const path of [link, `${link}.data`]) {
      const text = await (await page.request.get(path)).text();
      expect(text).toContain("Rowers before the boat");
      expect(text).not.toMatch(/Private: knee|Boats are waiting|"notes"/);
    }
    // The stored notes are no change: it is still the newest edition.
    const desk = await (await coach.get(`${session}/hand-out`)).text();
    expect(desk).not.toContain("Notes changed");
  });
});

describe("what nobody can hold the server with", () => {
  it("is an address without end", async () => {
    const request = await fresh();
    const began = Date.now();
    for (const times of [150, 1_000, 4_000])
      expect((await request.get("/x".repeat(times))).status()).toBe(times === 150 ? 404 : 414);
    expect(Date.now() - began).toBeLessThan(10_000);
  });
  it("is a body without end", async () => {
    const request = await fresh();
    const big = "a&".repeat(40_000);
    for (const path of ["/sign-in", "/sign-up", `${link}/check-in`, `${link}/progress`, "/sessions"])
      expect(
        (
          await request.post(path, { data: big, headers: { "content-type": "application/x-www-form-urlencoded" } })
        ).status(),
        path,
      ).toBe(413);
    expect((await coach.post(`${session}/save`, { data: { doc: "x".repeat(2_600_000) } })).status()).toBe(413);
    expect((await coach.get("/up")).status()).toBe(200);
  });
  it("is a session that is valid and never ends", async () => {
    const item = { drill: "cat-camel", dose: { kind: "time", seconds: 1 }, sets: 20 };
    const doc = {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      blocks: Array.from({ length: 40 }, () => ({
        title: "b",
        rounds: 20,
        items: Array.from({ length: 48 }, () => item),
      })),
    };
    const answer = await coach.post(`${session}/save`, { data: { basedOn: 1, doc } });
    expect(answer.status()).toBe(422);
    expect(await answer.text()).toContain("pieces of work, rests and moves");
  });
});

describe("what a database refuses", () => {
  it("is refused before it, at its place, in every message", async () => {
    const request = await fresh();
    for (const text of ["left\0knee", "\uD83C", "x\uDF0A"]) {
      const body = JSON.stringify({ ...checkIn(), note: text });
      const answer = await request.post(`${link}/check-in`, {
        data: Buffer.from(body),
        headers: { "content-type": "application/json" },
      });
      expect(answer.status()).toBe(422);
      expect(await answer.json()).toMatchObject({ faults: [{ path: "note" }] });
      const saved = await coach.post(`${session}/save`, {
        data: Buffer.from(JSON.stringify({ basedOn: 1, doc: { title: text } })),
        headers: { "content-type": "application/json" },
      });
      expect(saved.status()).toBe(422);
    }
  });
  it("is only refused where it can be read: a report of a newer page than this server waits on its device", async () => {
    const request = await fresh();
    const odd = { ...checkIn(), whatComesLater: 1 };
    const sent = (version: string) =>
      request.post(`${link}/check-in`, { data: odd, headers: { "mapset-item": version } });
    expect([(await sent("1")).status(), (await sent("2")).status()]).toEqual([422, 409]);
    // What it can read it takes, however new the page is.
    expect(
      (await request.post(`${link}/check-in`, { data: checkIn(), headers: { "mapset-item": "2" } })).status(),
    ).toBe(200);
  });
  it("is left out of what a form brings", async () => {
    const answer = await coach.post("/groups", { form: { do: "add-group", name: "Nul\0l \u{1F30A}" } });
    expect(answer.status()).toBeLessThan(400);
    expect(await (await coach.get("/groups")).text()).toContain("Null \u{1F30A}");
  });
  it("is a number no column holds", async () => {
    expect((await coach.post(`${session}/save`, { data: { basedOn: 2 ** 31, doc: {} } })).status()).toBe(422);
  });
  it("is a title cut in the middle of a sign", async () => {
    // A wave at the place where the copy's title is cut.
    const title = `${"t".repeat(111)}🌊 and more`.slice(0, 118);
    const doc = {
      format: "mapset/session",
      version: 1,
      title,
      purpose: "off-day",
      blocks: [{ title: "b", items: [{ drill: "cat-camel", dose: { kind: "time", seconds: 9 } }] }],
    };
    const made = await coach.post("/sessions", {
      multipart: {
        do: "import",
        file: { name: "a.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(doc)) },
      },
      maxRedirects: 0,
    });
    expect(made.status()).toBe(302);
    expect(
      (
        await coach.post(`${made.headers()["location"]!}/setting`, {
          data: {
            demandId: "rowing",
            choices: [
              { athleteId: "00000000-0000-4000-8000-000000000001", block: 0, item: 0, at: "cat-camel", does: "rest" },
            ],
          },
        })
      ).status(),
    ).toBe(200);
    for (const choices of [
      [{ athleteId: "x", block: 0, item: 0, at: "cat-camel", does: "rest" }],
      [{}],
      "all",
      Array.from({ length: 601 }, () => ({
        athleteId: "00000000-0000-4000-8000-000000000001",
        block: 0,
        item: 0,
        at: "cat-camel",
        does: "rest",
      })),
    ])
      expect((await coach.post(`${made.headers()["location"]!}/setting`, { data: { choices } })).status()).toBe(422);
    const copied = await coach.post("/sessions", {
      form: { do: "copy", id: made.headers()["location"]!.split("/").at(-1)! },
      maxRedirects: 0,
    });
    expect(copied.status()).toBe(302);
    expect(await (await coach.get(`${copied.headers()["location"]!}/export`)).json()).toMatchObject({
      session: { title: `${"t".repeat(111)}, copy` },
      profile: "rowing",
    });
  });
});

describe("requests that are none of ours", () => {
  it("are refused in words: forms that are none", async () => {
    const forms = [
      "/sign-in",
      "/sign-up",
      "/groups",
      "/feedback",
      "/library",
      "/library/cat-camel",
      "/library/profiles",
      "/library/arcs/off-day",
      "/sessions",
      "/sessions/draft",
      `${session}/hand-out`,
    ];
    for (const path of forms)
      for (const type of [
        "text/plain",
        "application/json",
        "multipart/form-data",
        "multipart/form-data; boundary=x",
        "application/octet-stream",
      ]) {
        const answer = await coach.post(path, { data: Buffer.from('{"a":'), headers: { "content-type": type } });
        expect(answer.status(), `${path} as ${type}`).toBe(400);
      }
  });
  it("are refused: profiles, hosts and methods that are none", async () => {
    expect((await coach.get(`/library/profiles/own-${"-".repeat(36)}`)).status()).toBe(404);
    expect((await coach.get(`/sessions/draft?profile=own-${"-".repeat(36)}`)).status()).toBeLessThan(500);
    expect((await coach.get("/sessions/draft?purpose=party&group=x")).status()).toBeLessThan(500);
    for (const arc of ["party", "__proto__", "constructor"])
      expect((await coach.get(`/library/arcs/${arc}`)).status()).toBe(404);
    expect((await coach.fetch("/sessions", { method: "DELETE" })).status()).toBe(405);
    expect(
      (
        await coach.post("/groups", {
          form: { do: "add-group", name: "Other" },
          headers: { "sec-fetch-site": "same-site" },
        })
      ).status(),
    ).toBe(403);
  });
  it("find nothing kept on the way, and nothing to be found by a search", async () => {
    const request = await fresh();
    expect(await (await request.get("/robots.txt")).text()).toContain("Disallow: /");
    for (const path of ["/sign-in", link, `${link}.data`, `${link}/mine`]) {
      const headers = (await request.get(path)).headers();
      expect(headers["cache-control"], path).toContain("no-store");
      expect(headers["x-robots-tag"], path).toContain("noindex");
    }
    expect((await coach.get("/sessions.data")).headers()["cache-control"]).toContain("no-store");
  });
  it("keep nothing of what a browser calls itself", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    const { rows } = await world.db.execute<{ n: number }>(
      `select count(*)::int as n from sign_in where user_agent is not null or ip_address is not null`,
    );
    expect(rows[0]?.n).toBe(0);
  });
  it("refuse a drill file with faults as what it is", async () => {
    const answer = await coach.post("/library.data", {
      multipart: { do: "import", file: { name: "x.json", mimeType: "application/json", buffer: Buffer.from("{}") } },
    });
    expect(answer.status()).toBe(422);
  });
});

describe("guesses at links", () => {
  it("never shut out who has a good one, nor their report of pain", async () => {
    const request = await fresh();
    // What somebody claims to have been forwarded for is not believed where no proxy was set.
    for (let i = 0; i < 30; i++)
      await request.get(`/f/${String(i).padStart(24, "Z")}`, { headers: { "x-forwarded-for": `203.0.113.${i}` } });
    expect((await request.get(`/f/${"Z".repeat(24)}`)).status()).toBe(429);
    expect((await request.get(link)).status()).toBe(200);
    expect((await request.post(`${link}/check-in`, { data: { ...checkIn(), pain: true } })).status()).toBe(200);
  });
});

describe("a class behind one address", () => {
  it("of sixty reports for half an hour without one refusal, and what one device sends without end is slowed down alone", async () => {
    const request = await fresh();
    const runs = Array.from({ length: 60 }, run);
    const codes = new Set<number>();
    // What sixty phones send in ten minutes: more than a limit by address ever let through.
    for (let round = 0; round < 12; round++)
      await Promise.all(
        runs.map(async (one) => codes.add((await request.post(`${link}/progress`, { data: one })).status())),
      );
    await Promise.all(
      runs.map(async (one, i) =>
        codes.add(
          (await request.post(`${link}/check-in`, { data: { ...checkIn(), run: one, pain: i === 59 } })).status(),
        ),
      ),
    );
    expect([...codes]).toEqual([200]);
    const [first] = runs;
    let last = 200;
    for (let i = 0; i < 120 && last === 200; i++)
      last = (await request.post(`${link}/progress`, { data: first })).status();
    expect(last).toBe(429);
    expect((await request.post(`${link}/progress`, { data: runs[1] })).status()).toBe(200);
  });

  it("cannot be buried: pain stays first however many invented reports follow", async () => {
    const request = await fresh();
    const { page } = await world.visitor();
    await signIn(page);
    // A link of its own, and room on it.
    await coach.post(`${session}/hand-out`, {
      form: { group: "", whom: "", seen: await seenOf(coach, session, "anyone") },
    });
    await page.goto(`${session}/hand-out`);
    const link2 = new URL(await newestAddress(page)).pathname;
    await request.post(`${link2}/check-in`, {
      data: {
        ...checkIn(),
        run: { ...run(), person: { athleteId: null, name: "Real" } },
        pain: true,
        painWhere: "left shoulder",
      },
    });
    for (let i = 0; i < 8; i++)
      await Promise.all(
        Array.from({ length: 40 }, () =>
          request.post(`${link2}/check-in`, {
            data: { ...checkIn(), run: { ...run(), person: { athleteId: null, name: "Flood" } } },
          }),
        ),
      );
    await page.goto("/feedback");
    await ready(page);
    await page.getByText("left shoulder").first().waitFor();
    await page.getByText("Kept under their link").waitFor();
    await page.getByRole("link", { name: "Look through them" }).first().click();
    await page.getByRole("heading", { name: "Under this link" }).waitFor();
    const first = page.getByRole("list").getByRole("listitem").first();
    await first.getByRole("button", { name: /More about/ }).click();
    await page.getByRole("menuitem", { name: /^Not / }).click();
    await first.getByText(/\(not .*’s\)/).waitFor();
    await first.getByRole("button", { name: /More about/ }).click();
    await page.getByRole("menuitem", { name: "Remove from the list" }).click();
    const sure = page.getByRole("alertdialog").getByRole("button", { name: "Remove" });
    if (await sure.isVisible().catch(() => false)) await sure.click();
    await page.getByText("Removed from the list.").waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
  });
});

describe("two thousand bodies that nobody would send", () => {
  it("are answered, never failed at", async () => {
    let seed = 20_261_126;
    const random = (n: number) => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return Math.floor((seed / 2 ** 32) * n);
    };
    const odd: unknown[] = [
      null,
      true,
      -1,
      1e308,
      2 ** 53,
      "",
      "\0",
      "\uD83C",
      "x".repeat(3_000),
      [],
      {},
      [[[[]]]],
      { __proto__: 1, constructor: { prototype: 1 } },
      "own-1",
      "../..",
      "2026-02-30",
      "NaN",
      "🌊".repeat(60),
    ];
    const one = () => odd[random(odd.length)];
    const id = session.split("/").at(-1)!;
    const valid: Record<string, unknown>[] = [
      checkIn(),
      run(),
      {
        basedOn: 1,
        doc: {
          format: "mapset/session",
          version: 1,
          title: "t",
          purpose: "off-day",
          blocks: [{ title: "b", items: [{ drill: "cat-camel", dose: { kind: "time", seconds: 9 } }] }],
        },
      },
      {
        fields: {
          groupId: { value: null, basedOn: 0, by: "a page", seq: 1 },
          accepted: { value: [{ key: "title", says: "x", reason: "y" }], basedOn: 0, by: "a page", seq: 2 },
        },
      },
      {
        do: "add-group",
        name: "t",
        group: id,
        id,
        run: id,
        session: id,
        demand: "rowing",
        doc: "{}",
        names: "A",
        athlete: id,
        areas: "[]",
        setting: "{}",
        email: "a@b.example",
        password: "p",
      },
    ];
    const spoil = (value: unknown, depth = 0): unknown => {
      if (random(6) === 0) return one();
      if (Array.isArray(value))
        return random(3) === 0 ? [...(value as unknown[]), one()] : value.map((inner) => spoil(inner, depth + 1));
      if (typeof value !== "object" || value === null) return value;
      const entries = Object.entries(value)
        .filter(() => random(12) > 0)
        .map(([key, inner]) => [random(25) === 0 ? String(one()) : key, spoil(inner, depth + 1)] as const);
      return Object.fromEntries(entries);
    };
    const dos = [
      "new",
      "add-group",
      "rename-group",
      "delete-group",
      "add-people",
      "remove",
      "areas",
      "setting",
      "archive",
      "restore",
      "import",
      "seen",
      "not theirs",
      "put back",
      "withdraw",
      "open",
      "keep",
      "delete",
      "copy",
      "template",
      "",
      "toString",
    ];
    const json = [
      `${session}/save`,
      `${session}/setting`,
      `${link}/check-in`,
      `${link}/progress`,
      `/library/own-${id}-1/keep`,
    ];
    const forms = [
      "/sign-in",
      "/groups",
      "/feedback",
      "/library",
      "/library/cat-camel",
      "/library/profiles",
      "/library/profiles/rowing",
      "/library/arcs/off-day",
      "/sessions",
      "/sessions/draft",
      `${session}/hand-out`,
    ];
    const failed: string[] = [];
    for (let batch = 0; batch < 100; batch++)
      await Promise.all(
        Array.from({ length: 20 }, async (_, i) => {
          const asJson = (batch + i) % 2 === 0;
          const body = spoil(valid[random(valid.length)]);
          const path = asJson ? json[random(json.length)]! : forms[random(forms.length)]!;
          const text = JSON.stringify(body ?? null);
          const fields = {
            do: dos[random(dos.length)]!,
            ...Object.fromEntries(
              Object.entries(typeof body === "object" && body ? body : {})
                .filter(([key]) => key !== "do")
                .map(([key, value]) => [key, typeof value === "string" ? value : (JSON.stringify(value) ?? "")]),
            ),
          };
          const answer = asJson
            ? await coach.post(path, {
                data: Buffer.from(text),
                headers: { "content-type": "application/json" },
                maxRedirects: 0,
              })
            : await coach.post(path, {
                data: Buffer.from(new URLSearchParams(fields).toString()),
                headers: { "content-type": "application/x-www-form-urlencoded" },
                maxRedirects: 0,
              });
          if (answer.status() >= 500)
            failed.push(`${answer.status()} ${path} ${asJson ? text : JSON.stringify(fields)}`.slice(0, 400));
        }),
      );
    expect(failed).toEqual([]);
  }, 240_000);
});
