import { z } from "zod";
import { drillSchema, levelSchema, type Drill } from "./schema";
import { isNewer, MADE_BY_NEWER, parseWith, readJson, type ValidationError, type Read } from "~/core/faults";
import { rowsToMove } from "./motion";
import { motionFaults } from "~/core/figure/check";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { USUAL_PACE } from "~/core/dose/pace";
import { asDocument } from "./stresses";
import { doseSeconds, unitCount, isCounted } from "~/core/dose/dose";

/**
 * Version 1 had no stance, and up to version 2 a drill said nothing of its pulse, speed, impact, skill and effort, of its
 * family and of what only helps, and its cautions were bare sentences. What came later may be left out, so one schema reads all.
 */
const NEWEST_DRILL = 3;

/** A drill as a file. */
export const drillFileSchema = z.strictObject({
  format: z.literal("mapset/drill"),
  version: z.literal(NEWEST_DRILL),
  drill: drillSchema,
});

export const drillFile = (drill: Drill) => ({
  format: "mapset/drill" as const,
  version: NEWEST_DRILL as typeof NEWEST_DRILL,
  drill: asDocument(drill),
});

/** Longest drill file that is looked at, in characters. */
export const LONGEST_DRILL_TEXT = 1_000_000;

/** Checks a drill: its shape, its doses against their bounds, its directions. Every fault with its path. */
export function readDrill(document: unknown, under: readonly PropertyKey[] = []): Read<Drill> {
  const parsed = parseWith(drillSchema, document);
  const placed = (faults: readonly ValidationError[]) =>
    faults.map((fault) => ({ ...fault, path: join(under, fault.path) }));
  // What can be read of one that is not right is looked at even so, that everything is told at once.
  if (!parsed.ok) return { ok: false, faults: placed([...parsed.faults, ...looseFaults(document)]) };
  const faults = meaningFaults(parsed.value);
  return faults.length > 0 ? { ok: false, faults: placed(faults) } : parsed;
}

const join = (under: readonly PropertyKey[], path: string) =>
  under.length === 0
    ? path
    : path === "(document)"
      ? under.map(String).join(".")
      : `${under.map(String).join(".")}.${path}`;

/** Reads a drill from the text of a file. */
export function readDrillText(text: string): Read<Drill> {
  const document = readJson(text, LONGEST_DRILL_TEXT);
  if (!document.ok) return document;
  if (isNewer(document.value, NEWEST_DRILL))
    return { ok: false, faults: [{ path: "version", message: MADE_BY_NEWER }] };
  const outer = parseWith(
    z.strictObject({ format: z.literal("mapset/drill"), version: z.literal([1, 2, NEWEST_DRILL]), drill: z.unknown() }),
    document.value,
  );
  return outer.ok ? readDrill(outer.value.drill, ["drill"]) : outer;
}

function meaningFaults(drill: Drill): ValidationError[] {
  return [...directionFaults(drill), ...LEVELS.flatMap((name) => levelFaults(name, drill.levels[name]))];
}

const directionFaults = ({
  directions,
  directionWords,
}: {
  directions?: unknown;
  directionWords?: unknown;
}): ValidationError[] =>
  directions === 2 && directionWords === undefined
    ? [{ path: "directionWords", message: "is missing: say what the two directions are called" }]
    : [];

function levelFaults(name: LevelName, { dose, bounds, main, also }: z.infer<typeof levelSchema>): ValidationError[] {
  const faults: ValidationError[] = [];
  const path = `levels.${name}`;
  if (bounds.least > bounds.most)
    faults.push({ path: `${path}.bounds.least`, message: `must be at most ${bounds.most}` });
  const amount = isCounted(dose) ? unitCount(dose) : doseSeconds(dose, USUAL_PACE);
  if (amount < bounds.least || amount > bounds.most)
    faults.push({
      path: `${path}.dose`,
      message: `must be between ${bounds.least} and ${bounds.most}, as the bounds say`,
    });
  const twice = main.find((row) => also.includes(row));
  if (twice) faults.push({ path: `${path}.also`, message: `has ${twice}, which is among the main motions already` });
  return faults;
}

/** What is wrong with those parts of a drill that can be read although the whole can't. */
function looseFaults(document: unknown): ValidationError[] {
  if (typeof document !== "object" || document === null) return [];
  const { levels } = document as { levels?: unknown };
  const faults = directionFaults(document);
  if (typeof levels !== "object" || levels === null) return faults;
  for (const name of LEVELS) {
    const level = parseWith(levelSchema, (levels as Record<string, unknown>)[name]);
    if (level.ok) faults.push(...levelFaults(name, level.value));
  }
  return faults;
}

/** What is wrong with how a drill is drawn, in words, for each level that has a motion of its own. */
export function drawingFaults(drill: Drill) {
  return LEVELS.flatMap((level) => {
    const motion = drill.motions?.[level];
    return motion ? motionFaults(motion, rowsToMove(drill.levels[level])).map((fault) => ({ level, fault })) : [];
  });
}
