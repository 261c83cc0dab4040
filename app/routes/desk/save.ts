import type { Club } from "~/db/clubs";
import { z } from "zod";
import type { Route } from "./+types/save";
import { idOf, requireCoachForData } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { keepSession } from "~/app/server/session-docs.server";
import { getServices } from "~/app/server/services.server";
import { parseWith, type ValidationError } from "~/core/faults";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { findSession, saveSession, type StoredSession } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import { summaryOf } from "~/core/profile/summary";
import { UnreadableDocument } from "~/db/documents";

const message = z.strictObject({
  basedOn: z
    .int()
    .min(1)
    .max(2 ** 31 - 1),
  doc: z.unknown(),
  asCopy: z.boolean().optional(),
});

/** A stored session as the desk gets it. */
export type DeskCopy = { doc: SessionPlan; revision: number; updatedAt: string };

/** What the desk is told after it tried to save. */
export type SaveAnswer =
  | { kind: "saved"; revision: number; updatedAt: string }
  | { kind: "copied"; id: string }
  | { kind: "newer"; stored: DeskCopy }
  | { kind: "gone" }
  | { kind: "signed-out" }
  | { kind: "refused"; faults: ValidationError[] };

/** The newest copy, for a tab that hears another has saved. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoachForData(request);
  const stored = await orUnreadable(findSession(getServices().db, coach.club, idOf(params.id)));
  if (stored === "unreadable") return Response.json({ kind: "refused", faults: [UNREADABLE] }, { status: 409 });
  return stored ? Response.json(deskCopy(stored)) : Response.json({ kind: "gone" }, { status: 404 });
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoachForData(request);
  const answer = await save(coach.club, idOf(params.id), await request.json().catch(() => undefined));
  const status = { saved: 200, copied: 200, newer: 409, gone: 404, "signed-out": 401, refused: 422 }[answer.kind];
  return Response.json(answer, { status });
}

/** What is kept was written by a newer program meanwhile, or from outside: nothing is saved over it unseen. */
const UNREADABLE: ValidationError = {
  path: "",
  message: "This Mapset can’t read the saved session, so nothing is saved over it. Load the page again to see why.",
};
const orUnreadable = <T>(found: Promise<T>): Promise<T | "unreadable"> =>
  found.catch((error: unknown) => {
    if (error instanceof UnreadableDocument) return "unreadable" as const;
    throw error;
  });

async function save(club: Club, id: string, body: unknown): Promise<SaveAnswer> {
  const given = parseWith(message, body);
  if (!given.ok) return { kind: "refused", faults: given.faults };
  const drills = await drillsOf(club, given.value.doc);
  const read = readSession(given.value.doc, drills);
  if (!read.ok) return { kind: "refused", faults: read.faults };
  if (given.value.asCopy)
    return { kind: "copied", id: await keepSession(club, read.value, await findSetting(getServices().db, club, id)) };
  const timeline = compile(read.value, drills);
  const saved = await orUnreadable(
    saveSession(
      getServices().db,
      club,
      id,
      given.value.basedOn,
      read.value,
      timeline.totalSeconds,
      summaryOf(read.value, timeline),
    ),
  );
  if (saved === "unreadable") return { kind: "refused", faults: [UNREADABLE] };
  if (saved.kind === "saved") return { ...saved, updatedAt: saved.updatedAt.toISOString() };
  return saved.kind === "newer" ? { kind: "newer", stored: deskCopy(saved.stored) } : saved;
}

export function deskCopy({ doc, revision, updatedAt }: StoredSession): DeskCopy {
  return { doc, revision, updatedAt: updatedAt.toISOString() };
}
