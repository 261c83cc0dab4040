import { createHash } from "node:crypto";
import { chmodSync, mkdirSync } from "node:fs";
import { homedir } from "node:os";
import { fileURLToPath } from "node:url";

export const ROOT = fileURLToPath(new URL("../..", import.meta.url)).replace(/\/$/, "");

export const isRoot = process.getuid?.() === 0;

/**
 * Where this clone keeps its database and secrets, outside the clone, since the database's user may not reach the clone.
 * Root uses /var/lib/mapset, others their own data folder; each clone has a folder of its own.
 */
export function stateFolder(): string {
  const clone = createHash("sha256").update(ROOT).digest("hex").slice(0, 10);
  const base =
    process.env["MAPSET_STATE"] ??
    (isRoot ? "/var/lib/mapset" : `${process.env["XDG_DATA_HOME"] ?? `${homedir()}/.local/share`}/mapset`);
  const folder = `${base}/${clone}`;
  mkdirSync(folder, { recursive: true });
  if (isRoot) {
    chmodSync(base, 0o755);
    chmodSync(folder, 0o755);
  }
  return folder;
}

/**
 * How Node runs what serves: it does not give memory back while little happens. That takes up to 0.2 s in which nobody is
 * answered, for 20 MB, and a class that is told something now and then is just such a while. `./mapset start` does the same.
 */
export const SERVING: readonly string[] = ["--no-memory-reducer"];
