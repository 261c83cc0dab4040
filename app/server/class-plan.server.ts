import { drillsToday, type EditionOf } from "./edition-today.server";
import { ownOffered } from "./offered.server";
import { signalOfRequest } from "./per-request";
import { getServices } from "./services.server";
import { still, work } from "./work/work.server";
import { arcWith } from "~/core/arc/own";
import { choicesOver, withChoices, type Choice } from "~/core/group/choices";
import type { Together } from "~/core/live/together";
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
  const [groups, edition, own] = await Promise.all([
    listGroups(db, club),
    editionInClass(db, club, found.editionId),
    ownOffered(club),
  ]);
  const here = groups.find(({ id }) => id === found.groupId);
  return here && { found, here, edition, own, choices: choicesOver(found.choices, edition.choices) };
}

/** The plan of a class for its group; undefined for one of nobody in particular. Worked out once, until something it is worked out from changes. */
export async function classPlan(club: Club, classId: string): Promise<ClassPlan | undefined> {
  const [of, arcs] = await Promise.all([groupsClass(club, classId), listArcs(getServices().db, club)]);
  if (!of) return undefined;
  const { here, edition, own, choices: chosen } = of;
  const key = `${classId} ${versionOf([here, chosen, own.map(({ id }) => id)])}`;
  const make = async (signal: AbortSignal) => {
    const { session } = edition.doc;
    const known = await drillsToday({ club, edition });
    const plan = await work(
      club,
      "together",
      {
        session,
        drills: [...known.values()].map(still),
        own,
        group: withChoices(here.group, here.people, chosen),
        arc: arcWith(session.purpose, arcs[session.purpose]),
      },
      signal,
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
  };
  return plans.of(club, key, make, signalOfRequest());
}

/** What each of a class does instead, as choices for them, by hand first; undefined for a class of nobody in particular. */
export async function planOf(club: Club, classId: string): Promise<Choice[] | undefined> {
  const plan = await classPlan(club, classId);
  return plan && [...plan.chosen, ...plan.workedOut];
}
