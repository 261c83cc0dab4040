import type { DrillLevel } from "./schema";
import type { Kit } from "~/core/vocabulary/kit";
import type { LevelName } from "~/core/vocabulary/levels";

/** What a level may say of itself in place of the drill. */
const OWN = ["name", "method", "sides", "directions", "directionWords", "setUp", "steps", "cautions"] as const;

type Formed = { levels: Readonly<Record<LevelName, Partial<Pick<DrillLevel, (typeof OWN)[number] | "how">>>> };

const formed = new WeakMap<object, Partial<Record<LevelName, object>>>();
/** The drills that forms were made of: the form of one level says nothing of another. */
const wholes = new WeakMap<object, object>();

/**
 * A drill as it is at a level: with what the level says of itself (its name where it is really another exercise, its sides,
 * its method, its words) in the place of what the drill says for all levels. Also of a drill that is in the form of another
 * level. The same object each time; the drill itself where the level says nothing of its own. For looking at, never for
 * keeping: a document says what is each level's.
 */
export function inForm<D extends Formed>(drill: D, level: LevelName): D {
  const whole = (wholes.get(drill) ?? drill) as D;
  const known = formed.get(whole) ?? {};
  const before = known[level];
  if (before) return before as D;
  const own = whole.levels[level];
  const said = OWN.filter((key) => own[key] !== undefined);
  const form =
    said.length === 0
      ? whole
      : {
          ...whole,
          ...Object.fromEntries(said.map((key) => [key, own[key]])),
          // The drill in one line is another one where the level is another exercise.
          ...(own.name !== undefined && { brief: own.how }),
        };
  formed.set(whole, { ...known, [level]: form });
  if (form !== whole) wholes.set(form, whole);
  return form;
}

/** The drill of an item as it is at the item's level, where there is such a drill. */
export function formIn<D extends Formed>(
  { drill, level }: { drill: string; level: LevelName },
  drills: (id: string) => D | undefined,
): D | undefined {
  const found = drills(drill);
  return found && inForm(found, level);
}

const less = (kit: readonly Kit[], out: readonly Kit[]): readonly Kit[] => {
  if (out.length === 0) return kit;
  const left = [...out];
  return kit.filter((piece) => {
    const at = left.indexOf(piece);
    if (at < 0) return true;
    left.splice(at, 1);
    return false;
  });
};

/** The kit an item uses: all of its level’s but what only helps and is left away. */
export const kitUsed = (
  { kit, helps = [] }: Pick<DrillLevel, "kit" | "helps">,
  { without = [] }: { without?: readonly Kit[] | undefined },
): readonly Kit[] =>
  without.length === 0
    ? kit
    : less(
        kit,
        helps.filter((piece) => without.includes(piece)),
      );

/** The kit without which a level isn’t this drill: all of it but what only helps, each piece that helps once. */
export const needsOf = ({ kit, helps = [] }: Pick<DrillLevel, "kit" | "helps">): readonly Kit[] => less(kit, helps);
