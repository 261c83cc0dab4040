import { idOf, notHere } from "~/app/server/coach.server";
import { opening } from "~/app/server/opening.server";
import { getServices } from "~/app/server/services.server";
import { now } from "~/core/clock/clock";
import { formIn } from "~/core/drills/form";
import { editionDrills } from "~/core/edition/edition";
import { advance, fold } from "~/core/live/fold";
import { logOf, pacesOf, PACE_KINDS, skippedOf } from "~/core/live/log";
import { KIND_WORDS } from "~/core/live/learnt";
import { freeze } from "~/core/live/frozen";
import type { Club } from "~/db/clubs";
import { editionOf } from "~/db/links";
import { listCommands } from "~/db/live";
import { classRecord, closeClass, peopleOfClass, runsOfClass } from "~/db/live-people";

/** What came of writing down what somebody said. */
export type SaidOutcome = { run: string; fault: string | undefined };

/** What became of a class: what was run of it and when, who was there, and what they said. */
export async function recordPage(club: Club, classId: string | undefined) {
  const { db } = getServices();
  const id = idOf(classId);
  await closeClass(db, club, id);
  const found = await classRecord(db, club, id);
  if (!found) throw notHere("There is no such class.");
  const [edition, commands, people, runs] = await Promise.all([
    opening(editionOf(db, { club, edition: { id: found.editionId } })),
    listCommands(db, club, id),
    peopleOfClass(db, club, id),
    runsOfClass(db, club, id),
  ]);
  const { session } = edition;
  const drills = editionDrills(edition);
  const frozen = freeze(session, drills, found.fold);
  const { timeline } = frozen;
  const live = advance(fold(frozen, commands), found.endedAt?.getTime() ?? now());
  const nameAt = ({ block, item }: { block: number; item: number }) => {
    const set = session.blocks[block]?.items[item];
    return (set && formIn(set, drills)?.name) ?? "A drill";
  };
  const paces = pacesOf(live, commands);
  const told = new Set(runs.map(({ personId }) => personId));
  return {
    id,
    title: session.title,
    sessionId: found.sessionId,
    group: found.groupId && found.groupName ? { id: found.groupId, name: found.groupName } : undefined,
    running: found.endedAt === null,
    /** Written down: who was ticked has a run to say something of. */
    closed: found.closedAt !== null,
    begun: live.begun ?? null,
    ended: live.over ?? null,
    promised: timeline.totalSeconds,
    ran: live.ran.reduce((sum, { from, to }) => sum + (to - from) / 1000, 0),
    // Swapped and taken back is as it was handed out: what stood there as it ended counts.
    lines: logOf(live, timeline).map((line) => ({
      ...line,
      name: live.swaps[`${line.block}.${line.item}`]?.drill.name ?? nameAt(line),
    })),
    skipped: skippedOf(live, session.blocks).map(nameAt),
    changes: commands.flatMap(({ n, command }) =>
      (command.do === "rest" || command.do === "swap") && live.outcomes[n] === "done" ? [command.words] : [],
    ),
    paces: {
      left: paces.left,
      kinds: PACE_KINDS.flatMap((kind) => {
        const one = paces.kinds[kind];
        if (!one) return [];
        const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
        return [
          {
            kind,
            words: KIND_WORDS[kind].of,
            times: one.planned.length,
            usual: sum(one.planned),
            real: sum(one.real),
            byHand: one.byHand,
          },
        ];
      }),
    },
    runs,
    /** There, and nothing of them is written down yet. */
    ticked: people.here.filter(({ id: person, here }) => here && !told.has(person)).map(({ name }) => name),
    others: people.others,
  };
}
