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
