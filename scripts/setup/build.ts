import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { buildSync } from "esbuild";
import { brotliCompressSync, constants } from "node:zlib";
import { IN_ONE } from "./in-one";
import { ROOT } from "./places";
import { say, Trouble } from "./say";
import { buildServiceWorker } from "./service-worker";

const SOURCES = [
  "app",
  "core",
  "db",
  "library",
  "solver",
  "public",
  "scripts/serve-only.ts",
  "scripts/setup/build.ts",
  "scripts/setup/in-one.ts",
  "scripts/setup/service-worker.ts",
  "package-lock.json",
  "vite.config.ts",
  "react-router.config.ts",
  "tsconfig.json",
];

const KEPT_BUILDS = 3;

/**
 * Builds the application for production unless there is a build of these very sources already; returns its folder. Each
 * build has a folder of its own, so that building does not take the files away from a server that is running.
 */
export function buildIfChanged(): string {
  const hash = createHash("sha256");
  for (const source of SOURCES) addTo(hash, `${ROOT}/${source}`);
  const builds = `${ROOT}/build/app`;
  const folder = `${builds}/${hash.digest("hex").slice(0, 16)}`;
  const stamp = `${folder}/.whole`;
  if (!existsSync(stamp)) {
    say("Mapset: building…");
    const built = spawnSync(process.execPath, [`${ROOT}/node_modules/@react-router/dev/bin.js`, "build"], {
      cwd: ROOT,
      encoding: "utf8",
      env: { ...process.env, NODE_ENV: "production", MAPSET_BUILD: folder },
    });
    if (built.status !== 0) throw new Trouble(`the build failed:\n${built.stdout}\n${built.stderr}`);
    buildServiceWorker(`${folder}/client`);
    compress(`${folder}/client/assets`);
    buildServer(folder);
  }
  writeFileSync(stamp, "");
  dropOldBuilds(builds);
  return folder;
}

/** The file that serves a build for tests and measurements, as plain JavaScript: that of the sources takes seconds to begin. */
export const serverOf = (folder: string): string => `${folder}/serve.mjs`;

/** The packages that are not built in, but read where they are. */
function outside(): string[] {
  const { dependencies } = JSON.parse(readFileSync(`${ROOT}/package.json`, "utf8")) as {
    dependencies: Record<string, string>;
  };
  return Object.keys(dependencies).filter((name) => !IN_ONE.test(name));
}

function buildServer(folder: string): void {
  buildSync({
    entryPoints: { serve: `${ROOT}/scripts/serve-only.ts`, work: `${ROOT}/app/server/work/in-thread.ts` },
    outdir: folder,
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    external: outside(),
    logLevel: "error",
    alias: { "~": ROOT },
  });
}

/** Builds used so lately have pages open, or kept on a phone. */
const EARLIER_MS = 7 * 86_400_000;

/** Folders with the assets of the builds before this one, the one used last first. */
export function earlierAssets(folder: string): string[] {
  const builds = dirname(folder);
  return readdirSync(builds)
    .map((name) => `${builds}/${name}`)
    .filter((build) => build !== folder && Date.now() - usedAt(build) < EARLIER_MS)
    .sort((a, b) => usedAt(b) - usedAt(a))
    .map((build) => `${build}/client/assets`);
}

const usedAt = (build: string): number => statSync(`${build}/.whole`, { throwIfNoEntry: false })?.mtimeMs ?? 0;

/** Puts a compressed copy beside each asset that gets smaller by it, so that the server need not do it for every visitor. */
function compress(assets: string): void {
  for (const name of readdirSync(assets)) {
    if (!/\.(js|css|wasm|json|svg)$/.test(name)) continue;
    const whole = readFileSync(`${assets}/${name}`);
    // What athletes load is made as small as can be; the solver, the charts and their like are a coach's, and would take half a minute.
    const quality = whole.length > 250_000 ? 9 : 11;
    const small = brotliCompressSync(whole, {
      params: { [constants.BROTLI_PARAM_QUALITY]: quality, [constants.BROTLI_PARAM_SIZE_HINT]: whole.length },
    });
    if (small.length < whole.length) writeFileSync(`${assets}/${name}.br`, small);
  }
}

/** Keeps the builds used last: the stamp's time is that of the last use. */
function dropOldBuilds(builds: string): void {
  const used = (name: string) => usedAt(`${builds}/${name}`);
  for (const name of readdirSync(builds)
    .sort((a, b) => used(b) - used(a))
    .slice(KEPT_BUILDS))
    rmSync(`${builds}/${name}`, { recursive: true, force: true });
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
