import { drillsToday, type EditionOf } from "./edition-today.server";
import { inTurns } from "./in-turns";
import { offeredIn } from "./offered.server";
import { getServices } from "./services.server";
import { arcWith } from "~/core/arc/own";
import { choicesOver, withChoices, type Choice } from "~/core/group/choices";
import { together, type Together } from "~/core/live/together";
import { compile } from "~/core/timeline/compile";
import { editionDrills } from "~/core/edition/edition";
import { listArcs } from "~/db/arcs";
import { ClubPromises } from "~/db/club-cache";
import type { Club } from "~/db/clubs";
import { listGroups } from "~/db/groups";
import { editionInClass } from "~/db/links";
import { findClass } from "~/db/live";
import { versionOf } from "~/db/live-people";

/** What the people of a class do instead, all of them together, and as choices for each. */
export type ClassPlan = {
  plan: Together;
  people: { id: string; name: string }[];
  /** What was chosen by hand, and what is worked out for everybody else. */
  chosen: Choice[];
  workedOut: Choice[];
  /** The session as it was handed out. */
  session: EditionOf["edition"]["doc"]["session"];
};

const plans = new ClubPromises<ClassPlan>(40);

/** A class of a group, with all that what people do instead comes from; undefined for one of nobody in particular. */
export async function groupsClass(club: Club, classId: string) {
  const { db } = getServices();
  const found = await findClass(db, club, classId);
  if (!found?.groupId) return undefined;
  const [groups, edition, offered] = await Promise.all([
    listGroups(db, club),
    editionInClass(db, club, found.editionId),
    offeredIn(club),
  ]);
  const here = groups.find(({ id }) => id === found.groupId);
  return here && { found, here, edition, offered, choices: choicesOver(found.choices, edition.choices) };
}

/** The plan of a class for its group; undefined for one of nobody in particular. Worked out once, until something it is worked out from changes. */
export async function classPlan(club: Club, classId: string): Promise<ClassPlan | undefined> {
  const [of, arcs] = await Promise.all([groupsClass(club, classId), listArcs(getServices().db, club)]);
  if (!of) return undefined;
  const { here, edition, offered, choices: chosen } = of;
  const key = `${classId} ${versionOf([here, chosen, offered.map(({ id }) => id)])}`;
  return plans.of(club, key, async () => {
    const { session } = edition.doc;
    const known = await drillsToday({ club, edition });
    const plan = await inTurns(
      together(session, compile(session, editionDrills(edition.doc)), withChoices(here.group, here.people, chosen), {
        drills: (id) => known.get(id),
        offered,
        arc: arcWith(session.purpose, arcs[session.purpose]),
      }),
    );
    const workedOut = plan.lines.flatMap(({ block, item, instead }) =>
      instead
        .filter((one) => !one.chosen)
        .flatMap(({ does, people }) =>
          people.map((at): Choice => ({
            athleteId: here.people[at]!,
            block,
            item,
            at: session.blocks[block]!.items[item]!.drill,
            does,
          })),
        ),
    );
    return {
      plan,
      people: here.people.map((id, at) => ({ id, name: here.group.people[at]!.name })),
      chosen,
      workedOut,
      session,
    };
  });
}

/** What each of a class does instead, as choices for them, by hand first; undefined for a class of nobody in particular. */
export async function planOf(club: Club, classId: string): Promise<Choice[] | undefined> {
  const plan = await classPlan(club, classId);
  return plan && [...plan.chosen, ...plan.workedOut];
}
