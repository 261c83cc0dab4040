import { ownFace, type Mine, type Own } from "./mine";
import { playerView, type PlayerView } from "./player-view";
import { countdownText } from "~/core/lengths";
import { tried, type Told } from "~/core/tried";
import { sideWords } from "~/core/wording/words";
import type { Drill } from "~/core/drills/schema";
import type { Item } from "~/core/session/schema";
import type { Moment } from "~/core/timeline/moment";
import type { Segment, SegmentKind } from "~/core/timeline/types";

/*
 * A run goes on whatever is wrong with a drill. Where its words can’t be made as they are meant, what is left is its name, the
 * side and the clock: enough to follow by.
 */

export type Facts = (place: { block: number; item: number }) => { drill: Drill; item: Item } | undefined;
type NameOf = (segment: Segment) => string | undefined;

const HEADINGS: Readonly<Record<SegmentKind, string>> = {
  move: "Get ready",
  demo: "Watch first",
  work: "",
  turn: "Other direction",
  switch: "Change sides",
  rest: "Rest",
};

/** The face of a moment of which only its place in time is relied on, and the drill’s name where there is one. */
export function plainFace({ segment, left, nextWork, beat }: Moment, nameOf: NameOf): PlayerView {
  const side = segment.kind === "work" ? sideWords(segment.side) : segment.kind === "switch" ? segment.to : undefined;
  const comes = nextWork && (nextWork.block !== segment.block || nextWork.item !== segment.item) && nameOf(nextWork);
  return {
    stage: segment.kind,
    heading: HEADINGS[segment.kind],
    drill: nameOf(segment) ?? "This drill",
    level: "",
    ...(side && { side: side as NonNullable<PlayerView["side"]> }),
    ...(segment.kind === "work" && beat?.side && { turn: beat.side }),
    big: countdownText(left),
    bigLabel: "left",
    lines: [],
    feel: [],
    next: comes || (segment.kind === "work" && !nextWork ? "That is the last one" : ""),
  };
}

const namesOf =
  (facts: Facts): NameOf =>
  (segment) =>
    tried(() => facts(segment)?.drill.name);

/** The face of a moment, or the plain one where it can’t be made. Never throws. */
export const faceOr = (moment: Moment, facts: Facts, told?: Told): PlayerView =>
  tried(() => playerView(moment, facts), told) ?? plainFace(moment, namesOf(facts));

/**
 * The face of a moment for one person, or a plain one where it can’t be made. Then nobody knows any more what is right for
 * them: whoever does something else than the others anywhere is told to rest. Never throws.
 */
export function ownFaceOr(
  moment: Moment,
  facts: Facts,
  mine: Mine,
  easierAt: ReadonlySet<string>,
  told?: Told,
): PlayerView & { own?: Own } {
  const face = tried(() => ownFace(moment, facts, mine, easierAt), told);
  if (face) return face;
  const plain = plainFace(moment, namesOf(facts));
  if (mine.instead.length === 0) return plain;
  const { side: _, turn: __, ...rest } = plain;
  return {
    ...rest,
    drill: "Rest here",
    heading: "",
    lines: ["Your own version can’t be shown: walk about, shake out, breathe."],
  };
}
