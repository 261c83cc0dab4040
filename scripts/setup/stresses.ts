import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { ROOT } from "./places";
import { say } from "./say";

const FILE = `${ROOT}/library/generated/stresses.json`;
/** What decides what a level stresses: its drill, its drawing, and how it is worked out. */
const SOURCES = [
  "core/vocabulary",
  "core/dose",
  "core/figure",
  "core/drills",
  "core/session",
  "core/stress",
  "library",
];

/** Works out anew what every level of the library stresses, when anything that decides it has changed. Takes some seconds. */
export async function workOutStresses(): Promise<void> {
  const hash = createHash("sha256");
  for (const source of SOURCES) addTo(hash, `${ROOT}/${source}`);
  const sources = hash.digest("hex");
  if (existsSync(FILE) && (JSON.parse(readFileSync(FILE, "utf8")) as { sources?: string }).sources === sources) return;
  say("Mapset: working out what each drill stresses…");
  const { libraryStresses } = await import("~/library/stresses");
  mkdirSync(`${ROOT}/library/generated`, { recursive: true });
  // Written aside first: a half-written file would be taken for a whole one.
  writeFileSync(`${FILE}.new`, JSON.stringify({ sources, drills: libraryStresses() }));
  renameSync(`${FILE}.new`, FILE);
}

function addTo(hash: ReturnType<typeof createHash>, path: string): void {
  if (/\.test\.ts$|\/generated$/.test(path)) return;
  if (path.endsWith(".ts")) {
    hash.update(path.slice(ROOT.length)).update(readFileSync(path));
    return;
  }
  for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1)))
    if (entry.isDirectory() || entry.name.endsWith(".ts")) addTo(hash, `${path}/${entry.name}`);
}
