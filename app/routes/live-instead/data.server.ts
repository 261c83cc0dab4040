import { classPlan } from "~/app/server/class-plan.server";
import { waysFor } from "~/app/server/class-choices.server";
import { notHere } from "~/app/server/coach.server";
import { kitWords } from "~/core/live/together-words";
import type { Club } from "~/db/clubs";

/** What everybody of a class does instead, drill by drill; with a person and a place asked for, what that person could do there. */
export async function insteadPage(club: Club, id: string, asked: URLSearchParams) {
  const found = await classPlan(club, id);
  if (!found) throw notHere("This class is for nobody in particular: there is no list of people to look through.");
  const { plan, people, session } = found;
  const [person, place] = [asked.get("person"), /^(\d+)\.(\d+)$/.exec(asked.get("at") ?? "")];
  const ways =
    person && place && people.some((one) => one.id === person)
      ? await waysFor(club, id, person, { block: Number(place[1]), item: Number(place[2]) })
      : undefined;
  return {
    id,
    title: session.title,
    lines: plan.lines.map(({ instead, ...line }) => ({
      ...line,
      number: numberOf(session.blocks, line),
      instead: instead.map(({ people: at, ...one }) => ({ ...one, people: at.map((k) => people[k]!) })),
    })),
    concerns: plan.concerns.map(({ person: at, ...one }) => ({ ...one, person: people[at]! })),
    kit: kitWords(plan.kit),
    open: ways && shown(ways),
  };
}

/** What was chosen for others is no part of it. */
const shown = <T extends { choices: unknown }>({ choices: _, ...open }: T) => open;

const numberOf = (blocks: readonly { items: readonly unknown[] }[], at: { block: number; item: number }): number =>
  blocks.slice(0, at.block).reduce((sum, { items }) => sum + items.length, 0) + at.item + 1;
