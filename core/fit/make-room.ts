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

/** Programs solved before it is given up. */
const MOST_TRIES = 40;

/**
 * Fits to time, and where doses alone cannot, first takes out drills that cost the demand least for their time, or adds
 * those it lacks most, one by one, as far as that is allowed. Locked drills and the closing one stay.
 */
export function fitWithRoom(request: FitRequest, room: Room, drills: (id: string) => Drill | undefined, solve: Solve): RoomAnswer {
  const demand = request.demand ?? EVEN;
  let tries = MOST_TRIES;
  const attempt = ({ session, locked }: Pick<FitRequest, "session" | "locked">, dropped: string[], added: string[]): RoomAnswer => {
    tries--;
    const answer = fitToTime({ ...request, session, locked }, drills, solve);
    if (answer.kind === "fitted") return { ...answer, fit: fitBetween(request, answer, drills), dropped, added, from: session };
    if (answer.kind === "failed") return answer;
    const tooShort = answer.most < request.target - UNDER_AT_MOST;
    const steps = tooShort ? (room.add.length > 0 ? addSteps(session, locked, demand, request.target, room, drills) : []) : room.drop ? dropSteps(session, locked, demand, request.target, drills) : [];
    // The step that costs least first; where it leads nowhere, the next.
    for (const step of steps) {
      if (tries <= 0) break;
      const then = attempt(step, step.did === "drop" ? [...dropped, step.name] : dropped, step.did === "add" ? [...added, step.name] : added);
      if (then.kind !== "impossible") return then;
    }
    return answer;
  };
  return attempt(request, [], []);
}

/** Fit before any change, and after all of them. */
function fitBetween({ session, demand, target }: FitRequest, { session: after }: { session: Session }, drills: (id: string) => Drill | undefined) {
  const of = (s: Session) => fitOf(coverageOf(s, compile(s, drills), drills), demand!, target);
  return demand && { before: of(session), after: of(after) };
}

type Step = { session: Session; locked: ReadonlySet<string>; did: "drop" | "add"; name: string };

function dropSteps(session: Session, locked: ReadonlySet<string>, demand: Demand, target: number, drills: (id: string) => Drill | undefined): Step[] {
  if (itemCount(session) <= 1) return [];
  const timeline = compile(session, drills);
  const fit = fitOf(coverageOf(session, timeline, drills), demand, target);
  const totals = totalsByItem(timeline);
  return placesOf(session)
    .slice(0, -1)
    .filter((place) => !locked.has(placeKey(place.block, place.item)))
    .map((place) => {
      const without = removeItem(session, place);
      const lost = fit - fitOf(coverageOf(without, compile(without, drills), drills), demand, target);
      return { place, without, cost: (lost + 1e-6) / Math.max(1, totals.get(placeKey(place.block, place.item))?.seconds ?? 0) };
    })
    .sort((a, b) => a.cost - b.cost)
    .map(({ place, without }): Step => ({ session: without, locked: lockedWithout(session, locked, place), did: "drop", name: nameAt(session, place, drills) }));
}

/** The places that stay as they are, once a drill has been taken out before them. */
function lockedWithout(session: Session, locked: ReadonlySet<string>, place: Place): ReadonlySet<string> {
  const gone = session.blocks[place.block]!.items.length === 1;
  return new Set([...locked].map((key) => {
    const [b, i] = key.split(".").map(Number) as [number, number];
    if (b === place.block && i > place.item) return placeKey(b, i - 1);
    return gone && b > place.block ? placeKey(b - 1, i) : key;
  }));
}

/** The drill that the demand lacks most, where one can be added; one way only, the next comes after it. */
function addSteps(session: Session, locked: ReadonlySet<string>, demand: Demand, target: number, { add, group }: Room, drills: (id: string) => Drill | undefined): Step[] {
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
    return [{ session: next, locked: new Set(moved), did: "add", name: nameAt(next, at, drills) }];
  }
  return [];
}

const placesOf = (session: Session): Place[] => session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })));

function nameAt(session: Session, place: Place, drills: (id: string) => Drill | undefined): string {
  const id = session.blocks[place.block]?.items[place.item]?.drill ?? "";
  return drills(id)?.name ?? id;
}
