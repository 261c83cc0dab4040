import { data, redirect } from "react-router";
import { z } from "zod";
import { notThere, ownIdOf } from "./own-id";
import type { Coach } from "~/app/server/coach.server";
import { askedIn, jsonIn } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { sportProfileSchema } from "~/core/sport-profiles/schema";
import { parseWith } from "~/core/faults";
import { deleteProfile, saveProfile } from "~/db/sport-profiles";

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("delete") }),
  z.object({ do: z.literal("keep"), doc: z.string().default("") }),
]);

/** Keeps a coach's own profile as it was changed, or deletes it. */
export async function changeDemand(coach: Coach, id: string, form: FormData) {
  const { db } = getServices();
  const own = ownIdOf(id);
  if (!own) throw notThere();
  const ask = askedIn(form, asked, "keep");
  if (ask.do === "delete") {
    if (!(await deleteProfile(db, coach.club, own))) throw notThere();
    throw redirect("/library/profiles");
  }
  const read = parseWith(sportProfileSchema, jsonIn(ask.doc));
  if (!read.ok) return data({ faults: read.faults }, { status: 422 });
  if (!(await saveProfile(db, coach.club, own, { ...read.value, id: "own" }))) throw notThere();
  return data({ kept: true });
}
