import { readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { faultLine } from "~/core/faults";
import { placedFaults, type PlacedFault } from "~/core/files/places";
import { documentOf, drillsUsed, idsBrought, readSessionFile, sessionFile } from "~/core/files/session-file";
import { readSession } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { findDemand } from "~/db/demands";
import { countNew, keepSessionFile, type Brought } from "~/db/session-files";
import { addSession, findSession, findSetting } from "~/db/sessions";
import { DRILLS } from "~/library";
import { demandById } from "~/library/demands";
import { drawnDrill, drillsOf } from "./drills.server";
import { getServices } from "./services.server";
import { needRoom } from "./room.server";

/** Largest file taken for an import, in bytes. */
export const LARGEST_IMPORT = 2_000_000;

export type ImportOutcome = Brought | { file: string; faults: PlacedFault[] };

/** Keeps a session read from text with all it brings, or says every fault with its place. Nothing is kept of a file with faults. */
export async function importSession(ownerId: string, file: string, text: string): Promise<ImportOutcome> {
  const document = documentOf(text);
  if (!document.ok) return { file, faults: placedFaults(document.faults, undefined) };
  const own = await drillsOf(ownerId, text);
  const brings = idsBrought(document.value);
  // A drill that the file brings is the file's, even where the coach has one of that id.
  const there = (id: string) => (brings.has(id) && readOwnId(id) ? undefined : own(id));
  const read = readSessionFile(document.value, { drills: there, isProfile: (id) => demandById(id) !== undefined, standIn: DRILLS[0]! });
  if (!read.ok) return { file, faults: placedFaults(read.faults, document.value, (id) => there(id)?.name) };
  const { db } = getServices();
  const added = await countNew(db, ownerId, read.value.drills);
  if (added > 0) {
    await needRoom(ownerId, "drills", added);
    await needRoom(ownerId, "revisions", added);
  }
  if (typeof read.value.profile === "object") await needRoom(ownerId, "profiles");
  await needRoom(ownerId, "sessions");
  const brought = new Map(read.value.drills.map((drill) => [drill.id, drill]));
  return keepSessionFile(db, ownerId, read.value, compile(read.value.session, (id) => brought.get(id) ?? own(id)).totalSeconds);
}

/** A session with its drills and profile, as a file that another coach can take in. */
export async function exportSession(ownerId: string, id: string): Promise<{ name: string; document: unknown } | undefined> {
  const { db } = getServices();
  const [stored, setting] = await Promise.all([findSession(db, ownerId, id), findSetting(db, ownerId, id)]);
  if (!stored || !setting) return undefined;
  const drills: Drill[] = [];
  for (const drillId of drillsUsed(stored.doc)) {
    const drill = readOwnId(drillId) ? await drawnDrill(ownerId, drillId) : undefined;
    if (drill) drills.push(drill);
  }
  const row = setting.demandId?.startsWith("own-") ? setting.demandId.slice("own-".length) : undefined;
  const profile = row ? await findDemand(db, ownerId, row) : (setting.demandId ?? undefined);
  return { name: stored.doc.title, document: sessionFile({ session: stored.doc, drills, profile }) };
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
