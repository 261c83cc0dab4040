import { randomUUID } from "node:crypto";
import type { Line } from "./bench-draft";
import { itemOf } from "~/core/session/start";
import type { Session } from "~/core/session/schema";
import { median } from "~/core/statistics";
import { DRILLS } from "~/library";

const ms = (n: number) => `${n.toFixed(1)} ms`;

/** Half an hour of sixty phones behind one address, as fast as it can be sent: each tells every 20 s, and checks in. */
export async function classOfSixty(base: string, link: string): Promise<Line> {
  const phones = Array.from({ length: 60 }, (_, i) => ({ key: randomUUID(), person: { athleteId: null, name: `P${i}` }, shareDone: 0, finished: false }));
  const post = (part: string, body: unknown) => fetch(`${base}${link}/${part}`, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) }).then(async (answer) => (await answer.text(), answer.status));
  const spent: number[] = [];
  let refused = 0;
  for (let told = 1; told <= 90; told++)
    await Promise.all(phones.map(async (run) => {
      const start = performance.now();
      if ((await post("progress", { ...run, shareDone: told / 90, finished: told === 90 })) !== 200) refused++;
      spent.push(performance.now() - start);
    }));
  await Promise.all(phones.map(async (run, i) => (await post("check-in", { run: { ...run, shareDone: 1, finished: true }, hard: 3, tightness: [], pain: i % 20 === 0, painWhere: "", note: "" })) !== 200 && refused++));
  return { what: "60 phones behind one address for 30 minutes, 5,460 reports", value: `${refused} refused`, baseline: `a report ${ms(median(spent) ?? 0)} in the crowd`, ratio: "", goal: "none refused", met: refused === 0 };
}

/** The largest session that may be kept: as many segments as there may be, over all of the library. */
export function largestSession(): Session {
  const items = Array.from({ length: 50 }, (_, i) => ({ ...itemOf(DRILLS[(i * 7) % DRILLS.length]!), sides: "left" as const, directions: 1 as const, dose: { kind: "time" as const, seconds: 20 }, demo: 0, cues: Array.from({ length: 40 }, (__, c) => ({ at: c % 20, say: "x".repeat(180) })) }));
  return {
    format: "mapset/session", version: 1, title: "As large as can be", purpose: "off-day", firstSide: "left", pace: { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 },
    blocks: [{ title: "All", rounds: 20, restBetweenRounds: 0, sideOrder: "drill-by-drill", items }],
  };
}

/** How long others wait, at the longest, while something large is asked for: a page with nothing on it, over and over, beside it. */
async function waits(base: string, work: () => Promise<unknown>): Promise<{ longest: number; usual: number }> {
  const up = async () => {
    const start = performance.now();
    await (await fetch(`${base}/up`)).text();
    return performance.now() - start;
  };
  for (let i = 0; i < 5; i++) await up();
  const usual: number[] = [];
  for (let i = 0; i < 20; i++) usual.push(await up());
  let over = false;
  const spent: number[] = [];
  const beside = (async () => {
    while (!over) spent.push(await up());
  })();
  await work();
  over = true;
  await beside;
  return { longest: Math.max(...spent), usual: median(usual) ?? 0 };
}

/** The longest that others wait while the largest session is imported, saved, opened, handed out and followed. */
export async function largest(base: string, cookie: string): Promise<Line[]> {
  const doc = largestSession();
  const text = JSON.stringify(doc);
  const headers = { cookie };
  const form = (fields: Record<string, string>) => ({ method: "POST", headers: { ...headers, "content-type": "application/x-www-form-urlencoded" }, body: new URLSearchParams(fields).toString(), redirect: "manual" as const });
  let session = "";
  const lines: Line[] = [];
  const line = async (what: string, work: () => Promise<unknown>) => {
    const { longest, usual } = await waits(base, work);
    lines.push({ what: `longest wait of others while ${what}`, value: ms(longest), baseline: `a page with nothing on it ${ms(usual)}`, ratio: (longest / usual).toFixed(0), goal: "under 250 ms", met: longest < 250 });
  };
  await line(`the largest session (${Math.round(text.length / 1000)} kB) is imported`, async () => {
    const body = new FormData();
    body.set("do", "import");
    body.set("file", new File([text], "largest.json", { type: "application/json" }));
    const answer = await fetch(`${base}/sessions`, { method: "POST", headers, body, redirect: "manual" });
    session = answer.headers.get("location") ?? "";
    if (!session) throw new Error(`The largest session was refused: ${answer.status} ${(await answer.text()).slice(0, 400)}`);
  });
  await line("it is saved", () => fetch(`${base}${session}/save`, { method: "POST", headers: { ...headers, "content-type": "application/json" }, body: JSON.stringify({ basedOn: 1, doc }) }).then((answer) => answer.text()));
  await line("it is opened at the desk", () => fetch(`${base}${session}`, { headers }).then((answer) => answer.text()));
  await line("it is in the list of sessions", () => fetch(`${base}/sessions`, { headers }).then((answer) => answer.text()));
  await line("it is handed out", () => fetch(`${base}${session}/hand-out`, form({ team: "" })).then((answer) => answer.text()));
  const page = await (await fetch(`${base}${session}/hand-out`, { headers })).text();
  const link = /\/f\/[A-Za-z0-9_-]{24}/.exec(page)?.[0];
  if (!link) throw new Error("The largest session was not handed out");
  await line("its page of editions is shown", () => fetch(`${base}${session}/hand-out`, { headers }).then((answer) => answer.text()));
  await line("it is followed", () => fetch(`${base}${link}`).then((answer) => answer.text()));
  await line("what somebody does instead in it is asked for", () => fetch(`${base}${link}/mine`).then((answer) => answer.text()));
  return lines;
}
