import { CLOSING, rowsOf, type Candidate } from "./candidates";
import { isEasy, mostChanges, mostUps, OFF_THE_FLOOR, WAY_IN } from "./model";
import { orderOfSteps } from "./order";
import type { DraftRequest } from "./request";
import { stepRank, stepTitle, type Step } from "./school";
import { isStrong } from "~/core/audit/rules/cold-effort";
import { setUpsOf } from "~/core/drills/kit";
import { hardness } from "~/core/drills/hardness";
import type { Dose, Item, Session } from "~/core/session/schema";
import { newSession } from "~/core/session/start";
import { HEIGHT, type Posture } from "~/core/timeline/postures";
import type { Seconds } from "~/core/units";

/** A drill that was chosen, and its dose. */
export type Chosen = { candidate: Candidate; index: number; dose: Dose };

/** The chosen drills in the best order of the school, and how long getting from one to the next takes. */
export function ordered(chosen: readonly Chosen[], request: DraftRequest): { steps: { step: Step; chosen: Chosen[] }[]; moving: Seconds } {
  const ranks = [...new Set(chosen.map((c) => stepRank(c.candidate.step)))].sort((a, b) => a - b);
  const groups = ranks.map((rank) => chosen.filter((c) => stepRank(c.candidate.step) === rank).sort((a, b) => hardOf(a) - hardOf(b) || (a.candidate.drill.id < b.candidate.drill.id ? -1 : 1)));
  let easy = 0;
  const things = groups.map((group) => {
    // Until there has been a way in, what is hard waits for what is easy.
    const waits = easy < WAY_IN;
    easy += group.reduce((sum, { candidate: c }) => sum + (isEasy(c) ? c.work.seconds : 0), 0);
    return group.map(({ candidate }) => ({
      from: candidate.from, to: candidate.to, kit: candidate.kit,
      // Strong effort waits for everything easier along its motions.
      after: group.flatMap((other, j) =>
        (waits && !isEasy(candidate) && isEasy(other.candidate)) ||
        (isStrong(candidate.doses[0]!) && other.candidate.doses[0]!.kind !== "effort" && meets(rowsOf(other.candidate, true), rowsOf(candidate, false))) ? [j] : [],
      ),
    }));
  });
  const { order, seconds } = orderOfSteps(things, request.pace);
  const steps = groups.map((group, s) => ({ step: group[0]!.candidate.step, chosen: order[s]!.map((i) => group[i]!) }));
  return { steps, moving: seconds + setUpsOf(steps.flatMap((step) => step.chosen.map(({ candidate }) => candidate.kit))) * request.pace.kitChange };
}

const hardOf = ({ candidate, dose }: Chosen): number => hardness(candidate.drill.method, candidate.level, dose);

const meets = (a: ReadonlySet<unknown>, b: ReadonlySet<unknown>): boolean => [...a].some((one) => b.has(one));

/** By how much drills in this order change position more often than is meant, and come up from the floor or go down to it. */
export function unrest(order: readonly Chosen[], target: Seconds): { changes: number; ups: number } {
  const between = order.slice(1).map(({ candidate }, i) => ({ from: order[i]!.candidate.to, to: candidate.from }));
  const off = (posture: Posture) => HEIGHT[posture] >= OFF_THE_FLOOR;
  return { changes: between.filter(({ from, to }) => from !== to).length - mostChanges(order.length), ups: between.filter(({ from, to }) => off(from) !== off(to)).length - mostUps(target) };
}

const CLOSINGS = { breath: "To finish, slow breath", pattern: "To finish, the whole movement" } as const;

/** The session of drills in order: a block for each stage, the closing by itself. */
export function sessionOf(steps: readonly { step: Step; chosen: readonly Chosen[] }[], request: DraftRequest): Session {
  const { title, purpose, target, school, pace, firstSide } = request;
  const blocks: { title: string; items: Item[] }[] = [];
  let oneSided = false;
  for (const { step, chosen } of steps) {
    const words = step === CLOSING ? CLOSINGS[chosen[0]?.candidate.drill.method === "breath" ? "breath" : "pattern"] : stepTitle(school, step);
    const items = chosen.map(({ candidate, dose }): Item => {
      // On the side that is in use: nobody changes sides just to begin the next drill.
      const stays = oneSided && candidate.drill.sides === "each";
      oneSided = candidate.drill.sides === "each";
      return { drill: candidate.drill.id, level: candidate.level, ...(stays && { firstSide: "current" as const }), dose, sets: 1, restBetweenSets: 0, restAfter: 0 };
    });
    const last = blocks.at(-1);
    if (last?.title === words) last.items.push(...items);
    else blocks.push({ title: words, items });
  }
  const session = newSession({ title, purpose, target }, blocks.map((block) => ({ rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill" as const, ...block })));
  return { ...session, pace, firstSide };
}
