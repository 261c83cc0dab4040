import { classPlan, groupsClass } from "./class-plan.server";
import { drillsToday } from "./edition-today.server";
import { getServices } from "./services.server";
import { still, work } from "./work/work.server";
import { choiceAt, chosen, choicesOf, MOST_CHOICES, type Choice } from "~/core/group/choices";
import { allProtections } from "~/core/group/protect";
import { formIn } from "~/core/drills/form";
import { itemDone } from "~/core/session/interval";
import { LEVELS } from "~/core/vocabulary/levels";
import type { Club } from "~/db/clubs";
import { setClassChoices } from "~/db/live-people";

type Place = { block: number; item: number };

/** So many ways are offered. */
const OFFERED = 10;

/** What somebody could do at a place of a class, all of it safe for them; undefined where there is no such place or person. */
export async function waysFor(club: Club, classId: string, person: string, place: Place) {
  const of = await groupsClass(club, classId);
  if (!of) return undefined;
  const { found, here: group, edition, own } = of;
  const at = group.people.indexOf(person);
  const block = edition.doc.session.blocks[place.block];
  const set = block?.items[place.item];
  if (at < 0 || !block || !set) return undefined;
  const known = await drillsToday({ club, edition });
  const drills = (id: string) => known.get(id);
  const { pace } = edition.doc.session;
  const item = itemDone(block, set, drills, pace);
  const drill = formIn(item, drills);
  if (!drill) return undefined;
  const protections = allProtections(group.group.people[at]!, group.group.setting);
  const ways = await work(club, "ways", {
    item,
    pace,
    rounds: block.rounds,
    drills: [...known.values()].map(still),
    own,
    protections,
    group: group.group,
    most: OFFERED,
  });
  const now = choiceAt(choicesOf(of.choices, person), place, item)?.does;
  return {
    person,
    name: group.group.people[at]!.name,
    at: `${place.block}.${place.item}`,
    drill: drill.name,
    of: item.drill,
    /** What was chosen in the class so far. */
    choices: found.choices,
    ways,
    now: now === undefined ? "auto" : now === "rest" ? "rest" : `${now.drill} ${now.level}`,
  };
}

/** Chooses for somebody in a class what they do at a place. False where that is no choice there is. */
export async function chooseInClass(
  club: Club,
  classId: string,
  { person, at, does }: { person: string; at: string; does: string },
): Promise<boolean> {
  const where = /^(\d{1,2})\.(\d{1,2})$/.exec(at);
  if (!where) return false;
  const place = { block: Number(where[1]), item: Number(where[2]) };
  const ways = await waysFor(club, classId, person, place);
  if (!ways) return false;
  const [drill = "", level = ""] = does.split(" ");
  const what: Choice["does"] | undefined | "none" =
    does === "auto"
      ? undefined
      : does === "rest"
        ? "rest"
        : ways.ways.some((one) => one.drill === drill && one.level === level)
          ? { drill, level: LEVELS.find((one) => one === level)! }
          : "none";
  if (what === "none") return false;
  const choices = chosen(ways.choices, person, place, ways.of, what);
  if (choices.length > MOST_CHOICES) return false;
  return (
    (await setClassChoices(getServices().db, club, classId, choices)) && (await classPlan(club, classId)) !== undefined
  );
}
