import { servedSeconds } from "~/core/arc/arcs";
import { formIn } from "~/core/drills/form";
import { candidatesOf, type Candidate, type Limit } from "./candidates";
import type { DraftRequest } from "./request";
import { stepOf } from "./sequencing";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf, type Coverage } from "~/core/coverage/coverage";
import { fitOf, missingRows, targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { against, levelAsWorked, protectionsOf } from "~/core/group/protect";
import { removeItem } from "~/core/session/edits";
import type { Item, SessionPlan } from "~/core/session/schema";
import { protectionWords } from "~/core/wording/areas";
import { secondsText } from "~/core/lengths";
import { capital, LEVEL_WORDS, listWords } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";
import { STAYING } from "~/core/vocabulary/postures";
import { postureChanges } from "~/core/timeline/totals";
import type { Seconds, Share } from "~/core/units";

/** Why a drill is in a draft, and why it stands where it does; both whole sentences. */
export type Reason = { why: string; place: string };

/** A motion that gets less than is asked, and why. */
export type Missing = { row: Motion; has: Seconds; wants: Seconds; why: string };

/** What can be said of a session that answers a request; cautions are what the audit would have looked at, and who does something else. */
export type Stated = {
  session: SessionPlan;
  seconds: Seconds;
  fit: Share;
  postureChanges: number;
  missing: Missing[];
  reasons: Reason[][];
  cautions: string[];
};

type Drills = (id: string) => Drill | undefined;

/** What drills each limit keeps out is called, after “is kept out by”. */
export const LIMIT_WORDS: Readonly<Record<Limit, string>> = {
  kit: "the kit you have",
  ground: "what the group stands on",
  "protected-areas": "what is protected",
  "balance-support": "nothing to hold on to",
  "mixed-group": "the mixed abilities",
  caps: "the caps",
  floor: "the floor there is",
  methods: "the methods allowed",
  effort: "no effort ramps",
  never: "the drills you left out",
  interval: "the clock",
  purpose: "what the session is for",
};

/** Everything a draft says of itself: its length, fit, changes of position, what is short and why, and the reasons for each drill. */
export function stated(
  session: SessionPlan,
  request: DraftRequest,
  offered: readonly Drill[],
  candidates: readonly Candidate[],
  kept: ReadonlyMap<Limit, readonly string[]>,
): Stated {
  const byId = new Map(offered.map((drill) => [drill.id, drill]));
  const drills: Drills = (id) => byId.get(id);
  const timeline = compile(session, drills);
  const coverage = coverageOf(session, timeline, drills);
  const missing = missingRows(coverage, request.demand, servedSeconds(request.purpose, request.target)).map((one) => ({
    ...one,
    why: whyMissing(one.row, candidates, kept, offered, drills),
  }));
  const found = audit(auditInput(session, drills, { demand: request.demand, group: request.group, offered }));
  const cautions = found
    .filter(({ severity, rule }) => severity !== "hint" || rule === "protected-areas")
    .map(({ message }) => message);
  return {
    cautions,
    session,
    seconds: timeline.totalSeconds,
    fit: fitOf(coverage, request.demand, servedSeconds(request.purpose, request.target)),
    postureChanges: postureChanges(timeline.segments),
    missing,
    reasons: reasonsOf(session, coverage, request, drills),
  };
}

function whyMissing(
  row: Motion,
  candidates: readonly Candidate[],
  kept: ReadonlyMap<Limit, readonly string[]>,
  offered: readonly Drill[],
  drills: Drills,
): string {
  const has = (level: Drill["levels"]["standard"]) => level.main.includes(row) || level.also.includes(row);
  if (candidates.some((c) => has(c.drill.levels[c.level]))) return "the time went to motions that count more";
  const limits = [...kept].filter(([, ids]) =>
    ids.some((id) => {
      const drill = drills(id);
      return drill !== undefined && has(drill.levels.standard);
    }),
  );
  if (limits.length === 0)
    return offered.some((drill) => Object.values(drill.levels).some(has))
      ? "no drill for it suits this sequencing and length"
      : "no drill in the library works it";
  return `the drills for it are ruled out by ${listWords(limits.map(([limit]) => LIMIT_WORDS[limit]))}`;
}

function reasonsOf(session: SessionPlan, coverage: Coverage, request: DraftRequest, drills: Drills): Reason[][] {
  let before: { item: Item; drill: Drill } | undefined;
  const last = session.blocks.length - 1;
  return session.blocks.map((block, b) =>
    block.items.map((item, i): Reason => {
      const drill = formIn(item, drills)!;
      const closes = b === last && i === block.items.length - 1 && session.blocks.length > 1;
      const reason = {
        why: [
          whyHere(session, { block: b, item: i }, coverage, request, drills),
          ...levelWords(item, drill, request),
        ].join(" "),
        place: [whyThere(drill, item, closes, request), ...stays(before, item, drill)].join(" "),
      };
      before = { item, drill };
      return reason;
    }),
  );
}

/** What the demand would lose without it, row by row. */
function whyHere(
  session: SessionPlan,
  place: { block: number; item: number },
  coverage: Coverage,
  request: DraftRequest,
  drills: Drills,
): string {
  const { demand, target, purpose, must, locked } = request;
  const item = session.blocks[place.block]!.items[place.item]!;
  const drill = formIn(item, drills)!;
  if (locked.some((one) => one.drill === item.drill)) return "You locked it.";
  const rest = removeItem(session, place);
  const without = coverageOf(rest, compile(rest, drills), drills);
  const targets = targetsOf(demand, servedSeconds(purpose, target));
  const level = drill.levels[item.level];
  const losses = MOTIONS.filter((row) => level.main.includes(row) || level.also.includes(row))
    .map((row) => ({
      row,
      gives: coverage[row].counts - without[row].counts,
      loss:
        weightOf(demand, row) === 0
          ? 0
          : weightOf(demand, row) *
            (Math.min(1, coverage[row].counts / targets[row]) - Math.min(1, without[row].counts / targets[row])),
    }))
    .filter(({ loss }) => loss > 1e-6)
    .sort((a, b) => b.loss - a.loss);
  const asked = must.includes(item.drill) ? "You asked for it. " : "";
  const [first, second] = losses;
  if (!first)
    return `${asked}${asked ? "It also works" : "It closes the session and works"} ${listWords(level.main.slice(0, 2).map((row) => MOTION_FACTS[row].words))}.`;
  const only =
    without[first.row].counts < 1
      ? `nothing else in the session works it`
      : `${secondsText(Math.round(first.gives))} of the ${secondsText(Math.round(targets[first.row]))} needed`;
  return `${asked}For ${MOTION_FACTS[first.row].words}: ${only}${second ? `; also for ${MOTION_FACTS[second.row].words}` : ""}. ${demand.id === "picked" ? "" : sentence(demand.rows[first.row]!.why)}`.trim();
}

const sentence = (text: string): string => `${capital(text)}${/[.!?]$/.test(text) ? "" : "."}`;

function levelWords(item: Item, drill: Drill, { level, group, locked }: DraftRequest): string[] {
  if (item.level === level || locked.some((one) => one.drill === item.drill)) return [];
  const areas = group
    ? against(drill.levels[level], levelAsWorked(drill, level), protectionsOf(group.setting.areas ?? []))
    : [];
  return [
    `At its ${LEVEL_WORDS[item.level]} level${areas.length > 0 ? `, as the group protects ${listWords(areas.map((one) => protectionWords(one)))}` : ", so that everyone can do it with the kit you have"}.`,
  ];
}

function whyThere(drill: Drill, item: Item, closes: boolean, { school, purpose }: DraftRequest): string {
  const step = stepOf(school, { drill, level: drill.levels[item.level], name: item.level });
  if (closes && purpose.startsWith("before-")) return "Last, because a whole movement on the feet uses the new range.";
  if (closes && drill.method === "breath") return "Last, because slow breathing sends people off calmer.";
  return step ? sentence(school.stages[step.stage]!.why) : "Where it fits.";
}

function stays(before: { item: Item; drill: Drill } | undefined, item: Item, drill: Drill): string[] {
  if (!before) return [];
  const [was, is] = [before.drill.levels[before.item.level], drill.levels[item.level]];
  const kit = is.kit.filter((piece) => was.kit.includes(piece));
  return [
    ...(was.endPosture === is.posture ? [`Everyone stays ${STAYING[is.posture]}.`] : []),
    ...(kit.length > 0 ? [`The ${KIT_FACTS[kit[0]!].words} is there already.`] : []),
  ];
}

/** The same for a session that has been changed by hand. */
export function restated(session: SessionPlan, request: DraftRequest, offered: readonly Drill[]): Stated {
  const { candidates, kept } = candidatesOf(request, offered);
  return stated(session, request, offered, candidates, kept);
}
