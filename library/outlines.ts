import type { Block } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import { drillById } from "./index";

/** A few drills to begin from, so that nobody starts with an empty page. */
export type Outline = { id: string; words: string; blocks: readonly { title: string; drills: readonly string[] }[] };

export const OUTLINES: readonly Outline[] = [
  {
    id: "floor-to-standing",
    words: "From the floor up to standing",
    blocks: [
      { title: "On the floor", drills: ["cat-camel", "open-book"] },
      { title: "Half-kneeling", drills: ["hip-flexor-turn", "ankle-rock"] },
      { title: "On the feet", drills: ["squat-reach"] },
    ],
  },
  {
    id: "standing-only",
    words: "Standing only, moving all the time",
    blocks: [{ title: "On the feet", drills: ["leg-swing-front", "leg-swing-side", "stick-pass", "toe-touch-walk"] }],
  },
  {
    id: "slow-down",
    words: "Longer holds, then breathing",
    blocks: [
      { title: "Holds", drills: ["hip-flexor-hold", "hamstring-hold", "ninety-lean-front"] },
      { title: "Slow down", drills: ["long-exhale"] },
    ],
  },
  {
    id: "beside-the-desk",
    words: "Beside the desk, no kit",
    blocks: [{ title: "Beside the desk", drills: ["rib-shift", "squat-round-hold", "ninety-switch"] }],
  },
];

/** The blocks of an outline, every drill with its own dose. */
export function outlineBlocks(outline: Outline): Block[] {
  return outline.blocks.map(({ title, drills }) => ({
    title,
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill",
    items: drills.map((id) => {
      const drill = drillById(id);
      if (!drill) throw new Error(`Outline names a drill that is not in the library: ${id}`);
      return itemOf(drill);
    }),
  }));
}
