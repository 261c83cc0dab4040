import type { Drill } from "~/core/drills/schema";
import { motionAt } from "~/core/drills/motion";
import { levelsUsed } from "~/core/edition/today";
import { notOneDown } from "~/core/group/instead";
import { choicesOf } from "~/core/group/choices";
import { allProtections } from "~/core/group/protect";
import type { Group } from "~/core/group/schema";
import { NOTHING_OWN, type Mine } from "~/core/player/mine";
import type { LevelName } from "~/core/vocabulary/levels";
import { asDocument } from "~/core/drills/stresses";
import { protectedOnLink, type OpenLink } from "~/db/links";
import { hurtIn, keptVersion, keepVersion, versionOf } from "~/db/live-people";
import { planOf } from "./class-plan.server";
import { drawnDrill } from "./drills.server";
import { drillsToday, pauseForOthers } from "./edition-today.server";
import { ownOffered } from "./offered.server";
import { getServices } from "./services.server";
import { still, work } from "./work/work.server";

/** A drill as a phone needs it for one person: how it is done at these levels, and no word on what it loads. */
export function forDevice(drill: Drill, levels: ReadonlySet<LevelName>): Drill {
  const { motions, ...words } = asDocument(drill);
  const [one] = levels;
  const standard = one && motionAt(drill, one);
  const unsaid = {
    easier: { ...words.levels.easier, loads: [] },
    standard: { ...words.levels.standard, loads: [] },
    harder: { ...words.levels.harder, loads: [] },
  };
  if (!motions || !standard) return { ...words, levels: unsaid };
  const own = Object.fromEntries(
    [...levels].flatMap((name) => (motions[name] ? [[name, motions[name]] as const] : [])),
  );
  return { ...words, levels: unsaid, motions: { standard, ...own } };
}

/**
 * What one person does instead in a class: worked out once, and stored with it, until what it was worked out from is otherwise.
 * What they told to hurt in it is out for them, on whichever device they come back.
 */
export async function mineInClass(opened: OpenLink, athleteId: string | null, classId: string): Promise<Mine> {
  const { db } = getServices();
  const found = athleteId ? await protectedOnLink(db, opened, athleteId) : undefined;
  if (!found || !athleteId) return mineOf(opened, athleteId);
  const choices = (await planOf(opened.club, classId)) ?? opened.edition.choices;
  const of = versionOf([opened.edition.id, found, choicesOf(choices, athleteId)]);
  let mine = await keptVersion(db, opened.club, classId, athleteId, of);
  if (!mine) {
    mine = await mineOf({ ...opened, edition: { ...opened.edition, choices } }, athleteId);
    await keepVersion(db, opened.club, classId, athleteId, { of, doc: mine });
  }
  const hurt = (await hurtIn(db, opened.club, classId, athleteId)).map(({ drill }) => drill);
  return hurt.length > 0 ? { ...mine, hurt } : mine;
}

/**
 * What one person of a link's list does instead, chosen for them or worked out, and how the easier levels move that their device does not have yet. Somebody
 * who is not on the list does what the others do. Editions handed out before any of this are looked at as it is known today.
 */
export async function mineOf(opened: OpenLink, athleteId: string | null): Promise<Mine> {
  const { session } = opened.edition.doc;
  const known = await drillsToday(opened);
  const easier = Object.fromEntries(
    [...levelsUsed(opened.edition.doc)].flatMap(([id, used]) => {
      const motion = known.get(id)?.motions?.easier;
      return motion && !used.has("easier") ? [[id, motion] as const] : [];
    }),
  );
  const found = athleteId ? await protectedOnLink(getServices().db, opened, athleteId) : undefined;
  if (!found) return { ...NOTHING_OWN, easier };
  const protections = allProtections({ areas: found.areas }, found.setting);
  const choices = choicesOf(opened.edition.choices, athleteId ?? undefined);
  if (protections.length === 0 && choices.length === 0) return { ...NOTHING_OWN, athleteId, easier };
  const group: Group = { name: found.name, people: [], setting: found.setting };
  const instead = await work(opened.club, "instead", {
    session,
    drills: [...known.values()].map(still),
    own: await ownOffered(opened.club),
    protections,
    group,
    choices,
  });
  await pauseForOthers();
  const smaller = notOneDown(session, protections, (id) => known.get(id));
  const levels = new Map<string, Set<LevelName>>();
  for (const one of instead)
    if (one.does === "other") levels.set(one.drill, (levels.get(one.drill) ?? new Set()).add(one.level));
  const drills: Drill[] = [];
  for (const [id, wanted] of levels) {
    const drill = known.get(id) ?? (await drawnDrill(opened.club, id));
    if (drill) drills.push(forDevice(drill, wanted));
  }
  return {
    athleteId,
    easier,
    drills,
    smaller,
    instead,
  };
}
