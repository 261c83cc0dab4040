import type { Club } from "~/db/clubs";
import { z } from "zod";
import { idOf, notHere } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import {
  lastOf,
  requestForJoint,
  requestForRow,
  requestLike,
  usualRequest,
  type Last,
  type LastWith,
} from "~/core/draft/begin";
import type { KeptRequest } from "~/core/draft/request";
import { AREAS } from "~/core/vocabulary/areas";
import { JOINT_WORDS, MOTIONS, type Joint } from "~/core/vocabulary/motions";
import type { Group } from "~/core/group/schema";
import { PURPOSES } from "~/core/session/schema";
import { findRequest } from "~/db/draft-requests";
import { findSession } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import { SEQUENCINGS } from "~/library/sequencings";
import { opening } from "~/app/server/opening.server";

export type Beginning = {
  begun: string;
  request: KeptRequest;
  groupId: string | null;
  keptId: string | null;
  from: string | undefined;
};

/** Where a request begins: one that was kept, a session there is, a motion that is short, a joint someone felt, or what was last done with a group. Anything else in the address is left aside. */
export async function beginning(
  club: Club,
  params: URLSearchParams,
  groups: readonly { id: string; group: Group }[],
  lasts: readonly LastWith[],
  known: (demand: string | undefined) => boolean,
): Promise<Beginning> {
  const { db } = getServices();
  const begun = params.toString();
  const group = (id: string | null | undefined) => groups.find((g) => g.id === id)?.id ?? null;
  const kept = params.get("kept");
  if (kept) {
    const stored = await opening(findRequest(db, club, idOf(kept)));
    if (!stored) throw notHere("There is no such request among yours.");
    return { begun, request: stored.doc, groupId: group(stored.groupId), keptId: stored.id, from: undefined };
  }
  const sessionId = params.get("session");
  const stored = sessionId ? await opening(findSession(db, club, idOf(sessionId))) : undefined;
  if (sessionId && !stored) throw notHere();
  const setting = stored ? await findSetting(db, club, stored.id) : undefined;
  const askedBy = setting?.demandId && known(setting.demandId) ? setting.demandId : undefined;
  const groupId = group(setting?.groupId ?? params.get("group"));
  const last: Last | undefined = stored
    ? { purpose: stored.doc.purpose, target: stored.doc.target ?? 600, demand: askedBy }
    : lastOf(lasts, groupId);
  const row = z.enum(MOTIONS).safeParse(params.get("row"));
  const joint = z.enum(Object.keys(JOINT_WORDS) as [Joint, ...Joint[]]).safeParse(params.get("joint"));
  const whose = groups.find((g) => g.id === groupId)?.group;
  if (row.success)
    return { begun, request: requestForRow(row.data, last), groupId, keptId: null, from: stored?.doc.title };
  if (joint.success)
    return { begun, request: requestForJoint(joint.data, last), groupId, keptId: null, from: undefined };
  const demand = params.get("profile");
  const purpose = z.enum(PURPOSES).safeParse(params.get("purpose"));
  if (!stored)
    return {
      begun,
      request: {
        ...usualRequest(demand && known(demand) ? { purpose: "before-training", target: 600, ...last, demand } : last),
        // From the group’s page: for this, and not what they did last.
        ...(purpose.success && { purpose: purpose.data, differ: (whose?.lately?.length ?? 0) > 0 ? 1 : 0 }),
      },
      groupId,
      keptId: null,
      from: undefined,
    };
  const minutes = Number(params.get("minutes") ?? NaN);
  const without = z.enum(AREAS).safeParse(params.get("without"));
  const request = requestLike(stored.doc, await drillsOf(club, stored.doc), SEQUENCINGS, {
    demand: askedBy,
    setting: whose?.setting,
    ...(Number.isFinite(minutes) && { target: minutes * 60 }),
    ...(without.success && { without: without.data }),
  });
  return { begun, request, groupId, keptId: null, from: stored.doc.title };
}
