import type { Candidate } from "./candidate";
import type { DraftRequest } from "./request";
import { IN_ONE_PIECE, squatAtMost } from "~/core/arc/caps";
import { forGroup } from "~/core/arc/people";
import { beforePower } from "~/core/audit/look";
import { knownStress } from "~/core/stress/at";
import type { Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** Where what is between the work counts, too, so much less work is room enough. */
const WAITING: Seconds = 15;

/** Positions people should not stay in for long, and what of a drill counts. */
export const STAYS: readonly { most: (request: DraftRequest) => Seconds; is: (c: Candidate) => string | undefined }[] =
  [
    {
      most: ({ group }) => forGroup(group).hands,
      is: (c) =>
        ["hands-and-knees", "plank"].includes(c.from) ||
        knownStress(c.drill.levels[c.level]).always.some((s) => s.area === "wrist-weight" && s.grade === 2)
          ? "hands"
          : undefined,
    },
    {
      most: ({ group, purpose }) => squatAtMost(forGroup(group), beforePower(purpose)),
      is: (c) => (c.from === "squat" && c.to === "squat" ? "squat" : undefined),
    },
    {
      // Nobody cools down in what is to move them.
      most: ({ purpose }) => (purpose === "off-day" || purpose === "desk-break" ? 90 : 60),
      is: (c) => (c.scales.pulse < c.phase.pulse.least && c.phase.pulse.still < 3600 ? `still${c.at}` : undefined),
    },
    { most: () => IN_ONE_PIECE.sit - WAITING, is: (c) => (SITS.has(c.from) ? c.from : undefined) },
    {
      most: () => IN_ONE_PIECE.chair - 2 * WAITING,
      is: (c) => (/-sit$/.test(c.from) && c.place === "seat" && c.from === c.to ? "seat" : undefined),
    },
    { most: () => IN_ONE_PIECE.front - WAITING, is: (c) => (c.from === "prone" ? "prone" : undefined) },
    {
      most: () => IN_ONE_PIECE.headLow,
      is: (c) =>
        knownStress(c.drill.levels[c.level]).always.some((s) => s.area === "head-low" && s.grade === 2)
          ? "head"
          : undefined,
    },
  ];

const SITS: ReadonlySet<Posture> = new Set(["long-sit", "straddle-sit", "crossed-sit", "ninety-sit", "kneel-sit"]);
