import { z } from "zod";
import type { Route } from "./+types/setting";
import { idOf, requireCoachForData } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { SETTING_FIELDS, settingSchema, type SettingField } from "~/core/documents/setting";
import { partsOfToday } from "~/core/outbox/parts";
import { parseWith, type ValidationError } from "~/core/faults";
import { changeSetting, findMarkedSetting, saveSetting, type MarkedSetting } from "~/db/session-setting";

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const anything = (part: object) => Object.keys(part).length > 0;
const NOTHING = "There is nothing here to save.";

const mark = { basedOn: z.int().min(0), by: z.string().min(1).max(80), seq: z.int().min(0) };

/** Those parts that change, each over the revision it was made from. */
const changesSchema = z.strictObject({
  fields: z
    .strictObject(
      Object.fromEntries(
        SETTING_FIELDS.map((field) => [field, z.strictObject({ value: settingSchema.shape[field], ...mark })]),
      ),
    )
    .partial()
    .refine(anything, NOTHING),
});

/** As pages of before send them, which know of no revisions. */
const plainSchema = settingSchema.partial().refine(anything, NOTHING);

export type SettingAnswer =
  | { kind: "kept" }
  | { kind: "newer"; fields: SettingField[] }
  | { kind: "gone" }
  | { kind: "signed-out" }
  | { kind: "refused"; faults: ValidationError[] };

/** What stands beside a session now, for a tab that hears another has changed it. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoachForData(request);
  const found = await findMarkedSetting(getServices().db, coach.club, idOf(params.id));
  return found
    ? Response.json(found satisfies MarkedSetting)
    : Response.json({ kind: "gone" } satisfies SettingAnswer, { status: 404 });
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoachForData(request);
  const body: unknown = await request.json().catch(() => undefined);
  const read =
    isRecord(body) && "fields" in body
      ? parseWith(changesSchema, { ...body, fields: isRecord(body.fields) ? partsOfToday(body.fields) : body.fields })
      : parseWith(plainSchema, isRecord(body) ? partsOfToday(body) : body);
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults } satisfies SettingAnswer, { status: 422 });
  const { db } = getServices();
  const id = idOf(params.id);
  if (!("fields" in read.value)) {
    const kept = await saveSetting(db, coach.club, id, read.value);
    return Response.json({ kind: kept ? "kept" : "gone" } satisfies SettingAnswer, { status: kept ? 200 : 404 });
  }
  const saved = await changeSetting(db, coach.club, id, read.value.fields);
  if (!saved) return Response.json({ kind: "gone" } satisfies SettingAnswer, { status: 404 });
  return saved.newer.length > 0
    ? Response.json({ kind: "newer", fields: saved.newer } satisfies SettingAnswer, { status: 409 })
    : Response.json({ kind: "kept" } satisfies SettingAnswer);
}
