import { randomUUID } from "node:crypto";
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { setTimeout as wait } from "node:timers/promises";
import { eq, sql } from "drizzle-orm";
import type { Line } from "./bench-draft";
import type { Plan, Seen } from "./bench-live-devices";
import { startServer, type RunningServer } from "./setup/server-process";
import { ROOT } from "./setup/places";
import { say } from "./setup/say";
import { makeEdition } from "~/core/edition/edition";
import { observed, paceOf } from "~/core/live/pace";
import type { Command, Sent } from "~/core/live/commands";
import { newSession, itemOf } from "~/core/session/start";
import type { SessionPlan } from "~/core/session/schema";
import { quantile } from "~/core/statistics";
import { compile } from "~/core/timeline/compile";
import { requireMember, type Club } from "~/db/clubs";
import type { Db } from "~/db/client";
import { handOut } from "~/db/editions";
import { addCommand, givePass, startClass } from "~/db/live";
import { coach } from "~/db/schema";
import { addSession } from "~/db/sessions";
import { drillById } from "~/library";
import { drawnDrillById } from "~/library/drawn";

const DEVICES = 300;
const SECONDS = 60;
const COMMAND_EVERY_MS = 10_000;
/** What a command costs is measured by so many, in as long as it is quiet before. */
const MANY = 100;
const MEASURED_MS = 8000;

/** Half an hour of moves, showings, sides and holds. */
function longClass(): SessionPlan {
  const item = (id: string) => ({ ...itemOf(drillById(id)!), demo: 5 });
  const blocks = Array.from({ length: 4 }, (_, b) => ({
    title: `Block ${b + 1}`,
    rounds: 2,
    restBetweenRounds: 10,
    sideOrder: "drill-by-drill" as const,
    items: ["hip-circle-kneel", "hamstring-hold", "squat-free", "cat-camel"].map(item),
  }));
  return newSession({ title: "Bench", purpose: "off-day" }, blocks);
}

/** Milliseconds of CPU that processes have used. */
function cpuOf(servers: readonly RunningServer[]): number {
  const ticks = servers.reduce((sum, { pid }) => {
    const fields = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1]!.split(" ");
    return sum + Number(fields[11]) + Number(fields[12]);
  }, 0);
  return ticks * 10;
}

type Ran = { seen: Seen; serverCpuMs: number; perCommandMs: number; wholeAgain: { server: number; database: number } };

/** One class of so many devices on so many processes. */
async function classOn(
  db: Db,
  club: Club,
  secret: string,
  servers: readonly RunningServer[],
  session: SessionPlan,
  editionId: string,
  uneven: number,
  /** Kills the servers, and starts them at the same addresses; resolves when they serve. */
  again: (servers: readonly RunningServer[]) => Promise<void>,
): Promise<Ran> {
  const classId = (await startClass(db, club, { editionId, groupId: null }, secret))!;
  const tokens: string[] = [];
  for (let i = 0; i < DEVICES; i++) tokens.push(await givePass(db, club, classId, { kind: "athlete", personId: null }));
  const plan: Plan = {
    bases: servers.map(({ base }) => base),
    classId,
    tokens: tokens.map((token) => encodeURIComponent(Buffer.from(JSON.stringify(token)).toString("base64"))),
    session,
    seconds: SECONDS,
    uneven,
    cutEvery: 300,
    seed: 7,
  };
  const child = spawn(process.execPath, ["--import", "tsx", `${ROOT}/scripts/bench-live-devices.ts`], {
    cwd: ROOT,
    stdio: ["pipe", "pipe", "inherit"],
    env: { ...process.env, LIVE_PLAN: JSON.stringify(plan) },
  });
  const lines = createInterface({ input: child.stdout });
  const next = () => new Promise<string>((resolve) => lines.once("line", resolve));
  const press = async (command: Command): Promise<void> => {
    const answer = await addCommand(db, club, classId, { key: randomUUID(), seen: 0, on: null, command });
    if (answer.kind === "added") child.stdin.write(`${JSON.stringify(answer.sent[0] satisfies Sent | undefined)}\n`);
  };
  await press({ do: "go" });
  const { ready } = JSON.parse(await next()) as { ready: number };
  if (ready < DEVICES * 0.9) say(`Only ${ready} of ${DEVICES} devices are there.`);
  const before = cpuOf(servers);
  const seen = next();
  await wait(5000);
  const acts: Command[] = [
    { do: "more", seconds: 15 },
    { do: "hold" },
    { do: "go" },
    { do: "lead", by: "hand" },
    { do: "lead", by: "clock" },
  ];
  for (const command of acts) {
    await press(command);
    await wait(COMMAND_EVERY_MS);
  }
  const answer = JSON.parse(await seen) as { seen: Seen };
  const serverCpuMs = cpuOf(servers) - before;
  // What a command costs is told by many of them, against a while without any.
  const quietFrom = cpuOf(servers);
  await wait(MEASURED_MS);
  const quiet = cpuOf(servers) - quietFrom;
  const from = cpuOf(servers);
  const begun = performance.now();
  for (let i = 0; i < MANY; i++) {
    await press(i % 2 ? { do: "go" } : { do: "hold" });
    await wait(MEASURED_MS / MANY / 2);
  }
  await wait(Math.max(0, MEASURED_MS - (performance.now() - begun)));
  const spent = performance.now() - begun;
  const perCommandMs = Math.max(0, (cpuOf(servers) - from - (quiet * spent) / MEASURED_MS) / MANY);
  const whole = async () => {
    const line = next();
    child.stdin.write("whole\n");
    return (JSON.parse(await line) as { whole: number }).whole;
  };
  /** How long from a moment until nearly all are there and have everything, as many as were before. */
  const untilWhole = async (count: number, since: number): Promise<number> => {
    while ((await whole()) < count && performance.now() - since < 30_000) await wait(20);
    return performance.now() - since;
  };
  const there = Math.floor((await whole()) * 0.98);
  const told = performance.now();
  await db.execute(
    sql`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()`,
  );
  await press({ do: "more", seconds: 15 });
  const database = await untilWhole(there, told);
  await again(servers);
  const server = await untilWhole(there, performance.now());
  child.stdin.end();
  return { seen: answer.seen, serverCpuMs, perCommandMs, wholeAgain: { server, database } };
}

const ms = (n: number) => `${n.toFixed(1)} ms`;
/** A line of what was measured of a class. */
export const line = (what: string, value: string, goal = "", met?: boolean): Line => ({
  what: `class: ${what}`,
  value,
  baseline: "",
  ratio: "",
  ...(goal && { goal }),
  ...(met !== undefined && { met }),
});

/** A class of 300 simulated devices on one and on three processes, over lines that are as slow both ways, and over ones that are not. */
export async function runningClasses(db: Db, url: string, secret: string): Promise<Line[]> {
  const [who] = await db
    .select({ id: coach.id, name: coach.name })
    .from(coach)
    .where(eq(coach.email, "coach@kestrelsound.example"));
  const { club } = await requireMember(db, who!);
  const session = longClass();
  const total = compile(session, drillById).totalSeconds;
  const id = await addSession(db, club, session, total);
  const made = await handOut(db, club, id, makeEdition(session, drawnDrillById), total, null, secret);
  const { editionId } = made!;
  const found: Line[] = [];
  for (const [processes, uneven] of [
    [1, 0],
    [3, 0],
    [1, 200],
  ] as const) {
    const servers: RunningServer[] = [];
    const env = { DATABASE_URL: url, MAPSET_SECRET: secret, MAPSET_LIMITS: "off" };
    for (let i = 0; i < processes; i++) servers.push(await startServer(env));
    try {
      const again = async () => {
        for (const [i, one] of servers.entries()) {
          const { port } = new URL(one.base);
          process.kill(one.pid, "SIGKILL");
          await wait(300);
          servers[i] = await startServer(env, false, Number(port));
        }
      };
      const { seen, serverCpuMs, perCommandMs, wholeAgain } = await classOn(
        db,
        club,
        secret,
        servers,
        session,
        editionId,
        uneven,
        again,
      );
      const on = `${processes === 1 ? "one process" : `${processes} processes`}${uneven ? `, legs that differ by up to ${uneven} ms` : ""}`;
      const known = uneven === 0;
      const inTime = seen.inTime / Math.max(1, seen.commands);
      found.push(
        line(
          `${DEVICES} devices, ${on}: half of ${seen.looked} places are within`,
          ms(seen.half),
          known ? "10 ms" : "",
          known ? seen.half <= 10 : undefined,
        ),
        line(
          `${on}: 99 in a hundred within (99.9: ${ms(seen.worstUneven)})`,
          ms(seen.most),
          known ? "50 ms" : `half the difference and 50 ms: ${uneven / 2 + 50} ms`,
          seen.most <= (known ? 50 : uneven / 2 + 50),
        ),
      );
      if (!known) continue;
      found.push(
        line(
          `${on}: commands that were there before their effect, of ${seen.commands}`,
          `${(inTime * 100).toFixed(1)} %`,
          "at least 97 %",
          inTime >= 0.97,
        ),
        line(
          `${on}: looks over 50 ms off later than a second after a command or a reconnection (${seen.reconnects} reconnections)`,
          String(seen.late),
          "none",
          seen.late === 0,
        ),
        line(
          `${on}: from a command’s arrival to a device, without the line, 99 in a hundred`,
          ms(quantile(seen.fanOut, 0.99) ?? NaN),
          "under 50 ms",
          (quantile(seen.fanOut, 0.99) ?? Infinity) < 50,
        ),
        line(`${on}: CPU of the servers for a command`, ms(perCommandMs), "under 10 ms", perCommandMs < 10),
        line(
          `${on}: whole again after its servers were killed, from when they serve, and with what was pressed as all connections of the database were`,
          `${(wholeAgain.server / 1000).toFixed(1)} s and ${(wholeAgain.database / 1000).toFixed(1)} s`,
          "under 2 s",
          wholeAgain.server < 2000 && wholeAgain.database < 2000,
        ),
        line(
          `${on}: CPU of the servers, and of the devices, in ${SECONDS} s`,
          `${(serverCpuMs / 1000).toFixed(1)} s and ${(seen.cpuMs / 1000).toFixed(1)} s`,
        ),
      );
    } finally {
      for (const server of servers) server.stop();
    }
  }
  return [...found, ...promises()];
}

const GROUPS = 1000;

/** The same numbers for the same seed, spread normally. */
function normals(seed: number): () => number {
  let state = seed >>> 0;
  const even = () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return (state + 0.5) / 2 ** 32;
  };
  return () => Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even());
}

/**
 * Simulated groups, each at a pace of its own: after five classes that are led by hand, how far the length that is promised for
 * twenty more is off. Moves, showings and changes of side are 21 % of a class’s time.
 */
function promises(): Line[] {
  const KINDS = [
    { count: 8, seconds: 8 },
    { count: 5, seconds: 10 },
    { count: 6, seconds: 5 },
  ];
  const part = KINDS.reduce((sum, { count, seconds }) => sum + count * seconds, 0);
  const whole = part / 0.21;
  const lines: Line[] = [];
  for (const [tau, sigma, goals] of [
    [0.1, 0.35, true],
    [0.15, 0.4, false],
  ] as const) {
    const draw = normals(11);
    let [means, singles, inside] = [0, 0, 0];
    for (let g = 0; g < GROUPS; g++) {
      const truth = KINDS.map(() => 0.25 * draw());
      const classOf = () =>
        KINDS.map((kind, k) => {
          const level = truth[k]! + tau * draw();
          return Array.from(
            { length: kind.count },
            () => kind.seconds * Math.exp(level + sigma * draw() - sigma ** 2 / 2),
          );
        });
      const five = Array.from({ length: 5 }, classOf);
      const paces = KINDS.map((kind, k) =>
        paceOf(five.map((one) => observed({ planned: one[k]!.map(() => kind.seconds), real: one[k]! })!)),
      );
      const { mean, deviation } = paces[0]!;
      // What is estimated is the logarithm of the mean of segments in a class.
      if (Math.abs(truth[0]! - mean) <= 1.96 * deviation) inside++;
      const promised = KINDS.reduce((sum, { count, seconds }, k) => sum + count * seconds * paces[k]!.ratio, 0);
      const errors = Array.from({ length: 20 }, () => {
        const real = classOf().reduce((sum, list) => sum + list.reduce((all, one) => all + one, 0), 0);
        return (promised - real) / whole;
      });
      const average = errors.reduce((sum, one) => sum + one, 0) / errors.length;
      if (Math.abs(average) <= 0.03) means++;
      singles += errors.filter((one) => Math.abs(one) <= 0.05).length / errors.length;
    }
    const share = (n: number) => `${((100 * n) / GROUPS).toFixed(1)} %`;
    const spread = `spread ${tau} and ${sigma}`;
    lines.push(
      line(
        `pace, ${GROUPS} groups, ${spread}: mean promise within 3 % after five classes`,
        share(means),
        goals ? "at least 95 %" : "",
        goals ? means >= 0.95 * GROUPS : undefined,
      ),
      line(
        `pace, ${spread}: single classes within 5 %`,
        share(singles),
        goals ? "at least 90 %" : "",
        goals ? singles >= 0.9 * GROUPS : undefined,
      ),
      line(
        `pace, ${spread}: 95 % intervals that hold the truth`,
        share(inside),
        goals ? "92 to 99 %" : "",
        goals ? inside >= 0.92 * GROUPS && inside <= 0.99 * GROUPS : undefined,
      ),
    );
  }
  return lines;
}
