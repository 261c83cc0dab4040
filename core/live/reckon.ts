import { finishBy, nextLater } from "./finish-by";
import { advance, fold } from "./fold";
import { freeze } from "./frozen";
import { moreTime } from "./more-time";
import { swapTo, swapWays } from "./swap";
import type { NewRest, Sent, Swap } from "./commands";
import { restAfter } from "./cuts";
import type { Arc } from "~/core/arc/schema";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { SessionPlan } from "~/core/session/schema";
import type { Steps } from "~/core/steps";
import type { EpochMs, Seconds } from "~/core/units";
import type { LevelName } from "~/core/vocabulary/levels";

type Place = { block: number; item: number };

/** What is asked for in a class: that it ends by a time, that what comes next comes later, or another drill in its place. */
export type ReckonAsk =
  /** With `use`, time that is left over is used, too. */
  | { ask: "finish"; by: EpochMs; use: boolean }
  | { ask: "later" }
  /** What could come in place of what comes next. */
  | { ask: "ways" }
  /** That this does, in the place it was offered for. */
  | { ask: "swap"; drill: string; level: LevelName; at?: Place | undefined };

export type ReckonGiven = {
  ask: ReckonAsk;
  at: EpochMs;
  /** The class: its session as it was handed out with its drills, and what was done to it. */
  session: SessionPlan;
  drills: readonly Drill[];
  fold: number;
  commands: readonly Sent[];
  /** Its drills and those that were swapped in, as they are known today, with all that they load. */
  known: readonly Drill[];
  offered: readonly Drill[];
  group?: Group | undefined;
  arc?: Arc | undefined;
};

export type Worked =
  | { kind: "in time"; endsAt: EpochMs; spare: Seconds }
  | { kind: "cut" | "more"; endsAt: EpochMs; rest: NewRest }
  | { kind: "too late"; endsAt: EpochMs; by: Seconds; rest: NewRest | undefined; hurried: boolean }
  | { kind: "later"; rest: NewRest }
  | { kind: "ways"; of: string; at: Place; ways: { drill: string; level: LevelName; name: string }[] }
  | { kind: "swapped"; swap: Omit<Swap, "drill"> & { drill: string } }
  /** There is nothing that could come later, or stand in its place. */
  | { kind: "not there" };

/** Works out what is asked for in a class as it is at a moment. */
export function* reckon(given: ReckonGiven, late: () => boolean): Steps<Worked> {
  const { ask, at, session, commands } = given;
  const [handedOut, known] = [new Map(given.drills.map((d) => [d.id, d])), new Map(given.known.map((d) => [d.id, d]))];
  const frozen = freeze(session, (id) => handedOut.get(id), given.fold);
  yield;
  const live = advance(fold(frozen, commands), at);
  yield;
  const by = {
    session,
    drills: (id: string) => handedOut.get(id) ?? known.get(id),
    known: (id: string) => known.get(id) ?? handedOut.get(id),
    group: given.group,
    arc: given.arc,
  };
  /** Classes of the first fold carry what comes of a change. */
  const carried = <C extends NewRest | Omit<Swap, "drill">>(change: C): C => {
    const after = live.run.segments[live.ids.indexOf(change.after)];
    return given.fold < 2 && after && change.cuts
      ? { ...change, segments: restAfter(session, change.cuts, after, by.drills) }
      : change;
  };
  if (ask.ask === "finish") {
    const found = yield* finishBy(live, at, ask.by, by, late);
    if (found.kind === "cut") return { kind: "cut", endsAt: found.endsAt, rest: carried(found.rest) };
    if (found.kind === "too late") return { ...found, rest: found.rest && carried(found.rest) };
    const more = ask.use ? yield* moreTime(live, at, ask.by, by, late) : undefined;
    return more ? { kind: "more", endsAt: more.endsAt, rest: carried(more.rest) } : found;
  }
  if (ask.ask === "later") {
    const rest = yield* nextLater(live, at, by);
    return rest ? { kind: "later", rest: carried(rest) } : { kind: "not there" };
  }
  const among = { ...by, offered: given.offered };
  if (ask.ask === "ways") {
    const found = yield* swapWays(live, at, among);
    if (!found) return { kind: "not there" };
    return {
      kind: "ways",
      of: found.of,
      at: found.place,
      ways: found.ways.map(({ drill, level }) => ({ drill: drill.id, level, name: drill.name })),
    };
  }
  const drill = by.known(ask.drill) ?? given.offered.find(({ id }) => id === ask.drill);
  const swap = drill && (yield* swapTo(live, at, { drill, level: ask.level }, among));
  const elsewhere = swap && ask.at && (swap.at.block !== ask.at.block || swap.at.item !== ask.at.item);
  if (!swap || elsewhere) return { kind: "not there" };
  return { kind: "swapped", swap: carried({ ...swap, drill: drill.id }) };
}
