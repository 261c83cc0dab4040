import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ANA, BEN, newestAddress, openDesk, ready, signIn, startWorld, type World } from "./harness";
import type { APIRequestContext } from "playwright-core";

let world: World;
/** Addresses and ids of the demo coach, as a stranger might have come by them. */
let theirs: { session: string; link: string; run: string; group: string; athlete: string };
let stranger: APIRequestContext;

const idIn = (text: string, before: string) => new RegExp(`${before}([0-9a-f-]{36})`).exec(text)?.[1] ?? "";

beforeAll(async () => {
  world = await startWorld();
  const { page } = await world.visitor();
  await signIn(page);
  await openDesk(page, "Rowers before the boat");
  const session = /sessions\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  await page.goto(`/sessions/${session}/hand-out`);
  const link = await newestAddress(page);
  const textOf = async (address: string) => (await page.request.get(address)).text();
  theirs = {
    session,
    link,
    run: idIn(await textOf("/feedback.data"), '"runId","'),
    group: idIn(await textOf("/groups"), 'href="/groups/'),
    athlete: idIn(await textOf("/groups/people"), 'href="/groups/people/'),
  };
  expect(Object.values(theirs).every(Boolean)).toBe(true);
  const other = await world.visitor();
  await signIn(other.page, BEN);
  stranger = other.page.request;
});
afterAll(() => world.end());

const form = (fields: Record<string, string>) => ({ form: fields, maxRedirects: 0, headers: { origin: world.base } });

describe("a second coach", () => {
  it.each([
    ["the desk", () => `/sessions/${theirs.session}`],
    ["the desk's data", () => `/sessions/${theirs.session}.data`],
    ["the newest copy", () => `/sessions/${theirs.session}/save`],
    ["the export", () => `/sessions/${theirs.session}/export`],
    ["the hand-out page", () => `/sessions/${theirs.session}/hand-out`],
    ["the session on paper", () => `/sessions/${theirs.session}/print`],
    ["what was heard of it", () => `/feedback?session=${theirs.session}`],
    ["drafts from it", () => `/sessions/draft?session=${theirs.session}`],
  ])("does not get %s", async (_, address) => {
    const answer = await stranger.get(address());
    expect(answer.status()).toBe(404);
    expect(await answer.text()).not.toContain("Rowers");
  });

  it("sees nothing of it in the lists", async () => {
    for (const list of ["/sessions", "/sessions?archived", "/feedback", "/groups", "/sessions/draft"]) {
      const text = await (await stranger.get(list)).text();
      for (const word of ["Rowers", "Kestrel", "Moss", "Tern", theirs.session]) expect(text).not.toContain(word);
    }
  });

  it.each([
    [
      "saving",
      (r: APIRequestContext) => r.post(`/sessions/${theirs.session}/save`, { data: { basedOn: 1, doc: { a: 1 } } }),
      [404, 422],
    ],
    [
      "choosing for a person",
      (r: APIRequestContext) =>
        r.post(`/sessions/${theirs.session}/setting`, {
          data: { choices: [{ athleteId: theirs.athlete, block: 0, item: 0, at: "cat-camel", does: "rest" }] },
        }),
      [404],
    ],
    ["copying", (r: APIRequestContext) => r.post("/sessions", form({ do: "copy", id: theirs.session })), [404]],
    [
      "renaming",
      (r: APIRequestContext) => r.post("/sessions", form({ do: "rename", id: theirs.session, title: "Mine now" })),
      [404],
    ],
    ["archiving", (r: APIRequestContext) => r.post("/sessions", form({ do: "archive", id: theirs.session })), [404]],
    ["deleting", (r: APIRequestContext) => r.post("/sessions", form({ do: "delete", id: theirs.session })), [404]],
    [
      "handing out",
      (r: APIRequestContext) => r.post(`/sessions/${theirs.session}/hand-out`, form({ group: "" })),
      [404],
    ],
    ["marking a check-in", (r: APIRequestContext) => r.post("/feedback", form({ do: "seen", run: theirs.run })), [404]],
    [
      "renaming a group",
      (r: APIRequestContext) => r.post("/groups", form({ do: "rename-group", group: theirs.group, name: "Mine" })),
      [404],
    ],
    [
      "adding to a group",
      (r: APIRequestContext) => r.post("/groups", form({ do: "add-people", group: theirs.group, names: "Spy" })),
      [404],
    ],
    [
      "deleting a group",
      (r: APIRequestContext) => r.post("/groups", form({ do: "delete-group", group: theirs.group })),
      [404],
    ],
    [
      "renaming someone",
      (r: APIRequestContext) => r.post("/groups", form({ do: "rename-person", athlete: theirs.athlete, name: "Mine" })),
      [404],
    ],
    [
      "putting someone back",
      (r: APIRequestContext) => r.post("/groups", form({ do: "put-back", athlete: theirs.athlete })),
      [404],
    ],
    [
      "taking someone off a list",
      (r: APIRequestContext) => r.post("/groups", form({ do: "remove-person", athlete: theirs.athlete })),
      [404],
    ],
  ])("gets nowhere with %s", async (_, attempt, expected) => {
    expect(expected).toContain((await attempt(stranger)).status());
  });

  it("cannot save over it with a document that is right in every way", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    const mine = (await (await page.request.get(`/sessions/${theirs.session}/save`)).json()) as {
      doc: { title: string };
      revision: number;
    };
    const answer = await stranger.post(`/sessions/${theirs.session}/save`, {
      data: { basedOn: mine.revision, doc: { ...mine.doc, title: "Taken" } },
    });
    expect(answer.status()).toBe(404);
    const after = (await (await page.request.get(`/sessions/${theirs.session}/save`)).json()) as {
      doc: { title: string };
    };
    expect(after.doc.title).toBe("Rowers before the boat");
  });

  it("is given own drills that are their own only, whatever they name", async () => {
    const mine = (await (await stranger.get("/own-drills")).json()) as unknown[];
    const named = (await (
      await stranger.get("/own-drills?named=own-00000000-0000-4000-8000-000000000000-1,nonsense,%27%3B--")
    ).json()) as unknown[];
    expect(named).toEqual(mine);
    expect(JSON.stringify(mine)).not.toContain("Rowers");
  });
});

describe("someone who is not signed in", () => {
  it.each(["/sessions", "/feedback", "/groups", "/sessions/draft", "/sessions/00000000-0000-4000-8000-000000000000"])(
    "is sent to sign in from %s",
    async (address) => {
      const { page } = await world.visitor();
      await page.goto(address);
      expect(new URL(page.url()).pathname).toBe("/sign-in");
    },
  );

  it("comes back to where they wanted to go, and never to another site", async () => {
    const { page } = await world.visitor();
    await page.goto("/feedback");
    await ready(page);
    await page.getByLabel("E-mail address").fill(ANA.email);
    await page.getByLabel("Password").fill(ANA.password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.waitForURL(/\/feedback$/);
    const answer = await (
      await world.visitor()
    ).page.request.post("/sign-in?back=//evil.example", form({ email: ANA.email, password: ANA.password }));
    expect(answer.status()).toBe(302);
    expect(answer.headers()["location"]).toBe("/today");
  });

  it("cannot save, nor see own drills", async () => {
    const { page } = await world.visitor();
    expect((await page.request.get("/own-drills")).status()).toBe(401);
    expect((await page.request.post(`/sessions/${theirs.session}/save`, { data: {} })).status()).toBe(401);
  });
});

describe("doors", () => {
  it("refuse forms of another site", async () => {
    const { page } = await world.visitor();
    await signIn(page);
    const answer = await page.request.post("/sessions", {
      form: { do: "archive", id: theirs.session },
      headers: { origin: "https://evil.example" },
    });
    expect(answer.status()).toBe(403);
    for (const origin of ["null", "not an address", "file://"]) {
      const odd = await page.request.post("/sessions", {
        form: { do: "archive", id: theirs.session },
        headers: { origin },
      });
      expect([origin, odd.status() >= 400 && odd.status() < 500]).toEqual([origin, true]);
    }
  });

  it("take forms of a page whose script has not arrived", async () => {
    const { page } = await world.visitor({ javaScriptEnabled: false });
    await page.goto("/sign-in");
    await page.getByLabel("E-mail address").fill(ANA.email);
    await page.getByLabel("Password").fill(ANA.password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("heading", { level: 1, name: "Today" }).waitFor();
  });

  it("come with the headers that keep strangers' scripts and frames out", async () => {
    const { page } = await world.visitor();
    const headers = (await page.request.get("/sign-in")).headers();
    expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[^']+';.*frame-ancestors 'none'/);
    expect(headers["referrer-policy"]).toBe("same-origin");
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect((await page.request.get("/up")).headers()["x-powered-by"]).toBeUndefined();
  });

  it("take only sensible messages from players", async () => {
    const { page } = await world.visitor();
    const path = new URL(theirs.link).pathname;
    const run = { key: crypto.randomUUID(), person: { athleteId: null, name: "X" }, shareDone: 1, finished: true };
    const check = { run, hard: 3, tightness: [], pain: false, painWhere: "", note: "" };
    const post = async (part: string, data: unknown) =>
      (await page.request.post(`${path}/${part}`, { data: data as object })).status();
    expect(await post("progress", { ...run, shareDone: 7 })).toBe(422);
    expect(await post("progress", { ...run, person: { athleteId: null, name: "x".repeat(41) } })).toBe(422);
    expect(await post("check-in", { ...check, hard: 99 })).toBe(422);
    expect(await post("check-in", { ...check, note: "x".repeat(501) })).toBe(422);
    expect(await post("check-in", { ...check, extra: 1 })).toBe(422);
    expect(await post("check-in", "x".repeat(30_000))).toBe(422);
    expect((await page.request.post(`/f/${"A".repeat(24)}/check-in`, { data: check })).status()).toBe(404);
  });

  it("slow down guessing of links, without troubling those with a good one", async () => {
    const { page } = await world.visitor();
    const codes: number[] = [];
    for (let i = 0; i < 24; i++) codes.push((await page.request.get(`/f/${String(i).padStart(24, "B")}`)).status());
    expect(codes[0]).toBe(404);
    expect(codes.at(-1)).toBe(429);
  });

  it("slow down guessing of passwords, and say the same for an address nobody has", async () => {
    const { page } = await world.visitor();
    const attempt = (email: string) => page.request.post("/sign-in", form({ email, password: "not this one at all" }));
    const wrong = await attempt("ben@club.example");
    const nobody = await attempt("nobody@club.example");
    expect(wrong.status()).toBe(nobody.status());
    const message = "That e-mail address and password do not go together.";
    expect(await wrong.text()).toContain(message);
    expect(await nobody.text()).toContain(message);
    const codes: number[] = [];
    for (let i = 0; i < 9; i++) codes.push((await attempt("ben@club.example")).status());
    expect(codes.at(-1)).toBe(429);
  });
});
