import { CLOSING, rowsOf, type Candidate } from "./candidates";
import { isEasy, mostChanges, mostUps, OFF_THE_FLOOR, WAY_IN } from "./model";
import { orderOfSteps } from "./order";
import type { DraftRequest } from "./request";
import { stepRank, stepTitle, type Step } from "./sequencing";
import { isStrong } from "~/core/audit/rules/cold-effort";
import { setUpsOf } from "~/core/vocabulary/kit";
import { hardness } from "~/core/drills/hardness";
import type { Drill } from "~/core/drills/schema";
import type { Dose } from "~/core/dose/kinds";
import type { Interval, Item, SessionPlan } from "~/core/session/schema";
import { newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { gapsOf } from "~/core/timeline/gaps";
import { placeKey } from "~/core/timeline/totals";
import { HEIGHT, type Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";
import { asksEffort } from "~/core/dose/dose";

/** A drill that was chosen, and its dose. */
export type Chosen = { candidate: Candidate; index: number; dose: Dose };

/** The chosen drills in the best order of the school, how long getting from one to the next takes besides what is reckoned for each, and how many changes do not fit into the rest of a clock. */
export function ordered(
  chosen: readonly Chosen[],
  request: DraftRequest,
): { steps: { step: Step; chosen: Chosen[] }[]; moving: Seconds; waits: number } {
  const ranks = [...new Set(chosen.map((c) => stepRank(c.candidate.step)))].sort((a, b) => a - b);
  const groups = ranks.map((rank) =>
    chosen
      .filter((c) => stepRank(c.candidate.step) === rank)
      .sort((a, b) => hardOf(a) - hardOf(b) || (a.candidate.drill.id < b.candidate.drill.id ? -1 : 1)),
  );
  let easy = 0;
  const things = groups.map((group) => {
    // Until there has been a way in, what is hard waits for what is easy.
    const waits = easy < WAY_IN;
    easy += group.reduce((sum, { candidate: c }) => sum + (isEasy(c) ? c.work.seconds : 0), 0);
    return group.map(({ candidate }) => ({
      from: candidate.from,
      to: candidate.to,
      kit: candidate.kit,
      // Strong effort waits for everything easier along its motions.
      after: group.flatMap((other, j) =>
        (waits && !isEasy(candidate) && isEasy(other.candidate)) ||
        (isStrong(candidate.doses[0]!) &&
          !asksEffort(other.candidate.doses[0]!) &&
          meets(rowsOf(other.candidate, true), rowsOf(candidate, false)))
          ? [j]
          : [],
      ),
    }));
  });
  const { order, seconds } = orderOfSteps(things, request.pace);
  const steps = groups.map((group, s) => ({ step: group[0]!.candidate.step, chosen: order[s]!.map((i) => group[i]!) }));
  if (request.interval) {
    // By the clock changes take no time of their own, as long as they fit into the rest: what all of it comes to tells.
    const { session, drills } = laid(steps, request);
    const reckoned = chosen.reduce(
      (sum, { candidate: c, dose }) => sum + c.seconds + c.each * Math.max(0, c.doses.indexOf(dose)),
      0,
    );
    const { segments, totalSeconds } = compile(session, drills);
    return {
      steps,
      moving: totalSeconds - reckoned,
      waits: gapsOf(session, segments).filter(({ takes, has }) => takes > has).length,
    };
  }
  return {
    steps,
    waits: 0,
    moving:
      seconds +
      setUpsOf(steps.flatMap((step) => step.chosen.map(({ candidate }) => candidate.kit))) * request.pace.kitChange,
  };
}

const hardOf = ({ candidate, dose }: Chosen): number => hardness(candidate.drill.method, candidate.level, dose);

const meets = (a: ReadonlySet<unknown>, b: ReadonlySet<unknown>): boolean => [...a].some((one) => b.has(one));

/** By how much drills in this order change position more often than is meant, and come up from the floor or go down to it. */
export function unrest(order: readonly Chosen[], target: Seconds): { changes: number; ups: number } {
  const between = order.slice(1).map(({ candidate }, i) => ({ from: order[i]!.candidate.to, to: candidate.from }));
  const off = (posture: Posture) => HEIGHT[posture] >= OFF_THE_FLOOR;
  return {
    changes: between.filter(({ from, to }) => from !== to).length - mostChanges(order.length),
    ups: between.filter(({ from, to }) => off(from) !== off(to)).length - mostUps(target),
  };
}

const CLOSINGS = { breath: "To finish, slow breath", pattern: "To finish, the whole movement" } as const;

/** A session of drills in order, and where they are found. */
function laid(steps: readonly { step: Step; chosen: readonly Chosen[] }[], request: DraftRequest) {
  const session = sessionOf(steps, request);
  const byId = new Map(
    steps.flatMap((step) => step.chosen.map(({ candidate }) => [candidate.drill.id, candidate.drill] as const)),
  );
  return { session, drills: (id: string) => byId.get(id) };
}

/** Less showing than this is none, in a rest. */
const LEAST_SHOWING: Seconds = 5;

/** A session by the clock with each drill shown for as long as the rest before it allows, by steps of five seconds; what begins is shown as long as asked. */
function shownInRests(
  session: SessionPlan,
  { pace }: DraftRequest,
  drills: (id: string) => Drill | undefined,
): SessionPlan {
  const room = new Map(
    gapsOf(session, compile(session, drills).segments)
      .map(({ to, has, takes }) => [placeKey(to.block, to.item), has - takes])
      .reverse() as [string, Seconds][],
  );
  return {
    ...session,
    blocks: session.blocks.map((block, b) => ({
      ...block,
      items: block.items.map((item, i): Item => {
        const free = room.get(placeKey(b, i));
        if (!block.interval || item.demo === undefined || free === undefined) return item;
        const demo = Math.min(pace.demo, Math.floor(free / LEAST_SHOWING) * LEAST_SHOWING);
        return { ...item, demo: Math.max(0, demo) };
      }),
    })),
  };
}

/** One block, so that the rhythm goes on through all of it. */
const BY_THE_CLOCK = "By the clock";

/** The session of drills in order: a block for each stage, or one by the clock where that is asked for; the closing by itself. */
export function sessionOf(
  steps: readonly { step: Step; chosen: readonly Chosen[] }[],
  request: DraftRequest,
): SessionPlan {
  const byId = new Map(
    steps.flatMap((step) => step.chosen.map(({ candidate }) => [candidate.drill.id, candidate.drill] as const)),
  );
  const session = blocksOf(steps, request);
  return request.interval ? shownInRests(session, request, (id) => byId.get(id)) : session;
}

function blocksOf(steps: readonly { step: Step; chosen: readonly Chosen[] }[], request: DraftRequest): SessionPlan {
  const { title, purpose, target, school, pace, firstSide } = request;
  const { interval } = request;
  const blocks: { title: string; items: Item[]; interval?: Interval }[] = [];
  let oneSided = false;
  for (const { step, chosen } of steps) {
    const clock = step === CLOSING ? undefined : interval;
    const words = clock
      ? BY_THE_CLOCK
      : step === CLOSING
        ? CLOSINGS[chosen[0]?.candidate.drill.method === "breath" ? "breath" : "pattern"]
        : stepTitle(school, step);
    const items = chosen.map(({ candidate, dose }, i): Item => {
      const began = i > 0 || blocks.length > 0;
      // On the side that is in use: nobody changes sides just to begin the next drill.
      const stays = oneSided && candidate.drill.sides === "each";
      oneSided = candidate.drill.sides === "each";
      return {
        drill: candidate.drill.id,
        level: candidate.level,
        ...(stays && { firstSide: "current" as const }),
        ...(clock && began && { demo: 0 }),
        dose,
        sets: 1,
        restBetweenSets: 0,
        restAfter: 0,
      };
    });
    const last = blocks.at(-1);
    if (last?.title === words) last.items.push(...items);
    else blocks.push({ title: words, items, ...(clock && { interval: clock }) });
  }
  const session = newSession(
    { title, purpose, target },
    blocks.map((block) => ({ rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill" as const, ...block })),
  );
  return { ...session, pace, firstSide };
}
