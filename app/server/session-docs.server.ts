import type { Club } from "~/db/clubs";
import { readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { faultLine, readJson, type ValidationError } from "~/core/faults";
import { placedFaults, type PlacedFault } from "~/core/files/places";
import { drillsUsed, idsBrought, readSessionFile, sessionFile } from "~/core/files/session-file";
import { LONGEST_TEXT, readSession } from "~/core/session/read";
import { withLocks } from "~/core/session/locks";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { listProfiles } from "~/db/sport-profiles";
import { keepSessionFile, missingOf, type Brought } from "~/db/session-files";
import { addSession, findSession, saveSession } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import type { DrillLookup } from "~/core/drills/lookup";
import type { Setting } from "~/core/documents/setting";
import { listGroupNames } from "~/db/groups";
import { profileById } from "~/library/sport-profiles";
import { drawnDrill, drillsOf } from "./drills.server";
import { getServices } from "./services.server";
import { needRoom } from "./room.server";
import { needDrills, opening } from "./opening.server";
import { summaryOf } from "~/core/profile/summary";

/** Largest file taken for an import, in bytes. */
export const LARGEST_IMPORT = 2_000_000;

export type ImportOutcome = Brought | { file: string; faults: PlacedFault[] };

/** Keeps a session read from text with all it brings, or says every fault with its place. Nothing is kept of a file with faults. */
export async function importSession(club: Club, file: string, text: string): Promise<ImportOutcome> {
  const document = readJson(text, LONGEST_TEXT);
  if (!document.ok) return { file, faults: placedFaults(document.faults, undefined) };
  const own = await drillsOf(club, text);
  const brings = idsBrought(document.value);
  // A drill that the file brings is the file's, even where the coach has one of that id.
  const there = (id: string) => (brings.has(id) && readOwnId(id) ? undefined : own(id));
  const read = readSessionFile(document.value, { drills: there, isProfile: (id) => profileById(id) !== undefined });
  if (!read.ok) return { file, faults: placedFaults(read.faults, document.value, (id) => there(id)?.name) };
  const { db } = getServices();
  const missing = await missingOf(db, club, read.value.drills);
  if (missing.length > 0) {
    await needRoom(club, "drills", missing.length);
    await needRoom(club, "revisions", missing.length);
  }
  if (typeof read.value.profile === "object") await needRoom(club, "profiles");
  await needRoom(club, "sessions");
  const brought = new Map(read.value.drills.map((drill) => [drill.id, drill]));
  return keepSessionFile(
    db,
    club,
    read.value,
    compile(read.value.session, (id) => brought.get(id) ?? own(id)).totalSeconds,
    missing,
  );
}

/** A session with its drills and profile, as a file that another coach can take in. */
export async function exportSession(
  club: Club,
  id: string,
): Promise<{ name: string; document: ReturnType<typeof sessionFile> } | undefined> {
  const { db } = getServices();
  const [stored, setting] = await Promise.all([opening(findSession(db, club, id)), findSetting(db, club, id)]);
  if (!stored || !setting) return undefined;
  const drills: Drill[] = [];
  for (const drillId of drillsUsed(stored.doc)) {
    const drill = readOwnId(drillId) ? await drawnDrill(club, drillId) : undefined;
    if (drill) drills.push(drill);
  }
  // A profile that is gone, or nobody's, is left out.
  const { demandId } = setting;
  const { row: _, ...own } = (await listProfiles(db, club)).find((one) => one.id === demandId) ?? { row: undefined };
  const profile = demandId === null ? undefined : "rows" in own ? own : profileById(demandId) ? demandId : undefined;
  return {
    name: stored.doc.title,
    document: sessionFile({ session: withLocks(stored.doc, setting.locks), drills, profile }),
  };
}

/** Keeps a checked session as a new one of the coach, with what stands beside it: the group it is for, what is asked of it, and what was chosen. A group that is gone, or nobody's, is left out. */
export async function keepSession(club: Club, session: SessionPlan, beside: Partial<Setting> = {}): Promise<string> {
  await needRoom(club, "sessions");
  const { db } = getServices();
  const { groupId = null } = beside;
  const own = groupId !== null && (await listGroupNames(db, club)).some((one) => one.id === groupId);
  const drills = await drillsOf(club, session);
  needDrills(session, drills);
  const timeline = compile(session, drills);
  return addSession(db, club, session, timeline.totalSeconds, {
    ...beside,
    groupId: own ? groupId : null,
    summary: summaryOf(session, timeline),
  });
}

/** Somebody may be saving the same session from the desk: the newest is taken so often until it goes through. */
const TRIES = 5;

/** Changes a session wherever it stands now. Says `gone`, that somebody else is changing it, or what the change would break. */
export async function changeStored(
  club: Club,
  id: string,
  change: (session: SessionPlan, drills: DrillLookup) => SessionPlan,
): Promise<{ saved: SessionPlan } | { refused: "gone" | "busy" | ValidationError[] }> {
  const { db } = getServices();
  for (let tries = 0; tries < TRIES; tries++) {
    const stored = await opening(findSession(db, club, id));
    if (!stored) return { refused: "gone" };
    const changed = change(stored.doc, await drillsOf(club, stored.doc));
    if (changed === stored.doc) return { saved: stored.doc };
    const drills = await drillsOf(club, changed);
    const read = readSession(changed, drills);
    if (!read.ok) return { refused: read.faults };
    const timeline = compile(read.value, drills);
    const saved = await saveSession(
      db,
      club,
      id,
      stored.revision,
      read.value,
      timeline.totalSeconds,
      summaryOf(read.value, timeline),
    );
    if (saved.kind === "saved") return { saved: read.value };
  }
  return { refused: "busy" };
}

/** Checks a document that is meant to be right already; throws when it is not. */
export async function mustRead(club: Club, document: unknown): Promise<SessionPlan> {
  const read = readSession(document, await drillsOf(club, document));
  if (!read.ok) throw new Error(read.faults.map(faultLine).join("; "));
  return read.value;
}
