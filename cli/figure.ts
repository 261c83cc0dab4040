import { motionAt } from "~/core/drills/motion";
import { sampleBeats } from "~/core/figure/check";
import { bodyAt, playerOf } from "~/core/figure/play";
import { POINT_NAMES, SIDES, type Side } from "~/core/figure/points";
import { LEVELS, type LevelName } from "~/core/session/schema";
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
  let [drill, level, side]: [string | undefined, LevelName, Side] = [undefined, "standard", "right"];
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (arg === "--level" || arg === "--side") {
      const value = args[++i];
      if (arg === "--level") {
        if (!LEVELS.includes(value as LevelName)) return `--level must be one of ${LEVELS.join(", ")}\n${USAGE}`;
        level = value as LevelName;
      } else {
        if (!SIDES.includes(value as Side)) return `--side must be left or right\n${USAGE}`;
        side = value as Side;
      }
    } else if (arg.startsWith("-") || drill !== undefined) return USAGE;
    else drill = arg;
  }
  return drill === undefined ? USAGE : { drill, level, side };
}
