import { LIMITABLE, STRESS_SIDES, type Bends, type LevelStress, type Stress } from "~/core/drills/stresses";
import { AREAS } from "~/core/vocabulary/areas";

/*
 * What a level stresses as one short line, for the file that is made at build and goes to every page that plans:
 * areas with their grade and side, `>` the seconds from which on, `%` the effort from which on, then the bends.
 */

const SIDE = Object.fromEntries(STRESS_SIDES.map((side) => [side[0], side])) as Record<string, Stress["side"]>;

const written = ({ area, grade, side }: Stress): string => `${AREAS.indexOf(area)}${"xy"[grade - 1]!}${side[0]!}`;

export function writeStress({ always, timed, pressed, bends, drawn, pace, endRange, landings }: LevelStress): string {
  const parts = [
    ...always.map(written),
    ...timed.map((one) => `${written(one)}>${one.from}`),
    ...pressed.map((one) => `${written(one)}%${one.from}`),
  ];
  return `${drawn ? "d" : "u"}${pace}${endRange ? "e" : ""}${landings > 0 ? `j${landings}` : ""}|${parts.join(" ")}|${LIMITABLE.flatMap((area) => [bends[area].working, bends[area].other]).join(" ")}`;
}

/** Throws on what `writeStress` did not write. */
export function readStress(text: string): LevelStress {
  const [how, parts, bends] = text.split("|");
  const stress: { -readonly [K in keyof LevelStress]: LevelStress[K] } = {
    drawn: how?.[0] === "d",
    pace: readPace(how?.[1]),
    endRange: how?.[2] === "e",
    landings: Number(/j(\d+)/.exec(how ?? "")?.[1] ?? 0),
    always: [],
    timed: [],
    pressed: [],
    bends: readBends(bends),
  };
  for (const part of (parts ?? "").split(" ").filter(Boolean)) {
    const [, area, grade, side, kind, from] = /^(\d+)([xy])([wobm])(?:([>%])([\d.]+))?$/.exec(part) ?? [];
    const name = AREAS[Number(area)];
    if (!name || !side) throw new Error(`Not a stress: ${part}`);
    const one: Stress = { area: name, grade: grade === "x" ? 1 : 2, side: SIDE[side]! };
    if (kind === ">") stress.timed = [...stress.timed, { ...one, from: Number(from) }];
    else if (kind === "%") stress.pressed = [...stress.pressed, { ...one, from: Number(from) }];
    else stress.always = [...stress.always, one];
  }
  return stress;
}

function readPace(text: string | undefined): LevelStress["pace"] {
  const pace = Number(text);
  if (pace !== 0 && pace !== 1 && pace !== 2) throw new Error(`Not a pace: ${text}`);
  return pace;
}

function readBends(text: string | undefined): Bends {
  const numbers = (text ?? "").split(" ").map(Number);
  if (numbers.length !== 2 * LIMITABLE.length || numbers.some((n) => !Number.isFinite(n)))
    throw new Error(`Not bends: ${text}`);
  return Object.fromEntries(
    LIMITABLE.map((area, i) => [area, { working: numbers[2 * i]!, other: numbers[2 * i + 1]! }]),
  ) as Bends;
}
