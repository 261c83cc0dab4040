import type { Edition } from "./edition";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { asDocument } from "~/core/drills/stresses";
import { readStress } from "~/core/stress/codec";
import { stressLines } from "~/core/stress/own";

/**
 * A drill of an edition as it is looked at today: its levels in use as they were handed out, with what they stress by
 * today's rules; its other levels as the drill is today, so that nobody is given an old form that is known better since.
 * Levels that neither has stay undrawn, and are nobody's answer. It takes up to 12 ms for each level in use that has changed.
 */
export function asKnownToday(handedOut: Drill, used: ReadonlySet<LevelName>, today: Drill | undefined): Drill {
  const old = asDocument(handedOut);
  const now = today && asDocument(today);
  const levels = { ...old.levels };
  const motions: Partial<NonNullable<Drill["motions"]>> = {};
  let lines: ReturnType<typeof stressLines> | undefined;
  for (const name of LEVELS) {
    const moved = motionAt(used.has(name) || !today ? old : today, name);
    if (!used.has(name)) {
      if (today) levels[name] = today.levels[name];
    } else {
      const known = today?.levels[name].stress;
      levels[name] = {
        ...old.levels[name],
        stress:
          known && now && sameForm(old, now, name)
            ? known
            : readStress(
                (lines ??= stressLines(
                  old,
                  LEVELS.filter((one) => used.has(one)),
                ))[name] ?? "",
              ),
      };
    }
    if (moved) motions[name] = moved;
  }
  const { standard } = motions;
  return { ...old, levels, ...(standard ? { motions: { ...motions, standard } } : {}) };
}

/** Whether a level says and moves the same in both. Documents from the database have their keys in another order. */
function sameForm(one: Drill, other: Drill, name: LevelName): boolean {
  const form = (drill: Drill) => inOrder([drill.sides, drill.method, drill.levels[name], motionAt(drill, name)]);
  return form(one) === form(other);
}

/** JSON with the keys of objects in order, and nothing for what is undefined. */
const inOrder = (value: unknown): string =>
  JSON.stringify(value, (_, inner: unknown) =>
    inner && typeof inner === "object" && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );

/** The levels of each drill that an edition uses. */
export function levelsUsed({ session }: Pick<Edition, "session">): Map<string, Set<LevelName>> {
  const used = new Map<string, Set<LevelName>>();
  for (const { drill, level } of session.blocks.flatMap((block) => block.items))
    used.set(drill, (used.get(drill) ?? new Set()).add(level));
  return used;
}
