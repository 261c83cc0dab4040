import { redirect } from "react-router";
import { notHere } from "./coach.server";
import { UnreadableDocument } from "~/db/documents";
import { missingDrill } from "~/core/session/missing";
import type { SessionPlan } from "~/core/session/schema";

/** A session all of whose drills are there; one that names a drill that is gone, or cannot be read, is said in words. */
export function needDrills(session: SessionPlan, drills: (id: string) => unknown): void {
  const missing = missingDrill(session, drills);
  if (missing !== undefined)
    throw new Response(
      `“${session.title}” names a drill that is not here any more, or can’t be read (${missing}). You can still export the session, or archive it, in the list of sessions.`,
      { status: 422 },
    );
}

/**
 * What was asked for from the database; where a document of it cannot be read, its own page that says so is gone to instead.
 * An edition has none: whoever opens its link hears that it does not open.
 */
export async function opening<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (error) {
    if (!(error instanceof UnreadableDocument)) throw error;
    if (error.kind === "edition")
      throw notHere("What this link opens can’t be read any more. Ask your coach for another one.");

    throw redirect(`/unreadable/${error.kind}/${error.id}`);
  }
}
