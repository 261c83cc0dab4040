import { faultLine, type Fault } from "~/core/faults";
import { readSession, readSessionText } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { addSession } from "~/db/sessions";
import { drillsOf } from "./drills.server";
import { getServices } from "./services.server";
import { needRoom } from "./room.server";

/** Largest file taken for an import, in bytes. */
export const LARGEST_IMPORT = 2_000_000;

export type ImportOutcome = { id: string; title: string } | { file: string; faults: Fault[] };

/** Keeps a session read from text, or says every fault with its path. Nothing is kept of a file with faults. */
export async function importSession(ownerId: string, file: string, text: string): Promise<ImportOutcome> {
  const read = readSessionText(text, await drillsOf(ownerId, text));
  if (!read.ok) return { file, faults: read.faults };
  return { id: await keepSession(ownerId, read.value), title: read.value.title };
}

/** Keeps a checked session as a new one of the coach. */
export async function keepSession(ownerId: string, session: Session): Promise<string> {
  await needRoom(ownerId, "sessions");
  return addSession(getServices().db, ownerId, session, compile(session, await drillsOf(ownerId, session)).totalSeconds);
}

/** Checks a document that is meant to be right already; throws when it is not. */
export async function mustRead(ownerId: string, document: unknown): Promise<Session> {
  const read = readSession(document, await drillsOf(ownerId, document));
  if (!read.ok) throw new Error(read.faults.map(faultLine).join("; "));
  return read.value;
}
