import { readFile } from "node:fs/promises";
import type { Read } from "~/core/faults";
import { readSessionText } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { drillById } from "~/library";

/** The session in a file, or in standard input for `-`; every fault with its path. */
export async function readSessionFile(file: string): Promise<Read<Session>> {
  let text: string;
  try {
    text = file === "-" ? await standardInput() : await readFile(file, "utf8");
  } catch (error) {
    return { ok: false, faults: [{ path: file, message: `cannot be read (${(error as NodeJS.ErrnoException).code ?? String(error)})` }] };
  }
  return readSessionText(text, drillById);
}

async function standardInput(): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of process.stdin) parts.push(part as Buffer);
  return Buffer.concat(parts).toString("utf8");
}
