// Runs the commands that need no database. They are bundled once and again whenever a source is newer, so that they
// start fast.
import { readdirSync, statSync } from "node:fs";
import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("..", import.meta.url));
const bundle = `${root}build/cli/main.mjs`;

function newest(folder) {
  let at = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`;
    at = Math.max(at, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return at;
}

function isStale() {
  const built = statSync(bundle, { throwIfNoEntry: false })?.mtimeMs ?? 0;
  return ["core", "library", "cli", "solver"].some((folder) => newest(root + folder) > built);
}

if (isStale()) {
  // What the bundle holds of the library is worked out first.
  const { spawnSync } = await import("node:child_process");
  const worked = spawnSync(
    process.execPath,
    ["--import", `file://${root}node_modules/tsx/dist/esm/index.mjs`, `${root}scripts/work-out-stresses.ts`],
    { cwd: root, stdio: ["ignore", "inherit", "inherit"] },
  );
  if (worked.status !== 0) process.exit(1);
  const { build } = await import("esbuild");
  await build({
    entryPoints: [`${root}cli/main.ts`],
    outfile: bundle,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    external: ["highs"],
    absWorkingDir: root,
    tsconfig: `${root}tsconfig.json`,
    logLevel: "error",
    minify: true,
  });
}
await import(bundle);
