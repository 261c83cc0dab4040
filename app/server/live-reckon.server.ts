import { inTurns } from "./in-turns";
import { getServices } from "./services.server";
import { arcWith } from "~/core/arc/own";
import { now } from "~/core/clock/clock";
import { editionDrills } from "~/core/edition/edition";
import type { NewRest, Sent } from "~/core/live/commands";
import { finishBy, nextLater } from "~/core/live/finish-by";
import { advance, fold } from "~/core/live/fold";
import { compile } from "~/core/timeline/compile";
import type { EpochMs, Seconds } from "~/core/units";
import { listArcs } from "~/db/arcs";
import type { Club } from "~/db/clubs";
import { listGroups } from "~/db/groups";
import { editionOf } from "~/db/links";
import { addCommand, findClass, listCommands, type Added } from "~/db/live";

/** What is to be worked out: when it is to end, or that what comes next comes later. With a key it is done, too. */
export type ReckonAsk = { finishBy?: EpochMs; later?: true; seen: number; key?: string | undefined };

export type Reckoned =
  | { kind: "in time"; endsAt: EpochMs; spare: Seconds }
  | { kind: "cut"; endsAt: EpochMs; words: string; sent?: Sent[] }
  | { kind: "too late"; endsAt: EpochMs; by: Seconds; words?: string; sent?: Sent[] }
  | { kind: "later"; words: string; sent?: Sent[] }
  /** There is nothing that could come later. */
  | { kind: "not there" }
  | Exclude<Added, { kind: "added" }>;

/** Works out what comes after what is being done anew, for everybody: no device does that by itself. */
export async function reckon(club: Club, classId: string, ask: ReckonAsk): Promise<Reckoned> {
  const { db } = getServices();
  const found = await findClass(db, club, classId);
  if (!found) return { kind: "gone" };
  const [edition, commands, groups, arcs] = await Promise.all([
    editionOf(db, { club, edition: { id: found.editionId } }),
    listCommands(db, club, classId),
    listGroups(db, club),
    listArcs(db, club),
  ]);
  const { session } = edition;
  const drills = editionDrills(edition);
  const at = now();
  const live = advance(fold({ fold: found.fold, timeline: compile(session, drills) }, commands), at);
  const group = groups.find(({ id }) => id === found.groupId)?.group;
  const by = { session, drills, group, arc: arcWith(session.purpose, arcs[session.purpose]) };
  const done = async (rest: NewRest): Promise<{ sent?: Sent[] } | Exclude<Added, { kind: "added" }>> => {
    if (!ask.key) return {};
    const added = await addCommand(db, club, classId, { key: ask.key, seen: ask.seen, on: null, command: rest });
    return added.kind === "added" ? { sent: added.sent } : added;
  };
  if (ask.finishBy === undefined) {
    const rest = nextLater(live, at, by);
    if (!rest) return { kind: "not there" };
    const added = await done(rest);
    return "kind" in added ? added : { kind: "later", words: rest.words, ...added };
  }
  const answer = await inTurns(finishBy(live, at, ask.finishBy, by));
  if (answer.kind === "in time") return answer;
  const { rest, endsAt } = answer;
  const added = rest ? await done(rest) : {};
  if ("kind" in added) return added;
  return answer.kind === "cut"
    ? { kind: "cut", endsAt, words: answer.rest.words, ...added }
    : { kind: "too late", endsAt, by: answer.by, ...(rest && { words: rest.words }), ...added };
}
