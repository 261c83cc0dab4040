import { inLines } from "~/core/group/lines";
import { formIn } from "~/core/drills/form";
import { amongOf, arcOf, servedIn, type Candidate } from "./candidate";
import { candidatesOf, type Limit } from "./candidates";
import { outOfPhase } from "~/core/arc/fits";
import { oppositesOf } from "~/core/arc/opposites";
import type { Phase } from "~/core/arc/schema";
import { actionOf, REHEARSAL_WORDS } from "~/core/vocabulary/rehearses";
import type { DraftRequest } from "./request";
import { stepOf } from "./sequencing";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf, type Coverage } from "~/core/coverage/coverage";
import { fitOf, missingRows, targetsOf, weightOf } from "~/core/sport-profiles/fit";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { breathesOutLonger } from "~/core/dose/dose";
import { against, levelAsWorked, protectionsOf } from "~/core/group/protect";
import type { Item, SessionPlan } from "~/core/session/schema";
import { protectionWords } from "~/core/wording/areas";
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

/** Less missing than this is not worth saying. */
const WORTH_SAYING = { seconds: 5, share: 0.1 } as const;

type Drills = (id: string) => Drill | undefined;

/** What drills each limit keeps out is called, after “is kept out by”. */
export const LIMIT_WORDS: Readonly<Record<Limit, string>> = {
  kit: "the kit you have",
  ground: "what the group stands on",
  "protected-areas": "what is protected",
  "balance-support": "nothing to hold on to",
  "mixed-group": "the mixed abilities",
  "for-whom": "who they are",
  lanes: "the lanes there are",
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
  const coverage = coverageOf(session, timeline, drills, inLines(request.group));
  // What is nearly enough is enough.
  const missing = missingRows(coverage, request.demand, servedIn(request))
    .filter(({ has, wants }) => wants - has >= Math.max(WORTH_SAYING.seconds, WORTH_SAYING.share * wants))
    .map((one) => ({ ...one, why: whyMissing(one.row, candidates, kept, offered, drills) }));
  const found = audit(
    auditInput(session, drills, { demand: request.demand, group: request.group, offered, arc: request.arc }),
  );
  const cautions = found
    .filter(({ severity, rule }) => severity !== "hint" || rule === "protected-areas")
    .map(({ message }) => message);
  return {
    cautions,
    session,
    seconds: timeline.totalSeconds,
    fit: fitOf(coverage, request.demand, servedIn(request)),
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
  const arc = arcOf(request);
  const told = new Set<string>();
  let before: { item: Item; drill: Drill } | undefined;
  return session.blocks.map((block, b) => {
    const phase = arc.phases.find(({ id }) => id === block.phase);
    return block.items.map((item, i): Reason => {
      const drill = formIn(item, drills)!;
      const reason = {
        why: [
          whyHere(session, { block: b, item: i }, coverage, request, phase, drills),
          ...levelWords(item, drill, request, phase),
        ].join(" "),
        place: [...whyThere(phase, drill, item, before, told, request), ...stays(before, item, drill)].join(" "),
      };
      before = { item, drill };
      return reason;
    });
  });
}

/** What the sport asks for that a drill gives most of, in the words of its profile; or what it is there for. */
function whyHere(
  session: SessionPlan,
  place: { block: number; item: number },
  coverage: Coverage,
  request: DraftRequest,
  phase: Phase | undefined,
  drills: Drills,
): string {
  const { demand, must, locked } = request;
  const item = session.blocks[place.block]!.items[place.item]!;
  const drill = formIn(item, drills)!;
  if (locked.some((one) => one.drill === item.drill)) return "You locked it.";
  const asked = must.includes(item.drill) ? "You asked for it. " : "";
  const level = drill.levels[item.level];
  if (phase?.needed) return `${asked}${purposeOf(phase, drill, item, request)}`;
  const targets = targetsOf(demand, servedIn(request));
  const rows = [...level.main, ...level.also]
    .filter((row) => weightOf(demand, row) > 0)
    .map((row) => ({
      row,
      worth:
        weightOf(demand, row) *
        (level.main.includes(row) ? 1 : 0.5) *
        (coverage[row].counts < 2 * targets[row] ? 1 : 0.5),
    }))
    .sort((a, b) => b.worth - a.worth);
  const [first, second] = rows;
  if (!first) return `${asked}It moves ${listWords(level.main.slice(0, 2).map((row) => MOTION_FACTS[row].words))}.`;
  const why = demand.id === "picked" ? `${MOTION_FACTS[first.row].words}, as you asked` : demand.rows[first.row]!.why;
  const beside = second && level.main.includes(second.row) ? ` and ${MOTION_FACTS[second.row].words}` : "";
  return `${asked}${capital(MOTION_FACTS[first.row].words)}${beside}: ${why.replace(/[.\s]+$/, "")}.`;
}

/** What a drill is for in a phase that needs it, whatever motions it adds. */
function purposeOf(phase: Phase, drill: Drill, item: Item, { demand }: DraftRequest): string {
  const level = drill.levels[item.level];
  const action = actionOf(drill, demand);
  if (phase.takes.some(({ rehearses }) => rehearses === "lift"))
    return "The lift itself, light to heavier, so that the first working set is not the first.";
  if (phase.takes.some(({ rehearses }) => rehearses) && action)
    return `It is ${REHEARSAL_WORDS[action]} itself, from easy to nearly full speed.`;
  if (phase.takes.every(({ breath }) => breath))
    return breathesOutLonger(item.dose)
      ? "Slow breath, longer out than in, brings everyone down."
      : "Slow, even breath brings everyone down.";
  if (phase.id === "settle-in") return "An easy start, to leave the day outside.";
  if (phase.reaches) return (level.pulse ?? 0) >= 2 ? "It gets everyone warm." : "An easy start.";
  if (phase.course === "rising")
    return (level.impact ?? 0) >= 2
      ? "Landings, while nobody is tired yet."
      : action
        ? `A step towards ${REHEARSAL_WORDS[action]}.`
        : "It brings the speed up.";
  if (phase.course === "falling") return "Everyone keeps moving while the pulse comes down.";
  if (phase.id === "brisk-end")
    return (level.pulse ?? 0) >= 2 ? "Everyone ends on their feet, and awake." : "Bigger movements, to wake up.";
  return `${capital(MOTION_FACTS[level.main[0]!].words)} is switched on before it is needed.`;
}

const sentence = (text: string): string => `${capital(text)}${/[.!?]$/.test(text) ? "" : "."}`;

/** Why it is not at the level that was asked for: what is protected, or what that level is too much for. */
function levelWords(item: Item, drill: Drill, request: DraftRequest, phase: Phase | undefined): string[] {
  const { level, group, locked } = request;
  if (item.level === level || locked.some((one) => one.drill === item.drill)) return [];
  const areas = group
    ? against(drill.levels[level], levelAsWorked(drill, level), protectionsOf(group.setting.areas ?? []))
    : [];
  const words = `At its ${LEVEL_WORDS[item.level]} level`;
  if (areas.length > 0)
    return [`${words}, as the group protects ${listWords(areas.map((one) => protectionWords(one)))}.`];
  const why = phase && outOfPhase(phase, drill, level, drill.levels[level].dose, amongOf(request));
  return [why && !/(hold|part|else)/.test(why) ? `${words}: the ${LEVEL_WORDS[level]} one ${why} here.` : `${words}.`];
}

/** Why it stands there: the phase, once; the school’s stage, once; that its opposite has just worked. */
function whyThere(
  phase: Phase | undefined,
  drill: Drill,
  item: Item,
  before: { item: Item; drill: Drill } | undefined,
  told: Set<string>,
  { school }: DraftRequest,
): string[] {
  const once = (text: string | undefined): string[] =>
    text === undefined || told.has(text) ? [] : (told.add(text), [sentence(text)]);
  const level = drill.levels[item.level];
  const step = phase?.ordered ? stepOf(school, { drill, level, name: item.level }) : undefined;
  return [
    ...once(phase?.why),
    ...(opens(before, drill, item) ? ["Its opposite works just before, so that it lets go."] : []),
    ...(step && school.stages.length > 1 ? once(school.stages[step.stage]!.why) : []),
  ];
}

const SWITCHES: ReadonlySet<string> = new Set(["activation", "resisted", "strength"]);
const OPENS: ReadonlySet<string> = new Set(["hold", "effort", "dynamic"]);

/** Whether the drill before switches on what this one opens the opposite of. */
function opens(before: { item: Item; drill: Drill } | undefined, drill: Drill, item: Item): boolean {
  if (!before || !SWITCHES.has(before.drill.method) || !OPENS.has(drill.method)) return false;
  const worked = before.drill.levels[before.item.level].main;
  return drill.levels[item.level].main.some((row) => oppositesOf(row).some((one) => worked.includes(one)));
}

function stays(before: { item: Item; drill: Drill } | undefined, item: Item, drill: Drill): string[] {
  if (!before || before.drill.id === drill.id) return [];
  const [was, is] = [before.drill.levels[before.item.level], drill.levels[item.level]];
  const kit = is.kit.filter((piece) => was.kit.includes(piece));
  return [
    ...(was.endPosture === is.posture && is.posture !== "standing" ? [`Everyone stays ${STAYING[is.posture]}.`] : []),
    ...(kit.length > 0 ? [`The ${KIT_FACTS[kit[0]!].words} is there already.`] : []),
  ];
}

/** The same for a session that has been changed by hand. */
export function restated(session: SessionPlan, request: DraftRequest, offered: readonly Drill[]): Stated {
  const { candidates, kept } = candidatesOf(request, offered);
  return stated(session, request, offered, candidates, kept);
}
