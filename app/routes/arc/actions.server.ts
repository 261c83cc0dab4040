import { data } from "react-router";
import { z } from "zod";
import { notHere, type Coach } from "~/app/server/coach.server";
import { askedIn, jsonIn } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { arcChangesSchema, arcFaults } from "~/core/arc/own";
import { parseWith } from "~/core/faults";
import { PURPOSES, type Purpose } from "~/core/session/schema";
import { deleteArc, saveArc } from "~/db/arcs";

/** The purpose in an address. */
export function purposeIn(text: string): Purpose {
  const read = z.enum(PURPOSES).safeParse(text);
  if (!read.success) throw notHere("There is no such arc.");
  return read.data;
}

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("reset") }),
  z.object({ do: z.literal("keep"), doc: z.string().default("") }),
]);

/** Keeps what a club does otherwise in an arc, or has it as it ships again. */
export async function changeArc(coach: Coach, address: string, form: FormData) {
  const purpose = purposeIn(address);
  const { db } = getServices();
  const ask = askedIn(form, asked, "keep");
  if (ask.do === "reset") {
    await deleteArc(db, coach.club, purpose);
    return data({ kept: true });
  }
  const read = parseWith(arcChangesSchema, jsonIn(ask.doc));
  const faults = read.ok ? arcFaults(purpose, read.value) : read.faults;
  if (!read.ok || faults.length > 0) return data({ faults }, { status: 422 });
  if (Object.keys(read.value.phases).length === 0) await deleteArc(db, coach.club, purpose);
  else await saveArc(db, coach.club, purpose, read.value);
  return data({ kept: true });
}
