import { parseWith, type Fault, type Read } from "~/core/faults";
import { sizeFaults } from "~/core/timeline/size";
import type { DrillLookup } from "~/core/timeline/types";
import { sessionSchema, type Session } from "./schema";

/** Longest document text that is looked at, in characters. */
export const LONGEST_TEXT = 4_000_000;

/** Checks a document against the format, the drills there are, and what can be played. Reports every fault with its path. */
export function readSession(document: unknown, drills: DrillLookup): Read<Session> {
  const parsed = parseWith(sessionSchema, document);
  if (!parsed.ok) return parsed;
  const faults = drillFaults(parsed.value, drills);
  if (faults.length === 0) faults.push(...sizeFaults(parsed.value, drills));
  return faults.length > 0 ? { ok: false, faults } : parsed;
}

/** Reads a session from text, as from a file. */
export function readSessionText(text: string, drills: DrillLookup): Read<Session> {
  if (text.length > LONGEST_TEXT) return { ok: false, faults: [{ path: "(document)", message: "is longer than 4 million characters" }] };
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    return { ok: false, faults: [{ path: "(document)", message: `is not JSON: ${error instanceof Error ? error.message : String(error)}` }] };
  }
  return readSession(document, drills);
}

function drillFaults(session: Session, drills: DrillLookup): Fault[] {
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) =>
      drills(item.drill) ? [] : [{ path: `blocks[${b}].items[${i}].drill`, message: `there is no drill “${item.drill}” in the library` }],
    ),
  );
}
