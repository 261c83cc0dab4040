import type { Drill } from "~/core/drills/schema";
import { motionAt } from "~/core/drills/motion";
import { asKnownToday, levelsUsed } from "~/core/edition/today";
import { insteadInSteps, notOneDown } from "~/core/group/instead";
import { choicesOf } from "~/core/group/choices";
import { allProtections } from "~/core/group/protect";
import type { Group } from "~/core/group/schema";
import { NOTHING_OWN, type Mine } from "~/core/player/mine";
import type { LevelName } from "~/core/vocabulary/levels";
import { asDocument } from "~/core/drills/stresses";
import { protectedOnLink, type OpenLink } from "~/db/links";
import { browseOwnDrills } from "~/db/own-drills";
import { DRILLS } from "~/library";
import { inTurns } from "./in-turns";
import { drawnDrill } from "./drills.server";
import { getServices } from "./services.server";

const pauseForOthers = () => new Promise<void>((resolve) => void setImmediate(resolve));

/** How many editions are remembered as they are looked at today; one takes up to a second to work out. */
const REMEMBERED = 40;
const looked = new Map<string, Promise<Map<string, Drill>>>();

/** The drills of an edition as they are looked at today, others being served between one and the next. */
function drillsToday({ club, edition }: OpenLink): Promise<Map<string, Drill>> {
  const before = looked.get(edition.id);
  if (before) return before;
  const work = (async () => {
    const used = levelsUsed(edition.doc);
    const drills = new Map<string, Drill>();
    for (const drill of edition.doc.drills) {
      const today = await drawnDrill(club, drill.id);
      drills.set(drill.id, asKnownToday(drill, used.get(drill.id) ?? new Set(), today));
      await pauseForOthers();
    }
    return drills;
  })();
  looked.set(edition.id, work);
  // One that could not be worked out is tried again the next time.
  work.catch(() => looked.delete(edition.id));
  if (looked.size > REMEMBERED) looked.delete(looked.keys().next().value!);
  return work;
}

/** A drill as a phone needs it for one person: how it is done at these levels, and no word on what it loads. */
function forDevice(drill: Drill, levels: ReadonlySet<LevelName>): Drill {
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
  const own = await browseOwnDrills(getServices().db, opened.club);
  await pauseForOthers();
  const by = {
    drills: (id: string) => known.get(id),
    offered: own.length > 0 ? [...own.map((listed) => listed.doc), ...DRILLS] : DRILLS,
    group,
    choices,
  };
  const instead = await inTurns(insteadInSteps(session, protections, by));
  await pauseForOthers();
  const smaller = notOneDown(session, protections, by.drills);
  const levels = new Map<string, Set<LevelName>>();
  for (const one of instead)
    if (one.does === "other") levels.set(one.drill.id, (levels.get(one.drill.id) ?? new Set()).add(one.level));
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
    instead: instead.map((one) =>
      one.does === "rest"
        ? { block: one.block, item: one.item, does: "rest" }
        : { block: one.block, item: one.item, does: "other", drill: one.drill.id, level: one.level },
    ),
  };
}
