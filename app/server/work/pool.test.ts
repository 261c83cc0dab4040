import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { fileURLToPath } from "node:url";
import { buildSync } from "esbuild";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { JOBS, type JobName, type Jobs } from "./jobs";
import { WorkPool } from "./pool";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { newSession, itemOf } from "~/core/session/start";
import { allAtOnce, type Steps } from "~/core/steps";
import { compile } from "~/core/timeline/compile";
import type { Club } from "~/db/clubs";
import { DRILLS, drillById } from "~/library";
import { TEMPLATES, templateSession } from "~/library/templates";

const T0 = 1_800_000_000_000;
const club = (id: string) => ({ id, by: "coach" }) as Club;
const group: Group = {
  name: "G",
  setting: {},
  people: [
    { name: "A", areas: [{ area: "kneeling", way: "keep-off" }] },
    { name: "B", areas: [{ area: "wrist-weight", way: "keep-off" }] },
  ],
};
const session = templateSession(TEMPLATES.find(({ id }) => id === "squat-primer")!);
const drillsIn = (one: typeof session): Drill[] =>
  [...new Set(one.blocks.flatMap(({ items }) => items.map(({ drill }) => drill)))].map((id) => drillById(id)!);
const drills = drillsIn(session);
const item = session.blocks[0]!.items[0]!;

/** A session of so many drills: a day’s worth, which nobody runs and anybody can ask for. */
function longest(count: number): Jobs["reckon"]["given"] {
  const items = Array.from({ length: count }, (_, i) => itemOf(DRILLS[(i * 7) % DRILLS.length]!));
  const blocks = Array.from({ length: Math.ceil(count / 25) }, (_, b) => ({
    title: `Block ${b}`,
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill" as const,
    items: items.slice(b * 25, b * 25 + 25),
  }));
  const long = newSession({ title: "t", purpose: "before-training" }, blocks);
  const all = drillsIn(long);
  return {
    ask: { ask: "finish", by: T0 + compile(long, drillById).totalSeconds * 500, use: true },
    at: T0 + 5000,
    session: long,
    drills: all,
    fold: 2,
    commands: [{ n: 1, key: "k", by: "", seen: 0, on: null, from: T0, command: { do: "go" } }],
    known: all,
    own: [],
  };
}

const given: { [N in JobName]: Jobs[N]["given"] } = {
  reckon: longest(12),
  together: { session, drills, own: [], group, arc: undefined },
  wall: { session, drills, own: [], setting: undefined },
  instead: { session, drills, own: [], protections: [{ area: "kneeling", way: "keep-off" }], group, choices: [] },
  ways: { item, pace: session.pace, rounds: 1, drills, own: [], protections: [], group, most: 5 },
  audit: { session, named: [], group, arc: undefined },
  paper: { session, named: [], own: [], group },
};

describe("what is worked out in threads", () => {
  const folder = mkdtempSync(`${tmpdir()}/mapset-threads-`);
  let pool: WorkPool;
  beforeAll(() => {
    buildSync({
      entryPoints: [fileURLToPath(new URL("in-thread.ts", import.meta.url))],
      outfile: `${folder}/work.mjs`,
      bundle: true,
      platform: "node",
      format: "esm",
      target: "node20",
      logLevel: "error",
      alias: { "~": fileURLToPath(new URL("../../..", import.meta.url)) },
    });
    pool = new WorkPool(`${folder}/work.mjs`);
  });
  afterAll(async () => {
    await pool.close();
    rmSync(folder, { recursive: true });
  });

  it("comes back the same as it is worked out here", async () => {
    for (const name of Object.keys(JOBS) as JobName[]) {
      const here = allAtOnce(JOBS[name](given[name] as never, () => false) as Steps<unknown>);
      const there = await pool.do(name, given[name], { club: club("a") });
      expect(there, name).toEqual(JSON.parse(JSON.stringify(here)) as unknown);
    }
  });

  it("is left as soon as whoever asked has gone, and the next is done all the same", async () => {
    const gone = new AbortController();
    const asked = pool.do("reckon", longest(1500), { club: club("a"), signal: gone.signal });
    setTimeout(() => gone.abort(), 50);
    await expect(asked).rejects.toThrow(expect.objectContaining({ name: "NobodyWaits" }) as Error);
    await expect(pool.do("audit", given.audit, { club: club("a"), signal: gone.signal })).rejects.toThrow(
      expect.objectContaining({ name: "NobodyWaits" }) as Error,
    );
    await expect(pool.do("audit", given.audit, { club: club("a") })).resolves.toBeInstanceOf(Array);
  });

  it("is refused to a club that asks for too much at once, and to no other", async () => {
    const many = Array.from({ length: 500 }, () => pool.do("wall", given.wall, { club: club("much") }));
    const other = pool.do("ways", given.ways, { club: club("other") });
    const ended = Promise.allSettled(many);
    let done = 0;
    for (const one of many)
      void one.then(
        () => done++,
        () => undefined,
      );
    await other;
    // Done before all that the other club has waiting.
    expect(done).toBeLessThan(300);
    const refused = (await ended).filter((one) => one.status === "rejected");
    expect(refused.map(({ reason }) => (reason as Error).name)).toEqual(refused.map(() => "NotWorkedOut"));
    expect(refused.length).toBeGreaterThan(50);
    expect(refused.length).toBeLessThan(120);
  });

  it("keeps nobody else waiting, and is answered with what was found where it takes too long", async () => {
    let longestWait = 0;
    let last = performance.now();
    const timer = setInterval(() => {
      longestWait = Math.max(longestWait, performance.now() - last);
      last = performance.now();
    }, 5);
    const big = longest(2000);
    last = performance.now();
    const found = await pool.do("reckon", big, { club: club("a") });
    clearInterval(timer);
    expect(["cut", "too late"]).toContain(found.kind);
    // What was decided is carried, not what comes of it: of 2,000 drills less than a command may hold.
    expect(JSON.stringify(found).length).toBeLessThan(100_000);
    expect(longestWait).toBeLessThan(250);
  }, 40_000);
});
