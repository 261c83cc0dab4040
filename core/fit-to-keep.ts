/*
 * Text that can be kept: no NUL and no half of a pair of code units, which databases and files refuse.
 */
const HALF = /\p{Cs}/u;
const HALVES = /\p{Cs}/gu;

/** Whether a text can be kept. */
export const isFit = (text: string): boolean => !text.includes("\0") && !HALF.test(text);

/** The same text with what cannot be kept left out or replaced. */
export const madeFit = (text: string): string => text.replaceAll("\0", "").replace(HALVES, "\uFFFD");

/** The first so many code units of a text, and not half of a pair at the end. */
export function cutTo(text: string, length: number): string {
  const cut = text.slice(0, length);
  return /[\uD800-\uDBFF]$/.test(cut) ? cut.slice(0, -1) : cut;
}
