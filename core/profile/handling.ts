import { formIn } from "~/core/drills/form";
import type { Profile } from "./profile";
import type { Drill } from "~/core/drills/schema";
import { amountOf, withAmount } from "~/core/dose/amount";
import type { Place } from "~/core/session/edits";
import { INTERVAL_BOUNDS } from "~/core/session/bounds";
import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import type { SessionPlan } from "~/core/session/schema";
import { unitMicros, choicesOf, forClock, isCounted } from "~/core/dose/dose";
import type { Timeline, WorkSegment } from "~/core/timeline/types";
import { toSeconds, type Seconds } from "~/core/units";

/** One item on the profile: from its first moment to its last, over everything that belongs to it. */
export type Span = { place: Place; from: Seconds; to: Seconds };

/** Every item's first stretch on the profile, in the order of the document. Gone through again, it counts once. */
export function spansOf(profile: Pick<Profile, "shapes">): Span[] {
  const spans = new Map<string, Span>();
  let last: Span | undefined;
  for (const { block, item, from, to } of profile.shapes) {
    if (last && last.place.block === block && last.place.item === item) {
      last.to = to;
      continue;
    }
    const key = `${block}.${item}`;
    const known = spans.has(key);
    const span: Span = { place: { block, item }, from, to };
    if (!known) spans.set(key, span);
    last = known ? undefined : span;
  }
  return [...spans.values()].sort((a, b) => a.place.block - b.place.block || a.place.item - b.place.item);
}

/**
 * Where an item lands that is let go at a moment: before the first other item whose middle comes later, in that one's
 * block; otherwise at the very end. Counted as if it had been taken out of its place already.
 */
export function landingAt(spans: readonly Span[], moved: Place, at: Seconds): Place {
  const own = spans.find(({ place }) => place.block === moved.block && place.item === moved.item);
  if (own && at >= own.from && at <= own.to) return moved;
  const others = spans.filter(({ place }) => place.block !== moved.block || place.item !== moved.item);
  const next = others.find(({ from, to }) => (from + to) / 2 > at);
  const shift = (place: Place): Place =>
    place.block === moved.block && place.item > moved.item ? { ...place, item: place.item - 1 } : place;
  if (next) {
    const before = others[others.indexOf(next) - 1];
    // Between two blocks it joins the one whose drill is nearer in time.
    if (before && before.place.block !== next.place.block && at - before.to < next.from - at)
      return { block: before.place.block, item: shift(before.place).item + 1 };
    return shift(next.place);
  }
  const end = others.at(-1);
  return end ? { block: end.place.block, item: shift(end.place).item + 1 } : moved;
}

/** Items any part of which lies between two moments, for a box drawn over the profile. */
export function placesBetween(profile: Pick<Profile, "shapes">, a: Seconds, b: Seconds): Place[] {
  const [from, to] = [Math.min(a, b), Math.max(a, b)];
  const places = new Map<string, Place>();
  for (const shape of profile.shapes)
    if (shape.to > from && shape.from < to)
      places.set(`${shape.block}.${shape.item}`, { block: shape.block, item: shape.item });
  return [...places.values()];
}

/** The stretch of work whose end is nearest to a moment, within a tolerance: its edge can be taken hold of. */
export function edgeAt(timeline: Pick<Timeline, "segments">, at: Seconds, tolerance: Seconds): WorkSegment | undefined {
  let best: { segment: WorkSegment; off: Seconds } | undefined;
  for (const segment of timeline.segments) {
    if (segment.kind !== "work") continue;
    const off = Math.abs(segment.start + segment.seconds - at);
    if (off <= tolerance && (!best || off < best.off)) best = { segment, off };
  }
  return best?.segment;
}

/** The dose that makes one stretch of work last about so long, by the drill's step and inside its bounds; a ladder takes its nearest rung. */
export function doseLasting(
  session: Pick<SessionPlan, "blocks" | "pace">,
  segment: WorkSegment,
  seconds: Seconds,
  drills: (id: string) => Drill | undefined,
): Dose | undefined {
  const item = session.blocks[segment.block]?.items[segment.item];
  const drill = item && formIn(item, drills);
  if (!item || !drill) return undefined;
  const { dose } = item;
  const one = seconds / (segment.side === "alternating" ? 2 : 1);
  const { bounds, dose: usual } = drill.levels[item.level];
  const per = unitOf(dose, session.pace);
  if (choicesOf(dose) || dose.kind !== (forClock(usual) ?? usual).kind) return withAmount(dose, Math.max(1, one / per));
  const now = amountOf(dose).value;
  const steps = Math.round((one / per - now) / bounds.step);
  const value = Math.min(bounds.most, Math.max(bounds.least, Math.round((now + steps * bounds.step) * 1e6) / 1e6));
  return value === now ? dose : withAmount(dose, value);
}

/** How long the work of a clock is that makes one stretch of it last about so long, by steps of five seconds and inside the bounds of the format. */
export function workLasting(segment: Pick<WorkSegment, "directions">, seconds: Seconds): Seconds {
  return Math.min(
    INTERVAL_BOUNDS.mostWork,
    Math.max(INTERVAL_BOUNDS.leastWork, Math.round((seconds * segment.directions) / 5) * 5),
  );
}

const unitOf = (dose: Dose, pace: Pace): Seconds => (isCounted(dose) ? toSeconds(unitMicros(dose, pace)) : 1);

/** What part of a session is shown. */
export type Window = { from: Seconds; to: Seconds };

/** Shortest window worth looking at. */
const CLOSEST: Seconds = 12;

/** The window made closer (a factor under 1) or wider round a moment, kept inside the session. */
export function zoomed({ from, to }: Window, factor: number, round: Seconds, total: Seconds): Window {
  const size = Math.min(total, Math.max(Math.min(CLOSEST, total), (to - from) * factor));
  const share = to > from ? (round - from) / (to - from) : 0.5;
  return held({ from: round - size * share, to: round + size * (1 - share) }, total);
}

/** The window moved along by seconds, kept inside the session. */
export const moved = ({ from, to }: Window, by: Seconds, total: Seconds): Window =>
  held({ from: from + by, to: to + by }, total);

function held({ from, to }: Window, total: Seconds): Window {
  const size = Math.min(to - from, total);
  const start = Math.min(Math.max(0, from), total - size);
  return { from: start, to: start + size };
}
