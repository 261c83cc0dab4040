import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Db } from "~/db/client";
import { link } from "~/db/schema";
import { freshDatabase, TEST_SECRET } from "~/db/testing";
import { linkToken } from "~/db/tokens";
import { startServer, type RunningServer } from "~/scripts/setup/server-process";
import { DEMO, WITH_DEMO } from "./harness";

/* What the server writes of itself, while everything that is personal passes through it and much of it fails. */
let db: Db;
let end: () => Promise<void>;
let server: RunningServer;
let token: string;

beforeAll(async () => {
  const fresh = await freshDatabase(WITH_DEMO);
  ({ db, end } = fresh);
  server = await startServer({ DATABASE_URL: fresh.url, MAPSET_SECRET: TEST_SECRET, MAPSET_LOG: "info" }, true);
  const [one] = await db.select({ id: link.id }).from(link).limit(1);
  token = linkToken(TEST_SECRET, one!.id);
});
afterAll(async () => {
  server.stop();
  await end();
});

const send = (path: string, form: Record<string, string>, headers: Record<string, string> = {}) =>
  fetch(server.base + path, {
    method: "POST",
    redirect: "manual",
    headers: { "content-type": "application/x-www-form-urlencoded", ...headers },
    body: new URLSearchParams(form),
  });
const sendJson = (path: string, body: unknown) =>
  fetch(server.base + path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });

it("tells what failed and where, and nothing that is anybody's", async () => {
  const signedIn = await send("/sign-in", { email: DEMO.email, password: DEMO.password });
  expect(signedIn.status).toBe(302);
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(";")[0])
    .join("; ");
  await send("/sign-in", { email: "zorblax@club.example", password: "a secret zorblax" });
  await send("/sign-up", { name: "Zorblax Quill", email: "quill@club.example" });
  await fetch(`${server.base}/nowhere/zorblax?q=zorblax`);
  await fetch(`${server.base}/f/zorblaxzorblaxzorblaxzorb`);
  const run = { key: randomUUID(), person: { athleteId: null, name: "Zorblax" }, shareDone: 0.5, finished: true };
  await sendJson(`/f/${token}/progress`, run);
  // From here on it fails: what is asked for is not there any more.
  await db.execute(sql`alter table check_in rename to check_in_gone`);
  await db.execute(sql`alter table "group" rename to group_gone`);
  const report = await sendJson(`/f/${token}/check-in`, {
    run,
    hard: 3,
    tightness: [],
    pain: true,
    painWhere: "zorblax knee",
    note: "zorblax hurts",
  });
  const groups = await send("/groups", { do: "add-group", name: "Zorblax squad" }, { cookie });
  const heard = await fetch(`${server.base}/feedback`, { headers: { cookie } });
  expect([report.status, groups.status, heard.status]).toEqual([500, 500, 500]);

  const said = server.said();
  for (const word of [
    /zorblax/i,
    /quill/i,
    /kestrelsound/,
    token,
    DEMO.password,
    cookie.split("=")[1]!.slice(0, 12),
    "select ",
    "insert into",
  ])
    expect(said, String(word)).not.toMatch(word);
  const lines = said
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  const failures = lines.filter((line) => line["what"] === "a request failed");
  expect(failures).toContainEqual(
    expect.objectContaining({ level: "error", method: "POST", route: "f/:token/check-in", code: "42P01" }),
  );
  expect(failures.find((line) => line["route"] === "groups")).toBeDefined();
  // Each can be found again by the number its answer carries.
  expect(lines.filter((line) => line["id"] === report.headers.get("x-request-id")).map((line) => line["what"])).toEqual(
    ["a request failed", "answered with a failure"],
  );
  // What is not there is told in one line without a place.
  expect(lines.filter((line) => line["route"] === "none" && line["status"] === 404)).toHaveLength(1);
  expect(failures.filter((line) => line["route"] === "none")).toEqual([]);
});
