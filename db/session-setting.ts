import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import type { Club } from "./clubs";
import type { Db } from "./client";
import { group, trainingSession } from "./schema";
import { LATER_COUNTS, type Setting } from "~/core/documents/setting";
import { changedByNobody, mergeFields, revisionOf, type Changes, type Marks } from "~/core/saving/fields";

const own = (club: Club, id: string) => and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, id));

const shown = {
  groupId: trainingSession.groupId,
  demandId: trainingSession.demandId,
  accepted: trainingSession.accepted,
  locks: trainingSession.locks,
  choices: trainingSession.choices,
};

export async function findSetting(db: Db, club: Club, id: string): Promise<Setting | undefined> {
  const [row] = await db.select(shown).from(trainingSession).where(own(club, id));
  return row;
}

/** A setting, and how each part of it came to be. */
export type MarkedSetting = { setting: Setting; marks: Marks<Setting> };

export async function findMarkedSetting(db: Db, club: Club, id: string): Promise<MarkedSetting | undefined> {
  const [row] = await db
    .select({ ...shown, marks: trainingSession.settingMarks })
    .from(trainingSession)
    .where(own(club, id));
  if (!row) return undefined;
  const { marks, ...setting } = row;
  return { setting, marks };
}

/** What came of changes: those named in `newer` were changed elsewhere meanwhile and are as they were. */
export type SettingSaved = MarkedSetting & { newer: (keyof Setting)[] };

/** Keeps changes of parts, each over the revision it was made from. Returns undefined when the session, or the group, is not the coach's. */
export async function changeSetting(
  db: Db,
  club: Club,
  id: string,
  changes: Changes<Setting>,
): Promise<SettingSaved | undefined> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .select({ ...shown, marks: trainingSession.settingMarks })
      .from(trainingSession)
      .where(own(club, id))
      .for("update");
    if (!row) return undefined;
    const { marks: before, ...there } = row;
    const { write, marks, newer } = mergeFields<Setting>(there, before, changes, LATER_COUNTS);
    if (write.groupId) {
      const [ownGroup] = await tx
        .select({ id: group.id })
        .from(group)
        .where(and(eq(group.id, write.groupId), eq(group.clubId, club.id)));
      if (!ownGroup) return undefined;
    }
    if (Object.keys(write).length > 0)
      await tx
        .update(trainingSession)
        .set({ ...write, settingMarks: marks })
        .where(own(club, id));
    return { setting: { ...there, ...write }, marks, newer };
  });
}

/** So often a plain change is tried again where another has come between. */
const TRIES = 5;

/** Keeps what is given of it whatever is there, the rest stays. Returns false when the session, or the group, is not the coach's. */
export async function saveSetting(
  db: Db,
  club: Club,
  id: string,
  parts: { [K in keyof Setting]?: Setting[K] | undefined },
): Promise<boolean> {
  const given = (Object.keys(parts) as (keyof Setting)[]).filter((field) => parts[field] !== undefined);
  for (let tries = 0; tries < TRIES; tries++) {
    const found = await findMarkedSetting(db, club, id);
    if (!found) return false;
    const marks = changedByNobody(found.marks, given);
    const by = randomUUID();
    const changes = given.map((field) => [
      field,
      { ...marks[field], by, value: parts[field], basedOn: revisionOf(found.marks, field) },
    ]);
    const saved = await changeSetting(db, club, id, Object.fromEntries(changes) as Changes<Setting>);
    if (!saved) return false;
    if (saved.newer.length === 0) return true;
  }
  return false;
}
