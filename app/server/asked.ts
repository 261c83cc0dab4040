/** What is looked for in a list is at most so long. */
export const LONGEST_FIND = 120;

/** What is looked for by name, from an address. */
export const findOf = (params: URLSearchParams): string => (params.get("q") ?? "").trim().slice(0, LONGEST_FIND);

/** Which page of a list is asked for, from 0; pages are counted from 1 in addresses, and what is no page is the first. */
export function pageOf(params: URLSearchParams, name = "page"): number {
  const text = params.get(name);
  return text && /^\d{1,6}$/.test(text) ? Math.max(0, Number(text) - 1) : 0;
}
