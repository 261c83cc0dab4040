import { createHash } from "node:crypto";
import type { AppLoadContext } from "react-router";
import type { PlayerProps } from "./player-props";
import { opening } from "~/app/server/opening.server";
import { findForPlayer } from "~/app/server/player.server";
import { lookOf, readyPage, readyText, type ReadyPage } from "~/app/server/ready-pages";
import { getServices } from "~/app/server/services.server";
import { TO_KEEP } from "~/app/sync/kept-pages";
import { kitList } from "~/core/coverage/kit-list";
import { mainJoints } from "~/core/coverage/joints";
import { cautionsOf, editionDrills, withoutNotes } from "~/core/edition/edition";
import { lookOfGroup } from "~/core/figure/looks";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";
import { editionOf, type LinkFound } from "~/db/links";

/** The page of a link, and the key it is kept ready by: an edition never changes, who is on the list may. */
export async function playerPage(
  token: string,
  address: string,
  countOpening: boolean,
): Promise<{ key: string; page: ReadyPage<PlayerProps> }> {
  const found = await findForPlayer(token, address, countOpening);
  const { id, edition, coachLabel, groupId, athletes } = found;
  const key = createHash("sha256")
    .update(JSON.stringify([token, id, edition.id, coachLabel, groupId, athletes]))
    .digest("hex");
  return { key, page: await readyPage(key, () => propsOf(token, found)) };
}

/** What the page of a link shows. Where its text is kept ready that is handed on, and no data besides. */
export async function playerData(request: Request, token: string, context: AppLoadContext): Promise<PlayerProps> {
  const counts = context.isPage && !request.headers.has(TO_KEEP);
  const { key, page } = await playerPage(token, context.address, counts);
  const look = lookOf(request);
  const text = context.isPage && look !== undefined ? readyText(page, look, context.nonce) : undefined;
  context.ready = { key, page, look, text };
  // Writing the data out costs as much as all the rest, and what is in the text already is not looked for in it.
  return text === undefined ? page.data : ({} as PlayerProps);
}

async function propsOf(token: string, found: LinkFound): Promise<PlayerProps> {
  const edition = await opening(editionOf(getServices().db, found));
  const { session } = edition;
  const drills = editionDrills(edition);
  const timeline = compile(session, drills);
  return {
    token,
    // Editions handed out before their notes stayed behind never change.
    edition: { ...edition, session: withoutNotes(session) },
    number: found.edition.number,
    group: found.coachLabel,
    look: lookOfGroup(found.groupId),
    people: found.athletes,
    totalSeconds: timeline.totalSeconds,
    kit: kitList(session, drills),
    cautions: cautionsOf(edition),
    joints: mainJoints(session, timeline, drills, 2),
    profile: miniProfile(profileOf(session, timeline), 360, 48),
  };
}
