import type { Chosen } from "./arrange";
import type { Candidate } from "./candidate";
import { knownWish } from "./choose";
import type { DraftRequest } from "./request";
import { weightOf } from "~/core/sport-profiles/fit";
import { JOINT_PLURALS, MOTION_FACTS, MOTIONS, type Joint } from "~/core/vocabulary/motions";

/** What a draft is about: which drills it takes, what it would rather have, and what it is called. */
export type Idea = {
  words?: string;
  takes: (candidate: Candidate) => boolean;
  wish?: (candidate: Candidate) => number;
};

/** The first idea: what meets most of what is needed. */
export const MOST_NEEDS: Idea = { takes: () => true };

/** A group that has done so many drills lately has some it knows. */
const KNOWS_SOME = 6;

/** The ideas worth trying after a first draft: each is what the first is not. */
export function ideasAfter(first: readonly Chosen[], { group, familiar, demand, tight }: DraftRequest): Idea[] {
  const joint = tight[0] ?? heaviest(demand);
  const some = (of: (c: Candidate) => boolean) => first.some(({ candidate }) => of(candidate));
  const upright = (c: Candidate) => c.place === "feet";
  return [
    ...(some((c) => !upright(c)) ? [{ words: "All on the feet", takes: upright }] : []),
    ...((group?.shown?.length ?? 0) >= KNOWS_SOME && !familiar
      ? [
          {
            words: "What they know",
            takes: () => true,
            wish: knownWish,
          },
        ]
      : []),
    ...(some((c) => c.kit.length > 0) ? [{ words: "Without kit", takes: (c: Candidate) => c.kit.length === 0 }] : []),
    {
      words: `Most for the ${JOINT_PLURALS[joint]}`,
      takes: () => true,
      wish: (c) =>
        c.phase.serves &&
        !c.phase.needed &&
        c.drill.levels[c.level].main.some((row) => MOTION_FACTS[row].joint === joint)
          ? MORE
          : 0,
    },
    MOST_NEEDS,
    MOST_NEEDS,
  ];
}

/** So much is a drill wished for that works the joint an idea is about. */
const MORE = 0.03;

/** The joint whose motions weigh most in a profile. */
function heaviest(demand: DraftRequest["demand"]): Joint {
  const sums = new Map<Joint, number>();
  for (const row of MOTIONS) {
    const { joint } = MOTION_FACTS[row];
    sums.set(joint, (sums.get(joint) ?? 0) + weightOf(demand, row));
  }
  return [...sums].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}
