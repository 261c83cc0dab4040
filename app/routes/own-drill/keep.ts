import type { Club } from "~/db/clubs";
import { z } from "zod";
import type { Route } from "./+types/keep";
import { requireCoachForData } from "~/app/server/coach.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { readOwnId } from "~/core/drills/own";
import { LONGEST_DRILL_TEXT, readDrill } from "~/core/drills/read";
import type { Drill } from "~/core/drills/schema";
import { asDocument } from "~/core/drills/stresses";
import { parseWith, type ValidationError } from "~/core/faults";
import { keepRevision } from "~/db/own-drills";

const message = z.strictObject({
  basedOn: z
    .int()
    .min(1)
    .max(2 ** 31 - 1),
  doc: z.unknown(),
});

/** What the editor is told after it tried to keep a revision. */
export type KeepAnswer =
  | { kind: "kept"; revision: number }
  /** The newest, by the id of what was sent. */
  | { kind: "newer"; stored: { doc: Drill; revision: number; updatedAt: string } }
  | { kind: "gone" }
  | { kind: "refused"; faults: ValidationError[] };

/** Keeps the drill as its next revision. Nothing is kept of one with faults. */
export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoachForData(request);
  const own = readOwnId(params.drill);
  const text = await request.text();
  const answer = own ? await keepFrom(coach.club, own.drill, text) : ({ kind: "gone" } as const);
  return Response.json(answer, { status: { kept: 200, newer: 409, gone: 404, refused: 422 }[answer.kind] });
}

async function keepFrom(club: Club, id: string, text: string): Promise<KeepAnswer> {
  if (text.length > LONGEST_DRILL_TEXT)
    return { kind: "refused", faults: [{ path: "(document)", message: "is longer than 1 million characters" }] };
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return { kind: "refused", faults: [{ path: "(document)", message: "is not JSON" }] };
  }
  const given = parseWith(message, body);
  if (!given.ok) return { kind: "refused", faults: given.faults };
  const read = readDrill(given.value.doc);
  if (!read.ok) return { kind: "refused", faults: read.faults };
  await needRoom(club, "revisions");
  const kept = await keepRevision(getServices().db, club, id, given.value.basedOn, read.value);
  if (kept.kind !== "newer") return kept;
  const { doc, revision, updatedAt } = kept.stored;
  return {
    kind: "newer",
    stored: { doc: { ...asDocument(doc), id: read.value.id }, revision, updatedAt: updatedAt.toISOString() },
  };
}
