import type { Chosen } from "./arrange";
import type { Candidate } from "./candidate";
import type { DraftRequest } from "./request";

/** What a draft is about: which drills it takes, what it would rather have, and what it is called. */
export type Idea = {
  words?: string;
  takes: (candidate: Candidate) => boolean;
  wish?: (candidate: Candidate) => number;
};

/** The first idea: what meets most of what is needed. */
export const MOST_NEEDS: Idea = { takes: () => true };

/** So much is a drill wished for that the group knows, where that is the idea. */
const KNOWN = 0.05;
/** A group that has done so many drills lately has some it knows. */
const KNOWS_SOME = 6;

/** The ideas worth trying after a first draft: each is what the first is not. */
export function ideasAfter(first: readonly Chosen[], { group }: DraftRequest): Idea[] {
  const some = (of: (c: Candidate) => boolean) => first.some(({ candidate }) => of(candidate));
  const upright = (c: Candidate) => c.place === "feet";
  return [
    ...(some((c) => !upright(c)) ? [{ words: "All on the feet", takes: upright }] : []),
    ...((group?.shown?.length ?? 0) >= KNOWS_SOME
      ? [
          {
            words: "What they know",
            takes: () => true,
            wish: (c: Candidate) => (c.familiar === "new" && c.taught ? -KNOWN : c.taught ? KNOWN : 0),
          },
        ]
      : []),
    ...(some((c) => c.kit.length > 0) ? [{ words: "Without kit", takes: (c: Candidate) => c.kit.length === 0 }] : []),
    MOST_NEEDS,
    MOST_NEEDS,
  ];
}
