import { drawnDrill } from "./drills.server";
import { inTurns } from "./in-turns";
import { forDevice } from "./mine.server";
import { offeredIn } from "./offered.server";
import { getServices } from "./services.server";
import { arcWith } from "~/core/arc/own";
import { now } from "~/core/clock/clock";
import type { Drill } from "~/core/drills/schema";
import { editionDrills } from "~/core/edition/edition";
import type { NewRest, Sent, Swap } from "~/core/live/commands";
import { finishBy, nextLater } from "~/core/live/finish-by";
import { advance, fold } from "~/core/live/fold";
import { moreTime } from "~/core/live/more-time";
import { swapTo, swapWays } from "~/core/live/swap";
import { compile } from "~/core/timeline/compile";
import type { EpochMs, Seconds } from "~/core/units";
import type { LevelName } from "~/core/vocabulary/levels";
import { listArcs } from "~/db/arcs";
import type { Club } from "~/db/clubs";
import { listGroups } from "~/db/groups";
import { editionOf } from "~/db/links";
import { addCommand, findClass, listCommands, type Added } from "~/db/live";

/** What is to be worked out: when it is to end, or that what comes next comes later. With a key it is done, too. */
export type ReckonAsk = {
  finishBy?: EpochMs;
  later?: true;
  /** Time that is left over is used, too. */
  use?: boolean | undefined;
  /** What could come in place of what comes next; or that this does. */
  swap?: { drill: string; level: LevelName } | "ways";
  seen: number;
  key?: string | undefined;
};

export type Reckoned =
  | { kind: "in time"; endsAt: EpochMs; spare: Seconds }
  | { kind: "cut"; endsAt: EpochMs; words: string; sent?: Sent[] }
  | { kind: "too late"; endsAt: EpochMs; by: Seconds; words?: string; sent?: Sent[] }
  /** Time is left over, and something is done with it. */
  | { kind: "more"; endsAt: EpochMs; words: string; sent?: Sent[] }
  | { kind: "later" | "swapped"; words: string; sent?: Sent[] }
  /** What could come in place of what comes next. */
  | { kind: "ways"; of: string; ways: { drill: string; level: LevelName; name: string }[] }
  /** There is nothing that could come later. */
  | { kind: "not there" }
  | Exclude<Added, { kind: "added" }>;

/** Works out what comes after what is being done anew, for everybody: no device does that by itself. */
export async function reckon(club: Club, classId: string, ask: ReckonAsk): Promise<Reckoned> {
  const { db } = getServices();
  const found = await findClass(db, club, classId);
  if (!found) return { kind: "gone" };
  const [edition, commands, groups, arcs, offered] = await Promise.all([
    editionOf(db, { club, edition: { id: found.editionId } }),
    listCommands(db, club, classId),
    listGroups(db, club),
    listArcs(db, club),
    ask.swap ? offeredIn(club) : [],
  ]);
  const { session } = edition;
  const handedOut = editionDrills(edition);
  const at = now();
  const live = advance(fold({ fold: found.fold, timeline: compile(session, handedOut) }, commands), at);
  // What was swapped in is in no edition; as it is known here it is looked over with all that it loads.
  const swapped = new Map<string, Drill>();
  for (const { drill } of Object.values(live.swaps)) swapped.set(drill.id, (await drawnDrill(club, drill.id)) ?? drill);
  const drills = (id: string) => handedOut(id) ?? swapped.get(id);
  const group = groups.find(({ id }) => id === found.groupId)?.group;
  const by = { session, drills, group, arc: arcWith(session.purpose, arcs[session.purpose]) };
  const done = async (rest: NewRest | Swap): Promise<{ sent?: Sent[] } | Exclude<Added, { kind: "added" }>> => {
    if (!ask.key) return {};
    const added = await addCommand(db, club, classId, { key: ask.key, seen: ask.seen, on: null, command: rest });
    return added.kind === "added" ? { sent: added.sent } : added;
  };
  if (ask.swap) {
    const among = { ...by, offered };
    if (ask.swap === "ways") {
      const found = swapWays(live, at, among);
      return found
        ? {
            kind: "ways",
            of: found.of,
            ways: found.ways.map(({ drill, level }) => ({ drill: drill.id, level, name: drill.name })),
          }
        : { kind: "not there" };
    }
    const { drill: id, level } = ask.swap;
    const drill = drills(id) ?? (await drawnDrill(club, id));
    const swap = drill && swapTo(live, at, { drill, level }, among);
    if (!swap) return { kind: "not there" };
    const added = await done({ ...swap, drill: forDevice(drill, new Set([level])) });
    return "kind" in added ? added : { kind: "swapped", words: swap.words, ...added };
  }
  if (ask.finishBy === undefined) {
    const rest = nextLater(live, at, by);
    if (!rest) return { kind: "not there" };
    const added = await done(rest);
    return "kind" in added ? added : { kind: "later", words: rest.words, ...added };
  }
  const answer = await inTurns(finishBy(live, at, ask.finishBy, by));
  if (answer.kind === "in time") {
    const more = ask.use ? await inTurns(moreTime(live, at, ask.finishBy, by)) : undefined;
    if (!more) return answer;
    const added = await done(more.rest);
    return "kind" in added ? added : { kind: "more", endsAt: more.endsAt, words: more.rest.words, ...added };
  }
  const { rest, endsAt } = answer;
  const added = rest ? await done(rest) : {};
  if ("kind" in added) return added;
  return answer.kind === "cut"
    ? { kind: "cut", endsAt, words: answer.rest.words, ...added }
    : { kind: "too late", endsAt, by: answer.by, ...(rest && { words: rest.words }), ...added };
}
