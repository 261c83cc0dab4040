import type { DoseKind } from "~/core/dose/kinds";
import type { SessionPlan } from "~/core/session/schema";
import { HEIGHT } from "~/core/vocabulary/postures";
import type { Segment, Timeline, WorkSegment, WorkSide } from "~/core/timeline/types";
import type { HeightStep, Percent, Seconds } from "~/core/units";
import { intervalText } from "~/core/wording/intervals";

/** One piece of the elevation profile: along time in seconds, up in steps of body height. */
type Piece = { from: Seconds; to: Seconds; block: number; item: number };

export type ProfileShape =
  | (Piece & { kind: "move"; fromHeight: HeightStep; toHeight: HeightStep })
  | (Piece & { kind: "demo" | "turn" | "switch" | "rest"; height: HeightStep })
  | (Piece & {
      kind: "work";
      height: HeightStep;
      side: WorkSide;
      texture: "solid" | "wedge" | "ripple";
      /** For a wedge: the effort over its time. */
      efforts: { from: Seconds; to: Seconds; effort: Percent }[];
      /** For a ripple: how many breaths. */
      breaths: number;
    });

/** A block along the profile; one by the clock has its rhythm, the passes of work in it. */
export type ProfileBand = {
  title: string;
  from: Seconds;
  to: Seconds;
  block: number;
  clock?: string;
  rhythm?: { from: Seconds; to: Seconds }[];
};

export type Profile = { total: Seconds; shapes: ProfileShape[]; bands: ProfileBand[] };

/** The session as a profile of body height over time, to scale. */
export function profileOf(session: Pick<SessionPlan, "blocks">, timeline: Timeline): Profile {
  return {
    total: timeline.totalSeconds,
    shapes: timeline.segments.map((segment) =>
      shapeOf(segment, session.blocks[segment.block]?.items[segment.item]?.dose.kind),
    ),
    bands: bandsOf(session, timeline.segments),
  };
}

function shapeOf(segment: Segment, dose: DoseKind | undefined): ProfileShape {
  const piece = { from: segment.start, to: segment.start + segment.seconds, block: segment.block, item: segment.item };
  switch (segment.kind) {
    case "move":
      return { ...piece, kind: "move", fromHeight: HEIGHT[segment.from ?? segment.to], toHeight: HEIGHT[segment.to] };
    case "work":
      return {
        ...piece,
        kind: "work",
        height: HEIGHT[segment.posture],
        side: segment.side,
        ...textureOf(segment, dose),
      };
    default:
      return { ...piece, kind: segment.kind, height: HEIGHT[segment.posture] };
  }
}

function textureOf(
  segment: WorkSegment,
  dose: DoseKind | undefined,
): Pick<Extract<ProfileShape, { kind: "work" }>, "texture" | "efforts" | "breaths"> {
  const efforts = segment.beats.flatMap((beat) =>
    beat.effort === undefined ? [] : [{ from: beat.start, to: beat.start + beat.seconds, effort: beat.effort }],
  );
  if (efforts.length > 0) return { texture: "wedge", efforts, breaths: 0 };
  return dose === "breaths"
    ? { texture: "ripple", efforts: [], breaths: segment.beats.at(-1)?.reps ?? 0 }
    : { texture: "solid", efforts: [], breaths: 0 };
}

function bandsOf(session: Pick<SessionPlan, "blocks">, segments: readonly Segment[]): ProfileBand[] {
  return session.blocks.flatMap((block, b) => {
    const own = segments.filter((s) => s.block === b);
    const first = own[0];
    const last = own.at(-1);
    if (!first || !last) return [];
    const band = { title: block.title, from: first.start, to: last.start + last.seconds, block: b };
    return [block.interval ? { ...band, clock: intervalText(block.interval), rhythm: rhythmOf(own) } : band];
  });
}

/** The passes of work, those of two directions as one. */
function rhythmOf(segments: readonly Segment[]): { from: Seconds; to: Seconds }[] {
  const passes: { from: Seconds; to: Seconds }[] = [];
  for (const segment of segments) {
    if (segment.kind !== "work") continue;
    const last = passes.at(-1);
    const end = segment.start + segment.seconds;
    if (last && segment.direction === 2 && Math.abs(last.to - segment.start) < 1e-6) last.to = end;
    else passes.push({ from: segment.start, to: end });
  }
  return passes;
}

/** Whole minutes, or a coarser step on long sessions, at which to mark the time axis. */
export function minuteMarks(total: Seconds, most: number): Seconds[] {
  const step = [60, 120, 300, 600, 900, 1800, 3600, 7200].find((s) => total / s <= most) ?? 14_400;
  return Array.from({ length: Math.floor(total / step) }, (_, i) => (i + 1) * step);
}
