import { readFile } from "node:fs/promises";
import { parseWith, readJson, type Read } from "~/core/faults";
import { groupSchema, type Group } from "~/core/group/schema";
import { readSessionFile } from "~/core/files/session-file";
import { LONGEST_TEXT } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import type { Drill } from "~/core/drills/schema";
import { drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";

/** The session in a file, or in standard input for `-`, and the drills there are for it; every fault with its path. */
export async function readSessionAt(
  file: string,
): Promise<Read<{ session: SessionPlan; drills: (id: string) => Drill | undefined }>> {
  let text: string;
  try {
    text = file === "-" ? await standardInput() : await readFile(file, "utf8");
  } catch (error) {
    return {
      ok: false,
      faults: [{ path: file, message: `cannot be read (${(error as NodeJS.ErrnoException).code ?? String(error)})` }],
    };
  }
  const document = readJson(text, LONGEST_TEXT);
  if (!document.ok) return document;
  const read = readSessionFile(document.value, { drills: drillById, isProfile: (id) => profileById(id) !== undefined });
  if (!read.ok) return read;
  const own = new Map(read.value.drills.map((drill) => [drill.id, drill]));
  return { ok: true, value: { session: read.value.session, drills: (id) => own.get(id) ?? drillById(id) } };
}

/** A group's people, kit and caps from a file of JSON; every fault with its path. */
export async function readGroupFile(file: string): Promise<Read<Group>> {
  const json = await readJsonFile(file);
  return json.ok ? parseWith(groupSchema, json.value) : json;
}

/** What is in a file of JSON, or in standard input for `-`. */
export async function readJsonFile(file: string): Promise<Read<unknown>> {
  try {
    return {
      ok: true,
      value: JSON.parse(file === "-" ? await standardInput() : await readFile(file, "utf8")) as unknown,
    };
  } catch (error) {
    return {
      ok: false,
      faults: [
        {
          path: file,
          message:
            error instanceof SyntaxError
              ? `is not JSON (${error.message})`
              : `cannot be read (${(error as NodeJS.ErrnoException).code ?? String(error)})`,
        },
      ],
    };
  }
}

async function standardInput(): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of process.stdin) parts.push(part as Buffer);
  return Buffer.concat(parts).toString("utf8");
}
