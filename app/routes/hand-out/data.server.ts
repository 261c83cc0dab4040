import { formIn } from "~/core/drills/form";
import { setImmediate } from "node:timers/promises";
import { ANYONE } from "./anyone";
import { lookOver } from "./look-over.server";
import { idOf, type Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { kitList } from "~/core/coverage/kit-list";
import { withoutNotes } from "~/core/edition/edition";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { sameJson } from "~/core/same-json";
import type { SessionPlan } from "~/core/session/schema";
import { changesBetween } from "~/core/wording/changes";
import { listEditions, newestEdition, type EditionRow } from "~/db/editions";
import { listGroupsWithPeople } from "~/db/groups";

export type HandOutPage = Awaited<ReturnType<typeof handOutPage>>;
export type ShownEdition = HandOutPage["editions"][number];

/** So many findings are read before the rest is counted. */
const MOST_STOPS = 12;

/** What there is to look over before a session is handed out, and what has been handed out of it, from the address. */
export async function handOutPage(coach: Coach, id: string, asked: URLSearchParams) {
  const { db, secret, baseUrl } = getServices();
  const [before, allOf] = [numberOf(asked.get("before")), numberOf(asked.get("links"))];
  const [{ editions, next }, newest, groups] = await Promise.all([
    listEditions(db, coach.club, id, secret, { before, allOf }),
    newestEdition(db, coach.club, id),
    listGroupsWithPeople(db, coach.club),
  ]);
  const {
    stored: { doc },
    setting,
    groupId,
    drills,
    timeline,
    stops,
    cautions,
    bare,
    seen,
  } = await lookOver(coach.club, id, {
    ...whomOf(asked.get("for")),
    also: [...editions.map((one) => one.session), next?.session, newest?.session],
  });
  const name = (drill: string) => drills(drill)?.name ?? drill;
  return {
    groupId,
    atDesk: setting.groupId,
    seen,
    doc: withoutNotes(doc),
    choices: setting.choices,
    id,
    title: doc.title,
    purpose: doc.purpose,
    totalSeconds: timeline.totalSeconds,
    target: doc.target,
    work: timeline.workSeconds,
    profile: miniProfile(profileOf(doc, timeline), 520, 84),
    kit: kitList(doc, drills),
    cautions,
    items: doc.blocks.flatMap((block) =>
      block.items.map((item) => ({
        drill: item.drill,
        level: item.level,
        name: formIn(item, drills)?.name ?? item.drill,
      })),
    ),
    bare,
    groups: groups.map((group) => ({ id: group.id, name: group.name, people: group.athletes.length })),
    newest: newest && {
      number: newest.number,
      current:
        newest.session !== undefined &&
        sameJson(withoutNotes(newest.session), withoutNotes(doc)) &&
        sameJson(newest.choices, setting.choices),
    },
    changed: newest?.session
      ? [
          ...changesBetween(withoutNotes(newest.session), withoutNotes(doc), name),
          ...(sameJson(newest.choices, setting.choices) ? [] : ["What was chosen for single people"]),
        ]
      : [],
    before,
    older: next?.number,
    accepted: setting.accepted.map(({ says, reason }) => ({ says, reason })),
    stops: stops.slice(0, MOST_STOPS),
    moreStops: Math.max(0, stops.length - MOST_STOPS),
    editions: await changesOf(editions, next?.session, name, baseUrl),
  };
}

/** For whom it is looked over, as the address says; nothing where it says nothing. */
const whomOf = (text: string | null): { whom?: string | null } =>
  text === null || text === "" ? {} : { whom: text === ANYONE ? null : idOf(text) };

/** The number in a part of the address; undefined when there is none. */
const numberOf = (text: string | null): number | undefined =>
  text && /^\d{1,9}$/.test(text) ? Number(text) : undefined;

/** Editions as they are shown, with what is different from the one before. Others are served between two of them: each can be long. */
async function changesOf(
  editions: readonly EditionRow[],
  under: SessionPlan | undefined,
  name: (drill: string) => string,
  baseUrl: string,
) {
  const shown = [];
  for (const [i, { session, links, ...edition }] of editions.entries()) {
    const earlier = editions[i + 1]?.session ?? under;
    if (i > 0) await setImmediate();
    shown.push({
      ...edition,
      changes: earlier && session ? changesBetween(withoutNotes(earlier), withoutNotes(session), name) : [],
      links: links.map(({ token, ...link }) => ({ ...link, address: token && `${baseUrl}/f/${token}` })),
    });
  }
  return shown;
}
