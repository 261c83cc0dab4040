import { whoOf } from "../course";
import { beforePower, itemAt, type Looked } from "../look";
import { courseOf } from "../course";
import { shorterAt } from "../doses";
import type { AuditInput, Fix, RuleFinding, Rule } from "../types";
import type { Place } from "~/core/session/edits";
import { placeKey, totalsByItem } from "~/core/timeline/totals";
import { IN_ONE_PIECE, squatAtMost } from "~/core/arc/caps";
import { FOR } from "~/core/arc/people";
import { surfaceOf } from "~/core/arc/ground";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { knownStress } from "~/core/stress/at";
import type { Segment } from "~/core/timeline/types";
import type { Area } from "~/core/vocabulary/areas";
import { postureFacts, type Posture } from "~/core/vocabulary/postures";
import { otherSide } from "~/core/vocabulary/sides";
import { secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** So long in another position, and what was held begins anew. */
const BROKEN_BY: Seconds = 20;

/** Something nobody should stay in for long: how long, when it is so, and what it is called. The key tells pieces apart that end one another, as one knee and the other. */
type Cap = {
  id: string;
  words: string;
  why: string;
  most: (input: AuditInput) => Seconds;
  /** Whether it goes on in what is not work, too. */
  between: boolean;
  key: (segment: Segment, here: Looked, input: AuditInput) => string | undefined;
};

/** What goes on in one piece: what tells it from others, how long it has been, and what is done in it. */
type Stretch = {
  key: string;
  seconds: Seconds;
  told: boolean;
  parts: Map<string, { place: Place; seconds: Seconds }>;
};

const postureOf = (segment: Segment): Posture => (segment.kind === "move" ? segment.to : segment.posture);

const stresses = ({ level }: Looked, area: Area, least: 1 | 2 = 1): boolean =>
  knownStress(level).always.some((s) => s.area === area && s.grade >= least);

/** Up and down in each repetition is nothing that anyone stays in. */
const stays = ({ level }: Looked): boolean => level.posture === level.endPosture;

const SITS: ReadonlySet<Posture> = new Set(["long-sit", "straddle-sit", "crossed-sit", "ninety-sit", "kneel-sit"]);

const CAPS: readonly Cap[] = [
  {
    id: "hands",
    words: "on their hands",
    why: "Wrists and shoulders tire, and the back starts to sag.",
    most: (input) => FOR[whoOf(input)].hands,
    between: false,
    key: (segment, here) =>
      ["hands-and-knees", "plank"].includes(postureOf(segment)) || stresses(here, "wrist-weight", 2)
        ? "hands"
        : undefined,
  },
  {
    id: "squat",
    words: "in the deep squat",
    why: "Knees and ankles want a break from it.",
    most: (input) => squatAtMost(FOR[whoOf(input)], beforePower(input.session.purpose)),
    between: false,
    key: (segment, here) => (postureOf(segment) === "squat" && stays(here) ? "squat" : undefined),
  },
  {
    id: "sit",
    words: "in one way of sitting",
    why: "Backs and hips stiffen in it.",
    most: () => IN_ONE_PIECE.sit,
    between: true,
    key: (segment) => (SITS.has(postureOf(segment)) ? postureOf(segment) : undefined),
  },
  {
    id: "chair",
    words: "on a chair",
    why: "Sitting is what people come to get away from.",
    most: () => IN_ONE_PIECE.chair,
    between: true,
    key: (segment, here) => (postureFacts(postureOf(segment)).seated && stays(here) ? "chair" : undefined),
  },
  {
    id: "knee",
    words: "on one knee",
    why: "A knee on the floor needs a soft place, or a break.",
    most: (input) =>
      SURFACE_FACTS[surfaceOf(input.group?.setting, input.session.purpose)].kneel === "yes"
        ? IN_ONE_PIECE.kneeSoft
        : IN_ONE_PIECE.kneeHard,
    between: true,
    key: (segment, here) => kneeOf(segment, here),
  },
  {
    id: "front",
    words: "lying on the front",
    why: "Necks and backs stiffen in it.",
    most: () => IN_ONE_PIECE.front,
    between: true,
    key: (segment) => (postureFacts(postureOf(segment)).lies === "front" ? "front" : undefined),
  },
  {
    id: "head",
    words: "with the head below the hips",
    why: "People get dizzy, above all when they come up.",
    most: () => IN_ONE_PIECE.headLow,
    between: false,
    key: (_, here) => (stresses(here, "head-low", 2) ? "head" : undefined),
  },
  {
    id: "leg",
    words: "on one leg",
    why: "The foot and the hip tire, and balance goes.",
    most: () => IN_ONE_PIECE.oneLeg,
    between: false,
    key: (segment, here) =>
      segment.kind === "work" && segment.side !== "alternating" && stresses(here, "balance", 2) && !here.level.gait
        ? `leg ${segment.side} ${here.level.stance ?? ""}`
        : undefined,
  },
];

/** Which knee is down, where one is: a side, with a pad or without. Knee and knee about is on neither for long. */
function kneeOf(segment: Segment, here: Looked): string | undefined {
  if (postureOf(segment) !== "half-kneeling") return undefined;
  if (segment.kind === "switch") return undefined;
  if (segment.kind !== "work") return "knee";
  if (segment.side !== "left" && segment.side !== "right") return undefined;
  const side = here.level.stance === "front" ? otherSide(segment.side) : segment.side;
  return `knee ${side}`;
}

/** Whether two pieces are the same one going on: what is between the work of a knee belongs to the knee that was down. */
const goesOn = (open: string, key: string): boolean => open === key || key === "knee" || open === "knee";

/** Too long in one piece on the hands, in the deep squat, in one sit, on one knee, on the front, on one leg, head down. */
export const onePiece: Rule = {
  id: "one-piece",
  find: (input) => {
    const { grave } = courseOf(input);
    return CAPS.flatMap((cap): RuleFinding[] => {
      const most = cap.most(input);
      let open: Stretch | undefined;
      let other: Seconds = 0;
      const found: RuleFinding[] = [];
      for (const segment of input.timeline.segments) {
        const here = itemAt(input, segment);
        if (!here) continue;
        const key = cap.key(segment, here, input);
        if (key === undefined) {
          // Between two pieces people are on their way; only other work, or time in another position, breaks it.
          if (segment.kind === "switch" && cap.id === "knee") open = undefined;
          else if (segment.kind !== "move") other += segment.seconds;
          if (other >= BROKEN_BY) open = undefined;
          continue;
        }
        if (!open || !goesOn(open.key, key)) open = { key, seconds: 0, told: false, parts: new Map() };
        else if (open.key === "knee") open.key = key;
        other = 0;
        // Nobody stays down there while a drill is shown.
        if (segment.kind !== "work" && (!cap.between || segment.kind === "move" || segment.kind === "demo")) continue;
        // A pad makes a knee as good as a soft place.
        const limit =
          cap.id === "knee" && here.level.kit.includes("pad") && hasPads(input) ? IN_ONE_PIECE.kneeSoft : most;
        open.seconds += segment.seconds;
        if (segment.kind === "work") {
          const part = placeKey(segment.block, segment.item);
          open.parts.set(part, { place: here.place, seconds: (open.parts.get(part)?.seconds ?? 0) + segment.seconds });
        }
        if (open.seconds <= limit + 1e-6 || open.told) continue;
        open.told = true;
        const stretch = open;
        found.push({
          severity: grave,
          place: here.place,
          at: segment.start,
          about: cap.id,
          message:
            limit === 0
              ? `${here.drill.name} is done ${cap.words}.`
              : `By ${here.drill.name} everyone has been ${cap.words} for more than ${secondsText(limit)} in one piece.`,
          why: cap.why,
          ...(limit > 0 && { offer: () => shorterFix(input, stretch, limit) }),
        });
      }
      return found;
    });
  },
};

/** Shorter doses in what is done in one piece, so that it is no longer than it may be. */
function shorterFix(input: AuditInput, { parts, seconds }: Stretch, limit: Seconds): Fix | undefined {
  const work = totalsByItem(input.timeline);
  const all = (key: string) => Object.values(work.get(key)?.work ?? {}).reduce((a, b) => a + b, 0);
  const places = [...parts].map(([key, part]) => ({ place: part.place, of: part.seconds / Math.max(1, all(key)) }));
  const apply = shorterAt(input, places, seconds - limit);
  return apply && { words: "Shorter doses there", apply };
}

/** Whether there are pads: where nobody has said what kit there is, there are. */
const hasPads = ({ group }: AuditInput): boolean =>
  group?.setting.kit === undefined || (group.setting.kit.pad ?? 0) > 0;
