import { formIn } from "~/core/drills/form";
import type { LevelName } from "~/core/vocabulary/levels";
import { MOTION_FACTS, MOTIONS, type Plane, type Motion } from "~/core/vocabulary/motions";
import { otherSide } from "~/core/vocabulary/sides";
import type { Drill } from "~/core/drills/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import type { Segment, WorkSide } from "~/core/timeline/types";
import type { Seconds, Share } from "~/core/units";
import { isCounted } from "~/core/dose/dose";

/** What a work second gives a row that is main for its drill, and one that is also worked. */
const MAIN: Share = 1;
const ALSO: Share = 0.5;

/** Seconds a row got. Rows of limbs keep left and right apart, and what counts is the lesser of the two. */
export type RowCoverage = { left: Seconds; right: Seconds; counts: Seconds };

export type Coverage = Readonly<Record<Motion, RowCoverage>>;

/**
 * How long each row is worked in a session: the work seconds of every drill times its share for the row. An alternating
 * piece gives each side half its seconds, one for both sides gives both all of them; so does, since version 2, work for a time
 * on both sides of what is done side by side or step by step, such as walking: each side has half of it. A row that the other
 * limb works, as the hip that opens behind a lunge, is the other side’s; one that both work is both sides’. `share` is what part of
 * a drill each person works.
 */
export function coverageOf(
  session: SessionPlan,
  timeline: { segments: readonly Segment[] },
  drills: DrillsForCoverage,
  share: ShareWorked = () => 1,
): Coverage {
  const seconds = Object.fromEntries(MOTIONS.map((row) => [row, { left: 0, right: 0, counts: 0 }])) as Record<
    Motion,
    RowCoverage
  >;
  eachGift(
    session,
    timeline,
    drills,
    ({ row, left, right }) => {
      seconds[row].left += left;
      seconds[row].right += right;
    },
    share,
  );
  for (const row of MOTIONS) seconds[row].counts = Math.min(seconds[row].left, seconds[row].right);
  return seconds;
}

type DrillsForCoverage = (id: string) => Drill | undefined;

/** What part of a drill’s work each person does: less than all of it where they take turns. */
export type ShareWorked = (drill: Drill, level: LevelName) => Share;

/** What one piece of work gives a row, on each side; `main` where the row is a main one of its drill. */
export type Gift = { block: number; item: number; row: Motion; left: Seconds; right: Seconds; main: boolean };

/** Tells of everything that the work of a session gives, piece by piece and row by row. */
export function eachGift(
  session: SessionPlan,
  timeline: { segments: readonly Segment[] },
  drills: DrillsForCoverage,
  tell: (gift: Gift) => void,
  share: ShareWorked = () => 1,
): void {
  for (const segment of timeline.segments) {
    if (segment.kind !== "work") continue;
    const item = session.blocks[segment.block]?.items[segment.item];
    const drill = item && formIn(item, drills);
    if (!drill) continue;
    const level = drill.levels[item.level];
    const shared = sharesSides(segment.side, session.version, drill, item);
    const { block, item: at, side } = segment;
    const worked = segment.seconds * share(drill, item.level);
    const give = (row: Motion, part: Share, main: boolean) => {
      const all = worked * part;
      let [left, right] = [all, all];
      if (MOTION_FACTS[row].sided) {
        if (shared) [left, right] = [all / 2, all / 2];
        else if ((side === "left" || side === "right") && !level.bothLimbs?.includes(row)) {
          const to = level.otherLimb?.includes(row) ? otherSide(side) : side;
          [left, right] = to === "left" ? [all, 0] : [0, all];
        }
      }
      tell({ block, item: at, row, left, right, main });
    };
    // Pressing a muscle until it lets go is not moving through a range.
    const main = drill.method === "release" ? ALSO : MAIN;
    for (const row of level.main) give(row, main, true);
    for (const row of level.also) if (!level.main.includes(row)) give(row, ALSO, false);
  }
}

/** Whether each side has half of a piece of work: it changes sides, or both are worked side by side for a time. */
export const sharesSides = (
  side: WorkSide,
  version: SessionPlan["version"],
  drill: Pick<Drill, "sides">,
  { dose }: Pick<Item, "dose">,
): boolean =>
  side === "alternating" || (version > 1 && side === "both" && drill.sides !== "together" && !isCounted(dose));

/** Seconds that count in each plane, over all rows. */
export function planeSeconds(coverage: Coverage): Record<Plane, Seconds> {
  const sum: Record<Plane, Seconds> = { "forward-back": 0, side: 0, rotation: 0 };
  for (const row of MOTIONS) sum[MOTION_FACTS[row].plane] += coverage[row].counts;
  return sum;
}
