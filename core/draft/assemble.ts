import type { Chosen } from "./arrange";
import { clockOf, isRehearsal } from "./candidate";
import { isLift } from "~/core/arc/fits";
import type { Dosed } from "./dose";
import { familiarTo } from "~/core/audit/rules/showing";
import { showingFor } from "~/core/arc/showing";
import type { DraftRequest } from "./request";
import { stepTitle } from "./sequencing";
import { withAmount } from "~/core/dose/amount";
import type { Drill } from "~/core/drills/schema";
import type { Block, Cue, Interval, Item, SessionPlan } from "~/core/session/schema";
import { newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { gapsOf } from "~/core/timeline/gaps";
import { placeKey } from "~/core/timeline/totals";
import { actionOf, REHEARSAL_WORDS } from "~/core/vocabulary/rehearses";
import type { Seconds } from "~/core/units";

/** Less showing than this is none, in a rest. */
const LEAST_SHOWING: Seconds = 5;

/** The session of drills in order: a block for each phase, with the parts of it that are gone through twice by themselves. */
export function sessionOf(
  { chosen, twice, after }: Pick<Dosed, "chosen" | "twice" | "after">,
  request: DraftRequest,
): SessionPlan {
  const byId = new Map(chosen.map(({ candidate }) => [candidate.drill.id, candidate.drill] as const));
  const session = blocksOf({ chosen, twice, after }, request);
  return request.interval ? shownInRests(session, request, (id) => byId.get(id)) : session;
}

function blocksOf(
  { chosen, twice, after }: Pick<Dosed, "chosen" | "twice" | "after">,
  request: DraftRequest,
): SessionPlan {
  const { title, purpose, target, pace, firstSide } = request;
  const blocks: Block[] = [];
  let key: string | undefined;
  let oneSided = false;
  chosen.forEach((one, j) => {
    const { phase, step, drill } = one.candidate;
    const round = twice.findIndex(({ from, to }) => from <= j && j <= to);
    const clock = clockOf(request, phase);
    const words = titleOf(one, request, round >= 0);
    const now = `${phase.id} ${round} ${round < 0 && step && request.schoolAsked ? step.stage : ""} ${clock ? "" : words}`;
    // On the side that is in use: nobody changes sides just to begin the next drill.
    const stays = oneSided && drill.sides === "each";
    oneSided = drill.sides === "each";
    const items = itemsOf(one, stays, clock, j === 0);
    const pause = chosen[j + 1]?.candidate.at === one.candidate.at ? undefined : after.get(one.candidate.at);
    if (pause) items[items.length - 1] = { ...items.at(-1)!, restAfter: pause };
    const open = key === now ? blocks.at(-1) : undefined;
    if (open) open.items.push(...items);
    else
      blocks.push({
        title: words,
        rounds: round >= 0 ? 2 : 1,
        restBetweenRounds: round >= 0 ? twice[round]!.rest : 0,
        sideOrder: "drill-by-drill",
        phase: phase.id,
        ...(clock && { interval: clock }),
        items,
      });
    key = now;
  });
  return { ...newSession({ title, purpose, target }, blocks), pace, firstSide };
}

/** What a block is called: its phase, with the school’s stage in it, that it is gone through twice, or what it rehearses. */
function titleOf({ candidate }: Chosen, request: DraftRequest, twice: boolean): string {
  const { phase, step, drill } = candidate;
  if (phase.takes.some(({ rehearses }) => rehearses === "sport") && isRehearsal(request, candidate)) {
    const action = actionOf(drill, request.demand);
    return action ? `${phase.title} ${REHEARSAL_WORDS[action]}` : phase.title;
  }
  if (twice) return `${phase.title}, twice through`;
  if (!phase.ordered || !step || !request.schoolAsked || request.school.stages.length < 2) return phase.title;
  return `${phase.title}: ${stepTitle(request.school, step).toLowerCase()}`.slice(0, 120);
}

/** Weights of a lift, said as its sets begin. */
const BAR = ["The bar alone", "About 40 per cent of the day’s weight", "About 60 per cent", "About 75 per cent"];

function itemsOf({ candidate, option }: Chosen, stays: boolean, clock: Interval | undefined, first: boolean): Item[] {
  const { drill, level, without, show, showing, phase, kit } = candidate;
  const item: Item = {
    drill: drill.id,
    level,
    ...(stays && { firstSide: "current" as const }),
    dose: option.dose,
    sets: option.sets,
    restBetweenSets: option.rest,
    restAfter: 0,
    demo: clock && first ? showing : show,
    ...(without.length > 0 && { without: [...without] }),
  };
  if (!isLift(phase) || !option.lift) return [item];
  const { counts, rests } = option.lift;
  const bar = kit.includes("barbell");
  return counts.map((n, k): Item => {
    const cue: Cue[] = bar ? [{ at: 0, say: BAR[k] ?? BAR.at(-1)! }] : [];
    return {
      ...item,
      dose: withAmount(option.dose, n),
      restAfter: rests[k] ?? 0,
      demo: k === 0 ? show : 0,
      ...(cue.length > 0 && { cues: cue }),
    };
  });
}

/** A session by the clock with each drill shown for as long as the rest before it allows, by steps of five seconds; what begins is shown as long as asked. */
function shownInRests(
  session: SessionPlan,
  { pace, group }: DraftRequest,
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
        const drill = drills(item.drill);
        const wants = drill
          ? showingFor(drill, item.level, familiarTo({ group }, item.drill), group?.setting.who ?? "adults")
          : pace.demo;
        const demo = Math.min(pace.demo, wants, Math.floor(free / LEAST_SHOWING) * LEAST_SHOWING);
        return { ...item, demo: Math.max(0, demo) };
      }) as [Item, ...Item[]],
    })),
  };
}
