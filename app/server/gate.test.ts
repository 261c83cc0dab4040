import { request as ask, type RequestOptions } from "node:http";
import type { AddressInfo } from "node:net";
import express from "express";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { largestBody, refuseOdd, takeBody, withTakenBody } from "./gate";

let port: number;
let end: () => void;
let reached = 0;

beforeAll(async () => {
  const app = express();
  app.use(refuseOdd);
  app.use(takeBody((req) => req.get("cookie") === "in"));
  app.all("*path", (req, res) => {
    reached++;
    let size = 0;
    const whole = withTakenBody(req, res);
    whole.on("data", (chunk: Buffer) => (size += chunk.length));
    whole.on("end", () => res.json({ size, method: whole.method, type: whole.get("content-type") }));
    whole.resume();
  });
  const server = app.listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
  ({ port } = server.address() as AddressInfo);
  end = () => {
    server.closeAllConnections();
    server.close();
  };
});
afterAll(() => end());

type Answer = { status: number; text: string; close: boolean; sent: number };

/** Sends a body in chunks until it is answered. */
function send(path: string, { chunks = [], ...options }: RequestOptions & { chunks?: Buffer[] } = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    let sent = 0;
    let answered = false;
    const req = ask({ port, host: "127.0.0.1", path, method: "POST", agent: false, ...options }, (res) => {
      answered = true;
      let text = "";
      res.on("data", (part) => (text += String(part)));
      res.on("end", () =>
        resolve({ status: res.statusCode ?? 0, text, close: res.headers.connection === "close", sent }),
      );
    });
    req.on("error", (error) => !answered && reject(error));
    const next = () => {
      const chunk = answered ? undefined : chunks[sent];
      if (!chunk) return req.end();
      sent++;
      req.write(chunk, () => setImmediate(next));
    };
    next();
  });
}

const kb = (n: number) => Buffer.alloc(n * 1000, "a");

describe("a body", () => {
  it("comes whole to whoever reads it, up to its limit", async () => {
    expect(await send("/sign-in", { chunks: [kb(40), kb(24)] })).toMatchObject({
      status: 200,
      text: JSON.stringify({ size: 64_000, method: "POST" }),
    });
    expect(await send("/anything", { headers: { cookie: "in" }, chunks: [kb(2_000), kb(500)] })).toMatchObject({
      status: 200,
    });
    expect(JSON.parse((await send("/sign-in", { headers: { "content-type": "text/x" } })).text)).toEqual({
      size: 0,
      method: "POST",
      type: "text/x",
    });
  });
  it("is refused at one byte more, in words and with the connection closed", async () => {
    expect(await send("/sign-in", { chunks: [kb(64), Buffer.from("b")] })).toMatchObject({
      status: 413,
      close: true,
      text: "This is too large: at most 64 kB can be sent here.",
    });
    expect(await send("/anything", { headers: { cookie: "in" }, chunks: [kb(2_500), Buffer.from("b")] })).toMatchObject(
      { status: 413, text: "This is too large: at most 2.5 MB can be sent here." },
    );
  });
  it("of 50 MB is refused by what it says of itself, before it is read", async () => {
    const before = reached;
    const answer = await send("/sign-in", { headers: { "content-length": 50_000_000 } });
    expect(answer).toMatchObject({ status: 413, sent: 0 });
    expect(reached).toBe(before);
  });
  it("of 50 MB that says nothing of itself is refused as it arrives", async () => {
    const before = reached;
    const answer = await send("/f/x/check-in", { chunks: Array.from({ length: 500 }, () => kb(100)) });
    expect(answer.status).toBe(413);
    expect(answer.sent).toBeLessThan(400);
    expect(reached).toBe(before);
  });
  it("may be a page's or a file's size for who is signed in, and a form's for all others", () => {
    const form = "application/x-www-form-urlencoded;charset=UTF-8";
    expect([
      largestBody("/sessions", "application/json", true),
      largestBody("/sessions", form, true),
      largestBody("/sessions", "application/json", false),
    ]).toEqual([2_500_000, 256_000, 64_000]);
    for (const path of ["/sign-in", "/sign-in.data", "/sign-up", "/f/abc/check-in"])
      expect(largestBody(path, "application/json", true)).toBe(64_000);
    expect(largestBody("/figure/x", "application/json", true)).toBe(2_500_000);
  });
});

describe("a request that is none of ours", () => {
  const get = (path: string, options: RequestOptions = {}) =>
    send(path, { method: "GET", ...options }).then((answer) => answer.status);
  it("has an address no longer than there are", async () => {
    expect(await get(`/${"x".repeat(299)}`)).toBe(200);
    expect(await get(`/${"x".repeat(300)}`)).toBe(414);
    expect(await get("/x".repeat(7_000))).toBe(414);
    expect(await get(`/a?${"q".repeat(4_000)}`)).toBe(200);
    expect(await get(`/a?${"q".repeat(4_001)}`)).toBe(414);
  });
  it("has a method, a host and an address that can be read", async () => {
    for (const method of ["TRACE", "DELETE", "PATCH", "PROPFIND"]) expect(await get("/", { method })).toBe(405);
    for (const host of ["a b", "x/../y", "a@b", "[::1", "a:99999999"])
      expect(await get("/", { headers: { host } })).toBe(400);
    for (const host of ["127.0.0.1:4000", "club.example", "[::1]:80", "localhost"])
      expect(await get("/", { headers: { host } })).toBe(200);
    for (const path of ["/a%00b", "/a?b=%00", "/%E0%A4%A", "/%"]) expect(await get(path)).toBe(400);
  });
  it("leaves the next request on its connection unharmed", async () => {
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        i % 2 ? get("/ok") : send("/sign-in", { chunks: [kb(65)] }).then((a) => a.status),
      ),
    );
    expect(answers).toEqual([413, 200, 413, 200, 413, 200, 413, 200, 413, 200]);
  });
});
