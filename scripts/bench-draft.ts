import { readFileSync } from "node:fs";
import { audit, auditInput } from "~/core/audit/audit";
import { draft, SHORT_AT_MOST } from "~/core/draft/draft";
import { ARCS } from "~/core/arc/arcs";
import { placeOf } from "~/core/arc/ground";
import { courseOf } from "~/core/audit/course";
import { lastApart, readRequest, type DraftRequest } from "~/core/draft/request";
import { AREAS } from "~/core/vocabulary/areas";
import type { Drill } from "~/core/drills/schema";
import { PURPOSES, type SessionPlan } from "~/core/session/schema";
import { totalsByKind } from "~/core/timeline/totals";
import { amountOf, withAmount } from "~/core/dose/amount";
import { median, quantile } from "~/core/statistics";
import { DRILLS, drillById } from "~/library";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";
import { sequencingById, SEQUENCINGS } from "~/library/sequencings";
import { drawn, EVERY_SETTING } from "~/fixtures/settings-for-drafts";
import { openSolver } from "~/solver/highs";

export type Line = { what: string; value: string; baseline: string; ratio: string; goal?: string; met?: boolean };

const TARGETS = [300, 420, 600, 720, 900, 1200, 1500, 1800];

/** Groups of all kinds: no group, a few who protect areas with little kit, many with caps, and a class that protects several areas with next to no kit. */
const groupOf = (k: number): object | undefined =>
  [
    undefined,
    {
      name: "Few",
      people: [
        { name: "A", areas: ["kneeling"] },
        { name: "B", areas: ["wrist-weight", "floor"] },
      ],
      setting: { kit: { pad: 12, stick: 2, support: 6, wall: 1 } },
    },
    {
      name: "Many",
      people: Array.from({ length: 12 }, (_, i) => ({ name: `P${i}` })),
      setting: { kit: { pad: 12 }, effortCap: 60, holdCap: 45, mixed: true },
    },
    {
      name: "Careful",
      people: [{ name: "C", areas: ["knee-deep-bend"] }],
      setting: { kit: { pad: 1, wall: 1, support: 1 }, areas: [AREAS[k % 3]!, "knee-twist"], support: true },
    },
  ][k % 4];

export const benchRequest = (k: number): DraftRequest => {
  const group = groupOf(Math.floor(k / 2));
  const read = readRequest(
    {
      target: TARGETS[k % 8],
      purpose: PURPOSES[k % 6],
      demand: SPORT_PROFILES[(k * 7) % SPORT_PROFILES.length]!.id,
      school: SEQUENCINGS[(k * 3) % SEQUENCINGS.length]!.id,
      ...(group && { group }),
    },
    { demands: profileById, schools: sequencingById, drills: drillById },
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};

/** A library of this many drills: those that ship, then the same idea with other usual doses and, now and then, one row less. */
export function libraryOf(count: number): Drill[] {
  return Array.from({ length: count }, (_, n) => {
    const drill = DRILLS[n % DRILLS.length]!;
    const round = Math.floor(n / DRILLS.length);
    if (round === 0) return count > DRILLS.length ? { ...drill, family: drill.family ?? drill.id } : drill;
    const levels = Object.fromEntries(
      Object.entries(drill.levels).map(([name, level]) => {
        const { value } = amountOf(level.dose);
        const other = Math.min(
          level.bounds.most,
          Math.max(level.bounds.least, value + (round % 2 ? 1 : -1) * Math.ceil(round / 2) * level.bounds.step),
        );
        return [
          name,
          {
            ...level,
            dose: level.dose.kind === "ladder" ? level.dose : withAmount(level.dose, other),
            also: (n + round) % 3 === 0 ? level.also.slice(1) : level.also,
          },
        ];
      }),
    ) as Drill["levels"];
    return {
      ...drill,
      id: `${drill.id}-${round}`,
      name: `${drill.name} ${round}`,
      family: drill.family ?? drill.id,
      levels,
    };
  });
}

const REQUESTS = 64;
/** So many of them are asked for once more, to differ from what their first draft had. */
const AGAIN = 8;
const WITH_MANY = 16;
/** One that was answered before, for the same group, with at most half of that again. */
function differing(k: number, drills: string[]): DraftRequest {
  const request = benchRequest(k);
  return {
    ...request,
    differ: 1,
    group: {
      ...(request.group ?? { name: "Squad", people: [], setting: {} }),
      lately: [{ title: request.title, drills }],
    },
  };
}

const percent = (share: number) => `${(share * 100).toFixed(2)} %`;

/** What is measured of one draft. */
type Measured = {
  warned: boolean;
  dead: number;
  filler: number;
  unspoken: number;
  low: number;
  ends: boolean;
  warm: number;
};

/** How a draft does as a session that somebody runs. */
function measure(
  session: SessionPlan,
  request: DraftRequest,
  drills: (id: string) => Drill | undefined,
  offered: readonly Drill[],
): Measured {
  const input = auditInput(session, drills, {
    demand: request.plain,
    group: request.group,
    offered,
    arc: request.arc,
  });
  const found = audit(input);
  const sums = totalsByKind(input.timeline.segments);
  const { works } = courseOf(input);
  const of = (is: (one: (typeof works)[number]) => boolean) =>
    works.reduce((sum, one) => (is(one) ? sum + one.segment.seconds : sum), 0) / Math.max(1, sums.work);
  return {
    warned: found.some(({ severity }) => severity !== "hint"),
    dead: (sums.move + sums.demo + sums.turn + sums.switch) / input.timeline.totalSeconds,
    filler: found.filter(({ rule }) => rule === "filler").length,
    unspoken: found.filter(({ rule }) => rule === "spoken").length,
    low: of(({ segment }) => placeOf(segment.posture) === "low"),
    ends: !found.some(({ rule }) => rule === "closing"),
    warm: of(({ scales }) => scales.pulse >= 2),
  };
}

/** Drills of the phases that serve motions. */
const servedIn = (session: SessionPlan): string[] =>
  session.blocks
    .filter(({ phase }) => ARCS[session.purpose].phases.some((one) => one.id === phase && one.serves && !one.needed))
    .flatMap((block) => block.items.map((item) => item.drill));

/** The requests of the reading: those that first drafts are kept of, and those of other people, sports, surfaces and lengths. */
function readings(): DraftRequest[] {
  const json = (path: string): unknown => JSON.parse(readFileSync(new URL(path, import.meta.url), "utf8"));
  const first = Array.from(
    { length: 24 },
    (_, i) => (json(`../fixtures/first-drafts/${String(i + 1).padStart(2, "0")}.json`) as { request: object }).request,
  );
  return [...first, ...(json("../fixtures/readings/own.json") as object[])].map((written) => {
    const read = readRequest(
      { ...written, drafts: 3 },
      { demands: profileById, schools: sequencingById, drills: drillById },
    );
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return read.value;
  });
}

/** So many of all settings are drafted for in a bench; all of them with `every` among its words. */
const SOME_SETTINGS = 240;

/** Drafts of the reading and of every purpose, length, sport, kit and surface: whether there is one, what is found in it, how long it takes. */
export async function draftingEverywhere(every: boolean): Promise<Line[]> {
  const solve = await openSolver();
  const look = (requests: readonly (() => DraftRequest)[]) => {
    const times: number[] = [];
    let [none, warned, drafts] = [0, 0, 0];
    for (const make of requests) {
      const request = make();
      const start = performance.now();
      const answer = draft(request, DRILLS, solve);
      times.push(performance.now() - start);
      if (answer.kind !== "drafts") {
        none++;
        continue;
      }
      drafts += answer.drafts.length;
      warned += answer.drafts.filter(({ session }) => measure(session, request, drillById, DRILLS).warned).length;
    }
    return { times, none, warned, drafts };
  };
  const line = (what: string, { times, none, warned, drafts }: ReturnType<typeof look>): Line => ({
    what: `draft: ${what}: none, with a warning, of ${drafts}; median and 95th percentile of time`,
    value: `${none}, ${warned}; ${((median(times) ?? NaN) / 1000).toFixed(2)} and ${((quantile(times, 0.95) ?? NaN) / 1000).toFixed(2)} s`,
    baseline: "",
    ratio: "",
    goal: "none, none",
    met: none === 0 && warned === 0,
  });
  const settings = every ? EVERY_SETTING : drawn(EVERY_SETTING, SOME_SETTINGS, 1);
  return [
    line("the forty-eight requests of the reading", look(readings().map((request) => () => request))),
    line(
      `${settings.length} of ${EVERY_SETTING.length} purposes, lengths, sports, kit and surfaces`,
      look(settings.map(({ request }) => request)),
    ),
  ];
}

/** Drafts for requests of all kinds, from the library that ships and from one of a thousand, held against their bound and looked over as sessions that somebody runs. */
export async function drafting(each: (k: number, words: string) => void = () => undefined): Promise<Line[]> {
  const solve = await openSolver();
  const many = libraryOf(1000);
  const times: number[] = [],
    thousand: number[] = [],
    gaps: number[] = [];
  const all: (Measured & { purpose: string })[] = [];
  let [broken, outside, none, inAll, triples] = [0, 0, 0, 0, 0];
  const firsts = new Map<number, string[]>();
  for (let k = 0; k < REQUESTS + AGAIN; k++) {
    const first = k < REQUESTS ? k : (k - REQUESTS) * (REQUESTS / AGAIN + 1);
    const request = k < REQUESTS ? benchRequest(k) : differing(first, firsts.get(first) ?? []);
    const offered = first % (REQUESTS / WITH_MANY) === REQUESTS / WITH_MANY - 1 ? many : DRILLS;
    const known = new Map(offered.map((drill) => [drill.id, drill]));
    const byId = (id: string) => known.get(id);
    const start = performance.now();
    const answer = draft(request, offered, solve);
    const spent = performance.now() - start;
    times.push(spent);
    if (offered === many) thousand.push(spent);
    if (answer.kind !== "drafts") {
      none++;
      each(k, answer.kind);
      continue;
    }
    const [best] = answer.drafts;
    gaps.push(best!.gap);
    const has = best!.session.blocks.flatMap((block) => block.items.map((item) => item.drill));
    firsts.set(k, has);
    for (const { drills, most } of lastApart(request)) if (has.filter((id) => drills.has(id)).length > most) broken++;
    for (const one of answer.drafts) {
      if (one.seconds > request.target + 1e-6 || one.seconds < request.target - SHORT_AT_MOST - 1e-6) outside++;
      const found = audit(
        auditInput(one.session, byId, {
          demand: request.plain,
          group: request.group,
          offered,
          arc: request.arc,
        }),
      );
      if (found.some((f) => f.severity === "stop")) broken++;
      all.push({ ...measure(one.session, request, byId, offered), purpose: request.purpose });
    }
    if (answer.drafts.length === 3) {
      triples++;
      const [a, b, c] = answer.drafts.map(({ session }) => servedIn(session));
      if (a!.some((id) => b!.includes(id) && c!.includes(id))) inAll++;
    }
    each(
      k,
      `${request.target} s ${request.purpose} ${request.demand.id} ${request.school.id} of ${offered.length}: ${Math.round(spent)} ms, ${answer.drafts.map((d) => percent(d.fit)).join(", ")} of ${percent(best!.bound)}`,
    );
  }
  const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;
  const [middle, most, late] = [median(gaps) ?? NaN, Math.max(...gaps), quantile(times, 0.95) ?? NaN];
  const time = median(times) ?? NaN;
  const count = (of: (one: Measured) => boolean) => all.filter(of).length;
  const share = (of: (one: Measured) => number, purposes: RegExp) =>
    percent(median(all.filter(({ purpose }) => purposes.test(purpose)).map(of)) ?? NaN);
  const line = (what: string, value: string, goal?: string, met?: boolean): Line => ({
    what: `draft: ${what}`,
    value,
    baseline: "",
    ratio: "",
    ...(goal !== undefined && { goal }),
    ...(met !== undefined && { met }),
  });
  const [warned, filler, unspoken, ends] = [
    count((one) => one.warned),
    all.reduce((sum, one) => sum + one.filler, 0),
    all.reduce((sum, one) => sum + one.unspoken, 0),
    count((one) => one.ends),
  ];
  return [
    line(
      `gap to the proven bound, median of ${gaps.length} requests (5 to 30 min, all schools; ${none} with no session)`,
      percent(middle),
      "at most 3 %",
      middle <= 0.03 && gaps.length >= 60,
    ),
    line("the widest gap", percent(most), "at most 8 %", most <= 0.08),
    line(
      `up to three drafts, median time (with ${many.length} drills ${seconds(median(thousand) ?? NaN)})`,
      seconds(time),
      "under 1.5 s",
      time < 1500,
    ),
    line(`time, 95th percentile (longest ${seconds(Math.max(...times))})`, seconds(late), "under 5 s", late < 5000),
    line(
      `sessions that break a limit, or end outside ${SHORT_AT_MOST} s before their target`,
      `${broken} and ${outside}`,
      "none",
      broken === 0 && outside === 0,
    ),
    line(`of ${all.length}, with a warning when they are looked over`, `${warned}`, "none", warned === 0),
    line(
      "drills that add nothing; doses nobody says",
      `${filler} and ${unspoken}`,
      "none",
      filler === 0 && unspoken === 0,
    ),
    line("endings that match", `${ends} of ${all.length}`, "all", ends === all.length),
    line(`a drill that moves, holds or lengthens in all three drafts, of ${triples}`, `${inAll}`, "none", inAll === 0),
    line("dead time, median; before games", `${share((one) => one.dead, /./)}; ${share((one) => one.dead, /game/)}`),
    line(
      "of the work at a pulse that warms: games, training, lifting",
      ["game", "before-training", "lifting"].map((name) => share((one) => one.warm, new RegExp(name))).join(", "),
    ),
    line(
      "of the work on the floor: games, training, after",
      ["game", "before-training", "after"].map((name) => share((one) => one.low, new RegExp(name))).join(", "),
    ),
  ];
}
