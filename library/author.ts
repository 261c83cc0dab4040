import type { ScaleStep } from "~/core/vocabulary/scales";
import { withAmount } from "~/core/dose/amount";
import { inWholeUnits } from "~/core/dose/dose";
import type { Area, Grade } from "~/core/vocabulary/areas";
import type { Caution, Drill, DoseBounds, DrillLevel, Load } from "~/core/drills/schema";
import type { Kit } from "~/core/vocabulary/kit";
import type { Motion } from "~/core/vocabulary/motions";
import type { Beat } from "~/core/dose/beat";
import type { Dose } from "~/core/dose/kinds";

type Codes = { pulse: ScaleStep; speed: ScaleStep; impact: ScaleStep; skill: ScaleStep; effort: number };
type Coded = keyof Codes;
type LevelText = Partial<Omit<DrillLevel, "how" | Coded>> & Pick<DrillLevel, "how"> & { codes: Codes };

/** A drill as it is written in this folder: the standard level's facts at the top, the other levels as what differs. */
export type Authored = Omit<Drill, "levels" | "directions"> &
  Pick<
    DrillLevel,
    "posture" | "stance" | "kit" | "helps" | "gait" | "main" | "also" | "otherLimb" | "bothLimbs" | "dose" | "bounds"
  > & {
    codes: Codes;
    loads?: Load[];
    endPosture?: DrillLevel["endPosture"];
    directions?: 1 | 2;
    easier: LevelText;
    harder: LevelText;
  };

/** A pad is for a hard floor: without it, on a mat or on grass, it is the same drill. */
const helpsOf = (kit: readonly Kit[]): Kit[] => kit.filter((piece) => piece === "pad");

/** Fills in a drill's three levels from its standard level and what the others change. */
export function drill(authored: Authored): Drill {
  const {
    posture,
    endPosture,
    stance,
    kit,
    helps,
    gait,
    main,
    also,
    otherLimb,
    bothLimbs,
    loads = [],
    dose,
    bounds,
    codes,
    easier,
    harder,
    directions = 1,
    ...drillText
  } = authored;
  const shared = { posture, kit, ...(gait && { gait }), main, also, loads, dose, bounds };
  // A level that works fewer rows says no more of limbs than it works.
  const limbs = (level: Pick<DrillLevel, "main" | "also">) => {
    const of = (rows: readonly Motion[] = []) => rows.filter((row) => [...level.main, ...level.also].includes(row));
    const [other, both] = [of(otherLimb), of(bothLimbs)];
    return { ...(other.length > 0 && { otherLimb: other }), ...(both.length > 0 && { bothLimbs: both }) };
  };
  const level = ({ codes: coded, ...change }: LevelText): DrillLevel => {
    const pieces = change.kit ?? kit;
    const only = change.helps ?? (change.kit ? helpsOf(pieces) : (helps ?? helpsOf(pieces)));
    // A level in another position says itself which leg is which.
    const legs = change.posture && change.posture !== posture ? undefined : stance;
    return {
      ...shared,
      ...limbs({ main: change.main ?? main, also: change.also ?? also }),
      ...(legs && { stance: legs }),
      ...change,
      endPosture: change.endPosture ?? change.posture ?? endPosture ?? posture,
      ...(only.length > 0 && { helps: only }),
      ...coded,
    };
  };
  const standard = level({ how: authored.brief, codes, ...(endPosture && { endPosture }) });
  return { ...drillText, directions, levels: { easier: level(easier), standard, harder: level(harder) } };
}

export const time = (seconds: number): Dose => ({ kind: "time", seconds });

export const breaths = (count: number, pattern?: [number, number, number, number]): Dose =>
  pattern ? { kind: "breaths", count, pattern } : { kind: "breaths", count };

/** Repetitions; each beat is written `word seconds`, with the breath in brackets and what kind of beat it is in round ones: `"reach 2 [out]"`, `"hop over 1.5 (hop)"`. */
export function reps(count: number, ...beats: string[]): Dose {
  return { kind: "reps", count, tempo: beats.map(readBeat) };
}

function readBeat(text: string): Beat {
  const parts = /^(.+?) ([\d.]+)(?: \[(in|out|hold)\])?(?: \((step|hop)\))?$/.exec(text);
  if (!parts?.[1] || !parts[2]) throw new Error(`Not a beat: ${text}`);
  return {
    do: parts[1],
    seconds: Number(parts[2]),
    ...(parts[3] && { breath: parts[3] as "in" | "out" | "hold" }),
    ...(parts[4] && { kind: parts[4] as "step" | "hop" }),
  };
}

/** Ramped effort; steps are `[per cent, seconds]`. */
export function effort(
  rounds: number,
  ramp: [number, number][],
  rest: { opposite?: [number, number]; settle?: number } = {},
): Dose {
  const step = ([percent, seconds]: [number, number]) => ({ effort: percent, seconds });
  return {
    kind: "effort",
    rounds,
    ramp: ramp.map(step),
    ...(rest.opposite && { opposite: step(rest.opposite) }),
    ...(rest.settle && { settle: rest.settle }),
  };
}

/** The same repetitions, another count. */
export function again(dose: Dose, count: number): Dose {
  return inWholeUnits(dose) ? withAmount(dose, count) : dose;
}

export const bounds = (least: number, most: number, step: number, leastRep?: number): DoseBounds => ({
  least,
  most,
  step,
  ...(leastRep && { leastRep }),
});

/** Felt somewhere else, and what to change then. */
export const felt = (where: string, change: string) => ({ felt: where, change });

/** A fault to see, what to say, and why it matters where that is not plain. */
export const fault = (see: string, say: string, why?: string) => ({ see, ...(why && { why }), say });

/** An area stressed besides what the drawing shows: some of it, or much, and why. */
const stated =
  (grade: Grade) =>
  (area: Area, because: string): Load => ({ area, grade, because });
export const some = stated(1);
export const much = stated(2);

const caution =
  (kind: Caution["kind"]) =>
  (text: string): Caution => ({ kind, text });
/** Who must not do it. */
export const leaveOut = caution("leave out");
/** What to mind. */
export const care = caution("take care");
/** A sign to stop at, and what to do then. */
export const stopIf = caution("stop now");

/**
 * A level by the scales of docs/drill-format.md: pulse, speed, impact and skill 0 to 3, effort 0 to 10.
 */
export const codes = (
  pulse: ScaleStep,
  speed: ScaleStep,
  impact: ScaleStep,
  skill: ScaleStep,
  effort: number,
): Codes => ({ pulse, speed, impact, skill, effort });

/** Drills that were gone through: when, and what was checked. */
export const reviewed = (on: string, checked: string, drills: readonly Drill[]): Drill[] =>
  drills.map((one) => ({ ...one, reviewed: { on, checked } }));
