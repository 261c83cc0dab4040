import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { afterAll, beforeAll, expect, it } from "vitest";
import { chromium, type Browser } from "playwright-core";
import { ANA } from "./harness";
import { BROWSER, BROWSER_ARGS } from "~/scripts/setup/browser";
import { freshDatabase, TEST_SECRET } from "~/db/testing";
import { freePort } from "~/scripts/setup/cluster";
import { startServer, type RunningServer } from "~/scripts/setup/server-process";

let folder: string;
let proxy: ChildProcess;
let server: RunningServer;
let browser: Browser;
let base: string;
let endDatabase: () => Promise<void>;

/** A certificate of its own, and Debian's nginx with it before Mapset, as the README says. */
beforeAll(async () => {
  folder = mkdtempSync(`${tmpdir()}/mapset-proxy-`);
  const port = await freePort();
  base = `https://localhost:${port}`;
  const { url, end } = await freshDatabase();
  endDatabase = end;
  server = await startServer({ DATABASE_URL: url, MAPSET_SECRET: TEST_SECRET, MAPSET_URL: base, MAPSET_PROXY: "on" });
  execFileSync(
    "openssl",
    [
      "req",
      "-x509",
      "-newkey",
      "rsa:2048",
      "-nodes",
      "-days",
      "2",
      "-subj",
      "/CN=localhost",
      "-keyout",
      `${folder}/key.pem`,
      "-out",
      `${folder}/cert.pem`,
    ],
    { stdio: "ignore" },
  );
  const temporary = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"]
    .map((name) => `${name}_temp_path ${folder}/${name};`)
    .join(" ");
  writeFileSync(
    `${folder}/nginx.conf`,
    `
    daemon off; worker_processes 1; pid ${folder}/nginx.pid; error_log ${folder}/error.log; events {}
    http {
      access_log off; ${temporary}
      server {
        listen 127.0.0.1:${port} ssl; ssl_certificate ${folder}/cert.pem; ssl_certificate_key ${folder}/key.pem; client_max_body_size 3m;
        location / {
          proxy_pass ${server.base};
          proxy_set_header Host $http_host;
          proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
          proxy_set_header X-Forwarded-Proto $scheme;
        }
      }
    }`,
  );
  proxy = spawn(
    existsSync("/usr/sbin/nginx") ? "/usr/sbin/nginx" : "nginx",
    ["-p", folder, "-c", `${folder}/nginx.conf`, "-e", `${folder}/error.log`],
    { stdio: "ignore" },
  );
  browser = await chromium.launch({ executablePath: BROWSER, args: BROWSER_ARGS });
});
afterAll(async () => {
  await browser.close();
  proxy.kill("SIGTERM");
  server.stop();
  await endDatabase();
  rmSync(folder, { recursive: true, force: true });
});

it("lets a coach sign in by TLS, keeps the cookie to it, and changes what they change", async () => {
  const context = await browser.newContext({ ignoreHTTPSErrors: true, baseURL: base });
  const page = await context.newPage();
  await expect
    .poll(async () => (await page.goto("/sign-in").catch(() => null))?.status(), { timeout: 10_000 })
    .toBe(200);
  await page.getByLabel("E-mail address").fill(ANA.email);
  await page.getByLabel("Password").fill(ANA.password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/\/today$/);
  const cookies = await context.cookies();
  expect(
    cookies
      .filter((cookie) => cookie.name.includes("session_token"))
      .map(({ secure, httpOnly }) => ({ secure, httpOnly })),
  ).toEqual([{ secure: true, httpOnly: true }]);
  const answer = await page.request.post("/groups", {
    form: { do: "add-group", name: "Behind TLS" },
    headers: { origin: base },
  });
  expect(answer.status()).toBeLessThan(400);
  expect(
    (
      await page.request.post("/groups", {
        form: { do: "add-group", name: "Evil" },
        headers: { origin: "https://evil.example" },
      })
    ).status(),
  ).toBe(403);
  expect((await page.request.get("/sign-in")).headers()["strict-transport-security"]).toBeDefined();
  await context.close();
});

it("limits each of those who come through the proxy by themselves", async () => {
  const context = await browser.newContext({ ignoreHTTPSErrors: true, baseURL: base });
  const guess = (n: number, from: string) =>
    context.request
      .get(`/f/${String(n).padStart(24, "Q")}`, { headers: { "x-forwarded-for": from } })
      .then((answer) => answer.status());
  let last = 404;
  for (let i = 0; i < 30; i++) last = await guess(i, "203.0.113.7");
  expect(last).toBe(429);
  expect(await guess(99, "203.0.113.8")).toBe(404);
  await context.close();
});
