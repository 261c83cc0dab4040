import { redirect } from "react-router";
import { notHere } from "./coach.server";
import { UnreadableDocument } from "~/db/documents";

/**
 * What was asked for from the database; where a document of it cannot be read, its own page that says so is gone to instead.
 * An edition has none: whoever opens its link hears that it does not open.
 */
export async function opening<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (error) {
    if (!(error instanceof UnreadableDocument)) throw error;
    if (error.kind === "edition") throw notHere("What this link opens can’t be read any more. Ask your coach for another one.");
     
    throw redirect(`/unreadable/${error.kind}/${error.id}`);
  }
}
