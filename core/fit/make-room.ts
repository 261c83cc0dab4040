import { fitToTime, UNDER_AT_MOST, type FitAnswer, type FitRequest } from "./fit-to-time";
import type { Solve } from "./program";
import { addFix } from "~/core/audit/add";
import { auditInput } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf, missingRows } from "~/core/demands/fit";
import type { Demand } from "~/core/demands/schema";
import { ROWS } from "~/core/drills/rows";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { itemCount, removeItem, type Place } from "~/core/session/edits";
import type { Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { placeKey, totalsByItem } from "~/core/timeline/totals";

/** What may be done besides changing doses. */
export type Room = { drop: boolean; add: readonly Drill[]; group?: Group | undefined };

export type RoomAnswer = Exclude<FitAnswer, { kind: "fitted" }> | (Extract<FitAnswer, { kind: "fitted" }> & { dropped: string[]; added: string[]; from: Session });

/** Every motion asked for alike, where no demand was chosen. */
const EVEN: Demand = { id: "even", name: "Everything alike", about: "Every motion alike.", held: [], rows: Object.fromEntries(ROWS.map((row) => [row, { weight: 1, why: "everything alike" }])) };

const MOST_CHANGES = 30;

/**
 * Fits to time, and where doses alone cannot, first takes out drills that cost the demand least for their time, or adds
 * those it lacks most, one by one, as far as that is allowed. Locked drills and the closing one stay.
 */
export function fitWithRoom(request: FitRequest, room: Room, drills: (id: string) => Drill | undefined, solve: Solve): RoomAnswer {
  let { session, locked } = request;
  const dropped: string[] = [];
  const added: string[] = [];
  const demand = request.demand ?? EVEN;
  for (let i = 0; i < MOST_CHANGES; i++) {
    const answer = fitToTime({ ...request, session, locked }, drills, solve);
    if (answer.kind !== "impossible") return answer.kind === "fitted" ? { ...answer, fit: fitBetween(request, answer, drills), dropped, added, from: session } : answer;
    const tooLong = answer.least > request.target;
    const tooShort = answer.most < request.target - UNDER_AT_MOST;
    const next = room.drop && (tooLong || !tooShort) ? dropOne(session, locked, demand, request.target, drills) : tooShort && room.add.length > 0 ? addOne(session, locked, demand, request.target, room, drills) : undefined;
    if (!next) return answer;
    ({ session, locked } = next);
    (next.did === "drop" ? dropped : added).push(next.name);
  }
  return fitToTime({ ...request, session, locked }, drills, solve) as RoomAnswer;
}

/** Fit before any change, and after all of them. */
function fitBetween({ session, demand, target }: FitRequest, { session: after }: { session: Session }, drills: (id: string) => Drill | undefined) {
  const of = (s: Session) => fitOf(coverageOf(s, compile(s, drills), drills), demand!, target);
  return demand && { before: of(session), after: of(after) };
}

type Step = { session: Session; locked: ReadonlySet<string>; did: "drop" | "add"; name: string };

function dropOne(session: Session, locked: ReadonlySet<string>, demand: Demand, target: number, drills: (id: string) => Drill | undefined): Step | undefined {
  if (itemCount(session) <= 1) return undefined;
  const timeline = compile(session, drills);
  const fit = fitOf(coverageOf(session, timeline, drills), demand, target);
  const totals = totalsByItem(timeline);
  const places = placesOf(session);
  let best: { place: Place; cost: number } | undefined;
  for (const place of places.slice(0, -1)) {
    const key = placeKey(place.block, place.item);
    if (locked.has(key)) continue;
    const without = removeItem(session, place);
    const lost = fit - fitOf(coverageOf(without, compile(without, drills), drills), demand, target);
    const cost = (lost + 1e-6) / Math.max(1, totals.get(key)?.seconds ?? 0);
    if (!best || cost < best.cost) best = { place, cost };
  }
  if (!best) return undefined;
  const { place } = best;
  const gone = session.blocks[place.block]!.items.length === 1;
  const moved = [...locked].map((key) => {
    const [b, i] = key.split(".").map(Number) as [number, number];
    if (b === place.block && i > place.item) return placeKey(b, i - 1);
    return gone && b > place.block ? placeKey(b - 1, i) : key;
  });
  return { session: removeItem(session, place), locked: new Set(moved), did: "drop", name: nameAt(session, place, drills) };
}

function addOne(session: Session, locked: ReadonlySet<string>, demand: Demand, target: number, { add, group }: Room, drills: (id: string) => Drill | undefined): Step | undefined {
  const input = auditInput(session, drills, { demand, group, offered: add });
  for (const { row } of missingRows(input.coverage, demand, target)) {
    const fix = addFix(input, (drill) => drill.levels.standard.main.includes(row));
    if (!fix) continue;
    const next = fix.apply(session);
    const at = placesOf(next).find((place) => next.blocks[place.block]!.items[place.item] !== session.blocks[place.block]?.items[place.item]);
    if (!at) continue;
    const moved = [...locked].map((key) => {
      const [b, i] = key.split(".").map(Number) as [number, number];
      return b === at.block && i >= at.item ? placeKey(b, i + 1) : key;
    });
    return { session: next, locked: new Set(moved), did: "add", name: nameAt(next, at, drills) };
  }
  return undefined;
}

const placesOf = (session: Session): Place[] => session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })));

function nameAt(session: Session, place: Place, drills: (id: string) => Drill | undefined): string {
  const id = session.blocks[place.block]?.items[place.item]?.drill ?? "";
  return drills(id)?.name ?? id;
}
