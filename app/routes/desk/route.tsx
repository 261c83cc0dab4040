import type { ShouldRevalidateFunctionArgs } from "react-router";
import type { Route } from "./+types/route";
import { DeskView } from "./desk-view";
import { deskCopy } from "./save";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { drillsNamed } from "~/app/server/drills.server";
import { writtenBefore } from "~/app/server/known-better.server";
import { useThere } from "~/app/ui/use-there";
import { getServices } from "~/app/server/services.server";
import { segmentsAtMost } from "~/core/session/size";
import { lookupOf } from "~/library";
import { listArcs } from "~/db/arcs";
import { listProfiles } from "~/db/sport-profiles";
import { findSession, listTitles } from "~/db/sessions";
import { findMarkedSetting } from "~/db/session-setting";
import { listGroups } from "~/db/groups";
import { newestEdition } from "~/db/editions";
import { needDrills, opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.copy.doc.title ?? "Desk"} · Mapset` },
];

/** The fullest class has about a thousand segments. */
const DRAWN_HERE = 1_500;

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const id = idOf(params.id);
  const { db } = getServices();
  const [stored, edition, setting, groups, ownDemands, arcs, others] = await Promise.all([
    opening(findSession(db, coach.club, id)),
    newestEdition(db, coach.club, id),
    findMarkedSetting(db, coach.club, id),
    listGroups(db, coach.club),
    listProfiles(db, coach.club),
    listArcs(db, coach.club),
    listTitles(db, coach.club),
  ]);
  if (!stored || !setting) throw notHere();
  // The coach's other drills are fetched by the page once it is there.
  const used = await drillsNamed(coach.club, [stored.doc, edition?.session]);
  needDrills(stored.doc, lookupOf(used));
  return {
    large: segmentsAtMost(stored.doc, lookupOf(used)) > DRAWN_HERE,
    id,
    whose: { coach: coach.id, club: coach.club.id },
    copy: deskCopy(stored),
    before: writtenBefore(stored.doc, stored.updatedAt),
    archived: stored.archivedAt !== null,
    edition,
    used,
    setting,
    groups,
    others,
    arcs,
    ownDemands: ownDemands.map(({ row: _, ...demand }) => demand),
  };
}

/** The desk keeps itself up to date; the page's data is for opening it, or another session in its place. */
export const shouldRevalidate = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  currentParams["id"] !== nextParams["id"];

export default function DeskRoute({ loaderData }: Route.ComponentProps) {
  // One that is many times a class is drawn where it is looked at, so that nobody waits for it here.
  const there = useThere();
  if (loaderData.large && !there) return <p className="p-8 text-ink-soft">Opening…</p>;
  return <DeskView key={loaderData.id} {...loaderData} />;
}
