import { describe, expect, it } from "vitest";
import {
  answerPage,
  assetsOf,
  isPage,
  KEPT_DAYS,
  keepAsked,
  keepPage,
  MOST_PAGES,
  PATIENCE_MS,
  renewPages,
  type Around,
} from "./kept-pages";

const T = 1_790_000_000_000;
const DAY = 86_400_000;
const at = (n: number) => `http://mapset.example/f/${String(n).padStart(24, "a")}`;
const html = (build: string, words = "") =>
  `<html><link rel="modulepreload" href="/assets/route-${build}.js"/><link href="/assets/root-${build}.css"/>${words}</html>`;
const page = (words = "", { status = 200, build = "one", ours = true } = {}) =>
  new Response(html(build, words), {
    status,
    headers: {
      "content-encoding": "br",
      "content-security-policy": "script-src 'nonce-1'",
      ...(ours && { "x-request-id": "1" }),
    },
  });

/** What of a browser's cache is used here. */
function cache(): Cache {
  const kept = new Map<string, { text: string; headers: [string, string][] }>();
  const key = (of: RequestInfo | URL) => (of instanceof Request ? of.url : String(of));
  return {
    put: async (of: RequestInfo | URL, answer: Response) =>
      void kept.set(key(of), { text: await answer.text(), headers: [...answer.headers] }),
    match: (of: RequestInfo | URL) => {
      const found = kept.get(key(of));
      return Promise.resolve(found && new Response(found.text, { headers: found.headers }));
    },
    delete: (of: RequestInfo | URL) => Promise.resolve(kept.delete(key(of))),
    keys: () => Promise.resolve([...kept.keys()].map((url) => new Request(url))),
  } as unknown as Cache;
}

function world(build = "one") {
  const kept = cache();
  const state = {
    now: T,
    answers: [] as (Response | Error | Promise<Response>)[],
    asked: [] as string[],
    later: [] as Promise<unknown>[],
    slow: undefined as (() => void) | undefined,
  };
  const around: Around = {
    pages: () => Promise.resolve(kept),
    fetch: (address, only) => {
      state.asked.push(only ?? address);
      const next = state.answers.shift() ?? new TypeError("Failed to fetch");
      return next instanceof Error ? Promise.reject(next) : Promise.resolve(next);
    },
    has: (asset) => Promise.resolve(asset.includes(`-${build}.`)),
    now: () => state.now,
    wait: (ms) =>
      ms === PATIENCE_MS ? new Promise((over) => (state.slow = over)) : Promise.reject(new Error(`${ms}`)),
  };
  const open = async (n: number) => (await answerPage(at(n), around, (work) => state.later.push(work))).text();
  const words = async (n: number) =>
    /<\/?html>|<link[^>]*>/g[Symbol.replace]((await (await kept.match(at(n)))?.text()) ?? "nothing", "");
  return { kept, state, around, open, words };
}

describe("a page that is kept", () => {
  it("is known by its path: a link's page and nothing under it", () => {
    expect(isPage(`${at(1)}?x=1`)).toBe(true);
    for (const other of [`${at(1)}/mine`, "http://mapset.example/f/short", "http://mapset.example/sessions"])
      expect(isPage(other), other).toBe(false);
    expect(assetsOf(html("one"))).toEqual(["/assets/route-one.js", "/assets/root-one.css"]);
  });

  it("is what the network said last, with its own policy, unpacked", async () => {
    const { around, kept, words } = world();
    expect(await keepPage(`${at(1)}?from=qr`, page("first"), around)).toBe(true);
    expect(await words(1)).toBe("first");
    const headers = (await kept.match(at(1)))!.headers;
    expect([headers.get("content-security-policy"), headers.get("content-encoding")]).toEqual([
      "script-src 'nonce-1'",
      null,
    ]);
  });

  it("stays as it was where a newer one names files that are not here", async () => {
    const { around, words } = world();
    await keepPage(at(1), page("old"), around);
    expect(await keepPage(at(1), page("new", { build: "two" }), around)).toBe(false);
    expect(await words(1)).toBe("old");
  });

  it("is never another's: a sign-in page of the hall, a failure, a page without a script", async () => {
    const { around, words } = world();
    for (const answer of [
      page("hall", { ours: false }),
      page("failure", { status: 500 }),
      new Response("<html></html>", { headers: { "x-request-id": "1" } }),
    ])
      expect(await keepPage(at(1), answer, around)).toBe(false);
    expect(await words(1)).toBe("nothing");
  });

  it("goes with its link", async () => {
    for (const status of [404, 410]) {
      const { around, words } = world();
      await keepPage(at(1), page("old"), around);
      expect(await keepPage(at(1), page("gone", { status }), around)).toBe(false);
      expect(await words(1)).toBe("nothing");
    }
  });

  it("goes when it was not opened for sixty days, and when there are too many", async () => {
    const { around, state, words, kept } = world();
    await keepPage(at(1), page("one"), around);
    state.now = T + KEPT_DAYS * DAY;
    await keepPage(at(2), page("two"), around);
    expect(await words(1)).toBe("one");
    state.now++;
    await keepPage(at(2), page("two"), around);
    expect(await words(1)).toBe("nothing");
    for (let n = 3; n < 3 + MOST_PAGES; n++) {
      state.now++;
      await keepPage(at(n), page(`${n}`), around);
    }
    expect(await kept.keys()).toHaveLength(MOST_PAGES);
    expect([await words(2), await words(3)]).toEqual(["nothing", "3"]);
  });
});

describe("opening a page", () => {
  it("asks the network first, and keeps what it says", async () => {
    const { state, open, words } = world();
    state.answers = [page("fresh")];
    expect(await open(1)).toContain("fresh");
    await Promise.all(state.later);
    expect(await words(1)).toBe("fresh");
  });

  it("has the kept one where there is no connection, no server, or no Mapset behind it", async () => {
    const { state, around, open } = world();
    await keepPage(at(1), page("kept"), around);
    state.answers = [
      new TypeError("Failed to fetch"),
      page("failing", { status: 502, ours: false }),
      page("failing", { status: 503 }),
      page("the hall's", { ours: false }),
    ];
    for (let i = 0; i < 4; i++) expect(await open(1)).toContain("kept");
    await Promise.all(state.later);
  });

  it("has the kept one after three seconds, and the late answer the next time", async () => {
    const { state, around, open, words } = world();
    await keepPage(at(1), page("kept"), around);
    let late: (answer: Response) => void = () => undefined;
    state.answers = [new Promise((resolve) => (late = resolve))];
    const opened = open(1);
    await new Promise((over) => setTimeout(over));
    state.slow!();
    expect(await opened).toContain("kept");
    late(page("late"));
    await Promise.all(state.later);
    expect(await words(1)).toBe("late");
  });

  it("says that a link was taken back, and what went wrong where nothing is kept", async () => {
    const { state, around, open } = world();
    await keepPage(at(1), page("kept"), around);
    state.answers = [page("withdrawn", { status: 410 })];
    expect(await open(1)).toContain("withdrawn");
    await expect(open(2)).rejects.toThrow("Failed to fetch");
  });
});

describe("asking to be kept", () => {
  it("is answered by whether it is, and not fetched again where it has only just been", async () => {
    const { state, around } = world();
    expect(await keepAsked(at(1), around)).toBe(false);
    state.answers = [page("now")];
    expect(await keepAsked(at(1), around)).toBe(true);
    state.now += 59_999;
    expect(await keepAsked(at(1), around)).toBe(true);
    expect(state.asked).toEqual(["to keep", "to keep"]);
    state.now++;
    // Without a connection it is still the one from before.
    expect(await keepAsked(at(1), around)).toBe(true);
    expect(state.asked).toHaveLength(3);
  });
});

describe("a newer build", () => {
  it("takes every page along, and none of a link that is gone", async () => {
    const [before, after] = [world("one"), world("two")];
    for (const n of [1, 2]) await keepPage(at(n), page("old"), before.around);
    after.state.answers = [page("new", { build: "two" }), page("", { status: 410 })];
    await renewPages(before.kept, after.around);
    expect([await after.words(1), await after.words(2)]).toEqual(["new", "nothing"]);
    expect(after.state.asked).toEqual(["to keep", "to keep"]);
  });

  it("waits where a page cannot be had as it now is", async () => {
    for (const answer of [
      new TypeError("Failed to fetch"),
      page("old build", { build: "one" }),
      page("", { status: 503 }),
    ]) {
      const [before, after] = [world("one"), world("two")];
      await keepPage(at(1), page("old"), before.around);
      after.state.answers = [answer];
      await expect(renewPages(before.kept, after.around)).rejects.toThrow();
      expect(await before.words(1)).toBe("old");
    }
  });
});
