import { readOwnId } from "~/core/drills/own";
import { isFit } from "~/core/fit-to-keep";
import { isNewer, isObject, MADE_BY_NEWER, parseWith, type ValidationError, type Read } from "~/core/faults";
import { sizeFaults } from "./size";
import type { DrillLookup } from "~/core/drills/lookup";
import { withIdsNow } from "./ids-now";
import { meaningFaults } from "./meaning";
import { sessionSchema, type SessionPlan } from "./schema";
import { NEWEST_SESSION } from "./version";
import { sessionV1 } from "./versions/v1";

/** Longest document text that is looked at, in characters. */
export const LONGEST_TEXT = 4_000_000;

/** So many entries of a list that is not right are looked at. */
const MOST_LOOKED_AT = 100;

/** A document in the shape of the newest version, by the schema of its own. */
export function parseSession(document: unknown): Read<SessionPlan> {
  if (isNewer(document, NEWEST_SESSION)) return { ok: false, faults: [{ path: "version", message: MADE_BY_NEWER }] };
  return isObject(document) && document["version"] === 1
    ? parseWith(sessionV1, document)
    : parseWith(sessionSchema, document);
}

/** Checks a document against the format of its version, the drills there are, and what can be played. Reports every fault with its path. */
export function readSession(document: unknown, drills: DrillLookup): Read<SessionPlan> {
  const shaped = parseSession(document);
  const parsed: Read<SessionPlan> = shaped.ok ? { ok: true, value: withIdsNow(shaped.value) } : shaped;
  // The drills are looked at even so, so that everything wrong is told at once.
  if (!parsed.ok) return { ok: false, faults: [...parsed.faults, ...looseDrillFaults(document, drills)] };
  const faults = drillFaults(parsed.value, drills);
  if (faults.length === 0) faults.push(...meaningFaults(parsed.value, drills));
  if (faults.length === 0) faults.push(...sizeFaults(parsed.value, drills));
  return faults.length > 0 ? { ok: false, faults } : parsed;
}

const NO_DRILL = (id: string): string =>
  readOwnId(id)
    ? "is a drill of a coach’s own that is not in this file; export the session anew where it comes from, and it brings its drills"
    : `there is no drill “${id.slice(0, 80)}” in the library`;

/** The drills that a document of any shape names and nobody has. */
function looseDrillFaults(document: unknown, drills: DrillLookup): ValidationError[] {
  const listOf = (from: unknown, field: string): unknown[] => {
    const list = typeof from === "object" && from !== null ? (from as Record<string, unknown>)[field] : undefined;
    return Array.isArray(list) ? list.slice(0, MOST_LOOKED_AT) : [];
  };
  return listOf(document, "blocks")
    .flatMap((block, b) =>
      listOf(block, "items").flatMap((item, i) => {
        const id = typeof item === "object" && item !== null ? (item as { drill?: unknown }).drill : undefined;
        return typeof id === "string" && id !== "" && isFit(id) && !drills(id)
          ? [{ path: `blocks[${b}].items[${i}].drill`, message: NO_DRILL(id) }]
          : [];
      }),
    )
    .slice(0, MOST_LOOKED_AT);
}

function drillFaults(session: SessionPlan, drills: DrillLookup): ValidationError[] {
  return session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) =>
      drills(item.drill) ? [] : [{ path: `blocks[${b}].items[${i}].drill`, message: NO_DRILL(item.drill) }],
    ),
  );
}
