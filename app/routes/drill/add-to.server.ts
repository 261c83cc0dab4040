import { notHere } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import type { Drill } from "~/core/drills/schema";
import { insertItem, MOST_ITEMS } from "~/core/session/edits";
import { readSession } from "~/core/session/read";
import { itemOf } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { findSession, saveSession } from "~/db/sessions";

export type AddedTo = { added: { id: string; title: string } } | { refused: string };

/** Puts a drill at the end of a session. Somebody may be saving the same session from the desk: the newest is taken until it goes through. */
export async function addTo(coachId: string, drill: Drill, id: string): Promise<AddedTo> {
  const { db } = getServices();
  for (let tries = 0; tries < 5; tries++) {
    const stored = await findSession(db, coachId, id);
    if (!stored) throw notHere();
    const { blocks } = stored.doc;
    const at = { block: blocks.length - 1, item: blocks.at(-1)?.items.length ?? 0 };
    const doc = insertItem(stored.doc, at, itemOf(drill));
    if (doc === stored.doc) return { refused: `The last block of “${stored.doc.title}” has ${MOST_ITEMS} drills, which is the most.` };
    const read = readSession(doc, await drillsOf(coachId, doc));
    if (!read.ok) return { refused: `“${stored.doc.title}” has no room for it: ${read.faults[0]?.message ?? ""}.` };
    const saved = await saveSession(db, coachId, id, stored.revision, read.value, compile(read.value, await drillsOf(coachId, doc)).totalSeconds);
    if (saved.kind === "saved") return { added: { id, title: stored.doc.title } };
  }
  return { refused: "The session is being changed elsewhere right now. Try again." };
}
