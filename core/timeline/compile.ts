import { formIn, kitUsed } from "~/core/drills/form";
import { fillBeats, layBeats } from "./beats";
import { otherSide, type OneSide } from "~/core/vocabulary/sides";
import { unitCount, unitMicros } from "~/core/dose/dose";
import { pieceMicros, restOf } from "~/core/session/interval";
import { visitsOf, type Visit } from "~/core/session/passes";
import { moveSeconds, type Posture } from "~/core/vocabulary/postures";
import { changesOver, inUse, keptSide, type InUse } from "~/core/vocabulary/stance";
import type { DrillLookup, TimedDrill } from "~/core/drills/lookup";
import type { Segment, TimedBeat, Timeline, WorkSide } from "./types";
import { fetchFor, NOTHING_AT_HAND, piecesToFetch, type AtHand, type Kit } from "~/core/vocabulary/kit";
import type { Block, Interval, Item, SessionPlan } from "~/core/session/schema";
import { toMicros, toSeconds, type Micros, type Seconds } from "~/core/units";

/** What the class is doing as the timeline is laid: where it is, what it holds, how it stands. */
type Room = {
  at: Micros;
  posture: Posture | undefined;
  hand: AtHand;
  inUse: InUse | undefined;
  shown: Set<string>;
  segments: Segment[];
  work: { left: Micros; right: Micros; both: Micros };
  /** Since when people are between two passes of a block by the clock, and the longest rest planned there; nothing elsewhere. */
  gap: { from: Micros; planned: Seconds } | undefined;
};

type Place = { block: number; item: number; round: number };
type Here = { session: SessionPlan; drills: DrillLookup; block: Block; item: Item; drill: TimedDrill; place: Place };

/** A segment before it has a place in time; one copy of each kind, so that the union keeps its shape. */
type Loose<S> = S extends Segment ? Omit<S, "start" | "seconds" | keyof Place> : never;

/**
 * Lays a checked session out in time: ordered segments without gaps or overlaps, starting at 0, by the rules of the
 * session's own version, which are those of docs/session-format.md. All sums are exact in microseconds.
 * Throws when a drill is unknown or the session was not checked; `readSession` reports such faults with their paths.
 */
export function compile(session: SessionPlan, drills: DrillLookup): Timeline {
  const room: Room = {
    at: 0,
    posture: undefined,
    hand: NOTHING_AT_HAND,
    inUse: undefined,
    shown: new Set(),
    segments: [],
    work: { left: 0, right: 0, both: 0 },
    gap: undefined,
  };
  session.blocks.forEach((block, b) => {
    const visits = visitsOf(block, session.firstSide, drills);
    for (let round = 1; round <= block.rounds; round++) {
      const seen = new Set<number>();
      for (const visit of visits) visitItem(room, session, drills, visit, { block: b, item: visit.item, round }, seen);
      if (round < block.rounds) {
        const last = visits.at(-1)?.item ?? 0;
        rest(room, block.restBetweenRounds, "rounds", { block: b, item: last, round });
      }
    }
    endOfBlock(room);
  });
  dropTrailingRests(room);
  return {
    totalSeconds: toSeconds(room.at),
    workSeconds: {
      left: toSeconds(room.work.left),
      right: toSeconds(room.work.right),
      both: toSeconds(room.work.both),
    },
    segments: room.segments,
  };
}

function visitItem(
  room: Room,
  session: SessionPlan,
  drills: DrillLookup,
  visit: Visit,
  place: Place,
  seen: Set<number>,
): void {
  const block = session.blocks[place.block];
  const item = block?.items[place.item];
  const drill = item && formIn(item, drills);
  if (!block || !item || !drill) throw new Error(`No drill at blocks[${place.block}].items[${place.item}]`);
  const here: Here = { session, drills, block, item, drill, place };
  const level = drill.levels[item.level];

  moveTo(room, session, level.posture, kitUsed(level, item), place);
  if (place.round === 1 && !seen.has(place.item)) demo(room, session, item, level.posture, place);
  seen.add(place.item);

  const first = firstSideOf(room, here);
  for (let set = 1; set <= item.sets; set++) {
    if (set > 1) rest(room, item.restBetweenSets, "sets", place);
    for (const side of sidesOfSet(visit, first)) workPass(room, here, side, first, set);
  }
  room.posture = level.endPosture;
  rest(room, item.restAfter, "after", place);
}

/** `whole-block` follows the session's side throughout; elsewhere an item may choose its own, or the one that needs no change. */
function firstSideOf(room: Room, { session, block, item, drill }: Here): OneSide {
  if (block.sideOrder === "whole-block" || !item.firstSide) return session.firstSide;
  if (item.firstSide !== "current") return item.firstSide;
  return room.inUse ? keptSide(room.inUse, stanceOf(session, drill, item)) : session.firstSide;
}

/** The stance of a level; version 1 knew none. */
const stanceOf = (session: SessionPlan, drill: TimedDrill, item: Item) =>
  session.version === 1 ? undefined : drill.levels[item.level].stance;

function sidesOfSet(visit: Visit, first: OneSide): WorkSide[] {
  switch (visit.sides) {
    case "together":
      return ["both"];
    case "each":
      return [first, otherSide(first)];
    default:
      return [visit.sides];
  }
}

function moveTo(room: Room, session: SessionPlan, to: Posture, kit: readonly Kit[], place: Place): void {
  // Version 1 fetched everything anew, whatever stood there already.
  const { fetch, atHand } =
    session.version === 1
      ? { fetch: piecesToFetch(room.hand.held, kit), atHand: { held: kit, placed: [] } }
      : fetchFor(room.hand, kit);
  const seconds =
    (room.posture ? moveSeconds(room.posture, to, session.pace) : 0) + fetch.length * session.pace.kitChange;
  add(room, { kind: "move", ...(room.posture && { from: room.posture }), to, fetch }, seconds, place);
  room.posture = to;
  room.hand = atHand;
}

function demo(room: Room, session: SessionPlan, item: Item, posture: Posture, place: Place): void {
  const key = `${item.drill}/${item.level}`;
  const usual = room.shown.has(key) ? 0 : session.pace.demo;
  room.shown.add(key);
  add(room, { kind: "demo", posture }, item.demo ?? usual, place);
}

/** A planned rest. Between two passes by the clock it is part of what is between them, and makes that longer at most. */
function rest(room: Room, seconds: Seconds, why: "sets" | "after" | "rounds", place: Place): void {
  if (room.gap) room.gap.planned = Math.max(room.gap.planned, seconds);
  else if (room.posture) add(room, { kind: "rest", posture: room.posture, why }, seconds, place);
}

/** What is left of the rest between two passes by the clock, once everything that has to happen in it has happened. */
function restOfGap(room: Room, interval: Interval, posture: Posture, place: Place): void {
  if (!room.gap) return;
  const { from, planned } = room.gap;
  const left = toMicros(restOf(interval, planned)) - (room.at - from);
  room.gap = undefined;
  if (left > 0) add(room, { kind: "rest", posture, why: "interval", gap: true }, toSeconds(left), place);
}

function workPass(room: Room, here: Here, side: WorkSide, first: OneSide, set: number): void {
  const { session, block, item, drill, place } = here;
  const { posture } = drill.levels[item.level];
  const oneSide = side === "left" || side === "right" ? side : undefined;
  const now = oneSide && inUse(oneSide, stanceOf(session, drill, item));
  if (now && changesOver(room.inUse, now))
    add(room, { kind: "switch", posture, to: now.side }, session.pace.switchSides, place);

  const directions = item.directions ?? drill.directions;
  const turns = side === "alternating" ? first : undefined;
  if (block.interval) {
    restOfGap(room, block.interval, posture, place);
    pieceMicros(block.interval, directions).forEach((micros, d) =>
      lay(
        room,
        here,
        side,
        set,
        directions,
        d === 0 ? 1 : 2,
        fillBeats(item.dose, session.pace, micros, room.at, turns),
        micros,
      ),
    );
    room.gap = { from: room.at, planned: 0 };
  } else {
    const units = unitCount(item.dose);
    const micros = units * unitMicros(item.dose, session.pace) * (turns ? 2 : 1);
    for (const direction of directions === 2 ? ([1, 2] as const) : ([1] as const)) {
      if (direction === 2) add(room, { kind: "turn", posture }, session.pace.turn, place);
      lay(
        room,
        here,
        side,
        set,
        directions,
        direction,
        layBeats(item.dose, session.pace, units, room.at, turns),
        micros,
      );
    }
  }
  room.inUse = now;
}

/** After the last pass of a block nothing is by the clock any more; a rest planned there is as long as it says. */
function endOfBlock(room: Room): void {
  const { gap } = room;
  room.gap = undefined;
  const last = room.segments.at(-1);
  if (gap && last && room.posture)
    add(room, { kind: "rest", posture: room.posture, why: "after" }, gap.planned, {
      block: last.block,
      item: last.item,
      round: last.round,
    });
}

/** Lays a piece of work and counts it. Written out field by field: there are hundreds in a session. */
function lay(
  room: Room,
  { item, drill, place }: Here,
  side: WorkSide,
  set: number,
  directions: 1 | 2,
  direction: 1 | 2,
  beats: TimedBeat[],
  micros: Micros,
): void {
  room.segments.push({
    kind: "work",
    start: toSeconds(room.at),
    seconds: toSeconds(micros),
    block: place.block,
    item: place.item,
    round: place.round,
    posture: drill.levels[item.level].posture,
    side,
    direction,
    directions,
    set,
    sets: item.sets,
    beats,
  });
  room.at += micros;
  if (side === "alternating") {
    room.work.left += micros / 2;
    room.work.right += micros / 2;
  } else room.work[side] += micros;
}

/** Adds a segment unless it takes no time. A move or a rest ends the stance in use. */
function add(room: Room, segment: Loose<Segment>, seconds: Seconds, place: Place): void {
  const micros = toMicros(seconds);
  if (micros <= 0) return;
  const laid = { ...segment, start: toSeconds(room.at), seconds: toSeconds(micros), ...place };
  if (room.gap && laid.kind !== "work") laid.gap = true;
  room.segments.push(laid);
  room.at += micros;
  if (segment.kind === "move" || segment.kind === "rest") room.inUse = undefined;
}

function dropTrailingRests(room: Room): void {
  while (room.segments.at(-1)?.kind === "rest") {
    room.at -= toMicros(room.segments.pop()?.seconds ?? 0);
  }
}
