import { drawnDrill } from "./drills.server";
import { drillsToday } from "./edition-today.server";
import { forDevice } from "./mine.server";
import { ownOffered } from "./offered.server";
import { signalOfRequest } from "./per-request";
import { getServices } from "./services.server";
import { still, work } from "./work/work.server";
import { arcWith } from "~/core/arc/own";
import { now } from "~/core/clock/clock";
import type { NewRest, Sent, Swap } from "~/core/live/commands";
import type { ReckonAsk, Worked } from "~/core/live/reckon";
import type { EpochMs, Seconds } from "~/core/units";
import type { LevelName } from "~/core/vocabulary/levels";
import { listArcs } from "~/db/arcs";
import type { Club } from "~/db/clubs";
import { listGroups } from "~/db/groups";
import { editionOf } from "~/db/links";
import { addCommand, findClass, listCommands, type Added } from "~/db/live";

export type Reckoned =
  | { kind: "in time"; endsAt: EpochMs; spare: Seconds }
  | { kind: "cut"; endsAt: EpochMs; words: string; sent?: Sent[] }
  /** `hurried`: more might have gone, had there been more time to work it out. */
  | { kind: "too late"; endsAt: EpochMs; by: Seconds; hurried: boolean; words?: string; sent?: Sent[] }
  /** Time is left over, and something is done with it. */
  | { kind: "more"; endsAt: EpochMs; words: string; sent?: Sent[] }
  | { kind: "later" | "swapped"; words: string; sent?: Sent[] }
  /** What could come in place of what comes next. */
  | {
      kind: "ways";
      of: string;
      at: { block: number; item: number };
      ways: { drill: string; level: LevelName; name: string }[];
    }
  /** There is nothing that could come later, or what comes next is another drill by now. */
  | { kind: "not there" }
  /** Others changed the class again and again while it was worked out. */
  | { kind: "moved" }
  | Exclude<Added, { kind: "added" }>;

/** Worked out anew so often where somebody did something to the class meanwhile. */
const TRIES = 4;

/**
 * Works out what comes after what is being done anew, for everybody: no device does that by itself. With a key it is done, too:
 * from what the class is at that moment, so that nothing anybody did meanwhile is lost, and only while whoever asked still waits.
 */
export async function reckon(
  club: Club,
  classId: string,
  ask: ReckonAsk,
  { seen, key }: { seen: number; key?: string | undefined },
): Promise<Reckoned> {
  const signal = signalOfRequest();
  for (let tries = 0; tries < TRIES; tries++) {
    const found = await workOut(club, classId, ask);
    if (!found) return { kind: "gone" };
    const { worked, newest } = found;
    const change = await changeOf(club, worked);
    if (!change || !key) return answerFor(worked, change, undefined);
    // Whoever asked was told that nothing came of it.
    if (signal?.aborted) return { kind: "moved" };
    const added = await addCommand(getServices().db, club, classId, { key, seen, on: null, command: change }, newest);
    if (added.kind === "added") return answerFor(worked, change, added.sent);
    if (added.kind !== "moved") return added;
  }
  return { kind: "moved" };
}

/** What is asked for, and the newest command it was worked out from. */
async function workOut(
  club: Club,
  classId: string,
  ask: ReckonAsk,
): Promise<{ worked: Worked; newest: number } | undefined> {
  const { db } = getServices();
  const found = await findClass(db, club, classId);
  if (!found) return undefined;
  const [edition, commands, groups, arcs, own] = await Promise.all([
    editionOf(db, { club, edition: { id: found.editionId } }),
    listCommands(db, club, classId),
    listGroups(db, club),
    listArcs(db, club),
    ask.ask === "ways" || ask.ask === "swap" ? ownOffered(club) : [],
  ]);
  const { session } = edition;
  const known = await drillsToday({ club, edition: { id: found.editionId, doc: edition } });
  // What was swapped in is in no edition; as it is known here it is looked over with all that it loads.
  const swapped = [];
  for (const { command } of commands)
    if (command.do === "swap" && !known.has(command.drill.id))
      swapped.push((await drawnDrill(club, command.drill.id)) ?? command.drill);
  const worked = await work(club, "reckon", {
    ask,
    at: now(),
    session,
    drills: edition.drills.map(still),
    fold: found.fold,
    commands: commands.map((one) =>
      one.command.do === "swap" ? { ...one, command: { ...one.command, drill: still(one.command.drill) } } : one,
    ),
    known: [...known.values(), ...swapped].map(still),
    own,
    group: groups.find(({ id }) => id === found.groupId)?.group,
    arc: arcWith(session.purpose, arcs[session.purpose]),
  });
  return { worked, newest: commands.at(-1)?.n ?? 0 };
}

/** The command that does what was worked out; undefined where nothing is to be done. */
async function changeOf(club: Club, worked: Worked): Promise<NewRest | Swap | undefined> {
  if (worked.kind === "swapped") {
    const drill = await drawnDrill(club, worked.swap.drill);
    return drill && { ...worked.swap, drill: forDevice(drill, new Set([worked.swap.level])) };
  }
  return "rest" in worked ? worked.rest : undefined;
}

function answerFor(worked: Worked, change: NewRest | Swap | undefined, sent: Sent[] | undefined): Reckoned {
  const done = { ...(sent && { sent }) };
  const words = change?.words ?? "";
  switch (worked.kind) {
    case "in time":
    case "ways":
    case "not there":
      return worked;
    case "cut":
    case "more":
      return { kind: worked.kind, endsAt: worked.endsAt, words, ...done };
    case "too late": {
      const { endsAt, by, hurried } = worked;
      return { kind: "too late", endsAt, by, hurried, ...(change && { words }), ...done };
    }
    case "later":
    case "swapped":
      return { kind: worked.kind, words, ...done };
  }
}
