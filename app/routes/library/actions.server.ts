import { data, redirect } from "react-router";
import { z } from "zod";
import type { Coach } from "~/app/server/coach.server";
import { askedIn } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { LARGEST_IMPORT } from "~/app/server/session-docs.server";
import { ownDrillId } from "~/core/drills/own";
import { readDrillText } from "~/core/drills/read";
import { newDrill } from "~/core/drills/start";
import { type PlacedFault, placedFaults } from "~/core/files/places";
import { POSTURES } from "~/core/vocabulary/postures";
import type { Club } from "~/db/clubs";
import { addOwnDrill } from "~/db/own-drills";
import { findAlike } from "~/db/session-files";
import { motionFrom } from "~/library/animations/postures";

const asked = z.object({ do: z.enum(["new", "import"]) });
const newForm = z.object({
  name: z.string().trim().min(3, "needs at least 3 characters").max(80, "has at most 80 characters"),
  posture: z.enum(POSTURES),
});

/** What is wrong with what was sent, for the page to say. */
export type Refused = { file: string; faults: PlacedFault[] };

const refused = (file: string, faults: PlacedFault[]) => data<Refused>({ file, faults }, { status: 422 });
/** The file as a whole can't be taken. */
const noFile = (file: string, message: string) => refused(file, [{ path: "(file)", place: "the file", message }]);

/** Starts a drill of the coach's own, or takes one from a file. */
export async function addToLibrary({ club }: Coach, form: FormData) {
  return askedIn(form, asked, "import").do === "new" ? startDrill(club, form) : importDrill(club, form.get("file"));
}

async function startDrill(club: Club, form: FormData) {
  const read = newForm.safeParse(Object.fromEntries(form));
  if (!read.success)
    return refused(
      "The new drill",
      placedFaults(
        read.error.issues.map((i) => ({ path: i.path.join("."), message: i.message })),
        undefined,
      ),
    );
  const { name, posture } = read.data;
  await needRoom(club, "drills");
  return redirect(
    `/library/${ownDrillId(await addOwnDrill(getServices().db, club, newDrill(name, posture, motionFrom(posture))), 1)}/edit`,
  );
}

async function importDrill(club: Club, file: FormDataEntryValue | null) {
  if (!(file instanceof File)) return noFile("", "no file was chosen");
  if (file.size > LARGEST_IMPORT) return noFile(file.name, "is larger than 2 MB; a drill file is far smaller");
  const read = readDrillText(await file.text());
  if (!read.ok)
    return refused(
      file.name,
      placedFaults(
        read.faults.map((fault) => ({ ...fault, path: fault.path.replace(/^drill\./, "") })),
        undefined,
      ),
    );
  const { db } = getServices();
  // A drill that says the same as one there is, is that one.
  const there = await findAlike(db, club, read.value);
  if (there) return redirect(`/library/${there}`);
  await needRoom(club, "drills");
  return redirect(`/library/${ownDrillId(await addOwnDrill(db, club, read.value), 1)}`);
}
