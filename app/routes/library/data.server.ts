import { needsOf } from "~/core/drills/form";
import type { Coach } from "~/app/server/coach.server";
import { browsable, readyToSearch } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { browse, browseSchema, inFamilies } from "~/core/browse/browse";
import { doseWords, tempoOf } from "~/core/dose/dose";
import { readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { piecesThere } from "~/core/group/kit";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { METHOD_WORDS } from "~/core/wording/words";
import { listGroupsWithPeople } from "~/db/groups";

export type LibraryPage = Awaited<ReturnType<typeof libraryPage>>;
export type Card = ReturnType<typeof card>;

const FIRST = 60;

/** The drills that answer what the address asks, and what they can be narrowed down by. */
export async function libraryPage(coach: Coach, params: URLSearchParams) {
  const by = browseSchema.parse(Object.fromEntries([...params].filter(([, value]) => value !== "")));
  const shown = Math.min(5000, Math.max(FIRST, Number(params.get("show")) || FIRST));
  const [listed, listedGroups] = await Promise.all([
    browsable(coach.club),
    listGroupsWithPeople(getServices().db, coach.club),
  ]);
  const all = by.own === "aside" ? listed.aside : listed.drills;
  // Only groups whose kit has been said; one that is gone leaves nothing out.
  const groups = listedGroups.filter((one) => one.setting.kit !== undefined);
  const group = groups.find((one) => one.id === by.group);
  const doable = group
    ? all.filter(({ doc }) =>
        piecesThere(needsOf(doc.levels.standard), Math.max(1, group.athletes.length), group.setting),
      )
    : all;
  const drawn = new Set(all.filter((one) => one.drawn).map((one) => one.doc.id));
  const found = browse(
    doable.map((one) => one.doc),
    by,
    (drill) => readOwnId(drill.id) !== undefined,
    (some) => readyToSearch(coach.club, some),
  );
  const rows = inFamilies(found, (drill) => readOwnId(drill.id) !== undefined);
  return {
    unreadable: listed.unreadable,
    by,
    groups: groups.map(({ id, name }) => ({ id, name })),
    total: all.length,
    found: found.length,
    shown,
    own: listed.drills.filter((one) => readOwnId(one.doc.id)).length,
    aside: listed.aside.length,
    rows: rows.slice(0, shown).map(([first, ...alike]) => ({
      ...card(first, drawn.has(first.id)),
      alike: alike.map((drill) => card(drill, drawn.has(drill.id))),
    })),
    more: Math.max(0, rows.length - shown),
  };
}

/** What the list shows of a drill. */
function card(drill: Drill, drawn: boolean) {
  const { posture, kit, dose, main } = drill.levels.standard;
  return {
    id: drill.id,
    name: drill.name,
    own: readOwnId(drill.id) !== undefined,
    drawn,
    alternating: drill.sides === "alternating",
    line: `${METHOD_WORDS[drill.method]} · ${POSTURE_WORDS[posture]}`,
    dose: doseWords(dose),
    kit: [...new Set(kit)].map((k) => KIT_FACTS[k].words).join(", "),
    works: main.map((row) => MOTION_FACTS[row].words).join(", "),
    tempo: tempoOf(dose),
  };
}
