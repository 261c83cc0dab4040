import { and, eq } from "drizzle-orm";
import type { Club } from "./clubs";
import type { Db } from "./client";
import { group, trainingSession } from "./schema";
import { LATER_COUNTS, type Setting } from "~/core/documents/setting";
import { mergeFields, revisionOf, type Changes, type Marks } from "~/core/saving/fields";

/** By whom changes are marked that no page sent. */
const NO_PAGE = "";

const own = (club: Club, id: string) => and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, id));

const shown = {
  teamId: trainingSession.groupId,
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

/** Keeps changes of parts, each over the revision it was made from. Returns undefined when the session, or the team, is not the coach's. */
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
    if (write.teamId) {
      const [ownTeam] = await tx
        .select({ id: group.id })
        .from(group)
        .where(and(eq(group.id, write.teamId), eq(group.clubId, club.id)));
      if (!ownTeam) return undefined;
    }
    if (Object.keys(write).length > 0) {
      const { teamId, ...rest } = write;
      await tx
        .update(trainingSession)
        .set({ ...rest, ...(teamId !== undefined && { groupId: teamId }), settingMarks: marks })
        .where(own(club, id));
    }
    return { setting: { ...there, ...write }, marks, newer };
  });
}

/** Keeps what is given of it whatever is there, the rest stays. Returns false when the session, or the team, is not the coach's. */
export async function saveSetting(
  db: Db,
  club: Club,
  id: string,
  parts: { [K in keyof Setting]?: Setting[K] | undefined },
): Promise<boolean> {
  const found = await findMarkedSetting(db, club, id);
  if (!found) return false;
  const change = <K extends keyof Setting>(field: K): Changes<Setting> => {
    const value = parts[field];
    const seq = (found.marks[field]?.seq ?? 0) + 1;
    return value === undefined ? {} : { [field]: { value, basedOn: revisionOf(found.marks, field), by: NO_PAGE, seq } };
  };
  const changes = (Object.keys(parts) as (keyof Setting)[]).map(change);
  return (await changeSetting(db, club, id, Object.assign({}, ...changes) as Changes<Setting>)) !== undefined;
}
