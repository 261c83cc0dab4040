import { askedOf } from "~/core/arc/lift";
import { inLines } from "~/core/group/lines";
import { servedSeconds } from "~/core/arc/arcs";
import { formIn } from "~/core/drills/form";
import { endsOf, fitToTime, UNDER_AT_MOST, type FitAnswer, type FitRequest } from "./fit-to-time";
import { equalPlaces } from "~/core/levers/levers";
import type { Solve } from "./program";
import { addFix } from "~/core/audit/add";
import { audit, auditInput } from "~/core/audit/audit";
import { foundAnew, worsened, type FoundIn, type Told } from "~/core/audit/compare";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf, missingRows } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { MOTIONS } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { itemCount, removeItem, type Place } from "~/core/session/edits";
import type { Block, SessionPlan } from "~/core/session/schema";
import { removeSeveral } from "~/core/session/several";
import type { Seconds } from "~/core/units";
import { compile } from "~/core/timeline/compile";
import { placeKey, totalsByItem } from "~/core/timeline/totals";

type Drills = (id: string) => Drill | undefined;

/** What may be done besides setting what is there another way. */
export type Room = { drop: boolean; add: readonly Drill[] };

/** What would help where nothing comes to the target. */
export type Help = "unlock" | "drop" | "add";

export type RoomAnswer =
  | { kind: "impossible"; least: Seconds; most: Seconds; helps: Help[] }
  | Extract<FitAnswer, { kind: "failed" }>
  /** `anew` is what the audit finds afterwards that it does not find now, or finds otherwise. */
  | (Extract<FitAnswer, { kind: "fitted" }> & { dropped: string[]; added: string[]; from: SessionPlan; anew: Told[] });

/** Every motion asked for alike, where no demand was chosen. */
const EVEN: SportProfile = {
  id: "even",
  name: "Everything alike",
  about: "Every motion alike.",
  held: [],
  rows: Object.fromEntries(MOTIONS.map((row) => [row, { weight: 1, why: "everything alike" }])),
};

/** Programs solved before it is given up. */
const MOST_TRIES = 40;

/**
 * Fits to time, and where that cannot be, first takes out drills that cost the demand least for their time, those first whose
 * going brings no new finding, or adds those it lacks most, one by one, as far as that is allowed. Locked drills and the
 * closing one stay; what was equal goes together or not at all.
 */
export function fitWithRoom(asked: FitRequest, room: Room, drills: Drills, solve: Solve): RoomAnswer {
  const request = { ...asked, demand: askedOf(asked.session, asked.demand, drills, asked.arc) };
  const demand = request.demand ?? EVEN;
  const looked = lookerAt(request, room, drills);
  let tries = MOST_TRIES;
  // How short and how long it came on any way, which is what a coach hears where none comes to the target.
  let [least, most] = [Infinity, -Infinity];
  const attempt = (
    { session, locked }: Pick<FitRequest, "session" | "locked">,
    dropped: string[],
    added: string[],
  ): RoomAnswer => {
    tries--;
    const before = looked(request.session);
    const answer = fitToTime({ ...request, session, locked }, drills, solve, (after) =>
      request.arc ? worsened(before, looked(after)) : 0,
    );
    if (answer.kind === "fitted")
      return {
        ...answer,
        fit: fitBetween(request, answer, drills),
        dropped,
        added,
        from: session,
        anew: foundAnew(looked(request.session), looked(answer.session)),
      };
    if (answer.kind === "failed") return answer;
    [least, most] = [Math.min(least, answer.least), Math.max(most, answer.most)];
    const tooShort = answer.most < request.target - UNDER_AT_MOST;
    const steps = tooShort
      ? room.add.length > 0
        ? addSteps({ ...request, session, locked, demand }, room, drills)
        : []
      : room.drop
        ? dropSteps({ ...request, session, locked, demand }, drills, looked)
        : [];
    // The step that costs least first; where it leads nowhere, the next.
    for (const step of steps) {
      if (tries <= 0) break;
      const then = attempt(
        step,
        step.did === "drop" ? [...dropped, ...step.names] : dropped,
        step.did === "add" ? [...added, ...step.names] : added,
      );
      if (then.kind !== "impossible") return then;
    }
    return { kind: "impossible", least, most, helps: helpsFor(request, room, answer, drills) };
  };
  return attempt(request, [], []);
}

function helpsFor(
  { session, target, locked }: FitRequest,
  room: Room,
  { least, most }: { least: Seconds; most: Seconds },
  drills: Drills,
): Help[] {
  const free = locked.size > 0 ? endsOf(session, new Set(), drills) : { least, most };
  const inside = (ends: { least: Seconds; most: Seconds }) => target >= ends.least && target <= ends.most;
  return [
    ...(locked.size > 0 &&
    (inside(free) || (target < least && free.least < least) || (target > most && free.most > most))
      ? (["unlock"] as const)
      : []),
    ...(target < most && !room.drop && itemCount(session) > 1 ? (["drop"] as const) : []),
    ...(target > least && room.add.length === 0 ? (["add"] as const) : []),
  ];
}

/** What the audit finds in a session as it would be, with the same people and demand. */
function lookerAt(
  { demand, group, arc }: FitRequest,
  { add }: Room,
  drills: Drills,
): (session: SessionPlan) => FoundIn {
  const known = new WeakMap<SessionPlan, FoundIn>();
  return (session) => {
    const before = known.get(session);
    if (before) return before;
    const fresh = { session, found: audit(auditInput(session, drills, { demand, group, offered: add, arc })) };
    known.set(session, fresh);
    return fresh;
  };
}

/** Fit before any change, and after all of them. */
function fitBetween(
  { session, demand, target, arc, group }: FitRequest,
  { session: after }: { session: SessionPlan },
  drills: Drills,
) {
  const of = (s: SessionPlan) =>
    fitOf(
      coverageOf(s, compile(s, drills), drills, inLines(group)),
      demand!,
      servedSeconds(arc ?? session.purpose, target),
    );
  return demand && { before: of(session), after: of(after) };
}

type Wanted = FitRequest & { demand: SportProfile };
type Step = { session: SessionPlan; locked: ReadonlySet<string>; did: "drop" | "add"; names: string[] };

/** So many of the steps that cost least are looked over for what they bring. */
const LOOKED_OVER = 12;

function dropSteps(
  { session, locked, demand, target, arc, group }: Wanted,
  drills: Drills,
  looked: (session: SessionPlan) => FoundIn,
): Step[] {
  const timeline = compile(session, drills);
  const served = servedSeconds(arc ?? session.purpose, target);
  const fit = fitOf(coverageOf(session, timeline, drills, inLines(group)), demand, served);
  const totals = totalsByItem(timeline);
  const all = placesOf(session);
  const closing = all.at(-1)!;
  const byCost = equalPlaces(session)
    .filter(
      (places) =>
        places.length < all.length &&
        places.every(
          (place) =>
            !locked.has(placeKey(place.block, place.item)) &&
            !(place.block === closing.block && place.item === closing.item),
        ),
    )
    .map((places) => {
      const without = removeSeveral(session, places);
      const lost = fit - fitOf(coverageOf(without, compile(without, drills), drills, inLines(group)), demand, served);
      return {
        places,
        without,
        cost:
          (lost + 1e-6) /
          Math.max(
            1,
            places.reduce((sum, { block, item }) => sum + (totals.get(placeKey(block, item))?.seconds ?? 0), 0),
          ),
      };
    })
    .sort((a, b) => a.cost - b.cost);
  const worse = new Map(
    byCost.slice(0, LOOKED_OVER).map((one) => [one, worsened(looked(session), looked(one.without))]),
  );
  return byCost
    .sort((a, b) => (worse.get(a) ?? Infinity) - (worse.get(b) ?? Infinity) || a.cost - b.cost)
    .map(({ places, without }): Step => ({
      session: without,
      did: "drop",
      names: places.slice(0, 1).map((place) => nameAt(session, place, drills)),
      locked: [...places]
        .reverse()
        .reduce(({ so, keys }, place) => ({ so: removeItem(so, place), keys: lockedWithout(so, keys, place) }), {
          so: session,
          keys: locked,
        }).keys,
    }));
}

/** The places that stay as they are, once a drill has been taken out before them. */
function lockedWithout(session: SessionPlan, locked: ReadonlySet<string>, place: Place): ReadonlySet<string> {
  const gone = session.blocks[place.block]!.items.length === 1;
  return new Set(
    [...locked].map((key) => {
      const [b, i] = key.split(".").map(Number) as [number, number];
      if (b === place.block && i > place.item) return placeKey(b, i - 1);
      return gone && b > place.block ? placeKey(b - 1, i) : key;
    }),
  );
}

/** Whether a drill goes with a block: by a main motion or its way of working. */
const isKin = (drill: Drill, { items }: Block, drills: Drills): boolean =>
  items.some((item) => {
    const own = formIn(item, drills);
    return (
      own !== undefined &&
      (own.method === drill.method ||
        own.levels[item.level].main.some((row) => drill.levels.standard.main.includes(row)))
    );
  });

/** The drill that the demand lacks most, where one can be added; one way only, the next comes after it. */
function addSteps({ session, locked, demand, target, group, arc }: Wanted, { add }: Room, drills: Drills): Step[] {
  const input = auditInput(session, drills, { demand, group, offered: add, arc });
  for (const { row } of missingRows(input.coverage, demand, servedSeconds(arc ?? session.purpose, target))) {
    const fix = addFix(
      input,
      (drill, block) => drill.levels.standard.main.includes(row) && isKin(drill, session.blocks[block]!, drills),
    );
    if (!fix) continue;
    const next = fix.apply(session);
    const at = placesOf(next).find(
      (place) => next.blocks[place.block]!.items[place.item] !== session.blocks[place.block]?.items[place.item],
    );
    if (!at) continue;
    const moved = [...locked].map((key) => {
      const [b, i] = key.split(".").map(Number) as [number, number];
      return b === at.block && i >= at.item ? placeKey(b, i + 1) : key;
    });
    return [{ session: next, locked: new Set(moved), did: "add", names: [nameAt(next, at, drills)] }];
  }
  return [];
}

const placesOf = (session: SessionPlan): Place[] =>
  session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })));

function nameAt(session: SessionPlan, place: Place, drills: Drills): string {
  const id = session.blocks[place.block]?.items[place.item]?.drill ?? "";
  return drills(id)?.name ?? id;
}
