import { formIn } from "~/core/drills/form";
import { liftOf } from "~/core/arc/lift";
import { draftRequestSchema, keptRequestSchema, type KeptRequest } from "./request";
import { stepOf, stepRank, type Sequencing } from "./sequencing";
import { coverageOf } from "~/core/coverage/coverage";
import { MOTION_FACTS, MOTIONS, type Joint, type Motion } from "~/core/vocabulary/motions";
import type { Area } from "~/core/vocabulary/areas";
import type { Drill } from "~/core/drills/schema";
import type { GroupSetting } from "~/core/group/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Purpose, SessionPlan } from "~/core/session/schema";
import { usualPace } from "~/core/dose/pace";
import { compile } from "~/core/timeline/compile";
import type { Seconds } from "~/core/units";

type Drills = (id: string) => Drill | undefined;

/** What was last done with a group: what the next request begins with. */
export type Last = { purpose: Purpose; target: Seconds; demand: string | undefined };

/** The same for one group, or for nobody in particular. */
export type LastWith = Last & { groupId: string | null };

/** What was last done with a group; with anybody, the latest first, where nobody is said. */
export const lastOf = (lasts: readonly LastWith[], groupId: string | null): Last | undefined =>
  groupId === null ? lasts[0] : lasts.find((last) => last.groupId === groupId);

const TEN_MINUTES: Seconds = 600;
const SHORT: Seconds = 300;

const kept = (value: unknown): KeptRequest => keptRequestSchema.parse(value);

/** A request with nothing said yet, after what was last done with the group. */
export const usualRequest = (last?: Last): KeptRequest =>
  kept({
    target: last?.target ?? TEN_MINUTES,
    purpose: last?.purpose ?? "before-training",
    demand: last?.demand ?? "general",
  });

/** A request when it turns to another group: what is still as the first group's usual becomes the other's usual, what was changed stays, and all of it where nothing was done with the other yet; a setting said for this request goes. */
export function forAnother(request: KeptRequest, before: Last | undefined, after: Last | undefined): KeptRequest {
  const { setting: _, ...others } = request;
  // What was learnt of a group’s pace is that group’s.
  const rest = { ...others, pace: usualPace(request.pace) };
  if (!after) return rest;
  const [was, becomes] = [usualRequest(before), usualRequest(after)];
  const still = <K extends "target" | "purpose" | "demand">(part: K) =>
    request[part] === was[part] ? becomes[part] : request[part];
  return { ...rest, target: still("target"), purpose: still("purpose"), demand: still("demand") };
}

/** A few minutes for one motion, with the others of its joint beside it. */
export function requestForRow(row: Motion, last?: Last): KeptRequest {
  const beside = MOTIONS.filter((other) => other !== row && MOTION_FACTS[other].joint === MOTION_FACTS[row].joint);
  return kept({
    ...usualRequest(last),
    target: SHORT,
    demand: { rows: { [row]: 3, ...Object.fromEntries(beside.map((other) => [other, 1])) } },
  });
}

/** A few minutes for a joint, all its motions alike. */
export function requestForJoint(joint: Joint, last?: Last): KeptRequest {
  return kept({
    ...usualRequest(last),
    target: SHORT,
    demand: {
      rows: Object.fromEntries(MOTIONS.filter((row) => MOTION_FACTS[row].joint === joint).map((row) => [row, 2])),
    },
  });
}

export type Same = {
  demand: string | undefined;
  target?: Seconds | undefined;
  without?: Area | undefined;
  setting?: GroupSetting | undefined;
};

/**
 * Much the same as a session there is: its purpose, pace and length or another one, what it is asked for or what it works,
 * the school its order is nearest to, its own drills again where they can be, and without what loads an area.
 */
export function requestLike(
  session: SessionPlan,
  drills: Drills,
  schools: readonly Sequencing[],
  { demand, target, without, setting = {} }: Same,
): KeptRequest {
  const timeline = compile(session, drills);
  const items = session.blocks.flatMap((block) => block.items);
  return kept({
    title: session.title,
    purpose: session.purpose,
    target: clamp(target ?? session.target ?? Math.round(timeline.totalSeconds)),
    demand: demand ?? { rows: worked(session, drills) },
    lift: liftOf(session, drills),
    school: nearestSchool(session, drills, schools),
    level: mostLevel(items.map((item) => item.level)),
    pace: session.pace,
    firstSide: session.firstSide,
    like: [...new Set(items.map((item) => item.drill))].slice(0, 60),
    ...(without && { setting: { ...setting, areas: [...new Set([...(setting.areas ?? []), without])] } }),
  });
}

const clamp = (target: Seconds): Seconds =>
  Math.min(
    draftRequestSchema.shape.target.maxValue ?? Infinity,
    Math.max(draftRequestSchema.shape.target.minValue ?? 0, target),
  );

/** Weights for what a session works now: 3 for what it works most, by shares down from there. */
function worked(session: SessionPlan, drills: Drills): Partial<Record<Motion, number>> {
  const coverage = coverageOf(session, compile(session, drills), drills);
  const most = Math.max(...MOTIONS.map((row) => coverage[row].counts));
  if (most <= 0) return { trunk: 1 };
  return Object.fromEntries(
    MOTIONS.filter((row) => coverage[row].counts > most / 30).map((row) => [
      row,
      Math.max(0.1, Math.round((coverage[row].counts / most) * 30) / 10),
    ]),
  );
}

const mostLevel = (levels: readonly LevelName[]): LevelName => {
  const count = (level: LevelName) => levels.filter((one) => one === level).length;
  return (["standard", "easier", "harder"] as const).reduce((a, b) => (count(b) > count(a) ? b : a));
};

/** The school under which fewest pairs of the session's drills stand the wrong way round; of equals, the one that tells most of them apart. */
export function nearestSchool(session: SessionPlan, drills: Drills, schools: readonly Sequencing[]): string {
  const items = session.blocks.flatMap((block) => block.items);
  const looked = (school: Sequencing): { wrong: number; apart: number } => {
    const ranks = items.flatMap((item) => {
      const drill = formIn(item, drills);
      const step = drill && stepOf(school, { drill, level: drill.levels[item.level], name: item.level });
      return step ? [stepRank(step)] : [];
    });
    let pairs = 0;
    ranks.forEach((rank, i) => (pairs += ranks.slice(i + 1).filter((later) => later < rank).length));
    return { wrong: pairs, apart: new Set(ranks).size };
  };
  return schools
    .map((school) => ({ school, ...looked(school) }))
    .reduce((a, b) => (b.wrong < a.wrong || (b.wrong === a.wrong && b.apart > a.apart) ? b : a)).school.id;
}
