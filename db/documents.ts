import type { Opened, Unreadable } from "~/core/documents/opened";

/** What a document that was kept is. */
export type DocumentKind = "session" | "edition" | "drill" | "profile" | "request";

/** A kept document that cannot be read was asked for by itself. Lists leave such out, or show that they are there. */
export class UnreadableDocument extends Error {
  override readonly name = "UnreadableDocument";
  constructor(
    readonly kind: DocumentKind,
    readonly id: string,
    readonly found: Unreadable,
  ) {
    super(`A ${kind} cannot be read: ${found.newer ? "made by a newer program" : "damaged"}`);
  }
}

/** The document that was opened; throws `UnreadableDocument` where it cannot be read. */
export function mustOpen<T>(opened: Opened<T>, kind: DocumentKind, id: string): T {
  if (opened.ok) return opened.doc;
  throw new UnreadableDocument(kind, id, opened);
}

/** Those of a list that can be read. */
export const readable = <R, T>(rows: readonly R[], open: (row: R) => Opened<T>): { row: R; doc: T }[] =>
  rows.flatMap((row) => {
    const opened = open(row);
    return opened.ok ? [{ row, doc: opened.doc }] : [];
  });
