import { piecesToFetch, type Kit } from "~/core/drills/kit";
import type { Item, OneSide, Session } from "~/core/session/schema";
import { toMicros, toSeconds, type Micros, type Seconds } from "~/core/units";
import { layBeats, otherSide } from "./beats";
import { unitCount, unitMicros } from "./dose";
import { visitsOf, type Visit } from "./passes";
import { moveSeconds, type Posture } from "./postures";
import type { DrillLookup, Segment, Timeline, TimedDrill, WorkSide } from "./types";

/** What the class is doing as the timeline is laid: where it is, what it holds, which side it is on. */
type Room = {
  at: Micros;
  posture: Posture | undefined;
  kit: readonly Kit[];
  sideInUse: OneSide | undefined;
  shown: Set<string>;
  segments: Segment[];
  work: { left: Micros; right: Micros; both: Micros };
};

type Place = { block: number; item: number; round: number };

/** A segment before it has a place in time; one copy of each kind, so that the union keeps its shape. */
type Loose<S> = S extends Segment ? Omit<S, "start" | "seconds" | keyof Place> : never;

/**
 * Lays a checked session out in time: ordered segments without gaps or overlaps, starting at 0.
 * The rules are those of docs/session-format.md. All sums are exact in microseconds.
 * Throws when a drill is unknown or the session was not checked; `readSession` reports such faults with their paths.
 */
export function compile(session: Session, drills: DrillLookup): Timeline {
  const room: Room = {
    at: 0, posture: undefined, kit: [], sideInUse: undefined, shown: new Set(), segments: [], work: { left: 0, right: 0, both: 0 },
  };
  session.blocks.forEach((block, b) => {
    const visits = visitsOf(block, session.firstSide, drills);
    for (let round = 1; round <= block.rounds; round++) {
      const seen = new Set<number>();
      for (const visit of visits) {
        visitItem(room, session, drills, visit, { block: b, item: visit.item, round }, seen);
      }
      if (round < block.rounds) {
        const last = visits.at(-1)?.item ?? 0;
        rest(room, block.restBetweenRounds, "rounds", { block: b, item: last, round });
      }
    }
  });
  dropTrailingRests(room);
  return {
    totalSeconds: toSeconds(room.at),
    workSeconds: { left: toSeconds(room.work.left), right: toSeconds(room.work.right), both: toSeconds(room.work.both) },
    segments: room.segments,
  };
}

function visitItem(room: Room, session: Session, drills: DrillLookup, visit: Visit, place: Place, seen: Set<number>): void {
  const item = session.blocks[place.block]?.items[place.item];
  const drill = item && drills(item.drill);
  if (!item || !drill) throw new Error(`No drill at blocks[${place.block}].items[${place.item}]`);
  const level = drill.levels[item.level];

  moveTo(room, session, level.posture, level.kit, place);
  if (place.round === 1 && !seen.has(place.item)) demo(room, session, item, level.posture, place);
  seen.add(place.item);

  const first = firstSideOf(room, session, item, place);
  for (let set = 1; set <= item.sets; set++) {
    if (set > 1) rest(room, item.restBetweenSets, "sets", place);
    for (const side of sidesOfSet(visit, first)) workPass(room, session, item, drill, side, first, set, place);
  }
  room.posture = level.endPosture;
  rest(room, item.restAfter, "after", place);
}

/** `whole-block` follows the session's side throughout; elsewhere an item may choose its own, or the side in use. */
function firstSideOf(room: Room, session: Session, item: Item, place: Place): OneSide {
  if (session.blocks[place.block]?.sideOrder === "whole-block" || !item.firstSide) return session.firstSide;
  return item.firstSide === "current" ? (room.sideInUse ?? session.firstSide) : item.firstSide;
}

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

function moveTo(room: Room, session: Session, to: Posture, kit: readonly Kit[], place: Place): void {
  const fetch = piecesToFetch(room.kit, kit);
  const seconds = (room.posture ? moveSeconds(room.posture, to) : 0) + fetch.length * session.pace.kitChange;
  add(room, { kind: "move", ...(room.posture && { from: room.posture }), to, fetch }, seconds, place);
  room.posture = to;
  room.kit = kit;
}

function demo(room: Room, session: Session, item: Item, posture: Posture, place: Place): void {
  const key = `${item.drill}/${item.level}`;
  const usual = room.shown.has(key) ? 0 : session.pace.demo;
  room.shown.add(key);
  add(room, { kind: "demo", posture }, item.demo ?? usual, place);
}

function rest(room: Room, seconds: Seconds, why: "sets" | "after" | "rounds", place: Place): void {
  if (room.posture) add(room, { kind: "rest", posture: room.posture, why }, seconds, place);
}

function workPass(
  room: Room, session: Session, item: Item, drill: TimedDrill, side: WorkSide, first: OneSide, set: number, place: Place,
): void {
  const { posture } = drill.levels[item.level];
  const oneSide = side === "left" || side === "right" ? side : undefined;
  if (oneSide && room.sideInUse && room.sideInUse !== oneSide)
    add(room, { kind: "switch", posture, to: oneSide }, session.pace.switchSides, place);

  const directions = item.directions ?? drill.directions;
  const units = unitCount(item.dose);
  const micros = units * unitMicros(item.dose, session.pace) * (side === "alternating" ? 2 : 1);
  for (const direction of directions === 2 ? ([1, 2] as const) : ([1] as const)) {
    if (direction === 2) add(room, { kind: "turn", posture }, session.pace.turn, place);
    const beats = layBeats(item.dose, session.pace, units, room.at, side === "alternating" ? first : undefined);
    room.segments.push({
      kind: "work", start: toSeconds(room.at), seconds: toSeconds(micros), ...place,
      posture, side, direction, directions, set, sets: item.sets, beats,
    });
    room.at += micros;
    countWork(room, side, micros);
  }
  room.sideInUse = oneSide;
}

function countWork(room: Room, side: WorkSide, micros: Micros): void {
  if (side === "alternating") {
    room.work.left += micros / 2;
    room.work.right += micros / 2;
  } else room.work[side] += micros;
}

/** Adds a segment unless it takes no time. A move or a rest ends the side in use. */
function add(room: Room, segment: Loose<Segment>, seconds: Seconds, place: Place): void {
  const micros = toMicros(seconds);
  if (micros <= 0) return;
  room.segments.push({ ...segment, start: toSeconds(room.at), seconds: toSeconds(micros), ...place });
  room.at += micros;
  if (segment.kind === "move" || segment.kind === "rest") room.sideInUse = undefined;
}

function dropTrailingRests(room: Room): void {
  while (room.segments.at(-1)?.kind === "rest") {
    room.at -= toMicros(room.segments.pop()?.seconds ?? 0);
  }
}
