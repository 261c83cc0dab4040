import { audit, auditInput } from "~/core/audit/audit";
import { draft, SHORT_AT_MOST } from "~/core/draft/draft";
import { candidatesOf } from "~/core/draft/candidates";
import { greedy } from "~/core/draft/greedy";
import { lastApart, readRequest, type DraftRequest } from "~/core/draft/request";
import { AREAS } from "~/core/vocabulary/areas";
import type { Drill } from "~/core/drills/schema";
import { PURPOSES } from "~/core/session/schema";
import { amountOf, withAmount } from "~/core/dose/amount";
import { median, quantile } from "~/core/statistics";
import { DRILLS, drillById } from "~/library";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";
import { sequencingById, SEQUENCINGS } from "~/library/sequencings";
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

/** A library of this many drills: those that ship, then the same with other usual doses and, now and then, one row less. */
export function libraryOf(count: number): Drill[] {
  return Array.from({ length: count }, (_, n) => {
    const drill = DRILLS[n % DRILLS.length]!;
    const round = Math.floor(n / DRILLS.length);
    if (round === 0) return drill;
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
    return { ...drill, id: `${drill.id}-${round}`, name: `${drill.name} ${round}`, levels };
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

/** Drafts for requests of all kinds, from the library that ships and from one of a thousand, held against their bound and a plain greedy choice. */
export async function drafting(each: (k: number, words: string) => void = () => undefined): Promise<Line[]> {
  const solve = await openSolver();
  const many = libraryOf(1000);
  const times: number[] = [],
    thousand: number[] = [],
    plain: number[] = [],
    gaps: number[] = [],
    wins: number[] = [];
  let [broken, outside, none, early, worse] = [0, 0, 0, 0, 0];
  const firsts = new Map<number, string[]>();
  for (let k = 0; k < REQUESTS + AGAIN; k++) {
    const first = k < REQUESTS ? k : (k - REQUESTS) * (REQUESTS / AGAIN + 1);
    const request = k < REQUESTS ? benchRequest(k) : differing(first, firsts.get(first) ?? []);
    const offered = first % (REQUESTS / WITH_MANY) === REQUESTS / WITH_MANY - 1 ? many : DRILLS;
    const byId = offered === many ? (id: string) => many.find((drill) => drill.id === id) : drillById;
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
      if (
        audit(auditInput(one.session, byId, { demand: request.demand, group: request.group, offered })).some(
          (f) => f.severity === "stop",
        )
      )
        broken++;
    }
    const before = performance.now();
    const simple = greedy(request, candidatesOf(request, offered).candidates);
    plain.push(performance.now() - before);
    // One that ends too early is no answer to the request.
    const answers = simple !== undefined && simple.seconds >= request.target - SHORT_AT_MOST - 1e-6;
    if (!answers) early++;
    const win = best!.fit - (simple?.fit ?? 0);
    wins.push(win);
    if (win < -1e-9 && answers) worse++;
    each(
      k,
      `${request.target} s ${request.demand.id} ${request.school.id} of ${offered.length}: ${Math.round(spent)} ms, ${answer.drafts.map((d) => percent(d.fit)).join(", ")} of ${percent(best!.bound)}, greedy ${percent(simple?.fit ?? 0)}`,
    );
  }
  const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;
  const [middle, most, late] = [median(gaps) ?? NaN, Math.max(...gaps), quantile(times, 0.95) ?? NaN];
  const time = median(times) ?? NaN;
  const base = median(plain) ?? NaN;
  const better = wins.filter((win) => win > 1e-4).length;
  return [
    {
      what: `draft: gap to the proven bound, median of ${gaps.length} requests (5 to 30 min, all schools; ${none} with no session)`,
      value: percent(middle),
      baseline: "the bound",
      ratio: "",
      goal: "at most 3 %",
      met: middle <= 0.03 && gaps.length >= 60,
    },
    {
      what: "draft: the widest gap",
      value: percent(most),
      baseline: "the bound",
      ratio: "",
      goal: "at most 8 %",
      met: most <= 0.08,
    },
    {
      what: `draft: up to three drafts, median time (with ${many.length} drills ${seconds(median(thousand) ?? NaN)})`,
      value: seconds(time),
      baseline: `a greedy choice ${seconds(base)}`,
      ratio: (time / base).toFixed(1),
      goal: "under 1.5 s",
      met: time < 1500,
    },
    {
      what: `draft: time, 95th percentile (longest ${seconds(Math.max(...times))})`,
      value: seconds(late),
      baseline: `a greedy choice ${seconds(quantile(plain, 0.95) ?? NaN)}`,
      ratio: (late / (quantile(plain, 0.95) ?? NaN)).toFixed(1),
      goal: "under 5 s",
      met: late < 5000,
    },
    {
      what: `draft: better than a greedy choice (worse in ${worse} where that lasts long enough to be a draft, which it does not in ${early}; least ${percent(Math.min(...wins))}, median ${percent(median(wins) ?? NaN)})`,
      value: `${better} of ${wins.length}`,
      baseline: "a greedy choice",
      ratio: "",
      goal: "never worse, better in most",
      met: worse === 0 && better > wins.length / 2,
    },
    {
      what: `draft: sessions that break a limit, or end outside ${SHORT_AT_MOST} s before their target`,
      value: `${broken} and ${outside}`,
      baseline: "none",
      ratio: "",
      goal: "none",
      met: broken === 0 && outside === 0,
    },
  ];
}
