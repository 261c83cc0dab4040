import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { Stryker } from "@stryker-mutator/core";
import { ROOT } from "./setup/places";
import { giveUp, say, Trouble } from "./setup/say";
import { workOutStresses } from "./setup/stresses";

/*
 * Breaks the code of folders in small ways, one at a time, and sees whether a test of the folder notices. By hand: a file
 * takes from seconds to a quarter of an hour. What was found of a file is kept in docs/mutations/, and the file is only done
 * again once it, or a test of its folder, says something else.
 */

type Mutant = { mutatorName: string; replacement?: string; status: string; location: { start: { line: number } } };
type Report = { files: Record<string, { mutants: Mutant[] }> };
/** What was found of a file: how many mutations a test noticed, and where those are that none did, or that none comes near. */
type Done = { as: string; noticed: number; survived: string[]; uncovered: string[] };

const FOLDER = `${ROOT}/docs/mutations`;
const NOTICED = new Set(["Killed", "Timeout"]);

const filesIn = (folder: string): string[] =>
  readdirSync(`${ROOT}/${folder}`, { withFileTypes: true })
    .flatMap((entry) =>
      entry.isDirectory()
        ? entry.name === "testing"
          ? []
          : filesIn(`${folder}/${entry.name}`)
        : entry.name.endsWith(".ts")
          ? [`${folder}/${entry.name}`]
          : [],
    )
    .sort();

function foundIn(report: Report, as: string): Done {
  const all = Object.values(report.files).flatMap(({ mutants }) => mutants);
  const lines = (status: string) =>
    all
      .filter((one) => one.status === status)
      .map(
        (one) =>
          `${one.location.start.line} ${one.mutatorName}: \`${(one.replacement ?? "").replace(/\s+/g, " ").slice(0, 90)}\``,
      );
  return {
    as,
    noticed: all.filter((one) => NOTICED.has(one.status)).length,
    survived: lines("Survived"),
    uncovered: lines("NoCoverage"),
  };
}

/** The share of covered mutations that a test noticed, with those that none did and those that no test comes near. */
function summary(folder: string, done: ReadonlyMap<string, Done>, all: number): string {
  const sum = (count: (one: Done) => number) => [...done.values()].reduce((total, one) => total + count(one), 0);
  const [noticed, survived, uncovered] = [
    sum((one) => one.noticed),
    sum((one) => one.survived.length),
    sum((one) => one.uncovered.length),
  ];
  const list = (which: "survived" | "uncovered") =>
    [...done].flatMap(([file, one]) => one[which].map((line) => `- \`${file}:${line.replace(" ", "` ")}`));
  return [
    `# Mutations of ${folder}`,
    "",
    `${noticed} of ${noticed + survived} covered mutations noticed, ${noticed + survived === 0 ? "–" : ((100 * noticed) / (noticed + survived)).toFixed(1)} %. ${uncovered} are covered by no test.${done.size < all ? ` ${all - done.size} of ${all} files are still to be done.` : ""}`,
    "",
    "## Not noticed",
    "",
    ...list("survived"),
    "",
    "## Covered by no test",
    "",
    ...list("uncovered"),
    "",
  ].join("\n");
}

async function mutate(file: string, folder: string, as: string): Promise<Done> {
  const json = `${ROOT}/build/mutations.json`;
  process.env["MAPSET_MUTATE"] = folder;
  await new Stryker({
    testRunner: "vitest",
    plugins: ["@stryker-mutator/vitest-runner"],
    coverageAnalysis: "perTest",
    concurrency: 2,
    timeoutMS: 20_000,
    incremental: false,
    mutate: [file],
    ignorePatterns: ["build", "docs", "public", ".mapset"],
    ignoreStatic: true,
    disableTypeChecks: false,
    vitest: { configFile: "scripts/setup/vitest.mutate.config.ts", related: false },
    reporters: ["json"],
    jsonReporter: { fileName: json },
    tempDirName: "build/mutations-tmp",
    logLevel: "warn" as never,
  }).runMutationTest();
  return foundIn(JSON.parse(readFileSync(json, "utf8")) as Report, as);
}

async function main(): Promise<void> {
  const folders = process.argv.slice(2).map((folder) => folder.replace(/^\.\//, "").replace(/\/+$/, ""));
  if (folders.length === 0) throw new Trouble("say which folders: ./mapset mutate core/stress core/group");
  await workOutStresses();
  mkdirSync(FOLDER, { recursive: true });
  for (const folder of folders) {
    if (!existsSync(`${ROOT}/${folder}`)) throw new Trouble(`there is no folder ${folder}.`);
    const [tests, files] = [
      filesIn(folder).filter((file) => file.endsWith(".test.ts")),
      filesIn(folder).filter((file) => !file.endsWith(".test.ts")),
    ];
    const name = `${FOLDER}/${folder.replaceAll("/", "-")}`;
    const before = existsSync(`${name}.json`)
      ? (JSON.parse(readFileSync(`${name}.json`, "utf8")) as Record<string, Done>)
      : {};
    const asOf = (file: string) =>
      createHash("sha256")
        .update([file, ...tests].map((one) => readFileSync(`${ROOT}/${one}`, "utf8")).join("\0"))
        .digest("hex")
        .slice(0, 16);
    const done = new Map<string, Done>();
    for (const file of files) {
      const as = asOf(file);
      const kept = before[file];
      if (kept?.as === as) done.set(file, kept);
    }
    say(`\n— mutations of ${folder}: ${files.length - done.size} of ${files.length} files to do`);
    for (const file of files) {
      if (done.has(file)) continue;
      const found = await mutate(file, folder, asOf(file));
      done.set(file, found);
      const sorted = new Map([...done].sort(([a], [b]) => (a < b ? -1 : 1)));
      writeFileSync(`${name}.json`, `${JSON.stringify(Object.fromEntries(sorted), null, 1)}\n`);
      writeFileSync(`${name}.md`, summary(folder, sorted, files.length));
      say(`  ${file}: ${found.noticed} of ${found.noticed + found.survived.length} noticed`);
    }
    say(readFileSync(`${name}.md`, "utf8").split("\n")[2] ?? "");
  }
}

await main().catch(giveUp);
