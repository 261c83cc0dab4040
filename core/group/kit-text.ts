import { KIT, KIT_FACTS, type Kit } from "~/core/vocabulary/kit";

const NUMBERS: Record<string, number> = {
  no: 0,
  none: 0,
  zero: 0,
  a: 1,
  an: 1,
  one: 1,
  the: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  dozen: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
};

/** More pieces of one kind than this are in no room. */
export const MOST_PIECES = 500;

const singular = (word: string): string =>
  /(?:ch|sh|x|s)es$/.test(word) ? word.slice(0, -2) : /[^s]s$/.test(word) ? word.slice(0, -1) : word;

const BY_NAME = new Map<string, Kit>(
  KIT.flatMap((piece) =>
    [piece, KIT_FACTS[piece].words, ...KIT_FACTS[piece].called].map((name) => [name.toLowerCase(), piece] as const),
  ),
);

function pieceOf(words: string): Kit | undefined {
  const plain = words.toLowerCase().trim();
  const last = plain.split(" ");
  const one = [...last.slice(0, -1), singular(last.at(-1) ?? "")].join(" ");
  return BY_NAME.get(plain) ?? BY_NAME.get(one);
}

/**
 * Kit as a coach types it: “24 pads, 12 sticks, a wall, no chairs”. A number comes before its piece or after it; without one
 * there is one. What nobody knows is given back, to be said.
 */
export function readKit(text: string): { kit: Partial<Record<Kit, number>>; unknown: string[] } {
  const kit: Partial<Record<Kit, number>> = {};
  const unknown: string[] = [];
  for (const part of text.slice(0, 2_000).split(/[,;\n]|\band\b|&/i)) {
    const words = part
      .replace(/[×*]/g, " x ")
      .trim()
      .replace(/\s+/g, " ")
      .replace(/\s?[.:]$/, "");
    if (words === "") continue;
    const [, first = "", last = ""] = /^([a-z][a-z -]*?)\s*(?:x|:|=)?\s*(\d+)$/i.exec(words) ?? [];
    const named = pieceOf(first);
    if (named) {
      kit[named] = Math.min(MOST_PIECES, Number(last));
      continue;
    }
    const [, before = "", rest = words] =
      /^(\d+|[a-z]+)\s*(?:x\s*)?\s(.+)$/i.exec(words.replace(/^(\d+)\s*(?=[a-z])/i, "$1 ")) ?? [];
    const count = /^\d+$/.test(before) ? Number(before) : NUMBERS[before.toLowerCase()];
    // “light weights” begins with no number: then all of it is the name.
    const name = (count === undefined ? words : rest).replace(/^x\s+|^of\s+/i, "");
    const piece = pieceOf(name.replace(/^dozen\s+/i, ""));
    if (piece) kit[piece] = Math.min(MOST_PIECES, (count ?? 1) * (/^dozen\s/i.test(name) ? 12 : 1));
    else unknown.push(words.slice(0, 40));
  }
  return { kit, unknown };
}
