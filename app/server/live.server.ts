import { data } from "react-router";
import { livePassCookie, livePassOf, wallCookie, wallOf, type PassKind } from "./live/pass-cookie";
import { opening } from "./opening.server";
import { ownOffered } from "./offered.server";
import { signalOfRequest } from "./per-request";
import { getServices } from "./services.server";
import { still, work } from "./work/work.server";
import { notHere } from "./coach.server";
import { withoutNotes, type Edition } from "~/core/edition/edition";
import { forWall, type WallPage } from "~/core/live/wall";
import { compile } from "~/core/timeline/compile";
import { editionDrills } from "~/core/edition/edition";
import { drawnDrill } from "./drills.server";
import { drillsToday } from "./edition-today.server";
import { forDevice } from "./mine.server";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { ClubPromises } from "~/db/club-cache";
import type { Club } from "~/db/clubs";
import { listGroups } from "~/db/groups";
import { findEdition } from "~/db/editions";
import { editionOf } from "~/db/links";
import { findClass, givePass, passOf, shownWallCode, type LiveClass } from "~/db/live";

export type ClassPage = {
  id: string;
  edition: Edition;
  groupId: string | null;
  /** The way its commands are folded. */
  fold: number;
  code: string;
  promised: number;
  ended: boolean;
};

const noClass = () => notHere("There is no such class, or it ended a while ago.");

/** A class of a club, for whoever leads it. */
export async function classPage(club: Club, id: string): Promise<ClassPage> {
  const { db, secret } = getServices();
  const found = await findClass(db, club, id);
  if (!found) throw noClass();
  const edition = await opening(editionOf(db, { club, edition: { id: found.editionId } }));
  return {
    id,
    edition: { ...edition, session: withoutNotes(edition.session) },
    groupId: found.groupId,
    fold: found.fold,
    code: (await shownWallCode(db, club, found, secret)) ?? "",
    promised: compile(edition.session, editionDrills(edition)).totalSeconds,
    ended: found.endedAt !== null,
  };
}

/** An edition of a club, to lead by oneself alone. */
export async function editionForRehearsal(
  club: Club,
  id: string,
): Promise<{ edition: Edition; sessionId: string; promised: number }> {
  const { db } = getServices();
  const found = await findEdition(db, club, id);
  if (!found) throw notHere("There is no such edition.");
  const edition = await opening(editionOf(db, { club, edition: { id } }));
  return {
    edition: { ...edition, session: withoutNotes(edition.session) },
    sessionId: found.sessionId,
    promised: compile(edition.session, editionDrills(edition)).totalSeconds,
  };
}

/** The cookie that lets this device watch a class; undefined where it has one that does. */
export async function passFor(
  request: Request,
  club: Club,
  classId: string,
  pass: Parameters<typeof givePass>[3],
): Promise<string | undefined> {
  const { db, baseUrl } = getServices();
  const has = await livePassOf(request.headers.get("cookie") ?? undefined, pass.kind satisfies PassKind);
  const known = has ? await passOf(db, has) : undefined;
  if (known?.classId === classId && known.kind === pass.kind) return undefined;
  return livePassCookie(pass.kind, classId, await givePass(db, club, classId, pass), baseUrl);
}

/** Data with a cookie, where there is one to set. */
export const withCookie = <T>(value: T, cookie: string | undefined) =>
  data(value, cookie ? { headers: { "set-cookie": cookie } } : {});

/** What was put together for a wall: alternatives take a second for a long session. */
const walls = new ClubPromises<WallPage>(40);

/** The page of a wall by its cookie; undefined where it is not open to a class. */
export async function wallPage(
  request: Request,
): Promise<{ classId: string; page: WallPage; fold: number; ended: boolean } | undefined> {
  const { db } = getServices();
  const token = await wallOf(request.headers.get("cookie"));
  const pass = token ? await passOf(db, token) : undefined;
  if (pass?.kind !== "wall") return undefined;
  const found = await findClass(db, pass.club, pass.classId);
  if (!found) return undefined;
  const page = await wallOfEdition(pass.club, found);
  return { classId: found.id, page, fold: found.fold, ended: found.endedAt !== null };
}

function wallOfEdition(club: Club, { id, editionId, groupId }: LiveClass): Promise<WallPage> {
  const make = async (signal: AbortSignal) => {
    const { db } = getServices();
    const place = groupId ? (await listGroups(db, club)).find((one) => one.id === groupId) : undefined;
    const edition = await editionOf(db, { club, edition: { id: editionId } });
    const known = await drillsToday({ club, edition: { id: editionId, doc: edition } });
    const alternatives = await work(
      club,
      "wall",
      {
        session: edition.session,
        drills: [...known.values()].map(still),
        own: await ownOffered(club),
        setting: place?.group.setting,
      },
      signal,
    );
    const levels = new Map<string, Set<LevelName>>();
    for (const { id: other, level } of Object.values(alternatives).flat())
      levels.set(other, (levels.get(other) ?? new Set()).add(level));
    const others: Drill[] = [];
    for (const [other, wanted] of levels) {
      const drill = known.get(other) ?? (await drawnDrill(club, other));
      if (drill) others.push(forDevice(drill, wanted));
    }
    return forWall(edition, alternatives, others, compile(edition.session, editionDrills(edition)).totalSeconds);
  };
  return walls.of(club, id, make, signalOfRequest());
}

/** The cookies that open a wall to a class: for its page, and for its stream. */
export async function openWall(club: Club, classId: string, code: number): Promise<Headers> {
  const { db, baseUrl } = getServices();
  const token = await givePass(db, club, classId, { kind: "wall", wallCode: code });
  const headers = new Headers();
  headers.append("set-cookie", await wallCookie(token, baseUrl));
  headers.append("set-cookie", await livePassCookie("wall", classId, token, baseUrl));
  return headers;
}

/** The cookie that shuts a wall. */
export const shutWall = async (): Promise<Headers> =>
  new Headers({ "set-cookie": await wallCookie(undefined, getServices().baseUrl) });
