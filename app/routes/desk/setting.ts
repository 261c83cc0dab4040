import { z } from "zod";
import type { Route } from "./+types/setting";
import { idOf, requireCoachForData } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { acceptedSchema } from "~/core/audit/accepted";
import { parseWith, type Fault } from "~/core/faults";
import { choicesSchema } from "~/core/group/choices";
import { locksSchema } from "~/core/session/locks";
import { saveSetting } from "~/db/sessions";

/** Who a session is for, what is asked of it, the findings that are let stand, the drills that fitting leaves as they are, and what is chosen for single people: those of them that change. */
const settingSchema = z
  .strictObject({
    teamId: z.uuid().nullable(),
    demandId: z.string().min(1).max(80).nullable(),
    accepted: z.array(acceptedSchema).max(200),
    locks: locksSchema,
    choices: choicesSchema,
  })
  .partial()
  .refine((part) => Object.keys(part).length > 0, "Nothing here is to be kept.");

export type SettingAnswer =
  { kind: "kept" } | { kind: "gone" } | { kind: "signed-out" } | { kind: "refused"; faults: Fault[] };

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoachForData(request);
  const read = parseWith(settingSchema, await request.json().catch(() => undefined));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults } satisfies SettingAnswer, { status: 422 });
  const kept = await saveSetting(getServices().db, coach.club, idOf(params.id), read.value);
  return Response.json({ kind: kept ? "kept" : "gone" } satisfies SettingAnswer, { status: kept ? 200 : 404 });
}
