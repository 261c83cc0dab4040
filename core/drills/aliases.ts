/**
 * Drills of the library that have another id now, or were retired for another one: sessions and files of before open with
 * these. An id once shipped is never given to another drill.
 */
export const ALIASES: ReadonlyMap<string, string> = new Map();

/** The id a drill goes by now. */
export const idNow = (id: string, aliases: ReadonlyMap<string, string> = ALIASES): string => aliases.get(id) ?? id;
