import { requireMember, type Club } from "~/db/clubs";
import { randomBytes } from "node:crypto";
import { mkdirSync, rmSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { chromium, type Browser, type Page } from "playwright-core";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { findDrills, makeFindable } from "~/core/browse/search";
import { itemOf } from "~/core/session/start";
import { NEWEST_SESSION } from "~/core/session/version";
import { median } from "~/core/statistics";
import { compile } from "~/core/timeline/compile";
import { audit } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitToTime } from "~/core/fit/fit-to-time";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";
import { bestOfEveryWay, waysOf } from "~/library/every-way";
import { openSolver } from "~/solver/highs";
import { openAccounts } from "~/db/accounts";
import { connect, migrateTo, type Db } from "~/db/client";
import { eq } from "drizzle-orm";
import { draw } from "~/core/figure/draw";
import { bodyAt, playerOf } from "~/core/figure/play";
import { viewOf } from "~/core/figure/views";
import { loadDemo } from "~/db/demo/load";
import { addOwnDrill } from "~/db/own-drills";
import { coach } from "~/db/schema";
import { DRILLS, drillById } from "~/library";
import { DRAWN_DRILLS, drawnDrillById } from "~/library/drawn";
import { drafting, draftingEverywhere, type Line } from "./bench-draft";
import { runningClasses } from "./bench-live";
import { soundOfClass } from "./bench-sound";
import { classOfSixty, largest, threeYears } from "./bench-load";
import { buildIfChanged } from "./setup/build";
import { startCluster } from "./setup/cluster";
import { ROOT, stateFolder } from "./setup/places";
import { giveUp, say } from "./setup/say";
import { startServer } from "./setup/server-process";
import { summaryOf } from "~/core/profile/summary";
import { addSession } from "~/db/sessions";
import { BROWSER, BROWSER_ARGS } from "./setup/browser";

const PASSWORD = randomBytes(12).toString("hex");
const EMAIL = "coach@kestrelsound.example";

/** A session of so many drills, the whole library and then some, all levels and sides, in blocks of fifteen. */
function longSession(count: number): SessionPlan {
  const items = Array.from({ length: count }, (_, i) =>
    itemOf(DRILLS[i % DRILLS.length]!, (["standard", "easier", "harder"] as const)[i % 3]),
  );
  const document = {
    format: "mapset/session",
    version: NEWEST_SESSION,
    title: `${count} drills`,
    purpose: "off-day",
    target: count * 90,
    blocks: Array.from({ length: count / 15 }, (_, b) => ({
      title: `Block ${b + 1}`,
      sideOrder: b === 2 ? "whole-block" : "drill-by-drill",
      items: items.slice(b * 15, b * 15 + 15),
    })),
  };
  const read = readSession(document, drillById);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

function times(runs: number, work: () => unknown): number[] {
  for (let i = 0; i < Math.min(50, runs); i++) work();
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

const middle = (list: number[]) => median(list) ?? NaN;
const ms = (n: number) => `${n.toFixed(n < 1 ? 3 : 2)} ms`;

function compiler(): Line {
  const session = longSession(60);
  const text = JSON.stringify(session);
  const own = middle(times(400, () => compile(session, drillById)));
  const base = middle(times(400, () => JSON.parse(text) as unknown));
  return {
    what: "compile a 60-item session (median of 400)",
    value: ms(own),
    baseline: `JSON.parse of the same document ${ms(base)}`,
    ratio: (own / base).toFixed(1),
    goal: "under 2 ms",
    met: own < 2,
  };
}

/** Finding drills among a thousand by what coaches type, made ready once: each of these words a key at a time. */
function searching(): Line {
  const many = Array.from({ length: MANY }, (_, i) => ({
    ...DRILLS[i % DRILLS.length]!,
    id: `many-${i}`,
    name: `${DRILLS[i % DRILLS.length]!.name} ${i}`,
  }));
  const start = performance.now();
  const ready = makeFindable(many);
  const once = performance.now() - start;
  const typed = [
    "hips no kneeling",
    "hamstring",
    "qauds",
    "hip flexer",
    "thoracic rotation",
    "foam roller back",
  ].flatMap((words) => Array.from({ length: words.length }, (_, i) => words.slice(0, i + 1)));
  for (const words of typed) findDrills(ready, words);
  const spent = typed.map((words) => {
    const begun = performance.now();
    findDrills(ready, words);
    return performance.now() - begun;
  });
  const longest = Math.max(...spent);
  return {
    what: `search: a key among ${MANY} drills, the longest of ${typed.length}`,
    value: ms(longest),
    baseline: `making them ready, once ${ms(once)}`,
    ratio: (longest / once).toFixed(2),
    goal: "under 50 ms",
    met: longest < 50,
  };
}

/** Everything the desk knows of a session at an edit: what it covers, and what the audit finds for a group. */
function insights(): Line {
  const session = longSession(60);
  const group = {
    name: "Bench",
    people: [
      { name: "Moss", areas: ["kneeling" as const] },
      { name: "Tern", areas: [] },
    ],
    setting: { kit: { pad: 2, stick: 4 }, mixed: true, support: true },
    shown: [],
  };
  const timeline = compile(session, drillById);
  const demand = profileById("rowing");
  const own = middle(
    times(200, () =>
      audit({
        session,
        timeline,
        drills: drillById,
        coverage: coverageOf(session, timeline, drillById),
        demand,
        group,
        offered: DRILLS,
      }),
    ),
  );
  const base = middle(times(200, () => JSON.parse(JSON.stringify(timeline)) as unknown));
  return {
    what: "coverage and audit of a 60-item session (median of 200)",
    value: ms(own),
    baseline: `its timeline written and read as JSON ${ms(base)}`,
    ratio: (own / base).toFixed(1),
    goal: "under 5 ms",
    met: own < 5,
  };
}

/** A session of about 25 minutes brought to other lengths, by the solver, against the bare arithmetic of one. */
async function fitting(): Promise<Line[]> {
  const solve = await openSolver();
  const demand = profileById("rowing");
  const list: number[] = [];
  let shortfall = 0;
  let exact = 0;
  for (let k = 0; k < 50; k++) {
    const items = Array.from({ length: 18 }, (_, i) => itemOf(DRILLS[(k * 7 + i * 11) % DRILLS.length]!));
    const session = { ...longSession(15), target: 1500, blocks: [{ ...longSession(15).blocks[0]!, items }] };
    const now = compile(session, drillById).totalSeconds;
    const target = Math.round(now * [0.85, 0.93, 1.05, 1.15][k % 4]!);
    const start = performance.now();
    const answer = fitToTime({ session, target, demand, locked: new Set() }, drillById, solve);
    list.push(performance.now() - start);
    if (answer.kind !== "fitted") continue;
    exact++;
    shortfall = Math.max(shortfall, target - answer.seconds);
  }
  const session = longSession(15);
  const base = middle(times(200, () => compile(session, drillById)));
  const own = middle(list);
  // Against every way there is, tried one by one, on sessions short enough for that.
  let cases = 0;
  let loss = 0;
  for (let k = 0; cases < 50 && k < 2000; k++) {
    const some = {
      ...longSession(15),
      blocks: [
        {
          ...longSession(15).blocks[0]!,
          items: Array.from({ length: 3 }, (_, i) => itemOf(DRILLS[(k * 13 + i * 29) % DRILLS.length]!)),
        },
      ],
    } as SessionPlan;
    const profile = SPORT_PROFILES[k % SPORT_PROFILES.length]!;
    if (waysOf(some) > 2500) continue;
    const to = Math.round(compile(some, drillById).totalSeconds * [0.85, 0.95, 1.1, 1.25][k % 4]!);
    const best = bestOfEveryWay(some, to, profile);
    if (best.exact <= 0) continue;
    const answer = fitToTime({ session: some, target: to, demand: profile, locked: new Set() }, drillById, solve);
    cases++;
    loss = Math.max(loss, answer.kind === "fitted" ? (best.exact - (answer.fit?.after ?? 0)) / best.exact : 1);
  }
  return [
    {
      what: `fit to time, 18 drills of about 25 min (median of 50, longest ${ms(Math.max(...list))})`,
      value: ms(own),
      baseline: `compiling 15 drills ${ms(base)}`,
      ratio: (own / base).toFixed(0),
      goal: "under 300 ms",
      met: own < 300,
    },
    {
      what: `fit to time: furthest under the target, over ${exact} cases that can be`,
      value: `${shortfall.toFixed(1)} s`,
      baseline: "the target",
      ratio: "",
      goal: "at most 5 s",
      met: shortfall <= 5,
    },
    {
      what: `fit to time: most fit lost to the best of every way, over ${cases} sessions`,
      value: `${(loss * 100).toFixed(2)} %`,
      baseline: "every way tried",
      ratio: "",
      goal: "at most 1 % over 50",
      met: loss <= 0.01 && cases >= 50,
    },
  ];
}

/** A pose and a picture of it, against as many bare marks put together in a loop. */
function figure(): Line[] {
  const players = [...DRAWN_DRILLS].slice(0, 60).map((drill) => playerOf(drill.motions!.standard));
  let i = 0;
  const next = () => players[i++ % players.length]!;
  const solve = middle(
    times(3000, () => {
      const player = next();
      return bodyAt(player, player.motion.beats * ((i * 0.37) % 1));
    }),
  );
  const views = players.map((player) => viewOf(player.motion));
  const bodies = players.map((player) => bodyAt(player, player.motion.beats * 0.4));
  const frame = middle(
    times(3000, () => {
      const k = i++ % players.length;
      return draw(bodies[k]!, views[k]!, { props: players[k]!.motion.props });
    }),
  );
  const marks = draw(bodies[0]!, views[0]!).length;
  const bare = middle(
    times(3000, () => {
      let text = "";
      for (let k = 0; k < marks; k++) text += `M${k} ${k}L${k + 1} ${k}A5 5 0 0 1 ${k} ${k}Z`;
      return text;
    }),
  );
  const whole = solve + frame;
  return [
    {
      what: "figure: one pose solved (median of 3000)",
      value: ms(solve),
      baseline: `a loop over ${marks} bare SVG marks ${ms(bare)}`,
      ratio: (solve / bare).toFixed(1),
    },
    {
      what: "figure: a frame, solved and drawn",
      value: ms(whole),
      baseline: `a loop over ${marks} bare SVG marks ${ms(bare)}`,
      ratio: (whole / bare).toFixed(1),
      goal: "under 1 ms",
      met: whole < 1,
    },
  ];
}

const MANY = 1000;

/** The library with 1,000 drills: the coach gets enough of their own to make it so. */
async function manyDrills(db: Db, club: Club): Promise<void> {
  for (let n = DRAWN_DRILLS.length; n < MANY; n++)
    await addOwnDrill(db, club, { ...DRAWN_DRILLS[n % DRAWN_DRILLS.length]!, name: `Drill number ${n}` });
}

const SESSIONS = 2000;

/** A club that has been at it for some years. */
async function manySessions(db: Db, club: Club): Promise<void> {
  const session = longSession(15);
  const timeline = compile(session, drillById);
  for (let n = 0; n < SESSIONS; n++)
    await addSession(db, club, { ...session, title: `Session number ${n}` }, timeline.totalSeconds, {
      summary: summaryOf(session, timeline),
    });
}

/** Milliseconds from the last key of a search to the frame that shows what was found. */
async function firstResult(page: Page): Promise<number[]> {
  const list: number[] = [];
  for (const [i, word] of ["ankle", "stick", "hip", "turn", "wall", "breath", "knee", "lunge"].entries()) {
    await page.goto("/library");
    await page.waitForLoadState("networkidle");
    const before = await page.getByRole("status").innerText();
    const start = performance.now();
    await page.getByPlaceholder("Name, joint, kit, posture").fill(word);
    await page.waitForFunction((text) => document.querySelector('[role="status"]')?.textContent !== text, before);
    if (i > 0) list.push(performance.now() - start);
  }
  return list;
}

async function pages(base: string, cookie: string, link: string, desk: string): Promise<Line[]> {
  const fetchTimes = async (path: string) => {
    const list: number[] = [];
    for (let i = 0; i < 60; i++) {
      const start = performance.now();
      const answer = await fetch(base + path, { headers: { cookie } });
      await answer.text();
      if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
      if (i >= 10) list.push(performance.now() - start);
    }
    return middle(list);
  };
  const bare = await fetchTimes("/up");
  const line = async (what: string, path: string): Promise<Line> => {
    const own = await fetchTimes(path);
    return {
      what: `server: ${what} (median of 50)`,
      value: ms(own),
      baseline: `bare page of the same framework ${ms(bare)}`,
      ratio: (own / bare).toFixed(1),
    };
  };
  return [
    await rate(base, link),
    await line("follow-along page", link),
    await line("list of sessions", "/sessions"),
    await line("desk with 60 drills", desk),
    await line("feedback", "/feedback"),
    await line("a drill's page", "/library/hip-flexor-turn"),
  ];
}

/** How many of a page a second a crowd of eight gets, against the bare page, in turn. */
async function rate(base: string, link: string): Promise<Line> {
  const aSecond = async (path: string): Promise<number> => {
    const [until, begun] = [performance.now() + 2_000, performance.now()];
    let answers = 0;
    const one = async () => {
      while (performance.now() < until) {
        await (await fetch(base + path)).text();
        answers += 1;
      }
    };
    await Promise.all(Array.from({ length: 8 }, one));
    return (answers * 1000) / (performance.now() - begun);
  };
  await aSecond(link);
  const [own, bare]: [number[], number[]] = [[], []];
  for (let i = 0; i < 3; i++) {
    bare.push(await aSecond("/up"));
    own.push(await aSecond(link));
  }
  const [followed, up] = [middle(own), middle(bare)];
  return {
    what: "server: follow-along pages a second, for a crowd of eight (median of 3)",
    value: followed.toFixed(0),
    baseline: `bare pages ${up.toFixed(0)}, in turn`,
    ratio: (followed / up).toFixed(2),
    goal: "at least half of the bare page's",
    met: followed / up >= 0.5,
  };
}

/** Bytes of script a page asks for, as they are sent. */
async function scriptBytes(browser: Browser, base: string, path: string): Promise<number> {
  const page = await (await browser.newContext({ baseURL: base })).newPage();
  const files = new Map<string, number>();
  const reads: Promise<void>[] = [];
  page.on("response", (answer) => {
    if (answer.request().resourceType() !== "script" && !/\.js(\?|$)/.test(answer.url())) return;
    reads.push(
      answer
        .request()
        .sizes()
        .then(
          ({ responseBodySize }) => void files.set(answer.url(), responseBodySize),
          () => undefined,
        ),
    );
  });
  await page.goto(path);
  await page.waitForLoadState("networkidle");
  const inline = await page.evaluate(() =>
    [...document.querySelectorAll("script:not([src])")].map((s) => s.textContent ?? "").join(""),
  );
  await Promise.all(reads);
  await page.context().close();
  return [...files.values()].reduce((a, b) => a + b, 0) + gzipSync(inline).length;
}

/** Milliseconds from a key press that changes a dose to the frame that shows it, and the same for one bare text on the page. */
async function editToPaint(page: Page): Promise<{ edit: number[]; bare: number[] }> {
  await page.locator("[data-row]").nth(20).click();
  const field = page.getByRole("textbox", { name: / a side$/ }).first();
  await field.waitFor();
  // The runner names functions through this helper; the page does not know it.
  await page.evaluate("globalThis.__name = (f) => f");
  return page.evaluate(async () => {
    const input = [...document.querySelectorAll<HTMLInputElement>("aside input")].find((i) =>
      /a side$/.test(i.labels?.[0]?.textContent ?? ""),
    )!;
    const total = document.querySelector('[data-testid="total"]')!;
    const frame = () => new Promise<void>((done) => requestAnimationFrame(() => setTimeout(done)));
    const edit: number[] = [];
    for (let i = 0; i < 30; i++) {
      await frame();
      const before = total.textContent;
      const start = performance.now();
      input.dispatchEvent(
        new KeyboardEvent("keydown", { key: i % 2 ? "ArrowDown" : "ArrowUp", bubbles: true, cancelable: true }),
      );
      do await frame();
      while (total.textContent === before && performance.now() - start < 1000);
      edit.push(performance.now() - start);
    }
    const bare: number[] = [];
    const text = document.body.appendChild(document.createElement("p"));
    for (let i = 0; i < 30; i++) {
      await frame();
      const start = performance.now();
      text.textContent = String(i);
      await frame();
      bare.push(performance.now() - start);
    }
    text.remove();
    return { edit, bare };
  });
}

/** Takes what was measured, and tells it at once: a fault later on loses nothing of it. */
function telling() {
  const told = {
    missed: false,
    push(...lines: readonly Line[]): void {
      for (const { what, value, baseline, ratio, goal, met } of lines) {
        process.stdout.write(
          `${what}: ${value}\n    against ${baseline}${ratio && `: ${ratio} times`}${goal ? `\n    goal ${goal}: ${met ? "met" : "NOT MET"}` : ""}\n`,
        );
        told.missed ||= met === false;
      }
    },
  };
  return told;
}

async function main(): Promise<void> {
  const folder = `${stateFolder()}/bench`;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const cluster = await startCluster(folder, randomBytes(12).toString("hex"), { quick: true });
  const lines = telling();
  try {
    // `./mapset bench pages` leaves out what is worked out without a page; `./mapset bench live` is classes alone.
    const onlyPages = process.argv.includes("pages");
    const onlyLive = process.argv.includes("live");
    buildIfChanged();
    if (!onlyPages && !onlyLive)
      lines.push(
        compiler(),
        insights(),
        ...(await fitting()),
        ...(await drafting()),
        ...(await draftingEverywhere(process.argv.includes("every"))),
        ...figure(),
      );
    const secret = randomBytes(32).toString("hex");
    const { db, close } = connect(cluster.url);
    await migrateTo(db, `${ROOT}/db/migrations`);
    await loadDemo(db, openAccounts(db, { secret, baseUrl: "http://127.0.0.1" }), {
      secret,
      password: PASSWORD,
      drills: drawnDrillById,
    });
    if (!onlyPages) {
      lines.push(...(await runningClasses(db, cluster.url, secret)));
      lines.push(...(await soundOfClass(db, cluster.url, secret, { email: EMAIL, password: PASSWORD })));
    }
    await close();
    if (onlyLive) return;
    const server = await startServer({ DATABASE_URL: cluster.url, MAPSET_SECRET: secret, MAPSET_LIMITS: "off" });
    const browser = await chromium.launch({ executablePath: BROWSER, args: BROWSER_ARGS });
    try {
      const context = await browser.newContext({ baseURL: server.base, viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      await page.goto("/sign-in");
      await page.waitForLoadState("networkidle");
      await page.getByLabel("E-mail address").fill(EMAIL);
      await page.getByLabel("Password").fill(PASSWORD);
      await page.getByRole("button", { name: "Sign in" }).click();
      await page.waitForURL(/\/today$/);
      await page.goto("/sessions");
      await page.waitForLoadState("networkidle");
      await page.getByRole("link", { name: "Rowers before the boat" }).click();
      await page.getByRole("link", { name: "Hand out" }).click();
      const link = new URL(await page.getByTestId("address").first().innerText()).pathname;
      for (const count of [120, 60]) {
        await page.goto("/sessions");
        await page.waitForLoadState("networkidle");
        await page.locator("input[type=file]").setInputFiles({
          name: `${count}.json`,
          mimeType: "application/json",
          buffer: Buffer.from(JSON.stringify(longSession(count))),
        });
        await page.waitForURL(/\/sessions\/[0-9a-f-]{36}$/);
        await page.waitForLoadState("networkidle");
        const { edit, bare } = await editToPaint(page);
        lines.push({
          what: `desk with ${count} drills: edit to paint (median of 30)`,
          value: ms(middle(edit)),
          baseline: `one bare text to paint ${ms(middle(bare))}`,
          ratio: (middle(edit) / middle(bare)).toFixed(1),
          ...(count === 60 && { goal: "under 50 ms", met: middle(edit) < 50 }),
        });
      }
      const follow = await scriptBytes(browser, server.base, link);
      const up = await scriptBytes(browser, server.base, "/up");
      lines.push({
        what: "script of the follow-along page, compressed as it is sent",
        value: `${(follow / 1000).toFixed(1)} kB`,
        baseline: `bare page ${(up / 1000).toFixed(1)} kB`,
        ratio: (follow / up).toFixed(2),
        goal: "at most 80 kB above the bare page's",
        met: follow - up <= 80_000,
      });
      const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
      lines.push(...(await pages(server.base, cookie, link, new URL(page.url()).pathname)));

      const again = connect(cluster.url);
      const [account] = await again.db
        .select({ id: coach.id, name: coach.name })
        .from(coach)
        .where(eq(coach.email, EMAIL));
      const { club } = await requireMember(again.db, account!);
      await manyDrills(again.db, club);
      const answer = async (path: string) => {
        const spent: number[] = [];
        for (let i = 0; i < 24; i++) {
          const start = performance.now();
          await (await fetch(server.base + path, { headers: { cookie } })).text();
          if (i >= 4) spent.push(performance.now() - start);
        }
        return middle(spent);
      };
      const [library, bareUp, found] = [await answer("/library"), await answer("/up"), middle(await firstResult(page))];
      lines.push({
        what: `server: library with ${MANY} drills (median of 20)`,
        value: ms(library),
        baseline: `bare page of the same framework ${ms(bareUp)}`,
        ratio: (library / bareUp).toFixed(1),
      });
      lines.push(searching());
      lines.push({
        what: `library with ${MANY} drills: last key to first result (median of 7, with 90 ms of waiting for more keys)`,
        value: ms(found),
        baseline: `its page from the server ${ms(library)}`,
        ratio: (found / library).toFixed(1),
      });
      await manySessions(again.db, club);
      lines.push(...(await threeYears(server.base, cookie, again.db, club, SESSIONS)));
      lines.push(...(await largest(server.base, cookie, again.db, club)));
      await again.close();
      const limited = await startServer({ DATABASE_URL: cluster.url, MAPSET_SECRET: secret });
      try {
        lines.push(await classOfSixty(limited.base, link));
      } finally {
        limited.stop();
      }
    } finally {
      await browser.close();
      server.stop();
    }
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  if (lines.missed) say("A goal was not met.");
}

await main().catch(giveUp);
process.exit(0);
