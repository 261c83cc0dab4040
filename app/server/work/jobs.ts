import type { Arc } from "~/core/arc/schema";
import { auditInput, auditInSteps, type Finding } from "~/core/audit/audit";
import type { Drill } from "~/core/drills/schema";
import { paperInSteps, type Paper } from "~/core/edition/paper";
import type { PersonChoice } from "~/core/group/schema";
import { fallbacksFor } from "~/core/group/fallback";
import { insteadInSteps } from "~/core/group/instead";
import type { Protection } from "~/core/group/protect";
import type { Group, GroupSetting } from "~/core/group/schema";
import { reckon, type ReckonGiven, type Worked } from "~/core/live/reckon";
import { together, type Together } from "~/core/live/together";
import { wallAlternatives, type WallAlternatives } from "~/core/live/wall";
import type { Item, SessionPlan } from "~/core/session/schema";
import type { Steps } from "~/core/steps";
import { compile } from "~/core/timeline/compile";
import type { LevelName } from "~/core/vocabulary/levels";
import { DRILLS, lookupOf } from "~/library";

/*
 * What is worked out away from the thread that answers requests: each of it can take seconds. What a job is given and what it
 * answers are sent from one thread to another as plain data, without motions; drills that ship are here already, and so only a
 * club's own are sent.
 */

/**
 * A session with the drills it names, as they are looked at today, and a club’s own drills that may stand in for others. Where
 * `named` is given, it is the revisions of own drills that a session names.
 */
type OfSession = { session: SessionPlan; drills: readonly Drill[]; own: readonly Drill[] };

const named = (drills: readonly Drill[]) => {
  const byId = new Map(drills.map((drill) => [drill.id, drill]));
  return (id: string) => byId.get(id);
};
const offeredWith = (own: readonly Drill[]): readonly Drill[] => (own.length > 0 ? [...own, ...DRILLS] : DRILLS);

/** A finding without what mends it, which is done where it is looked at. */
export type Said = Omit<Finding, "fix" | "offer">;

/** What one person does at a place, by the drill’s id. */
export type InsteadAt = { block: number; item: number } & (
  { does: "rest" } | { does: "other"; drill: string; level: LevelName }
);

export type Jobs = {
  /** What comes of a change in a class that is asked for. */
  reckon: { given: Omit<ReckonGiven, "offered"> & { own: readonly Drill[] }; answer: Worked };
  /** What the people of a group do instead in a session. */
  together: { given: OfSession & { group: Group; arc: Arc | undefined }; answer: Together };
  /** What a wall shows for those who can’t do a drill. */
  wall: { given: OfSession & { setting: GroupSetting | undefined }; answer: WallAlternatives };
  /** What one person does instead. */
  instead: {
    given: OfSession & { protections: readonly Protection[]; group: Group; choices: readonly PersonChoice[] };
    answer: InsteadAt[];
  };
  /** What somebody could do in place of an item, the nearest first. */
  ways: {
    given: Omit<OfSession, "session"> & {
      item: Item;
      pace: SessionPlan["pace"];
      rounds: number;
      protections: readonly Protection[];
      group: Group;
      most: number;
    };
    answer: { drill: string; level: LevelName; name: string }[];
  };
  /** What is to be said of a session, for a group or for anyone. */
  audit: {
    given: { session: SessionPlan; named: readonly Drill[]; group: Group | undefined; arc: Arc | undefined };
    answer: Said[];
  };
  /** A session as it is printed. */
  paper: {
    given: { session: SessionPlan; named: readonly Drill[]; own: readonly Drill[]; group: Group | undefined };
    answer: Paper;
  };
};
export type JobName = keyof Jobs;

export const JOBS: { [N in JobName]: (given: Jobs[N]["given"], late: () => boolean) => Steps<Jobs[N]["answer"]> } = {
  reckon: ({ own, ...given }, late) => reckon({ ...given, offered: offeredWith(own) }, late),
  together: ({ session, drills, own, group, arc }) =>
    together(session, compile(session, named(drills)), group, {
      drills: named(drills),
      offered: offeredWith(own),
      arc,
    }),
  wall: ({ session, drills, own, setting }) => wallAlternatives({ session }, named(drills), offeredWith(own), setting),
  instead: function* ({ session, drills, own, protections, group, choices }) {
    const by = { drills: named(drills), offered: offeredWith(own), group, choices };
    const found = yield* insteadInSteps(session, protections, by);
    return found.map((one): InsteadAt => {
      const { block, item } = one;
      return one.does === "rest"
        ? { block, item, does: "rest" }
        : { block, item, does: "other", drill: one.drill.id, level: one.level };
    });
  },
  ways: function* ({ item, pace, rounds, drills, own, protections, group, most }) {
    const ways: Jobs["ways"]["answer"] = [];
    const by = { drills: named(drills), offered: offeredWith(own), pace, group, rounds };
    yield;
    for (const { drill, level } of fallbacksFor(item, protections, by)) {
      if (ways.length >= most) break;
      ways.push({ drill: drill.id, level, name: drill.name });
    }
    return ways;
  },
  audit: function* ({ session, named: own, group, arc }) {
    const input = auditInput(session, lookupOf(own), { demand: undefined, group, arc });
    yield;
    const found = yield* auditInSteps(input);
    return found.map(({ fix: _, offer: __, ...said }): Said => said);
  },
  paper: function* ({ session, named: revisions, own, group }) {
    const drills = lookupOf(revisions);
    const timeline = compile(session, drills);
    yield;
    return yield* paperInSteps(session, timeline, drills, { group, offered: offeredWith(own) });
  },
};
