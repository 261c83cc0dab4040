import type { ZodType } from "zod";
import { faultLine, isNewer, parseWith, type ValidationError } from "~/core/faults";

/**
 * A document that was kept, as it is read: in the shape of the newest version with the version it was written in, or why it
 * cannot be read, with what there is. One by a newer program is not damaged; it is only to be shown by that.
 */
export type Opened<T> = { ok: true; doc: T; was: number } | Unreadable;
export type Unreadable = { ok: false; newer: boolean; why: string; raw: unknown };

/** Faults told of what cannot be read; the first say what happened. */
const TOLD = 3;

/** What cannot be read: of a version to come, or with these faults. */
export function unreadable(raw: unknown, newest: number, faults: readonly ValidationError[]): Unreadable {
  const newer = isNewer(raw, newest);
  return {
    ok: false,
    newer,
    raw,
    why: newer
      ? "It was made by a newer Mapset."
      : faults.slice(0, TOLD).map(faultLine).join("; ") || "It is no document of Mapset’s.",
  };
}

const ONLY = 1;

/** Reads a document that has had one version so far. */
export function openWith<T>(schema: ZodType<T>, raw: unknown): Opened<T> {
  const read = parseWith(schema, raw);
  return read.ok ? { ok: true, doc: read.value, was: ONLY } : unreadable(raw, ONLY, read.faults);
}
