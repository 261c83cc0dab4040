import { z } from "zod";
import { summarise } from "./summary.server";
import { findOf, pageOf } from "~/app/server/asked";
import type { Coach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { PURPOSES } from "~/core/session/schema";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { listSessions, type SessionRow, SESSIONS_A_PAGE } from "~/db/sessions";
import { listGroupNames } from "~/db/groups";

export type SessionsPage = Awaited<ReturnType<typeof sessionsPage>>;

/** The sessions the address asks for, and what a new one may begin with. */
export async function sessionsPage(coach: Coach, asked: URLSearchParams) {
  const archived = asked.has("archived");
  const find = findOf(asked);
  const page = pageOf(asked);
  const { db } = getServices();
  // Beside a new session’s dialog the group is whose it will be.
  const group = asked.has("new") ? undefined : z.uuid().safeParse(asked.get("group")).data;
  const purpose = z.enum(PURPOSES).safeParse(asked.get("purpose")).data;
  const purposes =
    find === "" ? [] : PURPOSES.filter((purpose) => PURPOSE_WORDS[purpose].toLowerCase().includes(find.toLowerCase()));
  const [{ rows, all }, beginnings, groups] = await Promise.all([
    listSessions(db, coach.club, {
      archived,
      find,
      purposes,
      page,
      ...(group && { groupId: group }),
      ...(purpose && { purpose }),
    }),
    listSessions(db, coach.club, { template: true }),
    listGroupNames(db, coach.club),
  ]);
  const shown = (some: SessionRow[]) => summarise(db, coach.club, some, (docs) => drillsOf(coach.club, docs));
  return {
    archived,
    find,
    group,
    purpose,
    page,
    all,
    size: SESSIONS_A_PAGE,
    groups,
    sessions: await shown(rows),
    beginnings: await shown(beginnings.rows),
  };
}
