import { parseArgs } from "node:util";
import { motionAt } from "~/core/drills/motion";
import { sampleBeats } from "~/core/figure/check";
import { bodyAt, playerOf } from "~/core/figure/play";
import { POINT_NAMES, SIDES, type Side } from "~/core/figure/points";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { drawnDrillById } from "~/library/drawn";

const USAGE = "usage: ./mapset figure DRILL [--level easier|standard|harder] [--side left|right]";

/** Prints 60 samples of one repetition of a drill: each a map of body points to [x, y, z] in metres. Returns the exit code. */
export function printFigure(args: readonly string[]): number {
  const refuse = (text: string) => {
    process.stderr.write(`${text}\n`);
    return 1;
  };
  const ask = readArgs(args);
  if (typeof ask === "string") return refuse(ask);
  const drill = drawnDrillById(ask.drill);
  if (!drill) return refuse(`There is no drill “${ask.drill}” in the library. ./mapset drills lists them.`);
  const motion = motionAt(drill, ask.level);
  if (!motion) return refuse(`${drill.name} is not drawn.`);
  const player = playerOf(motion, ask.side);
  const samples = sampleBeats(motion).map((beat) => {
    const { points } = bodyAt(player, beat);
    return Object.fromEntries(POINT_NAMES.map((name) => [name, points[name].map((n) => Math.round(n * 1e5) / 1e5)]));
  });
  process.stdout.write(`${JSON.stringify(samples)}\n`);
  return 0;
}

function readArgs(args: readonly string[]): { drill: string; level: LevelName; side: Side } | string {
  let read;
  try {
    read = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { level: { type: "string", default: "standard" }, side: { type: "string", default: "right" } },
    });
  } catch {
    return USAGE;
  }
  const {
    positionals: [drill, ...more],
    values,
  } = read;
  const level = LEVELS.find((name) => name === values.level);
  const side = SIDES.find((name) => name === values.side);
  if (!level) return `--level must be one of ${LEVELS.join(", ")}\n${USAGE}`;
  if (!side) return `--side must be left or right\n${USAGE}`;
  return drill === undefined || more.length > 0 ? USAGE : { drill, level, side };
}
