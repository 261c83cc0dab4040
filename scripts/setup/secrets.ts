import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";

export type Secrets = { server: string; database: string; demoPassword: string };

/** The secrets of this installation: made once, kept in a file only its user can read. */
export function readSecrets(folder: string): Secrets {
  const file = `${folder}/secrets.json`;
  if (existsSync(file)) return JSON.parse(readFileSync(file, "utf8")) as Secrets;
  const secrets: Secrets = {
    server: randomBytes(32).toString("base64url"),
    database: randomBytes(24).toString("base64url"),
    demoPassword: `${randomBytes(3).toString("hex")}-${randomBytes(3).toString("hex")}`,
  };
  writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  return secrets;
}
