import { mkdirSync, readFileSync, rmSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { startCluster, type Cluster } from "~/scripts/setup/cluster";
import { stateFolder } from "~/scripts/setup/places";
import { connect, type Connection } from "./client";

/* The database of this test is its own, and is killed while it is written to. */
const folder = `${stateFolder()}/killed`;
let cluster: Cluster;
let opened: Connection;
const told: string[] = [];

beforeAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  cluster = await startCluster(folder, "only-for-this-test", {
    onEnded: () => told.push("ended"),
    onBack: () => told.push("back"),
    onGone: () => told.push("gone"),
  });
  opened = connect(cluster.url);
  await opened.db.execute(sql`create table kept (id integer primary key, at text)`);
}, 60_000);
afterAll(async () => {
  await opened.close();
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
});

it(
  "a killed database comes back by itself, with everything in it that was acknowledged",
  { timeout: 120_000 },
  async () => {
    const { db } = opened;
    const acknowledged: number[] = [];
    const lost: unknown[] = [];
    let next = 0;
    let over = false;
    const writer = async (one: number) => {
      while (!over) {
        const id = next++;
        // Half of them as a transaction of two statements, as a session is saved.
        const write =
          one % 2 === 0
            ? db.execute(sql`insert into kept values (${id}, 'x')`)
            : db.transaction(async (tx) => {
                await tx.execute(sql`insert into kept values (${id}, null)`);
                await tx.execute(sql`update kept set at = 'x' where id = ${id}`);
              });
        await write.then(
          () => acknowledged.push(id),
          (error: unknown) => lost.push(error),
        );
        await wait(2);
      }
    };
    const failedReads: unknown[] = [];
    const reader = async () => {
      while (!over) {
        await db.execute(sql`select count(*) from kept`).catch((error: unknown) => failedReads.push(error));
        await wait(5);
      }
    };
    const all = [0, 1, 2, 3].map(writer).concat([reader(), reader()]);
    const until = async (enough: () => boolean) => {
      for (let tries = 0; !enough(); tries++) {
        if (tries > 3_000) throw new Error(`waited too long: ${told.join(" ")}`);
        await wait(10);
      }
    };
    for (let kill = 1; kill <= 3; kill++) {
      const before = acknowledged.length;
      await until(() => acknowledged.length > before + 50);
      process.kill(Number(readFileSync(`${folder}/data/postmaster.pid`, "utf8").split("\n")[0]), "SIGKILL");
      await until(() => told.filter((one) => one === "back").length === kill);
      const back = acknowledged.length;
      await until(() => acknowledged.length > back + 50);
    }
    over = true;
    await Promise.all(all);

    expect(told).toEqual(["ended", "back", "ended", "back", "ended", "back"]);
    const { rows } = await db.execute<{ id: number; at: string | null }>(sql`select id, at from kept`);
    const there = new Map(rows.map((row) => [row.id, row.at]));
    expect(acknowledged.filter((id) => there.get(id) !== "x")).toEqual([]);
    // Nothing is half done, and whoever only asked noticed nothing.
    expect([...there.values()].filter((at) => at !== "x")).toEqual([]);
    expect(failedReads).toEqual([]);
    // What was under way at a kill may fail: at most one for each writer.
    expect(lost.length).toBeLessThanOrEqual(12);
  },
);
