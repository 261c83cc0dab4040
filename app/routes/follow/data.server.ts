import { createHash } from "node:crypto";
import type { PlayerProps } from "./player-props";
import { opening } from "~/app/server/opening.server";
import { findForPlayer } from "~/app/server/player.server";
import { readyPage, type ReadyPage } from "~/app/server/ready-pages";
import { getServices } from "~/app/server/services.server";
import { kitList } from "~/core/coverage/kit-list";
import { mainJoints } from "~/core/coverage/joints";
import { cautionsOf, editionDrills, withoutNotes } from "~/core/edition/edition";
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
  const { id, edition, coachLabel, athletes } = found;
  const key = createHash("sha256")
    .update(JSON.stringify([token, id, edition.id, coachLabel, athletes]))
    .digest("hex");
  return { key, page: await readyPage(key, () => propsOf(token, found)) };
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
    team: found.coachLabel,
    people: found.athletes,
    totalSeconds: timeline.totalSeconds,
    kit: kitList(session, drills),
    cautions: cautionsOf(edition),
    joints: mainJoints(session, timeline, drills, 2),
    profile: miniProfile(profileOf(session, timeline), 360, 48),
  };
}
