import { spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { buildIfChanged } from "./setup/build";
import { workOutStresses } from "./setup/stresses";
import { startCluster } from "./setup/cluster";
import { ROOT, stateFolder } from "./setup/places";
import { giveUp, say, Trouble } from "./setup/say";
import { randomBytes } from "node:crypto";
import { mkdirSync } from "node:fs";

type Tally = { passed: number; failed: number };

const bin = (name: string) => `${ROOT}/node_modules/${name}`;

/** Runs a command with its output shown; resolves to its exit code. */
function run(args: string[], env: Record<string, string> = {}): Promise<number> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, {
      cwd: ROOT,
      stdio: ["ignore", "inherit", "inherit"],
      env: { ...process.env, ...env },
    });
    child.on("exit", (code) => resolve(code ?? 1));
  });
}

async function step(name: string, args: string[]): Promise<Tally> {
  say(`\n— ${name}`);
  const ok = (await run(args)) === 0;
  say(ok ? `${name}: passed` : `${name}: FAILED`);
  return { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
}

async function inTurn(steps: readonly [string, string[]][]): Promise<Tally[]> {
  const tallies: Tally[] = [];
  for (const [name, args] of steps) tallies.push(await step(name, args));
  return tallies;
}

/** Where nothing may lead back to itself. */
const SOURCES = ["core", "fixtures", "library", "solver", "db", "app", "cli", "scripts"];

/** One project of the test runner. A run that ends badly without a failed test, or that ran none, counts as failed. */
async function project(name: string, reports: string, env: Record<string, string>): Promise<Tally> {
  say(`\n— ${name} tests`);
  const report = `${reports}/${name.replace(/\W/g, "")}.json`;
  const code = await run(
    [
      bin("vitest/vitest.mjs"),
      "run",
      "--project",
      name,
      "--reporter=dot",
      "--reporter=json",
      `--outputFile.json=${report}`,
    ],
    env,
  );
  let tally: Tally = { passed: 0, failed: 0 };
  try {
    const read = JSON.parse(readFileSync(report, "utf8")) as { numPassedTests: number; numFailedTests: number };
    tally = { passed: read.numPassedTests, failed: read.numFailedTests };
  } catch {
    say(`${name}: the test runner left no report`);
  }
  return (code !== 0 && tally.failed === 0) || tally.passed === 0 ? { ...tally, failed: tally.failed + 1 } : tally;
}

async function main(): Promise<void> {
  const reports = mkdtempSync(`${tmpdir()}/mapset-test-`);
  const folder = `${stateFolder()}/test`;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  // Beside what is worked out first; neither needs it.
  const early = Promise.all([
    step("Types of the routes", [bin("@react-router/dev/bin.js"), "typegen"]),
    step("Formatting", [bin("prettier/bin/prettier.cjs"), "--check", ".", "--log-level", "warn"]),
  ]);
  await workOutStresses();
  const cluster = await startCluster(folder, randomBytes(12).toString("hex"), { quick: true });
  const tallies: Tally[] = [];
  try {
    tallies.push(...(await early));
    // In two rows beside one another, each of about as long.
    const rows: [string, string[]][][] = [
      [
        ["Type check", [bin("typescript/bin/tsc"), "--noEmit"]],
        ["Layers and circles", [bin("dependency-cruiser/bin/dependency-cruise.mjs"), ...SOURCES]],
        ["Nothing unused", [bin("knip/bin/knip.js")]],
      ],
      [["Lint", [bin("eslint/bin/eslint.js"), ".", "--max-warnings", "0"]]],
    ];
    tallies.push(...(await Promise.all(rows.map(inTurn))).flat());
    const env = { TEST_DATABASE_URL: cluster.url };
    tallies.push(await project("unit", reports, env));
    tallies.push(await project("zone*", reports, env));
    // The database has little to do while the application is built. It, the server and the browser are each in another zone
    // than the demo's club (and see tests/harness), so that whoever takes their own for it is found out.
    const database = project("database", reports, { ...env, TZ: "America/New_York" });
    try {
      buildIfChanged();
      tallies.push(await database);
      tallies.push(await project("journeys", reports, { ...env, TZ: "Pacific/Auckland" }));
    } catch (error) {
      if (!(error instanceof Trouble)) throw error;
      say(error.message);
      tallies.push(await database, { passed: 0, failed: 1 });
    }
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(reports, { recursive: true, force: true });
  }
  const sum = (key: keyof Tally) => tallies.reduce((total, t) => total + t[key], 0);
  process.stdout.write(`\n${sum("passed")} passed, ${sum("failed")} failed\n`);
  process.exit(sum("failed") > 0 ? 1 : 0);
}

await main().catch((error: unknown) => {
  process.stdout.write("\n0 passed, 1 failed\n");
  giveUp(error);
});
