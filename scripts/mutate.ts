import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { Stryker } from "@stryker-mutator/core";
import { ROOT } from "./setup/places";
import { giveUp, say, Trouble } from "./setup/say";
import { workOutStresses } from "./setup/stresses";

/*
 * Breaks the code of folders in small ways, one at a time, and sees whether a test notices. By hand: it takes minutes to an
 * hour. What it finds is written to docs/mutations/.
 */

type Mutant = { mutatorName: string; replacement?: string; status: string; location: { start: { line: number } } };
type Report = { files: Record<string, { mutants: Mutant[]; source: string }> };

const FOLDER = `${ROOT}/docs/mutations`;
const NOTICED = new Set(["Killed", "Timeout"]);

/** The share of covered mutants that a test noticed, with those that none did and those that no test comes near. */
function summary(folder: string, report: Report): string {
  const all = Object.entries(report.files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ ...mutant, file })));
  const noticed = all.filter((one) => NOTICED.has(one.status)).length;
  const survived = all.filter((one) => one.status === "Survived");
  const uncovered = all.filter((one) => one.status === "NoCoverage");
  const covered = noticed + survived.length;
  const line = (one: (typeof all)[number]) => `- \`${one.file}:${one.location.start.line}\` ${one.mutatorName}: \`${(one.replacement ?? "").replace(/\s+/g, " ").slice(0, 90)}\``;
  return [
    `# Mutations of ${folder}`, "",
    `${new Date().toISOString().slice(0, 10)}: ${noticed} of ${covered} covered mutants noticed, ${covered === 0 ? "–" : ((100 * noticed) / covered).toFixed(1)} %. ${uncovered.length} are covered by no test.`, "",
    "## Not noticed", "", ...survived.map(line), "", "## Covered by no test", "", ...uncovered.map(line), "",
  ].join("\n");
}

async function main(): Promise<void> {
  const folders = process.argv.slice(2).map((folder) => folder.replace(/^\.\//, "").replace(/\/+$/, ""));
  if (folders.length === 0) throw new Trouble("say which folders: ./mapset mutate core/stress core/group");
  await workOutStresses();
  mkdirSync(FOLDER, { recursive: true });
  for (const folder of folders) {
    if (!existsSync(`${ROOT}/${folder}`)) throw new Trouble(`there is no folder ${folder}.`);
    say(`\n— mutations of ${folder}`);
    const json = `${ROOT}/build/mutations.json`;
    process.env["MAPSET_MUTATE"] = folder;
    await new Stryker({
      testRunner: "vitest", plugins: ["@stryker-mutator/vitest-runner"], coverageAnalysis: "perTest", concurrency: 2, timeoutMS: 20_000, incremental: false,
      mutate: [`${folder}/**/*.ts`, `!${folder}/**/*.test.ts`], ignorePatterns: ["build", "docs", "public", ".mapset"], ignoreStatic: true, disableTypeChecks: false,
      vitest: { configFile: "scripts/setup/vitest.mutate.config.ts", related: false }, reporters: ["clear-text", "json"], jsonReporter: { fileName: json }, clearTextReporter: { reportTests: false, logTests: false, reportMutants: false, allowColor: false },
      tempDirName: "build/mutations-tmp", logLevel: "warn" as never,
    }).runMutationTest();
    const text = summary(folder, JSON.parse(readFileSync(json, "utf8")) as Report);
    writeFileSync(`${FOLDER}/${folder.replaceAll("/", "-")}.md`, text);
    say(text.split("\n")[2] ?? "");
  }
}

await main().catch(giveUp);
