import { METHOD_FACTS, type Method } from "~/core/vocabulary/methods";
import { peakEffort } from "~/core/dose/dose";
import type { Dose } from "~/core/dose/kinds";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Share } from "~/core/units";

const BY_LEVEL: Readonly<Record<LevelName, Share>> = { easier: -0.12, standard: 0, harder: 0.12 };

/** How hard a drill is at a level and dose; an effort is as hard as its strongest step. */
export function hardness(method: Method, level: LevelName, dose: Dose): Share {
  return Math.max(METHOD_FACTS[method].hard + BY_LEVEL[level], peakEffort(dose) / 100);
}
