import type { Club } from "~/db/clubs";
import { notHere } from "~/app/server/coach.server";
import { changeStored } from "~/app/server/session-docs.server";
import type { Drill } from "~/core/drills/schema";
import { withDrillAtEnd } from "~/core/session/append";
import { MOST_ITEMS } from "~/core/session/edits";

export type AddedTo = { added: { id: string; title: string } } | { refused: string };

/** Puts a drill at the end of a session. */
export async function addTo(club: Club, drill: Drill, id: string): Promise<AddedTo> {
  let full = false;
  const changed = await changeStored(club, id, (session, drills) => {
    const after = withDrillAtEnd(session, drill, drills);
    full = after === undefined;
    return after ?? session;
  });
  if (full) return { refused: `Its last block has ${MOST_ITEMS} drills, which is the most.` };
  if ("saved" in changed) return { added: { id, title: changed.saved.title } };
  if (changed.refused === "gone") throw notHere();
  return {
    refused:
      changed.refused === "busy"
        ? "The session is being changed elsewhere right now. Try again."
        : `There is no room for it: ${changed.refused[0]?.message ?? ""}.`,
  };
}
