import type { Motion } from "~/core/vocabulary/motions";

/** What people may be held in all week, by a key that documents use, and the motions that gain weight by it. */
export const HELD_POSITIONS: Readonly<Record<string, { words: string; opposites: readonly Motion[] }>> = {
  "hips-folded": { words: "hips folded", opposites: ["hip.ext"] },
  "upper-back-rounded": { words: "upper back rounded", opposites: ["th.ext"] },
  "arms-in-front": { words: "arms in front", opposites: ["sh.ext", "sh.er", "scap"] },
  "arms-overhead": { words: "arms overhead", opposites: ["sh.ext"] },
  "head-forward": { words: "head forward", opposites: ["nk.ext", "nk.flex"] },
  "neck-bent-back": { words: "neck bent back", opposites: ["nk.flex"] },
  "feet-pointed": { words: "feet pointed", opposites: ["an.df"] },
  "knees-bent": { words: "knees bent", opposites: ["kn.ext"] },
  "turned-to-one-side": { words: "turned to one side", opposites: ["th.rot", "hip.ir", "hip.er"] },
  "wrists-bent-back": { words: "wrists bent back", opposites: ["wr.flex"] },
  "only-forward": { words: "only forward", opposites: ["th.rot", "th.side", "hip.abd", "hip.ir"] },
};

const BY_WORDS = new Map([
  ...Object.entries(HELD_POSITIONS).map(([key, { words }]) => [words, key] as const),
  ["hips bent", "hips-folded"] as const,
]);

/** The key of a held position. Profiles of before have its words in its place; what is neither is a coach's own text, and its own key. */
export const heldKey = (held: string): string =>
  Object.hasOwn(HELD_POSITIONS, held) ? held : (BY_WORDS.get(held) ?? held);

/** What a held position is called. */
export const heldWords = (held: string): string => HELD_POSITIONS[heldKey(held)]?.words ?? held;
