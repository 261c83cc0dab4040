import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { ROOT } from "./places";
import { say, Trouble } from "./say";

const SOURCES = ["app", "core", "db", "library", "package-lock.json", "vite.config.ts", "react-router.config.ts", "tsconfig.json"];

/** Builds the application for production unless the build at hand is of these very sources. */
export function buildIfChanged(): void {
  const stamp = `${ROOT}/build/.stamp`;
  const hash = createHash("sha256");
  for (const source of SOURCES) addTo(hash, `${ROOT}/${source}`);
  const want = hash.digest("hex");
  if (existsSync(stamp) && existsSync(`${ROOT}/build/server/index.js`) && readFileSync(stamp, "utf8") === want) return;
  say("Mapset: building…");
  const built = spawnSync(process.execPath, [`${ROOT}/node_modules/@react-router/dev/bin.js`, "build"], {
    cwd: ROOT, encoding: "utf8", env: { ...process.env, NODE_ENV: "production" },
  });
  if (built.status !== 0) throw new Trouble(`the build failed:\n${built.stdout}\n${built.stderr}`);
  writeFileSync(stamp, want);
}

function addTo(hash: ReturnType<typeof createHash>, path: string): void {
  if (!existsSync(path)) return;
  let entries;
  try {
    entries = readdirSync(path, { withFileTypes: true });
  } catch {
    hash.update(path.slice(ROOT.length)).update(readFileSync(path));
    return;
  }
  for (const entry of entries.sort((a, b) => a.name.localeCompare(b.name))) {
    if (!/\.test\.tsx?$/.test(entry.name)) addTo(hash, `${path}/${entry.name}`);
  }
}
