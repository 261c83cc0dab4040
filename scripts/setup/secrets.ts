import { randomBytes } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import writeFileAtomic from "write-file-atomic";
import { z } from "zod";
import { Trouble } from "./say";

const secretsSchema = z.object({
  server: z.string().min(32),
  database: z.string().min(16),
  demoPassword: z.string().min(10),
});
export type Secrets = z.infer<typeof secretsSchema>;

/** Writes a small file whole or not at all: beside, to the disk, and then in its place. Only its user can read it. */
export function keepFile(file: string, text: string): void {
  writeFileAtomic.sync(file, text, { mode: 0o600 });
}

function read(file: string): Secrets | undefined {
  try {
    const parsed = secretsSchema.safeParse(JSON.parse(readFileSync(file, "utf8")));
    return parsed.success ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The secrets of this installation: made once, kept in two files only their user can read. One that a crash has damaged is
 * made anew from the other; without both the database and every link that was handed out would be lost, so nothing is made
 * up where there is a database already.
 */
export function readSecrets(folder: string): Secrets {
  const [file, second] = [`${folder}/secrets.json`, `${folder}/secrets.second.json`] as const;
  const known = read(file) ?? read(second);
  if (!known && [file, second, `${folder}/data/PG_VERSION`].some((one) => existsSync(one)))
    throw new Trouble(
      `${file} is ${existsSync(file) ? "damaged" : "missing"}. Without it neither the database nor any link that was handed out can be opened, so nothing was made up. Put the file back from a backup; or, to lose what is there and start over, delete ${folder}.`,
    );
  const secrets = known ?? {
    server: randomBytes(32).toString("base64url"),
    database: randomBytes(24).toString("base64url"),
    demoPassword: `${randomBytes(3).toString("hex")}-${randomBytes(3).toString("hex")}`,
  };
  for (const one of [file, second]) if (!read(one)) keepFile(one, JSON.stringify(secrets));
  return secrets;
}
