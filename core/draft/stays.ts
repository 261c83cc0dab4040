import type { Candidate } from "./candidates";
import type { DraftRequest } from "./request";
import { FOR } from "~/core/arc/people";
import { beforePower } from "~/core/audit/look";
import { knownStress } from "~/core/stress/at";
import type { Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** Positions people should not stay in for long, and what of a drill counts. */
export const STAYS: readonly { most: (request: DraftRequest) => Seconds; is: (c: Candidate) => string | undefined }[] =
  [
    {
      most: ({ group }) => FOR[group?.setting.who ?? "adults"].hands,
      is: (c) =>
        ["hands-and-knees", "plank"].includes(c.from) ||
        knownStress(c.drill.levels[c.level]).always.some((s) => s.area === "wrist-weight" && s.grade === 2)
          ? "hands"
          : undefined,
    },
    {
      most: ({ group, purpose }) => {
        const theirs = FOR[group?.setting.who ?? "adults"].squat;
        return beforePower(purpose) ? Math.min(60, theirs) : theirs === 60 ? 90 : theirs;
      },
      is: (c) => (c.from === "squat" && c.to === "squat" ? "squat" : undefined),
    },
    {
      // Nobody cools down in what is to move them.
      most: ({ purpose }) => (purpose === "off-day" || purpose === "desk-break" ? 90 : 60),
      is: (c) => (c.scales.pulse < c.phase.pulse.least && c.phase.pulse.still < 3600 ? `still${c.at}` : undefined),
    },
    { most: () => 165, is: (c) => (SITS.has(c.from) ? c.from : undefined) },
    {
      most: () => 330,
      is: (c) => (/-sit$/.test(c.from) && c.place === "seat" && c.from === c.to ? "seat" : undefined),
    },
    { most: () => 110, is: (c) => (c.from === "prone" ? "prone" : undefined) },
    {
      most: () => 45,
      is: (c) =>
        knownStress(c.drill.levels[c.level]).always.some((s) => s.area === "head-low" && s.grade === 2)
          ? "head"
          : undefined,
    },
  ];

const SITS: ReadonlySet<Posture> = new Set(["long-sit", "straddle-sit", "crossed-sit", "ninety-sit", "kneel-sit"]);
