import { buildSync } from "esbuild";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { ROOT } from "./places";

/** What Vite says of a file it has built. */
export type Built = { file: string; imports?: string[]; dynamicImports?: string[]; css?: string[]; assets?: string[] };
export type BuildManifest = Record<string, Built>;

/** What a link's page begins from. */
const BEGINNINGS = [/\/entry\.client\.tsx$/, /^app\/root\.tsx\?/, /^app\/routes\/follow\/route\.tsx\?/];
const OUTSIDE_THE_BUILD = ["mark.svg", "icon-192.png", "icon-512.png", "icon-full-512.png"];

/** All files that what begins here comes to need, also later on. Fails where one of the beginnings is gone: then nothing would work without a connection. */
export function filesFor(manifest: BuildManifest, beginnings: readonly RegExp[]): string[] {
  const files = new Set<string>();
  const seen = new Set<string>();
  const add = (key: string) => {
    const built = manifest[key];
    if (!built || seen.has(key)) return;
    seen.add(key);
    for (const file of [built.file, ...(built.css ?? []), ...(built.assets ?? [])]) files.add(file);
    for (const next of [...(built.imports ?? []), ...(built.dynamicImports ?? [])]) add(next);
  };
  for (const beginning of beginnings) {
    const key = Object.keys(manifest).find((one) => beginning.test(one));
    if (key === undefined) throw new Error(`The build has nothing that is ${beginning.source}.`);
    add(key);
  }
  return [...files];
}

/** Builds the service worker of links' pages beside a build of the application, with what it is to keep. */
export function buildServiceWorker(client: string): void {
  const manifest = JSON.parse(readFileSync(`${client}/.vite/manifest.json`, "utf8")) as BuildManifest;
  // The framework writes its list of pages last, and Vite knows nothing of it.
  const ofPages = readdirSync(`${client}/assets`)
    .filter((name) => /^manifest-[\w-]+\.js$/.test(name))
    .map((name) => `assets/${name}`);
  const hashOf = (path: string) => createHash("sha256").update(readFileSync(path)).digest("hex").slice(0, 16);
  const files = [
    ...[...filesFor(manifest, BEGINNINGS), ...ofPages].map((file) => ({ url: `/${file}`, revision: null })),
    ...OUTSIDE_THE_BUILD.filter((file) => existsSync(`${client}/${file}`)).map((file) => ({
      url: `/${file}`,
      revision: hashOf(`${client}/${file}`),
    })),
  ];
  const build = createHash("sha256").update(JSON.stringify(files)).digest("hex").slice(0, 16);
  buildSync({
    entryPoints: [`${ROOT}/app/sync/worker.ts`],
    outfile: `${client}/sw.js`,
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    logLevel: "error",
    define: { FILES: JSON.stringify(files), BUILD: JSON.stringify(build), "process.env.NODE_ENV": '"production"' },
    alias: { "~": ROOT },
  });
}
