import { formIn } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import type { Edition } from "~/core/edition/edition";
import { fallbackFor } from "~/core/group/fallback";
import type { GroupSetting } from "~/core/group/schema";
import type { Area } from "~/core/vocabulary/areas";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Steps } from "~/core/steps";

/** What somebody does instead who doesn’t do one thing: headed by what is changed, never by whom or what of theirs. */
export type WallAlternative = { head: string; drill: string; level: LevelName; id: string };
/** By place in the session, “block.item”. */
export type WallAlternatives = Readonly<Record<string, readonly WallAlternative[]>>;

/** What is commonly left out, and what is said instead; the first that matter are shown. */
const COMMON: readonly { area: Area; head: string }[] = [
  { area: "kneeling", head: "Not kneeling" },
  { area: "wrist-weight", head: "Not on the hands" },
  { area: "impact", head: "Without landing" },
  { area: "floor", head: "Staying up" },
  { area: "knee-deep-bend", head: "Not so deep" },
  { area: "shoulder-overhead", head: "Arms lower" },
];

const MOST = 2;

/**
 * What is shown beside each drill for those who can’t do it: the drill’s own alternatives, whoever is there, so that nobody is
 * pointed at. Worked out drill by drill.
 */
export function* wallAlternatives(
  { session }: Pick<Edition, "session">,
  drills: (id: string) => Drill | undefined,
  offered: readonly Drill[],
  /** The kit of the place: what is not there is nobody’s answer. */
  setting?: GroupSetting,
): Steps<WallAlternatives> {
  const group = setting && { name: "", people: [], setting };
  const found: Record<string, WallAlternative[]> = {};
  for (const [b, block] of session.blocks.entries())
    for (const [i, item] of block.items.entries()) {
      const own = formIn(item, drills);
      if (!own) continue;
      const list: WallAlternative[] = [];
      for (const { area, head } of COMMON) {
        if (list.length >= MOST) break;
        const other = fallbackFor(item, [{ area, way: "keep-off" }], {
          drills,
          offered,
          pace: session.pace,
          rounds: block.rounds,
          group,
        });
        if (!other || (other.drill.id === own.id && other.level === item.level)) continue;
        // The same answer to two questions is shown once.
        if (list.some((one) => one.drill === other.drill.name && one.level === other.level)) continue;
        list.push({ head, drill: other.drill.name, level: other.level, id: other.drill.id });
      }
      if (list.length > 0) found[`${b}.${i}`] = list;
      yield;
    }
  return found;
}

/**
 * All that a wall is given, by name: how the session is done, and nothing on who does it. No title, no notes, no cues, no
 * names, no areas.
 */
export type WallPage = {
  session: Edition["session"];
  drills: readonly Drill[];
  alternatives: WallAlternatives;
  /** How what is done instead moves, for showing it beside the drill. */
  others: readonly Drill[];
  promised: number;
};

/** The part of an edition a wall is given, from a list of what may be there. */
export function forWall(
  { session, drills }: Edition,
  alternatives: WallAlternatives,
  others: readonly Drill[],
  promised: number,
): WallPage {
  return {
    session: {
      format: session.format,
      version: session.version,
      title: "",
      purpose: session.purpose,
      ...(session.target !== undefined && { target: session.target }),
      firstSide: session.firstSide,
      pace: session.pace,
      notes: "",
      blocks: session.blocks.map((block) => ({
        ...block,
        title: "",
        items: block.items.map(({ cues: _, ...item }) => item),
      })),
    },
    drills: drills.map((drill) => withoutLoads(drill)),
    alternatives,
    others: others.map((drill) => withoutLoads(drill)),
    promised,
  };
}

/** A drill without what it loads and whom it is not for: a hall need not read that. */
const withoutLoads = (drill: Drill): Drill => ({
  ...drill,
  cautions: [],
  levels: {
    easier: { ...drill.levels.easier, loads: [] },
    standard: { ...drill.levels.standard, loads: [] },
    harder: { ...drill.levels.harder, loads: [] },
  },
});
